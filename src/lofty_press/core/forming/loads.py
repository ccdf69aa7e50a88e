"""From a sandwich to a forming problem."""

from dataclasses import dataclass, replace

import numpy as np

from lofty_press.core.effects.blade import BladeContact, blade_contact
from lofty_press.core.effects.needs import state_of_sheet
from lofty_press.core.errors import InvalidInput
from lofty_press.core.forming.panel import FINEST, Panel, Window, panel_over, pressure_over
from lofty_press.core.forming.problem import Forming
from lofty_press.core.forming.section import plate_section
from lofty_press.core.forming.surfaces import Face, face_on, facing_surfaces
from lofty_press.core.nip.columns import build_field
from lofty_press.core.nip.solve import Nip, solve_nip
from lofty_press.core.relief.height_map import Library
from lofty_press.core.stack.check import check_sandwich
from lofty_press.core.stack.effect import CUTTING
from lofty_press.core.stack.sandwich import Sandwich
from lofty_press.core.stack.shape import FloatArray
from lofty_press.core.stack.view import Placed, StackView
from lofty_press.core.stock.moisture import WorkingSheet
from lofty_press.core.stock.sheet import SheetStock

FRICTION = 0.3  # card on plastic or rubber under pressure; handbook magnitude, from memory
FINER_NIP = 4
RESTS, UNPRESSED = 0.02, 0.002  # share of the peak pressure under which contact is softened, and to what share of its stiffness
SHORTEST_DRAW, LONGEST_DRAW = 0.6, 6.0  # mm


@dataclass(frozen=True)
class Loaded:
    """A sandwich ready to be formed.

    `pressure` (nx, ny) is what the nip presses at each cell [MPa]; `forming` is None where nothing forms the sheet (a clean cut, or no
    pressure at all).
    """

    view: StackView
    sheet: Placed
    stock: SheetStock
    state: WorkingSheet
    blade: BladeContact | None
    nip: Nip
    panel: Panel
    pressure: FloatArray
    lower: Face
    upper: Face
    library: Library
    forming: Forming | None

    @property
    def tool(self) -> FloatArray:
        """The relief that presses, up positive, on whichever side it lies. [mm]"""
        return self.lower.profile - self.upper.profile

    @property
    def tool_side(self) -> Face:
        return self.lower if self.lower.tool is not None else self.upper


def load_sandwich(sandwich: Sandwich, library: Library, *, finest: float = FINEST, window: Window | None = None) -> Loaded:
    """Work out what presses the sheet where.

    Raises
    ------
    InvalidInput
        If there is no sheet, no pressing (the press refuses), or if parts of the sandwich contradict one another.
    """
    check_sandwich(sandwich)
    view = StackView(sandwich)
    sheet, state = view.sheet, state_of_sheet(view)
    if sheet is None or state is None or sheet.item.stock is None:
        raise InvalidInput("layers", "no sheet", "there is no sheet yet that could be pressed; add one")
    blade = blade_contact(view)
    nip = solve_nip(build_field(view, blade, finer=max(1, round(FINER_NIP * FINEST / finest))), view.press, blade)
    if not nip.bites:
        raise InvalidInput("layers", "too thick", "the press does not draw this in, so there is no impression; take a layer out")
    panel = panel_over(sheet, finest=finest, window=window)
    pressure = pressure_over(panel, nip) * panel.cover
    lower, upper = (face_on(view, panel, library, side) for side in ("down", "up"))
    loaded = Loaded(view, sheet, sheet.item.stock, state, blade, nip, panel, pressure, lower, upper, library, None)
    return loaded if forms_nothing(loaded) else replace(loaded, forming=forming_of(loaded))


def forms_nothing(loaded: Loaded) -> bool:
    """True where a blade goes through in place of forming, where no tool faces the sheet, or where nothing presses."""
    kind = loaded.view.sandwich.effect.kind
    side = loaded.tool_side
    blade_only = side.tool is not None and side.tool.item.relief is None
    cuts = kind in CUTTING or (loaded.blade is not None and loaded.blade.backing != "soft")
    return side.tool is None or not loaded.pressure.any() or (blade_only and cuts and kind not in ("metal", "emboss in die"))


def draw_in_length(state: WorkingSheet, thickness: float, pressure: float, flank: float) -> float:
    """Length over which stretch evens out [mm]: a tool's flank, along which nothing holds the sheet, and beyond its ends as far as
    friction on both faces takes to carry the yield tension, sigma t / (2 mu p). Held within 0.6 to 6 mm."""
    return float(np.clip(flank + state.yield_stress * thickness / (2 * FRICTION * max(pressure, 1e-3)), SHORTEST_DRAW, LONGEST_DRAW))


def flank_of(tool: Placed | None) -> float:
    """Length over which a tool rises from ground to height; an edge of a blade or of a cut motif has none. [mm]"""
    relief = tool.item.relief if tool is not None else None
    return 0.0 if relief is None or tool is None or tool.kind in ("motif", "letterpress plate") else relief.span_mm


def forming_of(loaded: Loaded) -> Forming:
    """The forming problem of a loaded sandwich."""
    sheet, stock, state, panel = loaded.sheet, loaded.stock, loaded.state, loaded.panel
    along, across = stock.modulus_along_mpa * state.slackening, stock.modulus_across_mpa * state.slackening
    quarter_turned = round(sheet.layer.rotation_deg / 90) % 2 == 1
    modulus_x, modulus_y = (across, along) if quarter_turned else (along, across)
    section = plate_section(
        thickness=sheet.thickness,
        modulus_x=modulus_x,
        modulus_y=modulus_y,
        poisson=0.3 if sheet.material.family == "rigid" else 0.2,
        yield_strain=state.yield_strain,
        hardening=stock.hardening,
    )
    lower, upper = facing_surfaces(loaded.view, panel, loaded.lower, loaded.upper)
    peak = float(loaded.pressure.max())
    share = loaded.pressure / peak
    stiff = np.full(panel.shape, 1.0 / loaded.lower.compliance), np.full(panel.shape, 1.0 / loaded.upper.compliance)
    pressed_from_above = loaded.lower.tool is not None
    rests = np.clip(share / RESTS, UNPRESSED, 1.0)  # where nothing presses, a sheet only lies there: stiff contact has nothing to do
    k_lower, k_upper = (stiff[0] * rests, stiff[1] * share) if pressed_from_above else (stiff[0] * share, stiff[1] * rests)
    if not pressed_from_above:  # the solver's upper surface is the one that moves: seen upside down, the tool lies below
        lower, upper, k_lower, k_upper = -upper, -lower, k_upper, k_lower
    working = float(loaded.pressure[loaded.pressure > 0.2 * peak].mean())
    return Forming(
        spacing=panel.spacing,
        section=section,
        cover=panel.cover,
        lower=lower,
        upper=upper,
        k_lower=k_lower,
        k_upper=k_upper,
        pressure=float(loaded.pressure.mean()),
        draw_in=draw_in_length(state, sheet.thickness, working, flank_of(loaded.tool_side.tool)),
    )
