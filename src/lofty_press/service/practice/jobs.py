"""Drills, as workers make and mark them."""

from dataclasses import dataclass

from lofty_press.core.coach import scene_of
from lofty_press.core.errors import InvalidInput
from lofty_press.core.practice import SKILLS, Answered, Drill, World, answered, drill_of, given_drill, points_for, world_of
from lofty_press.core.stack import Sandwich, check_sandwich
from lofty_press.core.words import say
from lofty_press.documents.class_files import DrillFile, read_drill_file, read_results, write_drill_file
from lofty_press.documents.data_address import data_address
from lofty_press.documents.front_picture import pressed_front
from lofty_press.documents.practice import Done, Which, describe_attempt, describe_drill
from lofty_press.documents.sandwich_file import reliefs_in
from lofty_press.service.practice.models import Answering, Attempt, GivenAttempt, GivenDrill
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
    return describe_drill(found, which, SKILLS[which.skill].title, png).model_dump_json().encode()


def mark(tools: Tools, attempt: Attempt) -> Marked:
    """Hold an answer against its drill."""
    which = attempt.which
    here = world(tools)
    found = drill_of(here, which.skill, which.seed, which.level)
    came, over, points, told = marked(tools, found, here, attempt)
    done = Done(which=which, difficulty=found.difficulty, right=came.right, tries=attempt.tries, hints=attempt.hints, points=points)
    return Marked(told, done if over else None)


def marked(tools: Tools, found: Drill, here: World, answer: Answering) -> tuple[Answered, bool, int, bytes]:
    """What came of an answer, whether the drill is over, its points, and all of it as JSON."""
    came = Answered(right=False) if answer.gives_up else answered(found, here, answer.read())
    over = came.right or answer.gives_up or found.form == "choose"
    points = points_for(right=came.right, tries=answer.tries, hints=answer.hints)
    pressed = came.judged.sandwich if came.judged is not None and came.judged.nip.bites else None
    png = None if pressed is None else front_of(tools, pressed, cracked=came.seen == "cracked")
    return came, over, points, describe_attempt(found, came, over=over, points=points, png=png).model_dump_json().encode()


def given(tools: Tools, file: DrillFile) -> Drill:
    """A teacher's drill.

    Raises
    ------
    InvalidInput
        If it makes none, or a relief of its tools is not here.
    """
    gone = next((key for key in reliefs_in(file.meant) if tools.library(key) is None), None)
    if gone is not None:
        raise InvalidInput(
            "meant.items", gone, say("needs a relief that is not here; ask its teacher for the tool, or take it in on the Shelf")
        )
    check_sandwich(file.meant)
    return given_drill(scene_of(file.meant, tools.library), file.cause, file.form)


def write_given(tools: Tools, file: DrillFile) -> str:
    """The file of a drill that a teacher makes, tried before it is written."""
    given(tools, file)
    return write_drill_file(file)


def read_given(tools: Tools, data: bytes) -> bytes:
    """A teacher's drill out of its file, as it is asked, as JSON."""
    file = read_drill_file(data)
    found = given(tools, file)
    png = None if found.picture is None else front_of(tools, found.picture)
    asked = describe_drill(found, None, say("{name}", name=file.name), png)
    return GivenDrill(file=file, drill=asked).model_dump_json().encode()


def mark_given(tools: Tools, attempt: GivenAttempt) -> bytes:
    """Hold an answer against a teacher's drill, as JSON."""
    return marked(tools, given(tools, attempt.file), World((), tools.library), attempt)[3]


def read_class(_: Tools, data: bytes) -> bytes:
    """Results out of their file, as JSON."""
    return read_results(data).model_dump_json().encode()


def front_of(tools: Tools, sandwich: Sandwich, *, cracked: bool = False) -> str | None:
    """The front of a pile's sheet as a data address."""
    pressed = pressed_front(sandwich, tools.library, cracked=cracked)
    return None if pressed is None else data_address(pressed[1])
