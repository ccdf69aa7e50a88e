"""Learning and asking what was learnt, as workers do it."""

from lofty_press.core.dialin import Belief, Evidence, Learnt, Next, Response, believed, chances_of, learn, next_for, respond
from lofty_press.core.errors import InvalidInput, NoBalance
from lofty_press.core.setout import usual_piles
from lofty_press.core.stack import Item, Press, Sandwich
from lofty_press.core.verdict import Zone
from lofty_press.core.words import Message
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


def piles(tools: Tools, press: Press, items: list[Item], belief: Belief) -> list[tuple[str, Message, Sandwich, dict[Zone, float]]]:
    """The usual piles of a room, each with its chances."""
    found = []
    for pile in usual_piles(press, items):
        response = response_of(tools, believed(pile.sandwich, belief))
        if response is not None:
            found.append((pile.key, pile.title, pile.sandwich, chances_of(response, belief.from_here())))
    return found


def next_of(tools: Tools, sandwich: Sandwich, belief: Belief) -> tuple[dict[Zone, float], Next] | None:
    """Chances of a believed sandwich, and what to find out next; None if nothing is judged of it."""
    response = response_of(tools, sandwich)
    return None if response is None else (chances_of(response, belief), next_for(response, sandwich, belief))
