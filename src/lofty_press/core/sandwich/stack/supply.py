"""Things for a wish: what the sandwich has, else the shelf's best, else a typical one."""

from collections.abc import Callable, Iterable, Sequence

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.basics.words import say
from lofty_press.core.sandwich.stack.apply import apply_edit
from lofty_press.core.sandwich.stack.edits import Add, Edit, Exchange, Put, Swap, Wish
from lofty_press.core.sandwich.stack.item import Item
from lofty_press.core.sandwich.stack.kinds import FOLDERS, ItemKind
from lofty_press.core.sandwich.stack.press import Press
from lofty_press.core.sandwich.stack.sandwich import Sandwich
from lofty_press.core.sandwich.stack.typical import typical_item

Supply = Callable[[ItemKind], Sequence[Item]]
"""Lists the things of a kind on the shelf."""


def nothing_on_the_shelf(_: ItemKind) -> Sequence[Item]:
    """Supply where there is no shelf: typical things only."""
    return ()


def resolved(sandwich: Sandwich, wanted: Iterable[Edit | Wish], supply: Supply) -> tuple[Edit, ...]:
    """Edits with things in place of wishes, to be carried out one after the other.

    Raises
    ------
    InvalidInput
        If nothing of a kind can be had, or an edit cannot be carried out.
    """
    edits: list[Edit] = []
    for one in wanted:
        edit = granted(sandwich, one, supply) if isinstance(one, Add | Exchange) else one
        edits.append(edit)
        sandwich = apply_edit(edit, sandwich)
    return tuple(edits)


def granted(sandwich: Sandwich, wish: Wish, supply: Supply) -> Edit:
    """The edit that a wish comes to in this sandwich."""
    item = supplied(sandwich, wish.kind, supply)
    if isinstance(wish, Add):
        return Put(item=item, at=wish.at, count=wish.count, role=wish.role)
    return Swap(layer=wish.layer, item=item)


def supplied(sandwich: Sandwich, kind: ItemKind, supply: Supply) -> Item:
    """Something of a kind."""
    if kind not in FOLDERS and kind != "sheet":
        for known in sandwich.items.values():
            if known.kind == kind:
                return known
    found = best_fitting(supply(kind), sandwich.press) if kind != "sheet" else None
    if found is None:
        widest = max((i.width_mm for i in sandwich.items.values()), default=150.0)
        longest = max((i.length_mm for i in sandwich.items.values() if i.kind != "bed"), default=200.0)
        found = typical_item(kind, width=min(widest, sandwich.press.feed_width_mm), length=longest)
    if found is None:
        raise InvalidInput("kind", kind, say("nothing of this kind is on the shelf"))
    return found


def best_fitting(candidates: Iterable[Item], press: Press) -> Item | None:
    """The thing to take for a press: of those that pass between its sides the widest, a sound one before a worn one."""
    passing = [c for c in candidates if c.width_mm <= press.feed_width_mm]
    return max(passing, key=lambda c: (c.width_mm, c.bow_mm <= 0.5, c.scarred == "no", c.thickness.source == "gauge"), default=None)
