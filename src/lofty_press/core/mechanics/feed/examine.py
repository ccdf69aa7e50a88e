"""The feed's front door: how a sandwich lies, what that does along the crank, and how it would lie better."""

from dataclasses import dataclass

from lofty_press.core.mechanics.alignment import Register, register_of
from lofty_press.core.mechanics.feed.best import Advice, First, Setting, Words, advise, feed, setting_of
from lofty_press.core.mechanics.feed.fit import Misfit, Room, misfits, room_of
from lofty_press.core.mechanics.feed.inventory import InNip, in_the_nip, leading_edge
from lofty_press.core.mechanics.feed.placing import Placing, placing_of, work_layers
from lofty_press.core.mechanics.feed.second_pass import TwoPasses, two_passes
from lofty_press.core.mechanics.feed.trace import FeedTrace
from lofty_press.core.mechanics.nip import Exact
from lofty_press.core.sandwich.outline import Overlap, blade_runs, tool_overlaps
from lofty_press.core.sandwich.relief import Library
from lofty_press.core.sandwich.stack import FloatArray, Sandwich, StackView, check_sandwich


@dataclass(frozen=True)
class Lying:
    """How a sandwich lies now. `leading` names what presses first, a mask or else the tool, and how wide it is a little behind its first point
    [mm]; `moving` are the layers that go where the tool goes, `blades` the runs of each on the bed [mm]."""

    view: StackView
    placing: Placing | None
    trace: FeedTrace
    parts: tuple[InNip, ...]
    leading: tuple[str, float] | None
    room: Room
    misfits: tuple[Misfit, ...]
    overlaps: tuple[Overlap, ...]
    register: tuple[Register, ...]
    moving: frozenset[str]
    blades: dict[str, tuple[FloatArray, ...]]
    setting: Setting


@dataclass(frozen=True)
class FeedReport:
    """How it lies, how it would lie better, and how an intricate cut is gone over twice; the last two None where there is nothing to say."""

    lying: Lying
    advice: Advice | None
    passes: TwoPasses | None


def look_at(sandwich: Sandwich, library: Library, exact: Exact | None = None) -> Lying:
    """How a sandwich lies, and its load along the crank; quick enough to follow a drag. `exact` is its full nip, if that is at hand.

    Raises
    ------
    InvalidInput
        If parts of the sandwich contradict one another; names the field.
    NoBalance
        If the rollers' force balance does not close.
    """
    check_sandwich(sandwich)
    view = StackView(sandwich)
    setting = setting_of(sandwich, library, exact)
    trace = feed(sandwich, setting)
    return Lying(
        view=view,
        placing=placing_of(view),
        trace=trace,
        parts=in_the_nip(view, library, trace.x, trace.turning.half_contact),
        leading=leading_of(view),
        room=room_of(view),
        misfits=misfits(view),
        overlaps=tool_overlaps(view),
        register=register_of(view),
        moving=work_layers(view),
        blades={p.id: tuple(blade_runs(p, library)[0]) for p in view.tools if p.item.blade is not None},
        setting=setting,
    )


def leading_of(view: StackView) -> tuple[str, float] | None:
    """What meets the rollers: a mask or frame where there is one, else the tool."""
    mask = next((p for p in view.layers if p.kind in ("pressure mask", "frame")), view.tool)
    return None if mask is None else (mask.name, leading_edge(mask))


def examine(
    sandwich: Sandwich, library: Library, exact: Exact | None = None, *, first: First = "either", words: Words = "either"
) -> FeedReport:
    """Everything about the feed of a sandwich; `first` says what of a folder is to go in first, `words` how lines of words are to run. `exact` and
    what is raised as with `look_at`."""
    lying = look_at(sandwich, library, exact)
    advice = advise(sandwich, lying.setting, first=first, words=words, here=lying.trace)
    return FeedReport(lying, advice, two_passes(sandwich, lying.setting, here=lying.trace))
