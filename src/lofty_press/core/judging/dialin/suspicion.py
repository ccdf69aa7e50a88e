"""What something unexpected makes one believe: how likely it was, what explains it, and what a pile will do after it."""

from dataclasses import dataclass

from lofty_press.core.basics.words import Message
from lofty_press.core.judging.dialin.belief import Belief
from lofty_press.core.judging.dialin.certainty import good_in
from lofty_press.core.judging.dialin.evidence import Tried
from lofty_press.core.judging.dialin.infer import learn
from lofty_press.core.judging.dialin.response import Response, respond
from lofty_press.core.judging.dialin.room import size_of, thickness_of
from lofty_press.core.judging.dialin.unknowns import unlike
from lofty_press.core.judging.verdict import Zone
from lofty_press.core.sandwich.relief import Library
from lofty_press.core.sandwich.stack import Sandwich

MOST_CAUSES = 2
TELLING = 0.15  # of what the likeliest cause explains, under which another is not worth a word


@dataclass(frozen=True)
class Cause:
    """An unknown that would explain it, in words, and how much of it [mm of pile]."""

    of: str
    words: Message
    explains: float


@dataclass(frozen=True, eq=False)
class Suspicion:
    """What was seen of a pile had this `chance` [1]; `belief` is what is believed after it, and `causes` are what explains it, the likeliest first."""

    chance: float
    belief: Belief
    causes: tuple[Cause, ...]
    library: Library

    def good(self, sandwich: Sandwich) -> float:
        """Chance that another pile of the same things makes a good sheet, after what was seen. [1]

        Raises
        ------
        InvalidInput, NoBalance
            As `respond`.
        """
        response = respond(sandwich, self.library)
        return 0.0 if response is None else good_in(response, self.belief)[1].chance


def suspicion(sandwich: Sandwich, seen: frozenset[Zone], belief: Belief, library: Library) -> Suspicion | None:
    """Look at something seen of a sandwich whose things carry what is believed of them; None if nothing is judged of it.

    Raises
    ------
    InvalidInput, NoBalance
        As `respond`.
    """
    response = respond(sandwich, library)
    if response is None:
        return None
    learnt = learn(belief, [Tried("", sandwich, seen)], lambda _: response)
    return Suspicion(learnt.lessons[0].chance, learnt.belief, causes(sandwich, response, belief, learnt.belief), library)


def causes(sandwich: Sandwich, response: Response, before: Belief, after: Belief) -> tuple[Cause, ...]:
    """The unknowns that moved most, counted as thickness of the pile, the way in which the pile seems to be off; a thing with what it shares with its
    kind."""
    presses = {sandwich.press.shelf_id: sandwich.press} if sandwich.press.shelf_id else {}
    items = {item.shelf_id: item for item in sandwich.items.values() if item.shelf_id}
    sizes = {thickness_of(item): size_of(item) for item in items.values()}
    moved = {
        key: (weight, after.of(what)[0] - before.of(what)[0])
        for key, weight in response.as_thickness().items()
        if key in after.index and (what := sizes.get(key, {key: 1.0})) and not key.startswith("kind:")
    }
    whole = sum(weight * by for weight, by in moved.values())
    found = [
        Cause(key, unlike(key, presses, items, by > 0.0), abs(weight * by))
        for key, (weight, by) in moved.items()
        if weight * by * whole > 0.0
    ]
    ranked = sorted((cause for cause in found if cause.words), key=lambda cause: -cause.explains)
    return tuple(cause for cause in ranked[:MOST_CAUSES] if cause.explains >= TELLING * ranked[0].explains)
