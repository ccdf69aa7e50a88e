"""Series of photos in one zip file, decoded one after the other: nothing else in it is read, and no more than a series has."""

import zipfile
import zlib
from pathlib import Path

import numpy as np
from numpy.typing import NDArray

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.basics.words import say
from lofty_press.documents.photos.photo_file import longer_side, resolution_of
from lofty_press.documents.photos.photo_pixels import LARGEST, MEASURED_SIDE, SHADED_SIDE, photo_pixels

MOST = 17
LEAST_PER_MM, MOST_PER_MM = 3.0, 48.0  # of a scan: 75 to 1200 pixels an inch


def photos_in(path: Path) -> list[bytes]:
    """The photos of a zip file, by their names' order.

    Raises
    ------
    InvalidInput
        If it is no whole zip file, holds too many files, or larger ones than photos are.
    """
    try:
        with zipfile.ZipFile(path) as file:
            entries = sorted((entry for entry in file.infolist() if not entry.is_dir()), key=lambda entry: entry.filename)
            if not 1 <= len(entries) <= MOST:
                raise InvalidInput("photos", len(entries), say("are {count}; send 1 to {most}", count=len(entries), most=MOST))
            return [photo_of(file, entry, number) for number, entry in enumerate(entries, 1)]
    except (zipfile.BadZipFile, zlib.error, EOFError, NotImplementedError, RuntimeError, OSError, UnicodeError) as error:
        raise InvalidInput("photos", "file", say("came in damaged or cut off; send them again")) from error


def photo_of(file: zipfile.ZipFile, entry: zipfile.ZipInfo, number: int) -> bytes:
    """A file's contents, never more than one byte over the limit."""
    with file.open(entry) as handle:
        data = handle.read(LARGEST + 1)
    if len(data) > LARGEST:
        raise InvalidInput(
            "photos",
            number,
            say("number {number} is over {largest_photo} MB; send a smaller copy", number=number, largest_photo=LARGEST // 1_000_000),
        )
    return data


def decoded(photos: list[bytes], *, side: int = SHADED_SIDE) -> list[NDArray[np.uint8]]:
    """Their pixels, each as of `photo_pixels`; what is wrong with one is said with its number."""
    found = []
    for number, data in enumerate(photos, 1):
        try:
            found.append(photo_pixels(data, side=side))
        except InvalidInput as error:
            raise InvalidInput("photos", number, say("number {number} {reason}", number=number, reason=error.requirement)) from error
    return found


def scanned(photos: list[bytes], per_inch: float | None) -> tuple[list[NDArray[np.uint8]], float]:
    """The pixels of scans, and how many there are in a millimetre; `per_inch` is what the scanner was set to, None for what the files say.

    Raises
    ------
    InvalidInput
        If nothing says their resolution, or they differ in it.
    """
    stands = {round(known, 3) for data in photos if (known := resolution_of(data)) is not None} if per_inch is None else {per_inch / 25.4}
    if len(stands) != 1 or not LEAST_PER_MM <= min(stands) <= MOST_PER_MM:
        raise InvalidInput("resolution", len(stands), say("isn't in the scans; type in how many pixels an inch they have"))
    pixels = decoded(photos, side=MEASURED_SIDE)
    shrunk = {round(max(image.shape) / longer_side(data), 4) for image, data in zip(pixels, photos, strict=True)}
    if len(shrunk) != 1:
        raise InvalidInput("photos", len(shrunk), say("differ in their size; scan all four in the same way"))
    return pixels, min(stands) * min(shrunk)
