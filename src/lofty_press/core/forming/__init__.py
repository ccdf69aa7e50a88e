"""The pressed sheet: how it closes, what it keeps, where it cracks, buckles, is cut and inked."""

from lofty_press.core.forming.afterwards import CUTTING_PRESSURE, cut_after, pressed_flat
from lofty_press.core.forming.closing import Closing, closing_of, formation_of
from lofty_press.core.forming.figures import Figures, Worst, figures_of
from lofty_press.core.forming.formation import Formation
from lofty_press.core.forming.impression import Impression, press, press_loaded
from lofty_press.core.forming.kept import keep_in
from lofty_press.core.forming.loads import load_sandwich
from lofty_press.core.forming.nested import Progress, form
from lofty_press.core.forming.newton import Grid
from lofty_press.core.forming.panel import FINEST, Window
from lofty_press.core.forming.problem import Forming
from lofty_press.core.forming.release import spring_back
from lofty_press.core.forming.rolled import roll
from lofty_press.core.forming.summary import NINE_IN_TEN, FormingSummary, as_deep_as_known, cut_at, full_nip, summary_at
from lofty_press.core.forming.surfaces import stand_in_relief
from lofty_press.core.stock import plate_section, secant_and_tangent

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
