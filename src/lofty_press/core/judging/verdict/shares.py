"""The verdict over the whole work: how much of it is right, and where it is not."""

import math
from dataclasses import dataclass
from functools import cached_property
from typing import Literal

import numpy as np

from lofty_press.core.basics.words import Message, say
from lofty_press.core.mechanics.needs import Need
from lofty_press.core.mechanics.nip import BLADED, Field, Nip
from lofty_press.core.sandwich.stack import BoolArray, EffectTraits, FloatArray

Lack = Literal["bare", "untouched", "faint", "crushed"]
MINDED, UNCUT = (
    0.1,
    0.05,
)  # share of a relief, and of a blade's length, from which it spoils the sheet; the rest parts by hand; common practice, no source
SEEN = 0.02  # share of the work below which a part is the grid's own coarseness
ASIDE = 0.2  # of the work's half length: how far from its middle a part lies before it is called a side
RIM, MIDDLE = 0.66, 0.45  # of the way from the middle to the edge, on average
FRACTIONS = (
    (0.05, say("a twentieth")), (0.1, say("a tenth")), (0.2, say("a fifth")), (0.25, say("a quarter")), (1 / 3, say("a third")), (0.4, say("two fifths")), (0.5, say("half")),
    (0.6, say("three fifths")), (2 / 3, say("two thirds")), (0.75, say("three quarters")), (0.8, say("four fifths")), (0.9, say("nine tenths")), (1.0, say("all")),
)  # fmt: skip


@dataclass(frozen=True, eq=False)
class Part:
    """A part of the work that is not right: why, its share of the work [1], its cells and those of the whole work (nx, ny)."""

    lack: Lack
    share: float
    cells: BoolArray
    whole: BoolArray
    field: Field

    @cached_property
    def where(self) -> Message:
        """Where it lies in the work, in words, seen from above with the end that goes in first ahead."""
        return where_in(self.field, self.cells, self.whole)

    @cached_property
    def around(self) -> tuple[float, float, float, float]:
        """The rectangle around it: along the feed from and to, across it from and to. [mm]"""
        return rectangle_around(self.field, self.cells)


@dataclass(frozen=True)
class Shares:
    """Shares of the work [1]: `right`; and what is not, largest part first. Parts too small to be seen are left out. Up to a share `minded`
    nobody minds: no more is pressed less than `least` (nothing where a part meets no sheet), and no more is pressed harder than `most` [MPa]."""

    right: float
    parts: tuple[Part, ...]
    minded: float
    least: float
    most: float

    def factors(self, pressure: float) -> tuple[float, float]:
        """Factors of a need's pressures from which (>= 1, infinite where no pressure is enough), and up to which (<= 1), the whole work is right and not its
        mean only, where the mean is pressed with so much [MPa], as far as more or less is shared out alike. [1]"""
        if not pressure > 0.0:
            return 1.0, 1.0
        least = max(pressure / self.least, 1.0) if self.least > 0.0 else math.inf
        return least, min(pressure / self.most, 1.0) if self.most > 0.0 else 1.0

    def share(self, *lacks: Lack) -> float:
        """Share of the work that lacks one of these. [1]"""
        return sum(part.share for part in self.parts if part.lack in lacks)


def minded(effect: EffectTraits, passes: int) -> float:
    """Share of the work from which it spoils the sheet that it is pressed too little. [1]

    Notes
    -----
    For the second pass of a cut die and card are moved or turned as one, so that where blades crowd another stretch of them gets little: what stays uncut is
    what gets little both times.
    """
    return UNCUT ** (1.0 / min(passes, 2)) if effect.cuts else MINDED


def shares_of(nip: Nip, need: Need, least_minded: float = MINDED) -> Shares:
    """Place every cell of the work among the zones.

    The work is where tool and sheet lie over one another, and where a die, a motif or type has no sheet although it works with its whole face.
    """
    if nip.field.blades is not None and nip.field.density is not None:
        return shares_along_blades(nip, need, least_minded)
    field = nip.field
    bare = field.bare[field.row_of]
    weight = np.where(bare, np.maximum(nip.crowding * (nip.crowding >= BLADED), 0.0), nip.weight)
    whole = weight > 0
    pressed = whole & ~bare
    total = max(float(weight.sum()), 1e-12)
    marked, enough, too_much = (nip.intensity >= limit for limit in (need.mark, need.right, need.hard))
    lacking: dict[Lack, BoolArray] = {
        "bare": bare & whole,
        "untouched": pressed & ~marked,
        "faint": pressed & marked & ~enough,
        "crushed": pressed & too_much,
    }
    shares = {lack: float(weight[cells].sum()) / total for lack, cells in lacking.items()}
    parts = [Part(lack, share, lacking[lack], whole, field) for lack, share in shares.items() if share > SEEN]
    right = 1.0 - sum(shares.values())
    least, most = tails(nip.intensity[pressed], weight[pressed], total, least_minded)
    return Shares(max(right, 0.0), tuple(sorted(parts, key=lambda part: -part.share)), least_minded, least, most)


def tails(pressures: FloatArray, weights: FloatArray, total: float, minded: float) -> tuple[float, float]:
    """What all of the work but a share that nobody minds is pressed with at least, and at most. [MPa]

    Parameters
    ----------
    pressures, weights : array, shape (n,)
        Of what meets the sheet. [MPa, any]
    total : float
        Weight of the whole work; what is missing from it meets no sheet, and any of that which is seen spoils it.
    minded : float
        Share of the work that, pressed too little, spoils the sheet. [1]
    """
    order = np.argsort(pressures)
    below = np.cumsum(weights[order])
    bare = total - (float(below[-1]) if below.size else 0.0)
    if not below.size or bare > SEEN * total:
        return 0.0, float(pressures.max(initial=0.0))
    low, high = np.searchsorted(below, (minded * total - bare, (1.0 - MINDED) * total - bare))
    last = below.size - 1
    return float(pressures[order[min(low, last)]]), float(pressures[order[min(high, last)]])


def shares_along_blades(nip: Nip, need: Need, least_minded: float) -> Shares:
    """The same for each piece of the blades, by the load that it bears: what is right is what is cut, or pressed as a line."""
    field, blades = nip.field, nip.field.blades
    assert blades is not None
    bears, bare = nip.along_blades, ~blades.meets
    i, j = np.round(field.cells_of_blades).astype(np.intp)
    cell = np.clip(i, 0, field.x.size - 1) * field.y.size + np.clip(
        j, 0, field.y.size - 1
    )  # what lies beyond the rollers counts at their end

    def in_cells(pieces: BoolArray) -> FloatArray:
        """Length of some pieces in each cell (nx, ny). [mm]"""
        found = np.bincount(cell, blades.weights * pieces, minlength=field.x.size * field.y.size)
        return np.asarray(found.reshape(field.x.size, field.y.size))

    everything = in_cells(np.ones(bears.size, dtype=np.bool_))
    marked, enough, too_much = (bears >= limit for limit in (need.mark, need.right, need.hard))
    lacking: dict[Lack, BoolArray] = {
        "bare": bare,
        "untouched": ~bare & ~marked,
        "faint": ~bare & marked & ~enough,
        "crushed": ~bare & too_much,
    }
    shares = {lack: float(blades.weights[pieces].sum() / blades.weights.sum()) for lack, pieces in lacking.items()}
    parts = [
        Part(lack, share, mostly(in_cells(lacking[lack]), everything), everything > 0, field)
        for lack, share in shares.items()
        if share > SEEN
    ]
    least, most = tails(bears[~bare], blades.weights[~bare], float(blades.weights.sum()), least_minded)
    return Shares(max(1.0 - sum(shares.values()), 0.0), tuple(sorted(parts, key=lambda part: -part.share)), least_minded, least, most)


def mostly(part: FloatArray, whole: FloatArray) -> BoolArray:
    """Cells of which the greater part lacks something, or any that lack it where that is nowhere so."""
    most = (part > 0.5 * whole) & (whole > 0)
    return most if most.any() else part > 0


def where_in(field: Field, cells: BoolArray, whole: BoolArray) -> Message:
    """Where some cells lie in the work, seen from above with the end that goes in first ahead."""
    x, y = field.x, field.y
    along, across = np.nonzero(whole)
    middle_x, middle_y = 0.5 * (x[along].min() + x[along].max()), 0.5 * (y[across].min() + y[across].max())
    half_x, half_y = (max(0.5 * np.ptp(places), 1e-9) for places in (x[along], y[across]))
    along, across = np.nonzero(cells)
    u, v = (x[along] - middle_x) / half_x, (y[across] - middle_y) / half_y
    if max(abs(u.mean()), abs(v.mean())) < ASIDE:
        out = float(np.maximum(abs(u), abs(v)).mean())
        return say("its rim") if out > RIM else say("its middle") if out < MIDDLE else say("parts of it")
    if abs(v.mean()) >= abs(u.mean()):
        return say("its left") if v.mean() < 0 else say("its right")
    return say("the end that goes in first") if u.mean() < 0 else say("the end that goes in last")


def rectangle_around(field: Field, cells: BoolArray) -> tuple[float, float, float, float]:
    """From and to along the feed, from and to across it, cell edges included. [mm]"""
    along, across = np.nonzero(cells)
    dx, dy = 0.5 * float(field.x[1] - field.x[0]), 0.5 * field.width
    x, y = field.x[along], field.y[across]
    return float(x.min()) - dx, float(x.max()) + dx, float(y.min()) - dy, float(y.max()) + dy


def in_words(share: float) -> Message:
    """A share as a fraction that one says."""
    return min(FRACTIONS, key=lambda fraction: abs(fraction[0] - share))[1]
