"""The chain of a verdict or a figure."""

from collections.abc import Callable
from typing import Literal, get_args

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.basics.words import say
from lofty_press.core.judging.assess import Assessment
from lofty_press.core.judging.explain import links
from lofty_press.core.judging.explain.link import Link

About = Literal["verdict", "sure", "pressure", "handle", "relief", "crack"]
ABOUT: tuple[About, ...] = get_args(About)

Maker = Callable[[Assessment], Link | None]

CHAINS: dict[About, tuple[Maker, ...]] = {
    "verdict": (links.stack, links.opening, links.give, links.pressure_, links.need, links.whole, links.zone, links.good),
    "pressure": (links.stack, links.opening, links.give, links.force_, links.pressure_),
    "handle": (links.stack, links.opening, links.give, links.force_, links.handle),
    "relief": (links.pressure_, links.need, links.relief),
    "crack": (links.pressure_, links.relief, links.stretch, links.crack),
    "sure": (links.opening, links.spread, links.zone, links.good),
}
"""What leads to what, one link after the other; one that does not arise is left out."""


def explain(assessment: Assessment, about: About = "verdict") -> tuple[Link, ...]:
    """Why a judgement says what it says.

    Parameters
    ----------
    assessment : Assessment
    about : About

    Returns
    -------
    tuple of Link
        From what was measured to what follows; every figure is the judgement's own, none is computed here.

    Raises
    ------
    InvalidInput
        If the judgement says nothing of that.
    """
    links_of = [maker(assessment) for maker in CHAINS[about]]
    found = tuple(link for link in links_of if link is not None)
    if len(found) < 2 or links_of[-1] is None:
        raise InvalidInput("about", about, say("isn't something we judge this pile by; add what it lacks"))
    return found
