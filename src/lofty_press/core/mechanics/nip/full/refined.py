"""The full nip read off where the quick one stands, so that everything that reads a nip reads it."""

from dataclasses import dataclass, replace

import numpy as np
from scipy.ndimage import gaussian_filter, map_coordinates

from lofty_press.core.mechanics.nip.full.passing import Pass
from lofty_press.core.mechanics.nip.solve import Exact, Nip, carried, felt
from lofty_press.core.sandwich.stack import FloatArray

LEAST_BLADE = 0.02  # of the mean blade per area; in cells with less there is none


def exact_of(passed: Pass, nip: Nip) -> Exact:
    """What the full nip says at the places of the quick one's field, and along its blades."""
    layout, field = passed.layout, nip.field
    spreads = (0.5 * field.step / layout.spacing, 0.5 * field.width / layout.spacing)
    amount = layout.work * np.where(layout.work, layout.density, 0.0)
    load = gaussian_filter(felt_by_blades(passed) * amount, spreads, mode="constant")
    share = gaussian_filter(amount, spreads, mode="constant")
    per_amount = np.where(share > LEAST_BLADE, load / np.maximum(share, LEAST_BLADE), 0.0)
    at = np.meshgrid((field.x - layout.x[0]) / layout.spacing, (field.y - layout.y[0]) / layout.spacing, indexing="ij")
    known = gaussian_filter((share > LEAST_BLADE).astype(np.float64), spreads, mode="constant")
    filled = gaussian_filter(per_amount, spreads, mode="constant") / np.maximum(known, 1e-6)
    intensity = map_coordinates(np.where(share > LEAST_BLADE, per_amount, filled), at, order=1, mode="nearest")
    force = np.interp(field.x, passed.x, passed.force, left=0.0, right=0.0) if passed.x.size else np.zeros(field.x.size)
    return Exact(intensity, along_blades(passed), force)


def along_blades(passed: Pass) -> FloatArray | None:
    """Pressure along the blades, over the blade that lies there (n,), as of a die with its mean blade everywhere. [MPa]"""
    layout = passed.layout
    if layout.blades is None:
        return None
    i, j = (
        np.clip(np.round((layout.blades.places[:, k] - axis[0]) / layout.spacing).astype(np.intp), 0, axis.size - 1)
        for k, axis in enumerate((layout.x, layout.y))
    )
    return np.where(layout.blades.meets, felt_by_blades(passed)[i, j], 0.0)


def felt_by_blades(passed: Pass) -> FloatArray:
    """What the work feels in each cell (nx, ny): its pressure, or with a die what its mean blade would bear. [MPa]"""
    layout = passed.layout
    if layout.blades is None:
        return passed.peak
    home = layout.laws.pressures[layout.law, layout.laws.points[layout.law] - 1]
    return felt(passed.peak, np.maximum(layout.density, LEAST_BLADE), home)


def refined(nip: Nip, exact: Exact) -> Nip:
    """The nip with the full answer in place of the quick one; what turning takes goes with the rollers' force."""
    known, turning = replace(nip, exact=exact), nip.turning.under(exact.force)
    pressure = carried(exact.intensity, known.crowding, nip.field.home)
    return replace(known, pressure=pressure, force=exact.force, turning=turning, handle=turning.handle[turning.inside])


@dataclass(frozen=True)
class Correction:
    """Full over quick for one way to lay a sandwich: of the rollers' highest `force`, and of the mean at the `work`. [1]"""

    force: float
    work: float


def correction_of(nip: Nip, exact: Exact) -> Correction:
    """By how much the quick nip is off where the full one is known."""
    known, quick = replace(nip, exact=exact), float(nip.force.max(initial=0.0))
    return Correction(
        force=float(exact.force.max(initial=0.0)) / quick if quick > 0 else 1.0,
        work=known.at_work / nip.at_work if nip.at_work > 0 else 1.0,
    )


def corrected(nip: Nip, correction: Correction) -> Nip:
    """The quick nip of the same pile laid otherwise, taken to be off by as much: so that ways to lay it are compared alike."""
    force, turning = nip.force * correction.force, nip.turning
    turning = turning.under(force)
    pressure = carried(nip.intensity * correction.work, nip.crowding, nip.field.home)
    return replace(nip, pressure=pressure, force=force, turning=turning, handle=turning.handle[turning.inside])
