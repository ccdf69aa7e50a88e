"""The cut list of a job: sheets, patterns, what is left over and what must be bought."""

import math
from dataclasses import dataclass, replace
from fractions import Fraction

import numpy as np

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.basics.words import Message, say
from lofty_press.core.working.plan.cutting.cover import Kind, cover
from lofty_press.core.working.plan.cutting.pattern import Pattern, settings_of, without
from lofty_press.core.working.plan.cutting.sheet import Grid
from lofty_press.core.working.plan.cutting.wanted import Wanted
from lofty_press.core.working.plan.flat import flat_size
from lofty_press.core.working.plan.job import Job, Sheets, Stock
from lofty_press.core.working.plan.lengths import shown
from lofty_press.core.working.plan.sizes import sizes_of

OFFCUT = 0.01
"""What an off-cut costs, in sheets: it is used first, but never where that takes a whole sheet more."""
BOUGHT = 1.0001
MOST_PIECES = 20_000
MOST_TRIED = 4  # kinds of folded pieces of one stock of which each is tried along the grain by itself


@dataclass(frozen=True)
class CutSheet:
    """Equal sheets cut alike: how many, of which, into what."""

    stock: str
    sheets: Sheets
    count: int
    pattern: Pattern
    bought: bool


@dataclass(frozen=True)
class Against:
    """Pieces that fold across the grain, since that saves sheets: how many more their stock needs else; None where no sheet is large enough along it."""

    pieces: tuple[str, ...]
    saves: int | None


@dataclass(frozen=True)
class CutList:
    """All sheets of a job.

    `whole` sheets are used; none can do with fewer than `least`. `buy` counts sheets by stock, `proven` says that the bound holds; `against` names what folds
    across the grain.
    """

    cuts: tuple[CutSheet, ...]
    whole: int
    least: int
    buy: dict[str, int]
    proven: bool
    against: tuple[Against, ...] = ()


def wanted_pieces(job: Job, *, grid: Fraction) -> dict[str, list[Wanted]]:
    """What must come out of each stock, spare ones and margins included."""
    sizes = sizes_of(job)
    found: dict[str, list[Wanted]] = {}
    for piece in job.pieces:
        stock = job.stock_of(piece)
        if stock is None:
            if piece.stock is not None:
                raise InvalidInput(f"pieces.{piece.key}.stock", piece.stock, say("isn't a stock of this job"))
            continue
        flat = flat_size(piece, sizes[piece.key], stock, grid)
        count = job.number_of(piece)
        if piece.pressed:
            count = math.ceil(count * (1.0 + job.spare)) + piece.tries * piece.at_once
        grain = piece.grain or flat.grain
        width, height = flat.size.width + 2 * piece.trim, flat.size.height + 2 * piece.trim
        if piece.one_blank:
            width, count = piece.at_once * width, math.ceil(count / piece.at_once)
        if grain == "across":
            width, height = height, width
        found.setdefault(stock.key, []).append(
            Wanted(piece.key, width, height, count, turns=grain is None, wishes=grain is not None and piece.grain is None)
        )
    return found


def cut_list(job: Job, *, grid: Fraction) -> CutList:
    """Cut all pieces of a job out of as few sheets as can be, then out of the smallest off-cuts.

    Parameters
    ----------
    job : Job
    grid : Fraction
        Finest mark of the ruler. [mm]

    Raises
    ------
    InvalidInput
        Names the piece that no sheet of its stock is large enough for, or the stock without sheets.
    """
    cuts: list[CutSheet] = []
    against: list[Against] = []
    whole, least, proven, buy = 0, 0, True, {}
    for key, wanted in wanted_pieces(job, grid=grid).items():
        stock = next(stock for stock in job.stocks if stock.key == key)
        if sum(each.count for each in wanted) > MOST_PIECES:
            raise InvalidInput("count", job.count, say("adds up to over {most} pieces of one stock", most=MOST_PIECES))
        (found, bound, exact), crossing = cut_along(stock, wanted)
        against += [] if crossing is None else [crossing]
        cuts += found
        whole += whole_of(found)
        least += bound
        proven = proven and exact
        bought = sum(cut.count for cut in found if cut.bought)
        if bought:
            buy[key] = bought
    return CutList(tuple(cuts), whole, least, buy, proven, tuple(against))


Cuts = tuple[list[CutSheet], int, bool]


def cut_along(stock: Stock, wanted: list[Wanted]) -> tuple[Cuts, Against | None]:
    """Sheets of one stock with the grain along every fold while that costs no sheet, else with as few pieces across it as save the sheets.

    Raises
    ------
    InvalidInput
        As `cut_list`.
    """
    wishes = [each for each in wanted if each.wishes]
    if not wishes:
        return cut_stock(stock, wanted), None
    along, refused = None, None
    try:
        along = cut_stock(stock, wanted)
    except InvalidInput as error:
        refused = error
    if along is not None and whole_of(along[0]) <= 1:
        return along, None
    free = {each.key for each in wishes}
    best = cut_stock(stock, freed(wanted, free))
    if along is not None and whole_of(along[0]) <= whole_of(best[0]):
        return along, None
    for each in wishes if len(wishes) <= MOST_TRIED else ():
        try:
            found = cut_stock(stock, freed(wanted, free - {each.key}))
        except InvalidInput:
            continue
        if whole_of(found[0]) <= whole_of(best[0]):
            best, free = found, free - {each.key}
    crossing = {laid.key for cut in best[0] if cut.sheets.grain for laid in cut.pattern.laid if laid.turned} & free
    if not crossing:
        return best, None
    saves = None if refused is not None or along is None else whole_of(along[0]) - whole_of(best[0])
    return best, Against(tuple(each.key for each in wishes if each.key in crossing), saves)


def whole_of(cuts: list[CutSheet]) -> int:
    """How many whole sheets."""
    return sum(cut.count for cut in cuts if not cut.sheets.offcut)


def freed(wanted: list[Wanted], keys: set[str]) -> list[Wanted]:
    """The same pieces, some of which may lie either way."""
    return [replace(each, turns=each.turns or each.key in keys) for each in wanted]


def cut_stock(stock: Stock, wanted: list[Wanted]) -> Cuts:
    """Sheets of one stock, the least number of whole ones, and whether that is proven."""
    kinds: list[Kind] = []
    sheets: list[tuple[Sheets, bool]] = []
    for each in stock.sheets:
        # pieces stand upright along the sheet's grain: one that runs across it is looked at on its side
        lying = replace(each, size=type(each.size)(each.size.height, each.size.width)) if each.grain == "across" else each
        # of a sheet whose grain nobody knows, every piece may be cut either way
        grid = Grid.of(wanted if each.grain else [replace(one, turns=True) for one in wanted], lying.size.width, lying.size.height)
        kinds.append(Kind(grid, OFFCUT if each.offcut else 1.0, each.count))
        sheets.append((lying, False))
        if not each.offcut and each.count is not None:
            kinds.append(Kind(grid, BOUGHT, None))
            sheets.append((replace(lying, count=None), True))
    if not any(not each.offcut for each in stock.sheets):
        raise InvalidInput(f"stocks.{stock.key}.sheets", None, say("needs the size of a whole sheet"))
    for piece in wanted:
        if not any(fits(piece, kind.grid, turns=sheet.grain is None) for kind, (sheet, _) in zip(kinds, sheets, strict=True)):
            raise InvalidInput(
                f"pieces.{piece.key}.size",
                None,
                why_none(piece, any(fits(piece, kind.grid, turns=True) for kind in kinds)),
            )
    found = cover(kinds, np.array([float(each.count) for each in wanted]))
    choices = []
    for used in (found.used, found.also):
        surplus = {each.key: int(sum(column.counts[n] * times for column, times in used)) - each.count for n, each in enumerate(wanted)}
        cuts = []
        for column, times in used:
            lying, bought = sheets[column.kind]
            for pattern, count in taken_out(column.pattern, times, surplus):
                cuts.append(CutSheet(stock.key, lying, count, pattern, bought))
        choices.append(cuts)
    cuts = min(choices, key=lambda cuts: sum(settings_of(cut.pattern) for cut in cuts))
    return cuts, least_whole(found.bound, kinds), all(kind.grid.exact for kind in kinds)


def why_none(piece: Wanted, other_way: bool) -> Message:
    """Why a piece goes on no sheet: it is too large, or it goes only the other way than its grain must run."""
    size = {"width": shown(piece.width), "height": shown(piece.height)}
    if other_way:
        return say("needs {width} x {height} of a sheet the way its grain runs; let the grain go, and it fits the other way", **size)
    return say("needs {width} x {height} of a sheet, and no sheet of its stock is that big", **size)


def least_whole(bound: float, kinds: list[Kind]) -> int:
    """Whole sheets that a bound on the cost leaves at least: what off-cuts may cost is taken off, and each may be a bought one."""
    offcuts = math.fsum(kind.cost * (math.inf if kind.limit is None else kind.limit) for kind in kinds if kind.cost == OFFCUT)
    return max(math.ceil((bound - offcuts) / BOUGHT - 1e-6), 0) if math.isfinite(offcuts) else 0


def fits(each: Wanted, grid: Grid, *, turns: bool) -> bool:
    """True if a piece goes on a sheet; on one whose grain `turns` with it either way."""
    upright = each.width <= grid.width and each.height <= grid.height
    return upright or ((each.turns or turns) and each.height <= grid.width and each.width <= grid.height)


def taken_out(pattern: Pattern, times: int, surplus: dict[str, int]) -> list[tuple[Pattern, int]]:
    """Sheets of a pattern, in the last of which pieces that nobody wants are left uncut."""
    held: dict[str, int] = {}
    for laid in pattern.laid:
        held[laid.key] = held.get(laid.key, 0) + 1
    found: list[tuple[Pattern, int]] = []
    while times:
        spared = {key: min(count, surplus.get(key, 0)) for key, count in held.items()}
        if not any(spared.values()):
            return [*found, (pattern, times)]
        for key, count in spared.items():
            surplus[key] -= count
        lean = without(pattern, spared)
        if lean.laid:
            found.append((lean, 1))
        times -= 1
    return found
