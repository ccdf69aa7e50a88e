"""Sheets: sizes, weights, strength, moisture."""

from lofty_press.core.sandwich.stock.basis_weight import Grade, caliper, grammage
from lofty_press.core.sandwich.stock.moisture import WorkingSheet, creep_gain, working_sheet
from lofty_press.core.sandwich.stock.paper_sizes import sheet_format
from lofty_press.core.sandwich.stock.section import Section, bending_energy, plate_section, secant_and_tangent
from lofty_press.core.sandwich.stock.sheet import Finish, ShapeSet, SheetStock

__all__ = [
    "Finish",
    "Grade",
    "Section",
    "ShapeSet",
    "SheetStock",
    "WorkingSheet",
    "bending_energy",
    "caliper",
    "creep_gain",
    "grammage",
    "plate_section",
    "secant_and_tangent",
    "sheet_format",
    "working_sheet",
]
