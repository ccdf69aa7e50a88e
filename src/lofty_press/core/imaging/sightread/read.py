"""One photo of a pressed sheet, read: what came out as predicted, what didn't, and where. The front door of this folder."""

from dataclasses import dataclass
from typing import Literal

import cv2
import numpy as np
from scipy.ndimage import minimum_filter

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.basics.words import say
from lofty_press.core.imaging.photo import Pixels
from lofty_press.core.imaging.sightread.compare import RIM, Compared, compared, laid_coarsely
from lofty_press.core.imaging.sightread.corners import CELL, Shown, shown_sheet
from lofty_press.core.sandwich.stack import BoolArray, FloatArray

Sight = Literal["faint", "blank", "cut", "cracked"]
FAINT, BLANK = 0.62, 0.2  # share of the predicted relief, under which a place is faint, and blank
LEAST_FAINT, LEAST_CUT, LEAST_CRACK = 80.0, 3.0, 1.2  # mm2
AS_TABLE = 0.3  # difference from the table's light over that from the sheet's, under which a place is a hole
FLANK, FLANK_NEAR, MOSTLY = -0.12, 1, 0.6  # shading that a dark flank has; cells round it; share of a place that is one
BRIGHT, PALE = 0.12, 0.025  # over the light round about, and change of color, from which a place shows the core
TELLS = 0.2  # of the shading that the prediction explains, under which nothing is claimed of its relief


@dataclass(frozen=True)
class Seen:
    """Something seen: what, where its middle is along and across the feed from the sheet's middle, its box (least along, least across, most along, most across)
    [mm], and how much of the predicted relief is left there [1]."""

    sight: Sight
    middle: tuple[float, float]
    box: tuple[float, float, float, float]
    share: float


@dataclass(frozen=True)
class SheetReading:
    """What a photo says of a sheet: the comparison, the sheet from above, what is seen, and whether the photo tells anything of its relief."""

    compared: Compared
    shown: Shown
    seen: tuple[Seen, ...]
    tells: bool


def read_sheet(photo: Pixels, heights: FloatArray, size: tuple[float, float]) -> SheetReading:
    """Read a photo of a pressed sheet.

    Parameters
    ----------
    photo : ndarray, shape (height, width, 3)
        Blue, green, red, the sheet on a table of another color, lit from one side. [0 to 255]
    heights : ndarray, shape (nx, ny)
        Predicted heights of the side that is seen, along and across the feed, in cells of `CELL`. [mm]
    size : tuple of float
        Of the sheet along and across the feed. [mm]

    Raises
    ------
    InvalidInput
        If no sheet is seen, or it is too dark.
    """
    if not np.isfinite(heights).all() or float(np.ptp(heights)) <= 0:
        raise InvalidInput("sheet", "flat", say("has no relief to compare; cuts and ink are not read from photos"))
    # which corner is the first isn't known: every one is tried coarsely
    sheet = max(shown_sheet(photo, size), key=lambda way: laid_coarsely(way.light, heights)[0])
    found = compared(sheet.light, heights)
    if found.fits <= TELLS:  # without a fit nothing says which dark places are flanks and which are holes
        return SheetReading(found, sheet, (), False)
    seen = [of_relief(area, found.share) for area in places(found.known & (found.share < FAINT), LEAST_FAINT)]
    seen += [of_area("cut", area) for area in holes(sheet, found.expected)]
    seen += [of_area("cracked", area) for area in places(pale(sheet), LEAST_CRACK)]
    return SheetReading(found, sheet, tuple(seen), True)


def holes(sheet: Shown, expected: FloatArray) -> list[BoolArray]:
    """Where the table shows through; a place that mostly should be dark is a flank in its own shadow."""
    usual = np.median(sheet.colors.reshape(-1, 3), axis=0)
    to_table = np.abs(sheet.colors - sheet.table).sum(axis=2)
    flank = minimum_filter(expected, 2 * FLANK_NEAR + 1) < FLANK
    dark = without_rim(to_table < AS_TABLE * float(np.abs(usual - sheet.table).sum()))
    return [area for area in places(dark, LEAST_CUT) if float(np.mean(flank[area])) < MOSTLY]


def pale(sheet: Shown) -> BoolArray:
    """Where a core of another color shows: brighter than round about, and of another color."""
    usual = np.median(sheet.colors.reshape(-1, 3), axis=0)
    tone = sheet.colors / np.maximum(sheet.colors.sum(axis=2, keepdims=True), 1e-6)
    other = np.abs(tone - usual / usual.sum()).max(axis=2) > PALE
    around = cv2.GaussianBlur(sheet.light, (0, 0), 5.0 / CELL)
    return without_rim(other & (sheet.light > (1.0 + BRIGHT) * around))


def without_rim(mask: BoolArray) -> BoolArray:
    """The same, nothing along the sheet's edge, which has a shading of its own."""
    rim = round(RIM / CELL)
    inner = np.zeros_like(mask)
    inner[rim:-rim, rim:-rim] = mask[rim:-rim, rim:-rim]
    return inner


def places(mask: BoolArray, least: float) -> list[BoolArray]:
    """Connected areas of at least some mm2, the largest first."""
    count, labels, boxes, _ = cv2.connectedComponentsWithStats(mask.astype(np.uint8))
    large = [n for n in range(1, count) if boxes[n, cv2.CC_STAT_AREA] * CELL**2 >= least]
    return [labels == n for n in sorted(large, key=lambda n: -int(boxes[n, cv2.CC_STAT_AREA]))]


def of_relief(area: BoolArray, share: FloatArray) -> Seen:
    """A place where relief is missing."""
    left = float(np.clip(np.median(share[area]), 0.0, 1.0))
    return of_area("blank" if left < BLANK else "faint", area, left)


def of_area(sight: Sight, area: BoolArray, share: float = 1.0) -> Seen:
    """A place of the sheet, in mm."""
    rows, columns = np.nonzero(area)
    nx, ny = area.shape
    along, across = (rows - (nx - 1) / 2) * CELL, (columns - (ny - 1) / 2) * CELL
    box = (float(along.min()), float(across.min()), float(along.max()), float(across.max()))
    return Seen(sight, (float(along.mean()), float(across.mean())), box, share)
