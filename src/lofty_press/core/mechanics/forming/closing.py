"""How a sandwich's sheet and tool close: what forming makes of the relief, and what the blade does."""

from dataclasses import dataclass, replace

import numpy as np

from lofty_press.core.mechanics.effects import BladeContact, blade_contact, state_of_sheet
from lofty_press.core.mechanics.forming.formation import RIGID, Formation, SheetSection, formation
from lofty_press.core.mechanics.forming.piece import piece_of
from lofty_press.core.mechanics.forming.surfaces import look
from lofty_press.core.mechanics.nip import Interface, LocalLaw, blade_law, risen, side_by_side
from lofty_press.core.sandwich.relief import Library, no_library
from lofty_press.core.sandwich.stack import FOLDERS, Placed, StackView
from lofty_press.core.sandwich.stock import WorkingSheet


@dataclass(frozen=True)
class Closing:
    """What lies between the two halves of the pile: the sheet's `state`, the `blade` that meets it, the `formation` of its relief, None where
    none is formed, and the `interface` that both make."""

    state: WorkingSheet | None
    blade: BladeContact | None
    formation: Formation | None
    interface: Interface
    library: Library = no_library

    def in_state(self, view: StackView, state: WorkingSheet) -> "Closing":
        """The same with the sheet damper, drier or pressed more often."""
        return replace(self, state=state, formation=formation_of(view, state, self.library))

    def on_the_relief(self, pressure: float) -> float:
        """What of a pressure the relief bears: all of it, unless a blade bears a part. [MPa]"""
        law = self.interface.law
        if self.blade is None or law.travel == 0.0:
            return pressure
        both = side_by_side(law, blade_law(self.blade))
        closed = float(both.closing_at(np.array([pressure]))[0]) - (both.travel - law.travel)
        if closed >= law.travel:
            return pressure
        return float(law.pressure_at(np.array([max(closed, 0.0)]))[0])


def closing_of(view: StackView, library: Library) -> Closing:
    """Work out how a sandwich closes.

    Raises
    ------
    InvalidInput
        If the outline of a tool is none.
    """
    state, blade = state_of_sheet(view), blade_contact(view)
    formed = formation_of(view, state, library)
    if formed is None:
        return Closing(state, blade, None, Interface(), library)
    tool = view.tool
    law = relief_law(formed)
    opens = law.travel if tool is not None and tool.kind in FOLDERS else 0.0
    return Closing(state, blade, formed, Interface(law, opens), library)


def formation_of(view: StackView, state: WorkingSheet | None, library: Library) -> Formation | None:
    """What becomes of a sandwich's sheet in its tool's relief; None where no tool forms it."""
    sheet, tool, effect = view.sheet, view.tool, view.sandwich.effect.kind
    if sheet is None or tool is None or state is None or sheet.item.stock is None or not view.sandwich.effect.traits.forms:
        return None
    piece = piece_of(tool, effect, library)
    if piece is None:
        return None
    stock = sheet.item.stock
    squeezed = sheet.young / state.modulus
    section = SheetSection(sheet.thickness, state.modulus, state.yield_strain, stock.hardening, stock.saturates, stock.relaxed, squeezed)
    return formation(piece, section, None if piece.matched else mat_behind(view, tool, sheet))


def mat_behind(view: StackView, tool: Placed, sheet: Placed) -> float:
    """Stiffness of what presses the sheet into a tool that has no other half. [N/mm3]"""
    _, compliance = look(view, "up" if sheet.index > tool.index else "down")
    stock = sheet.item.stock
    own = 0.5 * sheet.thickness / sheet.young if stock is not None and stock.relaxed else 1.0 / RIGID
    return 1.0 / max(compliance - own, 0.1 / RIGID)


def relief_law(formed: Formation) -> LocalLaw:
    """How a relief closes under pressure, from its first touch on."""
    pressure = np.concatenate([[0.0], formed.pressure])
    closing = np.concatenate([[0.0], np.maximum(formed.first - formed.gap, 0.0)])
    return LocalLaw(*risen(pressure, closing))
