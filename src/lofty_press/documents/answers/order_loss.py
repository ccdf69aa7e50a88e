"""What cutting after embossing costs: the relief before and after a flat pass, computed as the Impression is."""

import numpy as np

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.basics.words import say
from lofty_press.core.mechanics.forming import CUTTING_PRESSURE, press, pressed_flat
from lofty_press.core.sandwich.relief import Library
from lofty_press.core.sandwich.stack import FOLDERS, FloatArray, Sandwich, StackView
from lofty_press.documents.answers.assessment import Document

SPACING, TOLERANCE = 0.5, 2e-2


class OrderLossDocument(Document):
    """Depth of the relief [mm] when the sheet was cut first, and when it is cut afterwards at a mean pressure [MPa]; both after release."""

    cut_first_mm: float
    cut_after_mm: float
    kept_share: float
    pressure_mpa: float


def order_loss(sandwich: Sandwich, library: Library) -> OrderLossDocument:
    """Press the sheet, then press it flat once more.

    Raises
    ------
    InvalidInput
        If the sandwich forms no relief.
    """
    tool = StackView(sandwich).tool
    if tool is None or (tool.kind not in FOLDERS and tool.item.relief is None):
        raise InvalidInput("sandwich", sandwich.name, say("makes no relief that a cut could flatten"))
    found = press(sandwich, library, finest=SPACING, tolerance=TOLERANCE)
    if found.formed is None:
        raise InvalidInput("sandwich", sandwich.name, say("makes no relief that a cut could flatten"))
    sheet = found.loaded.panel.cover > 0.5
    before, after = depth(found.released, sheet), depth(pressed_flat(found, CUTTING_PRESSURE), sheet)
    return OrderLossDocument(
        cut_first_mm=round(before, 3),
        cut_after_mm=round(after, 3),
        kept_share=round(min(after / max(before, 1e-9), 1.0), 3),
        pressure_mpa=CUTTING_PRESSURE,
    )


def depth(heights: FloatArray, sheet: np.ndarray) -> float:
    """From the lowest to the highest twentieth of the sheet [mm]."""
    low, high = np.percentile(heights[sheet], (2.5, 97.5))
    return float(high - low)
