"""Edges of what lies on the paper, to a fraction of a cell."""

import cv2
import numpy as np
from numpy.typing import NDArray
from scipy.ndimage import gaussian_filter1d, map_coordinates, median_filter

from lofty_press.core.sandwich.stack import FloatArray

Mask = NDArray[np.bool_]
DIFFERS = 0.22  # of the paper's light, from which a place is no paper; soft shadows of flat tools stay under it
BLURRED = 1.0  # cells
REACH, FINE = 6.0, 0.5  # cells to either side of an edge in which it is sought, and the step there
COLORED, GRAY_SHARE = (
    0.12,
    0.4,
)  # spread of the colors' shares from which a thing is colored, and of its own below which its surround is a shadow
PALE = 0.06  # of the paper's light, from which a wide and even place is a pale thing
CLEAR, NARROW, LEAST_PALE = 0.5, 3.0, 200.0  # mm, mm and mm2
WIDE, EVEN_PALE = 0.3, 0.5  # of its area that is deep inside; of its difference that it may vary by, where shadows fade
COARSER = 4  # cells to a side that are taken together where pale things are looked for
MOST_PARTS = 200  # of what lies there, the largest, whose shadows are looked for: grain and crumbs have none that matter
STRAY = 15  # points along an edge of which the middle one counts: single ones that jump to a shadow or a glint do not
EVEN = 1.5  # points along an edge over which it is evened out


def off_the_paper(share: FloatArray) -> FloatArray:
    """How far each place is from looking like bare paper, (ny, nx). [1]"""
    blue, green, red = (cv2.absdiff(channel, np.ones_like(channel)) for channel in cv2.split(share))
    return np.asarray(cv2.GaussianBlur(cv2.max(cv2.max(blue, green), red), (0, 0), BLURRED))


def covered(differs: FloatArray) -> Mask:
    """Where something lies."""
    mask = (differs > DIFFERS).astype(np.uint8)
    round_ = cv2.getStructuringElement(cv2.MORPH_ELLIPSE, (3, 3))
    return np.asarray(cv2.morphologyEx(cv2.morphologyEx(mask, cv2.MORPH_CLOSE, round_, iterations=2), cv2.MORPH_OPEN, round_) > 0)


def pale(differs: FloatArray, found: Mask, cell: float) -> Mask:
    """Where something lies that is nearly as light as paper, beside what is `found`: wide and even all over, which soft shadows are not. Cells of a size [mm]."""
    high, wide = found.shape
    smaller, coarse = (wide // COARSER, high // COARSER), cell * COARSER
    seen = cv2.resize(differs, smaller, interpolation=cv2.INTER_AREA)
    near = cv2.dilate(cv2.resize(found.astype(np.uint8), smaller, interpolation=cv2.INTER_AREA), disk(CLEAR / coarse))
    rest = cv2.morphologyEx(((seen > PALE) & (near == 0)).astype(np.uint8), cv2.MORPH_OPEN, disk(CLEAR / coarse))
    _, parts, boxes, _ = cv2.connectedComponentsWithStats(rest)
    kept = np.zeros(found.shape, dtype=np.bool_)
    for part in np.argsort(-boxes[1:, cv2.CC_STAT_AREA])[:MOST_PARTS] + 1:
        if boxes[part, cv2.CC_STAT_AREA] * coarse**2 < LEAST_PALE:
            break
        at = (parts == part).astype(np.uint8)
        inner = cv2.erode(at, disk(NARROW / coarse), borderType=cv2.BORDER_CONSTANT, borderValue=0) > 0
        if inner.sum() < WIDE * at.sum():
            continue
        low, own, most = np.percentile(seen[inner], (10, 50, 90))
        if most - low < EVEN_PALE * own:
            around = cv2.resize(cv2.dilate(at, disk(CLEAR / coarse)), (wide, high), interpolation=cv2.INTER_NEAREST) > 0
            kept |= around & (differs > 0.5 * own) & ~found
    return kept


def disk(radius: float) -> NDArray[np.uint8]:
    """A disk of cells to grow and shrink by."""
    return np.asarray(cv2.getStructuringElement(cv2.MORPH_ELLIPSE, (2 * max(round(radius), 1) + 1,) * 2), dtype=np.uint8)


def without_shadows(share: FloatArray, differs: FloatArray) -> FloatArray:
    """How far places are from looking like paper, shadows of colored things left out: a shadow is gray, and what throws it is not."""
    blue, green, red = cv2.split(share)
    spread = cv2.subtract(cv2.max(cv2.max(blue, green), red), cv2.min(cv2.min(blue, green), red))
    color = cv2.GaussianBlur(spread, (0, 0), BLURRED)
    _, parts, boxes, _ = cv2.connectedComponentsWithStats(covered(differs).astype(np.uint8))
    left = differs.copy()
    for part in np.argsort(-boxes[1:, cv2.CC_STAT_AREA])[:MOST_PARTS] + 1:
        column, row, wide, high, _ = boxes[part]
        box = slice(row, row + high), slice(column, column + wide)
        at = parts[box] == part
        own = float(np.median(color[box][at]))
        if own > COLORED:
            left[box][at & (color[box] < GRAY_SHARE * own)] = 0.0
    return left


def sharpened(ring: FloatArray, differs: FloatArray) -> FloatArray:
    """A ring (n, 2) of cells moved to where the picture changes by half between what is inside and what is outside, column and row."""
    if len(ring) < 12:
        return ring
    smooth = gaussian_filter1d(ring, 2.0, axis=0, mode="wrap")
    along = np.roll(smooth, -1, axis=0) - np.roll(smooth, 1, axis=0)
    normal = np.column_stack([along[:, 1], -along[:, 0]]) / np.maximum(np.hypot(*along.T), 1e-9)[:, None]
    steps = np.arange(-REACH, REACH + FINE, FINE)
    places = smooth[:, None, :] + steps[None, :, None] * normal[:, None, :]
    across = map_coordinates(differs, [places[..., 1], places[..., 0]], order=1, mode="nearest")
    change = np.abs(np.gradient(across, axis=1))
    peak = np.argmax(change * np.exp(-0.5 * (steps / (0.6 * REACH)) ** 2), axis=1)
    inner = np.clip(peak, 1, steps.size - 2)
    rows = np.arange(len(ring))
    before, at, after = change[rows, inner - 1], change[rows, inner], change[rows, inner + 1]
    bend = before - 2 * at + after
    aside = np.where(np.abs(bend) > 1e-9, 0.5 * (before - after) / np.where(np.abs(bend) > 1e-9, bend, 1.0), 0.0)
    moved = median_filter(steps[inner] + FINE * np.clip(aside, -1.0, 1.0), STRAY, mode="wrap")
    return np.asarray(gaussian_filter1d(smooth + moved[:, None] * normal, EVEN, axis=0, mode="wrap"))
