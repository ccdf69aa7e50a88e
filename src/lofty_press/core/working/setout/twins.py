"""Things that cannot be told apart: named alike but for their number, and alike in every figure."""

import re
from collections.abc import Collection, Mapping
from dataclasses import replace

from lofty_press.core.sandwich.stack import TOOLS, Item

ORDINALS = ("First", "Second", "Third", "Fourth", "Fifth", "Sixth", "Seventh", "Eighth", "Ninth", "Tenth", "Eleventh", "Twelfth")
NUMBER = re.compile(rf"^(?:{'|'.join(ORDINALS)}|\d+(?:st|nd|rd|th))\s+|\s+\d+$", re.IGNORECASE)
"""The number of a thing among its like: at the end of its name, or before it as names had it up to version 1."""


def likeness(item: Item) -> Item | None:
    """What all twins of a thing have in common; None for one that has a name, an outline or a relief of its own.

    Examples
    --------
    >>> from lofty_press.core.working.setout import read_list
    >>> first, second = read_list("2 plain folders")[0].items
    >>> first.name, likeness(first) == likeness(second)
    ('Plain folder 1', True)
    """
    name = NUMBER.sub("", item.name).lower()
    if name != item.kind and name == item.name.lower():
        return None
    return replace(item, name=name, note="", shelf_id=None)


def one_of_each(things: Mapping[str, Item], wanted: Collection[str | None] = ()) -> dict[str, Item]:
    """Things without the twins of a tool: one of them does what all of them do. Those `wanted` by their key stay."""
    seen: list[Item] = []
    kept = {}
    for key, item in things.items():
        like = likeness(item) if item.kind in TOOLS and key not in wanted else None
        if like is not None:
            if like in seen:
                continue
            seen.append(like)
        kept[key] = item
    return kept
