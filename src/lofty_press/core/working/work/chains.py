"""Work that belongs together in one go: a recipe's own steps, and what one wet thing asks of the next."""

from collections.abc import Collection
from dataclasses import dataclass

from lofty_press.core.basics.words import NOTHING, Message
from lofty_press.core.working.work.rules import RULES
from lofty_press.core.working.work.works import WORKS, WorkKey


@dataclass(frozen=True)
class Step:
    """One kind of work on one piece.

    Parameters
    ----------
    work : WorkKey
    within : float or None
        How soon after the step before it; then both are done piece by piece. [s]
    seconds : float or None
        How long it takes one piece, or how long it waits, where that differs from the usual. [s]
    why : Message
        Why it comes after the step before it.
    """

    work: WorkKey
    within: float | None = None
    seconds: float | None = None
    why: Message = NOTHING


@dataclass(frozen=True)
class Chain:
    """Steps that are done in this order: a recipe's, named by its title, or such as come from the kinds of work themselves.

    `pile` is the sandwich of the step that is pressed.
    """

    steps: tuple[Step, ...]
    title: Message = NOTHING
    pile: str | None = None


WETS: tuple[WorkKey, ...] = ("ink", "stamp", "colour", "wax", "spray")
"""What leaves a piece wet."""


def drying(work: WorkKey) -> Step:
    """The wait after a kind of work that leaves a piece wet."""
    return Step("dry", why=why_between(work, "dry"))


def why_between(first: WorkKey, then: WorkKey) -> Message:
    """Why one kind of work comes before another, by the rules; nothing where no rule says so."""
    return next((rule.why for rule in RULES if (rule.first, rule.then) == (first, then)), NOTHING)


def within_of(first: WorkKey, then: WorkKey) -> float | None:
    """How soon after one kind of work another is done, by the rules. [s]"""
    return next((rule.within for rule in RULES if (rule.first, rule.then) == (first, then)), None)


def chained(*works: WorkKey) -> tuple[Step, ...]:
    """Steps in this order, as soon after one another as the rules say."""
    befores = (None, *works[:-1])
    return tuple(
        Step(work) if before is None else Step(work, within=within_of(before, work), why=why_between(before, work))
        for before, work in zip(befores, works, strict=True)
    )


def chains_of(works: Collection[WorkKey], pile: str | None = None) -> tuple[Chain, ...]:
    """Chains of what is done to a piece besides its recipes, in the usual order.

    Parameters
    ----------
    works : collection of WorkKey
        In any order; each once.
    pile : str or None
        The sandwich of whatever is pressed.

    Notes
    -----
    What was misted is pressed at once and dries flat; powder goes on wet ink and is melted; what is wet otherwise dries. Waits that somebody
    listed besides are part of that, or stand alone where nothing is wet.
    """
    left = {work: None for work in WORKS if work in works}
    found: list[Chain] = []

    def take(*keys: WorkKey) -> bool:
        if not set(keys) <= left.keys():
            return False
        for key in keys:
            del left[key]
        return True

    def drop(key: WorkKey) -> None:
        left.pop(key, None)

    if take("mist", "emboss"):
        found.append(Chain(chained("mist", "emboss", "dry flat"), pile=pile))
        drop("dry flat")
    if take("ink", "powder"):
        heated = take("heat")
        found.append(Chain(chained("ink", "powder", "heat", "cool") if heated else chained("ink", "powder")))
        drop("cool")
    wet = [work for work in left if work in WETS]
    for work in wet:
        take(work)
        found.append(Chain((Step(work), drying(work))))
    if found:
        drop("dry")
    for work in left:
        found.append(Chain((Step(work),), pile=pile if WORKS[work].place == "press" else None))
    return tuple(found)
