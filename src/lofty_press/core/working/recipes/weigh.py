"""What the search found, in the order of all that is known together.

The search goes through thousands of piles by each thing's own spread. What a room has learnt (that two things add up to a known sum, that one
error runs through all of a kind) is asked of the few that it found.
"""

from dataclasses import replace

from lofty_press.core.judging.assess import Certainty, assess
from lofty_press.core.sandwich.relief import Library
from lofty_press.core.working.recipes.search import Found, Result


def weigh(found: Found, library: Library, certainty: Certainty) -> Found:
    """A sandwich with its verdict as sure as everything known makes it, and what that is worth."""
    assessment = assess(found.sandwich, library, certainty=certainty)
    good = None if assessment.verdict is None else assessment.verdict.good
    wrong, cracked = (1.0, 0.0) if good is None else (1.0 - good.chance - good.breaks, good.breaks)
    return replace(found, assessment=assessment, cost=replace(found.cost, wrong=wrong, cracked=cracked))


def weigh_all(result: Result, library: Library, certainty: Certainty) -> Result:
    """All that was found, best first by what is known together."""
    weighed = [weigh(found, library, certainty) for found in result.found]
    return replace(result, found=tuple(sorted(weighed, key=lambda found: found.cost.total)))
