"""How likely a sheet cracks."""

import math

from lofty_press.core.basics.trade import STOCK_SCATTER
from lofty_press.core.mechanics.forming import NINE_IN_TEN, FormingSummary


def crack_chance(forming: FormingSummary | None) -> float:
    """Chance that a sheet cracks.

    Notes
    -----
    The index is stretch over what the stock bears. Strength scatters, and the index may be off by its factor nine times in ten; both as
    normal scatter of the index's logarithm, so the chance is Phi(ln index / sigma).
    """
    index = max(forming.crack or 0.0, 0.0) if forming else 0.0
    if index <= 0.0 or forming is None:
        return 0.0
    return crack_chance_of(index, forming.off_by)


def crack_spread(off_by: float) -> float:
    """Standard deviation of the logarithm of an index that may be off by a factor, against what a sheet of the pack bears. [1]"""
    return math.hypot(STOCK_SCATTER.value, math.log(off_by) / NINE_IN_TEN)


def crack_chance_of(index: float, off_by: float) -> float:
    """Chance that a sheet cracks at an index > 0 that may be off by a factor; 0.5 at an index of 1.

    Examples
    --------
    >>> crack_chance_of(1.0, 1.6)
    0.5
    """
    return 0.5 * math.erfc(-math.log(index) / crack_spread(off_by) / math.sqrt(2.0))
