"""Drills, as workers make and mark them."""

import base64
from dataclasses import dataclass

from lofty_press.core.practice import Answered, World, answered, drill_of, points_for, world_of
from lofty_press.core.stack import Sandwich
from lofty_press.documents.front_picture import pressed_front
from lofty_press.documents.practice import Done, Which, describe_attempt, describe_drill
from lofty_press.service.practice.models import Attempt
from lofty_press.service.work.tools import Tools

WORLDS: list[World] = []


@dataclass(frozen=True)
class Marked:
    """What came of an answer, as JSON, and what is kept of it; None while the drill goes on."""

    told: bytes
    done: Done | None


def world(tools: Tools) -> World:
    """The piles that come with the program, judged once in each worker."""
    if not WORLDS:
        WORLDS.append(world_of(tools.ask("piles", None), tools.library))
    return WORLDS[0]


def drill(tools: Tools, which: Which) -> bytes:
    """A drill as it is asked, as JSON."""
    found = drill_of(world(tools), which.skill, which.seed, which.level)
    png = None if found.picture is None else front_of(tools, found.picture)
    return describe_drill(found, which, png).model_dump_json().encode()


def mark(tools: Tools, attempt: Attempt) -> Marked:
    """Hold an answer against its drill."""
    which = attempt.which
    here = world(tools)
    found = drill_of(here, which.skill, which.seed, which.level)
    if attempt.gives_up:
        came = Answered(right=False, seen=None, judged=None)
    else:
        came = answered(found, here, choice=attempt.choice, built=attempt.built)
    over = came.right or attempt.gives_up or found.form == "choose"
    points = points_for(right=came.right, tries=attempt.tries, hints=attempt.hints)
    pressed = came.judged.sandwich if came.judged is not None and came.judged.nip.bites else None
    png = None if pressed is None else front_of(tools, pressed, cracked=came.seen == "cracked")
    told = describe_attempt(found, came, over=over, points=points, png=png).model_dump_json().encode()
    done = Done(which=which, difficulty=found.difficulty, right=came.right, tries=attempt.tries, hints=attempt.hints, points=points)
    return Marked(told, done if over else None)


def front_of(tools: Tools, sandwich: Sandwich, *, cracked: bool = False) -> str | None:
    """The front of a pile's sheet as a data address."""
    pressed = pressed_front(sandwich, tools.library, cracked=cracked)
    return None if pressed is None else f"data:image/png;base64,{base64.b64encode(pressed[1]).decode()}"
