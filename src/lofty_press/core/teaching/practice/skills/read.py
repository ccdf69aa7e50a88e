"""Reading a pile: what will come of it?"""

from random import Random

from lofty_press.core.basics.errors import InvalidInput, NoBalance
from lofty_press.core.basics.words import say
from lofty_press.core.judging.assess import assess
from lofty_press.core.sandwich.stack import StackView
from lofty_press.core.teaching.coach import CAUSES, SIGHTS, Sight, expected
from lofty_press.core.teaching.practice.drill import Choice, Drill, Skill, World, as_of_the_room

CLEAR = 0.8
"""Chance of what comes out, from which it is asked. [1]"""
AS_IT_IS = 0.25
"""How often nothing is changed of the pile."""
OTHERS: tuple[Sight, ...] = (
    "right",
    "no feed",
    "stopped",
    "blank",
    "faint",
    "strip",
    "cracked",
    "not cut",
    "part not cut",
    "cut",
    "other side",
)
"""What may be asked of a pile that is only looked at."""
ASKED = 4


def make(world: World, chance: Random) -> Drill | None:
    """A pile, changed or not, and a few things that might come of it."""
    meant = chance.choice(world.piles)
    pile = meant
    cause = None
    if chance.random() > AS_IT_IS:
        cause = CAUSES[chance.choice(sorted(CAUSES))]
        lay = cause.put_in(StackView(meant.sandwich))
        if lay is None or lay == meant.sandwich or cause.teaches == "as meant":  # what cannot be seen in a pile cannot be read from it
            return None
        try:
            pile = assess(lay, world.library)
        except (InvalidInput, NoBalance):
            return None
    sights = expected(pile, meant)
    answer = max(OTHERS, key=lambda sight: sights[sight])
    if sights[answer] < CLEAR or (cause is not None and answer == "right"):
        return None
    cuts = meant.sandwich.effect.traits.only_cuts
    fitting = [s for s in OTHERS if s != answer and not (cuts and s in ("faint", "strip", "cracked", "other side"))]
    fitting = [s for s in fitting if cuts or s not in ("not cut", "part not cut", "cut")]
    others = chance.sample(fitting, min(ASKED - 1, len(fitting)))
    choices = sorted([answer, *others], key=OTHERS.index)
    plain = answer in ("no feed", "blank")
    return Drill(
        task=say("What happens to this pile? Read it before you press it."),
        shown=as_of_the_room(pile.sandwich),
        meant=meant,
        difficulty=(-1.2 if plain else 0.4) + (0.6 if cause is None else 0.0) + 2.0 * (1.0 - sights[answer]),
        hint=say("Add up the layers and compare them with the opening. Then see which way up each one is."),
        because=pile.sentence if cause is None else say("{what}: {why}", what=cause.title, why=cause.why),
        choices=tuple(Choice(sight, SIGHTS[sight]) for sight in choices),
        answer=answer,
    )


READ = Skill("read", say("Reading a pile"), say("Will it feed? Will it mark? Which way up?"), make)
