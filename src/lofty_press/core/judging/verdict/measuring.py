"""What to put under a gauge first: the one or two thicknesses that make a verdict surest."""

from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass

from lofty_press.core.basics.words import Message

GAUGE = 0.01  # mm; standard deviation of a workshop thickness gauge
SURE = 0.9  # a verdict that is as sure needs no measurement
MOST_TRIED = 4  # things of which some are told to be measured
MOST_TOLD = 2
WORTH_IT = 0.02  # certainty that a measurement has to bring
Choice = tuple[str, ...]


@dataclass(frozen=True)
class Measure:
    """A thing worth measuring, by layer id (or "press"), and how sure the verdict is to be once it and those before it are."""

    what: str
    name: Message
    sure_after: float


def worth_measuring(
    names: Mapping[str, tuple[str, Message]],
    doubt: Mapping[str, float],
    sure: float,
    after: Callable[[Sequence[Choice]], Sequence[float]],
) -> tuple[Measure, ...]:
    """The one or two things whose measurement makes the verdict surest; none if it is sure already, or if none would help.

    Parameters
    ----------
    names : mapping
        What is measured, by its key: its layer (or "press") and what it is called.
    doubt : mapping
        How much each scatters the pile; the `MOST_TRIED` largest are looked at.
    sure : float
        How sure the verdict is now. [1]
    after : callable
        How sure it is to be on average once each of some choices was measured. [1]

    Notes
    -----
    The best one first, then the best beside it: whoever stops after one has measured the right one. One that brings little by itself may be worth it
    together with the next, where each alone leaves the other's doubt.
    """
    likely = sorted(doubt, key=lambda key: doubt[key], reverse=True)[:MOST_TRIED]
    chosen: Choice = ()
    reached = [sure]
    while reached[-1] < SURE and len(chosen) < min(MOST_TOLD, len(likely)):
        choices = [(*chosen, key) for key in likely if key not in chosen]
        chosen, then = max(zip(choices, after(choices), strict=True), key=lambda one: one[1])
        reached.append(then)
    told = max((n for n in range(1, len(reached)) if reached[n] >= reached[n - 1] + WORTH_IT), default=0)
    return tuple(Measure(*names[key], then) for key, then in zip(chosen[:told], reached[1:], strict=False))
