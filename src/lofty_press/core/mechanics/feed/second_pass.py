"""How die and card should lie for a second pass, so that what the first one left is cut."""

from dataclasses import dataclass

import numpy as np

from lofty_press.core.mechanics.effects import BladeContact, blade_contact
from lofty_press.core.mechanics.feed.best import Setting, feed, middled
from lofty_press.core.mechanics.feed.candidates import fits_room, sheet_passes, work_of
from lofty_press.core.mechanics.feed.fit import room_of
from lofty_press.core.mechanics.feed.placing import Placing, laid, placing_of
from lofty_press.core.mechanics.feed.trace import FeedTrace
from lofty_press.core.mechanics.nip import blade_loads, blades_of, cut_share
from lofty_press.core.sandwich.stack import DIES, FloatArray, Sandwich, StackView
from lofty_press.core.sandwich.stock import creep_gain

TURNS = (0.0, 45.0, 60.0, 90.0, 120.0, 135.0, 180.0)
WORTH = 0.02  # of the blade; a change that cuts no more than this beyond a plain second pass is not asked for
AGAIN = creep_gain(2) - 1.0  # what the lesser of two passes adds to the greater


@dataclass(frozen=True)
class Pass:
    """One pass of a cut: how it lies, its trace, and the load on each place along the blade (n,) [N/mm]."""

    sandwich: Sandwich
    placing: Placing
    trace: FeedTrace
    load: FloatArray


@dataclass(frozen=True)
class TwoPasses:
    """An intricate cut in two passes.

    `places` (n, 2) along the blade as it lies first [mm]; `once`, `again`, `moved` the share of it that is cut after one pass, after two
    the same way, and after the second one turned; `second` is None if turning gains nothing. `load` (n,) is what each place got in all
    [N/mm], by the `blade` what that makes of the sheet.
    """

    places: FloatArray
    first: Pass
    second: Pass | None
    once: float
    again: float
    moved: float
    load: FloatArray
    blade: BladeContact


def two_passes(sandwich: Sandwich, setting: Setting, *, here: FeedTrace | None = None) -> TwoPasses | None:
    """Find how die and card should lie for the second pass; `here` is the trace as it lies, if that is known already.

    Returns
    -------
    TwoPasses or None
        None where no die cuts.

    Notes
    -----
    Blades that lie along the rollers share one nip and get less each than blades that come one by one; turned by a quarter they change
    places. Every place gets the greater of both loads and, as for two like passes, 15 % of the lesser.
    """
    view = StackView(sandwich)
    blade, now = setting.blade, placing_of(view)
    if blade is None or now is None or blade.backing != "hard" or blade.die.kind not in DIES:
        return None
    blades = blades_of(view, blade, setting.library)
    work = work_of(view, blades)
    if work is None:
        return None
    first = one_pass(sandwich, now, setting, here)
    room = room_of(view)
    turns = np.asarray([t + now.turn for t in TURNS])
    found: list[tuple[float, float, Pass | None]] = []
    width = view.press.feed_width_mm
    possible = fits_room(work, turns, room) & sheet_passes(work, turns, width)
    for change, turn, fits in zip(TURNS, turns, possible, strict=True):
        if change == 0.0 or not fits:
            continue
        placing = middled(work, float(turn), room, width, now)
        second = one_pass(laid(sandwich, placing), placing, setting)
        found.append((cut_share(together(first.load, second.load), blade), -change, second))
    again = cut_share(creep_gain(2) * first.load, blade)
    best = max(found, default=(again, 0.0, None), key=lambda f: (round(f[0], 3), f[1]))
    second_pass = best[2] if best[0] > again + WORTH else None
    load = creep_gain(2) * first.load if second_pass is None else together(first.load, second_pass.load)
    once = cut_share(first.load, blade)
    return TwoPasses(blades.places, first, second_pass, once, again, max(best[0], again), load, blade)


def second_turn(sandwich: Sandwich, setting: Setting) -> float | None:
    """By how much die and card are turned for a second pass, counter-clockwise from above; None where that gains nothing. [degree]"""
    passes = two_passes(sandwich, setting)
    return None if passes is None or passes.second is None else (passes.second.placing.turn - passes.first.placing.turn) % 360


def together(one: FloatArray, two: FloatArray) -> FloatArray:
    """What two passes do to each place along the blade (n,), as the load of one. [N/mm]"""
    return np.maximum(one, two) + AGAIN * np.minimum(one, two)


def one_pass(sandwich: Sandwich, placing: Placing, setting: Setting, trace: FeedTrace | None = None) -> Pass:
    """One pass as it lies, with the load along the blade."""
    view = StackView(sandwich)
    blade = blade_contact(view)
    assert blade is not None
    trace = trace or feed(sandwich, setting)
    return Pass(sandwich, placing, trace, blade_loads(trace.nip, blade))
