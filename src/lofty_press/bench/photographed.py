"""Reliefs that a ray tracer photographed, read back and held against the heights it was given; see `tests/photographs/render_relief.py`."""

import json
from functools import cache
from typing import Any

import cv2
import numpy as np
from scipy.ndimage import map_coordinates
from scipy.optimize import least_squares

from lofty_press.core.imaging.photo import Pixels
from lofty_press.core.imaging.shading import Shape, shape_by_scans, shape_by_torch
from lofty_press.core.sandwich.stack import FloatArray
from lofty_press.setup.paths import ROOT

FOLDER = ROOT / "tests" / "photographs"
PER_MM = 300 / 25.4  # of the scans


def photos(name: str, *, room: bool = True) -> list[Pixels]:
    """The photos of a series; `room` with the one without a torch, its first."""
    files = sorted(FOLDER.glob(f"{name}-*.jpg"))
    return [np.asarray(cv2.imread(str(file)), dtype=np.uint8) for file in (files if room else files[1:])]


def true_heights(name: str) -> tuple[FloatArray, dict[str, Any]]:
    """Heights that were rendered, and what is known of them. [mm]"""
    about = json.loads((FOLDER / f"{name}.json").read_text())
    return about["depth"] * cv2.imread(str(FOLDER / f"{name}.png"), cv2.IMREAD_UNCHANGED) / 65535.0, about


@cache
def shape(name: str, *, room: bool = True) -> Shape:
    """What the product reads in a series."""
    if name.startswith("scans"):
        return shape_by_scans(photos(name), per_mm=PER_MM)
    return shape_by_torch(photos(name, room=room), ruler_mm=100.0, thickness_mm=true_heights(name)[1]["body"])


@cache
def beside_truth(name: str, *, room: bool = True) -> tuple[FloatArray, FloatArray, FloatArray]:
    """Heights within the tool with the depth that a caliper would say (n,), the true ones there (n,), and the true ones on the whole grid (nx, ny). [mm]

    Notes
    -----
    A tool can lie either way up, and its middle is found to a fraction of a millimetre: the truth is turned and moved until it fits best.
    """
    read, (true, about) = shape(name, room=room), true_heights(name)
    heights = read.relief(about["depth"]).heights.astype(np.float64)
    nx, ny = heights.shape
    x, y = np.meshgrid((np.arange(nx) - (nx - 1) / 2) * read.spacing, (np.arange(ny) - (ny - 1) / 2) * read.spacing, indexing="ij")

    def moved(map_: FloatArray, pose: FloatArray) -> FloatArray:
        c, s = np.cos(pose[2]), np.sin(pose[2])
        u, v = c * x - s * y + pose[0], s * x + c * y + pose[1]
        places = [u / about["step"] + (map_.shape[0] - 1) / 2, v / about["step"] + (map_.shape[1] - 1) / 2]
        return np.asarray(map_coordinates(map_, places, order=1))

    def fitted(turned: FloatArray) -> tuple[float, FloatArray]:
        fit = least_squares(
            lambda pose: (heights - moved(turned, pose))[read.inside][::3], [0, 0, 0], diff_step=0.05, x_scale=[0.2, 0.2, 0.01]
        )
        return float(fit.cost), moved(turned, fit.x)

    best = min((fitted(turned) for turned in (true, true[::-1, ::-1])), key=lambda each: each[0])[1]
    return heights[read.inside], best[read.inside], best
