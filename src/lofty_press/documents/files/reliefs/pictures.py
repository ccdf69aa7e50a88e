"""Grey pictures as height maps: PNG with 8 or 16 bits, TIFF with integers or real numbers."""

import io
import warnings
from typing import Any

import numpy as np
import tifffile
from numpy.typing import NDArray
from PIL import Image, UnidentifiedImageError

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.basics.words import NOTHING, Message, say, size
from lofty_press.core.sandwich.relief import COARSEST, HeightMap
from lofty_press.documents.files.reliefs.wish import ReadRelief, Wish

MOST_PIXELS = 24_000_000
TOO_MANY = say("has too many points; {most_pixels} million are enough for any tool", most_pixels=MOST_PIXELS // 1_000_000)
SPACING = 0.2  # mm; finer pictures are taken together to about this
USUAL_WIDTH = 100.0  # mm, where neither file nor person says


def read_picture(data: bytes, wish: Wish) -> ReadRelief:
    """A picture's light as height: the lightest part stands highest.

    Raises
    ------
    InvalidInput
        If it is no picture, too large, damaged, all one grey, or holds values that are no numbers.
    """
    notes: list[Message] = []
    tiff = data[:4] in (b"II*\x00", b"MM\x00*", b"II+\x00", b"MM\x00+")
    grey, kinds = decode_tiff(data) if tiff else decode_png(data)
    if kinds:
        notes.append(kinds)
    if not np.isfinite(grey).all():
        raise InvalidInput("file", "NaN", say("has points that aren't numbers; fill them in the program that made it"))
    low, high = float(grey.min()), float(grey.max())
    if not high > low:
        raise InvalidInput("file", low, say("is all one gray, so it has no relief"))
    share = ((grey - low) / (high - low)).astype(np.float32)
    del grey
    if wish.invert:
        share = 1.0 - share
    if wish.mirror:
        share = share[:, ::-1]
    share = np.rot90(share, wish.quarter_turns)
    width = wish.width_mm or USUAL_WIDTH
    spacing = width / share.shape[1]
    if spacing > COARSEST:
        raise InvalidInput("width_mm", width, say("has points {spacing} apart, too few for this size", spacing=size(spacing)))
    blocks = max(int(SPACING / spacing), 1)
    if blocks > 1:
        nx, ny = (n // blocks * blocks for n in share.shape)
        share = share[:nx, :ny].reshape(nx // blocks, blocks, ny // blocks, blocks).mean(axis=(1, 3))
        notes.append(say("{blocks} x {blocks} points are merged; a press can't show finer ones.", blocks=blocks))
    heights = np.ascontiguousarray(wish.depth_mm * share, dtype=np.float32)
    return ReadRelief(HeightMap(heights, width / share.shape[1]), tuple(notes))


def decode_png(data: bytes) -> tuple[NDArray[Any], Message]:
    """Grey values of a PNG, and a note where colour was given up."""
    try:
        with warnings.catch_warnings():
            warnings.simplefilter("error", Image.DecompressionBombWarning)
            picture: Any = Image.open(io.BytesIO(data), formats=["PNG"])
            refuse_large(picture.width, picture.height)
            note = NOTHING
            if picture.mode not in ("L", "I", "I;16", "I;16B", "1"):
                picture, note = picture.convert("L"), say("Color was read as lightness.")
            elif picture.mode == "L":
                note = say("8 bits give 256 heights; 16 bits are smoother.")
            return np.asarray(picture, dtype=np.float32), note
    except InvalidInput:
        raise
    except (Image.DecompressionBombError, Image.DecompressionBombWarning) as error:
        raise InvalidInput("file", "picture", TOO_MANY) from error
    except (UnidentifiedImageError, OSError, SyntaxError, ValueError) as error:
        raise InvalidInput("file", "picture", say("can't be read as PNG; it may be damaged ({reason})", reason=str(error)[:80])) from error


def decode_tiff(data: bytes) -> tuple[NDArray[Any], Message]:
    """Values of the first page of a TIFF."""
    try:
        with tifffile.TiffFile(io.BytesIO(data)) as file:
            page: Any = file.pages[0]
            refuse_large(int(page.imagewidth), int(page.imagelength))
            if page.nbytes > 16 * MOST_PIXELS:
                raise InvalidInput("file", page.nbytes, say("unpacks to more than Lofty Press takes"))
            values = np.asarray(page.asarray())
    except InvalidInput:
        raise
    except Exception as error:  # tifffile raises many kinds for damaged files
        raise InvalidInput("file", "TIFF", say("can't be read as TIFF; it may be damaged ({reason})", reason=str(error)[:80])) from error
    if values.ndim == 3:
        return values[..., : min(values.shape[2], 3)].mean(axis=2), say("Color was read as lightness.")
    if values.ndim != 2:
        raise InvalidInput("file", values.ndim, say("must be a flat picture"))
    return values, NOTHING


def refuse_large(width: int, height: int) -> None:
    """Bounded memory: judged by the header, before anything is unpacked."""
    if width * height > MOST_PIXELS:
        raise InvalidInput("file", f"{width} x {height}", TOO_MANY)
    if min(width, height) < 2:
        raise InvalidInput("file", f"{width} x {height}", say("is too small to be a relief"))
