"""Photos that people take of what came out: checked, made smaller, and rid of what the camera wrote into them."""

import io
import warnings

from PIL import Image, ImageOps, UnidentifiedImageError

from lofty_press.core.errors import InvalidInput
from lofty_press.core.words import say

LARGEST_PHOTO = 12_000_000  # bytes
MOST_PIXELS = 60_000_000
KEPT_SIDE = 1600  # pixels along the longer side of what is kept
FORMATS = ("JPEG", "PNG", "WEBP")


def read_photo(data: bytes) -> bytes:
    """A photo as it is kept: JPEG, upright, at most `KEPT_SIDE` pixels long, without place, camera or date.

    Raises
    ------
    InvalidInput
        If it is too large, no photo of a known type, damaged, or has more pixels than any camera's.
    """
    if len(data) > LARGEST_PHOTO:
        raise InvalidInput(
            "photo",
            f"{len(data) / 1e6:.0f} MB",
            say("a photo is under {largest_photo} MB; send a smaller copy", largest_photo=LARGEST_PHOTO // 1_000_000),
        )
    try:
        with warnings.catch_warnings():
            warnings.simplefilter("ignore")
            image = Image.open(io.BytesIO(data), formats=FORMATS)
        if image.width * image.height > MOST_PIXELS:
            raise InvalidInput(
                "photo",
                f"{image.width} by {image.height}",
                say("a photo has at most {most} million pixels", most=MOST_PIXELS // 1_000_000),
            )
        image.draft("RGB", (KEPT_SIDE, KEPT_SIDE))
        upright = ImageOps.exif_transpose(image)
        small = (upright or image).convert("RGB")
        small.thumbnail((KEPT_SIDE, KEPT_SIDE))
    except UnidentifiedImageError as error:
        raise InvalidInput("photo", f"{len(data)} bytes", say("must be a JPEG, PNG or WebP picture")) from error
    except Image.DecompressionBombError as error:
        raise InvalidInput(
            "photo", f"{len(data)} bytes", say("a photo has at most {most} million pixels", most=MOST_PIXELS // 1_000_000)
        ) from error
    except InvalidInput:
        raise
    except (OSError, SyntaxError, ValueError) as error:
        raise InvalidInput("photo", f"{len(data)} bytes", say("is damaged and cannot be read")) from error
    bare = Image.new("RGB", small.size)
    bare.paste(small)  # pixels alone: what a camera or a program wrote beside them (place, date, comments) would be saved again
    file = io.BytesIO()
    bare.save(file, "JPEG", quality=85)
    return file.getvalue()
