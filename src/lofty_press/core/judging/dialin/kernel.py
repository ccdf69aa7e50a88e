"""Chances of the zones at many points at once."""

import math
from typing import NamedTuple

import numba
import numpy as np

from lofty_press.core.sandwich.stack import FloatArray

FAR = 6.0  # standard deviations beyond which a normal distribution is 0 or 1

compiled = numba.njit(cache=True, error_model="numpy")


@compiled
def below(x: float) -> float:
    """Standard normal distribution function."""
    if x > FAR:
        return 1.0
    if x < -FAR:
        return 0.0
    return 0.5 * math.erfc(-x * 0.7071067811865476)


class Asked(NamedTuple):
    """A curve of ln pressure over `added` (m,) [mm] with its borders, `shapes` (5, m + 5): as the pile stands, and what is added to that for each unit
    by which the frame is softer or stiffer, and the mats; see `Response`. `offset` more lies in it [mm], and it feeds with so much more for a better
    grip, `bite` [mm]; people and packs differ by `off`, presses by `bites` [mm]. The border to hard goes up `steep` times as much for a stronger stock.
    Since it was seen the thickness has drifted by `drift` (standard deviation) [mm]."""

    added: FloatArray
    shapes: FloatArray
    offset: float
    bite: float
    off: float
    bites: float
    steep: float
    drift: float


@compiled
def zone_chances(points: FloatArray, asked: Asked, found: FloatArray) -> None:
    """Fill `found` (6, n) with the chance of slack, faint, right, hard and refuses at points (n, 5) of thickness, need, grip, frame and mats, and of the
    part of hard where the work is right and only a plate takes a set.
    """
    added, shapes, steep = asked.added, asked.shapes, asked.steep
    bites = math.hypot(asked.bites, asked.drift)
    m = added.shape[0]
    for i in range(points.shape[0]):
        t = points[i, 0] + asked.offset
        j = min(max(np.searchsorted(added, t) - 1, 0), m - 2)
        w = min(max((t - added[j]) / (added[j + 1] - added[j]), 0.0), 1.0)
        frame, soft = points[i, 3], points[i, 4]
        of_frame, of_soft = 2 if frame > 0.0 else 1, 4 if soft > 0.0 else 3
        frame, soft = abs(frame), abs(soft)
        low = shapes[0, j] + frame * shapes[of_frame, j] + soft * shapes[of_soft, j]
        high = shapes[0, j + 1] + frame * shapes[of_frame, j + 1] + soft * shapes[of_soft, j + 1]
        pressure = low + w * (high - low)
        drifted = asked.drift * (high - low) / (added[j + 1] - added[j])
        off, off_hard = math.hypot(asked.off, drifted), math.hypot(steep * asked.off, drifted)
        over = pressure - points[i, 1]
        marked = below((over - shapes[0, m] - frame * shapes[of_frame, m] - soft * shapes[of_soft, m]) / off)
        right = min(marked, below((over - shapes[0, m + 1] - frame * shapes[of_frame, m + 1] - soft * shapes[of_soft, m + 1]) / off))
        crushed_at = shapes[0, m + 2] + frame * shapes[of_frame, m + 2] + soft * shapes[of_soft, m + 2] + steep * points[i, 1]
        crushed = below((pressure - crushed_at) / off_hard)
        bent = below((pressure - shapes[0, m + 3] - frame * shapes[of_frame, m + 3] - soft * shapes[of_soft, m + 3]) / off)
        refuses = shapes[0, m + 4] + frame * shapes[of_frame, m + 4] + soft * shapes[of_soft, m + 4]
        feeds = below((refuses + asked.bite * points[i, 2] - t) / bites)
        hard = min(max(crushed, bent), right)
        found[0, i] = (1.0 - marked) * feeds
        found[1, i] = (marked - right) * feeds
        found[2, i] = (right - hard) * feeds
        found[3, i] = hard * feeds
        found[4, i] = 1.0 - feeds
        found[5, i] = (hard - min(crushed, right)) * feeds
