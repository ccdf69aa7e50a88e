"""What sheets that cracked, and those that did not, tell of how much a stock bears."""

import math
from collections.abc import Iterable
from dataclasses import dataclass

import numpy as np
from scipy.special import ndtr

from lofty_press.core.judging.dialin.belief import Belief
from lofty_press.core.judging.verdict import crack_spread

CRACK = 0.4  # of the logarithm of a crack index, by which stocks of one sort differ; common practice, no published source
LAPSE = 0.03  # chance that what was noted is not what was seen
LEAST_INDEX = 0.05  # under which a sheet that held says nothing
NODES = np.linspace(-4.0, 4.0, 201)  # standard deviations over which the integral is taken


@dataclass(frozen=True)
class Held:
    """A sheet of a stock (the key of the unknown) that was stretched to an `index` of what such a stock bears, which may be off by a factor, and whether it
    `cracked`."""

    of: str
    index: float
    off_by: float
    cracked: bool


def taught_by_sheets(belief: Belief, sheets: Iterable[Held]) -> Belief:
    """The belief with what its stocks bear learnt.

    Notes
    -----
    How much a stock bears goes with nothing else in the belief, so that each stock is one integral over its own unknown b: a sheet cracks with
    Phi((ln index + b) / sigma). Whatever the order, it is the same.
    """
    by_stock: dict[str, list[Held]] = {}
    for sheet in sheets:
        if sheet.of in belief.index and LEAST_INDEX < sheet.index < math.inf:
            by_stock.setdefault(sheet.of, []).append(sheet)
    if not by_stock:
        return belief
    mean, cov = belief.mean.copy(), belief.cov.copy()
    for key, seen in by_stock.items():
        n = belief.index[key]
        values = mean[n] + math.sqrt(cov[n, n]) * NODES
        weight = np.exp(-0.5 * NODES**2)
        for sheet in seen:
            chance = ndtr((math.log(sheet.index) + values) / crack_spread(sheet.off_by))
            chance = chance if sheet.cracked else 1.0 - chance
            weight = weight * ((1.0 - LAPSE) * chance + 0.5 * LAPSE)
        weight /= weight.sum()
        mean[n] = float(weight @ values)
        cov[n, n] = float(weight @ (values - mean[n]) ** 2)
    return Belief(belief.keys, mean, cov)
