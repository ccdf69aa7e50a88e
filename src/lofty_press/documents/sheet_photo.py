"""What a photo says of a pressed sheet, as data: where it is fainter, cut or cracked than was computed, and what that is called."""

import base64
import math
from dataclasses import dataclass

import cv2
import numpy as np
from pydantic import BaseModel
from scipy.ndimage import map_coordinates

from lofty_press.core.coach import OUTCOME_OF, SIGHTS
from lofty_press.core.coach import Sight as Called
from lofty_press.core.sightread import CELL, FAINT, SheetReading, Sight
from lofty_press.core.stack import FloatArray
from lofty_press.core.steps import Outcome
from lofty_press.core.words import say
from lofty_press.documents.impression_record import PanelDocument
from lofty_press.documents.packed import unpack
from lofty_press.documents.tool_photo import CONTENT
from lofty_press.documents.words import Words

ASIDE, CROOKED = 1.5, 1.0  # mm and degrees that the pattern is off, from which it is called so
ALL_OVER = 0.6  # of what the photo says anything of, from which a sheet is faint all over
OUTCOMES_TOO: dict[Called, Outcome] = {"right": "right", "strip": "faint"}
"""How a run ended whose sheet is right, or lacks something in a part."""
UNCLEAR = say("The light doesn't show the pattern. Hold the sheet by a window, the light from one side, and take it again.")


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
    """The front of a computed sheet as somebody sees it who looks at it: heights in cells of `CELL`, its size along and across the feed, the middle on the bed, and
    whether left and right are exchanged there. [mm]"""

    heights: FloatArray
    size: tuple[float, float]
    middle: tuple[float, float]
    mirrored: bool


def predicted_front(panel: PanelDocument, face: bytes, pressure: bytes) -> Front:
    """The front of a computed sheet."""
    heights = unpack(face).values.astype(np.float64)
    inside = unpack(pressure).values > -0.5
    rows, columns = np.flatnonzero(inside.any(axis=1)), np.flatnonzero(inside.any(axis=0))
    part = heights[rows[0] : rows[-1] + 1, columns[0] : columns[-1] + 1]
    if panel.front == "lower":
        part = -part[:, ::-1]
    size = part.shape[0] * panel.spacing_mm, part.shape[1] * panel.spacing_mm
    nx, ny = (max(round(side / CELL), 8) for side in size)
    x = ((np.arange(nx) - (nx - 1) / 2) * CELL / panel.spacing_mm) + (part.shape[0] - 1) / 2
    y = ((np.arange(ny) - (ny - 1) / 2) * CELL / panel.spacing_mm) + (part.shape[1] - 1) / 2
    middle = (
        panel.first_mm[0] + (rows[0] + rows[-1]) / 2 * panel.spacing_mm,
        panel.first_mm[1] + (columns[0] + columns[-1]) / 2 * panel.spacing_mm,
    )
    there = map_coordinates(part, np.meshgrid(x, y, indexing="ij"), order=1, mode="nearest")
    return Front(np.asarray(there), size, (float(middle[0]), float(middle[1])), panel.front == "lower")


def describe_sheet(reading: SheetReading, front: Front) -> SheetPhotoReading:
    """A reading as data."""
    found, name = reading.compared, called(reading)
    size, first = front.size, next(iter(reading.seen), None)
    across = -1.0 if front.mirrored else 1.0
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
        at_mm=None if first is None else (front.middle[0] + first.middle[0], front.middle[1] + across * first.middle[1]),
        outcome=None if name is None else OUTCOMES_TOO.get(name) or OUTCOME_OF.get(name, "other"),
        picture=CONTENT + base64.b64encode(picture(reading.shown.colors)).decode(),
        length_mm=round(size[0], 1),
        width_mm=round(size[1], 1),
        notes=[] if reading.tells else [UNCLEAR],
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
