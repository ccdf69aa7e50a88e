"""A die on a plate that has been used: where it still cuts."""

import math
from collections.abc import Sequence
from dataclasses import replace
from random import Random

import numpy as np

from lofty_press.core.basics.words import Message, say, share, size, thickness
from lofty_press.core.judging.assess import Assessment
from lofty_press.core.mechanics.feed import setting_of
from lofty_press.core.mechanics.plates import (
    EDGE,
    FACES,
    History,
    Laid,
    Mark,
    Pattern,
    Wear,
    add_marks,
    lowered,
    marks_of,
    no_longer_cuts,
    no_wear,
    pattern_of,
    runs_over,
    share_on,
)
from lofty_press.core.sandwich.outline import blade_lines
from lofty_press.core.sandwich.stack import BoolArray, FloatArray, Item, Sandwich, StackView
from lofty_press.core.teaching.practice.drill import Drill, Skill, World
from lofty_press.core.teaching.practice.place import Laying, Side, Spot

RUNS = ((40, 250), (2, 60))
"""Cuts that a plate's first and second face have seen: between these."""
SPREAD = (4.0, 20.0)
"""How far from the middle people lay a die, on average, along and across. [mm]"""
DEPTHS = (0.7, 1.2)
"""Depth of scars against the scar that this pile leaves. [1]"""
SPARE = (0.25, 0.75)
"""What a pile can lose before it cuts no more, against the scar that it leaves: with more, no groove would matter. [1]"""
MISSED = 0.02
"""Share of a blade in worn places, from which it is seen that it is not cut through. [1]; common practice, no published source"""
LOOKED_AT = 500
"""Places all over a plate, by which it is known how many of them would do."""
STEP = 15.0
HARDEST = 2.0
"""So hard, or so easy, is a drill at most, however few places would do. [logit]"""


def used(plate: Item, patterns: Sequence[Pattern], depth: float, chance: Random) -> History:
    """A plate with cuts of some dies on both faces, about the middle, as people lay them."""
    face, back = (face_of(plate, patterns, depth, runs, chance) for runs in RUNS)
    return History(face, back, plate.thickness.mm)


def face_of(plate: Item, patterns: Sequence[Pattern], depth: float, runs: tuple[int, int], chance: Random) -> Wear:
    """One face with so many cuts."""
    wear, spread, count = no_wear(plate), chance.uniform(*SPREAD), chance.randint(*runs)
    for pattern in patterns:
        cuts = (
            Laid(chance.gauss(0.0, spread), chance.gauss(0.0, spread), chance.choice((0.0, 90.0, 180.0)), depth * chance.uniform(*DEPTHS))
            for _ in range(count // len(patterns))
        )
        add_marks(wear, pattern, cuts)
    return wear


def dies_of(world: World) -> list[Item]:
    """Every die of the world's piles."""
    dies = [StackView(pile.sandwich).die for pile in world.piles]
    return list({die.name: die.item for die in dies if die is not None and die.item.blade is not None}.values())


def missed(spot: Spot, pattern: Pattern, worn: Sequence[BoolArray]) -> float:
    """Share of a blade that comes down where the face that is up no longer cuts. [1]"""
    return share_on(worn[spot.over], pattern, laid(spot))


def laid(spot: Spot) -> Laid:
    """A spot as a cut on its face."""
    return Laid(spot.x, spot.y, spot.turn, 0.0)


def over_the_rim(spot: Spot, pattern: Pattern, plate: Item) -> float:
    """How far a blade reaches beyond what may be used of a plate; 0 where it does not. [mm]"""
    along, across = runs_over(pattern, laid(spot))
    return max(float(np.abs(along).max()) - plate.length_mm / 2 + EDGE, float(np.abs(across).max()) - plate.width_mm / 2 + EDGE, 0.0)


def make(world: World, chance: Random) -> Drill | None:
    """A plate that has been cut on, and the die of a pile that cuts."""
    cutting = [pile for pile in world.piles if pile.sandwich.effect.traits.cuts]
    if not cutting:
        return None
    meant = chance.choice(cutting)
    margin = None if meant.verdict is None else meant.verdict.margin.thinner_mm
    mark = next(iter(marks_of(meant.sandwich, setting_of(meant.sandwich, world.library))), None)
    if mark is None or margin is None or margin <= 0.0:
        return None
    return drill_of_plate(meant, mark, min(margin, mark.depth * chance.uniform(*SPARE)), world, chance)


def drill_of_plate(meant: Assessment, mark: Mark, margin: float, world: World, chance: Random) -> Drill | None:
    """The drill of a pile that has so much to lose [mm], on a plate with some history; None where any place would do, or none."""
    plate, die = meant.sandwich.items[mark.item], die_of(meant, mark)
    pattern = pattern_of(die, world.library)
    history = used(plate, [pattern_of(one, world.library) for one in dies_of(world)], mark.depth, chance)
    worn = [no_longer_cuts(history.of(face), margin) for face in FACES]
    begin = Spot(0.0, 0.0, 0.0)
    ways = ways_to_lay(plate, pattern, chance)
    misses = [missed(spot, pattern, worn) for spot in ways]
    if min(misses, default=1.0) > MISSED or missed(begin, pattern, worn) <= MISSED:
        return None
    free = (sum(miss <= MISSED for miss in misses) + 0.5) / (len(ways) + 1.0)

    def judge(spot: Spot) -> tuple[bool, Message]:
        return judged(over_the_rim(spot, pattern, plate), missed(spot, pattern, worn))

    return Drill(
        task=say(
            (
                "This plate has been cut on, and the pile has {margin} to spare. Where it's darkest, a blade no longer cuts through. "
                "Place the die where it does; you may turn the plate over."
            ),
            margin=thickness(margin),
        ),
        shown=with_less(meant.sandwich, margin, meant),
        meant=meant,
        difficulty=min(max(-math.log(free / (1.0 - free)) - 1.5, -HARDEST), HARDEST),
        hint=say("Turn the die, move it out to the rim, or look at the other face."),
        because=say(
            "In an old groove a blade falls short by its depth. A plate used all over, on both faces, stays flat and lasts longer."
        ),
        laying=Laying(
            (side(0, plate, die, history, margin, world), side(1, plate, die, history, margin, world)),
            STEP,
            begin,
            ways[misses.index(min(misses))],
            judge,
        ),
    )


def with_less(sandwich: Sandwich, margin: float, meant: Assessment) -> Sandwich:
    """The pile on a press that opens wider, by what leaves it no more than a margin. [mm]"""
    assert meant.verdict is not None
    press, thinner = sandwich.press, meant.verdict.margin.thinner_mm or 0.0
    return replace(sandwich, press=replace(press, opening=replace(press.opening, mm=press.opening.mm + thinner - margin)))


def die_of(meant: Assessment, mark: Mark) -> Item:
    """The die that left a mark."""
    return meant.sandwich.items[next(layer.item for layer in meant.sandwich.layers if layer.id == mark.die)]


def ways_to_lay(plate: Item, pattern: Pattern, chance: Random) -> list[Spot]:
    """Places all over a plate, on both of its faces, at which a die does not reach over its rim."""
    tried = [
        Spot(
            round(chance.uniform(-0.5, 0.5) * plate.length_mm),
            round(chance.uniform(-0.5, 0.5) * plate.width_mm),
            90.0 * chance.randrange(4),
            n % 2 == 1,
        )
        for n in range(LOOKED_AT)
    ]
    return [spot for spot in tried if over_the_rim(spot, pattern, plate) == 0.0]


def judged(over: float, missing: float) -> tuple[bool, Message]:
    """Whether a die lies right of whose blade so much comes down beyond the plate [mm], and in worn places [1]; and what comes of it."""
    if over > 0.0:
        return False, say("Its blade reaches {over} past the rim of the plate.", over=size(over, 1))
    if missing > MISSED:
        return False, say("{missing} of its blade meets old cuts and doesn't cut through.", missing=share(missing))
    return True, say("It cuts clean.")


def side(n: int, plate: Item, die: Item, history: History, margin: float, world: World) -> Side:
    """What is seen of a face of the plate: how far a blade sinks into old cuts, against what the pile can lose."""
    x, y = plate.length_mm / 2, plate.width_mm / 2
    lines: list[FloatArray] = [line * np.array([1.0, -1.0]) for line in blade_lines(die, world.library)[0]]  # a blade looks away: mirrored
    return Side(
        title=say("The plate's face") if n == 0 else say("The plate's back"),
        ground=np.array([(-x, -y), (x, -y), (x, y), (-x, y)]),
        thing=tuple(lines),
        shade=np.clip(lowered(history.of(FACES[n])) / max(margin, 1e-6), 0.0, 1.0),
    )


WORN = Skill("worn", say("A worn plate"), say("Where a die still cuts, and how to keep a plate flat."), make)
