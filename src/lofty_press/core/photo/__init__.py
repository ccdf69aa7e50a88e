"""Photographs of tools, read in true size: the printed sheet they lie on, the camera that saw it, and what lies there."""

from lofty_press.core.photo.blade import blade_of
from lofty_press.core.photo.camera import Camera, camera_of
from lofty_press.core.photo.flat import Flat, flatten
from lofty_press.core.photo.markers import marker_cells, seen_markers
from lofty_press.core.photo.read import Reading, read_tools
from lofty_press.core.photo.target import LETTER, MARKER, METRIC, RULER, TARGETS, WEDGE, PaperName, Target
from lofty_press.core.photo.tools import Tool, tools_on

__all__ = [
    "LETTER",
    "MARKER",
    "METRIC",
    "RULER",
    "TARGETS",
    "WEDGE",
    "Camera",
    "Flat",
    "PaperName",
    "Reading",
    "Target",
    "Tool",
    "blade_of",
    "camera_of",
    "flatten",
    "marker_cells",
    "read_tools",
    "seen_markers",
    "tools_on",
]
