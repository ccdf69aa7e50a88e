"""Photographs as phones and scanners write them, decoded for measuring: every pixel, upright, nothing of what stood beside them."""

import cv2
import numpy as np
import pillow_heif
from numpy.typing import NDArray
from PIL import Image, ImageOps

from lofty_press.core.basics.words import say
from lofty_press.documents.photos.photo_file import opened_photo

LARGEST = 24_000_000  # bytes
MEASURED_SIDE = 4200  # pixels along the longer side; a 12 megapixel photo goes through as it is
SHADED_SIDE = 1800  # pixels, for reliefs: a sixth of a millimetre on the printed sheet
pillow_heif.register_heif_opener()
FORMATS = ("JPEG", "PNG", "WEBP", "TIFF", "HEIF")


def photo_pixels(data: bytes, *, side: int = MEASURED_SIDE) -> NDArray[np.uint8]:
    """A photo as blue, green, red, shape (height, width, 3), its longer side no more than `side` pixels.

    Raises
    ------
    InvalidInput
        If it is too large, of no known type, damaged, or has more pixels than any camera's.
    """
    wanted = say("must be a JPEG, PNG, WebP, TIFF or HEIC picture")
    with opened_photo(data, largest=LARGEST, formats=FORMATS, wanted=wanted) as image:
        image.draft("RGB", (side, side))  # a JPEG is decoded at half or quarter size where that is enough
        upright = (ImageOps.exif_transpose(image) or image).convert("RGB")
    upright.thumbnail((side, side), Image.Resampling.BOX)
    return np.asarray(cv2.cvtColor(np.asarray(upright), cv2.COLOR_RGB2BGR), dtype=np.uint8)
