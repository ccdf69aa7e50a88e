"""The one nip: how a sandwich carries the rollers' load, quickly and in full."""

from lofty_press.core.mechanics.nip.balance import balance
from lofty_press.core.mechanics.nip.blade_loads import blade_loads, cut_share
from lofty_press.core.mechanics.nip.blades import Blades, blades_of
from lofty_press.core.mechanics.nip.columns import Field, band_of, build_field
from lofty_press.core.mechanics.nip.full.layout import lay_out
from lofty_press.core.mechanics.nip.full.passing import Report, roll_through
from lofty_press.core.mechanics.nip.full.refined import Correction, corrected, correction_of, exact_of, refined
from lofty_press.core.mechanics.nip.local_law import LocalLaw, risen, side_by_side
from lofty_press.core.mechanics.nip.piles import Interface, blade_law
from lofty_press.core.mechanics.nip.places import Place, middle_and_worst, place_at
from lofty_press.core.mechanics.nip.solve import BLADED, Exact, Nip, felt, solve_nip
from lofty_press.core.mechanics.nip.strip import bite_limit
from lofty_press.core.mechanics.nip.turning import Turning, lever_of, steady_of

__all__ = [
    "BLADED",
    "Blades",
    "Correction",
    "Exact",
    "Field",
    "Interface",
    "LocalLaw",
    "Nip",
    "Place",
    "Report",
    "Turning",
    "balance",
    "band_of",
    "bite_limit",
    "blade_law",
    "blade_loads",
    "blades_of",
    "build_field",
    "corrected",
    "correction_of",
    "cut_share",
    "exact_of",
    "felt",
    "lay_out",
    "lever_of",
    "middle_and_worst",
    "place_at",
    "refined",
    "risen",
    "roll_through",
    "side_by_side",
    "solve_nip",
    "steady_of",
]
