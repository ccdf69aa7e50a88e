"""The working state of a sheet: dry, or some time after a light mist."""

import math
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from lofty_press.core.sandwich.stock.sheet import SheetStock

FloatArray = NDArray[np.float64]


@dataclass(frozen=True, slots=True)
class WorkingSheet:
    """Strength of a sheet as it enters the nip: modulus [MPa] and its share of the dry one, yield stress [MPa], strain at yield, strains at
    break along and across the grain [1], dampness 0 to 1."""

    modulus: float
    slackening: float
    yield_stress: float
    yield_strain: float
    break_along: float
    break_across: float
    dampness: float

    def share_of_break(self, stretch: FloatArray, along: FloatArray) -> FloatArray:
        """How much of what a sheet bears it is stretched, from its stretch in all directions and the part of it along the grain. [1]

        Notes
        -----
        Each direction counts with what it bears, and both add up: a stretch e at an angle a to the grain counts
        e (cos^2 a / e_along + sin^2 a / e_across). That stretches in two directions add up is an assumption, on the safe side.
        """
        return np.asarray(along / self.break_along + (stretch - along) / self.break_across)


def creep_gain(passes: int) -> float:
    """How much further the same pressure goes after some passes [1].

    Notes
    -----
    Paper under load creeps about linearly in the logarithm of time; each doubling of the passes counts as 15 % more. The
    15 % is an assumption with no published source: it says "later passes add, and add less and less", no more.
    """
    return 1.0 + 0.15 * math.log2(max(passes, 1))


def working_sheet(stock: SheetStock, mist_age: float | None, *, passes: int = 1) -> WorkingSheet:
    """Strength of a stock at a time after misting and after some passes.

    Parameters
    ----------
    stock : SheetStock
        The dry stock.
    mist_age : float or None
        Time since misting, >= 0; None for a dry sheet. [s]
    passes : int
        How often the sheet goes through the rollers, >= 1. [1]

    Returns
    -------
    WorkingSheet

    Notes
    -----
    Dampness w = exp(-age / fades). Yield strain is scaled by 1 + w (yield_factor - 1), strain at break and modulus alike, and the
    passes lower the yield strain by `creep_gain`.
    """
    damp = 0.0
    soften = toughen = slacken = 1.0
    if mist_age is not None and stock.mist is not None:
        damp = math.exp(-mist_age / max(stock.mist.fades_s, 1e-9))
        soften = 1.0 + damp * (stock.mist.yield_factor - 1.0)
        toughen = 1.0 + damp * (stock.mist.break_factor - 1.0)
        slacken = 1.0 + damp * (stock.mist.modulus_factor - 1.0)
    yield_strain = stock.yield_strain * soften / creep_gain(passes)
    apart = math.sqrt(stock.breaks_apart)
    return WorkingSheet(
        modulus=stock.modulus * slacken,
        slackening=slacken,
        yield_stress=stock.modulus * slacken * yield_strain,
        yield_strain=yield_strain,
        break_along=stock.break_strain * toughen / apart,
        break_across=stock.break_strain * toughen * apart,
        dampness=damp,
    )
