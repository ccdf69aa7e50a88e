"""A card to begin with."""

from lofty_press.core.errors import InvalidInput
from lofty_press.core.plan import FORMATS, GRID, Size, opened_out, read_pair
from lofty_press.core.stack import Item
from lofty_press.core.words import say
from lofty_press.documents.plan.job_file import JobFile, PieceFile, SheetsFile, StockFile
from lofty_press.service.plan.models import Start

BORDER = {"in": "1/8", "mm": "3"}
SHEETS = {"in": ("8 1/2 x 11 in", "12 x 18 in"), "mm": ("210 x 297 mm", "297 x 420 mm")}
"""Sheets that card is sold in: the usual ones, and those for a card that needs more. The shelf knows only what goes through the press."""
MOST_STOCKS = 40
PLAIN = ("Card", 0.3, 250.0, "#e9e2d0")
"""Stands in where the shelf has no card yet."""


def first_job(start: Start, items: list[Item]) -> JobFile:
    """A card in a format with one layer on it, cut from what is on the shelf.

    Raises
    ------
    InvalidInput
        If there is no such format.
    """
    known = FORMATS.get(start.format)
    if known is None or known.use != "card":
        raise InvalidInput("format", start.format, say("is no format of a card"))
    folded = start.fold != "flat"
    size = Size(known.width, known.height)
    flat = opened_out(size, start.fold, thickness=0.0, grid=GRID[start.unit]).size if start.fold != "flat" else size
    stocks = stocks_of(items, next((sheet for sheet in SHEETS[start.unit] if takes(sheet, flat)), SHEETS[start.unit][-1]))
    base = PieceFile(
        key="base",
        name="Card base",
        kind="base",
        size=known.key,
        fold=None if start.fold == "flat" else start.fold,
        stock=stocks[0].key,
        works=["trim", "score", "fold", "assemble"] if folded else ["trim", "assemble"],
    )
    layer = PieceFile(
        key="layer",
        name="Layer",
        kind="layer",
        on="base",
        border=BORDER[start.unit],
        stock=stocks[min(1, len(stocks) - 1)].key,
        works=["trim", "glue"],
    )
    return JobFile(
        format="lofty-press-job",
        version=1,
        name=known.title.in_words(start.unit)[:1].upper() + known.title.in_words(start.unit)[1:],
        unit=start.unit,
        count=start.count,
        pieces=[base, layer],
        stocks=stocks,
    )


def takes(sheet: str, flat: Size) -> bool:
    """True if a card laid flat comes out of a sheet, either way."""
    sides, needs = sorted(read_pair(sheet, "mm")), sorted((flat.width, flat.height))
    return needs[0] <= sides[0] and needs[1] <= sides[1]


def stocks_of(items: list[Item], sheet: str) -> list[StockFile]:
    """The paper and card on the shelf as stocks of a job, in sheets of one size; their grain is not known."""
    known: dict[str, tuple[str, float, float, str]] = {}
    for item in items:
        if item.stock is not None and item.material == "paper":
            known.setdefault(item.name, (item.name, item.thickness.mm, item.stock.grammage_gsm, item.stock.face_colour))
    return [
        StockFile(key=f"stock{n}", name=name, thickness_mm=mm, grammage_gsm=gsm, colour=colour, sheets=[SheetsFile(size=sheet, grain=None)])
        for n, (name, mm, gsm, colour) in enumerate([*known.values()][:MOST_STOCKS] or [PLAIN])
    ]
