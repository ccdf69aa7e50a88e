"""A job as a file: sizes as people write them, everything checked and named by its field."""

from collections.abc import Mapping
from fractions import Fraction
from typing import Annotated, Any, Literal

from pydantic import Field, TypeAdapter, ValidationError

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.basics.quantities import Colour, Name
from lofty_press.core.basics.words import say
from lofty_press.core.working.plan import (
    CLASSES,
    FORMATS,
    GRID,
    MOST,
    SET_UP,
    Aim,
    Border,
    CutList,
    Fold,
    Grain,
    Job,
    Material,
    Parts,
    Piece,
    PieceKind,
    PostalClass,
    PressPlace,
    RulerUnit,
    Run,
    Sheets,
    Shop,
    Size,
    Stock,
    Took,
    WantedOrder,
    left_over,
    names_its_unit,
    parts,
    read_length,
    read_pair,
    with_envelope,
    written,
)
from lofty_press.core.working.recipes import EFFECTS, pressed_as
from lofty_press.core.working.work import WORKS, WorkKey
from lofty_press.documents.answers.assessment import Document
from lofty_press.documents.answers.refusal import invalid

FORMAT = "lofty-press-job"
LARGEST = 2_000_000  # bytes
MOST_SHEETS = 50
"""Kinds of sheets of one stock."""
Text = Annotated[str, Field(min_length=1, max_length=60)]
Key = Annotated[str, Field(min_length=1, max_length=40, pattern=r"^[A-Za-z0-9][A-Za-z0-9_-]*$")]
Count = Annotated[int, Field(strict=True, ge=1, le=5000)]
OperationKey = Annotated[str, Field(max_length=160)]
PileName = Annotated[str, Field(min_length=1, max_length=120)]


class BorderFile(Document):
    """What is seen of a piece around the one on it, side by side."""

    left: Text
    right: Text
    top: Text
    bottom: Text


class SheetsFile(Document):
    """Equal sheets of a stock: their size, how many there are (none said: as many as wanted), how the grain runs, and if they are off-cuts."""

    size: Text
    count: Annotated[int, Field(strict=True, ge=0, le=100_000)] | None = None
    grain: Grain | None = "upright"
    offcut: bool = False


class StockFile(Document):
    """A stock and its sheets."""

    key: Key
    name: Name
    thickness_mm: Annotated[float, Field(strict=True, gt=0, le=10)]
    grammage_gsm: Annotated[float, Field(strict=True, gt=0, le=20_000)]
    sheets: Annotated[list[SheetsFile], Field(min_length=1, max_length=MOST_SHEETS)]
    colour: Colour = "#e9e2d0"
    price: Annotated[float, Field(strict=True, ge=0, le=10_000)] | None = Field(
        default=None, description="Of one whole sheet, in any money."
    )


class PartsFile(Document):
    """Equal parts beside one another, such as the mats on a page of an album, and how far apart they lie."""

    columns: Annotated[int, Field(strict=True, ge=1, le=12)] = 1
    rows: Annotated[int, Field(strict=True, ge=1, le=12)] = 1
    gap: Text = "0"


class RunFile(Document):
    """A piece's way through the press: for an effect, in a sandwich; with only a sandwich, for whatever that one is for."""

    effect: Annotated[str, Field(min_length=1, max_length=60)] | None = None
    way: Annotated[str, Field(min_length=1, max_length=60)] | None = None
    pile: PileName | None = None
    mist: bool = False
    ink: bool | None = Field(default=None, description="Something in the pile is inked; none said: as is usual with the effect.")


class PieceFile(Document):
    """One piece of the card; see docs/file-formats.md."""

    key: Key
    name: Name
    kind: PieceKind
    on: Key | None = None
    border: Text | BorderFile | None = None
    size: Text | None = None
    fold: Fold | None = None
    stock: Key | None = None
    each: Annotated[int, Field(strict=True, ge=1, le=100)] = 1
    grain: Grain | None = None
    works: Annotated[list[WorkKey], Field(max_length=20)] = Field(default_factory=list)
    runs: Annotated[list[RunFile], Field(max_length=8)] = Field(
        default_factory=list,
        description="What it goes through the press for, each by its recipe, in the order in which somebody thinks of them.",
    )
    pile: PileName | None = None
    reused: bool | None = Field(
        default=None, description="A tool, made once for the whole job; none said: a stencil, or a frame that lies on nothing, is one."
    )
    trim: Text | None = None
    tries: Annotated[int, Field(strict=True, ge=0, le=20)] = Field(
        default=0, description="Sheets that are expected to be spoiled until the pile is right."
    )
    at_once: Annotated[int, Field(strict=True, ge=1, le=50)] = Field(
        default=1, description="Go through the press side by side; on one sheet, if they are trimmed down only after it."
    )
    parts: PartsFile | None = None
    raised_mm: Annotated[float, Field(strict=True, ge=0, le=20)] = 0.0
    relief_mm: Annotated[float, Field(strict=True, ge=0, le=20)] = 0.0


class PressFile(Document):
    """A press, the piles it takes (none said: all), and how long changing them takes."""

    name: Name
    piles: Annotated[list[str], Field(max_length=200)] | None = None
    set_up_s: Annotated[int, Field(strict=True, ge=0, le=7200)] = SET_UP


class ShopFile(Document):
    """Who and what there is to work with."""

    hands: Annotated[int, Field(strict=True, ge=1, le=20)] = 1
    presses: Annotated[list[PressFile], Field(min_length=1, max_length=10)] = Field(default_factory=lambda: [PressFile(name="Press")])
    heat_tools: Annotated[int, Field(strict=True, ge=1, le=20)] = 1
    rack: Annotated[int, Field(strict=True, ge=1, le=100_000)] = 400


class PileFile(Document):
    """What the plan has to know of a sandwich: its layers from below without the sheet, and what it is for."""

    name: PileName
    layers: Annotated[list[Name], Field(max_length=60)] = Field(default_factory=list)
    effect: Annotated[str, Field(min_length=1, max_length=60)] | None = None
    way: Annotated[str, Field(min_length=1, max_length=60)] | None = None
    mist: bool = False
    ink: bool | None = None


class OrderFile(Document):
    """An order asked for beside the rules: keys of operations, such as `panel: heat`."""

    first: OperationKey
    then: OperationKey


class ClassFile(Document):
    """A class of letters with the limits that the user's own post has."""

    key: Key
    title: Name
    source: Annotated[str, Field(max_length=200)]
    longest_mm: Annotated[float, Field(strict=True, gt=0, le=2000)]
    widest_mm: Annotated[float, Field(strict=True, gt=0, le=2000)]
    thickest_mm: Annotated[float, Field(strict=True, gt=0, le=200)]
    heaviest_g: Annotated[float, Field(strict=True, gt=0, le=20_000)]
    bends: bool = False
    even: bool = False


class TookFile(Document):
    """What an operation took from its beginning to its end; what it was done to, and on how many pieces, is in its plan."""

    key: OperationKey
    count: Annotated[int, Field(strict=True, ge=1, le=1_000_000)]
    seconds: Annotated[float, Field(strict=True, gt=0, le=1_000_000)]


class MaterialFile(Document):
    """Ink, powder, foam or glue: what a piece of it costs, and for how many pieces it lasts."""

    name: Name
    works: Annotated[list[WorkKey], Field(min_length=1, max_length=20)]
    price: Annotated[float, Field(strict=True, ge=0, le=10_000)]
    lasts: Annotated[int, Field(strict=True, ge=1, le=1_000_000)]


class JobFile(Document):
    """A job: what a finished card is made of, and how many; who makes them, and what they are cut from."""

    format: Literal["lofty-press-job"]
    version: Literal[1]
    name: Name
    unit: RulerUnit
    count: Count
    spare: Annotated[float, Field(strict=True, ge=0, le=1)] = Field(default=0.0, description="Share of pressed pieces that may be spoiled.")
    batch: Count | None = None
    aim: Aim = "shortest"
    pieces: Annotated[list[PieceFile], Field(min_length=1, max_length=80)]
    stocks: Annotated[list[StockFile], Field(max_length=40)] = Field(default_factory=list)
    shop: ShopFile = Field(default_factory=ShopFile)
    piles: Annotated[list[PileFile], Field(max_length=200)] = Field(
        default_factory=list, description="Sandwiches by the names that pieces call them; the service adds those that are kept."
    )
    wanted: Annotated[list[OrderFile], Field(max_length=200)] = Field(default_factory=list)
    done: Annotated[list[OperationKey], Field(max_length=MOST)] = Field(
        default_factory=list, description="Keys of operations that are done; the timetable goes on from now without them."
    )
    begun: Annotated[dict[OperationKey, Annotated[float, Field(ge=0, le=1e11)]], Field(max_length=MOST)] = Field(
        default_factory=dict, description="Since when operations are going on: seconds since the beginning of 1970."
    )
    took: Annotated[list[TookFile], Field(max_length=MOST)] = Field(
        default_factory=list, description="What operations that are done took: from it the next hours are told."
    )
    materials: Annotated[list[MaterialFile], Field(max_length=40)] = Field(default_factory=list)
    put_away: bool = Field(default=False, description="The job is done, and what is left of its sheets was put away.")
    post: Annotated[list[ClassFile], Field(max_length=40)] | None = None


STOCK = TypeAdapter(StockFile)
JOB = TypeAdapter(JobFile)


def read_job(data: bytes) -> JobFile:
    """Read a job file.

    Raises
    ------
    InvalidInput
        If it is too large, no JSON, or a field is wrong; names the field.
    """
    if len(data) > LARGEST:
        raise InvalidInput("file", f"over {LARGEST} bytes", say("is too large for a job: at most {most} MB", most=LARGEST // 1_000_000))
    try:
        return JobFile.model_validate_json(data)
    except ValidationError as error:
        raise invalid(error, "file") from error


def write_job(file: JobFile) -> str:
    """A job as its file's text; what is as usual is left out."""
    return file.model_dump_json(indent=1, exclude_defaults=True) + "\n"


def job_schema() -> dict[str, Any]:
    """The file's JSON Schema."""
    return {"$schema": "https://json-schema.org/draft/2020-12/schema", **JobFile.model_json_schema()}


def job_of(file: JobFile) -> Job:
    """The job in a file, its sizes read.

    Raises
    ------
    InvalidInput
        If a size cannot be read; names the field.
    """
    piles = {pile.name: pile for pile in file.piles}
    pieces = tuple(piece_of(piece, file.unit, piles) for piece in file.pieces)
    return Job(file.name, file.count, pieces, tuple(stock_of(stock, file.unit) for stock in file.stocks), file.spare)


def with_envelope_in(file: JobFile) -> JobFile:
    """A file with an envelope that fits, and its liner; errors as of `with_envelope`."""
    job = job_of(file)
    added = with_envelope(job, grid=GRID[file.unit], relief=reliefs_of(file)).pieces[len(job.pieces) :]
    made = [
        PieceFile(
            key=piece.key,
            name=piece.name,
            kind=piece.kind,
            on=piece.on,
            border=None if piece.border is None else written_border(piece.border, file.unit),
            size=None if piece.size is None else written_size(piece.size, file.unit),
            fold=piece.fold,
            stock=piece.stock,
            works=list(piece.works),
        )
        for piece in added
    ]
    return file.model_copy(update={"pieces": [*file.pieces, *made]})


def stocks_left(file: JobFile, cuts: CutList) -> list[StockFile]:
    """The stocks that a job was cut from, as they are afterwards."""
    of = {stock.key: stock for stock in file.stocks}
    return [
        of[stock.key].model_copy(
            update={
                "sheets": [
                    SheetsFile(size=told_size(sheets.size, file.unit), count=sheets.count, grain=sheets.grain, offcut=sheets.offcut)
                    for sheets in stock.sheets[:MOST_SHEETS]
                ]
            }
        )
        for stock in left_over(job_of(file), cuts)
    ]


def told_size(size: Size, unit: RulerUnit) -> str:
    """A size with its unit beside each side, for where nobody knows in which unit the rest is."""
    return " x ".join(
        text if text[-1] in "mn" else f"{text} {unit}" for text in (written(side, unit) for side in (size.width, size.height))
    )


def told_stock(stock: StockFile, unit: RulerUnit) -> StockFile:
    """A stock whose sheets have their unit beside them.

    Raises
    ------
    InvalidInput
        If a size cannot be read; names the field.
    """
    sheets = [
        each
        if each.size.strip().lower() in FORMATS or names_its_unit(each.size)
        else each.model_copy(update={"size": told_size(read.size, unit)})
        for each, read in zip(stock.sheets, stock_of(stock, unit).sheets, strict=True)
    ]
    return stock.model_copy(update={"sheets": sheets})


def with_sizes(file: JobFile, job: Job) -> JobFile:
    """A file with the sizes and borders that a job has; what has not changed stays as it was written."""
    pieces = []
    for old, new, before in zip(file.pieces, job.pieces, job_of(file).pieces, strict=True):
        changed: dict[str, Any] = {}
        if new.size != before.size:
            changed["size"] = None if new.size is None else written_size(new.size, file.unit)
        if new.border != before.border:
            changed["border"] = None if new.border is None else written_border(new.border, file.unit)
        pieces.append(old.model_copy(update=changed))
    return file.model_copy(update={"pieces": pieces})


def written_size(size: Size, unit: RulerUnit) -> str:
    """A size as a file has it."""
    sides = [written(side, unit) for side in (size.width, size.height)]
    return (
        " x ".join(side if side[-1] in "mn" else f"{side} {unit}" for side in sides)
        if any(s[-1] in "mn" for s in sides)
        else " x ".join(sides)
    )


def written_border(border: Border, unit: RulerUnit) -> str | BorderFile:
    """A border as a file has it: one length where all sides are equal."""
    left, right, top, bottom = (
        "0" if side == 0 else written(side, unit) for side in (border.left, border.right, border.top, border.bottom)
    )
    return left if left == right == top == bottom else BorderFile(left=left, right=right, top=top, bottom=bottom)


def piece_of(piece: PieceFile, unit: RulerUnit, piles: Mapping[str, PileFile]) -> Piece:
    """One piece of a file, pressed in sandwiches of which so much is known."""
    where = f"pieces.{piece.key}"
    return Piece(
        key=piece.key,
        name=piece.name,
        kind=piece.kind,
        on=piece.on,
        border=border_of(piece.border, unit, f"{where}.border"),
        size=None if piece.size is None else size_of(piece.size, unit, f"{where}.size"),
        fold=piece.fold,
        stock=piece.stock,
        each=piece.each,
        grain=piece.grain,
        works=tuple(piece.works),
        runs=runs_of(piece, piles, where),
        reused=piece.reused if piece.reused is not None else piece.kind == "stencil" or (piece.kind == "frame" and piece.on is None),
        pile=piece.pile,
        trim=Fraction(0) if piece.trim is None else length_of(piece.trim, unit, f"{where}.trim"),
        raised_on=piece.raised_mm,
        tries=piece.tries,
        at_once=piece.at_once,
        parts=None if piece.parts is None else parts_of(piece.parts, unit, f"{where}.parts"),
    )


def runs_of(piece: PieceFile, piles: Mapping[str, PileFile], where: str) -> tuple[Run, ...]:
    """Its runs by their recipes; where only a sandwich is told, and what that is for is known, that is one.

    Raises
    ------
    InvalidInput
        If an effect or one of its schools is unknown.
    """
    listed, told = piece.runs, piles.get(piece.pile or "")
    pressed = pressed_as(EFFECTS[told.effect]) if told is not None and told.effect in EFFECTS else None
    if not listed and pressed is not None and (pressed in piece.works or not PRESSED & set(piece.works)):
        listed = [RunFile(pile=piece.pile, mist="mist" in piece.works)]
    return tuple(run_for(run, piles.get(run.pile or ""), f"{where}.runs.{n}") for n, run in enumerate(listed))


PRESSED = {key for key, work in WORKS.items() if work.place == "press"}


def run_for(run: RunFile, told: PileFile | None, where: str) -> Run:
    """One run; what it does not say of school, mist and ink is as its sandwich has it."""
    key = run.effect or (told.effect if told else None)
    if key is None:
        return Run(None, run.pile, run.mist, run.ink)
    if key not in EFFECTS:
        raise InvalidInput(f"{where}.effect", key, say("must be one of {choices}", choices=", ".join(sorted(EFFECTS))))
    own = told if told is not None and told.effect == key else None
    way = run.way or (own.way if own else None)
    ways = [each.key for each in EFFECTS[key].ways]
    if way is not None and way not in ways:
        raise InvalidInput(f"{where}.way", way, say("must be one of {choices}", choices=", ".join(ways)))
    ink = own.ink if run.ink is None and own else run.ink
    return Run(key, run.pile, run.mist or (own is not None and own.mist), ink, way)


def parts_of(parts: PartsFile, unit: RulerUnit, field: str) -> Parts:
    """Equal parts beside one another."""
    return Parts(parts.columns, parts.rows, length_of(parts.gap, unit, f"{field}.gap"))


def length_of(text: str, unit: RulerUnit, field: str) -> Fraction:
    """A length that may be nothing. [mm]"""
    return Fraction(0) if text.strip() in ("0", "0 mm", "0 in") else read_length(text, unit, field)


def border_of(border: str | BorderFile | None, unit: RulerUnit, field: str) -> Border | None:
    """A border, the same on all sides or each its own."""
    if border is None:
        return None
    if isinstance(border, str):
        return Border.even(length_of(border, unit, field))
    sides = (length_of(getattr(border, side), unit, f"{field}.{side}") for side in ("left", "right", "top", "bottom"))
    return Border(*sides)


def size_of(text: str, unit: RulerUnit, field: str) -> Size:
    """A size as it is written, or the name of a format."""
    known = FORMATS.get(text.strip().lower())
    if known is not None:
        return Size(known.width, known.height)
    return Size(*read_pair(text, unit, field))


def stock_of(stock: StockFile, unit: RulerUnit) -> Stock:
    """One stock of a file."""
    sheets = tuple(
        Sheets(f"{stock.key}-{n}", size_of(each.size, unit, f"stocks.{stock.key}.sheets.{n}.size"), each.count, each.grain, each.offcut)
        for n, each in enumerate(stock.sheets)
    )
    return Stock(stock.key, stock.name, stock.thickness_mm, stock.grammage_gsm, sheets, stock.price)


def shop_of(file: JobFile) -> Shop:
    """Who and what there is to work with."""
    presses = tuple(
        PressPlace(f"press-{n}", press.name, None if press.piles is None else frozenset(press.piles), press.set_up_s)
        for n, press in enumerate(file.shop.presses)
    )
    layers = {pile.name: tuple(pile.layers) for pile in file.piles if pile.layers}
    return Shop(file.shop.hands, presses, file.shop.heat_tools, file.shop.rack, layers)


def wanted_of(file: JobFile) -> tuple[WantedOrder, ...]:
    """Orders that are asked for."""
    return tuple(WantedOrder(each.first, each.then) for each in file.wanted)


def took_of(listed: list[TookFile]) -> list[Took]:
    """What operations took, the latest first; keys that name no work are passed over."""
    found = []
    for each in reversed(listed):
        works = works_in(each.key)
        if works:
            main = next((work for work in works if WORKS[work].place == "press"), works[0])
            beside = list(works)
            beside.remove(main)
            found.append(Took(main, each.count, each.seconds, tuple(beside)))
    return found


def works_in(key: str) -> tuple[WorkKey, ...]:
    """The kinds of work that the key of an operation names; none where one of them is unknown."""
    named = parts(key.rpartition(": ")[2])
    known = {str(work): work for work in WORKS}
    return tuple(known[name] for name in named) if all(name in known for name in named) else ()


def materials_of(file: JobFile) -> tuple[Material, ...]:
    """What is used up beside paper."""
    return tuple(Material(each.name, tuple(each.works), each.price, each.lasts) for each in file.materials)


def classes_of(file: JobFile) -> tuple[PostalClass, ...]:
    """The classes of letters to hold the card against."""
    if file.post is None:
        return CLASSES
    return tuple(
        PostalClass(c.key, c.title, c.source, c.longest_mm, c.widest_mm, c.thickest_mm, c.heaviest_g, c.bends, c.even) for c in file.post
    )


def reliefs_of(file: JobFile) -> dict[str, float]:
    """How far the pieces' reliefs stand out. [mm]"""
    return {piece.key: piece.relief_mm for piece in file.pieces if piece.relief_mm}
