"""Spoiled sheets, as workers judge and press them."""

import hashlib
import pickle
from collections import OrderedDict

from lofty_press.core.basics.words import Unit
from lofty_press.core.judging.dialin import InRoom
from lofty_press.core.mechanics.feed import setting_of
from lofty_press.core.mechanics.plates import History, next_run
from lofty_press.core.sandwich.stack import Sandwich, check_sandwich
from lofty_press.core.teaching.coach import Known, Said, Scene, known_of, scene_of
from lofty_press.documents.answers.coach import coached
from lofty_press.documents.pictures.data_address import data_address
from lofty_press.documents.pictures.front_picture import pressed_front
from lofty_press.documents.printed.lesson import lesson_on
from lofty_press.service.computing.coach.models import PictureAnswer, Spoiled, Teaching
from lofty_press.service.work.tools import Tools

SCENES: OrderedDict[bytes, tuple[Scene, Known]] = OrderedDict()
MOST_SCENES = 3
"""A few megabytes each."""


def causes(tools: Tools, spoiled: Spoiled, certainty: InRoom | None, histories: dict[str, History]) -> bytes:
    """Causes of what was seen, as JSON."""
    check_sandwich(spoiled.sandwich)
    scene, known = kept_scene(tools, spoiled.sandwich, certainty, histories)
    said = Said(seen=spoiled.seen, at=spoiled.at, felt=spoiled.felt, picked=spoiled.picked, settled=spoiled.settled)
    return coached(scene, said, tools.supply, known).model_dump_json().encode()


def kept_scene(tools: Tools, sandwich: Sandwich, certainty: InRoom | None, histories: dict[str, History]) -> tuple[Scene, Known]:
    """The scene of a sandwich, and what its plates make of it; what was made just before is at hand, so that what is said of a sheet is answered at once."""
    key = hashlib.sha256(pickle.dumps((sandwich, certainty, histories))).digest()
    found = SCENES.pop(key, None)
    if found is None:
        scene = scene_of(sandwich, tools.library, certainty)
        found = scene, known_here(tools, scene, histories)
    SCENES[key] = found
    while len(SCENES) > MOST_SCENES:
        SCENES.popitem(last=False)
    return found


def known_here(tools: Tools, scene: Scene, histories: dict[str, History]) -> Known:
    """What the plates of a pile make more or less likely."""
    if not histories:
        return Known()
    meant = scene.meant
    margin = meant.verdict.margin.thinner_mm if meant.verdict else None
    return known_of(next_run(meant.sandwich, setting_of(meant.sandwich, tools.library), histories, margin=margin))


def picture(tools: Tools, sandwich: Sandwich, fine: bool, cracked: bool, cause: str | None) -> bytes:
    """The front of its sheet, as JSON."""
    pressed = pressed_front(sandwich, tools.library, fine=fine, cracked=cracked, cause=cause)
    if pressed is None:
        return PictureAnswer().model_dump_json().encode()
    found, body = pressed
    panel = found.loaded.panel
    told = PictureAnswer(
        png=data_address(body),
        cells=panel.shape,
        spacing_mm=panel.spacing,
        first_mm=(float(panel.x[0]), float(panel.y[0])),
        mirrored=found.loaded.sheet.layer.turned,
    )
    return told.model_dump_json().encode()


def teaching_sheet(tools: Tools, wanted: Teaching, certainty: InRoom | None, unit: Unit) -> bytes:
    """A page to teach with, as PDF."""
    from lofty_press.documents.printed.teaching_sheet import teaching_pdf  # here, since only workers need what it loads

    return teaching_pdf(lesson_on(wanted.sandwich, wanted.cause, wanted.other, tools.library, certainty), unit)
