"""Whether the rollers draw in each step of the pile that comes to them."""

import numpy as np

from lofty_press.core.nip.balance import Balance
from lofty_press.core.nip.columns import Field
from lofty_press.core.stack.press import Press
from lofty_press.core.stack.shape import FloatArray

STEP = 0.02  # mm; a smaller rise is no edge
PLACES = -np.linspace(0.98, 0.0, 9)  # of an edge in the nip, in half contact lengths before the rollers' line


def grip_of(field: Field, rows: Balance, press: Press) -> FloatArray:
    """Push that a step of the pile needs, over what the rollers' friction draws.

    Parameters
    ----------
    field : Field
        Positions along the feed, shape (nx,).
    rows : Balance
        Of the field's rows.
    press : Press

    Returns
    -------
    ndarray, shape (nx,)
        From 1 on the pile has to be pushed until the edge is in. [1]

    Notes
    -----
    An edge that has come as far as u (in half contact lengths) before the line between the rollers is being compressed there by
    d (1 - u^2): going on by ds takes p0 d (1 - u^2)^2 / 2 for each width, and the rollers draw with 2 mu times everything that they press,
    the part of the edge's own load that is in, and whatever came before it. The worst place of the edge counts. For one edge across
    everything, just touching, it becomes sqrt(d / R) / mu: the rolling bite condition d <= mu^2 R.

    References
    ----------
    Any rolling textbook, "bite condition"; from memory.
    """
    free = field.columns.free[field.row_of]
    before = np.concatenate([np.full((1, free.shape[1]), press.opening.mm), free[:-1]])
    depth = np.maximum(rows.compression[field.row_of], 0.0)
    pressure = rows.pressure[field.row_of]
    entering = (free - np.maximum(before, 0.0) > STEP) & (depth > 0)
    contact = np.sqrt(press.roller_radius_mm * depth)
    load = 4.0 / 3.0 * contact * pressure
    pushed = (0.5 * pressure * depth * entering).sum(axis=1)
    coming = (load * entering).sum(axis=1)
    there = (load * ~entering).sum(axis=1)
    share = 0.75 * (PLACES - PLACES**3 / 3.0 + 2.0 / 3.0)
    needs = pushed[:, None] * (1.0 - PLACES**2) ** 2
    draws = 2.0 * press.friction * (coming[:, None] * share + there[:, None])
    return np.asarray(np.where(pushed[:, None] > 0, needs / np.maximum(draws, 1e-12), 0.0).max(axis=1))
