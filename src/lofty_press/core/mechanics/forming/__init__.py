"""The pressed sheet: how it closes, what it keeps, where it cracks, buckles, is cut and inked."""

from lofty_press.core.mechanics.forming.afterwards import CUTTING_PRESSURE, cut_after, pressed_flat
from lofty_press.core.mechanics.forming.closing import Closing, closing_of, formation_of
from lofty_press.core.mechanics.forming.figures import Figures, Worst, figures_of
from lofty_press.core.mechanics.forming.formation import Formation
from lofty_press.core.mechanics.forming.impression import Impression, press, press_loaded
from lofty_press.core.mechanics.forming.kept import keep_in
from lofty_press.core.mechanics.forming.loads import load_sandwich
from lofty_press.core.mechanics.forming.nested import Progress, form
from lofty_press.core.mechanics.forming.newton import Grid
from lofty_press.core.mechanics.forming.panel import FINEST, Window
from lofty_press.core.mechanics.forming.problem import Forming
from lofty_press.core.mechanics.forming.release import spring_back
from lofty_press.core.mechanics.forming.rolled import roll
from lofty_press.core.mechanics.forming.summary import NINE_IN_TEN, FormingSummary, as_deep_as_known, cut_at, full_nip, summary_at
from lofty_press.core.mechanics.forming.surfaces import stand_in_relief
from lofty_press.core.sandwich.stock import plate_section, secant_and_tangent

__all__ = [
    "CUTTING_PRESSURE",
    "FINEST",
    "NINE_IN_TEN",
    "Closing",
    "Figures",
    "Formation",
    "Forming",
    "FormingSummary",
    "Grid",
    "Impression",
    "Progress",
    "Window",
    "Worst",
    "as_deep_as_known",
    "closing_of",
    "cut_after",
    "cut_at",
    "figures_of",
    "form",
    "formation_of",
    "full_nip",
    "keep_in",
    "load_sandwich",
    "plate_section",
    "press",
    "press_loaded",
    "pressed_flat",
    "roll",
    "secant_and_tangent",
    "spring_back",
    "stand_in_relief",
    "summary_at",
]
