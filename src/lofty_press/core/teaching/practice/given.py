"""Drills that a teacher makes: a pile that is right, and a mistake that is put into it."""

from random import Random

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.basics.words import say
from lofty_press.core.teaching.coach import CAUSES, STUCK, Scene
from lofty_press.core.teaching.practice.drill import Choice, Drill, GivenForm, as_of_the_room, is_right

ASKED = 4


def given_drill(scene: Scene, cause: str, form: GivenForm) -> Drill:
    """The drill of a pile and a mistake: to be built right, or to be told by its sheet.

    Parameters
    ----------
    scene : Scene
        Of the pile as it is right.
    cause : str
    form : {"build", "choose"}

    Raises
    ------
    InvalidInput
        If the pile is not right itself, the mistake is not known or cannot happen to it, leaves it right, cannot be mended in the pile, or has no sheet
        to be told by.
    """
    if not is_right(scene.meant, scene.meant):
        raise InvalidInput("meant", scene.meant.sandwich.name, say("doesn't come out right itself; a drill starts from a pile that does"))
    if cause not in CAUSES:
        raise InvalidInput("cause", cause, say("isn't a cause we know"))
    if cause not in scene.happened:
        raise InvalidInput("cause", cause, say("can't happen to this pile"))
    lay = scene.happened[cause]
    about = CAUSES[cause]
    if not scene.differs(cause) or (not about.marks and is_right(lay, scene.meant)):
        raise InvalidInput("cause", cause, say("leaves this pile right, as far as we can compute"))
    because = say("{what}: {why}", what=about.title, why=about.why)
    if form == "build":
        if about.teaches == "as meant" or lay.sandwich == scene.meant.sandwich:
            raise InvalidInput(
                "form", form, say("can't be a drill in building: that mistake isn't about the layers. Ask about the sheet instead")
            )
        task = say("Something is wrong with this pile. Build it so the sheet comes out right.")
        return Drill(task, as_of_the_room(lay.sandwich), scene.meant, 0.0, about.why, because)
    if scene.pictured.get(cause) is None or scene.pictured[cause] in STUCK:
        raise InvalidInput("form", form, say("can't be seen on its sheet: there's no sheet"))
    others = [key for key in scene.pictured if key != cause and scene.pictured[key] not in STUCK]
    if len(others) < ASKED - 1:
        raise InvalidInput("form", form, say("can't be seen on its sheet: too few other mistakes look different"))
    chance = Random(cause)
    keys = chance.sample([cause, *chance.sample(others, ASKED - 1)], ASKED)
    return Drill(
        task=say("This sheet should have come out right. What went wrong?"),
        shown=scene.meant.sandwich,
        meant=scene.meant,
        difficulty=0.0,
        hint=about.tell,
        because=because,
        choices=tuple(Choice(key, CAUSES[key].title) for key in keys),
        answer=cause,
        picture=lay.sandwich,
        mistake=cause,
    )
