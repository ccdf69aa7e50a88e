"""Photographs as workers read them."""

from dataclasses import asdict

from lofty_press.core.photo import read_tools
from lofty_press.documents.photo_pixels import photo_pixels
from lofty_press.documents.tool_photo import describe_photo
from lofty_press.service.photos.models import PhotoReading
from lofty_press.service.work.tools import Tools


def tools_in(_: Tools, data: bytes, ruler_mm: float) -> bytes:
    """The tools in a photo, as JSON."""
    found = describe_photo(read_tools(photo_pixels(data), ruler_mm=ruler_mm))
    return PhotoReading.model_validate({**asdict(found), "notes": found.notes}).model_dump_json().encode()
