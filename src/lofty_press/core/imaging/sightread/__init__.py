"""Pressed sheets, read from one photo: laid over the predicted sheet and compared with it."""

from lofty_press.core.imaging.sightread.compare import Compared
from lofty_press.core.imaging.sightread.corners import CELL
from lofty_press.core.imaging.sightread.read import FAINT, Seen, SheetReading, Sight, read_sheet

__all__ = ["CELL", "FAINT", "Compared", "Seen", "SheetReading", "Sight", "read_sheet"]
