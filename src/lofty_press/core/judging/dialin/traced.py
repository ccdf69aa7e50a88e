"""What a motor's trace tells: how much thicker or thinner a pile is than its figures, from how hard it turned at its hardest."""

import math
from collections.abc import Sequence

import numpy as np

from lofty_press.core.judging.dialin.evidence import Measured, Traced
from lofty_press.core.judging.dialin.response import Response
from lofty_press.core.judging.verdict import STEP

LOSSES = 0.2  # of the force at the handle, by which losses in piles and bearings differ from what is computed; about
COMPUTED = 0.1  # of the rollers' force, by which the quick nip may be off (`nip.QUICK_FORCE`)
FAINTEST = 0.03  # of the most that is computed, under which a pile is not felt
LEAST_SLOPE = 1e-3  # N/mm
SHORTEST = 8  # readings of a feed
TO_SD = 1.4826  # standard deviation over the median distance from zero, of a normal distribution


def peak_of(force: Sequence[float]) -> tuple[float, float] | None:
    """The most that a trace shows and how well it is known, as its standard deviation [N]; None of one that is too short. A single flicker is no peak."""
    if len(force) < SHORTEST:
        return None
    values = np.asarray(force, dtype=np.float64)
    calm = np.median(np.lib.stride_tricks.sliding_window_view(np.pad(values, 1, mode="edge"), 3), axis=1)
    flicker = TO_SD * float(np.median(np.abs(np.diff(values)))) / math.sqrt(2.0)
    return float(calm.max()), flicker


def read_from(trace: Traced, response: Response) -> Measured | None:
    """A trace as a reading of the pile's thickness over its press's opening; None where it tells nothing: the pile was hardly felt, or turned harder than any
    that is computed.

    Notes
    -----
    The peak is looked up on the curve of the peak over added thickness. It is known but for the share by which losses and the computed force are off, which
    the curve's slope there turns into millimetres. Frame and mats that are stiffer do the same as a thicker pile and are counted so; what the work needs does
    not come into it.
    """
    added, handle = response.added, np.maximum.accumulate(response.handle)
    if handle.size < 2 or not FAINTEST * handle[-1] < trace.peak_n < handle[-1]:
        return None
    by = float(np.interp(trace.peak_n, handle + 1e-9 * np.arange(handle.size), added))
    low, high = np.interp([by - STEP, by + STEP], added, handle)
    slope = max((high - low) / (2.0 * STEP), LEAST_SLOPE)
    sd = math.hypot(math.hypot(LOSSES, COMPUTED) * trace.peak_n, trace.sd_n) / slope
    weights = {key: weight for key, weight in response.as_thickness().items() if key not in response.need}
    return Measured(trace.key, weights, by, math.hypot(sd, trace.drift))
