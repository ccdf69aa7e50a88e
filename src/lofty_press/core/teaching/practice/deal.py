"""Drills by seed, as hard as they are wanted, and what an answer to one is worth."""

from dataclasses import dataclass
from random import Random

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.basics.words import Message, say
from lofty_press.core.judging.assess import Assessment, assess
from lofty_press.core.sandwich.stack import Sandwich, StackView
from lofty_press.core.teaching.coach import SIGHTS, Sight, expected, shows
from lofty_press.core.teaching.practice.ability import EASIEST, HARDEST
from lofty_press.core.teaching.practice.drill import Drill, Steps, World, is_right
from lofty_press.core.teaching.practice.place import Spot
from lofty_press.core.teaching.practice.skills import SKILLS

DRAWN, LOOKED_AT = 60, 4
"""Of piles that are drawn, so many make drills that one is chosen from."""
FULL, A_TRY, A_HINT = 10, 2, 3
"""Points of a drill, and what each further try and the hint cost."""
SOLVED = 5
"""Points from which a drill counts as solved."""


def drill_of(world: World, skill: str, seed: int, level: float) -> Drill:
    """The drill of a skill, a seed and a level: always the same, of those drawn the one whose difficulty is nearest.

    Raises
    ------
    InvalidInput
        If the skill is not one of these, or nothing that was drawn makes a drill.
    """
    if skill not in SKILLS:
        raise InvalidInput("skill", skill, say("isn't a skill you can practice"))
    chance = Random(f"{skill} {seed}")
    found: list[Drill] = []
    for _ in range(DRAWN):
        drill = SKILLS[skill].make(world, chance)
        if drill is not None:
            found.append(drill)
        if len(found) == LOOKED_AT:
            break
    if not found:
        raise InvalidInput("seed", seed, say("makes no drill for this skill; try another"))
    return min(found, key=lambda drill: abs(drill.difficulty - min(max(level, EASIEST), HARDEST)))


@dataclass(frozen=True)
class Answer:
    """What somebody says to a drill: a choice, a pile that was built, an order, or where a thing was laid."""

    choice: str | None = None
    built: Sandwich | None = None
    order: tuple[str, ...] = ()
    laid: Spot | None = None


@dataclass(frozen=True)
class Answered:
    """What came of an answer: whether it is `right`, what it comes to in words, and the judgement of the pile that was pressed, whose sheet is
    `seen` so; None where nothing was pressed."""

    right: bool
    says: Message | None = None
    seen: Sight | None = None
    judged: Assessment | None = None


def answered(drill: Drill, world: World, answer: Answer) -> Answered:
    """Hold an answer against its drill.

    Raises
    ------
    InvalidInput
        If it is no answer to this drill: another choice than those, no pile or one of another sheet, tool, press or effect, an order of other
        things, or no place.
    NoBalance
        As `assess`.
    """
    if drill.laying is not None:
        if answer.laid is None:
            raise InvalidInput("laid", None, say("must be where it was laid"))
        return Answered(*drill.laying.judge(answer.laid))
    if drill.steps is not None:
        return ordered(drill.steps, answer.order)
    if drill.choices:
        if answer.choice not in {one.key for one in drill.choices}:
            raise InvalidInput("choice", answer.choice, say("isn't one of the answers"))
        return Answered(answer.choice == drill.answer)
    return pressed(drill, world, answer.built)


def ordered(steps: Steps, order: tuple[str, ...]) -> Answered:
    """Hold an order against its rules; errors as of `answered`."""
    if sorted(order) != sorted(one.key for one in steps.shown):
        raise InvalidInput("order", ", ".join(order)[:200], say("must list each step once"))
    wrong = steps.breaks(order)
    return Answered(wrong is None, wrong)


def pressed(drill: Drill, world: World, built: Sandwich | None) -> Answered:
    """Press the pile that was built; errors as of `answered`."""
    if built is None:
        raise InvalidInput("built", None, say("must be the pile that was built"))
    assert drill.shown is not None
    assert drill.meant is not None
    keeps(drill.shown, built)
    judged = assess(drill.truly(built), world.library)
    right = is_right(judged, drill.meant)
    seen = None if right else shows(expected(judged, drill.meant))
    return Answered(right, None if seen is None else SIGHTS[seen], seen, judged)


def keeps(shown: Sandwich, built: Sandwich) -> None:
    """Refuse a pile whose press, effect, sheet or tool is another than the drill's."""
    if built.press != shown.press:
        raise InvalidInput("built.press", built.press.name, say("must stay as it is; the press is not changed in a drill"))
    if built.effect != shown.effect:
        raise InvalidInput("built.effect", built.effect.kind, say("must stay as it is; the drill asks for this one"))
    before, after = StackView(shown), StackView(built)
    for name, one, other in (("sheet", before.sheet, after.sheet), ("tool", before.tool, after.tool)):
        if one is not None and (other is None or replaced(shown, built, one.layer.item, other.layer.item)):
            raise InvalidInput("built.layers", name, say("must keep the drill's own sheet and tool"))


def replaced(shown: Sandwich, built: Sandwich, one: str, other: str) -> bool:
    """True if a thing of the drill is another one in the pile that was built."""
    return shown.items[one] != built.items[other]


def points_for(*, right: bool, tries: int, hints: int) -> int:
    """Points of a drill: all of them at once and without a hint, fewer by each further try and by the hint; none where it was given up."""
    return max(FULL - A_TRY * (max(tries, 1) - 1) - A_HINT * hints, 0) if right else 0
