"""Learning and asking what was learnt, as workers do it."""

from dataclasses import dataclass

from lofty_press.core.basics.errors import InvalidInput, NoBalance
from lofty_press.core.basics.words import Message
from lofty_press.core.judging.assess import Assessment, assess
from lofty_press.core.judging.dialin import Belief, Evidence, InRoom, Learnt, Next, Response, believed, learn, next_for, respond
from lofty_press.core.judging.verdict import Zone
from lofty_press.core.sandwich.stack import Item, Press, Sandwich
from lofty_press.core.working.setout import UsualPile, usual_piles
from lofty_press.documents.answers.assessment import chances_in
from lofty_press.documents.answers.good import GoodDocument, describe_good
from lofty_press.documents.kept.impression_key import impression_key
from lofty_press.service.work.tools import Tools

Key = tuple[str | None, ...]
KEPT: dict[Key, Response | None] = {}
MOST_KEPT = 600


def response_of(tools: Tools, sandwich: Sandwich) -> Response | None:
    """A sandwich's response, kept for the next time; None for one that cannot be judged."""
    ids = [sandwich.press.shelf_id, *(sandwich.items[layer.item].shelf_id for layer in sandwich.layers)]
    key = (impression_key(sandwich), *ids)
    if key not in KEPT:
        while len(KEPT) >= MOST_KEPT:
            KEPT.pop(next(iter(KEPT)))
        try:
            KEPT[key] = respond(sandwich, tools.library)
        except (InvalidInput, NoBalance):
            KEPT[key] = None
    return KEPT[key]


def learn_room(tools: Tools, before: Belief, evidence: list[Evidence]) -> Learnt:
    """What is believed of a room after all that was seen there."""
    return learn(before, evidence, lambda sandwich: response_of(tools, sandwich))


def usual(_: Tools, press: Press, items: list[Item]) -> tuple[UsualPile, ...]:
    """The piles that are usual on a press, of what there is."""
    return usual_piles(press, items)


@dataclass(frozen=True)
class Standing:
    """How a pile stands as it is: the chance of each zone [1] and of a good sheet, and what is wrong with it whatever the sheet may be."""

    chances: dict[Zone, float]
    good: GoodDocument | None
    wrong: Message | None


def standing_of(assessment: Assessment) -> Standing | None:
    """How a judged pile stands; None if nothing is judged of it."""
    if assessment.verdict is None:
        return None
    good = describe_good(assessment)
    return Standing(chances_in(assessment.verdict), good, assessment.sentence if good is None else None)


def judged_by_now(tools: Tools, sandwich: Sandwich, belief: Belief) -> Standing | None:
    """How a sandwich stands by what is believed of what lies in it; None if nothing is judged of it."""
    try:
        return standing_of(assess(believed(sandwich, belief), tools.library, certainty=InRoom(belief.from_here())))
    except (InvalidInput, NoBalance):
        return None


def next_of(tools: Tools, sandwich: Sandwich, belief: Belief, certainty: InRoom | None) -> tuple[Standing, Next] | None:
    """How a believed sandwich stands, and what to find out next; None if nothing is judged of it."""
    response = response_of(tools, sandwich)
    standing = standing_of(assess(sandwich, tools.library, certainty=certainty))
    return None if response is None or standing is None else (standing, next_for(response, sandwich, belief))
