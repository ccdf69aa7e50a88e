"""Photos that people take of what came out: checked, made smaller, and rid of what the camera wrote into them."""

import io

from PIL import Image, ImageOps

from lofty_press.core.basics.words import say
from lofty_press.documents.photos.photo_file import opened_photo

LARGEST_PHOTO = 12_000_000  # bytes
KEPT_SIDE = 1600  # pixels along the longer side of what is kept
FORMATS = ("JPEG", "PNG", "WEBP")


def read_photo(data: bytes, *, largest: int = LARGEST_PHOTO, formats: tuple[str, ...] = FORMATS, quarter_turns: int = 0) -> bytes:
    """A photo as it is kept: JPEG, upright or turned to the right from there, at most `KEPT_SIDE` pixels long, without place, camera or date.

    Raises
    ------
    InvalidInput
        If it is too large, no photo of a known type, damaged, or has more pixels than any camera's.
    """
    wanted = say("must be a JPEG, PNG or WebP picture") if formats == FORMATS else say("must be a JPEG, PNG, WebP, TIFF or HEIC picture")
    with opened_photo(data, largest=largest, formats=formats, wanted=wanted) as image:
        image.draft("RGB", (KEPT_SIDE, KEPT_SIDE))
        upright = ImageOps.exif_transpose(image)
        small = (upright or image).convert("RGB")
        small.thumbnail((KEPT_SIDE, KEPT_SIDE))
    small = small.rotate(-90 * quarter_turns, expand=True)
    bare = Image.new("RGB", small.size)
    bare.paste(small)  # pixels alone: what a camera or a program wrote beside them (place, date, comments) would be saved again
    file = io.BytesIO()
    bare.save(file, "JPEG", quality=85)
    return file.getvalue()
