"""A motif in the flap of an envelope: the right way round, with the same room on every side."""

from random import Random

import numpy as np
import shapely
from shapely.affinity import rotate, scale, translate

from lofty_press.core.basics.words import Message, say, size
from lofty_press.core.mechanics.alignment import flap_outline, place_in_flap, room_around, upright
from lofty_press.core.sandwich.relief import HeightMap
from lofty_press.core.sandwich.stack import FloatArray, Item, Placed, StackView, item_polygon
from lofty_press.core.teaching.practice.drill import Drill, Skill, World
from lofty_press.core.teaching.practice.place import Laying, Side, Spot

WIDE, DEEP, TIP = (130.0, 190.0), (60.0, 105.0), (0.35, 0.7)
"""Between these a flap is wide and deep [mm], and its tip wide against its fold [1]."""
LEAST_ROOM = 3.0
"""Under this a flap is too small for a motif. [mm]"""
WITHIN = 1.5
"""So much less room than the most that can be had is still the same all round. [mm]; common practice, no published source"""
GRID = 96
"""Cells along a side, by which two ways to see a relief are compared."""
SAME = 0.9
"""Correlation from which one reads like the other. [1]"""
LARGEST = 70.0
"""Of a motif for a flap. [mm]"""


def read_relief(heights: HeightMap, item: Item) -> FloatArray:
    """A relief as it is to be read, to the right and up (GRID, GRID), over the square around its item: what goes in first is on top. [mm]"""
    half = max(item.length_mm, item.width_mm) / 2
    at = (np.arange(GRID) + 0.5) / GRID * 2 * half - half
    right, up = np.meshgrid(at, at, indexing="ij")
    return heights.sample(-up, right)


def seen_inside(shown: FloatArray, spot: Spot) -> FloatArray:
    """A relief that is laid in a flap, as it is seen there: face down it is seen through, mirrored."""
    return np.rot90(shown[::-1] if spot.over else shown, round(spot.turn / 90.0))


def read_outside(inside: FloatArray) -> FloatArray:
    """The same on the closed envelope, from the other side of the flap."""
    return inside[::-1]


def alike(one: FloatArray, other: FloatArray) -> float:
    """Correlation of two pictures; 1 for two that are the same all over. [1]"""
    return 1.0 if np.array_equal(one, other) else float(np.corrcoef(one.ravel(), other.ravel())[0, 1])


def motifs_of(world: World) -> list[tuple[int, Placed]]:
    """Every tool of a pile that could go into a flap."""
    found = []
    for n, pile in enumerate(world.piles):
        tool = StackView(pile.sandwich).tool
        if tool is not None and tool.kind == "motif" and max(tool.item.length_mm, tool.item.width_mm) <= LARGEST:
            found.append((n, tool))
    return found


def make(world: World, chance: Random) -> Drill | None:
    """A flap of some shape, and a motif that lies anyhow."""
    found = motifs_of(world)
    if not found:
        return None
    n, tool = chance.choice(found)
    relief = tool.item.relief
    heights = None if relief is None or relief.map is None else world.library(relief.map)
    if heights is None:
        return None
    pointed = chance.random() < 0.5
    wide, deep, tip = chance.uniform(*WIDE), chance.uniform(*DEEP), chance.uniform(*TIP)
    flap = flap_outline("pointed", wide, deep) if pointed else flap_outline("squared", wide, deep, wide * tip)
    shape = upright(item_polygon(tool.item))
    best = place_in_flap(flap, shape)
    if best.room < LEAST_ROOM:
        return None
    shown = read_relief(heights, tool.item)
    drawn = scale(flap, 1.0, -1.0, origin=(0, 0))  # up from the fold
    begin = Spot(chance.uniform(-0.2, 0.2) * wide, -0.5 * deep + chance.uniform(-0.15, 0.15) * deep, 90.0 * chance.randrange(4))
    sides = tuple(
        Side(
            title=say("Face down") if over else say("Face up"),
            ground=shapely.get_coordinates(drawn),
            thing=(shapely.get_coordinates(scale(shape, -1.0 if over else 1.0, 1.0, origin=(0, 0))),),
            heights=seen_inside(shown, Spot(0.0, 0.0, 0.0, over)),
        )
        for over in (False, True)
    )

    def judge(spot: Spot) -> tuple[bool, Message]:
        inside = scale(shape, -1.0 if spot.over else 1.0, 1.0, origin=(0, 0))
        there = translate(rotate(inside, spot.turn, origin=(0, 0)), spot.x, spot.y)
        return judged(room_around(there, drawn), best.room, reads(shown, spot))

    return Drill(
        task=say(
            "The flap is open, its fold on top. Place the motif so it reads upright on the closed envelope, with the same room all round."
        ),
        shown=world.piles[n].sandwich,
        meant=world.piles[n],
        difficulty=0.6 - best.room / 12.0 + (0.4 if pointed else 0.0),
        hint=say("You read the closed flap from its other side. Think of a stamp: which face goes down, and which end to the fold?"),
        because=say(
            "Face down, top to the fold, it reads upright from outside. Its middle {from_fold} from the fold leaves {room} all round.",
            from_fold=size(best.from_fold, 1),
            room=size(best.room, 1),
        ),
        laying=Laying((sides[0], sides[1]), 90.0, begin, Spot(0.0, -best.from_fold, 0.0, over=True), judge, say("On the closed envelope")),
    )


def reads(shown: FloatArray, spot: Spot) -> Message | None:
    """What is wrong with how it reads on the closed envelope; None if nothing is."""
    outside = read_outside(seen_inside(shown, spot))
    if alike(outside, shown) >= SAME:
        return None
    if any(alike(np.rot90(outside, k), shown) >= SAME for k in (1, 2, 3)):
        return say("On the closed envelope it isn't upright.")
    return say("On the closed envelope it reads mirrored.")


def judged(room: float, most: float, wrong: Message | None) -> tuple[bool, Message]:
    """Whether a motif with so much room lies right, and what comes of it. [mm]"""
    if room < 0.0:
        return False, say("It goes {over} past the edge of the flap.", over=size(-room, 1))
    if wrong is not None:
        return False, wrong
    if room < most - WITHIN:
        return False, say("It reads right, and comes within {room} of an edge.", room=size(room, 1))
    return True, say("It reads right, with {room} to the nearest edge.", room=size(room, 1))


FLAP = Skill("flap", say("A motif in a flap"), say("Which way round to place it, and where."), make)
