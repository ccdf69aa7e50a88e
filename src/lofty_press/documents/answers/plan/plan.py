"""The plan of a job, whole: sizes, cut list, order, timetable, post and cost."""

import math
from collections.abc import Collection, Iterable
from fractions import Fraction
from typing import Literal

from pydantic import Field

from lofty_press.core.basics.words import Message
from lofty_press.core.working.plan import (
    GRID,
    Before,
    Broken,
    Bulk,
    CutList,
    CutSheet,
    Job,
    Operation,
    Shop,
    Size,
    Tempo,
    Timetable,
    Took,
    bulk_of,
    cut_list,
    cuts_of,
    flat_size,
    foam_behind,
    going_on,
    largest_rest,
    material_costs,
    off_the_ruler,
    ordered_work,
    paper_costs,
    postings,
    schedule,
    sizes_of,
    steps_in,
    still_to_do,
    tempo_of,
    ways_thinner,
)
from lofty_press.core.working.work import WORKS, WorkKey
from lofty_press.documents.answers.assessment import Document
from lofty_press.documents.answers.plan.grain import AgainstDocument, across, describe_against, why_folded
from lofty_press.documents.answers.plan.job_file import JobFile, classes_of, job_of, materials_of, reliefs_of, shop_of, took_of, wanted_of
from lofty_press.documents.answers.words import Words


class SizeDocument(Document):
    """Size of a piece [mm]: as it is seen, `left` and `top` from the corner of what it lies on, and as it is cut, with its score lines from
    the left (or the top, where not `upright`)."""

    key: str
    name: str
    width_mm: float
    height_mm: float
    left_mm: float
    top_mm: float
    cut_width_mm: float
    cut_height_mm: float
    scores_mm: list[float]
    crossing_mm: list[float] = Field(description="Score lines that run the other way.")
    upright: bool
    at_once: int = Field(description="Cut as one sheet of so many side by side, and cut apart after the press.")
    columns: int = Field(description="Of equal parts beside one another; with `rows` and the gap between them [mm].")
    rows: int
    gap_mm: float
    grain: Literal["upright", "across"] | None
    why: list[Words]
    off_ruler: Words | None


class LaidDocument(Document):
    """A piece where it comes out of a sheet, from the lower left [mm]."""

    key: str
    x_mm: float
    y_mm: float
    width_mm: float
    height_mm: float
    turned: bool


class CutDocument(Document):
    """A cut from edge to edge of the part in hand, the how-manieth, and its measure from that part's edge [mm]."""

    number: int
    x1_mm: float
    y1_mm: float
    x2_mm: float
    y2_mm: float
    measure_mm: float


class SheetDocument(Document):
    """Equal sheets cut alike."""

    stock: str
    width_mm: float
    height_mm: float
    count: int
    offcut: bool
    bought: bool
    pieces: list[LaidDocument]
    cuts: list[CutDocument]
    rest_mm: tuple[float, float] | None = Field(description="The largest off-cut of each.")


class CutListDocument(Document):
    """All sheets. `least` is a bound, proven where `proven` says so; `buy` by stock; `costs` of whole sheets by stock, where their price is known."""

    sheets: list[SheetDocument]
    whole: int
    least: int
    proven: bool
    against: list[AgainstDocument]
    buy: dict[str, int]
    costs: dict[str, float]
    materials: dict[str, float] = Field(description="What is used up beside paper, by its name.")


class SlotDocument(Document):
    """When an operation is done: `begin` with its set-up, `start` of the work, `end` [s]."""

    key: str
    piece: str
    work: str
    works: list[str] = Field(description="What is done to each piece, one after the other.")
    at_a_time: int | None = Field(description="So many pieces at a time stay damp, or their ink wet, long enough for the next of these.")
    title: Words
    count: int
    begin_s: int
    start_s: int
    end_s: int
    place: Literal["hands", "press", "heat", "rack"]
    press: str | None
    pile: str | None
    going: bool
    planned_s: int = Field(description="From its beginning to its end, without a change of piles.")


class BeforeDocument(Document):
    """Who comes before whom, and why."""

    first: str
    then: str
    why: Words
    must: bool = Field(description="Nobody can wish it otherwise.")


class BrokenDocument(Document):
    """What the trade does in this order and this job does not, and what that costs."""

    first: str
    then: str
    why: Words


class DoneDocument(Document):
    """An operation that is done."""

    key: str
    piece: str
    title: Words
    count: int


class TempoDocument(Document):
    """How many times as long as usual a kind of work takes, within what factor, and from how many times that is known."""

    work: str
    title: Words
    factor: float
    within: float
    seen: int


class TimeDocument(Document):
    """What a kind of work takes somebody unknown: `begin` once, then `each` piece [s]; `source` says if practitioners were watched at it
    (common practice, no published source) or it is assumed."""

    work: str
    title: Words
    begin_s: float
    each_s: float
    source: Literal["watched", "assumed"]


class ScheduleDocument(Document):
    """The afternoon from now on; `bound_s` is a length below which no other can be; `done` needs no time any more; `tempo` of the kinds of
    work whose time was seen."""

    slots: list[SlotDocument]
    length_s: int
    bound_s: int
    set_ups: int
    done: list[DoneDocument]
    tempo: list[TempoDocument]
    times: list[TimeDocument]


class PostingDocument(Document):
    """A class of letters with its limits, where they stand, and what keeps the card out of it."""

    key: str
    title: str
    source: str
    longest_mm: float
    widest_mm: float
    thickest_mm: float
    heaviest_g: float
    bends: bool
    even: bool
    why_not: list[Words]


class ThinnerDocument(Document):
    """What would make it thinner, and by how much."""

    says: Words
    saves_mm: float
    goes_as: list[str] = Field(description="Titles of classes that take it then, and do not as it is.")


class PostDocument(Document):
    """What the finished card is for the post."""

    mass_g: float
    posted_g: float
    thickness_mm: float
    thickest: list[str]
    bends: bool
    envelope: Words | None
    classes: list[PostingDocument]
    thinner: list[ThinnerDocument]
    foam: list[Words] = Field(description="What embossed pieces need behind them.")


class PlanDocument(Document):
    """A job's plan."""

    name: str
    count: int
    sizes: list[SizeDocument]
    cut_list: CutListDocument
    order: list[BeforeDocument]
    broken: list[BrokenDocument]
    schedule: ScheduleDocument
    post: PostDocument


def plan_of(file: JobFile, *, seconds: float = 3.0, now: float | None = None, took: Iterable[Took] | None = None) -> PlanDocument:
    """Plan a job.

    Parameters
    ----------
    file : JobFile
    seconds : float
        What the timetable may take. [s]
    now : float or None
        Seconds since the beginning of 1970, to tell how long something has been going on; None if nothing is looked at as going on.
    took : iterable of Took or None
        What work took before, the latest first; None for what the file itself tells.

    Raises
    ------
    InvalidInput
        Names the field of the job that cannot be.
    """
    job, grid, shop = job_of(file), GRID[file.unit], shop_of(file)
    sizes = sizes_of(job)
    tempo = tempo_of(took_of(file.took) if took is None else took)
    ordered = ordered_work(job, batch=file.batch, tempo=tempo, wanted=wanted_of(file))
    operations, order = ordered.operations, ordered.order
    cuts = cut_list(job, grid=grid)
    left, order_left = still_to_do(operations, order, file.done)
    if now is not None:
        left = going_on(left, order_left, {key: now - since for key, since in file.begun.items()}, shop)
    table = schedule(left, order_left, shop, aim=file.aim, seconds=seconds)
    bulk = bulk_of(job, grid=grid, relief=reliefs_of(file))
    return PlanDocument(
        name=job.name,
        count=job.count,
        sizes=describe_sizes(job, sizes, grid, crossing={key for one in cuts.against for key in one.pieces}),
        cut_list=describe_cuts(job, cuts, material_costs(operations, materials_of(file))),
        order=[describe_before(pair) for pair in order],
        broken=[describe_broken(one) for one in ordered.broken],
        schedule=describe_schedule(table, {each.key: each for each in (*operations, *left)}, shop, file.done, tempo),
        post=describe_post(file, job, bulk),
    )


def sizes_in(file: JobFile) -> list[SizeDocument]:
    """Sizes of all pieces of a job.

    Raises
    ------
    InvalidInput
        Names the piece that cannot be.
    """
    job = job_of(file)
    return describe_sizes(job, sizes_of(job), GRID[file.unit])


def post_of(file: JobFile) -> PostDocument:
    """What the finished card is for the post; errors as of `sizes_in`."""
    job = job_of(file)
    return describe_post(file, job, bulk_of(job, grid=GRID[file.unit], relief=reliefs_of(file)))


def describe_sizes(job: Job, sizes: dict[str, Size], grid: Fraction, crossing: Collection[str] = ()) -> list[SizeDocument]:
    """Every piece's size, folded and laid flat; those that are `crossing` fold across the grain."""
    off = off_the_ruler(job, grid)
    found = []
    for piece in job.pieces:
        size = sizes[piece.key]
        flat = flat_size(piece, size, job.stock_of(piece), grid)
        opened = flat.opened
        found.append(
            SizeDocument(
                key=piece.key,
                name=piece.name,
                width_mm=float(size.width),
                height_mm=float(size.height),
                left_mm=float(piece.border.left) if piece.border else 0.0,
                top_mm=float(piece.border.top) if piece.border else 0.0,
                cut_width_mm=float(flat.size.width + 2 * piece.trim),
                cut_height_mm=float(flat.size.height + 2 * piece.trim),
                scores_mm=[float(score) for score in opened.scores] if opened else [],
                crossing_mm=[float(score) for score in opened.crossing] if opened else [],
                upright=opened.upright if opened else True,
                at_once=piece.at_once if piece.one_blank else 1,
                columns=piece.parts.columns if piece.parts else 1,
                rows=piece.parts.rows if piece.parts else 1,
                gap_mm=float(piece.parts.gap) if piece.parts else 0.0,
                grain=across(flat.grain) if piece.key in crossing else flat.grain,
                why=why_folded(opened, across=piece.key in crossing),
                off_ruler=off.get(piece.key),
            )
        )
    return found


def describe_cuts(job: Job, cuts: CutList, materials: dict[str, float]) -> CutListDocument:
    """The cut list."""
    return CutListDocument(
        sheets=[describe_sheet(cut) for cut in cuts.cuts],
        whole=cuts.whole,
        least=cuts.least,
        proven=cuts.proven,
        against=[describe_against(job, one) for one in cuts.against],
        buy=cuts.buy,
        costs={key: round(cost, 2) for key, cost in paper_costs(job, cuts).items()},
        materials={name: round(cost, 2) for name, cost in materials.items()},
    )


def describe_sheet(cut: CutSheet) -> SheetDocument:
    """Equal sheets cut alike."""
    rest = largest_rest(cut.pattern)
    return SheetDocument(
        stock=cut.stock,
        width_mm=float(cut.pattern.width),
        height_mm=float(cut.pattern.height),
        count=cut.count,
        offcut=cut.sheets.offcut,
        bought=cut.bought,
        pieces=[
            LaidDocument(
                key=laid.key,
                x_mm=float(laid.x),
                y_mm=float(laid.y),
                width_mm=float(laid.width),
                height_mm=float(laid.height),
                turned=laid.turned,
            )
            for laid in cut.pattern.laid
        ],
        cuts=[
            CutDocument(
                number=c.number,
                x1_mm=float(c.x1),
                y1_mm=float(c.y1),
                x2_mm=float(c.x2),
                y2_mm=float(c.y2),
                measure_mm=float(c.measure),
            )
            for c in cuts_of(cut.pattern)
        ],
        rest_mm=None if rest is None else (float(rest.width), float(rest.height)),
    )


def describe_before(pair: Before) -> BeforeDocument:
    """Who comes before whom."""
    return BeforeDocument(first=pair.first, then=pair.then, why=pair.why, must=pair.must)


def describe_broken(one: Broken) -> BrokenDocument:
    """What is not kept."""
    return BrokenDocument(first=one.first, then=one.then, why=one.why)


def describe_schedule(
    table: Timetable, of: dict[str, Operation], shop: Shop, done: list[str], tempo: dict[WorkKey, Tempo]
) -> ScheduleDocument:
    """The timetable of operations by their keys."""
    names = {press.key: press.name for press in shop.presses}
    slots = []
    finished = {key for key, each in of.items() if key in done or steps_in(each) <= set(done)}
    gone = [DoneDocument(key=o.key, piece=o.piece, title=o.title, count=o.count) for o in of.values() if o.key in finished]
    for slot in table.slots:
        each = of[slot.key]
        slots.append(
            SlotDocument(
                key=slot.key,
                piece=each.piece,
                work=each.work.key,
                works=list(each.works),
                at_a_time=each.at_a_time,
                title=each.title,
                count=each.count,
                begin_s=slot.begin,
                start_s=slot.start,
                end_s=slot.end,
                place=each.work.place or "hands",
                press=None if slot.press is None else names[slot.press],
                pile=each.pile,
                going=each.left is not None,
                planned_s=each.planned,
            )
        )
    paces = [
        TempoDocument(work=key, title=WORKS[key].title, factor=round(one.factor, 2), within=round(math.exp(one.spread), 2), seen=one.seen)
        for key, one in tempo.items()
        if one.seen
    ]
    asked = dict.fromkeys(key for each in of.values() for key in each.works)
    times = [
        TimeDocument(work=key, title=work.title, begin_s=work.begin, each_s=work.each, source=work.source)
        for key, work in WORKS.items()
        if key in asked
    ]
    return ScheduleDocument(
        slots=slots, length_s=table.length, bound_s=table.bound, set_ups=table.set_ups, done=gone, tempo=paces, times=times
    )


def describe_post(file: JobFile, job: Job, bulk: Bulk) -> PostDocument:
    """What the card is for the post."""
    envelope: Message | None = bulk.envelope.title if bulk.envelope else None
    return PostDocument(
        mass_g=round(bulk.mass, 1),
        posted_g=round(bulk.posted, 1),
        thickness_mm=round(bulk.thickness, 2),
        thickest=list(bulk.thickest),
        bends=bulk.bends,
        envelope=envelope,
        classes=[
            PostingDocument(
                key=of.key,
                title=of.title,
                source=of.source,
                longest_mm=of.longest,
                widest_mm=of.widest,
                thickest_mm=of.thickest,
                heaviest_g=of.heaviest,
                bends=of.bends,
                even=of.even,
                why_not=list(posting.why_not),
            )
            for posting in postings(bulk, classes_of(file))
            for of in (posting.postal_class,)
        ],
        thinner=[
            ThinnerDocument(says=way.says, saves_mm=round(way.saves, 2), goes_as=list(way.goes_as))
            for way in ways_thinner(job, bulk, classes_of(file))
        ],
        foam=list(foam_behind(job, reliefs_of(file), bulk, classes_of(file))),
    )
