"""A card to begin with."""

from collections.abc import Sequence

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.basics.words import say
from lofty_press.core.sandwich.stack import Item
from lofty_press.core.working.plan import FORMATS, GRID, Size, opened_out, read_pair
from lofty_press.core.working.recipes import effect_named
from lofty_press.documents.answers.plan.job_file import MOST_SHEETS, JobFile, PieceFile, RunFile, SheetsFile, StockFile, size_of
from lofty_press.service.keeping.plan.models import Start

BORDER = {"in": "1/8", "mm": "3"}
SHEETS = {"in": ("8 1/2 x 11 in", "12 x 18 in"), "mm": ("210 x 297 mm", "297 x 420 mm")}
"""Sheets that card is sold in: the usual ones, and those for a card that needs more. The shelf knows only what goes through the press."""
MOST_STOCKS = 40
PLAIN = ("Card", 0.3, 250.0, "#e9e2d0")
"""Stands in where the shelf has no card yet."""


def first_job(start: Start, items: list[Item], owned: Sequence[StockFile] = ()) -> JobFile:
    """A card in a format with one layer on it, cut from the paper that is owned, or from what is on the shelf.

    Raises
    ------
    InvalidInput
        If it is no format of a card, and no size, or no effect.
    """
    known = FORMATS.get(start.format)
    if start.effect is not None:
        effect_named(start.effect)
    if known is not None and known.use != "card":
        raise InvalidInput("format", start.format, say("isn't a card format"))
    folded = start.fold != "flat"
    size = Size(known.width, known.height) if known else Size(*read_pair(start.format, start.unit, "format"))
    title = (known.title if known else say("card")).in_words(start.unit)
    flat = opened_out(size, start.fold, thickness=0.0, grid=GRID[start.unit]).size if start.fold != "flat" else size
    usual = next((sheet for sheet in SHEETS[start.unit] if takes(sheet, flat)), SHEETS[start.unit][-1])
    stocks = stocks_of(items, usual, [with_usual(stock, usual, flat) for stock in owned])
    base = PieceFile(
        key="base",
        name="Card base",
        kind="base",
        size=known.key if known else start.format,
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
        runs=[RunFile(effect=start.effect, pile=start.pile)] if start.effect or start.pile else [],
    )
    return JobFile(
        format="lofty-press-job",
        version=1,
        name=title[:1].upper() + title[1:],
        unit=start.unit,
        count=start.count,
        pieces=[base, layer],
        stocks=stocks,
    )


def takes(sheet: str, flat: Size) -> bool:
    """True if a card laid flat comes out of a sheet, either way."""
    size = size_of(sheet, "mm", "size")
    sides, needs = sorted((size.width, size.height)), sorted((flat.width, flat.height))
    return needs[0] <= sides[0] and needs[1] <= sides[1]


def with_usual(stock: StockFile, usual: str, flat: Size) -> StockFile:
    """A stock that is owned, with usual sheets to be bought where none of its own takes the card."""
    if any(takes(sheets.size, flat) for sheets in stock.sheets if not sheets.offcut) or len(stock.sheets) >= MOST_SHEETS:
        return stock
    return stock.model_copy(update={"sheets": [*stock.sheets, SheetsFile(size=usual, grain=None)]})


def stocks_of(items: list[Item], sheet: str, owned: list[StockFile]) -> list[StockFile]:
    """The paper that is owned as stocks of a job, then other card on the shelf in sheets of one size, whose grain is not known."""
    names = {stock.name for stock in owned}
    known: dict[str, tuple[str, float, float, str]] = {}
    for item in items:
        if item.stock is not None and item.material == "paper" and item.name not in names:
            known.setdefault(item.name, (item.name, item.thickness.mm, item.stock.grammage_gsm, item.stock.face_colour))
    more = [
        StockFile(key=f"stock{n}", name=name, thickness_mm=mm, grammage_gsm=gsm, colour=colour, sheets=[SheetsFile(size=sheet, grain=None)])
        for n, (name, mm, gsm, colour) in enumerate([*known.values()][:MOST_STOCKS] or ([] if owned else [PLAIN]), len(owned))
    ]
    return [*(stock.model_copy(update={"key": f"stock{n}"}) for n, stock in enumerate(owned)), *more][:MOST_STOCKS]
