"""Photos of a series in which the tool lies elsewhere: its edges stay where they are in all light, and move with it."""

import cv2
import numpy as np
from numpy.typing import NDArray

from lofty_press.core.imaging.photo import CELL, Pixels, Tool
from lofty_press.core.imaging.shading.shots import Shot

Light = NDArray[np.float32]

FINEST = 3  # cells of a picture from above that are taken together
AROUND = 12.0  # mm round the tool in which it is looked for
ASIDE = 1.0  # mm that a tool may be off: an edge's shadow beside it takes about so much
SURER = 1.25  # times better that the photo has to fit there than where the tool should be


def aside(shots: list[Shot], tool: Tool, corner: tuple[float, float]) -> dict[int, float]:
    """How far off the tool lies in photos in which it was moved, by their numbers [mm]; `corner` is the upper left of their pictures on the sheet. [mm]

    Notes
    -----
    Every photo's edges are correlated with those that most photos have (the median: shadows are elsewhere in each). Source: phase correlation, Kuglin and Hines 1975;
    cited from memory.
    """
    step = FINEST * CELL
    left, top, right, bottom = tool.polygon.buffer(AROUND).bounds
    rows = slice(max(int((top - corner[1]) / CELL), 0), int((bottom - corner[1]) / CELL))
    columns = slice(max(int((left - corner[0]) / CELL), 0), int((right - corner[0]) / CELL))
    edges = [edges_of(shot.colors[rows, columns]) for shot in shots]
    common = np.asarray(np.median(np.stack(edges), axis=0), dtype=np.float32)
    window = cv2.createHanningWindow((common.shape[1], common.shape[0]), cv2.CV_32F)
    found = {}
    for shot, own in zip(shots, edges, strict=True):
        (right_by, down_by), _ = cv2.phaseCorrelate(common, own, window)
        if np.hypot(right_by, down_by) * step <= ASIDE:
            continue
        there = np.array([[1, 0, -right_by], [0, 1, -down_by]])
        back = np.asarray(cv2.warpAffine(own, there, common.shape[::-1]), dtype=np.float32)
        if alike(common, back) > SURER * alike(common, own):
            found[shot.number] = float(np.hypot(right_by, down_by) * step)
    return found


def edges_of(colors: Pixels) -> Light:
    """How steeply the logarithm of the light goes, up to what tells an edge. [1]"""
    small = cv2.resize(colors, None, fx=1.0 / FINEST, fy=1.0 / FINEST, interpolation=cv2.INTER_AREA)
    log = np.log(cv2.GaussianBlur(small, (0, 0), 1.0).mean(axis=2).astype(np.float32) + 8.0)
    steep = np.hypot(cv2.Sobel(log, cv2.CV_32F, 1, 0), cv2.Sobel(log, cv2.CV_32F, 0, 1))
    return np.asarray(np.minimum(steep, 1.0), dtype=np.float32)


def alike(one: Light, other: Light) -> float:
    """Correlation of two fields. [1]"""
    a, b = one - one.mean(), other - other.mean()
    return float((a * b).sum() / max(float(np.sqrt((a * a).sum() * (b * b).sum())), 1e-9))
