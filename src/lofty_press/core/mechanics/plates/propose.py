"""Where the next run should lie on a plate, on which face and turned which way, so that it wears evenly."""

from collections.abc import Callable
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from lofty_press.core.mechanics.plates.bow import bow_of
from lofty_press.core.mechanics.plates.mark import FACES, Face, Pattern
from lofty_press.core.mechanics.plates.sliding import overlap_with
from lofty_press.core.mechanics.plates.wear import CELL, Laid, Wear, add_marks, axes_of
from lofty_press.core.sandwich.stack import BoolArray, FloatArray

Box = tuple[float, float, float, float]
CLOSE_LOOK = 4  # places for each face and turn that are worked out in full
EDGE = 2.0  # mm of a plate's rim that stays free
BOW_SEEN = 0.5  # mm; from here on a plate is called bowed
CROSSED_SEEN = 1.0  # a surface cut over once throughout


@dataclass(frozen=True)
class History:
    """Both faces of a plate, each seen from itself; thickness [mm] and how measured and modelled bow compare [1]."""

    face: Wear
    back: Wear
    thickness: float
    correction: float = 1.0

    def of(self, face: Face) -> Wear:
        return self.face if face == "face" else self.back

    def bow(self) -> float:
        """[mm]"""
        return bow_of(self.face, self.back, self.thickness, correction=self.correction).height


@dataclass(frozen=True)
class Proposal:
    """Where to lay a die on a plate: face, place [mm] and turn [degree] seen from it, and what wear and bow [mm] would be after the run."""

    face: Face
    x: float
    y: float
    turn: float
    worst: float
    bow: float

    @property
    def cost(self) -> float:
        """Worst wear and bow, each in units of what is seen. [1]"""
        return self.worst / CROSSED_SEEN + abs(self.bow) / BOW_SEEN


def propose(
    history: History,
    pattern: Pattern,
    depth: float,
    *,
    turns: tuple[float, ...] = (0.0, 180.0),
    faces: tuple[Face, ...] = FACES,
    room: Callable[[float], Box] | None = None,
) -> tuple[Proposal, ...]:
    """Look for the place that evens a plate out.

    Parameters
    ----------
    history : History
    pattern : Pattern
        Of the die.
    depth : float
        Of the scars that it will leave. [mm]
    turns : tuple of float
        Ways that it may be turned. [degree]
    faces : tuple of Face
        Faces that may be used.
    room : callable or None
        Where the die's middle may lie when it is turned so: lowest and highest along and across, seen from the face [mm]; None for wherever it
        stays on the plate.

    Returns
    -------
    tuple of Proposal
        Best first, one for each face and turn that has room for it; empty if the die is larger than the plate.

    Notes
    -----
    Everywhere on the plate the wear under the blade is a correlation of wear and pattern, done by Fourier transform; the places with
    least of it are then worked out in full, with the bow after the run.
    """
    found = []
    for face in faces:
        wear = history.of(face)
        x, y = axes_of(wear)
        for turn in turns:
            stamp = no_stamp(wear)
            add_marks(stamp, pattern, [Laid(0.0, 0.0, turn, depth)])
            if not stamp.crossed.any():
                continue
            allowed = places_with_room(pattern, turn, x, y, None if room is None else room(turn))
            if not allowed.any():
                continue
            under = overlap_with(wear.crossed, stamp.crossed[::-1, ::-1], mode="same") / stamp.crossed.sum()
            ranked = np.argsort(np.where(allowed, np.round(under, 6) + 1e-9 * np.hypot(x[:, None], y[None, :]), np.inf), axis=None)
            tried = [
                after(history, face, pattern, depth, turn, float(x[n // y.size]), float(y[n % y.size])) for n in spread(ranked, allowed)
            ]
            found.append(min(tried, key=lambda p: p.cost))
    return tuple(sorted(found, key=lambda p: p.cost))


def no_stamp(wear: Wear) -> Wear:
    """An unworn face of the same size."""
    return Wear(np.zeros_like(wear.crossed), np.zeros_like(wear.deepest))


def places_with_room(pattern: Pattern, turn: float, x: FloatArray, y: FloatArray, room: Box | None) -> BoolArray:
    """Where the die's middle may lie so that all of its blade is on the plate (nx, ny)."""
    angle = np.deg2rad(turn)
    c, s = np.cos(angle), np.sin(angle)
    px, py = pattern.places[:, 0], -pattern.places[:, 1]
    along, across = c * px - s * py, s * px + c * py
    half_x, half_y = (a[-1] + CELL / 2 - EDGE for a in (x, y))
    fits_x = (x + along.min() >= -half_x) & (x + along.max() <= half_x)
    fits_y = (y + across.min() >= -half_y) & (y + across.max() <= half_y)
    if room is not None:
        fits_x &= (x >= room[0]) & (x <= room[1])
        fits_y &= (y >= room[2]) & (y <= room[3])
    return np.asarray(fits_x[:, None] & fits_y[None, :])


def spread(ranked: NDArray[np.intp], allowed: BoolArray) -> list[int]:
    """The first places of a ranking, and some further down it: the least wear under the blade is not always the least bow."""
    count = int(np.count_nonzero(allowed))
    chosen = np.unique(np.concatenate([np.arange(min(2, count)), np.linspace(0, (count - 1) * 0.5, CLOSE_LOOK - 1).astype(int)]))
    return [int(ranked[n]) for n in chosen]


def after(history: History, face: Face, pattern: Pattern, depth: float, turn: float, x: float, y: float) -> Proposal:
    """A plate's state after one more run."""
    old = history.of(face)
    new = Wear(old.crossed.copy(), old.deepest.copy(), old.runs)
    add_marks(new, pattern, [Laid(x, y, turn, depth)])
    there = new.crossed[new.crossed > old.crossed]
    both = (new, history.back) if face == "face" else (history.face, new)
    bow = bow_of(*both, history.thickness, correction=history.correction).height
    return Proposal(face, x, y, turn, float(there.max(initial=0.0)), bow)
