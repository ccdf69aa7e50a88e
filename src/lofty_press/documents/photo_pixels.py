"""Photographs as phones and scanners write them, decoded for measuring: every pixel, upright, nothing of what stood beside them."""

import io
import warnings

import cv2
import numpy as np
import pillow_heif
from numpy.typing import NDArray
from PIL import Image, ImageOps, UnidentifiedImageError

from lofty_press.core.errors import InvalidInput
from lofty_press.core.words import say

LARGEST = 24_000_000  # bytes
MOST_PIXELS = 60_000_000
MEASURED_SIDE = 4200  # pixels along the longer side; a 12 megapixel photo goes through as it is
pillow_heif.register_heif_opener()
FORMATS = ("JPEG", "PNG", "WEBP", "TIFF", "HEIF")


def photo_pixels(data: bytes) -> NDArray[np.uint8]:
    """A photo as blue, green, red, shape (height, width, 3).

    Raises
    ------
    InvalidInput
        If it is too large, of no known type, damaged, or has more pixels than any camera's.
    """
    if len(data) > LARGEST:
        raise InvalidInput(
            "photo", f"{len(data) / 1e6:.0f} MB", say("is over {largest} MB; send a smaller copy", largest=LARGEST // 1_000_000)
        )
    try:
        with warnings.catch_warnings():
            warnings.simplefilter("ignore")
            image = Image.open(io.BytesIO(data), formats=FORMATS)
            if image.width * image.height > MOST_PIXELS:
                raise InvalidInput(
                    "photo",
                    f"{image.width} by {image.height}",
                    say("has over {most} million pixels; send a smaller copy", most=MOST_PIXELS // 1_000_000),
                )
            upright = (ImageOps.exif_transpose(image) or image).convert("RGB")
    except Image.DecompressionBombError as error:
        raise InvalidInput(
            "photo", f"{len(data)} bytes", say("has over {most} million pixels; send a smaller copy", most=MOST_PIXELS // 1_000_000)
        ) from error
    except UnidentifiedImageError as error:
        raise InvalidInput("photo", f"{len(data)} bytes", say("must be a JPEG, PNG, WebP, TIFF or HEIC picture")) from error
    except InvalidInput:
        raise
    except (OSError, SyntaxError, ValueError, EOFError) as error:
        raise InvalidInput("photo", f"{len(data)} bytes", say("is damaged and cannot be read")) from error
    upright.thumbnail((MEASURED_SIDE, MEASURED_SIDE), Image.Resampling.BOX)
    return np.asarray(cv2.cvtColor(np.asarray(upright), cv2.COLOR_RGB2BGR), dtype=np.uint8)
