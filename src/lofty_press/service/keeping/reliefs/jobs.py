"""Reading files of reliefs and drawing reliefs, as workers do it."""

import base64

from lofty_press.core.sandwich.relief import light_of_relief
from lofty_press.documents.files.impression_files import grey_png
from lofty_press.documents.files.reliefs.read import read_relief
from lofty_press.documents.files.reliefs.wish import Wish
from lofty_press.documents.kept.packed import pack_relief
from lofty_press.service.keeping.reliefs.models import ReliefReading
from lofty_press.service.work.tools import Tools


def read(_: Tools, data: bytes, wish: Wish) -> tuple[ReliefReading, bytes]:
    """What a file holds, and the relief packed."""
    found = read_relief(data, wish)
    relief = found.relief
    length, width = relief.size
    picture = base64.b64encode(grey_png(light_of_relief(relief))).decode()
    reading = ReliefReading(
        id=None,
        length_mm=round(length, 2),
        width_mm=round(width, 2),
        depth_mm=round(float(relief.heights.max()), 3),
        blade_mm=round(relief.blade_length, 1),
        raised_share=round(min(max(relief.raised_share, 0.01), 1.0), 3),
        span_mm=round(relief.finest_span, 2),
        notes=list(found.notes),
        outline=None if found.outline is None else list(found.outline),
        windows=[list(window) for window in found.windows],
        picture=f"data:image/png;base64,{picture}",
    )
    return reading, pack_relief(relief)


def picture(tools: Tools, key: str) -> bytes | None:
    """A relief under a lamp, as grey PNG; None if there is none under this key."""
    found = tools.library(key)
    return None if found is None else grey_png(light_of_relief(found))
