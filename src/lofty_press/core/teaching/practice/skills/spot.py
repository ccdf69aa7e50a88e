"""Spotting the mistake from the card."""

from random import Random

from lofty_press.core.basics.errors import InvalidInput, NoBalance
from lofty_press.core.basics.words import say
from lofty_press.core.teaching.coach import CAUSES, STUCK, Scene
from lofty_press.core.teaching.practice.drill import Choice, Drill, Skill, World

ASKED = 4
STILL_RIGHT = 0.3
"""Chance that a sheet is right all the same, from which nobody could see a mistake in it. [1]"""
TOO_ALIKE = 0.97
"""Of two pictures: from here on nobody could tell them apart."""


def make(world: World, chance: Random) -> Drill | None:
    """A sheet, and a few mistakes that it might show."""
    n = chance.randrange(len(world.piles))
    meant = world.piles[n]
    try:
        scene = world.scene(n)
    except (InvalidInput, NoBalance):
        return None
    seen = [key for key, sight in scene.pictured.items() if sight not in STUCK and scene.sights[key]["right"] < STILL_RIGHT]
    if len(seen) < ASKED:
        return None
    answer = chance.choice(seen)
    others = [key for key in seen if key != answer and alike(scene, key, answer) < TOO_ALIKE]
    if len(others) < ASKED - 1:
        return None
    hard = chance.random()  # the harder, the more alike what it is chosen from
    others.sort(key=lambda key: -alike(scene, key, answer))
    at = round((1.0 - hard) * (len(others) - ASKED + 1))
    chosen = others[at : at + ASKED - 1]
    choices = chance.sample([answer, *chosen], ASKED)
    nearest = max(alike(scene, key, answer) for key in chosen)
    cause = CAUSES[answer]
    return Drill(
        task=say("This sheet should have come out right. What went wrong?"),
        shown=meant.sandwich,
        meant=meant,
        difficulty=-1.5 + 3.0 * nearest,
        hint=cause.tell,
        because=say("{what}: {why}", what=cause.title, why=cause.why),
        choices=tuple(Choice(key, CAUSES[key].title) for key in choices),
        answer=answer,
        picture=scene.happened[answer].sandwich,
        mistake=answer,
    )


def alike(scene: Scene, one: str, other: str) -> float:
    """How alike two sheets look: in what is seen of them, and where, 0 to 1."""
    seen = sum((scene.sights[one][sight] * scene.sights[other][sight]) ** 0.5 for sight in scene.sights[one])
    return float(seen * scene.places[one].alike(scene.places[other]))


SPOT = Skill("spot", say("Spotting the mistake"), say("From a spoiled card back to the mistake."), make)
