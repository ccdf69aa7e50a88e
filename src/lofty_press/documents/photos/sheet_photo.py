"""What a photo says of a pressed sheet, as data: where it is fainter, cut or cracked than was computed, and what that is called."""

import base64
import math
from dataclasses import dataclass, replace

import cv2
import numpy as np
from pydantic import BaseModel
from scipy.ndimage import map_coordinates
from shapely import MultiPoint

from lofty_press.core.basics.words import say
from lofty_press.core.imaging.sightread import CELL, FAINT, SheetReading, Sight
from lofty_press.core.sandwich.stack import FloatArray
from lofty_press.core.teaching.coach import OUTCOME_OF, SIGHTS
from lofty_press.core.teaching.coach import Sight as Called
from lofty_press.core.working.steps import Outcome
from lofty_press.documents.answers.words import Words
from lofty_press.documents.kept.impression_record import PanelDocument
from lofty_press.documents.kept.packed import unpack
from lofty_press.documents.photos.tool_photo import CONTENT

ASIDE, CROOKED = 1.5, 1.0  # mm and degrees that the pattern is off, from which it is called so
ALL_OVER = 0.6  # of what the photo says anything of, from which a sheet is faint all over
OUTCOMES_TOO: dict[Called, Outcome] = {"right": "right", "strip": "faint"}
"""How a run ended whose sheet is right, or lacks something in a part."""
UNCLEAR = say("The light doesn't show the pattern. Hold the sheet by a window, the light from one side, and take it again.")

ALIKE = say("Fainter all over looks the same as a weaker light: hold it next to one that came out right.")


class SeenDocument(BaseModel):
    """Something seen: its middle and its box (least along, least across, most along, most across) from the sheet's middle [mm], and how much relief is left there [1]."""

    sight: Sight
    along_mm: float
    across_mm: float
    box_mm: tuple[float, float, float, float]
    left: float


class SheetPhotoReading(BaseModel):
    """A photo of a sheet beside its prediction: by how much its pattern is off [mm, degree], how much of the shading the prediction explains [1], what is seen, what
    that is called in words and as a run's outcome (None where the photo doesn't tell), where on the bed the largest place is [mm], the sheet from above as a data address, and its size along and across the feed [mm]."""

    along_mm: float
    across_mm: float
    turned_deg: float
    fits: float
    seen: list[SeenDocument]
    called: Called | None
    words: Words | None
    outcome: Outcome | None
    at_mm: tuple[float, float] | None
    picture: str
    length_mm: float
    width_mm: float
    notes: list[Words]


@dataclass(frozen=True)
class Front:
    """The front of a computed sheet as somebody sees it who looks at it: heights in cells of `CELL`, its own size along and across the feed, its middle on the bed
    [mm], by how much it lies `turned` there (no more than an eighth) [rad], and whether left and right are exchanged there."""

    heights: FloatArray
    size: tuple[float, float]
    middle: tuple[float, float]
    turned: float
    mirrored: bool

    def on_bed(self, places: FloatArray) -> FloatArray:
        """Places (..., 2) from the sheet's middle, as somebody sees them, on the bed. [mm]"""
        along, across = places[..., 0], places[..., 1] * (-1.0 if self.mirrored else 1.0)
        cos, sin = math.cos(self.turned), math.sin(self.turned)
        return np.stack([self.middle[0] + cos * along - sin * across, self.middle[1] + sin * along + cos * across], axis=-1)


def predicted_front(panel: PanelDocument, face: bytes, pressure: bytes) -> Front:
    """The front of a computed sheet, laid straight however it lay on the bed."""
    heights = unpack(face).values.astype(np.float64)
    step = panel.spacing_mm
    covered = np.argwhere(unpack(pressure).values > -0.5)
    middle, size, turned = laid(covered * step + np.array(panel.first_mm))
    size = (size[0] + step, size[1] + step)  # from the middles of its outermost cells to its edges
    flipped = panel.front == "lower"
    front = Front(heights, size, middle, turned, flipped)
    nx, ny = (max(round(side / CELL), 8) for side in size)
    seen = np.stack(np.meshgrid((np.arange(nx) - (nx - 1) / 2) * CELL, (np.arange(ny) - (ny - 1) / 2) * CELL, indexing="ij"), axis=-1)
    cells = (front.on_bed(seen) - np.array(panel.first_mm)) / step
    there = map_coordinates(-heights if flipped else heights, [cells[..., 0], cells[..., 1]], order=1, mode="nearest")
    return replace(front, heights=np.asarray(there))


def laid(places: FloatArray) -> tuple[tuple[float, float], tuple[float, float], float]:
    """Middle, size along and across, and turn of the smallest rectangle round some places (n, 2). [mm, mm, rad]"""
    corners = np.array(MultiPoint(places).minimum_rotated_rectangle.exterior.coords)[:4]
    side = corners[1] - corners[0]
    turned = (math.atan2(side[1], side[0]) + math.pi / 4) % (math.pi / 2) - math.pi / 4
    cos, sin = math.cos(turned), math.sin(turned)
    spans = np.ptp(corners @ np.array([[cos, -sin], [sin, cos]]), axis=0)
    x, y = corners.mean(axis=0)
    return (float(x), float(y)), (float(spans[0]), float(spans[1])), turned


def describe_sheet(reading: SheetReading, front: Front) -> SheetPhotoReading:
    """A reading as data."""
    found, name = reading.compared, called(reading)
    size, first = front.size, next(iter(reading.seen), None)
    at = None if first is None else front.on_bed(np.array(first.middle))
    return SheetPhotoReading(
        along_mm=round(found.shift[0], 2),
        across_mm=round(found.shift[1], 2),
        turned_deg=round(math.degrees(found.turn), 2),
        fits=round(found.fits, 3),
        seen=[
            SeenDocument(
                sight=one.sight,
                along_mm=round(one.middle[0], 1),
                across_mm=round(one.middle[1], 1),
                box_mm=(round(one.box[0], 1), round(one.box[1], 1), round(one.box[2], 1), round(one.box[3], 1)),
                left=round(one.share, 2),
            )
            for one in reading.seen
        ],
        called=name,
        words=None if name is None else SIGHTS[name],
        at_mm=None if at is None else (float(at[0]), float(at[1])),
        outcome=None if name is None else OUTCOMES_TOO.get(name) or OUTCOME_OF.get(name, "other"),
        picture=CONTENT + base64.b64encode(picture(reading.shown.colors)).decode(),
        length_mm=round(size[0], 1),
        width_mm=round(size[1], 1),
        notes=[UNCLEAR] if not reading.tells else [ALIKE] if name in ("right", "aside", "crooked") else [],
    )


def called(reading: SheetReading) -> Called | None:
    """What people call it; the worst first. None where the photo doesn't tell."""
    if not reading.tells:
        return None
    sights = {one.sight for one in reading.seen}
    if "cut" in sights:
        return "cut"
    if "cracked" in sights:
        return "cracked"
    found = reading.compared
    if abs(math.degrees(found.turn)) > CROOKED:
        return "crooked"
    if math.hypot(*found.shift) > ASIDE:
        return "aside"
    if not sights:
        return "right"
    lacking = float(np.mean(found.share[found.known] < FAINT)) if found.known.any() else 0.0
    return "faint" if lacking > ALL_OVER else "strip"


def picture(colors: FloatArray) -> bytes:
    """The sheet from above as JPEG, along running down."""
    bright = max(float(np.percentile(colors, 99)), 1e-3)
    display = np.clip(colors / bright, 0, 1) ** (1 / 2.2) * 245
    return bytes(cv2.imencode(".jpg", display.astype(np.uint8), [cv2.IMWRITE_JPEG_QUALITY, 85])[1].tobytes())
