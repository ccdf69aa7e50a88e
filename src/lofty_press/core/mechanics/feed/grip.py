"""Whether the rollers draw in each step of the pile that comes to them."""

import numpy as np

from lofty_press.core.mechanics.layered import STORED
from lofty_press.core.mechanics.nip import Nip
from lofty_press.core.sandwich.stack import FloatArray, Press

HAND = 5.0  # N; a push that nobody notices
STEP = 0.02  # mm; a smaller rise is no edge
PLACES = np.cos(
    np.linspace(0.05, 0.5 * np.pi, 10)
)  # of an edge in the nip, before the rollers' line, in lengths from where a corner first meets them


def grip_of(nip: Nip, press: Press) -> FloatArray:
    """Push that a step of the pile needs, over what the rollers' friction draws.

    Parameters
    ----------
    nip : Nip
        Positions along the feed, shape (nx,).
    press : Press

    Returns
    -------
    ndarray, shape (nx,)
        From 1 on the pile has to be pushed until the edge is in. [1]

    Notes
    -----
    An edge that has come as far as u (in lengths sqrt(R d)) before the line between the rollers is closed there by d (1 - u^2), and bears
    W (1 - u^2)^n if its load grows with the n-th power of the closing. Pushing it on by ds takes that load times the slope 2 u sqrt(d / R),
    and the rollers draw with 2 mu times everything that they press: the edge itself, and whatever came before it. The worst place of the
    edge counts. For one edge across everything, just touching, it is sqrt(d / R) / mu, but for a push of the hand, whatever gives: the rolling bite condition d <= mu^2 R.

    References
    ----------
    Any rolling textbook, "bite condition"; from memory.
    """
    field, rows = nip.field, nip.rows
    free = field.columns.free[field.row_of]
    before = np.concatenate([np.full((1, free.shape[1]), press.opening.mm), free[:-1]])
    depth = np.maximum(rows.compression[field.row_of], 0.0)
    load = rows.load[field.row_of]
    entering = (free - np.maximum(before, 0.0) > STEP) & (depth > 0)
    found = np.zeros(free.shape[0])
    for row in np.flatnonzero(entering.any(axis=1)):
        there = entering[row]
        d, w = depth[row, there], load[row, there]
        grows = np.maximum(w * d / np.maximum(rows.channel_in(STORED, field.row_of[row])[there], 1e-12) - 1.0, 1.0)
        borne = w * (1.0 - PLACES[:, None] ** 2) ** grows
        needs = (borne * 2.0 * np.abs(PLACES)[:, None] * np.sqrt(d / press.roller_radius_mm)).sum(axis=1)
        draws = 2.0 * press.friction * (borne.sum(axis=1) + load[row, ~there].sum())
        found[row] = float((needs * field.width / (draws * field.width + HAND)).max())
    return found
