"""The least that a sandwich can cost, from what is known before anything is measured: where the search looks first, and where never.

Every bound here lies below the cost of whatever it stands for, so that leaving a thing out never loses the best.
"""

import math
from dataclasses import replace

import numpy as np

from lofty_press.core.judging.verdict import crack_chance
from lofty_press.core.mechanics.forming import closing_of, summary_at
from lofty_press.core.mechanics.needs import need_of
from lofty_press.core.mechanics.nip import bite_limit
from lofty_press.core.sandwich.relief import Library
from lofty_press.core.sandwich.stack import BASES, EFFECT_TRAITS, FOLDERS, Item, Press, StackView, Thickness
from lofty_press.core.working.recipes.candidates import Candidates
from lofty_press.core.working.recipes.cost import LAYER, MIST, PASS, feed_cost, flat_cost
from lofty_press.core.working.recipes.curve import in_state
from lofty_press.core.working.recipes.effect import Effect, Way
from lofty_press.core.working.recipes.options import Partial
from lofty_press.core.working.recipes.pile import Laid, Owned, Pile, sandwich_of
from lofty_press.core.working.recipes.wish import Wish

ANY_PRESS = Press(name="any", opening=Thickness(mm=17.7))
HALF = 0.5  # a pile outside of its right zone is wrong more often than not


def least_of_sheet(effect: Effect, way: Way, tool: Item, sheet: Item, wish: Wish, library: Library) -> float:
    """Least cost of cracking, springing back, passes and mist, whatever lies round tool and sheet [spoiled sheets a sheet].

    Notes
    -----
    Inside the right zone the sheet cracks at least as often as at its lower border in the fewest passes, and springs back at least as much
    as at its upper one in the most; outside of it more than half the sheets are wrong.
    """
    if EFFECT_TRAITS[effect.kind].blade or tool.kind not in FOLDERS:  # nothing is formed, or by a mat that is not known yet
        return PASS * (min(way.passes) - 1)
    candidate = tuple(
        Laid(Owned("sheet", sheet)) if slot.role == "sheet" else Laid(Owned("tool", tool), max(slot.least, 1)) if slot.is_tool else None
        for slot in way.slots
    )
    plain = sandwich_of(Pile(effect, way, candidate, way.passes[0], False, way.feeds[0]), wish, ANY_PRESS)
    few, many = min(way.passes), max(way.passes)
    best = HALF
    for misted in way.mist:
        first, last = (StackView(in_state(plain, (passes, misted))) for passes in (few, many))
        closings = closing_of(first, library), closing_of(last, library)
        needs = need_of(first, closings[0]), need_of(last, closings[1])
        bother = PASS * (few - 1) + MIST * misted
        if needs[0] is None or needs[1] is None:
            best = min(best, bother)
            continue
        cracked = crack_chance(summary_at(first, closings[0], needs[1].right))
        kept = summary_at(last, closings[1], needs[0].hard)
        best = min(best, bother + cracked + flat_cost(kept.retained_share if kept else None))
    return best


def room_left(partial: Partial, press: Press) -> float:
    """What is left of the opening for plates and shims, once everything else lies in it [mm]."""
    fixed = math.fsum(
        laid.count * laid.what.item.thickness.mm * (0.5 if slot.half else 1.0)
        for slot, laid in zip(partial.way.slots, partial.fixed, strict=True)
        if laid
    )
    return lowered(press, partial.way).opening.mm - fixed


def least_bother(partial: Partial, candidates: Candidates, press: Press) -> float:
    """Least bother of a candidate that makes the rollers touch and still lets them bite; a half if none does."""
    low = room_left(partial, press)
    high = low + bite_limit(press.roller_radius_mm, press.friction)
    fits = (candidates.thickness >= low) & (candidates.thickness <= high)
    return float(np.min(candidates.bother, where=fits, initial=HALF))


def lowered(press: Press, way: Way) -> Press:
    """The press as it stands under a way: its bed folded back where nothing carries the pile."""
    if any(kind in BASES for slot in way.slots for kind in slot.kinds):
        return press
    return replace(press, opening=replace(press.opening, mm=press.opening.mm + press.lowered_by_mm))


def least_of_round(way: Way, tool: Item) -> float:
    """Least cost of feeding a tool and of the layers that a way cannot do without."""
    layers = sum(slot.least > 0 and not slot.is_tool and slot.role is None for slot in way.slots)
    return LAYER * layers + min(feed_cost(tool, feed) for feed in way.feeds)
