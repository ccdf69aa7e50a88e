"""The order of work: what is done before what, so that nothing undoes what was done before."""

from collections.abc import Sequence
from random import Random

from lofty_press.core.plan import RULES, WORKS, Rule, WorkKey
from lofty_press.core.practice.drill import Choice, Drill, Skill, Steps, World
from lofty_press.core.words import Message, listed, say

FEWEST, MOST = 4, 8
"""Kinds of work in a drill."""
ASKS_FOR: dict[WorkKey, tuple[WorkKey, ...]] = {
    "mist": ("emboss",),
    "powder": ("ink",),
    "heat": ("powder",),
    "ink": ("dry",),
    "colour": ("dry",),
    "spray": ("dry",),
    "trim down": ("emboss",),
    "fold": ("score",),
    "assemble": ("glue",),
    "address": ("assemble",),
}
"""What is done only where something else is done too."""
PRESSED: tuple[WorkKey, ...] = ("cut", "emboss")


def drawn(chance: Random) -> list[WorkKey]:
    """Kinds of work that go together, in any order."""
    wanted = chance.randint(FEWEST, MOST)
    found = {chance.choice(PRESSED)}
    while len(found) < wanted:
        key = chance.choice(list(WORKS))
        if key != "dry":
            found |= {key, *needed(key)}
    return chance.sample(sorted(found), len(found))


def needed(key: WorkKey) -> set[WorkKey]:
    """All that some work asks for."""
    asked = ASKS_FOR.get(key, ())
    return {*asked, *(deeper for each in asked for deeper in needed(each))}


def broken(order: Sequence[str]) -> Rule | None:
    """The first rule that an order breaks; None if it keeps them all."""
    at = {key: n for n, key in enumerate(order)}
    for rule in RULES:
        if rule.first not in at or rule.then not in at:
            continue
        if at[rule.first] > at[rule.then] or (rule.within is not None and between(order, rule) > rule.within):
            return rule
    return None


def between(order: Sequence[str], rule: Rule) -> float:
    """How long it takes on one piece from what a rule has first to what it has then. [s]"""
    first, then = order.index(rule.first), order.index(rule.then)
    works = [WORKS[key] for key in WORKS if key in order[first + 1 : then]]
    return sum(work.begin + work.each for work in works)


def in_order(keys: Sequence[WorkKey]) -> list[WorkKey] | None:
    """The works so that every rule is kept; None if there is no such order. What must follow soon after something is put straight after it."""
    found: list[WorkKey] = []
    left = list(keys)
    while left:
        free = [key for key in left if not any(rule.then == key and rule.first in left for rule in RULES)]
        if not free:
            return None
        at_once = {rule.then for rule in RULES if rule.within is not None and rule.first in found}
        hurried = {rule.first for rule in RULES if rule.within is not None and rule.then in left}
        key = min(free, key=lambda one: (one not in at_once, one in hurried, keys.index(one)))
        found.append(key)
        left.remove(key)
    return found if broken(found) is None else None


def make(_: World, chance: Random) -> Drill | None:
    """A handful of works, shuffled."""
    keys = drawn(chance)
    right = in_order(sorted(keys, key=list(WORKS).index))
    if right is None or len(keys) > MOST or broken(keys) is None:
        return None
    bound = [rule for rule in RULES if rule.first in keys and rule.then in keys]

    def breaks(order: Sequence[str]) -> Message | None:
        rule = broken(order)
        if rule is None:
            return None
        first, then = WORKS[rule.first].title, WORKS[rule.then].title
        if order.index(rule.first) > order.index(rule.then):
            return say("First {first}, then {then}. {why}", first=first, then=then, why=rule.why)
        return say("What lies between {first} and {then} takes too long. {why}", first=first, then=then, why=rule.why)

    return Drill(
        task=say("All of this is done to one piece. In which order?"),
        shown=None,
        meant=None,
        difficulty=-2.4 + 0.4 * len(keys) + 0.1 * len(bound),
        hint=say("Ask of each: would it undo what was done before, or be undone by what comes after? And what cannot wait?"),
        because=say("One order that keeps every rule: {order}.", order=listed((WORKS[key].title for key in right), ", ")),
        steps=Steps(tuple(Choice(key, WORKS[key].title) for key in keys), breaks),
    )


ORDER = Skill("order", say("The order of work"), say("What comes before what, and why."), make)
