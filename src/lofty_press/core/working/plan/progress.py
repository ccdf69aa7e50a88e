"""Where the work stands: what is done, what is going on, and what is left of it from now on."""

from collections.abc import Iterable, Mapping
from dataclasses import replace

from lofty_press.core.working.plan.order import Before, Operation
from lofty_press.core.working.plan.schedule.shop import PressPlace, Shop

LEAST_LEFT = 0.05
"""Of what takes longer than planned so much of the plan is still expected: nobody knows when it ends. [1]"""


def still_to_do(
    operations: tuple[Operation, ...], order: tuple[Before, ...], done: Iterable[str]
) -> tuple[tuple[Operation, ...], tuple[Before, ...]]:
    """What is left from now on, and its order, where some operations are done; what is no operation is passed over."""
    said = set(done)
    gone = {each.key for each in operations if each.key in said or steps_in(each) <= said}
    left = tuple(each for each in operations if each.key not in gone)
    return left, tuple(pair for pair in order if pair.first not in gone and pair.then not in gone)


def steps_in(each: Operation) -> set[str]:
    """Keys that the kinds of work of an operation have where each of them is one of its own."""
    return {f"{each.piece}: {work}" for work in each.works} or {each.key}


def going_on(operations: tuple[Operation, ...], order: tuple[Before, ...], since: Mapping[str, float], shop: Shop) -> tuple[Operation, ...]:
    """The operations that are left, with what is left of those that are going on.

    Parameters
    ----------
    operations, order : tuple of Operation, tuple of Before
        As `still_to_do` leaves them.
    since : mapping of str to float
        How long each has been going on, by key. [s]
    shop : Shop

    Returns
    -------
    tuple of Operation

    Notes
    -----
    What waits for something else cannot be going on, nor more at once than there are hands, presses, heat tools and places on the rack for:
    the one that began last is believed, the others count as not begun.
    """
    waiting = {pair.then for pair in order}
    hands, heat, rack = shop.hands, shop.heat_tools, shop.rack
    presses = {press.key: press for press in shop.presses}
    going: dict[str, int] = {}
    for each in sorted((o for o in operations if o.key in since), key=lambda o: since[o.key]):
        press = press_of(each, presses)
        held = min(each.count, shop.rack)
        if (
            each.key in waiting
            or (each.work.hands and hands < 1)
            or (each.work.place == "heat" and heat < 1)
            or (each.work.place == "rack" and rack < held)
            or (each.work.place == "press" and press is None)
        ):
            continue
        hands -= each.work.hands
        heat -= each.work.place == "heat"
        rack -= held if each.work.place == "rack" else 0
        if press is not None:
            del presses[press.key]
        going[each.key] = max(round(each.planned - max(since[each.key], 0.0)), round(LEAST_LEFT * each.planned), 1)
    return tuple(replace(each, left=going.get(each.key)) for each in operations)


def press_of(each: Operation, free: Mapping[str, PressPlace]) -> PressPlace | None:
    """A free press that takes what is pressed; None if there is none, or nothing is pressed."""
    return next((press for press in free.values() if each.work.place == "press" and press.takes(each.pile)), None)
