"""The nip of a whole sandwich: pressure map, load along the crank, what the drive has to give."""

from dataclasses import dataclass

import numpy as np

from lofty_press.core.effects.blade import BladeContact
from lofty_press.core.nip.balance import Balance, balance
from lofty_press.core.nip.columns import Field
from lofty_press.core.nip.grading import spread_by_bending
from lofty_press.core.nip.strip import bite_limit, half_width
from lofty_press.core.stack.press import Press
from lofty_press.core.stack.shape import FloatArray


@dataclass(frozen=True)
class Nip:
    """State of the nip over one run.

    `pressure` (nx, ny) is the highest pressure each point sees [MPa]; `force`, `handle`, `give`, `tilt` (nx,) follow the crank [N,
    N, mm, mm/mm]. `interference` is the largest free thickness over the opening [mm].
    """

    field: Field
    pressure: FloatArray
    force: FloatArray
    handle: FloatArray
    give: FloatArray
    tilt: FloatArray
    interference: float
    contact: float
    bites_up_to: float
    iterations: int

    @property
    def peak_force(self) -> float:
        return float(self.force.max(initial=0.0))

    @property
    def peak_handle(self) -> float:
        return float(self.handle.max(initial=0.0))

    @property
    def bites(self) -> bool:
        return self.interference <= self.bites_up_to


def solve_nip(field: Field, press: Press, blade: BladeContact | None) -> Nip:
    """Balance every position along the crank."""
    rows = balance(field.columns, press, field.y, field.width)
    handle = handle_of(rows, press, field.work.sum(axis=1) * field.width, blade)
    free = field.columns.free
    interference = float(free.max(initial=0.0) - press.opening.mm)
    contact = half_width(press.roller_radius_mm, float(rows.compression.max(initial=0.0)))
    limit = bite_limit(press.roller_radius_mm, press.friction)
    at = field.row_of
    return Nip(
        field=field,
        pressure=spread_by_bending(rows.pressure[at], field.fade, (float(field.x[1] - field.x[0]), field.width)),
        force=rows.force[at],
        handle=handle[at],
        give=rows.give[at],
        tilt=rows.tilt[at],
        interference=interference,
        contact=contact,
        bites_up_to=limit,
        iterations=rows.iterations,
    )


def handle_of(rows: Balance, press: Press, working_width: FloatArray, blade: BladeContact | None) -> FloatArray:
    """Force at the handle for each balanced row, of which so much width is work (rows,) [N, mm]."""
    contact = np.sqrt(press.roller_radius_mm * np.maximum(rows.compression.max(axis=1), 0.0))
    cutting = np.zeros_like(contact)
    if blade is not None and blade.backing == "hard":
        # work of cutting per mm of feed: half of load times thickness on every mm of blade across
        per_feed = 0.5 * blade.cut_load * blade.sheet_thickness * blade.density
        cutting = per_feed * working_width * press.roller_radius_mm
    lever = press.drive.gear_ratio * press.drive.handle_radius_mm
    loss = press.rolling_loss * contact + press.bearing_drag_mm
    return np.asarray((rows.force * loss + cutting) / lever)
