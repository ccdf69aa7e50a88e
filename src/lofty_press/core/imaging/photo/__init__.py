"""Photographs of tools, read in true size: the printed sheet they lie on, the camera that saw it, and what lies there."""

from lofty_press.core.imaging.photo.blade import blade_of
from lofty_press.core.imaging.photo.camera import Camera, camera_of
from lofty_press.core.imaging.photo.corrected import Along, as_thick_as, blade_along
from lofty_press.core.imaging.photo.flat import CELL, Flat, Pixels, Sheet, flattened, from_above
from lofty_press.core.imaging.photo.laid import Laid
from lofty_press.core.imaging.photo.markers import GAMMA, marker_cells, seen_markers
from lofty_press.core.imaging.photo.paper import Values, bare_paper
from lofty_press.core.imaging.photo.read import Reading, read_tools, sheet_in
from lofty_press.core.imaging.photo.target import LETTER, MARKER, METRIC, RULER, TARGETS, WEDGE, PaperName, Target
from lofty_press.core.imaging.photo.tools import Tool, tools_on

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
