"""Tools that lie over one another, and which of a nested set go together."""

from collections.abc import Sequence
from dataclasses import dataclass
from itertools import combinations

from lofty_press.core.sandwich.stack import FloatArray, Item, Placed, Polygon, StackView, placed_polygon, rings_of

LEAST = 1.0  # mm2; less is the rounding of two drawings


@dataclass(frozen=True)
class Overlap:
    """Two tools that share `area` [mm2] of the bed; `rings` (n, 2) outline it. [mm]"""

    one: Placed
    two: Placed
    area: float
    rings: tuple[FloatArray, ...]


def tool_overlaps(view: StackView) -> tuple[Overlap, ...]:
    """Every pair of flat tools that lie over one another; motifs may, they are glued, and what lies inside a folder is its part."""
    flat = [p for p in view.tools if p.kind != "motif" and p.layer.half is None]
    found = []
    for one, two in combinations(flat, 2):
        shared: Polygon = one.polygon.intersection(two.polygon)
        if shared.area > LEAST and not view.in_folder(one):
            found.append(Overlap(one, two, float(shared.area), rings_of(shared)))
    return tuple(found)


def without_overlap(shapes: Sequence[Polygon]) -> tuple[tuple[int, ...], ...]:
    """Which of some tools can be used in one run as they lie, such as every other size of a nested set.

    Parameters
    ----------
    shapes : sequence of shapely polygon
        Where they lie. [mm]

    Returns
    -------
    tuple of tuple of int
        Largest choices first: indices of tools of which no two share any of the bed. Only choices that cannot be added to.

    Notes
    -----
    Starting from each, every next smaller one is taken that shares nothing with those taken. Each tool is in a choice; choices that leave
    a larger gap than they need, such as the first and the last of four, are not listed.
    """
    order = sorted(range(len(shapes)), key=lambda n: -shapes[n].convex_hull.area)
    choices: set[tuple[int, ...]] = set()
    for start in range(len(order)):
        chosen = [order[start]]
        for n in order[start + 1 :]:
            if all(shapes[n].intersection(shapes[m]).area <= LEAST for m in chosen):
                chosen.append(n)
        choices.add(tuple(chosen))
    whole = [c for c in choices if not any(set(c) < set(other) for other in choices)]
    return tuple(sorted(whole, key=lambda c: (-len(c), c)))


def goes_with(view: StackView, dies: Sequence[Item]) -> tuple[Item, ...]:
    """Those of some dies that can be used in the same run, laid around the middle of the die that is there: inside it or around it.

    A die that would lie over any tool of the sandwich is left out, and so is what is in the sandwich already.
    """
    lead, there = view.die, [p.polygon for p in view.tools]
    if lead is None:
        return ()
    names = {p.item.name for p in view.tools}
    found = []
    for die in dies:
        shape = placed_polygon(die, lead.layer.x_mm, lead.layer.y_mm, lead.layer.rotation_deg)
        if die.name not in names and all(shape.intersection(other).area <= LEAST for other in there):
            found.append(die)
    return tuple(found)
