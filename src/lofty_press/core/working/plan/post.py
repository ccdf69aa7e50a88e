"""What the finished card is for the post: mass, thickness, whether it bends, its envelope and its class."""

from dataclasses import dataclass, replace
from fractions import Fraction

from lofty_press.core.basics.words import Message, listed, named, say, thickness, together
from lofty_press.core.working.plan.flat import flat_size
from lofty_press.core.working.plan.formats import Format, envelope_for
from lofty_press.core.working.plan.job import Job, Piece, Size
from lofty_press.core.working.plan.lengths import GRID, RulerUnit
from lofty_press.core.working.plan.sizes import sizes_of
from lofty_press.core.working.work import WorkKey

PER_M2 = 1e-6
"""Square millimetres in square metres."""
RIGID = 3.0
"""From which thickness a card of several layers no longer bends round a sorting machine's drum. [mm]; common practice, no published source"""
UNEVEN = 1.6
"""So much thicker in the middle than at its rim, a letter counts as uneven. [mm]; this product's assumption"""
PAPER_OF_ENVELOPE = 100.0  # g/m2, about 0.13 mm
LEAF_OF_ENVELOPE = 0.13


@dataclass(frozen=True)
class PostalClass:
    """Limits of a class of letters, which whoever posts it can change.

    Sides and thickness [mm], mass [g]; `source` says where they stand, with the year, and that they are from memory.
    """

    key: str
    title: str
    source: str
    longest: float
    widest: float
    thickest: float
    heaviest: float
    bends: bool = False
    """True where the card must bend."""
    even: bool = False
    """True where it must be about as thick everywhere."""


CLASSES: tuple[PostalClass, ...] = (
    PostalClass("upu-p", "letter, small (UPU)", "UPU Convention, format P; value from memory, 2021", 245, 165, 5, 100),
    PostalClass("upu-g", "letter, large (UPU)", "UPU Convention, format G; value from memory, 2021", 381, 305, 20, 500),
    PostalClass(
        "us-letter",
        "letter (US)",
        "USPS Domestic Mail Manual 101, machinable letters; value from memory, 2023",
        292.1,
        155.6,
        6.35,
        99.2,
        True,
        True,
    ),
    PostalClass(
        "us-stiff",
        "letter that is stiff or uneven (US)",
        "USPS Domestic Mail Manual 101, letters with the surcharge for what machines do not take; value from memory, 2023",
        292.1,
        155.6,
        6.35,
        99.2,
    ),
    PostalClass(
        "us-flat", "large envelope (US)", "USPS Domestic Mail Manual 101, flats; value from memory, 2023", 381, 304.8, 19.05, 368.5
    ),
)
"""Examples that ship, of each post the cheapest first; rules change: the post's own sheet counts."""


@dataclass(frozen=True)
class Bulk:
    """What the finished card measures.

    `mass` without and `posted` with its envelope [g]; `thickness` where it is thickest, `thickest` the pieces that lie there [mm].
    """

    mass: float
    posted: float
    thickness: float
    thickest: tuple[str, ...]
    bends: bool
    folded: Size
    envelope: Format | None
    rim: float = 0.0
    """How thick the card itself is, with nothing on it. [mm]"""

    @property
    def even(self) -> bool:
        """True if it is about as thick everywhere."""
        return self.thickness - self.rim <= UNEVEN


@dataclass(frozen=True)
class Posting:
    """A class, and why it is not this one; nothing if it is."""

    postal_class: PostalClass
    why_not: tuple[Message, ...]


def bulk_of(job: Job, *, grid: Fraction, relief: dict[str, float]) -> Bulk:
    """Mass and thickness of one finished card.

    Parameters
    ----------
    job : Job
    grid : Fraction
        Finest mark of the ruler. [mm]
    relief : dict of str to float
        How far the pressed relief of a piece stands out, by its key; from its Impression. [mm]

    Notes
    -----
    Mass is grammage times area, holes left out; foam below a piece weighs next to nothing. Thickness is the thickest stack of pieces that lie
    on one another: sheets, folds, foam and relief added up as if nothing gave way, so that it is an upper bound.
    """
    sizes = sizes_of(job)
    around = envelope_pieces(job)
    mass = sum(mass_of(piece, job, sizes, grid) for piece in job.pieces if piece.key not in around)
    height, stack = thickest_stack(job, relief)
    root = next((piece for piece in job.pieces if piece.kind == "base"), job.pieces[0])
    size = sizes[root.key]
    unit: RulerUnit = "in" if grid == GRID["in"] else "mm"
    own = next((piece for piece in job.pieces if piece.kind == "envelope"), None)
    if own is not None:
        envelope: Format | None = Format(own.key, named(own.name), "envelope", unit, sizes[own.key].width, sizes[own.key].height)
        paper = sum(mass_of(piece, job, sizes, grid) for piece in job.pieces if piece.key in around)
    else:
        envelope = envelope_for(size.width, size.height, unit=unit, thickness=Fraction(round(height * 100), 100))
        paper = 0.0 if envelope is None else 2.4 * PAPER_OF_ENVELOPE * float(envelope.width * envelope.height) * PER_M2
    return Bulk(
        mass,
        mass + paper,
        height,
        stack,
        height <= RIGID,
        size,
        envelope,
        thickest_stack(replace(job, pieces=(replace(root, on=None, border=None),)), relief)[0],
    )


def envelope_pieces(job: Job) -> frozenset[str]:
    """Keys of the envelope and what lies on it."""
    found = {piece.key for piece in job.pieces if piece.kind == "envelope"}
    for _ in job.pieces:
        found |= {piece.key for piece in job.pieces if piece.on in found}
    return frozenset(found)


def mass_of(piece: Piece, job: Job, sizes: dict[str, Size], grid: Fraction) -> float:
    """What a piece adds to a finished card; a window takes it away from what it is cut into. [g]"""
    if piece.kind == "window":
        below = next((other for other in job.pieces if other.key == piece.on), None)
        stock, area, sign = None if below is None else job.stock_of(below), sizes[piece.key], -1.0
    else:
        stock, sign = job.stock_of(piece), 1.0
        area = flat_size(piece, sizes[piece.key], stock, grid).size
    return 0.0 if stock is None else sign * piece.in_card * stock.grammage * float(area.width * area.height) * PER_M2


def thickest_stack(job: Job, relief: dict[str, float]) -> tuple[float, tuple[str, ...]]:
    """The thickest pile of pieces on one another, and which lie in it. [mm]"""

    def own(piece: Piece) -> float:
        stock = job.stock_of(piece)
        layers = 1 if piece.fold in (None, "hinge") else 2
        return (0.0 if stock is None else layers * stock.thickness) + piece.raised_on + relief.get(piece.key, 0.0)

    def above(piece: Piece) -> tuple[float, tuple[str, ...]]:
        best = max((above(other) for other in job.pieces if other.on == piece.key and other.kind != "liner"), default=(0.0, ()))
        return own(piece) + best[0], (piece.key, *best[1])

    roots = [piece for piece in job.pieces if piece.on is None and piece.kind != "envelope"]
    return max((above(piece) for piece in roots), default=(0.0, ()))


def postings(bulk: Bulk, classes: tuple[PostalClass, ...] = CLASSES) -> tuple[Posting, ...]:
    """Every class, with what keeps the card out of it."""
    return tuple(Posting(each, tuple(reasons(bulk, each))) for each in classes)


def reasons(bulk: Bulk, each: PostalClass) -> list[Message]:
    """What keeps a posted card out of a class."""
    if bulk.envelope is None:
        return [say("No envelope on the list fits.")]
    found = []
    sides = sorted((float(bulk.envelope.width), float(bulk.envelope.height)))
    high = bulk.thickness + 2 * LEAF_OF_ENVELOPE
    if sides[1] > each.longest or sides[0] > each.widest:
        found.append(say("Its envelope is too large."))
    if high > each.thickest:
        found.append(say("It is {thick} thick, {over} too much.", thick=thickness(high), over=thickness(high - each.thickest)))
    if bulk.posted > each.heaviest:
        found.append(say("It is too heavy."))
    if each.bends and not bulk.bends:
        found.append(say("It doesn't bend around the drums of the machines."))
    if each.even and not bulk.even:
        found.append(say("Its middle is {over} thicker than its rim.", over=thickness(bulk.thickness - bulk.rim)))
    return found


@dataclass(frozen=True)
class Thinner:
    """A change that makes the card thinner, and by how much [mm]; in the order of what it costs the look."""

    says: Message
    saves: float
    goes_as: tuple[str, ...] = ()
    """Titles of classes that take it then, and do not as it is."""


THIN_FOAM = 1.0
PLAIN: frozenset[WorkKey] = frozenset({"trim", "trim down", "glue"})
"""What is done to a layer that is only there to be seen around another."""


def ways_thinner(job: Job, bulk: Bulk, classes: tuple[PostalClass, ...] = CLASSES) -> tuple[Thinner, ...]:
    """What would make it thinner where it is thickest, least costly to the look first, and which classes that opens."""
    as_is = taking(bulk, classes)
    found = []
    for way in thinner(job, bulk):
        then = taking(thick_as(bulk, bulk.thickness - way.saves), classes)
        found.append(replace(way, goes_as=tuple(each.title for each in then if each not in as_is)))
    return tuple(found)


def taking(bulk: Bulk, classes: tuple[PostalClass, ...]) -> list[PostalClass]:
    """The classes that take it."""
    return [posting.postal_class for posting in postings(bulk, classes) if not posting.why_not]


def thick_as(bulk: Bulk, height: float) -> Bulk:
    """The same card of another thickness. [mm]"""
    return replace(bulk, thickness=height, bends=height <= RIGID)


def thinner(job: Job, bulk: Bulk) -> tuple[Thinner, ...]:
    """Changes that make it thinner where it is thickest."""
    found = []
    for key in bulk.thickest:
        piece = next(piece for piece in job.pieces if piece.key == key)
        if piece.raised_on > THIN_FOAM:
            found.append(Thinner(say("Thin foam under {name}.", name=named(piece.name)), piece.raised_on - THIN_FOAM))
    for key in bulk.thickest:
        piece = next(piece for piece in job.pieces if piece.key == key)
        stock = job.stock_of(piece)
        if piece.raised_on:
            found.append(Thinner(say("No foam under {name}.", name=named(piece.name)), piece.raised_on))
        if piece.kind == "layer" and stock is not None and PLAIN.issuperset(piece.works):
            found.append(Thinner(say("One layer less: without {name}.", name=named(piece.name)), stock.thickness))
    return tuple(found)


def foam_behind(job: Job, relief: dict[str, float], bulk: Bulk, classes: tuple[PostalClass, ...] = CLASSES) -> tuple[Message, ...]:
    """What an embossed piece needs behind it so that it travels, and what that does to its class; common practice, no published source."""
    as_is = taking(bulk, classes)
    found = []
    for piece in job.pieces:
        high = relief.get(piece.key, 0.0)
        if not high:
            continue
        if piece.raised_on:
            found.append(
                say("Put one whole sheet of foam behind {name}. On strips, its relief buckles in the machines.", name=named(piece.name))
            )
            continue
        with_foam = taking(thick_as(bulk, bulk.thickness + (high if piece.key in bulk.thickest else 0.0)), classes)
        advice = say(
            "One whole sheet of foam, {least} or more, behind {name} protects its relief in the mail.",
            name=named(piece.name),
            least=thickness(high),
        )
        lost = [each for each in as_is if each not in with_foam]
        if as_is and not with_foam:
            found.append(say("No class on the list takes foam behind {name}. Mail it in a box, or hand it over.", name=named(piece.name)))
        elif lost:
            cheaper = say(
                "Without foam it goes as {before}; with foam it doesn't.", before=listed([named(each.title) for each in lost], " and ")
            )
            found.append(together(advice, cheaper))
        else:
            found.append(advice)
    return tuple(found)
