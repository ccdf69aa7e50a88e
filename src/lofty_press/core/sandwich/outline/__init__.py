"""Where blades run, what of a line or an area is in the nip, and overlaps of tools."""

from lofty_press.core.sandwich.outline.blade_runs import blade_lines, blade_runs, on_the_bed, walk
from lofty_press.core.sandwich.outline.in_nip import chords, length_within
from lofty_press.core.sandwich.outline.overlap import Overlap, goes_with, tool_overlaps, without_overlap

__all__ = [
    "Overlap",
    "blade_lines",
    "blade_runs",
    "chords",
    "goes_with",
    "length_within",
    "on_the_bed",
    "tool_overlaps",
    "walk",
    "without_overlap",
]
