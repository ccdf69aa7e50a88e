"""Drills, as workers make and mark them."""

from dataclasses import dataclass

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.basics.words import say
from lofty_press.core.sandwich.relief import HeightMap, Library
from lofty_press.core.sandwich.stack import Sandwich, check_sandwich
from lofty_press.core.teaching.coach import scene_of
from lofty_press.core.teaching.practice import SKILLS, Answered, Drill, World, answered, drill_of, given_drill, points_for, world_of
from lofty_press.documents.answers.practice import Done, Which, describe_attempt, describe_drill
from lofty_press.documents.files.class_files import DrillFile, read_drill_file, read_results, write_drill_file
from lofty_press.documents.files.sandwich_file import reliefs_in
from lofty_press.documents.kept.packed import unpack_relief
from lofty_press.documents.pictures.data_address import data_address
from lofty_press.documents.pictures.front_picture import pressed_front
from lofty_press.service.keeping.practice.models import Answering, Attempt, GivenAttempt, GivenDrill
from lofty_press.service.keeping.reliefs.repository import relief_key
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
    png = None if found.picture is None else front_in(tools.library, found.picture, cause=found.mistake)
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
    png = None if pressed is None else front_in(tools.library, pressed, cracked=came.seen == "cracked")
    return came, over, points, describe_attempt(found, came, over=over, points=points, png=png).model_dump_json().encode()


@dataclass(frozen=True)
class ReadGiven:
    """A teacher's drill out of its file, as it is asked, as JSON, and the height maps that came with it, in the order in which they are kept."""

    name: str
    told: bytes
    reliefs: tuple[bytes, ...]


def given(library: Library, file: DrillFile) -> Drill:
    """A teacher's drill.

    Raises
    ------
    InvalidInput
        If it makes none, or a relief of its tools is not here.
    """
    gone = next((key for key in reliefs_in(file.meant) if library(key) is None), None)
    if gone is not None:
        raise InvalidInput("meant.items", gone, say("needs a relief that isn't here; ask its teacher for the tool, or add it on the Shelf"))
    check_sandwich(file.meant)
    return given_drill(scene_of(file.meant, library), file.cause, file.form)


def write_given(tools: Tools, file: DrillFile, packed: dict[str, bytes]) -> str:
    """The file of a drill that a teacher makes, with its tools' own height maps; tried before it is written."""
    given(tools.library, file)
    return write_drill_file(file.with_maps(packed))


def read_given(tools: Tools, data: bytes) -> ReadGiven:
    """A teacher's drill out of its file. The keys in a file are only names within it: each map gets the key of its contents."""
    whole = read_drill_file(data)
    packed = {relief_key(body): body for body in whole.packed.values()}
    came = {key: unpack_relief(body) for key, body in packed.items()}
    file = whole.under_own_keys({key: relief_key(body) for key, body in whole.packed.items()})

    def library(key: str) -> HeightMap | None:
        return came.get(key) or tools.library(key)

    found = given(library, file)
    png = None if found.picture is None else front_in(library, found.picture, cause=found.mistake)
    asked = describe_drill(found, None, say("{name}", name=file.name), png)
    return ReadGiven(file.name, GivenDrill(file=file, drill=asked).model_dump_json().encode(), tuple(packed.values()))


def mark_given(tools: Tools, attempt: GivenAttempt) -> bytes:
    """Hold an answer against a teacher's drill, as JSON."""
    return marked(tools, given(tools.library, attempt.file), World((), tools.library), attempt)[3]


def read_class(_: Tools, data: bytes) -> bytes:
    """Results out of their file, as JSON."""
    return read_results(data).model_dump_json().encode()


def front_in(library: Library, sandwich: Sandwich, *, cracked: bool = False, cause: str | None = None) -> str | None:
    """The front of a pile's sheet as a data address, with what a mistake left on it."""
    pressed = pressed_front(sandwich, library, cracked=cracked, cause=cause)
    return None if pressed is None else data_address(pressed[1])
