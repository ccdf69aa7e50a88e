"""Learning and asking what was learnt, as workers do it."""

from lofty_press.core.dialin import Belief, Evidence, Learnt, Next, Response, believed, chances_of, learn, next_for, respond
from lofty_press.core.errors import InvalidInput, NoBalance
from lofty_press.core.setout import UsualPile, usual_piles
from lofty_press.core.stack import Item, Press, Sandwich
from lofty_press.core.verdict import Zone
from lofty_press.documents.impression_key import impression_key
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


def chances_by_now(tools: Tools, sandwich: Sandwich, belief: Belief) -> dict[Zone, float] | None:
    """Chances of a sandwich by what is believed of what lies in it; None if nothing is judged of it."""
    response = response_of(tools, believed(sandwich, belief))
    return None if response is None else chances_of(response, belief.from_here())


def next_of(tools: Tools, sandwich: Sandwich, belief: Belief) -> tuple[dict[Zone, float], Next] | None:
    """Chances of a believed sandwich, and what to find out next; None if nothing is judged of it."""
    response = response_of(tools, sandwich)
    return None if response is None else (chances_of(response, belief), next_for(response, sandwich, belief))
