"""What the paper of a job costs."""

from lofty_press.core.plan.cutting import CutList
from lofty_press.core.plan.job import Job


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
