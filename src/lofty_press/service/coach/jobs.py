"""Spoiled sheets, as workers judge and press them."""

import base64

from lofty_press.core.coach import scene_of
from lofty_press.core.stack import Sandwich
from lofty_press.documents.coach import coached
from lofty_press.service.coach.models import PictureAnswer, Spoiled
from lofty_press.service.impressions.jobs import coarse, sheet_file
from lofty_press.service.impressions.models import Lit
from lofty_press.service.work.tools import Tools


def causes(tools: Tools, spoiled: Spoiled) -> bytes:
    """Causes of what was seen, as JSON."""
    return coached(scene_of(spoiled.sandwich, tools.library), spoiled.seen, spoiled.at, tools.supply).model_dump_json().encode()


def picture(tools: Tools, sandwich: Sandwich) -> bytes:
    """The front of its sheet, as JSON."""
    found = coarse(tools, sandwich)
    if found is None:
        return PictureAnswer().model_dump_json().encode()
    body, media = sheet_file(tools, "png", found.panel, dict(found.fields.items()), Lit())
    png = f"data:{media};base64,{base64.b64encode(body).decode()}"
    panel = found.panel
    told = PictureAnswer(png=png, cells=panel.cells, spacing_mm=panel.spacing_mm, first_mm=panel.first_mm, mirrored=panel.front != "upper")
    return told.model_dump_json().encode()
