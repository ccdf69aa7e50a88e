"""A filled recipe: what lies in each place of a way, and the sandwich that comes of it."""

from dataclasses import dataclass, replace
from typing import Literal

from lofty_press.core.basics.trade import FRESH_MIST
from lofty_press.core.judging.orientation import raised_face
from lofty_press.core.sandwich.stack import DIES, FOLDERS, Item, Layer, Press, Sandwich, StackView, WantedEffect
from lofty_press.core.working.recipes.effect import Effect, Feed, Slot, Way
from lofty_press.core.working.recipes.wish import Wish

ROOM_FOR_SHAPE = 6.0  # mm of sheet that is left round a die when it is trimmed; common practice, no published source
SLACK = 0.5  # mm; what may stick out before it is called so
TURNS: dict[Feed, float] = {"hinge first": 0.0, "open edge first": 180.0, "straight": 0.0, "turned 15°": 15.0, "turned 45°": 45.0}


@dataclass(frozen=True, slots=True)
class Owned:
    """A thing by its key on the shelf."""

    key: str
    item: Item


@dataclass(frozen=True, slots=True)
class Laid:
    """So many of a thing, laid into a slot."""

    what: Owned
    count: int = 1


Candidate = tuple[Laid | None, ...]
"""What lies in each slot of a way, bottom to top; None where a slot is left out."""


@dataclass(frozen=True, slots=True)
class Pile:
    """A way with everything chosen: nothing is left open."""

    effect: Effect
    way: Way
    candidate: Candidate
    passes: int
    misted: bool
    feed: Feed

    @property
    def tool(self) -> Owned:
        """The first tool in it."""
        return next(laid.what for slot, laid in zip(self.way.slots, self.candidate, strict=True) if slot.is_tool and laid)


def sandwich_of(pile: Pile, wish: Wish, press: Press) -> Sandwich:
    """Build the sandwich: sizes trimmed, the sheet lying so that the front gets its look, everything turned as it is fed."""
    layers: list[Layer] = []
    items: dict[str, Item] = {}
    for slot, laid in zip(pile.way.slots, pile.candidate, strict=True):
        if laid is None:
            continue
        key = laid.what.key if slot.role is None else f"{laid.what.key[:50]} {slot.role}"
        items[key] = laid.what.item
        layers.append(layer_of(f"l{len(layers) + 1}", key, slot, laid, pile, wish))
    sheet = next(laid.what for slot, laid in zip(pile.way.slots, pile.candidate, strict=True) if slot.role == "sheet" and laid)
    name = f"{pile.tool.item.name} on {sheet.item.name}"[:120]
    effect = WantedEffect(kind=pile.effect.kind, front=wish.front if wish.front != "either" else pile.way.front or "either")
    recipe = f"{pile.effect.key}/{pile.way.key}"
    built = Sandwich(name=name, press=press, effect=effect, items=items, layers=tuple(layers), passes=pile.passes, recipe=recipe)
    return facing_right(built, wish, pile.way)


def layer_of(layer_id: str, key: str, slot: Slot, laid: Laid, pile: Pile, wish: Wish) -> Layer:
    """One layer of the pile."""
    tool = pile.tool.item
    turn = TURNS[pile.feed] if slot.is_tool or slot.role == "sheet" else 0.0
    x = 0.0
    if slot.role == "sheet" and tool.kind in FOLDERS and tool.relief is not None:
        x = tool.relief.hinge_margin_mm / 2 * (1 if turn == 0 else -1)
    wet = FRESH_MIST.value if pile.misted and slot.role == "sheet" else None
    ink = wish.ink if slot.inked else None
    return Layer(
        id=layer_id,
        item=key,
        half=slot.half,
        count=laid.count,
        x_mm=x,
        rotation_deg=turn,
        turned=slot.turned,
        role=slot.role,
        mist_age_s=wet,
        ink=ink,
    )


def facing_right(sandwich: Sandwich, wish: Wish, way: Way) -> Sandwich:
    """The sandwich with its sheet turned over if the front would come out with the wrong look otherwise."""
    view = StackView(sandwich)
    raised, sheet, tool = raised_face(view), view.sheet, view.tool
    if raised is None or sheet is None or tool is None:
        return sandwich
    reads = tool.item.relief.words_read if tool.item.relief else None
    wanted: Literal["raised", "sunk"] | None = wish.front if wish.front != "either" else way.front or reads
    if wanted is None or wanted == ("raised" if raised == "front" else "sunk"):
        return sandwich
    layers = tuple(replace(layer, turned=not layer.turned) if layer.id == sheet.id else layer for layer in sandwich.layers)
    return replace(sandwich, layers=layers)


def turned_size(width: float, length: float, feed: Feed) -> tuple[float, float]:
    """Room that a rectangle takes across and along the feed once it is turned [mm]."""
    if feed == "turned 15°":
        return 0.9659 * width + 0.2588 * length, 0.2588 * width + 0.9659 * length
    if feed == "turned 45°":
        return 0.7071 * (width + length), 0.7071 * (width + length)
    return width, length


def trimmed(sheet: Item, tool: Item, feed: Feed, room: tuple[float, float]) -> Item | None:
    """The sheet as it is cut for a tool.

    Parameters
    ----------
    sheet, tool : Item
    feed : Feed
    room : tuple of float
        Width and length that the plates carry. [mm]

    Returns
    -------
    Item or None
        The sheet in its size for the press; None if what is left would not cover a die or motif, or the tool does not fit.
    """
    wide, long = turned_size(tool.width_mm, tool.length_mm, feed)
    if wide > room[0] + SLACK or long > room[1] + SLACK:
        return None
    if tool.kind in FOLDERS:
        usable = tool.length_mm - (tool.relief.hinge_margin_mm if tool.relief else 0.0)
        return cut_to(sheet, min(sheet.width_mm, tool.width_mm), min(sheet.length_mm, usable))
    covers = tool.kind in DIES or tool.kind == "motif"
    if covers and (sheet.width_mm < tool.width_mm - SLACK or sheet.length_mm < tool.length_mm - SLACK):
        return None
    scars = sheet.stock is not None and sheet.stock.shows_scars and tool.kind in DIES
    if not scars and fits(sheet.width_mm, sheet.length_mm, feed, room):
        return sheet
    width = min(sheet.width_mm, tool.width_mm + 2 * ROOM_FOR_SHAPE)
    length = min(sheet.length_mm, tool.length_mm + 2 * ROOM_FOR_SHAPE)
    if feed == "straight":
        width, length = (min(sheet.width_mm, room[0]), min(sheet.length_mm, room[1])) if not scars else (width, length)
        width, length = min(width, room[0]), min(length, room[1])
    return cut_to(sheet, width, length) if fits(width, length, feed, room) else None


def fits(width: float, length: float, feed: Feed, room: tuple[float, float]) -> bool:
    """True if a rectangle lies within the room once it is turned [mm]."""
    wide, long = turned_size(width, length, feed)
    return wide <= room[0] + SLACK and long <= room[1] + SLACK


def cut_to(sheet: Item, width: float, length: float) -> Item:
    """A piece of a sheet [mm]."""
    return sheet if width >= sheet.width_mm and length >= sheet.length_mm else replace(sheet, width_mm=width, length_mm=length)
