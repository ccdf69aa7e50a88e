"""How far the press gives: opening, tilt and bent rollers at which it carries exactly what the nip presses."""

from dataclasses import dataclass
from functools import cached_property

import numpy as np

from lofty_press.core.basics.errors import NoBalance
from lofty_press.core.mechanics.layered import HALF, LOAD, PRESSURE, STORED, WORK
from lofty_press.core.mechanics.nip.columns import Columns
from lofty_press.core.mechanics.nip.kernel import Loads, Modes, Rows, balance_rows, plain, read_off
from lofty_press.core.mechanics.nip.press_ways import Ways, ways_of
from lofty_press.core.sandwich.stack import FloatArray, Press

TOLERANCE = 1e-8  # of the rollers' force
ELLIPSE = 2.0 / (3.0 * np.pi)  # moment of one half of an elliptic pressure about the middle, over load and half width


@dataclass(frozen=True)
class Balance:
    """Balanced rows: how far each of the press's `ways` has gone (rows, ways), `force` (rows,) [N], `compression` (rows, across) [mm];
    `iterations` is the most that any row took."""

    columns: Columns
    ways: Ways
    gone: FloatArray
    force: FloatArray
    compression: FloatArray
    width: float
    iterations: int

    @property
    def give(self) -> FloatArray:
        """Opening of the frame (rows,). [mm]"""
        return self.gone[:, 0]

    @property
    def tilt(self) -> FloatArray:
        """Tilt of the rollers (rows,). [mm/mm]"""
        return self.gone[:, 1]

    @cached_property
    def channels(self) -> FloatArray:
        """All of the curves' channels at every place (channels, rows, across)."""
        c = self.columns
        found: FloatArray = read_off(self.compression, c.pile, c.mix, c.curves.values, c.curves.steps)
        return found

    def channel(self, which: int) -> FloatArray:
        """One of them (rows, across)."""
        return np.asarray(self.channels[which])

    def channel_in(self, which: int, row: int) -> FloatArray:
        """The same in one row only (across,)."""
        return np.asarray(self.channels[which, row])

    @property
    def pressure(self) -> FloatArray:
        """Highest pressure at the sheet (rows, across). [MPa]"""
        return self.channel(PRESSURE)

    @property
    def load(self) -> FloatArray:
        """Force per width (rows, across). [N/mm]"""
        return self.channel(LOAD)

    @property
    def half_width(self) -> FloatArray:
        """Mean half width of the contacts with both rollers (rows, across). [mm]"""
        return self.channel(HALF)

    def torque(self, press: Press) -> FloatArray:
        """Torque on both rollers together that losses take (rows,). [N mm]

        Every mm of feed presses as much pile as it lets go. What the front halves of both contacts put in is the moment of their pressure; of
        it the pile's own share is lost, and besides what the interface took: cutting where a blade cuts, forming where a sheet gives way.
        """
        into = 2.0 * ELLIPSE * self.load * self.half_width
        lost = self.columns.curves.loss[self.columns.pile] * into + press.roller_radius_mm * self.channel(WORK)
        return np.asarray(lost.sum(axis=1) * self.width + press.bearing_drag_mm * self.force)

    def stored(self) -> FloatArray:
        """Energy that press and piles hold in every row and would give back (rows,). [N mm]"""
        piles = self.channel(STORED).sum(axis=1) * self.width
        return np.asarray(piles + 0.5 * (self.gone**2 @ self.ways.stiffness))


def balance(columns: Columns, press: Press, y: FloatArray, width: float, *, added: FloatArray | float = 0.0) -> Balance:
    """Solve the balance of the rollers for every row at once.

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
    Each strip answers to its own closing d - sum_k a_k phi_k(y) with a load per width; for every way k in which the press gives,
    K_k a_k = sum q phi_k dy. All equations are the gradient of one convex energy with a single minimum.
    """
    closing = columns.free - press.opening.mm + np.reshape(np.broadcast_to(added, columns.free.shape[:1]), (-1, 1))
    ways = ways_of(press, y)
    try:
        solved = balance_rows(
            Rows(plain(closing), np.require(columns.pile, np.intp, ["C", "W"]), plain(columns.mix)),
            Loads(columns.curves.values[LOAD], plain(columns.curves.steps)),
            Modes(plain(ways.shapes), plain(ways.stiffness)),
            float(width),
            TOLERANCE,
        )
    except (np.linalg.LinAlgError, ArithmeticError, ValueError) as error:
        raise NoBalance(0, float("nan")) from error
    gone, force, compression, iterations, residual = solved
    if not residual <= TOLERANCE:
        raise NoBalance(iterations, residual)
    return Balance(columns, ways, gone, force, compression, width, iterations)
