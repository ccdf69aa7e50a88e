"""Photographs as workers read them."""

from lofty_press.core.photo import read_tools
from lofty_press.documents.photo_pixels import photo_pixels
from lofty_press.documents.tool_photo import describe_photo
from lofty_press.service.work.tools import Tools


def tools_in(_: Tools, data: bytes, ruler_mm: float) -> bytes:
    """The tools in a photo, as JSON."""
    return describe_photo(read_tools(photo_pixels(data), ruler_mm=ruler_mm)).model_dump_json().encode()
