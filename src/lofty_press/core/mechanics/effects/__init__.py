"""What blades and reliefs are and do by themselves, and the state of a sheet."""

from lofty_press.core.mechanics.effects.blade import (
    BLADE_STATES,
    PINCHED,
    SILICONE_TEAR,
    BladeContact,
    BladeState,
    blade_contact,
    dies_at_work,
    is_intricate,
    is_soft,
    mat_foundation,
)
from lofty_press.core.mechanics.effects.relief_of import DIE_RELIEF_SPAN, effective_relief
from lofty_press.core.mechanics.effects.state import state_of_sheet

__all__ = [
    "BLADE_STATES",
    "DIE_RELIEF_SPAN",
    "PINCHED",
    "SILICONE_TEAR",
    "BladeContact",
    "BladeState",
    "blade_contact",
    "dies_at_work",
    "effective_relief",
    "is_intricate",
    "is_soft",
    "mat_foundation",
    "state_of_sheet",
]
