"""The unknowns of a press room in words."""

from collections.abc import Mapping

from lofty_press.core.basics.words import NOTHING, Message, say, thickness
from lofty_press.core.sandwich.stack import Item, Press


def unlike(key: str, presses: Mapping[str, Press], items: Mapping[str, Item], more: bool | None = None) -> Message:
    """That an unknown is not as it is written down, in words; with more or less of it, if that is known. Nothing for one that is not among these things.

    Parameters
    ----------
    key : str
        Of the unknown.
    presses, items : mapping
        By their shelf's keys.
    more : bool, optional
        True if it is larger than is written down.
    """
    what, _, of = key.partition(":")
    if "@" in of:
        return NOTHING  # of another room
    if what in ("opening", "frame", "grip") and of in presses:
        return of_press(what, presses[of], more)
    if what in ("thing", "need", "crack") and of in items:
        return of_thing(what, items[of], more)
    if what == "kind":
        return {
            None: say("every {kind} is thicker or thinner", kind=of),
            True: say("every {kind} is thicker", kind=of),
            False: say("every {kind} is thinner", kind=of),
        }[more]
    if what == "soft":
        return {
            None: say("the {material} is harder or softer than usual", material=of),
            True: say("the {material} is harder than usual", material=of),
            False: say("the {material} is softer than usual", material=of),
        }[more]
    return NOTHING


def of_press(what: str, press: Press, more: bool | None) -> Message:
    """The same of a press."""
    name, opening = press.name, thickness(press.opening.mm)
    texts: dict[str, dict[bool | None, Message]] = {
        "opening": {
            None: say("{press} doesn't open {opening}", press=name, opening=opening),
            True: say("{press} opens more than {opening}", press=name, opening=opening),
            False: say("{press} opens less than {opening}", press=name, opening=opening),
        },
        "frame": {
            None: say("{press} is stiffer or softer than such presses", press=name),
            True: say("{press} is stiffer than such presses", press=name),
            False: say("{press} is softer than such presses", press=name),
        },
        "grip": {
            None: say("{press} grips better or worse than such presses", press=name),
            True: say("{press} grips better than such presses", press=name),
            False: say("{press} grips worse than such presses", press=name),
        },
    }
    return texts[what][more]


def of_thing(what: str, item: Item, more: bool | None) -> Message:
    """The same of a thing."""
    name, written = item.name, thickness(item.thickness.mm)
    texts: dict[str, dict[bool | None, Message]] = {
        "thing": {
            None: say("{thing} isn't {thickness}", thing=name, thickness=written),
            True: say("{thing} is thicker than {thickness}", thing=name, thickness=written),
            False: say("{thing} is thinner than {thickness}", thing=name, thickness=written),
        },
        "crack": {
            None: say("{thing} cracks sooner or later than such stock", thing=name),
            True: say("{thing} cracks sooner than such stock", thing=name),
            False: say("{thing} takes more than such stock", thing=name),
        },
        "need": {
            None: say("{thing} is stronger or weaker than such stock", thing=name),
            True: say("{thing} is stronger than such stock", thing=name),
            False: say("{thing} is weaker than such stock", thing=name),
        },
    }
    return texts[what][more]
