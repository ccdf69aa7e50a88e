"""How good somebody is at a skill, and when it is to be practised again.

References
----------
Rasch, "Probabilistic models for some intelligence and attainment tests", 1960 (chance of solving); Wozniak, "Optimization of repetition spacing in the
practice of learning", SuperMemo 2, 1990 (intervals). From memory.
"""

import math
from collections.abc import Sequence
from dataclasses import dataclass

PRIOR_SD = 1.5
"""Of abilities before anybody has tried anything, on the scale of difficulties, in logits."""
EASIEST, HARDEST = -2.0, 2.0
AIM = 0.75
"""How likely a drill is to be solved that is chosen: hard enough to learn from, easy enough to go on; common practice, no published source"""
LEAST_EASE, FIRST_EASE = 1.3, 2.5
FIRST, SECOND = 1, 6  # days


def solves(ability: float, difficulty: float) -> float:
    """How likely somebody solves a drill: 1 / (1 + exp(b - theta)). [1]"""
    return 1.0 / (1.0 + math.exp(difficulty - ability))


def ability_of(tried: Sequence[tuple[float, bool]], *, prior_sd: float = PRIOR_SD) -> tuple[float, float]:
    """Ability that explains best what was solved, and how well it is known, in logits.

    Parameters
    ----------
    tried : sequence of tuple of float and bool
        Difficulty of each drill, and whether it was solved.
    prior_sd : float
        Of abilities around 0; infinite for none.

    Returns
    -------
    tuple of float
        The most likely ability after Bayes, and its standard deviation.

    Notes
    -----
    Newton's method on the log posterior, which is concave; steps are held to 1.
    """
    precision = 0.0 if math.isinf(prior_sd) else prior_sd**-2
    theta = 0.0
    for _ in range(60):
        chances = [solves(theta, difficulty) for difficulty, _ in tried]
        slope = sum(float(right) - chance for (_, right), chance in zip(tried, chances, strict=True)) - precision * theta
        bend = sum(chance * (1.0 - chance) for chance in chances) + precision
        step = slope / max(bend, 1e-9)
        theta += min(max(step, -1.0), 1.0)
        if abs(step) < 1e-10:
            break
    bend = sum((chance := solves(theta, difficulty)) * (1.0 - chance) for difficulty, _ in tried) + precision
    return theta, 1.0 / math.sqrt(max(bend, 1e-9))


def next_level(ability: float) -> float:
    """Difficulty of the drill that somebody of an ability is given next, in logits."""
    return min(max(ability - math.log(AIM / (1.0 - AIM)), EASIEST), HARDEST)


@dataclass(frozen=True)
class Interval:
    """When a skill comes again: in so many `days`, after so many good `repetitions` in a row, with its `ease` factor."""

    days: int
    repetitions: int
    ease: float


NEW = Interval(0, 0, FIRST_EASE)


def after_answer(before: Interval, quality: int) -> Interval:
    """The interval after an answer of a quality from 0 (nothing) to 5 (at once); SM-2.

    Examples
    --------
    >>> after_answer(after_answer(after_answer(NEW, 4), 4), 4).days
    15
    """
    ease = max(before.ease + 0.1 - (5 - quality) * (0.08 + (5 - quality) * 0.02), LEAST_EASE)
    if quality < 3:
        return Interval(FIRST, 0, before.ease)
    repetitions = before.repetitions + 1
    days = FIRST if repetitions == 1 else SECOND if repetitions == 2 else math.ceil(before.days * before.ease)
    return Interval(days, repetitions, ease)
