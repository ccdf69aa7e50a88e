"""Files of photos, opened with all that may be wrong with them said in words."""

import io
import warnings
from collections.abc import Iterator
from contextlib import contextmanager

from PIL import Image, UnidentifiedImageError

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.basics.words import Message, say

MOST_PIXELS = 60_000_000


@contextmanager
def opened_photo(data: bytes, *, largest: int, formats: tuple[str, ...], wanted: Message) -> Iterator[Image.Image]:
    """The picture in a file, its pixels not read yet; what goes wrong while they are is refused as well.

    Parameters
    ----------
    data : bytes
    largest : int
        Size that a file may have. [byte]
    formats : tuple of str
        Types that are read.
    wanted : Message
        Which those are, as somebody is told who sent another.

    Raises
    ------
    InvalidInput
        If it is too large, no photo of a known type, damaged, or has more pixels than any camera's.
    """
    if len(data) > largest:
        raise InvalidInput(
            "photo",
            f"{len(data) / 1e6:.0f} MB",
            say("a photo is under {largest_photo} MB; send a smaller copy", largest_photo=largest // 1_000_000),
        )
    too_many = say("a photo has at most {most} million pixels", most=MOST_PIXELS // 1_000_000)
    try:
        with warnings.catch_warnings():
            warnings.simplefilter("ignore")
            image = Image.open(io.BytesIO(data), formats=formats)
        if image.width * image.height > MOST_PIXELS:
            raise InvalidInput("photo", f"{image.width} by {image.height}", too_many)
        yield image
    except UnidentifiedImageError as error:
        raise InvalidInput("photo", f"{len(data)} bytes", wanted) from error
    except Image.DecompressionBombError as error:
        raise InvalidInput("photo", f"{len(data)} bytes", too_many) from error
    except InvalidInput:
        raise
    except (OSError, SyntaxError, ValueError, EOFError) as error:
        raise InvalidInput("photo", f"{len(data)} bytes", say("is damaged and can't be read")) from error


def resolution_of(data: bytes) -> float | None:
    """Pixels in a millimetre as a file says, None where it doesn't."""
    with warnings.catch_warnings():
        warnings.simplefilter("ignore")
        try:
            with Image.open(io.BytesIO(data)) as image:
                stands = image.info.get("dpi")
        except (OSError, SyntaxError, ValueError, EOFError, Image.DecompressionBombError):
            return None
    return float(stands[0]) / 25.4 if stands and float(stands[0]) > 1 else None


def longer_side(data: bytes) -> int:
    """The longer side of a picture that was opened before. [pixel]"""
    with warnings.catch_warnings():
        warnings.simplefilter("ignore")
        with Image.open(io.BytesIO(data)) as image:
            return max(image.size)
