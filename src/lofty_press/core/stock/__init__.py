"""Sheets: sizes, weights, strength, moisture."""

from lofty_press.core.stock.basis_weight import Grade, caliper, grammage
from lofty_press.core.stock.moisture import WorkingSheet, creep_gain, working_sheet
from lofty_press.core.stock.section import Section, bending_energy, plate_section, secant_and_tangent
from lofty_press.core.stock.sheet import Finish, ShapeSet, SheetStock

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
    "working_sheet",
]
