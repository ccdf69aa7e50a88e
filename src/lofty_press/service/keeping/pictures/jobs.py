"""Pictures as workers make them."""

from lofty_press.documents.photos.photo import read_photo
from lofty_press.documents.photos.photo_pixels import FORMATS, LARGEST
from lofty_press.service.work.tools import Tools


def bare(_: Tools, data: bytes, quarter_turns: int) -> bytes:
    """A photo as it is kept: smaller, upright, pixels alone; turned to the right by some quarters."""
    return read_photo(data, largest=LARGEST, formats=FORMATS, quarter_turns=quarter_turns)
