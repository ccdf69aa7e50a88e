"""Height maps of tools: from outlines and solids, kept and shown."""

from lofty_press.core.sandwich.relief.height_map import COARSEST, DEEPEST, LARGEST, HeightMap, Library, Line, no_library
from lofty_press.core.sandwich.relief.picture import hillshade, light_of_relief
from lofty_press.core.sandwich.relief.raster import FLANK, blade_map, distance_to_lines, grid_over, plateau_map
from lofty_press.core.sandwich.relief.solid import heights_from_above

__all__ = [
    "COARSEST",
    "DEEPEST",
    "FLANK",
    "LARGEST",
    "HeightMap",
    "Library",
    "Line",
    "blade_map",
    "distance_to_lines",
    "grid_over",
    "heights_from_above",
    "hillshade",
    "light_of_relief",
    "no_library",
    "plateau_map",
]
