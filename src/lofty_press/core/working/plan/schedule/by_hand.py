"""A timetable as somebody would make it who goes on with the same pile as long as there is something to press in it.

It is the start for the solver, the answer for jobs that are too large for it, and the bound that needs no solver.
"""

from dataclasses import dataclass, field
from typing import Literal, get_args

from lofty_press.core.working.plan.order import Before, Operation
from lofty_press.core.working.plan.schedule.shop import NOTHING_ON, PressPlace, Shop
from lofty_press.core.working.plan.schedule.timetable import Slot, Timetable, faults

LOOKS_AHEAD = 120  # s within which things begin as good as at once


@dataclass
class Free:
    """When everything is free again [s], and which pile is on each press."""

    hands: list[int]
    heat: list[int]
    presses: dict[str, int]
    piles: dict[str, str | None]
    racked: list[tuple[int, int]] = field(default_factory=list)


Habit = Literal["same pile first", "longest way first", "soonest first"]
HABITS: tuple[Habit, ...] = get_args(Habit)


def make_timetable(operations: tuple[Operation, ...], order: tuple[Before, ...], shop: Shop) -> Timetable:
    """The shortest of those that three habits make; with the same length the one with the fewest changes of piles."""
    made = [make_by(habit, operations, order, shop) for habit in HABITS]
    return min(made, key=lambda table: (len(faults(table, operations, order, shop)), table.length, table.set_ups))


def make_by(habit: Habit, operations: tuple[Operation, ...], order: tuple[Before, ...], shop: Shop) -> Timetable:
    """One operation after the other, of those that can begin the one that the habit prefers."""
    of = {each.key: each for each in operations}
    ready, followers = waits(operations, order)
    tail = tails(operations, order)
    piles = {key: each.pile or "" if each.work.place == "press" else None for key, each in of.items()}
    going = [each.key for each in operations if each.left is not None]
    free = Free([0] * shop.hands, [0] * shop.heat_tools, {p.key: 0 for p in shop.presses}, {p.key: NOTHING_ON for p in shop.presses})
    ended: dict[str, int] = {}
    earliest = dict.fromkeys(of, 0)
    slots: list[Slot] = []
    open_ = {key for key, count in ready.items() if count == 0}
    while open_:
        now, there = min(free.hands), {pile or "" for pile in free.piles.values()}
        options = [key for key in going if key in open_] or sorted(open_)
        changes_pile = {key for key in options if piles[key] is not None and piles[key] not in there}
        begins = {key: max(earliest[key], now) if of[key].work.hands else earliest[key] for key in options}
        key = min(rank(habit, each in changes_pile, begins[each], tail[each], each) for each in options)[-1]
        slot = put(of[key], earliest[key], free, shop)
        slots.append(slot)
        ended[key] = slot.end
        open_.discard(key)
        for after in followers[key]:
            ready[after] -= 1
            earliest[after] = max(earliest[after], slot.end)
            if ready[after] == 0:
                open_.add(after)
    slots.sort(key=lambda slot: (slot.begin, slot.end))
    return Timetable(tuple(slots), max(ended.values(), default=0), bound_of(operations, order, shop), changes(slots))


def rank(habit: Habit, change: bool, begin: int, tail: int, key: str) -> tuple[int, int, int, str]:
    """What comes first by a habit: the least."""
    if habit == "same pile first":
        return change, begin, -tail, key
    if habit == "longest way first":
        return begin // LOOKS_AHEAD, -tail, change, key
    return begin, change, -tail, key


def press_for(each: Operation, free: Free, shop: Shop) -> PressPlace:
    """The press that something goes through: one with its pile on, else the one that is free first."""
    taking = (press for press in shop.presses if press.takes(each.pile))
    return min(taking, key=lambda press: (free.piles[press.key] != each.pile, free.presses[press.key]))


def put(each: Operation, earliest: int, free: Free, shop: Shop) -> Slot:
    """Do an operation as soon as everything that it needs is free."""
    begin, set_up, press_key = 0, 0, None
    if each.work.place == "press":
        press = press_for(each, free, shop)
        press_key = press.key
        set_up = 0 if each.left is not None else shop.change(press, free.piles[press.key], each.pile)
        begin = max(begin, free.presses[press.key])
    hand = min(range(len(free.hands)), key=free.hands.__getitem__)
    heat = min(range(len(free.heat)), key=free.heat.__getitem__)
    if each.work.hands:
        begin = max(begin, free.hands[hand])
    begin = max(begin, earliest - set_up)
    if each.work.place == "heat":
        begin = max(begin, free.heat[heat])
    if each.work.place == "rack":
        begin = room_on_rack(begin, each, free, shop)
    end = begin + set_up + each.seconds
    if each.work.hands:
        free.hands[hand] = end
    if each.work.place == "heat":
        free.heat[heat] = end
    if each.work.place == "rack":
        free.racked.append((end, min(each.count, shop.rack)))
    if press_key is not None:
        free.presses[press_key], free.piles[press_key] = end, each.pile
    return Slot(each.key, begin, begin + set_up, end, press_key)


def room_on_rack(begin: int, each: Operation, free: Free, shop: Shop) -> int:
    """When there is room for all of it. Whatever begins later finds what lies there now gone or counted."""
    need = min(each.count, shop.rack)
    for end, _ in sorted(free.racked):
        if sum(count for until, count in free.racked if until > begin) + need <= shop.rack:
            break
        begin = max(begin, end)
    return begin


def waits(operations: tuple[Operation, ...], order: tuple[Before, ...]) -> tuple[dict[str, int], dict[str, list[str]]]:
    """How many operations each waits for, and which wait for it."""
    ready, followers = {each.key: 0 for each in operations}, {each.key: list[str]() for each in operations}
    for first, then in {(pair.first, pair.then) for pair in order}:
        ready[then] += 1
        followers[first].append(then)
    return ready, followers


def tails(operations: tuple[Operation, ...], order: tuple[Before, ...]) -> dict[str, int]:
    """The longest way from the beginning of each operation to the end of all. [s]"""
    seconds = {each.key: each.seconds for each in operations}
    ready, followers = waits(operations, order)
    waiting = [key for key, count in ready.items() if count == 0]
    sorted_: list[str] = []
    while waiting:
        key = waiting.pop()
        sorted_.append(key)
        for after in followers[key]:
            ready[after] -= 1
            if ready[after] == 0:
                waiting.append(after)
    tail: dict[str, int] = {}
    for key in reversed(sorted_):
        tail[key] = seconds[key] + max((tail[after] for after in followers[key]), default=0)
    return tail


def least_set_ups(operations: tuple[Operation, ...], shop: Shop) -> int:
    """Time that changing piles takes at least: each pile goes on a press once, but for what is on one now. [s]"""
    runs = [each for each in operations if each.work.place == "press"]
    piles = {each.pile for each in runs}
    return sum(shop.least_change(pile, piles) for pile in piles - {each.pile for each in runs if each.left is not None})


def bound_of(operations: tuple[Operation, ...], order: tuple[Before, ...], shop: Shop) -> int:
    """No timetable is shorter: by its longest chain, and by the work of the hands, the presses and the heat tools. [s]

    What is shared is busy for all of its work, after the shortest way to any of it and before the shortest way from any.
    """
    tail = tails(operations, order)
    backwards = tuple(Before(pair.then, pair.first, pair.why) for pair in order)
    head = tails(operations, backwards)
    least = [max(tail.values(), default=0)]
    set_ups = least_set_ups(operations, shop)
    for shared, more, most in (
        ([each for each in operations if each.work.hands], set_ups, shop.hands),
        ([each for each in operations if each.work.place == "press"], set_ups, len(shop.presses)),
        ([each for each in operations if each.work.place == "heat"], 0, shop.heat_tools),
    ):
        if shared:
            early = (
                shop.longest_change({each.pile for each in operations if each.work.place == "press"}) if more else 0
            )  # a pile may be changed before there is anything to press
            before = max(min(head[each.key] - each.seconds for each in shared) - early, 0)
            after = min(tail[each.key] - each.seconds for each in shared)
            least.append(before - (-(sum(each.seconds for each in shared) + more) // most) + after)
    return max(least)


def changes(slots: list[Slot]) -> int:
    """How often a pile is changed."""
    return sum(slot.press is not None and slot.start > slot.begin for slot in slots)
