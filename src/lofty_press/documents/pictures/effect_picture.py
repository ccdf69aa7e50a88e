"""The picture by which an effect is chosen: a patch of sheet pressed by the same computation as every other, under a lamp."""

import io
from dataclasses import dataclass
from typing import Literal

import numpy as np
from PIL import Image
from scipy.ndimage import gaussian_filter

from lofty_press.core.mechanics.effects import BLADE_STATES
from lofty_press.core.mechanics.forming import Impression, Window, load_sandwich, press_loaded, roll
from lofty_press.core.sandwich.relief import Library, hillshade
from lofty_press.core.sandwich.stack import FloatArray, Sandwich

SPACING = 0.25  # mm
TOLERANCE = 2e-2
QUALITY = 82
PIXELS = 2  # along each side of a cell
LAMP = {"azimuth": 225.0, "altitude": 38.0, "exaggeration": 1.7}
CUT_INK = np.array([34, 48, 43])
Touch = Literal["none", "ridges", "core", "wash", "furrow", "puffed"]


PUFFED_MM = 0.5
"""How far a thick coat swells; assumption, no published source."""


@dataclass(frozen=True)
class Example:
    """A sandwich that shows an effect: which part of the bed, and what is done to the sheet afterwards."""

    sandwich: Sandwich
    window: Window
    touch: Touch = "none"
    colour: str = "#1f6f63"


def effect_picture(example: Example, library: Library) -> bytes:
    """Roll the sandwich through in full, press the patch and light its front, as a WebP.

    Raises
    ------
    InvalidInput
        If the example's sandwich refuses.
    NotSettled
        If a position of the crank does not balance.
    """
    exact = roll(example.sandwich, library).settled()
    found = press_loaded(load_sandwich(example.sandwich, library, finest=SPACING, window=example.window, exact=exact), tolerance=TOLERANCE)
    heights, ink = front_of(found)
    spacing = found.spacing
    painted = touched(heights, example.touch)
    if example.touch == "puffed":
        heights = heights + PUFFED_MM * gaussian_filter(painted, 2.0)
    light = hillshade(heights, spacing, **LAMP)
    tone = np.clip(0.34 + 0.66 * light / np.sin(np.radians(LAMP["altitude"])), 0.0, 1.3)
    stock = found.loaded.stock
    face = rgb(stock.face_colour)
    pixels = np.broadcast_to(face, (*heights.shape, 3)).copy()
    if ink is not None and found.ink.colour is not None:
        pixels = mixed(pixels, rgb(found.ink.colour), 0.85 * ink)
    pixels = mixed(
        pixels,
        rgb(stock.core_colour or stock.face_colour) if example.touch == "core" else rgb(example.colour),
        painted,
    )
    pixels = pixels * tone[..., None]
    pixels = mixed(pixels, CUT_INK, cuts(found))
    return webp(pixels)


def front_of(found: Impression) -> tuple[FloatArray, FloatArray | None]:
    """Heights of the front, as somebody sees it who looks at it, and the ink on it."""
    if found.loaded.sheet.layer.turned:
        ink = None if found.ink.lower is None else found.ink.lower[:, ::-1]
        return -found.lower[:, ::-1], ink
    return found.upper, found.ink.upper


def touched(heights: FloatArray, touch: Touch) -> FloatArray:
    """How much of what is done afterwards reaches each place, 0 to 1."""
    if touch == "none":
        return np.zeros(heights.shape)
    low, high = np.percentile(heights, (5, 99))
    raised = np.clip((heights - low) / max(high - low, 1e-6), 0.0, 1.0)
    if touch in ("furrow", "puffed"):
        low, high = np.percentile(heights, (1, 60))
        return np.asarray(np.clip((high - heights) / max(high - low, 1e-6) - 0.25, 0.0, 0.5) * 1.8)
    if touch == "wash":
        ramp = np.linspace(1.0, 0.1, heights.shape[0])[:, None]
        return np.asarray(0.6 * ramp * (raised < 0.6))
    return np.asarray(np.clip((raised - 0.6) / 0.25, 0.0, 1.0) * 0.9)


def cuts(found: Impression) -> FloatArray:
    """Where the blade went through, 0 to 1."""
    panel, lines = found.loaded.panel, found.cut
    drawn = np.zeros(panel.shape)
    through = lines.state == BLADE_STATES.index("cut")
    i = np.round((lines.places[through, 0] - panel.x[0]) / panel.spacing).astype(int)
    j = np.round((lines.places[through, 1] - panel.y[0]) / panel.spacing).astype(int)
    inside = (i >= 0) & (j >= 0) & (i < panel.shape[0]) & (j < panel.shape[1])
    drawn[i[inside], j[inside]] = 1.0
    drawn = np.clip(2.2 * gaussian_filter(drawn, 0.7), 0.0, 1.0)
    return np.asarray(drawn[:, ::-1] if found.loaded.sheet.layer.turned else drawn)


def mixed(pixels: FloatArray, colour: FloatArray, share: FloatArray) -> FloatArray:
    return np.asarray(pixels * (1.0 - share[..., None]) + colour * share[..., None])


def rgb(colour: str) -> FloatArray:
    return np.array([int(colour[k : k + 2], 16) for k in (1, 3, 5)], dtype=np.float64)


def webp(pixels: FloatArray) -> bytes:
    """Twice as many pixels as cells, the edge of the grid left out."""
    inside = np.clip(pixels[6:-6, 6:-6], 0, 255).astype(np.uint8)
    image = Image.fromarray(inside, "RGB")
    image = image.resize((image.width * PIXELS, image.height * PIXELS), Image.Resampling.BICUBIC)
    file = io.BytesIO()
    image.save(file, "WEBP", quality=QUALITY, method=6)
    return file.getvalue()
