"""Coded markers: what is printed, and where a photo shows them."""

import cv2
import numpy as np
from numpy.typing import NDArray
from scipy.ndimage import gaussian_filter1d

from lofty_press.core.imaging.photo.target import TARGETS, Target
from lofty_press.core.sandwich.stack import FloatArray

Gray = NDArray[np.uint8]
CODES = cv2.aruco.getPredefinedDictionary(cv2.aruco.DICT_5X5_100)
"""A standard dictionary of square codes: Garrido-Jurado et al., Pattern Recognition 47, 2014."""
CELLS = 7  # across a marker, its black rim included
GAMMA = 2.2  # of a display, near what phones write
SMALL = 2400  # pixels along the longer side in which markers are looked for; their corners are then found in the whole photo


def marker_cells(number: int) -> NDArray[np.bool_]:
    """Which cells of a marker are black, (CELLS, CELLS), from its upper left."""
    return np.asarray(cv2.aruco.generateImageMarker(CODES, number, CELLS) == 0)


def seen_markers(gray: Gray) -> tuple[Target | None, dict[int, FloatArray]]:
    """The target that a photo shows, and the corners of its markers, each (4, 2). [pixel]

    Notes
    -----
    Of markers of both papers the one with more of them is taken. Corners are found to a fraction of a pixel where two edges cross.
    """
    scale = min(1.0, SMALL / max(gray.shape))
    small = gray if scale == 1.0 else cv2.resize(gray, None, fx=scale, fy=scale, interpolation=cv2.INTER_AREA)
    found, numbers, _ = cv2.aruco.ArucoDetector(CODES).detectMarkers(small)
    seen: dict[int, FloatArray] = {}
    for corners, number in zip(found, [] if numbers is None else numbers.ravel(), strict=True):
        # a resized pixel covers 1 / scale of the photo's, counted from their middles
        seen[int(number)] = np.asarray((corners.reshape(4, 2) + 0.5) / scale - 0.5, dtype=np.float64)
    shown = {target.paper: {n: c for n, c in seen.items() if n in target.markers} for target in TARGETS.values()}
    paper = max(shown, key=lambda name: len(shown[name]))
    if not shown[paper]:
        return None, {}
    return TARGETS[paper], {n: refined(gray, corners) for n, corners in shown[paper].items()}


def refined(gray: Gray, corners: FloatArray) -> FloatArray:
    """Corners where the lines along the sides of a marker cross, to a fraction of a pixel, (4, 2). [pixel]

    Notes
    -----
    Each side is where light, not its display value, changes most across it: blur is even in light, and shifts the middle of what an eye sees.
    """
    lines = [side_line(gray, start, end) for start, end in zip(corners, np.roll(corners, -1, axis=0), strict=True)]
    crossing = [
        np.linalg.solve(np.stack([before[0], after[0]]), [before[1], after[1]])
        for before, after in zip(lines[-1:] + lines, lines, strict=False)
    ]
    moved = np.stack(crossing)
    near = np.hypot(*(moved - corners).T) < 0.5 * np.hypot(*(corners[1] - corners[0])) / CELLS + 2.0
    return np.asarray(np.where(near[:, None], moved, corners))


def side_line(gray: Gray, start: FloatArray, end: FloatArray) -> tuple[FloatArray, float]:
    """A side of a marker as a line: its unit normal, and how far it is from the picture's corner along it. [pixel]"""
    along = end - start
    length = float(np.hypot(*along))
    normal = np.array([along[1], -along[0]]) / length
    reach = max(0.6 * length / CELLS, 2.0)
    steps = np.linspace(-reach, reach, 49)
    shares = np.linspace(0.12, 0.88, 25)
    middles = start + shares[:, None] * along
    places = middles[:, None, :] + steps[None, :, None] * normal
    line = cv2.remap(gray, places[..., 0].astype(np.float32), places[..., 1].astype(np.float32), cv2.INTER_LINEAR)
    light = gaussian_filter1d((line.astype(np.float64) / 255.0) ** GAMMA, 2.0, axis=1)
    change = np.abs(np.gradient(light, axis=1))
    change = change * (change > 0.5 * change.max(axis=1, keepdims=True))
    aside = (change * steps).sum(axis=1) / np.maximum(change.sum(axis=1), 1e-12)
    kept = np.abs(aside - np.median(aside)) < 1.0
    slope, level = np.polyfit(shares[kept], aside[kept], 1)
    first, last = start + level * normal, end + (level + slope) * normal
    across = last - first
    turned = np.array([across[1], -across[0]]) / np.hypot(*across)
    return turned, float(turned @ first)
