"""Every pile of a wish judged in full: slow, without any idea, and what the search is checked against."""

from collections.abc import Iterator
from itertools import product

from lofty_press.core.sandwich.relief import Library, no_library
from lofty_press.core.sandwich.stack import Press
from lofty_press.core.working.recipes.catalogue import effect_named
from lofty_press.core.working.recipes.curve import pile_of, states_of
from lofty_press.core.working.recipes.options import Partial, Stockroom, partials_of
from lofty_press.core.working.recipes.pile import Laid, Pile
from lofty_press.core.working.recipes.search import Found, judged
from lofty_press.core.working.recipes.wish import Shelf, Wish, check_wish


def all_piles(wish: Wish, shelf: Shelf, press: Press) -> Iterator[Pile]:
    """Every pile that a wish leaves open."""
    effect = effect_named(wish.effect)
    check_wish(wish, effect, shelf)
    room = Stockroom.of(shelf, wish, press)
    for way in effect.ways:
        if way.front and wish.front not in ("either", way.front):
            continue
        for tool in room.tools_for(next(slot for slot in way.slots if slot.is_tool)):
            for partial in partials_of(room, shelf, effect, way, tool):
                for laid in fillings_of(partial):
                    yield from (pile_of(partial, laid, state) for state in states_of(partial, wish))


def fillings_of(partial: Partial) -> Iterator[tuple[Laid | None, ...]]:
    """Every candidate that needs nothing twice."""
    for laid in product(*(options for _, options in partial.open_slots)):
        keys = [thing.what.key for thing in laid if thing and thing.what.item.kind != "sheet"]
        if len(keys) == len(set(keys)):
            yield laid


def search_exhaustively(wish: Wish, shelf: Shelf, press: Press, library: Library = no_library) -> dict[tuple[str, str], Found]:
    """The best sandwich of each tool and way, found by judging every one."""
    best: dict[tuple[str, str], Found] = {}
    for pile in all_piles(wish, shelf, press):
        found = judged(pile, wish, press, library)
        key = (pile.tool.key, pile.way.key)
        if found is not None and (key not in best or found.cost.total < best[key].cost.total):
            best[key] = found
    return best
