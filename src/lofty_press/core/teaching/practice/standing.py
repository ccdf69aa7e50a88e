"""How somebody stands in every skill after the drills that were done, and when each is due again."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from lofty_press.core.teaching.practice.ability import NEW, ability_of, after_answer, next_level
from lofty_press.core.teaching.practice.deal import FULL, SOLVED
from lofty_press.core.teaching.practice.skills import SKILLS

BEST = 5
"""The best quality of an answer that SM-2 knows."""


@dataclass(frozen=True)
class Tried:
    """A drill that was done: on which day, counted from any one, how hard it was [logit], and for how many points of `FULL`."""

    day: float
    difficulty: float
    points: int

    @property
    def solved(self) -> bool:
        """True from half its points on."""
        return self.points >= SOLVED

    @property
    def quality(self) -> int:
        """How good an answer it was, as SM-2 counts."""
        return self.points * BEST // FULL


@dataclass(frozen=True)
class Standing:
    """How somebody stands in one skill.

    Parameters
    ----------
    ability, spread : float
        How good they are, and how well that is known. [logit]
    done, solved : int
        Drills.
    level : float
        How hard the next drill is. [logit]
    due : float or None
        The day on which the skill comes again, counted as those of its drills; None if it was never tried.
    """

    skill: str
    ability: float
    spread: float
    done: int
    solved: int
    level: float
    due: float | None


def standings(tried: Mapping[str, Sequence[Tried]]) -> list[Standing]:
    """How somebody stands in every skill, what was never tried first, then what is due first.

    Parameters
    ----------
    tried : mapping
        The drills that were done, by skill, the earliest first.
    """
    found = [standing(skill, tried.get(skill, ())) for skill in SKILLS]
    return sorted(found, key=lambda one: (one.due is not None, one.due or 0.0))


def standing(skill: str, tried: Sequence[Tried]) -> Standing:
    """How somebody stands in one skill."""
    ability, spread = ability_of([(one.difficulty, one.solved) for one in tried])
    interval = NEW
    for one in tried:
        interval = after_answer(interval, one.quality)
    return Standing(
        skill=skill,
        ability=ability,
        spread=spread,
        done=len(tried),
        solved=sum(one.solved for one in tried),
        level=next_level(ability),
        due=tried[-1].day + interval.days if tried else None,
    )
