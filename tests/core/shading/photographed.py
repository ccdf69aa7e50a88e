"""Reliefs that a ray tracer photographed, read back and held against the heights it was given; see `tests/photographs/render_relief.py`."""

import json
from functools import cache

import cv2
import numpy as np
from scipy.ndimage import map_coordinates
from scipy.optimize import least_squares
from tests.core.photo.photographs import FOLDER

from lofty_press.core.shading import shape_by_scans, shape_by_torch

PER_MM = 300 / 25.4  # of the scans


def photos(name, *, room=True):
    """The photos of a series; `room` with the one without a torch, its first."""
    files = sorted(FOLDER.glob(f"{name}-*.jpg"))
    return [cv2.imread(str(file)) for file in (files if room else files[1:])]


def true_heights(name):
    """Heights that were rendered, and what is known of them. [mm]"""
    about = json.loads((FOLDER / f"{name}.json").read_text())
    return about["depth"] * cv2.imread(str(FOLDER / f"{name}.png"), cv2.IMREAD_UNCHANGED) / 65535.0, about


@cache
def shape(name, *, room=True):
    if name.startswith("scans"):
        return shape_by_scans(photos(name), per_mm=PER_MM)
    return shape_by_torch(photos(name, room=room), ruler_mm=100.0, thickness_mm=true_heights(name)[1]["body"])


def beside_truth(name, *, room=True):
    """Heights with the depth that a caliper would say, the true ones at the same places, and both within the tool: (n,) each. [mm]

    Notes
    -----
    A tool can lie either way up, and its middle is found to a fraction of a millimetre: the truth is turned and moved until it fits best.
    """
    read, (true, about) = shape(name, room=room), true_heights(name)
    heights = read.relief(about["depth"]).heights
    nx, ny = heights.shape
    x, y = np.meshgrid((np.arange(nx) - (nx - 1) / 2) * read.spacing, (np.arange(ny) - (ny - 1) / 2) * read.spacing, indexing="ij")

    def moved(map_, pose):
        c, s = np.cos(pose[2]), np.sin(pose[2])
        u, v = c * x - s * y + pose[0], s * x + c * y + pose[1]
        return map_coordinates(map_, [u / about["step"] + (map_.shape[0] - 1) / 2, v / about["step"] + (map_.shape[1] - 1) / 2], order=1)

    tries = []
    for turned in (true, true[::-1, ::-1]):
        fit = least_squares(
            lambda pose, turned=turned: (heights - moved(turned, pose))[read.inside][::3],
            [0, 0, 0],
            diff_step=0.05,
            x_scale=[0.2, 0.2, 0.01],
        )
        tries.append((fit.cost, moved(turned, fit.x)))
    best = min(tries, key=lambda each: each[0])[1]
    return heights[read.inside], best[read.inside], best
