"""An envelope that fits a card, made from a sheet like the card itself."""

from dataclasses import replace
from fractions import Fraction

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.basics.words import say
from lofty_press.core.working.plan.folds import marked, opened_out, usual
from lofty_press.core.working.plan.job import Border, Job, Piece, Size, Stock
from lofty_press.core.working.plan.lengths import INCH
from lofty_press.core.working.plan.post import bulk_of


def with_envelope(job: Job, *, grid: Fraction, relief: dict[str, float]) -> Job:
    """A job with an envelope and its liner for the card, the card's thickness and some room beside it.

    Parameters
    ----------
    job : Job
    grid : Fraction
        Finest mark of the ruler. [mm]
    relief : dict of str to float
        How far the pieces' reliefs stand out. [mm]

    Raises
    ------
    InvalidInput
        If the job has one, or a size cannot be.

    Notes
    -----
    Room is an eighth of an inch, or 3 mm, on each side, and the card's thickness, which the envelope has to go around (common practice, no
    published source). It opens along its long side, which takes the least of a sheet, and is cut from the lightest stock whose sheets are
    large enough.
    """
    if any(piece.kind == "envelope" for piece in job.pieces):
        raise InvalidInput("pieces", None, say("have an envelope already; change its size, or remove it first"))
    bulk = bulk_of(job, grid=grid, relief=relief)
    room = usual(INCH / 8, 3, grid)
    around = 2 * room + Fraction(bulk.thickness)
    mark = usual(INCH / 16, 1, grid)
    sides = sorted(marked(side + around, mark) for side in (bulk.folded.width, bulk.folded.height))
    size = Size(sides[1], sides[0])
    taken = {piece.key for piece in job.pieces}
    key, inner = (free(name, taken) for name in ("envelope", "liner"))
    flat = opened_out(size, "envelope", thickness=0.0, grid=grid).size
    stock = min(job.stocks, key=lambda one: (not takes(one, flat), one.grammage), default=None)
    envelope = Piece(
        key,
        "Envelope",
        "envelope",
        size=size,
        fold="envelope",
        stock=stock.key if stock else None,
        works=("trim", "score", "glue", "fold", "address"),
    )
    liner = Piece(
        inner,
        "Liner",
        "liner",
        on=key,
        border=Border(room, room, Fraction(0), room),
        fold="flap",
        stock=stock.key if stock else None,
        works=("trim", "score", "glue"),
    )
    return replace(job, pieces=(*job.pieces, envelope, liner))


def takes(stock: Stock, flat: Size) -> bool:
    """True if a sheet of the stock is large enough, either way."""
    needs = sorted((flat.width, flat.height))
    return any(
        all(need <= side for need, side in zip(needs, sorted((sheets.size.width, sheets.size.height)), strict=True))
        for sheets in stock.sheets
    )


def free(name: str, taken: set[str]) -> str:
    """A key like a name that no piece has yet."""
    return next(key for key in (name, *(f"{name}{n}" for n in range(2, len(taken) + 3))) if key not in taken)
