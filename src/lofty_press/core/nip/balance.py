"""How far the press gives: mean opening and tilt at which the frame carries exactly what the nip presses."""

from dataclasses import dataclass

import numpy as np

from lofty_press.core.errors import NoBalance
from lofty_press.core.nip.columns import Columns
from lofty_press.core.nip.kernel import balance_rows
from lofty_press.core.stack.press import Press
from lofty_press.core.stack.shape import FloatArray

TOLERANCE = 1e-9  # of the force that would act if the frame gave nothing


@dataclass(frozen=True)
class Balance:
    """Balanced rows: `give` and `tilt` (rows,) [mm, mm/mm], `force` (rows,) [N], `compression` and `pressure` (rows, across) [mm,
    MPa]; `iterations` is the most that any row took."""

    give: FloatArray
    tilt: FloatArray
    force: FloatArray
    compression: FloatArray
    pressure: FloatArray
    iterations: int


def plain(values: FloatArray) -> FloatArray:
    """The same in one piece of memory that can be written to: the kernel is compiled for that and nothing else, once."""
    return np.require(values, np.float64, ["C", "W"])


def balance(columns: Columns, press: Press, y: FloatArray, width: FloatArray | float, *, added: FloatArray | float = 0.0) -> Balance:
    """Solve the force and moment balance of the rollers for every row at once.

    Parameters
    ----------
    columns : Columns
        Piles of shape (rows, across).
    press : Press
    y : ndarray, shape (across,)
        Strip centres from the middle of the rollers. [mm]
    width : float or ndarray, shape (rows, across)
        Strip width. [mm]
    added : float or ndarray, shape (rows,)
        Thickness added to the whole row, for asking "what if". [mm]

    Raises
    ------
    NoBalance
        If Newton's method does not close the balance.

    Notes
    -----
    Two bearings of stiffness K/2 at +-L/2: opening grows by m + theta y with K m = sum w dy and (K L^2 / 4) theta = sum w y dy.
    Both equations are the gradient of one convex energy with a single minimum. The slope leaves out that the break points of
    yielding elements move with the rubber's stiffness: that costs Newton's method a step or two, its result does not depend
    on it.
    """
    closing = columns.free - press.opening.mm + np.reshape(np.broadcast_to(added, columns.free.shape[:1]), (-1, 1))
    give, tilt, force, compression, pressure, iterations, residual = balance_rows(
        plain(closing),
        plain(columns.linear),
        plain(columns.elastomers),
        plain(columns.elastomer_presence),
        plain(columns.yielding),
        plain(columns.yielding_presence),
        plain(y),
        plain(np.broadcast_to(np.asarray(width, dtype=np.float64), columns.free.shape)),
        float(press.roller_radius_mm),
        float(press.frame_stiffness_n_per_mm),
        float(press.bearing_span_mm),
        TOLERANCE,
    )
    if not residual < TOLERANCE:
        raise NoBalance(iterations, residual)
    return Balance(give, tilt, force, compression, pressure, iterations)
