"""Reliefs from shading: where lamps were, which way a face turns under them, and how high it is."""

from lofty_press.core.imaging.shading.scanned import shape_by_scans
from lofty_press.core.imaging.shading.shape import SIDES, Shape, Side, sides_missing
from lofty_press.core.imaging.shading.torchlit import shape_by_torch

__all__ = ["SIDES", "Shape", "Side", "shape_by_scans", "shape_by_torch", "sides_missing"]
