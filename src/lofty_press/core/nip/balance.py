"""How far the press gives: mean opening and tilt at which the frame carries exactly what the nip presses."""

from dataclasses import dataclass

import numpy as np

from lofty_press.core.errors import NoBalance
from lofty_press.core.nip.columns import Columns
from lofty_press.core.nip.pressure import Response, respond
from lofty_press.core.stack.footprint import FloatArray
from lofty_press.core.stack.press import Press

MOST_ITERATIONS = 80
TOLERANCE = 1e-9  # of the force that would act if the frame gave nothing


@dataclass(frozen=True)
class Balance:
    """Balanced rows: `give` and `tilt` (rows,) [mm, mm/mm], `force` (rows,) [N], `compression` (rows, across) [mm], and the
    piles' `response` there."""

    give: FloatArray
    tilt: FloatArray
    force: FloatArray
    compression: FloatArray
    response: Response
    iterations: int


def balance(columns: Columns, press: Press, y: FloatArray, width: float, *, added: FloatArray | float = 0.0) -> Balance:
    """Solve the force and moment balance of the rollers for every row at once.

    Parameters
    ----------
    columns : Columns
        Piles of shape (rows, across).
    press : Press
    y : ndarray, shape (across,)
        Strip centres from the middle of the rollers. [mm]
    width : float
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
    Both equations are the gradient of one convex energy, and the load falls ever more slowly as the rollers open, so Newton's
    method from the closed side runs to the root without passing it; steps are halved should rounding break that.
    """
    stiffness = press.frame_stiffness_n_per_mm
    turning = stiffness * press.bearing_span_mm**2 / 4.0
    closing = columns.free - press.opening.mm + np.reshape(np.broadcast_to(added, columns.free.shape[:1]), (-1, 1))
    give = np.zeros(columns.free.shape[0])
    tilt = np.zeros_like(give)
    scale = None
    residual = np.inf
    for iteration in range(MOST_ITERATIONS):
        compression = closing - give[:, None] - tilt[:, None] * y
        response = respond(columns, compression, press.roller_radius_mm)
        force = response.load.sum(axis=1) * width
        moment = (response.load @ y) * width
        if scale is None:
            scale = np.maximum(force, 1.0)
        out_force = force - stiffness * give
        out_moment = moment - turning * tilt
        residual = float(np.max(np.abs(out_force) / scale + np.abs(out_moment) / (scale * press.bearing_span_mm)))
        if residual < TOLERANCE:
            return Balance(give, tilt, force, compression, response, iteration)
        k00 = response.slope.sum(axis=1) * width + stiffness
        k01 = (response.slope @ y) * width
        k11 = (response.slope @ (y * y)) * width + turning
        determinant = k00 * k11 - k01 * k01
        step = (out_force * k11 - out_moment * k01) / determinant
        turn = (out_moment * k00 - out_force * k01) / determinant
        damping = 1.0 if iteration < MOST_ITERATIONS // 2 else 0.5
        give = give + damping * step
        tilt = tilt + damping * turn
    raise NoBalance(MOST_ITERATIONS, residual)
