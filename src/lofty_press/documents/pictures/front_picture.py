"""The front of a pressed sheet under a lamp, as somebody sees it: its relief, where it cracked, what was cut, its ink."""

import io

import numpy as np
from PIL import Image

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.basics.words import say
from lofty_press.core.mechanics.forming import Impression, cut_after, press
from lofty_press.core.sandwich.relief import Library, hillshade
from lofty_press.core.sandwich.stack import FloatArray, Sandwich, covered
from lofty_press.core.teaching.coach import CAUSES, Trace
from lofty_press.documents.pictures.effect_picture import CUT_INK, cuts, front_of, mixed, rgb
from lofty_press.documents.pictures.front import Front
from lofty_press.documents.pictures.traces import TRACES

LAMP = {"azimuth": 225.0, "altitude": 40.0, "exaggeration": 1.6}
"""Low from the left, as over a work table. [degree, degree, 1]"""
DARKEST = 0.35
CRACKED, OPEN = 1.0, 1.25
"""Crack indices from which a crack is drawn, and at which it is wide open. [1]"""
INKED = 0.85
COARSE, FINE = (0.8, 5e-2), (0.4, 2e-2)
"""Size of a cell [mm] and tolerance of a picture that is there at once, and of a finer one."""


def front_seen(found: Impression) -> Front:
    """The front of a pressed sheet as somebody sees it who looks at it."""
    heights, ink = front_of(found)
    panel, sheet = found.loaded.panel, found.loaded.sheet
    tool = found.loaded.view.tool
    over = np.full(panel.shape, fill_value=True) if tool is None else covered(tool, panel.x, panel.y)
    turned = sheet.layer.turned
    return Front(
        heights=heights,
        ink=np.zeros(panel.shape) if ink is None or found.ink.colour is None else ink,
        cut=cuts(found),
        stain=np.zeros(panel.shape),
        crack=seen(found.crack, turned),
        cover=seen(panel.cover, turned),
        tool=seen(over.astype(np.float64), turned) > 0.5,
        spacing=panel.spacing,
    )


def front_png(found: Impression, *, cracked: bool = False, leaves: Trace | None = None) -> bytes:
    """The front as a PNG; what lies beyond the sheet is clear.

    Parameters
    ----------
    found : Impression
    cracked : bool
        That it is known to have cracked: then its stock bore less than it was stretched where it was stretched most.
    leaves : Trace or None
        What a mistake left on it.

    Notes
    -----
    A crack shows the stock's core, or whitened fibres where it has none, as wide as the index is over 1.
    """
    front = front_seen(found)
    if leaves is not None:
        front = TRACES[leaves](front)
    stock = found.loaded.stock
    flat = float(np.sin(np.radians(LAMP["altitude"])))
    tone = np.clip(DARKEST + (1.0 - DARKEST) * hillshade(front.heights, front.spacing, **LAMP) / flat, 0.0, 1.35)
    face = rgb(stock.face_colour)
    pixels = np.broadcast_to(face, (*front.heights.shape, 3)).copy()
    if found.ink.colour is not None:
        pixels = mixed(pixels, rgb(found.ink.colour), INKED * front.ink)
    pixels = mixed(pixels, rgb(front.stain_colour), front.stain)
    pixels = pixels * tone[..., None]
    pixels = mixed(pixels, rgb(stock.core_colour) if stock.core_colour else whitened(face), opened(front.crack, cracked=cracked))
    pixels = mixed(pixels, CUT_INK, front.cut)
    rgba = np.concatenate([np.clip(pixels, 0, 255), np.where(front.cover > 0.5, 255.0, 0.0)[..., None]], axis=2).astype(np.uint8)
    file = io.BytesIO()
    Image.fromarray(rgba, "RGBA").save(file, "PNG", dpi=(25.4 / front.spacing, 25.4 / front.spacing))
    return file.getvalue()


def seen(field: FloatArray, turned: bool) -> FloatArray:
    """A field over the bed as it is seen on the front."""
    return np.asarray(field[:, ::-1] if turned else field)


def opened(crack: FloatArray, *, cracked: bool) -> FloatArray:
    """How far a crack is open at each place, 0 to 1."""
    most = float(crack.max(initial=0.0))
    if cracked and 0.0 < most < OPEN:
        crack = crack * (OPEN / most)
    return np.asarray(np.clip((crack - CRACKED) / (OPEN - CRACKED), 0.0, 1.0))


def whitened(face: FloatArray) -> FloatArray:
    """Torn fibres of a colour that goes through: lighter than its face."""
    return np.asarray(0.35 * face + 0.65 * 255.0)


def pressed_front(
    sandwich: Sandwich, library: Library, *, fine: bool = False, cracked: bool = False, cause: str | None = None
) -> tuple[Impression, bytes] | None:
    """A sandwich's sheet, pressed coarsely and at once or a step finer, with its front; None where only the full computation can decide.

    Parameters
    ----------
    sandwich : Sandwich
    library : callable
    fine, cracked : bool
        As of `front_png`.
    cause : str or None
        The mistake that left something on it.

    Raises
    ------
    InvalidInput
        As `press`, and if the cause is none that is known.
    """
    if cause is not None and cause not in CAUSES:
        raise InvalidInput("cause", cause, say("isn't a cause we know"))
    finest, tolerance = FINE if fine else COARSE
    found = press(sandwich, library, finest=finest, tolerance=tolerance)
    if not found.converged:
        return None
    about = None if cause is None else CAUSES[cause]
    if about is not None and about.flattens:
        found = cut_after(found)
    return found, front_png(found, cracked=cracked, leaves=None if about is None else about.leaves)
