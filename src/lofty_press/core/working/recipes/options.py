"""What may lie in each slot: things of the right kind that pass through the press and are large enough."""

import math
from collections.abc import Iterable, Iterator
from dataclasses import dataclass, field
from itertools import product

from lofty_press.core.sandwich.stack import FOLDERS, MATS, Item, Press, item_polygon
from lofty_press.core.working.recipes.cost import feed_cost, holds_fast
from lofty_press.core.working.recipes.effect import Effect, Feed, Slot, Way
from lofty_press.core.working.recipes.pile import SLACK, Candidate, Laid, Owned, cut_to, trimmed, turned_size
from lofty_press.core.working.recipes.wish import Shelf, Wish

WINDOWED = ("pressure mask", "frame")
SHAPED = (*MATS, *WINDOWED)
MOST_SHAPED = 4  # mats or masks for one slot that are all tried
ALIKE = 0.2  # mm; mats nearer to one another than this stand for one another where there are more
SHIM_FINISHES = ("plain", "kraft", "chipboard")
THICKEST_SHIM = 1.6  # mm
MADE_FOR = 0.65  # of the largest that passes; the next smaller press is about half as wide
Options = tuple[Laid | None, ...]


@dataclass(frozen=True, slots=True)
class Partial:
    """What gives a pile its pressure curve: way, tools, sheet, mats and windows. Plates, spacers and shims only add to its height.

    `fixed` has what lies in each slot, None where a rigid one is open; `open_slots` maps those slots to what may lie there.
    """

    effect: Effect
    way: Way
    feed: Feed
    fixed: Candidate
    open_slots: tuple[tuple[int, Options], ...]

    @property
    def tool(self) -> Owned:
        return next(laid.what for slot, laid in zip(self.way.slots, self.fixed, strict=True) if slot.is_tool and laid)


def things(shelf: Shelf, press: Press, kinds: Iterable[str], without: Iterable[str]) -> list[Owned]:
    """Everything of some kinds that passes between the press's sides, in an order of its own."""
    wanted = set(kinds) - set(without)
    return [Owned(k, i) for k, i in sorted(shelf.items()) if i.kind in wanted and i.width_mm <= press.feed_width_mm + SLACK]


@dataclass(frozen=True)
class Stockroom:
    """The shelf sorted by kind for one press, so that it is walked through once; `laid_out` remembers what may lie in which slot."""

    press: Press
    wish: Wish
    by_kind: dict[str, tuple[Owned, ...]]
    laid_out: dict[tuple[int, float, float, bool], Options] = field(default_factory=dict)

    @classmethod
    def of(cls, shelf: Shelf, wish: Wish, press: Press) -> "Stockroom":
        """Sort a shelf."""
        kinds: dict[str, list[Owned]] = {}
        for owned in things(shelf, press, {i.kind for i in shelf.values()} - {"sheet"}, wish.without):
            kinds.setdefault(owned.item.kind, []).append(owned)
        kinds["sheet"] = [Owned(k, i) for k, i in sorted(shelf.items()) if i.kind == "sheet"]
        if "bed" in kinds:  # a press has one bed: the widest that passes
            kinds["bed"] = [max(kinds["bed"], key=lambda b: (b.item.width_mm, -b.item.thickness.sd_mm, b.key))]
        return cls(press, wish, {kind: tuple(found) for kind, found in kinds.items()})

    def of_kinds(self, kinds: Iterable[str]) -> list[Owned]:
        return [owned for kind in kinds for owned in self.by_kind.get(kind, ())]

    def tools_for(self, slot: Slot) -> list[Owned]:
        """Tools that a slot takes."""
        wanted = self.wish.tool
        return [
            t
            for t in self.of_kinds(slot.kinds)
            if slot.thicker_mm <= t.item.thickness.mm < slot.thinner_mm
            and (slot.teeth is None or t.item.blade is None or t.item.blade.teeth == slot.teeth)
            and (wanted is None or t.key == wanted)
        ]

    def room(self, way: Way) -> tuple[float, float]:
        """Width and length that the largest plates of a way carry [mm]."""
        carriers = [
            owned.item
            for slot in way.slots
            if not slot.is_tool and slot.role is None and slot.least > 0
            for owned in self.of_kinds(slot.kinds)
            if owned.item.kind not in SHAPED
        ]
        if not carriers:
            return self.press.feed_width_mm, 1e9
        width = min(max((i.width_mm for i in carriers), default=0.0), self.press.feed_width_mm)
        return width, max((i.length_mm for i in carriers), default=0.0)


def partials_of(room: Stockroom, shelf: Shelf, effect: Effect, way: Way, tool: Owned) -> Iterator[Partial]:
    """All partial piles of a way round a tool: mats and masks; none if something that the way needs is not there.

    Of the ways into the press that tool, sheet and plates allow, the one that the rollers take most evenly.
    """
    sheet = shelf[room.wish.stock]
    for feed in sorted((f for f in way.feeds if room.wish.feed in (None, f)), key=lambda f: feed_cost(tool.item, f)):
        cut = trimmed(sheet, tool.item, feed, room.room(way))
        if cut is None:
            continue
        needed = room_needed(tool.item, cut, feed, room.room(way))
        choices = [slot_choices(room, slot, way, tool, Owned(room.wish.stock, cut), needed) for slot in way.slots]
        if not enough_for_all(choices):
            continue
        shaped = [options if is_fixed(slot) else (None,) for slot, options in zip(way.slots, choices, strict=True)]
        opened = tuple((n, options) for n, (slot, options) in enumerate(zip(way.slots, choices, strict=True)) if not is_fixed(slot))
        for fixed in product(*shaped):
            yield Partial(effect, way, feed, fixed, opened)
        return


def enough_for_all(choices: list[Options], taken: frozenset[str] = frozenset()) -> bool:
    """True if every slot that must be filled can be, and nothing is needed twice; a folder's halves and sheets do not count."""
    for n, options in enumerate(choices):
        if None in options:
            continue
        keys = {laid.what.key for laid in options if laid}
        if any(laid and (laid.what.item.kind in FOLDERS or laid.what.item.kind == "sheet") for laid in options):
            continue
        return any(enough_for_all(choices[n + 1 :], taken | {key}) for key in keys - taken)
    return all(choices)


def room_needed(tool: Item, sheet: Item, feed: Feed, room: tuple[float, float]) -> tuple[float, float]:
    """What plates and mats have to cover: tool and sheet, the sheet as far as there are plates for it [mm]."""
    wide, long = turned_size(tool.width_mm, tool.length_mm, feed)
    sheet_wide, sheet_long = turned_size(sheet.width_mm, sheet.length_mm, feed)
    if tool.kind in FOLDERS:
        return wide, long
    return max(wide, min(sheet_wide, room[0])), max(long, min(sheet_long, room[1]))


def is_fixed(slot: Slot) -> bool:
    """True for slots that shape the pressure, False for plates and shims, which only add height."""
    return slot.is_tool or slot.role in ("sheet", "backing") or any(kind in SHAPED for kind in slot.kinds)


def slot_choices(room: Stockroom, slot: Slot, way: Way, tool: Owned, sheet: Owned, needed: tuple[float, float]) -> Options:
    """Everything that may lie in a slot."""
    if slot.role == "sheet":
        return tuple(Laid(sheet, n) for n in range(slot.least, slot.most + 1))
    if slot.is_tool:
        return tool_choices(room, slot, way, tool)
    if slot.wanted == "tight" and not holds_fast(tool.item):
        return (None,)
    left_out: Options = (None,) if slot.least == 0 else ()
    if slot.role is not None:
        needed = min(needed[0], sheet.item.width_mm), min(needed[1], sheet.item.length_mm)
    windowed = any(kind in WINDOWED for kind in slot.kinds)
    size = (tool.item.width_mm, tool.item.length_mm) if windowed else needed
    key = (id(slot), *size, windowed)
    if key not in room.laid_out:
        if slot.role is not None:
            options = tuple(loose_stock(room, slot, needed))
        else:
            found = even([t for t in room.of_kinds(slot.kinds) if large_enough(t.item, needed, tool.item)])
            options = tuple(Laid(t, n) for t in found for n in range(max(slot.least, 1), slot.most + 1))
        if slot.wanted and options:
            # before a tight die it may be left out, where the blade has not enough left for it
            options, left_out = options[:1], () if slot.wanted == "always" else left_out
        room.laid_out[key] = (*left_out, *(few_alike(options) if is_fixed(slot) else options))
    return room.laid_out[key]


def few_alike(options: Options) -> Options:
    """All mats or masks while there are few; of very many that are alike in thickness and stiffness, the one known best."""
    if len(options) <= MOST_SHAPED:
        return options
    best: dict[tuple[str, int, float, int], Laid] = {}
    for laid in sorted((x for x in options if x), key=lambda x: (x.what.item.thickness.sd_mm, x.what.key)):
        item = laid.what.item
        stiffness = item.shore_a or round(math.log(item.modulus_mpa or 1.0), 1)
        best.setdefault((item.kind, round(item.thickness.mm / ALIKE), stiffness, laid.count), laid)
    return tuple(list(best.values())[:MOST_SHAPED])


def tool_choices(room: Stockroom, slot: Slot, way: Way, tool: Owned) -> Options:
    """The tool itself; for a way with two dies the other one too, where they do not overlap."""
    tools = [s for s in way.slots if s.is_tool and s.half is None]
    if len(tools) < 2 or slot is tools[0]:
        return tuple(Laid(tool, n) for n in range(slot.least, slot.most + 1))
    outer = item_polygon(tool.item)
    inside = [t for t in room.of_kinds(slot.kinds) if t.key != tool.key and t.item.width_mm < tool.item.width_mm]
    return tuple(Laid(t) for t in inside if item_polygon(t.item).intersection(outer).area < 1.0)


def loose_stock(room: Stockroom, slot: Slot, needed: tuple[float, float]) -> Iterator[Laid]:
    """Sheets for a shim or a backing that cover the work, cut to it; one, two, three of a kind."""
    finishes = slot.finishes or SHIM_FINISHES
    for owned in room.by_kind.get("sheet", ()):
        stock, item = owned.item.stock, owned.item
        if stock is None or stock.finish not in finishes or item.thickness.mm > THICKEST_SHIM or item.material != "paper":
            continue
        if not large_enough(item, needed, item):
            continue
        cut = Owned(owned.key, cut_to(item, min(item.width_mm, room.press.feed_width_mm), item.length_mm))
        yield from (Laid(cut, n) for n in range(1, slot.most + 1))


def even(found: list[Owned]) -> list[Owned]:
    """Of things of one kind the ones made for this press: a plate for a smaller press leaves half the roller without work, one for longer
    dies hangs over the bed."""
    widest = max((t.item.width_mm for t in found), default=0.0)
    wide = [t for t in found if t.item.windows or t.item.width_mm >= MADE_FOR * widest]
    shortest = min((t.item.length_mm for t in wide), default=0.0)
    return [t for t in wide if t.item.length_mm * MADE_FOR <= shortest]


def large_enough(item: Item, needed: tuple[float, float], tool: Item) -> bool:
    """True if a thing covers the work; masks and frames are made to lie inside the tool."""
    if item.windows:
        return item.width_mm <= tool.width_mm + 15 and item.length_mm <= tool.length_mm + 15
    return item.width_mm >= needed[0] - SLACK and item.length_mm >= needed[1] - SLACK
