"""From a sandwich to a forming problem."""

from dataclasses import dataclass, replace

import numpy as np

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.basics.words import say
from lofty_press.core.mechanics.effects import BladeContact, state_of_sheet
from lofty_press.core.mechanics.forming.closing import Closing, closing_of
from lofty_press.core.mechanics.forming.panel import FINEST, Panel, Window, panel_over, pressure_over
from lofty_press.core.mechanics.forming.problem import Forming
from lofty_press.core.mechanics.forming.strength import draw_in_length
from lofty_press.core.mechanics.forming.surfaces import Face, face_on, facing_surfaces, flank_of
from lofty_press.core.mechanics.nip import Exact, Nip, build_field, refined, solve_nip
from lofty_press.core.sandwich.relief import Library
from lofty_press.core.sandwich.stack import EFFECT_TRAITS, FloatArray, Placed, Sandwich, StackView, check_sandwich
from lofty_press.core.sandwich.stock import SheetStock, WorkingSheet, plate_section

COMMON = 0.05  # of the highest pressure, from which a place counts for what is common
RESTS, UNPRESSED = 0.02, 0.002  # share of the peak pressure under which contact is softened, and to what share of its stiffness


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
    closing: Closing
    nip: Nip
    panel: Panel
    pressure: FloatArray
    lower: Face
    upper: Face
    library: Library
    forming: Forming | None

    @property
    def blade(self) -> BladeContact | None:
        return self.closing.blade

    @property
    def usual_peak(self) -> float:
        """The highest pressure, but for a rim that bears more than twice what is common. [MPa]"""
        peak = float(self.pressure.max())
        pressed = self.pressure[self.pressure > COMMON * peak]
        return min(peak, 2.0 * float(np.median(pressed))) if pressed.size else peak

    @property
    def tool(self) -> FloatArray:
        """The relief that presses, up positive, on whichever side it lies. [mm]"""
        return self.lower.profile - self.upper.profile

    @property
    def tool_side(self) -> Face:
        return self.lower if self.lower.tool is not None else self.upper


def load_sandwich(
    sandwich: Sandwich, library: Library, *, finest: float = FINEST, window: Window | None = None, exact: Exact | None = None
) -> Loaded:
    """Work out what presses the sheet where; by the full nip, if that was computed before.

    Raises
    ------
    InvalidInput
        If there is no sheet, no pressing (the press refuses), or if parts of the sandwich contradict one another.
    """
    check_sandwich(sandwich)
    view = StackView(sandwich)
    sheet, state = view.sheet, state_of_sheet(view)
    if sheet is None or state is None or sheet.item.stock is None:
        raise InvalidInput("layers", "no sheet", say("there is no sheet to press yet; add one"))
    closing = closing_of(view, library)
    nip = solve_nip(build_field(view, closing.blade, closing.interface, library), view.press)
    if exact is not None:
        nip = refined(nip, exact)
    if not nip.bites:
        raise InvalidInput("layers", "too thick", say("the press won't pull this in, so there's no pressed sheet; take a layer out"))
    panel = panel_over(sheet, finest=finest, window=window)
    pressure = pressure_over(panel, nip) * panel.cover
    lower, upper = (face_on(view, panel, library, side) for side in ("down", "up"))
    loaded = Loaded(view, sheet, sheet.item.stock, state, closing, nip, panel, pressure, lower, upper, library, None)
    return loaded if forms_nothing(loaded) else replace(loaded, forming=forming_of(loaded))


def forms_nothing(loaded: Loaded) -> bool:
    """True where a blade goes through in place of forming, where no tool faces the sheet, or where nothing presses."""
    kind = loaded.view.sandwich.effect.kind
    side = loaded.tool_side
    blade_only = side.tool is not None and side.tool.item.relief is None
    cuts = EFFECT_TRAITS[kind].cuts or (loaded.blade is not None and loaded.blade.backing != "soft")
    return side.tool is None or not loaded.pressure.any() or (blade_only and cuts and kind not in ("metal", "emboss in die"))


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
        saturates=stock.saturates,
    )
    section = replace(section, relaxed=stock.relaxed)
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
        draw_in=draw_in_length(state.yield_stress, sheet.thickness, working, flank_of(loaded.tool_side.tool)),
    )
