"""The order of work: what is done before what, so that nothing undoes what was done before."""

from collections.abc import Mapping, Sequence
from random import Random

from lofty_press.core.basics.words import Message, listed, say
from lofty_press.core.teaching.practice.drill import Choice, Drill, Skill, Steps, World
from lofty_press.core.working.recipes import EFFECTS, chain_of
from lofty_press.core.working.work import WORKS, Arranged, Edge, WorkKey, arrange, chains_of

FEWEST, MOST = 4, 8
"""Kinds of work in a drill."""
AROUND: tuple[WorkKey, ...] = ("trim", "stamp", "spray", "trim down", "score", "fold", "glue")
"""What is done to pieces around a recipe."""


def drawn(chance: Random) -> Arranged:
    """A recipe's work and some more that is done to the same piece, step by step."""
    effect = chance.choice(list(EFFECTS.values()))
    way = chance.choice(effect.ways)
    recipe = chain_of(effect, way, mist=chance.choice(way.mist), ink=chance.random() < 0.5)
    more = chance.sample(AROUND, chance.randint(1, 4))
    return arrange((recipe, *chains_of(more)), grouped=False)


def broken(order: Sequence[str], arranged: Arranged) -> Edge | None:
    """The first edge that an order breaks; None if it keeps them all."""
    at = {key: n for n, key in enumerate(order)}
    works = {node.key: node.works[0] for node in arranged.nodes}
    for edge in arranged.edges:
        if at[edge.first] > at[edge.then] or (edge.within is not None and between(order, works, edge) > edge.within):
            return edge
    return None


def between(order: Sequence[str], works: Mapping[str, WorkKey], edge: Edge) -> float:
    """How long it takes on one piece from the first of two to the second. [s]"""
    meanwhile = [WORKS[works[key]] for key in order[order.index(edge.first) + 1 : order.index(edge.then)]]
    return sum(work.begin + work.each for work in meanwhile)


def in_order(arranged: Arranged) -> list[str]:
    """The steps so that every edge is kept; what must follow soon after something comes straight after it, and nothing is begun that
    cannot be followed up."""
    soon = {edge.first: edge.then for edge in arranged.edges if edge.within is not None}
    held = set(soon.values())
    before: dict[str, set[str]] = {node.key: set() for node in arranged.nodes}
    for edge in arranged.edges:
        before[edge.then].add(edge.first)
    found: list[str] = []
    while len(found) < len(before):
        free = [key for key, firsts in before.items() if key not in found and firsts <= set(found)]
        tied = soon.get(found[-1]) if found else None
        ready = [key for key in free if key not in soon or before[soon[key]] - {key} <= set(found)]
        calm = [key for key in ready if key not in held]
        found.append(tied if tied in free else (calm or ready or free)[0])
    return found


def make(_: World, chance: Random) -> Drill | None:
    """A handful of works, shuffled."""
    arranged = drawn(chance)
    titles = {node.key: WORKS[node.works[0]].title for node in arranged.nodes}
    right = in_order(arranged)
    if not FEWEST <= len(right) <= MOST or len(set(titles.values())) < len(right) or arranged.broken or broken(right, arranged):
        return None
    keys = chance.sample(right, len(right))
    if broken(keys, arranged) is None:
        return None

    def breaks(order: Sequence[str]) -> Message | None:
        edge = broken(order, arranged)
        if edge is None:
            return None
        first, then = titles[edge.first], titles[edge.then]
        if order.index(edge.first) > order.index(edge.then):
            return say("First {first}, then {then}. {why}", first=first, then=then, why=edge.why)
        return say("The wait between {first} and {then} is too long. {why}", first=first, then=then, why=edge.why)

    return Drill(
        task=say("All of this is done to one piece. In which order?"),
        shown=None,
        meant=None,
        difficulty=-2.4 + 0.4 * len(keys) + 0.1 * len(arranged.edges),
        hint=say("For each, ask: would it undo an earlier step, or be undone by a later one? And which step can't wait?"),
        because=say("One order that keeps all the rules: {order}.", order=listed((titles[key] for key in right), ", ")),
        steps=Steps(tuple(Choice(key, titles[key]) for key in keys), breaks),
    )


ORDER = Skill("order", say("The order of work"), say("What comes before what, and why."), make)
