"""Piles of somebody else's press room: they tell of tool and stock, which may be the same as here, and of a press and plates that are not here."""

import re
from collections.abc import Mapping
from dataclasses import replace

from lofty_press.core.sandwich.stack import Item, Press, Sandwich, StackView

AWAY = "away:"
"""How the keys of things begin that stand in another room; the room's own key follows."""
UNFIT = re.compile(r"[^A-Za-z0-9]+")


def as_of_elsewhere(sandwich: Sandwich, items: Mapping[str, Item]) -> Sandwich:
    """A pile with its tool and stock as the same things on this shelf, where there are any, and all else under keys of its own room.

    Parameters
    ----------
    sandwich : Sandwich
    items : mapping of str to Item
        What stands on this shelf, by its keys.
    """
    view = StackView(sandwich)
    room = room_of(sandwich.press)
    shared = {placed.layer.item for placed in (view.tool, view.sheet) if placed is not None}
    found = {}
    for key, item in sandwich.items.items():
        same = same_as(item, items) if key in shared else None
        if same is None:
            found[key] = replace(item, shelf_id=f"{AWAY}{room}:{plain(item.shelf_id or item.name)}")
        else:
            found[key] = replace(items[same], shelf_id=same, width_mm=item.width_mm, length_mm=item.length_mm)
    return replace(sandwich, press=replace(sandwich.press, shelf_id=f"{AWAY}{room}:press"), items=found)


def room_of(press: Press) -> str:
    """What another room is called: by its press."""
    return plain(press.shelf_id or press.name)


def plain(text: str) -> str:
    return UNFIT.sub("-", text)[:60]


def same_as(item: Item, items: Mapping[str, Item]) -> str | None:
    """Under which key the same thing stands on a shelf: by its key there, else by kind and name."""
    if item.shelf_id in items:
        return item.shelf_id
    return next((key for key, here in items.items() if here.kind == item.kind and here.name.casefold() == item.name.casefold()), None)


def elsewhere(shelf_id: str | None) -> str:
    """What is put behind the key of an unknown that a room's things share, for things of another room."""
    if shelf_id is None or not shelf_id.startswith(AWAY):
        return ""
    return "@" + shelf_id.removeprefix(AWAY).partition(":")[0]
