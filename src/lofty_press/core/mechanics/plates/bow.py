"""How far scars bend a plate."""

from dataclasses import dataclass

import numpy as np

from lofty_press.core.mechanics.plates.wear import CELL, Wear
from lofty_press.core.sandwich.stack import FloatArray

KEPT = 0.1  # of the material that a scar displaces, what stays in the surface as strain and does not pile up at its lips; assumption


@dataclass(frozen=True)
class Bow:
    """A plate's bow: how far its middle lines stand from the chord between their ends, hollow towards the back counted positive [mm];
    `along` (nx,) and `across` (ny,) are those lines. [mm]"""

    height: float
    along: FloatArray
    across: FloatArray


def strain_of(wear: Wear) -> FloatArray:
    """Expansion of a face times the depth in which it sits, alike in both directions (nx, ny). [mm]

    Notes
    -----
    A scar of depth h displaces h^2 per length, 2 h wide: h / 2 over its own width. Where the surface is scarred through it takes no more, so
    the displaced depth is (h / 2) (1 - exp(-crossed)). A cut presses its walls apart across its run only: half for each direction.
    """
    return np.asarray(0.5 * KEPT * 0.5 * wear.deepest.astype(np.float64) * wear.scarred)


def bow_of(face: Wear, back: Wear, thickness: float, *, correction: float = 1.0) -> Bow:
    """Bow of a plate from the wear of both of its faces.

    Parameters
    ----------
    face, back : Wear
        Each seen from that face.
    thickness : float
        Of the plate, > 0. [mm]
    correction : float
        Measured bow over modelled bow at the time when it was measured. [1]

    Returns
    -------
    Bow

    Notes
    -----
    An expansion e within a thin depth h of one face of a free plate of thickness t bends it to the curvature 6 e h / t^2 (Stoney's
    formula with like moduli). The plate's deflection is taken as f(x) + g(y), the best of that form for a plate without Poisson's ratio:
    f'' is the mean of the curvature across, g'' the mean along. Both faces work against one another. Creep under pressure alone is alike
    through the thickness and bends nothing; what warps a plate in a hot room is not in it.

    References
    ----------
    G. G. Stoney, The tension of metallic films deposited by electrolysis, Proc. R. Soc. A 82, 1909; from memory.
    """
    curvature = correction * 6.0 / thickness**2 * (strain_of(face) - strain_of(back)[:, ::-1])
    along, across = (sagging(curvature.mean(axis=axis)) for axis in (1, 0))
    return Bow(float(peak(along) + peak(across)), along, across)


def sagging(curvature: FloatArray) -> FloatArray:
    """How far a line (n,) stands under the chord between its ends, for its curvature at even steps (n,) [1/mm]. [mm]"""
    slope = np.cumsum(curvature)[:-1] * CELL  # between the steps
    line = np.concatenate([[0.0], np.cumsum(slope) * CELL])
    return np.asarray(np.linspace(line[0], line[-1], line.size) - line)


def peak(line: FloatArray) -> float:
    """What of a line lies furthest from its chord. [mm]"""
    return float(line[np.argmax(np.abs(line))])
