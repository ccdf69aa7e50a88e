"""Reliefs read from photographs, as data and as pictures."""

import base64
import io
import json

import cv2
import numpy as np
import tifffile
from numpy.typing import NDArray
from PIL import Image
from pydantic import BaseModel

from lofty_press.core.basics.words import say
from lofty_press.core.imaging.shading import Shape, Side, sides_missing
from lofty_press.core.sandwich.relief import light_of_relief
from lofty_press.documents.answers.words import Words
from lofty_press.documents.files.impression_files import grey_png
from lofty_press.documents.photos.tool_photo import CONTENT

PNG = "data:image/png;base64,"
WHOLE = 65_535
UNKNOWN_DEPTH = say("Photos show its shape, not its depth. Measure that with a caliper: closed over a ridge, less over a flat part.")


class ShapeReading(BaseModel):
    """The relief of a tool from photos, hinge on top.

    `heights` is a 16-bit picture with the highest part white, `lamp` it under a lamp, `face` the tool's own picture, all data addresses; `depth_mm` what shading
    alone says of its depth and `depth_spread_mm` its standard deviation, None where shading says nothing of it; `sunk` where the pattern goes down from the flat;
    `sides` where it was lit from [degree], `missing` the sides of the sheet it wasn't lit from.
    """

    heights: str
    lamp: str
    face: str
    length_mm: float
    width_mm: float
    depth_mm: float
    depth_spread_mm: float | None
    sunk: bool
    sides: list[float]
    missing: list[Side]
    notes: list[Words]


def describe_shape(shape: Shape) -> ShapeReading:
    """A shape as data."""
    depth = max(shape.depth, 0.02)
    relief = shape.relief(depth)
    length, width = relief.size
    known = bool(np.isfinite(shape.depth_spread))
    return ShapeReading(
        heights=PNG + base64.b64encode(heights_png(relief.heights)).decode(),
        lamp=PNG + base64.b64encode(grey_png(light_of_relief(relief))).decode(),
        face=CONTENT + base64.b64encode(face_jpeg(shape)).decode(),
        length_mm=round(length, 2),
        width_mm=round(width, 2),
        depth_mm=round(depth, 3),
        depth_spread_mm=round(depth * shape.depth_spread, 3) if known else None,
        sunk=shape.sunk,
        sides=[round(side, 1) for side in shape.sides],
        missing=list(sides_missing(shape.sides)),
        notes=[*shape.notes, *(() if known else (UNKNOWN_DEPTH,))],
    )


def heights_png(heights: NDArray[np.float32]) -> bytes:
    """Heights as a 16-bit gray picture: black is the ground, white the highest part; rows run along the feed."""
    out = io.BytesIO()
    whole = np.round(heights / max(float(heights.max()), 1e-9) * WHOLE).astype(np.uint16)
    Image.fromarray(whole).save(out, "PNG")
    return out.getvalue()


def heights_tiff(shape: Shape, depth: float) -> bytes:
    """Heights with a measured depth [mm] as a 16-bit TIFF; its description says the scale: height [mm] = value * step_mm."""
    heights = shape.relief(depth).heights
    step = depth / WHOLE
    scale = {"unit": "mm", "cell_mm": shape.spacing, "step_mm": step, "depth_mm": depth}
    out = io.BytesIO()
    per_cm = 10.0 / shape.spacing
    tifffile.imwrite(
        out,
        np.round(heights / step).clip(0, WHOLE).astype(np.uint16),
        photometric="minisblack",
        compression="zlib",
        description=json.dumps(scale),
        resolution=(per_cm, per_cm),
        resolutionunit=3,
        metadata=None,
    )
    return out.getvalue()


def face_jpeg(shape: Shape) -> bytes:
    """The tool's face as a picture, made as light as its lightest parts allow."""
    bright = max(float(np.percentile(shape.face[shape.inside], 98)), 1e-3)
    pixels = np.clip(shape.face / bright * 235.0, 0, 255).astype(np.uint8)
    return bytes(cv2.imencode(".jpg", pixels, [cv2.IMWRITE_JPEG_QUALITY, 88])[1].tobytes())
