"""What a teaching sheet shows: a sandwich, and the same with a mistake, or another one beside it."""

from dataclasses import dataclass

from lofty_press.core.basics.errors import InvalidInput, NoBalance
from lofty_press.core.basics.words import NOTHING, Message, say
from lofty_press.core.judging.assess import Assessment, Certainty
from lofty_press.core.sandwich.relief import Library
from lofty_press.core.sandwich.stack import Sandwich, StackView, differences, nothing_on_the_shelf
from lofty_press.core.teaching.coach import CAUSES, Scene, cure_of, scene_of, shows
from lofty_press.documents.pictures.front_picture import pressed_front

SHOWN = 8  # differences that are told


@dataclass(frozen=True)
class Shown:
    """A pile with its judgement and the front of its sheet as a PNG; None where there is none to see."""

    judged: Assessment
    title: Message
    png: bytes | None


@dataclass(frozen=True)
class Lesson:
    """What is taught: the pile as it should be, another beside it, and what is said of them in order."""

    title: Message
    right: Shown
    beside: Shown | None
    says: tuple[tuple[Message, Message], ...]


def lesson_on(
    sandwich: Sandwich, cause: str | None, other: Sandwich | None, library: Library, certainty: Certainty | None = None
) -> Lesson:
    """A lesson on a sandwich.

    Raises
    ------
    InvalidInput
        If it has no sheet, if the cause is not known or cannot happen to it, or if there are both a cause and another sandwich.
    """
    if cause is not None and other is not None:
        raise InvalidInput("other", None, say("can't go together with a cause: use one of them"))
    if cause is not None and cause not in CAUSES:
        raise InvalidInput("cause", cause, say("isn't a cause we know"))
    scene = scene_of(sandwich, library, certainty)
    name = say("{name}", name=sandwich.name)
    if cause is not None:
        return of_a_cause(scene, cause, library)
    if other is not None:
        right, beside = shown(scene.meant, name, library), shown(scene.meant.again(other), say("{name}", name=other.name), library)
        says = [(NOTHING, text) for text in differences(sandwich, other)][:SHOWN]
        return Lesson(say("{one} and {other}", one=sandwich.name, other=other.name), right, beside, tuple(says))
    calls = [(finding.what, finding.why) for finding in scene.meant.findings if finding.severity != "care"]
    return Lesson(name, shown(scene.meant, say("As it comes out"), library), None, tuple(calls[:SHOWN]))


def of_a_cause(scene: Scene, key: str, library: Library) -> Lesson:
    """A lesson on what goes wrong."""
    cause = CAUSES[key]
    if key not in scene.happened:
        raise InvalidInput("cause", key, say("can't happen to this pile"))
    cure = cure_of(cause, scene, nothing_on_the_shelf)
    lay = [(say("The pile"), text) for text in differences(scene.meant.sandwich, scene.happened[key].sandwich)]
    says = [*lay, (say("Why"), cause.why), (say("How to tell"), cause.tell), (say("What to do"), cause.cure)]
    if cure.after is not None and cure.label is not None:
        says.append((cure.label if cure.label != cause.cure else say("What that leads to"), cure.after.sentence))
    return Lesson(
        cause.title,
        shown(scene.meant, say("As it should be"), library),
        shown(scene.happened[key], cause.title, library, cracked=shows(scene.sights[key]) == "cracked", cause=key),
        tuple(says),
    )


def shown(judged: Assessment, title: Message, library: Library, *, cracked: bool = False, cause: str | None = None) -> Shown:
    """A pile with the picture of its sheet, on which a mistake left something."""
    if not judged.nip.bites or StackView(judged.sandwich).sheet is None:
        return Shown(judged, title, None)
    try:
        pressed = pressed_front(judged.sandwich, library, cracked=cracked, cause=cause)
    except (InvalidInput, NoBalance):
        return Shown(judged, title, None)
    return Shown(judged, title, None if pressed is None else pressed[1])
