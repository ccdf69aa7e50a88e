"""How sure a verdict is in a press room that is known as a whole, and what makes it surer."""

import math
from collections.abc import Sequence
from dataclasses import dataclass, replace

import numpy as np
from scipy.special import ndtri

from lofty_press.core.basics.words import named, say
from lofty_press.core.judging.dialin.belief import Belief, Weights
from lofty_press.core.judging.dialin.judged import chances_of, points_of
from lofty_press.core.judging.dialin.response import Response, answer_of
from lofty_press.core.judging.dialin.room import opening_of, size_of, thickness_of
from lofty_press.core.judging.dialin.sheet import limits_of
from lofty_press.core.judging.verdict import GAUGE, ZONES, Good, Measure, Sweep, Verdict, Zone, good_of, worth_measuring
from lofty_press.core.sandwich.relief import Library
from lofty_press.core.sandwich.stack import StackView

NODES = ndtri((np.arange(7) + 0.5) / 7)
NODES = NODES / np.sqrt(np.mean(NODES**2))
"""Over what a gauge may show, in standard deviations, all equally likely: the best number of shims jumps from one reading to the next, which a rule for
smooth functions does not see."""


@dataclass(frozen=True, eq=False)
class InRoom:
    """Says how sure a verdict is by the `belief` about everything in the room, of a sandwich whose things carry what is believed of them."""

    belief: Belief

    def __call__(self, view: StackView, curve: Sweep, verdict: Verdict, library: Library) -> Verdict:
        limits = limits_of(view, verdict.shares, verdict.pressure, verdict.stretch)
        response = replace(answer_of(view, curve, verdict.need, library), sheet=limits)
        chances, good = good_in(response, self.belief)
        sure = chances[verdict.zone]
        _, spread = self.belief.of(response.as_thickness())
        measure = measured_first(response, self.belief, view, sure)
        return replace(verdict, spread=spread, chances=chances, sure=sure, good=good, measure=measure)


def good_in(response: Response, belief: Belief) -> tuple[dict[Zone, float], Good]:
    """Chances of the zones, and the one of a good sheet, over all that is believed together."""
    points, weights = points_of(response, belief)
    chances = dict(zip(ZONES, (response.chances(points) @ weights).tolist(), strict=True))
    sheet = response.sheet
    stretch, unknown = (None, 0.0) if sheet is None else (sheet.stretch, sheet.unknown(belief))
    return chances, good_of(
        list(chances.values()), stretch, response.whole_right(points) * weights, points[:, 0] + response.offset, unknown
    )


def measured_first(response: Response, belief: Belief, view: StackView, sure: float) -> tuple[Measure, ...]:
    """What to measure of a pile in a room that is known as a whole."""
    names = {thickness_of(p.item): (p.id, named(p.name)) for p in reversed(view.layers)}
    names[opening_of(view.press)] = ("press", say("the opening of {press}", press=view.press.name))
    read = readings(view)
    doubt = {key: contribution(response, belief, key, read[key]) for key in names if key in belief.index}
    return worth_measuring(names, doubt, sure, lambda choices: [sure_after(response, belief, [read[k] for k in keys]) for keys in choices])


def readings(view: StackView) -> dict[str, Weights]:
    """What a gauge would read of each thing of a pile and of the opening, by the key of the unknown."""
    return {opening_of(view.press): {opening_of(view.press): 1.0}, **{thickness_of(p.item): size_of(p.item) for p in view.layers}}


def contribution(response: Response, belief: Belief, key: str, reading: Weights) -> float:
    """By how much an unknown, as a gauge reads it, scatters a pile's thickness. [mm]"""
    return abs(response.thickness.get(key, 0.0)) * belief.of(reading)[1]


def sure_after(response: Response, belief: Belief, read: Sequence[Weights]) -> float:
    """Chance of the then likeliest zone once some things were put under a gauge: the mean over what it may show."""
    if not read:
        return max(chances_of(response, belief).values())
    mean, sd = belief.of(read[0])
    shown = math.hypot(sd, GAUGE)
    return float(np.mean([sure_after(response, belief.measured(read[0], mean + node * shown, GAUGE), read[1:]) for node in NODES]))
