"""What a thing is laid on, and the thing itself, as pictures."""

import io

import numpy as np
from PIL import Image

from lofty_press.core.sandwich.relief import hillshade
from lofty_press.core.sandwich.stack import FloatArray
from lofty_press.documents.pictures.data_address import data_address

WORN = (143, 85, 16)
"""Of a worn place."""
LIGHT, FULL = 0.35, 0.6
"""How much of it covers the ground up to where it is as dark as can be, and there."""
LARGER = 4
"""Pixels along a cell's side, so that its edges do not show."""
STEEP = 4.0


def shade_png(shade: FloatArray) -> str:
    """How dark a ground is, 0 to 1, to the right and up (nx, ny), as a data address; clear where it is 0, and a step darker where it is 1."""
    wide, high = shade.shape
    pixels = np.zeros((high, wide, 4), dtype=np.uint8)
    pixels[..., :3] = WORN
    pixels[..., 3] = np.round(255.0 * down(np.where(shade >= 1.0, FULL, LIGHT * shade)))
    return png(Image.fromarray(pixels, "RGBA").resize((wide * LARGER, high * LARGER), Image.Resampling.BILINEAR))


def relief_png(heights: FloatArray) -> str:
    """A relief on a square, to the right and up (n, n), under a lamp from the upper left, as a data address; clear where it is flat."""
    raised = down(heights) / max(float(heights.max()), 1e-9)
    light = hillshade(raised.T, 1.0, azimuth=225.0, altitude=45.0, exaggeration=STEEP).T
    pixels = np.zeros((*raised.shape, 2), dtype=np.uint8)
    pixels[..., 0] = np.round(255.0 * np.clip(light, 0.0, 1.0) * 0.7)
    pixels[..., 1] = np.round(255.0 * np.clip(raised, 0.0, 1.0))
    return png(Image.fromarray(pixels, "LA").resize((len(raised) * LARGER, len(raised) * LARGER), Image.Resampling.BILINEAR))


def down(field: FloatArray) -> FloatArray:
    """Rows down and columns to the right, of a field to the right and up."""
    return np.asarray(field.T[::-1])


def png(image: Image.Image) -> str:
    """An image as a data address."""
    file = io.BytesIO()
    image.save(file, "PNG")
    return data_address(file.getvalue())
