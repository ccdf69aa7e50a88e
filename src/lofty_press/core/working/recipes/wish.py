"""What somebody wishes for, and whether the wish holds together."""

from collections.abc import Iterator, Mapping
from dataclasses import dataclass
from typing import Annotated, Literal

from annotated_types import Ge, Le, Len

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.basics.quantities import STRICT, Count, Key
from lofty_press.core.basics.words import Message, listed, say, term
from lofty_press.core.sandwich.stack import Ink, Item, ItemKind
from lofty_press.core.working.recipes.effect import Effect, Feed

Shelf = Mapping[str, Item]
"""Things that somebody owns, by key."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Wish:
    """An effect on a stock, with what the person asks for beyond it.

    Parameters
    ----------
    effect, stock : str
        Keys of the effect and, on the shelf, of the sheet.
    tool : str or None
        Key of the folder, die or plate; None for whichever does it best.
    front : {"raised", "sunk", "either"}
        Look of the front.
    mist : {"free", "dry", "misted"}
        Whether the sheet may be misted.
    most_passes : int
        How often it may go through. [1]
    feed : str or None
        How it goes into the press; None for what suits the tool.
    without : tuple of ItemKind
        Kinds that are not to be used, for "what if I have no soft plate".
    """

    __pydantic_config__ = STRICT

    effect: Key
    stock: Key
    tool: Key | None = None
    front: Literal["raised", "sunk", "either"] = "either"
    mist: Literal["free", "dry", "misted"] = "free"
    most_passes: Annotated[Count, Ge(1), Le(20)] = 20
    feed: Feed | None = None
    ink: Ink | None = None
    without: Annotated[tuple[ItemKind, ...], Len(0, 12)] = ()


def check_wish(wish: Wish, effect: Effect, shelf: Shelf) -> None:
    """Refuse a wish that contradicts itself or the shelf.

    Raises
    ------
    InvalidInput
        With the field of the wish that cannot be met, and why.
    """
    stock = shelf.get(wish.stock)
    if stock is None or stock.stock is None:
        raise InvalidInput("stock", wish.stock, say("must be a sheet on the shelf; it may have been taken off since"))
    if wish.tool is not None:
        check_tool(wish, effect, shelf)
    for field, value, why in contradictions(wish, effect, stock):
        raise InvalidInput(field, value, why)


def contradictions(wish: Wish, effect: Effect, sheet: Item) -> Iterator[tuple[str, object, Message]]:
    """What an effect or the sheet cannot give of a wish: the field, what it asks for, and why not."""
    stock, title = sheet.stock, effect.title
    if wish.front != "either" and wish.front not in effect.looks:
        can = listed((term(look) for look in effect.looks), " or ") or say("neither raised nor sunk")
        yield "front", wish.front, say("“{effect}” leaves the front {can}", effect=title, can=can)
    if wish.mist == "misted" and not any(True in way.mist for way in effect.ways):
        yield "mist", wish.mist, say("“{effect}” is done dry", effect=title)
    if wish.mist == "misted" and (stock is None or stock.mist is None):
        yield "mist", wish.mist, say("{stock} doesn't soak up water", stock=sheet.name)
    if wish.ink is not None and wish.ink.type not in effect.inks:
        inks = listed((term(ink) for ink in effect.inks), " or ") or say("no ink")
        yield "ink", wish.ink.type, say("“{effect}” takes {inks}", effect=title, inks=inks)
    if effect.cored and not is_cored(sheet):
        yield "stock", sheet.name, say("“{effect}” takes a card with a core of another color", effect=title)
    if wish.feed is not None and not any(wish.feed in way.feeds for way in effect.ways):
        choices = listed((term(feed) for feed in effect.ways[0].feeds), " or ")
        yield "feed", wish.feed, say("“{effect}” goes in {choices}", effect=title, choices=choices)
    fewest = min(min(way.passes) for way in effect.ways)
    if wish.most_passes < fewest:
        yield "most_passes", wish.most_passes, say("“{effect}” takes {fewest} passes", effect=title, fewest=fewest)


def check_tool(wish: Wish, effect: Effect, shelf: Shelf) -> None:
    """Refuse a tool that is not there or cannot give the effect."""
    tool = shelf.get(wish.tool or "")
    if tool is None:
        raise InvalidInput("tool", wish.tool, say("isn't on the shelf; it may have been taken off since"))
    kinds = {kind for way in effect.ways for slot in way.slots if slot.is_tool for kind in slot.kinds}
    if tool.kind not in kinds:
        raise InvalidInput(
            "tool", tool.kind, say("“{effect}” is made with a {choices}", effect=effect.title, choices=" or a ".join(sorted(kinds)))
        )
    if tool.kind in wish.without:
        raise InvalidInput("without", tool.kind, say("{tool} is one, and it was chosen as the tool", tool=tool.name))


def is_cored(item: Item) -> bool:
    """True for card whose core shows another colour when its face is sanded off."""
    return item.stock is not None and item.stock.core_colour is not None and item.stock.core_colour != item.stock.face_colour
