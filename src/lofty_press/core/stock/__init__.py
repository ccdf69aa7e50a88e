"""Sheets: sizes, weights, strength, moisture."""

from lofty_press.core.stock.basis_weight import Grade, caliper, grammage
from lofty_press.core.stock.moisture import WorkingSheet, creep_gain, working_sheet
from lofty_press.core.stock.sheet import Finish, SheetStock

__all__ = [
    "Finish",
    "Grade",
    "SheetStock",
    "WorkingSheet",
    "caliper",
    "creep_gain",
    "grammage",
    "working_sheet",
]
