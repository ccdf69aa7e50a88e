"""A sandwich's pile at one place as bonded layers between the rollers, in balance with the frame: without blade, relief or spread across."""

from dataclasses import dataclass

import shapely
from scipy.optimize import brentq

from lofty_press.core.errors import InvalidInput
from lofty_press.core.layered.layer import Layer
from lofty_press.core.layered.line_contact import Line, line_table
from lofty_press.core.stack.view import Placed, StackView

RUBBER = 0.4997  # Poisson's ratio of rubber-like layers: bulk modulus some thousand times the shear modulus; order of magnitude from memory
LEAST = 1e-4  # mm of closing that counts as contact


@dataclass(frozen=True)
class BarePile:
    """Layers from the bottom up, the sheet's index, the state of the nip per width, the width that it is taken over [mm], the rollers' force [N]
    and by how much the frame gives [mm]."""

    layers: tuple[Layer, ...]
    sheet: int
    line: Line
    width: float
    force: float
    give: float


def as_layer(placed: Placed) -> Layer:
    """A layer's isotropic elastic constants; a measured modulus is one of a layer that cannot spread, and is turned into Young's."""
    material = placed.material
    if material.family == "elastomer":
        return Layer(placed.name, placed.thickness, placed.modulus, RUBBER)
    nu = material.poisson
    young = placed.modulus if placed.item.modulus_mpa is None else placed.modulus * (1 + nu) * (1 - 2 * nu) / (1 - nu)
    return Layer(placed.name, placed.thickness, young, nu)


def middle_of_work(view: StackView) -> tuple[float, float]:
    """Middle of what sheet and tool share, or of the sheet alone. [mm]"""
    sheet = view.sheet
    if sheet is None:
        raise InvalidInput("layers", 0, "must hold a sheet to be pressed")
    shared = sheet.polygon if view.tool is None else sheet.polygon.intersection(view.tool.polygon)
    middle = (shared if shared.area > 0 else sheet.polygon).representative_point()
    return float(middle.x), float(middle.y)


def bare_pile(view: StackView) -> BarePile:
    """The pile in the middle of the work, taken as wide as its tool or sheet.

    Raises
    ------
    InvalidInput
        If there is no sheet, or the layers cannot be computed; names the field.

    Notes
    -----
    One width in balance with the frame: K m = w p(d - m), with d the free closing. It counts neither a blade nor a relief, and nothing that lies beside.
    """
    x, y = middle_of_work(view)
    there = [p for p in view.layers if covers(p, x, y)]
    assert view.sheet is not None
    layers = tuple(as_layer(p) for p in there)
    sheet = next(n for n, p in enumerate(there) if p is view.sheet)
    lead = view.tool or view.sheet
    width = min(lead.bounds[3] - lead.bounds[1], view.press.feed_width_mm)
    over = sum(layer.thickness for layer in layers) - view.press.opening.mm
    if over <= LEAST:
        return BarePile(layers, sheet, Line(max(over, 0.0), 0.0, 0.0, 0.0, (0.0, 0.0), (0.0, 0.0)), width, 0.0, 0.0)
    table = line_table(layers, sheet, view.press.roller_radius_mm, over)
    stiffness = view.press.frame_stiffness_n_per_mm
    give = float(brentq(lambda m: stiffness * m - width * table.at(over - m).load, 0.0, over, xtol=1e-9))
    closing = over - give
    if closing > table.reaches:
        raise InvalidInput("layers", f"{closing:.3f} mm of closing", f"must close by at most {table.reaches:.3f} mm for this model")
    return BarePile(layers, sheet, table.at(closing), width, stiffness * give, give)


def covers(placed: Placed, x: float, y: float) -> bool:
    """True if a layer lies at a place."""
    return bool(shapely.intersects_xy(placed.polygon, x, y))
