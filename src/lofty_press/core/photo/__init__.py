"""Photographs of tools, read in true size: the printed sheet they lie on, the camera that saw it, and what lies there."""

from lofty_press.core.photo.blade import blade_of
from lofty_press.core.photo.camera import Camera, camera_of
from lofty_press.core.photo.corrected import Along, as_thick_as, blade_along
from lofty_press.core.photo.flat import CELL, Flat, Pixels, Sheet, flattened, from_above
from lofty_press.core.photo.laid import Laid
from lofty_press.core.photo.markers import GAMMA, marker_cells, seen_markers
from lofty_press.core.photo.paper import Values, bare_paper
from lofty_press.core.photo.read import Reading, read_tools, sheet_in
from lofty_press.core.photo.target import LETTER, MARKER, METRIC, RULER, TARGETS, WEDGE, PaperName, Target
from lofty_press.core.photo.tools import Tool, tools_on

__all__ = [
    "CELL",
    "GAMMA",
    "LETTER",
    "MARKER",
    "METRIC",
    "RULER",
    "TARGETS",
    "WEDGE",
    "Along",
    "Camera",
    "Flat",
    "Laid",
    "PaperName",
    "Pixels",
    "Reading",
    "Sheet",
    "Target",
    "Tool",
    "Values",
    "as_thick_as",
    "bare_paper",
    "blade_along",
    "blade_of",
    "camera_of",
    "flattened",
    "from_above",
    "marker_cells",
    "read_tools",
    "seen_markers",
    "sheet_in",
    "tools_on",
]
