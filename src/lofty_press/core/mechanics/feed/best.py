"""The turn and place at which the load rises least and most gently."""

import math
from dataclasses import dataclass, replace
from typing import Literal

import numpy as np

from lofty_press.core.mechanics.effects import BladeContact, blade_contact
from lofty_press.core.mechanics.feed.candidates import Work, crowding, fits_room, sheet_passes, turned, work_of
from lofty_press.core.mechanics.feed.fit import Room, room_of
from lofty_press.core.mechanics.feed.placing import WORDS_TURN, Placing, has_words, laid, placing_of
from lofty_press.core.mechanics.feed.trace import FeedTrace, feed_trace
from lofty_press.core.mechanics.forming import Closing, closing_of
from lofty_press.core.mechanics.nip import (
    Correction,
    Exact,
    Nip,
    band_of,
    blades_of,
    build_field,
    corrected,
    correction_of,
    refined,
    solve_nip,
)
from lofty_press.core.sandwich.relief import Library
from lofty_press.core.sandwich.stack import FOLDERS, FloatArray, Layer, Press, Sandwich, StackView, wrapped

First = Literal["hinge", "open edge", "either"]
Words = Literal["with the feed", "along the rollers", "either"]
Gain = Literal["gentler", "lower", "easier"]
"""What a way to lay the work is better in: its load comes on more gently, the rollers bear less, the crank turns more easily."""
STEP = 5.0  # degrees
TURNS = np.arange(-180.0 + STEP, 180.0 + STEP, STEP)
TRIED = 8
QUARTERED, QUARTER = (
    3,
    45.0,
)  # of the most promising, those turned by more [degree] are tried a quarter back too: a square die is then turned less
SAME_PEAK, SAME_START, SAME_TURN = 0.03, 0.1, 0.1  # relative; a smaller difference is nothing that anybody feels
HARD_GRIP, HARD_TURN = 0.6, 0.7  # share of the rollers' grip, of the comfortable handle force, from which an edge is felt; assumption
FOLDER_TURN = 45.0  # degrees; beyond it neither hinge nor open edge goes first


@dataclass(frozen=True)
class Feeding:
    """A sandwich as it is fed: its trace, and the blade and nearness that went into it."""

    sandwich: Sandwich
    placing: Placing
    trace: FeedTrace


@dataclass(frozen=True)
class Advice:
    """How it lies now, and how it would better lie; `better` is None if nothing that fits is better. `needed` if as it lies it bites hardly,
    turns hard, loads the rollers clearly more or lies otherwise than was asked for. `tried` counts the turns looked at, `fitting` how many of them fit,
    `by_sheet` how many more would if the sheet were trimmed."""

    now: Feeding
    better: Feeding | None
    needed: bool
    tried: int
    fitting: int
    by_sheet: int

    @property
    def gains(self) -> tuple[Gain, ...]:
        """What the better way is better in."""
        return () if self.better is None else gains_of(self.better.trace, self.now.trace)


@dataclass(frozen=True)
class Known:
    """The full nip of a sandwich as its `layers` lie, and by how much the quick one is off there."""

    layers: tuple[Layer, ...]
    exact: Exact
    correction: Correction


@dataclass(frozen=True)
class Setting:
    """What stays the same whatever way the work lies: how sheet and tool close, and over what length along the feed the nip takes things
    together [mm]; and what is `known` in full of one way to lay it."""

    closing: Closing
    spread: float
    library: Library
    known: Known | None = None

    @property
    def blade(self) -> BladeContact | None:
        return self.closing.blade


def setting_of(sandwich: Sandwich, library: Library, exact: Exact | None = None) -> Setting:
    """Work out what does not depend on how the work lies; `exact` is the full nip of the sandwich as it lies, if that is at hand."""
    view = StackView(sandwich)
    closing = closing_of(view, library)
    setting = Setting(closing, band_of(view, closing.blade, closing.interface), library)
    if exact is None:
        return setting
    return replace(setting, known=Known(sandwich.layers, exact, correction_of(quick_nip(view, setting), exact)))


def quick_nip(view: StackView, setting: Setting) -> Nip:
    """The quick nip as it lies."""
    return solve_nip(build_field(view, blade_contact(view), setting.closing.interface, setting.library), view.press)


def feed(sandwich: Sandwich, setting: Setting) -> FeedTrace:
    """The trace of a sandwich as it lies: in full where that is known, else quick and corrected by what is."""
    known = setting.known
    if known is None or sandwich.layers != known.layers:
        return feed_alike(sandwich, setting)
    view = StackView(sandwich)
    return feed_trace(refined(quick_nip(view, setting), known.exact), view.press)


def feed_alike(sandwich: Sandwich, setting: Setting) -> FeedTrace:
    """The trace of a sandwich as it lies, quick whether it is known in full or not: so that places are compared alike."""
    view, known = StackView(sandwich), setting.known
    nip = quick_nip(view, setting)
    return feed_trace(nip if known is None else corrected(nip, known.correction), view.press)


def advise(
    sandwich: Sandwich, setting: Setting, *, first: First = "either", words: Words = "either", here: FeedTrace | None = None
) -> Advice | None:
    """Look for the best turn and place.

    Parameters
    ----------
    sandwich : Sandwich
        Checked.
    setting : Setting
        Of the sandwich.
    first : {"hinge", "open edge", "either"}
        What of a folder has to meet the rollers first.
    words : {"with the feed", "along the rollers", "either"}
        How the lines of a tool's words are to run; without meaning for a tool without words.
    here : FeedTrace or None
        Its trace as it lies, if that is known already.

    Returns
    -------
    Advice or None
        None for a sandwich without anything to press.

    Notes
    -----
    Every turn in steps of five degrees is judged by how much of the work lies in the nip at once, the eight best (and the present
    one, square and hinge first) by the full trace. The lowest peak wins; among those within 3 % of it the gentlest rise, among those
    within 5 % of that the least turned. Across the feed the work is laid with its load in the middle, so that the rollers do not tilt.
    """
    view = StackView(sandwich)
    now = placing_of(view)
    blades = None if setting.blade is None else blades_of(view, setting.blade, setting.library)
    work = work_of(view, blades)
    if now is None or work is None or not len(work.places):
        return None
    room = room_of(view)
    turns = allowed_turns(view, first, words)
    on_plates = turns[fits_room(work, turns, room)]
    fitting = on_plates[sheet_passes(work, on_plates, view.press.feed_width_mm)]
    lying = Feeding(sandwich, now, here if here is not None and setting.known is None else feed_alike(sandwich, setting))
    if not fitting.size:
        return Advice(lying, None, True, turns.size, 0, int(on_plates.size))
    order = np.argsort(np.round(crowding(work, fitting, setting.spread), 4) + 1e-9 * np.abs(fitting), kind="stable")
    able = {float(t) for t in fitting}
    likely = [float(t) for t in fitting[order[:TRIED]]]
    quarters = {wrapped(t - math.copysign(90.0, t)) for t in likely[:QUARTERED] if abs(t) > QUARTER}
    chosen = {*likely, *({0.0, *quarters} & able)}
    tried = []
    for turn in sorted(chosen, key=abs):
        placing = middled(work, turn, room, view.press.feed_width_mm, now)
        there = laid(sandwich, placing)
        tried.append(Feeding(there, placing, feed_alike(there, setting)))
    best = best_of(tried)
    as_asked = bool((np.abs([wrapped(float(t) - now.turn) for t in turns]) <= STEP / 2).any())
    better = best if improves(best.trace, lying.trace) or not as_asked else None
    needed = better is not None and (not as_asked or needs(better, lying, view.press))
    return Advice(
        lying,
        better,
        needed,
        turns.size,
        int(fitting.size),
        int(on_plates.size - fitting.size),
    )


def needs(better: Feeding, here: Feeding, press: Press) -> bool:
    """True if the change is more than a nicety."""
    one, other = better.trace, here.trace
    hard = float(other.handle.max()) > HARD_TURN * press.drive.comfort_n
    return "lower" in gains_of(one, other) or float(other.grip.max()) > HARD_GRIP or hard


def allowed_turns(view: StackView, first: First, words: Words) -> FloatArray:
    """Turns that may be asked for. [degree]"""
    tool, turns = view.tool, TURNS
    if tool is None:
        return turns
    if tool.kind in FOLDERS:
        hinge, open_edge = np.abs(turns) <= FOLDER_TURN, np.abs(turns) >= 180 - FOLDER_TURN
        turns = turns[{"hinge": hinge, "open edge": open_edge}.get(first, hinge | open_edge)]
    if has_words(tool) and words != "either":
        with_feed = (np.abs(turns) > WORDS_TURN) & (np.abs(turns) < 180 - WORDS_TURN)
        turns = turns[with_feed if words == "with the feed" else ~with_feed]
    return np.asarray(turns)


def middled(work: Work, turn: float, room: Room, feed_width: float, now: Placing) -> Placing:
    """Where the work lies so turned: its load in the middle across the feed as far as there is room, and as near to where it lay along it."""
    places, corners, sheet = (turned(points, turn) for points in (work.places, work.corners, work.sheet))
    y = -float(places[:, 1].mean())
    low_x, low_y = corners.min(axis=0)
    high_x, high_y = corners.max(axis=0)
    x = min(max(now.x, room.low_x - low_x), room.high_x - high_x)
    y = min(max(y, -feed_width / 2 - sheet[:, 1].min()), feed_width / 2 - sheet[:, 1].max())
    y = min(max(y, room.low_y - low_y), room.high_y - high_y)
    return Placing(round(x, 2), round(y, 2), wrapped(turn))


def best_of(tried: list[Feeding]) -> Feeding:
    """What bites; of that the least peak, then the gentlest rise, then the least turn."""
    biting = [f for f in tried if f.trace.grip.max() < 1] or tried
    least = min(f.trace.peak for f in biting)
    low = [f for f in biting if f.trace.peak <= least * (1 + SAME_PEAK)]
    gentlest = min(f.trace.load_gradient for f in low)
    gentle = [f for f in low if f.trace.load_gradient <= gentlest * (1 + SAME_START / 2)]
    return min(gentle, key=lambda f: abs(f.placing.turn))


def improves(one: FeedTrace, other: FeedTrace) -> bool:
    """True if the first is worth changing to: a clearly lower peak, or as low with a clearly gentler rise."""
    gains = gains_of(one, other)
    return "lower" in gains or (one.peak <= other.peak * (1 + SAME_PEAK) and "gentler" in gains)


def gains_of(one: FeedTrace, other: FeedTrace) -> tuple[Gain, ...]:
    """What one trace is better in than another, as far as anybody feels it."""
    better: dict[Gain, bool] = {
        "gentler": one.load_gradient < other.load_gradient * (1 - SAME_START),
        "lower": one.peak < other.peak * (1 - SAME_PEAK),
        "easier": bool(one.handle.max() < other.handle.max() * (1 - SAME_TURN)),
    }
    return tuple(gain for gain, so in better.items() if so)
