"""Sheets: sizes, weights, strength, moisture."""

from lofty_press.core.stock.basis_weight import grammage
from lofty_press.core.stock.moisture import WorkingSheet, creep_gain, working_sheet
from lofty_press.core.stock.sheet import Finish, SheetStock

__all__ = [
    "Finish",
    "SheetStock",
    "WorkingSheet",
    "creep_gain",
    "grammage",
    "working_sheet",
]
