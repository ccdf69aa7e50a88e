"""A pressed sheet in a photo: where its corners are, and what it shows in true size."""

from dataclasses import dataclass
from typing import Any

import cv2
import numpy as np
from numpy.typing import NDArray

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.basics.words import say
from lofty_press.core.imaging.photo import GAMMA, Pixels
from lofty_press.core.sandwich.stack import FloatArray

CELL = 0.25  # mm
RIM = 0.02  # of the photo's sides, where the table is seen
LEAST_SHARE = 0.08  # of the photo that a sheet fills
FILLED = 0.9  # of its four corners' area that it covers
DARK = 0.04  # light of the sheet under which nothing is claimed
STEPS = 60  # places along a side where its edge is sought


@dataclass(frozen=True)
class Shown:
    """A sheet seen from straight above: light (nx, ny) along and across the feed, `colors` (nx, ny, 3) of it, blue, green, red, and the light of the table (3,)."""

    light: FloatArray
    colors: FloatArray
    table: FloatArray


def shown_sheet(photo: Pixels, size: tuple[float, float]) -> list[Shown]:
    """Bring a sheet into true size, each of its four corners taken for the first.

    Parameters
    ----------
    photo : ndarray, shape (height, width, 3)
        Blue, green, red. [0 to 255]
    size : tuple of float
        Of the sheet along and across the feed. [mm]

    Raises
    ------
    InvalidInput
        If no sheet with four corners is seen, or it is too dark to tell.
    """
    corners = sheet_corners(photo)
    nx, ny = (max(round(side / CELL), 8) for side in size)
    # the first corner is that of the feed's beginning, left; along runs down the rows
    to = np.array([(-0.5, -0.5), (ny - 0.5, -0.5), (ny - 0.5, nx - 0.5), (-0.5, nx - 0.5)], dtype=np.float32)
    linear = np.asarray(((np.arange(256) / 255.0) ** GAMMA).astype(np.float32)[photo])
    around = float(np.hypot(*np.diff(corners, axis=0, append=corners[:1]).T).sum())
    even = cv2.GaussianBlur(linear, (0, 0), max(0.4 * around / (2 * (nx + ny)), 0.3))
    table = table_of(linear)
    found = []
    for turn in range(4):
        way = cv2.getPerspectiveTransform(np.roll(corners, turn, axis=0).astype(np.float32), to)
        colors = np.asarray(cv2.warpPerspective(even, way, (ny, nx), flags=cv2.INTER_LINEAR), dtype=np.float64)
        found.append(Shown(colors.mean(axis=2), colors, table))
    if float(np.median(found[0].light)) < DARK:
        raise InvalidInput("photo", "dark", say("is too dark to read; take it by a window, the light from one side"))
    return found


def table_of(light: NDArray[Any]) -> FloatArray:
    """Light of what is seen along a photo's rim, (3,)."""
    high, wide = light.shape[:2]
    rim = max(int(RIM * min(high, wide)), 2)
    edges = [light[:rim].reshape(-1, 3), light[-rim:].reshape(-1, 3), light[:, :rim].reshape(-1, 3), light[:, -rim:].reshape(-1, 3)]
    return np.asarray(np.median(np.concatenate(edges), axis=0), dtype=np.float64)


def sheet_corners(photo: Pixels) -> FloatArray:
    """Corners of the sheet, clockwise from the one nearest to the upper left, (4, 2). [pixel]

    Raises
    ------
    InvalidInput
        If nothing with four corners stands off what is round it.
    """
    shade = np.asarray(cv2.GaussianBlur(photo.astype(np.float64) / 255.0, (0, 0), 2.0))
    apart = np.abs(shade - table_of(shade)).max(axis=2)
    gray = np.clip(apart * 255, 0, 255).astype(np.uint8)
    _, mask = cv2.threshold(gray, 0, 1, cv2.THRESH_BINARY + cv2.THRESH_OTSU)
    closed = cv2.morphologyEx(mask, cv2.MORPH_CLOSE, np.ones((9, 9), np.uint8))
    rings, _ = cv2.findContours(closed, cv2.RETR_EXTERNAL, cv2.CHAIN_APPROX_NONE)
    ring = max(rings, key=cv2.contourArea, default=None)
    if ring is None or cv2.contourArea(ring) < LEAST_SHARE * mask.size:
        raise refused()
    hull = cv2.convexHull(ring)
    four = None
    for share in (0.01, 0.02, 0.03, 0.05, 0.08):
        found = cv2.approxPolyDP(hull, share * cv2.arcLength(hull, True), True)
        if len(found) == 4:
            four = found.reshape(4, 2).astype(np.float64)
            break
    if four is None or cv2.contourArea(hull) < FILLED * cv2.contourArea(four.astype(np.float32)):
        raise refused()
    if signed_area(four) < 0:
        four = four[::-1]
    start = int(np.argmin(four.sum(axis=1)))
    return sharpened(apart, np.roll(four, -start, axis=0))


def refused() -> InvalidInput:
    """No sheet."""
    return InvalidInput("photo", "no sheet", say("shows no sheet with four corners; lay it on a table of another color and show all of it"))


def signed_area(ring: FloatArray) -> float:
    """Positive for a ring that runs clockwise in a picture. [pixel2]"""
    x, y = ring.T
    return 0.5 * float(np.sum(x * np.roll(y, -1) - y * np.roll(x, -1)))


def sharpened(apart: FloatArray, corners: FloatArray) -> FloatArray:
    """Corners where lines along the sides cross, each side where the photo changes most across it. [pixel]"""
    middle = corners.mean(axis=0)
    lines = []
    for start, end in zip(corners, np.roll(corners, -1, axis=0), strict=True):
        along = end - start
        normal = np.array([along[1], -along[0]]) / np.hypot(*along)
        if normal @ (middle - start) > 0:
            normal = -normal
        steps = np.linspace(-12, 12, 97)
        shares = np.linspace(0.05, 0.95, STEPS)
        places = (start + shares[:, None] * along)[:, None, :] + steps[None, :, None] * normal
        line = cv2.remap(apart, places[..., 0].astype(np.float32), places[..., 1].astype(np.float32), cv2.INTER_LINEAR)
        change = np.maximum(-np.gradient(line, axis=1), 0.0)
        change = change * (change > 0.5 * change.max(axis=1, keepdims=True))
        aside = (change * steps).sum(axis=1) / np.maximum(change.sum(axis=1), 1e-9)
        kept = np.abs(aside - np.median(aside)) < 2.0
        slope, level = np.polyfit(shares[kept], aside[kept], 1)
        first, last = start + level * normal, end + (level + slope) * normal
        across = last - first
        turned = np.array([across[1], -across[0]]) / np.hypot(*across)
        lines.append((turned, float(turned @ first)))
    crossing = [
        np.linalg.solve(np.stack([before[0], after[0]]), [before[1], after[1]])
        for before, after in zip([lines[-1], *lines], lines, strict=False)
    ]
    return np.stack(crossing)
