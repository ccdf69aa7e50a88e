"""What to try next: the look that tells most for the least, and the pile to try if there is enough already."""

import math
from dataclasses import dataclass, replace
from typing import Literal

import numpy as np

from lofty_press.core.judging.dialin.belief import Belief, Weights
from lofty_press.core.judging.dialin.certainty import NODES, contribution, readings
from lofty_press.core.judging.dialin.evidence import Tried
from lofty_press.core.judging.dialin.feeler import expected_sheets, plates_of, reading_sd
from lofty_press.core.judging.dialin.infer import NOTHING, Lesson, taught
from lofty_press.core.judging.dialin.judged import points_of
from lofty_press.core.judging.dialin.response import Response, thickness_weights
from lofty_press.core.judging.dialin.room import opening_of
from lofty_press.core.judging.verdict import GAUGE, MOST_TRIED, SURE, ZONES, Zone, shim_at_hand
from lofty_press.core.sandwich.stack import Sandwich, StackView

MOST_SHIMS = 6
BOTHER = {"measure": 0.02, "count": 0.03, "try": 0.04}  # of a spoiled sheet: a minute with a caliper, some with paper, two at the press
SPOILED = 0.1  # of a sheet: it is scrap that is tried on


@dataclass(frozen=True)
class Shims:
    """Shims more (or less) and the chance of a good sheet with them. [1]"""

    count: int
    good: float


@dataclass(frozen=True)
class Trial:
    """Something to find out: measure the unknown `of`, count paper on the plates alone, or try the pile with so many `shims` more; what it costs in spoiled sheets, and the chance of
    a good sheet afterwards at the then best number of shims [1]. `means` tells the then best for each outcome of a trial, `seen` the chance of it [1]."""

    kind: Literal["measure", "count", "try"]
    of: str | None
    shims: int
    good_after: float
    cost: float
    means: dict[Zone, Shims]
    seen: dict[Zone, float]


@dataclass(frozen=True)
class Next:
    """The best pile by what is known now, and what to find out first; None if that is enough, or nothing helps."""

    best: Shims
    trial: Trial | None


def best_shims(response: Response, belief: Belief, shim: float, most_less: int) -> Shims:
    """How many shims more make a good sheet most likely; fewest first among equals."""
    points, weights = points_of(response, belief)
    counts = range(-most_less, MOST_SHIMS + 1)
    good = [float(shifted_by(response, n * shim).good(points, belief) @ weights) for n in counts]
    best = max(range(len(good)), key=lambda k: (round(good[k], 3), -abs(counts[k])))
    return Shims(counts[best], good[best])


def next_for(response: Response, sandwich: Sandwich, belief: Belief) -> Next:
    """What tells most about a sandwich for the least, with the shim at hand; those that lie in it can be taken out."""
    shim = shim_at_hand(StackView(sandwich)).thickness
    most_less = sum(layer.count for layer in sandwich.layers if layer.role == "shim")
    return next_trial(response, sandwich, belief, shim, most_less)


def next_trial(response: Response, sandwich: Sandwich, belief: Belief, shim: float, most_less: int = 0) -> Next:
    """What tells most about a pile for the least.

    Parameters
    ----------
    response : Response
        Of the pile as it is.
    sandwich : Sandwich
    belief : Belief
    shim : float
        Thickness that a shim adds. [mm]
    most_less : int
        How many shims can be taken out.
    """
    best = best_shims(response, belief, shim, most_less)
    if best.good >= SURE:
        return Next(best, None)
    trials = [
        tried_with(n, response, sandwich, belief, shim, most_less)
        for n in sorted({best.count, best.count - 1, best.count + 1})
        if n >= -most_less
    ]
    plates = plates_of(sandwich)
    read = readings(StackView(sandwich))
    if plates is not None:
        del read[opening_of(sandwich.press)]  # no gauge reaches between the rollers as well as paper does
    parts = sorted(read, key=lambda key: -contribution(response, belief, key, read[key]))[:MOST_TRIED]
    trials += [measured(key, read[key], response, belief, shim, most_less) for key in parts if belief.of(read[key])[1] > 0.0]
    if plates is not None:
        trials.append(counted(plates, response, belief, shim, most_less))
    gain = max(trials, key=lambda trial: trial.good_after - trial.cost, default=None)
    return Next(best, gain if gain is not None and gain.good_after - gain.cost > best.good else None)


def tried_with(count: int, response: Response, sandwich: Sandwich, belief: Belief, shim: float, most_less: int) -> Trial:
    """One sheet pressed with some shims more: what each outcome would mean."""
    shifted = shifted_by(response, count * shim)
    after, seen = {}, {}
    for zone in ZONES:
        learnt, lesson = taught(belief, Lesson(Tried("", sandwich, frozenset({zone})), shifted, NOTHING, 1.0))
        after[zone] = best_shims(response, learnt, shim, most_less)
        seen[zone] = lesson.chance
    total = sum(seen[zone] * after[zone].good for zone in ZONES)
    return Trial("try", None, count, total, SPOILED * (1.0 - seen["right"]) + BOTHER["try"], after, seen)


def shifted_by(response: Response, added: float) -> Response:
    """The response of a pile with some thickness more. [mm]"""
    return replace(response, offset=response.offset + added)


def counted(plates: Sandwich, response: Response, belief: Belief, shim: float, most_less: int) -> Trial:
    """Paper counted on plates until the rollers just take hold: the mean over how many sheets it may be."""
    weights, sd = thickness_weights(StackView(plates)), reading_sd(expected_sheets(plates))
    right = found_out(weights, sd, response, belief, shim, most_less)
    return Trial("count", None, 0, right, BOTHER["count"], {}, {})


def measured(key: str, reading: Weights, response: Response, belief: Belief, shim: float, most_less: int) -> Trial:
    """A part under the gauge: the mean over what it may show."""
    return Trial("measure", key, 0, found_out(reading, GAUGE, response, belief, shim, most_less), BOTHER["measure"], {}, {})


def found_out(reading: Weights, sd: float, response: Response, belief: Belief, shim: float, most_less: int) -> float:
    """Chance that the pile is right with the then best shims once a quantity was read to within `sd` [mm]: the mean over what may be read. [1]"""
    mean, spread = belief.of(reading)
    read = math.hypot(spread, sd)
    return float(np.mean([best_shims(response, belief.measured(reading, mean + node * read, sd), shim, most_less).good for node in NODES]))
