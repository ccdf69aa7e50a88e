"""Why nothing works: what is not on the shelf, what does not pass through the press, and which one part would change that."""

import math
from dataclasses import dataclass, replace
from typing import Literal

from lofty_press.core.basics.words import NOTHING, Message, listed, say, size, term
from lofty_press.core.sandwich.relief import Library, no_library
from lofty_press.core.sandwich.stack import KIND_TRAITS, Item, ItemKind, Press, Thickness, typical_item
from lofty_press.core.working.recipes.effect import Effect, Slot, Way
from lofty_press.core.working.recipes.options import WINDOWED, Stockroom, room_needed, slot_choices
from lofty_press.core.working.recipes.pile import SLACK, Owned, trimmed
from lofty_press.core.working.recipes.search import Found, search
from lofty_press.core.working.recipes.wish import Shelf, Wish

MOST_PARTS = 10  # searches with one part more
MARGIN = 30.0  # mm by which plates and mats are larger than what lies on them
OPENING_SHARE = 0.6  # of the tool: the window of a frame that is cut for it
PAD_BACK = Thickness(mm=1.45, sd_mm=0.1)
MADE = {kind: traits.made for kind, traits in KIND_TRAITS.items() if traits.made is not None}


@dataclass(frozen=True)
class Nearly:
    """One part that is not on the shelf and with which it works.

    `thinnest_mm` and `thickest_mm` bound the thickness that the part may have in `best` [mm]; `how` says how it is made, if it is.
    """

    part: Item
    how: Message
    source: Literal["bought", "made"]
    thinnest_mm: float
    thickest_mm: float
    best: Found


def what_is_missing(wish: Wish, shelf: Shelf, press: Press, effect: Effect) -> tuple[Message, ...]:
    """For each way what keeps it from being built, in words; the same said once."""
    room = Stockroom.of(shelf, wish, press)
    said: dict[Message, None] = {}
    for way in effect.ways:
        for words in missing_for(room, shelf, way):
            said[words] = None
    return tuple(said)


def missing_for(room: Stockroom, shelf: Shelf, way: Way) -> list[Message]:
    """What one way lacks."""
    press, slot = room.press, next(s for s in way.slots if s.is_tool)
    tools = room.tools_for(slot)
    if not tools:
        too_wide = [i for i in shelf.values() if i.kind in slot.kinds and i.width_mm > press.feed_width_mm + SLACK]
        if too_wide:
            narrowest = min(too_wide, key=lambda i: i.width_mm)
            return [
                say(
                    "{narrowest} is {width} wide; {press} takes {feed_width}.",
                    narrowest=narrowest.name,
                    width=size(narrowest.width_mm),
                    press=press.name,
                    feed_width=size(press.feed_width_mm),
                )
            ]
        limits = [say("of {thicker} and more", thicker=size(slot.thicker_mm))] if slot.thicker_mm > 0 else []
        limits += [say("under {thinner}", thinner=size(slot.thinner_mm))] if math.isfinite(slot.thinner_mm) else []
        kinds = kinds_of(slot)
        if limits:
            which = listed(limits, " and ")
            return [say("No {kinds} {which} on the shelf that this can be made with.", kinds=kinds, which=which)]
        return [say("No {kinds} on the shelf that this can be made with.", kinds=kinds)]
    sheet = shelf[room.wish.stock]
    lacks = []
    for tool in tools:
        cuts = [(feed, trimmed(sheet, tool.item, feed, room.room(way))) for feed in way.feeds]
        fitting = [(feed, cut) for feed, cut in cuts if cut is not None]
        if not fitting:
            lacks.append(why_no_fit(sheet, tool.item, room.room(way), press))
            continue
        needed = room_needed(tool.item, fitting[0][1] or sheet, fitting[0][0], room.room(way))
        short = [s for s in way.slots if not slot_choices(room, s, way, tool, Owned(room.wish.stock, fitting[0][1] or sheet), needed)]
        lacks += [say("{way}: {lacking}", way=way.title, lacking=lacking(s, needed, press)) for s in short]
        if not short:
            return []
    return lacks[:1]


def kinds_of(slot: Slot) -> Message:
    """The kinds of a slot, one or another."""
    return listed((term(kind) for kind in slot.kinds), " or ")


def lacking(slot: Slot, needed: tuple[float, float], press: Press) -> Message:
    """What a slot finds nothing for."""
    kinds = kinds_of(slot)
    if any(kind in WINDOWED for kind in slot.kinds):
        return say("no {kinds} to go on a folder of {width} by {length}.", kinds=kinds, width=size(needed[0]), length=size(needed[1]))
    return say(
        "no {kinds} of at least {width} by {length} that passes {press}.",
        kinds=kinds,
        width=size(needed[0]),
        length=size(needed[1]),
        press=press.name,
    )


def why_no_fit(sheet: Item, tool: Item, room: tuple[float, float], press: Press) -> Message:
    """Why a tool and a sheet do not go together on a press."""
    if tool.width_mm > room[0] + SLACK or tool.length_mm > room[1] + SLACK:
        return say(
            "{tool} is {width} by {length}. Nothing on the shelf that passes {press} carries that.",
            tool=tool.name,
            width=size(tool.width_mm),
            length=size(tool.length_mm),
            press=press.name,
        )
    return say(
        "{sheet} is {width} by {length}: too small for {tool} ({tool_width} by {tool_length}).",
        sheet=sheet.name,
        width=size(sheet.width_mm),
        length=size(sheet.length_mm),
        tool=tool.name,
        tool_width=size(tool.width_mm),
        tool_length=size(tool.length_mm),
    )


def nearly(wish: Wish, shelf: Shelf, press: Press, effect: Effect, library: Library = no_library) -> tuple[Nearly, ...]:
    """Which one part, bought or made, would make it work: each tried by itself, best first.

    Kinds that the wish does without are parts to get like any other.
    """
    shelf = {key: item for key, item in shelf.items() if item.kind not in wish.without}
    wish = replace(wish, without=())
    room = Stockroom.of(shelf, wish, press)
    tools = {tool.key: tool for way in effect.ways for slot in way.slots if slot.is_tool for tool in room.tools_for(slot)}
    if not tools:
        return ()
    tool = max(tools.values(), key=lambda t: t.item.width_mm)
    kinds = dict.fromkeys(
        kind for way in effect.ways for slot in way.slots if is_part(slot) for kind in slot.kinds if kind not in wish.without
    )
    found = []
    for kind in list(kinds)[:MOST_PARTS]:
        part = part_of(kind, tool.item, shelf[wish.stock], press)
        if part is None:
            continue
        best = next(iter(search(wish, {**shelf, NEW: part}, press, library).found), None)
        laid = None if best is None else next((x for x in best.pile.candidate if x and x.what.key == NEW), None)
        if best is not None and laid is not None and best.assessment.verdict is not None:
            _, right, hard, refuses = best.assessment.verdict.bounds
            low, high = (part.thickness.mm + border / laid.count for border in (right, min(hard, refuses)))
            how = MADE.get(kind, NOTHING)
            found.append(Nearly(part, how, "made" if how else "bought", max(low, 0.05), high, best))
    return tuple(sorted(found, key=lambda n: n.best.cost.total))


NEW = "a part to get"


def is_part(slot: Slot) -> bool:
    return not slot.is_tool and slot.role is None and slot.kinds != ("bed",)


def part_of(kind: ItemKind, tool: Item, sheet: Item, press: Press) -> Item | None:
    """A part as it would be bought or made for a tool and a sheet on a press."""
    width = min(press.feed_width_mm - 2.0, max(tool.width_mm, sheet.width_mm) + MARGIN)
    length = max(tool.length_mm, sheet.length_mm) + MARGIN
    if kind == "frame":
        return Item(
            kind="frame",
            name="Pair of card frames",
            thickness=PAD_BACK,
            width_mm=tool.width_mm,
            length_mm=tool.length_mm,
            material="paper",
            modulus_mpa=180,
            windows=(window(tool),),
        )
    if kind == "pressure mask":
        soft = typical_item("soft plate", width=tool.width_mm, length=tool.length_mm)
        return None if soft is None else replace(soft, kind="pressure mask", name="Soft plate with a window", windows=(window(tool),))
    if kind == "platform":
        return None
    item = typical_item(kind, width=width, length=length)
    return None if item is None else replace(item, name=f"{kind.capitalize()} to get")


def window(tool: Item) -> tuple[tuple[float, float], ...]:
    """A window in proportion to the tool [mm]."""
    x, y = OPENING_SHARE * tool.length_mm / 2, OPENING_SHARE * tool.width_mm / 2
    return ((-x, -y), (x, -y), (x, y), (-x, y))
