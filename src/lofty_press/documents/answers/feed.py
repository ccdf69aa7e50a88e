"""The feed of a sandwich as it leaves the core: in JSON, for the page and for the command line."""

import math
from typing import Literal

from lofty_press.core.basics.words import NOTHING, Message, and_last, angle, force, line_load, say, share, together
from lofty_press.core.mechanics.effects import BLADE_STATES, BladeContact, BladeState
from lofty_press.core.mechanics.feed import (
    Advice,
    Feeding,
    FeedReport,
    FeedTrace,
    Lying,
    Part,
    TwoPasses,
    laid_so,
    lead_of,
    lined_up,
    made_to_fit,
    words_lie,
)
from lofty_press.core.sandwich.outline import without_overlap
from lofty_press.core.sandwich.stack import FOLDERS, MATS, PLATES, FloatArray, Placed, StackView, Suggestion, nothing_on_the_shelf, rings_of
from lofty_press.documents.answers.assessment import Document
from lofty_press.documents.answers.suggestion import SuggestionDocument, describe_suggestion
from lofty_press.documents.answers.words import Words

Role = Literal["plate", "mat", "tool", "sheet", "mask", "shim"]
Ring = list[tuple[float, float]]
MOSTLY = 0.5  # of the blade's run; where two passes leave more than half uncut, pressure is what is missing
MOST_PLACES = 2500  # of a blade that are drawn one by one


class PlacingDocument(Document):
    """Where the tool's middle lies along and across the feed [mm], and how far it is turned, counter-clockwise from above [degree]."""

    x_mm: float
    y_mm: float
    turn_deg: float


class ShapeDocument(Document):
    """Outline of a layer on the bed seen from above, along and across the feed [mm]; `moves` if it goes where the tool goes."""

    layer: str
    name: str
    role: Role
    moves: bool
    rings_mm: list[Ring]
    blade_mm: list[Ring]


class CrankDocument(Document):
    """Along the crank: what lies under the rollers' line [mm], force between them [N], force at the handle [N] and what of it is pressing
    the pile in [N], tilt of the rollers [mm/m], and the push that an edge needs over what the rollers draw [1]."""

    x_mm: list[float]
    force_n: list[float]
    handle_n: list[float]
    climb_n: list[float]
    tilt_mm_per_m: list[float]
    grip: list[float]
    peak_n: float
    load_gradient_n_per_mm: float
    handle_peak_n: float
    total_n_mm: float
    half_contact_mm: float


class PartDocument(Document):
    """What of a blade or edge [mm] or of ridges [mm2] is in the nip along the crank."""

    layer: str
    name: str
    part: Part
    amount: list[float]
    all: float


class MisfitDocument(Document):
    """What does not fit, by how much [mm], and what would make it fit."""

    layer: str
    name: str
    over_mm: float
    where: Words
    mends: list[SuggestionDocument]


class OverlapDocument(Document):
    """Two tools over one another: how much they share [mm2] and where."""

    layers: tuple[str, str]
    names: tuple[str, str]
    area_mm2: float
    rings_mm: list[Ring]


class RegisterDocument(Document):
    """How one layer lies on another: margins on the side that goes in first, last, left and right, and how far its middle is off [mm]."""

    layer: str
    name: str
    against: str
    kind: Literal["edge line", "middle", "opening"]
    lead_mm: float
    trail_mm: float
    left_mm: float
    right_mm: float
    off_x_mm: float
    off_y_mm: float
    note: Words
    mend: SuggestionDocument | None


class LyingDocument(Document):
    """How a sandwich lies, and its load along the crank; `lead` is the layer by whose middle the work is laid, `without_overlap` which of
    the tools that lie over one another could be used together."""

    lead: str | None
    placing: PlacingDocument | None
    feed_width_mm: float
    room_mm: tuple[float, float, float, float]
    shapes: list[ShapeDocument]
    crank: CrankDocument
    parts: list[PartDocument]
    leading_mm: float | None
    leads: str | None
    words: Words
    misfits: list[MisfitDocument]
    overlaps: list[OverlapDocument]
    without_overlap: list[list[str]]
    register_lines: list[RegisterDocument]


class FeedAdviceDocument(Document):
    """A better way to lay it, with its load, and why; `better` is None if nothing that fits is better, `needed` false if it is a nicety."""

    better: PlacingDocument | None
    suggestion: SuggestionDocument | None
    crank: CrankDocument | None
    needed: bool
    says: Words
    tried: int
    fitting: int
    by_sheet: int


class BladeRunDocument(Document):
    """Places along a blade [mm] and what became of the sheet there after a pass."""

    at_mm: Ring
    state: list[int]


class PassesDocument(Document):
    """An intricate cut in two passes: the share of the blade that is through after one, after two the same way, after the second one
    turned; how the second one lies."""

    states: list[BladeState]
    once: float
    again: float
    moved: float
    second: PlacingDocument | None
    turn_by_deg: float | None
    first_run: BladeRunDocument
    both_runs: BladeRunDocument
    crank_first: CrankDocument
    crank_second: CrankDocument | None
    says: Words


class FeedDocument(Document):
    """Everything about the feed of a sandwich."""

    lying: LyingDocument
    advice: FeedAdviceDocument | None
    passes: PassesDocument | None


def ring_of(points: FloatArray) -> Ring:
    return [(float(x), float(y)) for x, y in points.round(2)]


def role_of(placed: Placed) -> Role:
    """What a layer is on the bed."""
    if placed.kind in ("pressure mask", "frame"):
        return "mask"
    if placed.kind in PLATES:
        return "plate"
    if placed.kind in MATS:
        return "mat"
    if placed.is_sheet:
        return "sheet"
    return "shim" if placed.kind == "sheet" else "tool"


def describe_crank(trace: FeedTrace) -> CrankDocument:
    """A trace as a document."""
    return CrankDocument(
        x_mm=trace.x.round(2).tolist(),
        force_n=trace.force.round(1).tolist(),
        handle_n=trace.handle.round(2).tolist(),
        climb_n=trace.turning.climb.round(2).tolist(),
        tilt_mm_per_m=(trace.tilt * 1000).round(3).tolist(),
        grip=trace.grip.round(3).tolist(),
        peak_n=round(trace.peak, 1),
        load_gradient_n_per_mm=round(trace.load_gradient, 1),
        handle_peak_n=round(float(trace.handle.max(initial=0.0)), 1),
        total_n_mm=round(trace.total),
        half_contact_mm=round(trace.turning.half_contact, 2),
    )


def describe_placing(feeding: Feeding | None) -> PlacingDocument | None:
    if feeding is None:
        return None
    return PlacingDocument(x_mm=feeding.placing.x, y_mm=feeding.placing.y, turn_deg=feeding.placing.turn)


def describe_lying(lying: Lying) -> LyingDocument:
    """How it lies, as a document."""
    view, room, now = lying.view, lying.room, lying.placing
    lead = lead_of(view)
    return LyingDocument(
        lead=None if lead is None else lead.id,
        placing=None if now is None else PlacingDocument(x_mm=now.x, y_mm=now.y, turn_deg=now.turn),
        feed_width_mm=view.press.feed_width_mm,
        room_mm=(room.low_x, room.high_x, room.low_y, room.high_y),
        shapes=[describe_shape(lying, p) for p in view.layers if p.layer.half != "sunk"],
        crank=describe_crank(lying.trace),
        parts=[
            PartDocument(layer=p.layer, name=p.name, part=p.part, amount=p.amount.round(1).tolist(), all=round(p.all, 1))
            for p in lying.parts
        ],
        words=words_lie(view),
        leading_mm=None if lying.leading is None else round(lying.leading[1], 1),
        leads=None if lying.leading is None else lying.leading[0],
        misfits=[
            MisfitDocument(
                layer=m.layer, name=m.name, over_mm=round(m.over, 1), where=m.where, mends=[told(s, view) for s in made_to_fit(m, lying)]
            )
            for m in lying.misfits
        ],
        overlaps=[
            OverlapDocument(
                layers=(o.one.id, o.two.id),
                names=(o.one.name, o.two.name),
                area_mm2=round(o.area, 1),
                rings_mm=[ring_of(r) for r in o.rings],
            )
            for o in lying.overlaps
        ],
        without_overlap=choices_of(lying),
        register_lines=[
            RegisterDocument(
                layer=r.layer,
                name=r.name,
                against=r.against,
                kind=r.kind,
                lead_mm=round(r.lead, 2),
                trail_mm=round(r.trail, 2),
                left_mm=round(r.left, 2),
                right_mm=round(r.right, 2),
                off_x_mm=round(r.off_x, 2),
                off_y_mm=round(r.off_y, 2),
                note=r.note,
                mend=None if (mend := lined_up(r)) is None else told(mend, view),
            )
            for r in lying.register
        ],
    )


def told(suggestion: Suggestion, view: StackView) -> SuggestionDocument:
    """A suggestion that needs nothing from the shelf as a document."""
    found = describe_suggestion(suggestion, view.sandwich, nothing_on_the_shelf)
    assert found is not None
    return found


def choices_of(lying: Lying) -> list[list[str]]:
    """Which of the tools that lie over one another could be used together, largest choice first; empty where none do."""
    if not lying.overlaps:
        return []
    tools = list(dict.fromkeys(p for o in lying.overlaps for p in (o.one, o.two)))
    return [[tools[n].name for n in choice] for choice in without_overlap([p.polygon for p in tools])]


def describe_shape(lying: Lying, placed: Placed) -> ShapeDocument:
    """One layer's outline, and its blade as far as it is drawn."""
    return ShapeDocument(
        layer=placed.id,
        name=placed.name,
        role=role_of(placed),
        moves=placed.id in lying.moving,
        rings_mm=[ring_of(r) for r in rings_of(placed.polygon)],
        blade_mm=[ring_of(r) for r in lying.blades.get(placed.id, ())],
    )


def describe_advice(advice: Advice | None) -> FeedAdviceDocument | None:
    """The better way as a document."""
    if advice is None:
        return None
    better = advice.better
    return FeedAdviceDocument(
        better=describe_placing(better),
        suggestion=None if (mend := laid_so(advice)) is None else told(mend, StackView(advice.now.sandwich)),
        crank=None if better is None else describe_crank(better.trace),
        needed=advice.needed,
        says=advice_words(advice),
        tried=advice.tried,
        fitting=advice.fitting,
        by_sheet=advice.by_sheet,
    )


def advice_words(advice: Advice) -> Message:
    """Why it should lie so, in one or two sentences."""
    now, better = advice.now.trace, advice.better
    if advice.fitting == 0 and advice.by_sheet:
        return say("The sheet is too large to pass. Trimmed, {by_sheet} ways fit.", by_sheet=advice.by_sheet)
    if advice.fitting == 0:
        return say("However you turn it, it doesn't fit on its plates. Use longer or wider plates, or a smaller tool.")
    if better is None:
        return say("Of {fitting} positions that fit, no other is clearly easier.", fitting=advice.fitting)
    said = []
    if "gentler" in advice.gains:
        now_load, then_load = line_load(now.load_gradient), line_load(better.trace.load_gradient)
        said.append(say("the load comes on more gently, {then} instead of {now}", then=then_load, now=now_load))
    if "lower" in advice.gains:
        less = share(1.0 - better.trace.peak / now.peak)
        said.append(
            say("the rollers carry {less} less, {then} instead of {now}", less=less, then=force(better.trace.peak), now=force(now.peak))
        )
    if "easier" in advice.gains:
        said.append(
            say("it turns more easily, {then} instead of {now}", then=force(better.trace.handle.max()), now=force(now.handle.max()))
        )
    stays = NOTHING if advice.needed else say("No need to move it: {handle} at the handle.", handle=force(now.handle.max()))
    gains = and_last(said) if said else say("it's placed as you asked, and bites")
    tool = StackView(better.sandwich).tool
    way = way_words(better.placing.turn, folder=tool is not None and tool.kind in FOLDERS)
    return together(stays, say("{way}: {gains}.", way=way, gains=gains))


def way_words(turn: float, *, folder: bool) -> Message:
    """How the work goes in, for a turn from how it was made to go in [degree], as people say it.

    Examples
    --------
    >>> way_words(170.0, folder=True), way_words(-20.0, folder=False)
    ('Open edge first, turned by 10° clockwise', 'Turned by 20° clockwise')
    """
    over = abs(turn) > 90.0
    rest = turn - math.copysign(180.0, turn) if over else turn
    first = (say("Open edge first") if over else say("Hinge first")) if folder else say("The other end first") if over else None
    if not round(rest, 1):
        by = say("straight")
    elif rest > 0:
        by = say("turned by {turn} counter-clockwise", turn=angle(rest))
    else:
        by = say("turned by {turn} clockwise", turn=angle(-rest))
    return say("{first}, {by}", first=first, by=by) if first else say("{by:cap}", by=by)


def passes_words(passes: TwoPasses) -> Message:
    """What one pass and two leave, in a sentence or two."""
    once, again, moved = (share(cut) for cut in (passes.once, passes.again, passes.moved))
    if passes.second is not None:
        said = say(
            "One pass cuts {once} of the blade. A second the same way cuts {again}; with die and card turned together, {moved}.",
            once=once,
            again=again,
            moved=moved,
        )
    else:
        said = say("One pass cuts {once} of the blade, two the same way {again}.", once=once, again=again)
        if passes.again >= MOSTLY:
            return together(said, say("Turning die and card in between adds nothing that matters here."))
    return said if passes.moved >= MOSTLY else together(said, say("A second pass won't help: the pressure is too light. Add a shim first."))


def describe_passes(passes: TwoPasses | None) -> PassesDocument | None:
    """Both passes as a document."""
    if passes is None:
        return None
    second = passes.second
    says = passes_words(passes)
    return PassesDocument(
        states=list(BLADE_STATES),
        once=round(passes.once, 4),
        again=round(passes.again, 4),
        moved=round(passes.moved, 4),
        second=None if second is None else PlacingDocument(x_mm=second.placing.x, y_mm=second.placing.y, turn_deg=second.placing.turn),
        turn_by_deg=None if second is None else (second.placing.turn - passes.first.placing.turn) % 360,
        first_run=blade_run(passes.places, passes.first.load, passes.blade),
        both_runs=blade_run(passes.places, passes.load, passes.blade),
        crank_first=describe_crank(passes.first.trace),
        crank_second=None if second is None else describe_crank(second.trace),
        says=says,
    )


def blade_run(places: FloatArray, load: FloatArray, blade: BladeContact) -> BladeRunDocument:
    """State along the blade, thinned out for drawing."""
    thin = slice(None, None, max(1, -(-len(places) // MOST_PLACES)))
    return BladeRunDocument(at_mm=ring_of(places[thin]), state=blade.states(load[thin]).tolist())


def describe_feed(report: FeedReport) -> FeedDocument:
    """A whole report as a document."""
    return FeedDocument(lying=describe_lying(report.lying), advice=describe_advice(report.advice), passes=describe_passes(report.passes))
