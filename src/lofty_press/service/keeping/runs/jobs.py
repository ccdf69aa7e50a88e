"""Reading photos, as workers do it."""

from lofty_press.documents.photos.photo import read_photo
from lofty_press.service.work.tools import Tools


def photo(_: Tools, data: bytes) -> bytes:
    """A photo as it is kept."""
    return read_photo(data)
