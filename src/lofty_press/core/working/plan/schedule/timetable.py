"""A plan in time, and whether it can be done: checked by looking, not by how it was found."""

from dataclasses import dataclass

from lofty_press.core.working.plan.order import Before, Operation
from lofty_press.core.working.plan.schedule.shop import NOTHING_ON, PressPlace, Shop


@dataclass(frozen=True)
class Slot:
    """When an operation is done: `begin` with its set-up, `start` of the work itself, `end` [s]; on which press, if on one."""

    key: str
    begin: int
    start: int
    end: int
    press: str | None = None


@dataclass(frozen=True)
class Timetable:
    """All operations in the order of their beginning.

    `length` [s] in all, and `bound` below which no other can be [s]; `set_ups` of presses.
    """

    slots: tuple[Slot, ...]
    length: int
    bound: int
    set_ups: int

    @property
    def gap(self) -> float:
        """Length over bound. [1]"""
        return self.length / self.bound if self.bound else 1.0


def faults(table: Timetable, operations: tuple[Operation, ...], order: tuple[Before, ...], shop: Shop) -> list[str]:
    """What a timetable breaks, in plain words for whoever works on it; empty if it can be done."""
    slots = {slot.key: slot for slot in table.slots}
    found = [f"{each.key} is not done" for each in operations if each.key not in slots]
    if found:
        return found
    for each in operations:
        slot = slots[each.key]
        if slot.end - slot.start != each.seconds or slot.begin > slot.start or slot.begin < 0:
            found.append(f"{each.key} has the wrong length")
        if each.left is not None and slot.begin > 0:
            found.append(f"{each.key} is going on and begins later")
    for pair in order:
        first, then = slots[pair.first], slots[pair.then]
        if first.end > then.start:
            found.append(f"{pair.first} ends after {pair.then} starts")
    by_hand = [(slots[o.key].begin, slots[o.key].end, 1) for o in operations if o.work.hands]
    heated = [(slots[o.key].start, slots[o.key].end, 1) for o in operations if o.work.place == "heat"]
    drying = [(slots[o.key].start, slots[o.key].end, min(o.count, shop.rack)) for o in operations if o.work.place == "rack"]
    for name, uses, most in (("hands", by_hand, shop.hands), ("heat", heated, shop.heat_tools), ("rack", drying, shop.rack)):
        if most_at_once(uses) > most:
            found.append(f"more {name} than there are")
    for press in shop.presses:
        found += press_faults(shop, press, [(slots[o.key], o) for o in operations if slots[o.key].press == press.key])
    found += [f"{o.key} is on no press" for o in operations if (o.work.place == "press") != (slots[o.key].press is not None)]
    return found


def most_at_once(uses: list[tuple[int, int, int]]) -> int:
    """The most of something that is used at the same time."""
    steps = sorted([(end, -n) for begin, end, n in uses if end > begin] + [(begin, n) for begin, end, n in uses if end > begin])
    now = most = 0
    for _, change in steps:
        now += change
        most = max(most, now)
    return most


def press_faults(shop: Shop, press: PressPlace, runs: list[tuple[Slot, Operation]]) -> list[str]:
    """Runs of a press one after the other, with a change between different piles."""
    found = []
    before: tuple[int, str | None] = (0, NOTHING_ON)
    for slot, operation in sorted(runs, key=lambda run: run[0].begin):
        pile = operation.pile
        if slot.begin < before[0]:
            found.append(f"two runs at once on {press.key}")
        if operation.left is None and slot.start - slot.begin < shop.change(press, before[1], pile):
            found.append(f"no time to change piles on {press.key}")
        before = (slot.end, pile)
    return found
