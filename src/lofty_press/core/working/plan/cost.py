"""What a job costs: paper, and what is used up beside it."""

from collections.abc import Iterable
from dataclasses import dataclass

from lofty_press.core.working.plan.cutting import CutList
from lofty_press.core.working.plan.job import Job
from lofty_press.core.working.plan.order import Operation
from lofty_press.core.working.work import WorkKey


@dataclass(frozen=True)
class Material:
    """Something that kinds of work use up: `price` of one, in the money of the others, which `lasts` for so many pieces."""

    name: str
    works: tuple[WorkKey, ...]
    price: float
    lasts: int


def paper_costs(job: Job, cuts: CutList) -> dict[str, float]:
    """Cost of the whole sheets that a job takes, by stock, in the money of their prices.

    Parameters
    ----------
    job : Job
    cuts : CutList
        Its cut list; off-cuts are paid for already.

    Returns
    -------
    dict of str to float
        Only stocks whose price is known.
    """
    found: dict[str, float] = {}
    for stock in job.stocks:
        taken = sum(cut.count for cut in cuts.cuts if cut.stock == stock.key and not cut.sheets.offcut)
        if stock.price is not None and taken:
            found[stock.key] = taken * stock.price
    return found


def material_costs(operations: Iterable[Operation], materials: Iterable[Material]) -> dict[str, float]:
    """Cost of what operations use up, by name: for every piece that each is done to, the spare ones too."""
    operations = tuple(operations)
    return {
        each.name: each.price / each.lasts * sum(o.count for o in operations if set(o.works) & set(each.works))
        for each in materials
        if any(set(o.works) & set(each.works) for o in operations)
    }
