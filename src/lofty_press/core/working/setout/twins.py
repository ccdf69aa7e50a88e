"""Things that cannot be told apart: named alike but for their number, and alike in every figure."""

import re
from collections.abc import Collection, Mapping
from dataclasses import replace

from lofty_press.core.sandwich.stack import TOOLS, Item

ORDINALS = ("first", "second", "third", "fourth", "fifth", "sixth", "seventh", "eighth", "ninth", "tenth", "eleventh", "twelfth")
ORDINAL = rf"(?:{'|'.join(ORDINALS)}|\d+(?:st|nd|rd|th))"
NUMBER = re.compile(rf"^{ORDINAL}\s+|\s+\({ORDINAL}\)$", re.IGNORECASE)
"""What tells a thing from its like: after its name, or before it as names had it at first."""


def told_apart(name: str, n: int) -> str:
    """The name of the n-th of several alike.

    Examples
    --------
    >>> told_apart("Plain folder", 2), told_apart("Thin die", 23)
    ('Plain folder (second)', 'Thin die (23rd)')
    """
    ending = "th" if n % 100 in (11, 12, 13) else {1: "st", 2: "nd", 3: "rd"}.get(n % 10, "th")
    return f"{name} ({ORDINALS[n - 1] if n <= len(ORDINALS) else f'{n}{ending}'})"


def likeness(item: Item) -> Item | None:
    """What all twins of a thing have in common; None for one that has a name, an outline or a relief of its own.

    Examples
    --------
    >>> from lofty_press.core.working.setout import read_list
    >>> first, second = read_list("2 plain folders")[0].items
    >>> first.name, likeness(first) == likeness(second)
    ('Plain folder (first)', True)
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
