"""Evidence that contradicts the rest, named: either it, or some figure on the shelf, is not as it was noted."""

from dataclasses import dataclass

import numpy as np

from lofty_press.core.judging.dialin.infer import Learnt, Lesson

UNLIKELY = 0.08  # chance of what was seen, given all else, under which it is told
SUSPECTS = 2


@dataclass(frozen=True)
class Doubt:
    """A piece of evidence that the rest makes unlikely: its `chance` given all else [1], and the unknowns that would have to be off if it is right, the
    likeliest first."""

    key: str
    chance: float
    suspects: tuple[str, ...]


def doubts(learnt: Learnt) -> tuple[Doubt, ...]:
    """What contradicts the rest, the least likely first."""
    found = [Doubt(lesson.tried.key, lesson.chance, suspects(learnt, lesson)) for lesson in learnt.lessons if lesson.chance < UNLIKELY]
    return tuple(sorted(found, key=lambda doubt: doubt.chance))


def suspects(learnt: Learnt, lesson: Lesson) -> tuple[str, ...]:
    """Which unknowns of a pile could explain most of what was seen: those that bring most scatter into its thickness."""
    belief = learnt.belief
    shares = {
        key: abs(weight) * float(np.sqrt(learnt.before.cov[belief.index[key], belief.index[key]]))
        for key, weight in lesson.response.as_thickness().items()
        if key in belief.index
    }
    return tuple(sorted(shares, key=lambda key: -shares[key])[:SUSPECTS])
