"""Too thick, too thin, too heavy: what follows from opening, thickness and drive."""

import math
from collections.abc import Iterable
from itertools import combinations

from lofty_press.core.basics.trade import FRESH_MIST
from lofty_press.core.basics.words import ALMOST, Message, force, listed, say, thickness, together
from lofty_press.core.judging.findings.finding import Evidence, Finding
from lofty_press.core.judging.findings.near_limit import beyond, part_of
from lofty_press.core.judging.findings.rules.placement import to_the_middle
from lofty_press.core.judging.findings.rules.recipe import surplus_pads
from lofty_press.core.judging.findings.states import nearer
from lofty_press.core.judging.verdict import PLAIN_PAPER, SURE, ZONES, Bounds, Verdict, shim_at_hand, zone_at
from lofty_press.core.mechanics.effects import BladeContact
from lofty_press.core.sandwich.stack import FILLS, KIND_TRAITS, Add, Edit, Lay, Placed, Remove, Set, StackView, Suggestion

MOST_SHIMS = 8
MOST_PASSES = 3  # after them a pass is hardly seen; common practice, no published source
SPACER = KIND_TRAITS["spacer"].mm
USEFUL = 0.4  # of a mat's thickness, up to which rubber answers as computed; rule of thumb for rubber springs, from memory
SHOWN_TILT = 0.05  # mm from one end of the feed to the other; a sheet of thin paper


def too_thick_to_feed(e: Evidence) -> Iterable[Finding]:
    """The rollers only climb a step of mu^2 R."""
    if e.nip.interference > e.nip.bites_up_to:
        over = e.nip.interference
        why = say(
            (
                "{over} over the opening; these rollers pull in at most {bites_up_to}. Stop when the handle stops, back out, take a "
                "layer out. Never force it."
            ),
            over=thickness(over),
            bites_up_to=thickness(e.nip.bites_up_to),
        )
        layer, fix = lighter(e)
        what = say("Too thick: the rollers won't pull it in.") if jams(e) >= ALMOST else say("Likely too thick for the rollers.")
        yield Finding("too-thick-to-feed", "stop", what, why, layer, fix)


def jams(e: Evidence) -> float:
    """Chance that it does not feed; certain where nothing else is judged. [1]"""
    return 1.0 if e.verdict is None else e.verdict.good.parts["does not feed"]


def drive_overloaded(e: Evidence) -> Iterable[Finding]:
    """The handle or motor would have to give more than it may."""
    drive = e.view.press.drive
    refuses = e.verdict is not None and e.verdict.zone == "refuses"  # along its whole way, where the peak alone may be just under the limit
    if e.nip.bites and (refuses or e.nip.peak_handle > drive.limit_n):
        layer, fix = lighter(e)
        if drive.kind == "motor":
            why = say(
                "It would take {peak_handle}; the motor has {limit}. Take a layer out first.",
                peak_handle=force(e.nip.peak_handle),
                limit=force(drive.limit_n),
            )
            what = say("The motor will stall.") if jams(e) >= ALMOST else say("The motor is likely to stall.")
            yield Finding("motor-overloaded", "stop", what, why, layer, fix)
        else:
            why = say(
                "{peak_handle} at the handle, over its limit of {limit}. Take a layer out. Never force it.",
                peak_handle=force(e.nip.peak_handle),
                limit=force(drive.limit_n),
            )
            yield Finding("handle-too-heavy", "stop", say("Too hard to turn."), why, layer, fix)
    elif e.nip.bites and e.nip.peak_handle > drive.comfort_n and drive.kind == "hand":
        why = say(
            "About {peak_handle} at the handle. Stand up, hold the press, turn steadily; a motor press spares sore hands.",
            peak_handle=force(e.nip.peak_handle),
        )
        yield Finding("handle-heavy", "advise", say("It turns, but it is hard work."), why)


def over_pressed(e: Evidence) -> Iterable[Finding]:
    """Past what the sheet or tool bears."""
    if e.verdict is not None and e.verdict.zone == "hard":
        layer, fix = lighter(e)
        if e.blade is not None and e.blade.bridge is not None and e.view.sandwich.effect.kind == "line":
            why = say(
                "The blade presses {more} harder than it can before it starts to cut. Fewer layers or a softer mat keep it a line.",
                more=beyond(e.verdict.pressure, e.verdict.need.hard),
            )
            yield Finding("pressed-too-hard", "warn", say("Pressed so hard it's partly cut."), why, layer, fix)
            return
        why = say(
            "It's {more} more pressure than sheet and tool can take. That crushes card, scars it and flattens the relief.",
            more=beyond(e.verdict.pressure, e.verdict.need.hard),
        )
        yield Finding("pressed-too-hard", "warn", say("Pressed harder than is good for it."), why, layer, fix)


def slack(e: Evidence) -> Iterable[Finding]:
    """The rollers do not reach, or hardly."""
    v = e.verdict
    if v is None or v.zone != "slack":
        return
    gap = -e.nip.interference
    if gap > 0:
        what, why = (
            say("Too loose by {gap}: the rollers don't touch.", gap=thickness(gap)),
            say("It runs through and nothing happens."),
        )
    else:
        what, why = (
            say("It touches, but leaves no mark."),
            say("It gets {part} of the pressure that leaves a first mark.", part=part_of(v.pressure, v.need.mark)),
        )
    yield Finding("slack", "stop", what, why, None, thicker(e, v))


def faint(e: Evidence) -> Iterable[Finding]:
    """Marks, but not as it should; cutting has words of its own."""
    v = e.verdict
    if v is None or v.zone != "faint" or (e.blade is not None and e.view.sandwich.effect.traits.only_cuts):
        return
    why = say("It gets {part} of the pressure it needs ({why}).", part=part_of(v.pressure, v.need.right), why=v.need.why)
    more = thicker(e, v)
    what = say("It will come out faint.") if v.good.parts["too thin"] >= ALMOST else say("It's likely to come out faint.")
    yield Finding("faint", "warn", what, together(why, *other_ways(e, shims=more is not None)), None, more)


def other_ways(e: Evidence, *, shims: bool) -> Iterable[Message]:
    """What brings a faint sheet nearer to right."""
    sheet, passes = e.view.sheet, e.view.sandwich.passes
    if shims:
        yield say("Shims help.")
    if (
        sheet is not None
        and sheet.item.stock is not None
        and sheet.layer.mist_age_s is None
        and sheet.item.stock.mist is not None
        and nearer(e, mist_age_s=FRESH_MIST.value, passes=passes)
    ):
        yield say("So does a light mist.") if shims else say("A light mist helps.")
    if sheet is not None and passes < MOST_PASSES and nearer(e, mist_age_s=sheet.layer.mist_age_s, passes=passes + 1):
        yield say("Another pass deepens it a little.")


def mat_squeezed_flat(e: Evidence) -> Iterable[Finding]:
    """A mat past two fifths of its thickness is stiffer than computed here."""
    if e.verdict is None or not e.nip.bites:
        return
    compression = e.nip.squeezed
    if compression > most_squeeze(e.view, e.blade):
        soft = [p for p in e.view.mats if p.material.family == "elastomer"]
        why = say(
            (
                "The rollers squeeze {compression} out of {mats} of mat. Rubber that far gone is stiffer than our figures: real "
                "pressure is higher."
            ),
            compression=thickness(compression),
            mats=thickness(sum(p.thickness for p in soft)),
        )
        yield Finding("mat-squeezed-flat", "warn", say("{soft} is squeezed too far to help.", soft=soft[0].name), why, soft[0].id)


def most_squeeze(view: StackView, blade: BladeContact | None) -> float:
    """How far a pile may be squeezed before its mats are past their useful range [mm]; infinite without a mat."""
    soft = [p for p in view.mats if p.material.family == "elastomer"]
    travel = blade.travel if blade is not None and blade.backing == "soft" else 0.0
    return USEFUL * sum(p.thickness for p in soft) + travel if soft else math.inf


def off_centre(e: Evidence) -> Iterable[Finding]:
    """A load to one side opens the rollers on that side."""
    tilt = float(abs(e.nip.tilt).max(initial=0.0)) * e.view.press.feed_width_mm
    if tilt > SHOWN_TILT and e.nip.bites:
        tool = e.view.tool
        edits = to_the_middle(e.view, tool) if tool is not None else ()
        fix = Suggestion(say("Move it to the middle"), edits) if any(isinstance(edit, Lay) for edit in edits) else None
        why = say("The rollers open {tilt} more on the loaded side, so one side gets less pressure.", tilt=thickness(tilt))
        yield Finding("off-centre", "warn", say("The load is off to one side."), why, tool.id if tool else None, fix)


def worth_measuring(e: Evidence) -> Iterable[Finding]:
    """Thicknesses that decide the verdict and are only typical values; where no gauge makes it surer, one sheet of scrap does."""
    if e.verdict is None:
        return
    if not e.verdict.measure:
        if e.verdict.sure < SURE:
            why = say("No single thickness makes it much surer. One sheet does: log what came out At the press.")
            yield Finding("try-one", "advise", say("Try it on a sheet of scrap first."), why)
        return
    names = listed((m.name for m in e.verdict.measure), " and ")
    layer = e.verdict.measure[0].what
    why = say("It depends on something we only roughly know. Measure it, and you know what this pile does.")
    yield Finding("measure", "advise", say("Measure {names}.", names=names), why, None if layer == "press" else layer)


def lighter(e: Evidence) -> tuple[str | None, Suggestion | None]:
    """What to take out, and the edits: of one layer (or one with a second) what leaves the sandwich nearest to right."""
    if e.verdict is None:
        return None, None
    bounds, surplus = e.verdict.bounds, {p.id for p in surplus_pads(e)}
    removable = [p for p in e.view.layers if p.kind in FILLS and not p.is_sheet]
    singles = [((p, left),) for p in removable for left in range(p.layer.count)]
    pairs = [((one, 0), (two, 0)) for one, two in combinations(removable, 2)]
    for options in (singles, pairs):
        ranked = [(distance_from_right(taken(option), bounds, surplus, option), n) for n, option in enumerate(options)]
        best = min((r for r in ranked if r[0] is not None), default=None)
        if best is not None:
            chosen = options[best[1]]
            return chosen[0][0].id, Suggestion(listed(wording(p, left) for p, left in chosen), tuple(taking(p, left) for p, left in chosen))
    return None, None


Taking = tuple[tuple[Placed, int], ...]
"""Layers, each with how many of its sheets are left."""


def taken(option: Taking) -> float:
    """Thickness that an option takes out [mm]."""
    return sum((p.layer.count - left) * p.item.thickness.mm for p, left in option)


def distance_from_right(less: float, bounds: Bounds, surplus: set[str], option: Taking) -> float | None:
    """How good an option is, the less the better; None if it leads out of faint, right and hard."""
    rank = ZONES.index(zone_at(-less, bounds))
    if not 1 <= rank <= 3:
        return None
    middle = abs(less + (bounds[1] + bounds[2]) / 2)
    return abs(rank - 2) + 0.4 * sum(p.id not in surplus for p, _ in option) + 0.01 * middle


def wording(placed: Placed, left: int) -> Message:
    return say("Leave {left} of {placed}", left=left, placed=placed.name) if left else say("Take out {placed}", placed=placed.name)


def taking(placed: Placed, left: int) -> Edit:
    return Set(layer=placed.id, count=left) if left else Remove(layer=placed.id)


def thicker(e: Evidence, v: Verdict) -> Suggestion | None:
    """Shims that bring the sandwich into right, if that is a sensible number of them."""
    low, high = v.bounds[1], v.bounds[2]
    placed = next((p for p in e.view.layers if p.layer.role == "shim"), None)
    shim = shim_at_hand(e.view) if placed is not None else PLAIN_PAPER
    each = shim.added(v.need.right)
    aims = (round((low + 0.3 * (high - low)) / each), math.ceil((low + 0.01) / each))
    count = next((n for n in aims if n >= 1 and zone_at(n * each, v.bounds) == "right"), None)
    if count is None:
        return None
    if placed is not None and placed.layer.count + count <= MOST_SHIMS:
        return Suggestion(
            say("Add {count} of {shim}", count=count, shim=shim.name), (Set(layer=placed.id, count=placed.layer.count + count),)
        )
    if count > MOST_SHIMS:
        return (
            Suggestion(say("Put a spacer in"), (Add(kind="spacer", at=e.view.above_base),))
            if zone_at(SPACER, v.bounds) == "right"
            else None
        )
    return Suggestion(
        say("Add {count} paper shims", count=count) if count > 1 else say("Add one paper shim"),
        (Add(kind="sheet", at=e.view.above_base, count=count, role="shim"),),
    )


RULES = (too_thick_to_feed, drive_overloaded, slack, faint, over_pressed, mat_squeezed_flat, off_centre, worth_measuring)
