"""What is left of a job's sheets once they are cut: the whole ones that were not needed, and the off-cuts."""

from collections import Counter
from dataclasses import replace
from fractions import Fraction

from lofty_press.core.working.plan.cutting.cut_list import CutList, CutSheet
from lofty_press.core.working.plan.job import Grain, Job, Sheets, Size, Stock

LEAST_SIDE = Fraction(25)
"""A strip narrower than this goes to the scraps. [mm]; common practice, no published source"""


def left_over(job: Job, cuts: CutList) -> tuple[Stock, ...]:
    """The stocks that a job was cut from, as they are afterwards.

    Parameters
    ----------
    job : Job
    cuts : CutList
        Its cut list.

    Returns
    -------
    tuple of Stock
        Whole sheets keep their size where none is left, used-up off-cuts are gone; new off-cuts are counted by size, the largest first.
        What was bought was bought for this job: of it only the off-cuts are left.
    """
    used = {cut.stock for cut in cuts.cuts}
    return tuple(replace(stock, sheets=sheets_after(stock, cuts.cuts)) for stock in job.stocks if stock.key in used)


def sheets_after(stock: Stock, cuts: tuple[CutSheet, ...]) -> tuple[Sheets, ...]:
    """What is left of one stock."""
    taken: Counter[str] = Counter()
    offcuts: Counter[tuple[Size, Grain | None]] = Counter()
    for cut in cuts:
        if cut.stock != stock.key:
            continue
        if not cut.bought:
            taken[cut.sheets.key] += cut.count
        for rest in cut.pattern.rests:
            if min(rest.width, rest.height) >= LEAST_SIDE:
                # in a pattern the grain stands upright, where it is known
                offcuts[Size(rest.width, rest.height), "upright" if cut.sheets.grain else None] += cut.count
    found: list[Sheets] = []
    for sheets in stock.sheets:
        left = None if sheets.count is None else sheets.count - taken[sheets.key]
        if not sheets.offcut:
            found.append(replace(sheets, count=left))
        elif left:
            offcuts[sheets.size, sheets.grain] += left
    ranked = sorted(offcuts.items(), key=lambda one: -one[0][0].width * one[0][0].height)
    return (*found, *(Sheets(f"{stock.key}-off{n}", size, count, grain, offcut=True) for n, ((size, grain), count) in enumerate(ranked)))
