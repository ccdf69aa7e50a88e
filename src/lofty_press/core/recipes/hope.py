"""The least that a tool can cost whatever lies round it: which tools the search looks at first, and which not at all."""

from lofty_press.core.effects.needs import need_of, state_of_sheet
from lofty_press.core.forming.estimate import estimate_forming
from lofty_press.core.recipes.cost import MIST, PASS, crack_chance, flat_cost
from lofty_press.core.recipes.curve import in_state
from lofty_press.core.recipes.effect import Effect, Way
from lofty_press.core.recipes.pile import Laid, Owned, Pile, sandwich_of
from lofty_press.core.recipes.wish import Wish
from lofty_press.core.stack.item import Item, Thickness
from lofty_press.core.stack.press import Press
from lofty_press.core.stack.view import StackView

ANY_PRESS = Press(name="any", opening=Thickness(mm=17.7))
HALF = 0.5  # a pile outside of its right zone is wrong more often than not


def least_cost(effect: Effect, way: Way, tool: Item, sheet: Item, wish: Wish) -> float:
    """A lower bound of what any sandwich of a way round a tool costs [spoiled sheets a sheet].

    Notes
    -----
    Inside the right zone the sheet cracks at least as often as at its lower border, and springs back at least as much as at its upper one;
    outside of it more than half the sheets are wrong. Effects that press nothing into shape cost nothing for sure.
    """
    filling = tuple(
        Laid(Owned("sheet", sheet)) if slot.role == "sheet" else Laid(Owned("tool", tool), max(slot.least, 1)) if slot.is_tool else None
        for slot in way.slots
    )
    plain = sandwich_of(Pile(effect, way, filling, way.passes[0], False, way.feeds[0]), wish, ANY_PRESS)
    best = HALF
    for passes in way.passes:
        for misted in way.mist:
            view = StackView(in_state(plain, (passes, misted)))
            need, state = need_of(view, None), state_of_sheet(view)
            bother = PASS * (passes - 1) + MIST * misted
            if need is None or state is None:
                best = min(best, bother)
                continue
            cracked = crack_chance(estimate_forming(view, state, need.right))
            kept = estimate_forming(view, state, need.hard)
            best = min(best, bother + cracked + flat_cost(kept.retained_share if kept else None))
    return best
