"""One photo of tools on the printed sheet, read from pixels to outlines. The front door of this folder."""

from dataclasses import dataclass

import cv2
import numpy as np

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.basics.words import Message, say, size
from lofty_press.core.imaging.photo.camera import Camera, camera_of
from lofty_press.core.imaging.photo.flat import Flat, Pixels, Sheet, flattened, from_above
from lofty_press.core.imaging.photo.markers import seen_markers
from lofty_press.core.imaging.photo.target import MARKER, RULER, Target
from lofty_press.core.imaging.photo.tools import Tool, may_be_two, tools_on
from lofty_press.core.sandwich.stack import FloatArray

SHARP = 0.5  # mm over which a marker's edge may go from black to white
NEARLY = 0.97, 1.03  # of the ruler, that a home printer may be off


@dataclass(frozen=True)
class Reading:
    """What a photo shows: the sheet, the camera, the window from above, the tools on it, and what is to be said of it."""

    target: Target
    camera: Camera
    flat: Flat
    tools: tuple[Tool, ...]
    notes: tuple[Message, ...]


def read_tools(photo: Pixels, *, ruler_mm: float = RULER) -> Reading:
    """Read a photo of tools on the printed sheet.

    Parameters
    ----------
    photo : ndarray, shape (height, width, 3)
        Blue, green, red. [0 to 255]
    ruler_mm : float
        How long the printed ruler is by a ruler of one's own. [mm]

    Raises
    ------
    InvalidInput
        As `sheet_in`, and if it is too dark, burnt out, or nothing is on it.
    """
    sheet = sheet_in(photo, ruler_mm=ruler_mm)
    flat = flattened(from_above(photo, sheet), sheet)
    tools = tools_on(flat, sheet.camera)
    if not tools:
        raise InvalidInput("photo", "empty", say("shows nothing on the sheet that differs from the paper"))
    cut = sum(tool.cut_off for tool in tools)
    notes = (say("{count} of them stick out of the frame on the sheet. Move them inside and take it again.", count=cut),) if cut else ()
    two = ", ".join(str(n) for n, tool in enumerate(tools, 1) if may_be_two(tool))
    if two:
        notes = (
            *notes,
            say(
                "Number {numbers} may be two tools that touch or overlap. If so, move them apart and take it again.",
                numbers=two,
            ),
        )
    return Reading(sheet.target, sheet.camera, flat, tools, notes)


def sheet_in(photo: Pixels, *, ruler_mm: float = RULER) -> Sheet:
    """Find the printed sheet in a photo (height, width, 3), and the camera that saw it; `ruler_mm` is how long its ruler is in print. [mm]

    Raises
    ------
    InvalidInput
        Names the field and says what to do: no markers or too few, blurred, a sheet that isn't flat, printed at another scale.
    """
    scale = ruler_mm / RULER
    if not NEARLY[0] <= scale <= NEARLY[1]:
        raise InvalidInput(
            "ruler",
            ruler_mm,
            say("shows the ruler as {ruler}, printed as {meant}; print the sheet again at 100 %", ruler=size(ruler_mm), meant=size(RULER)),
        )
    gray = np.asarray(cv2.cvtColor(photo, cv2.COLOR_BGR2GRAY), dtype=np.uint8)
    target, markers = seen_markers(gray)
    if target is None:
        raise InvalidInput(
            "photo", "no markers", say("shows none of the printed sheet's markers; put the tools on that sheet and show all of it")
        )
    blur = blur_of(gray, markers)
    if blur > SHARP:
        raise InvalidInput(
            "photo", f"{blur:.1f} mm", say("is blurred over {blur}; hold the camera still, or rest it on something", blur=size(blur))
        )
    return Sheet(target, camera_of(target, markers, (photo.shape[0], photo.shape[1]), scale=scale), scale)


def blur_of(gray: Pixels, markers: dict[int, FloatArray]) -> float:
    """Over how far the black rim of markers goes to white, as a median. [mm]

    Notes
    -----
    Across an edge of height h with the steepest slope s it goes from one to the other in h / s.
    """
    widths = []
    for corners in markers.values():
        for start, end in zip(corners, np.roll(corners, -1, axis=0), strict=True):
            along = end - start
            length = float(np.hypot(*along))
            normal = np.array([along[1], -along[0]]) / max(length, 1e-9)
            reach = length / 10.0
            steps = np.linspace(-reach, reach, 41)
            places = (start + 0.5 * along)[None, :] + steps[:, None] * normal
            line = cv2.remap(gray, places[None, :, 0].astype(np.float32), places[None, :, 1].astype(np.float32), cv2.INTER_LINEAR)[0]
            slope = float(np.abs(np.gradient(line.astype(np.float64), steps[1] - steps[0])).max())
            rise = float(np.ptp(line))
            if slope > 0 and rise > 20:
                widths.append(rise / slope * MARKER / length)
    return float(np.median(widths)) if widths else np.inf
