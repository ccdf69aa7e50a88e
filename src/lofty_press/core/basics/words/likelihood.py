"""Chances in the words of a forecast: one table for every screen."""

from lofty_press.core.basics.words.message import Message, say
from lofty_press.core.basics.words.quantities import number

ALMOST = 0.98
FIRM = 0.95
LIKELY = 0.65
OPEN = 0.35
RARE = 1.0 - FIRM
"""Borders lie where the count that is told changes, so that one count goes with one word."""


def in_ten(chance: float) -> Message:
    """A chance as people count it: in ten, and in a hundred where ten says nothing. [1]

    Examples
    --------
    >>> in_ten(0.42)
    '4 in 10'
    >>> in_ten(0.03)
    '3 in 100'
    """
    if RARE <= chance < FIRM:
        return say("{count} in 10", count=number(min(max(round(10 * chance), 1), 9), 0))
    return say("{count} in 100", count=number(min(max(round(100 * chance), 1), 99), 0))


def likelihood(chance: float) -> Message:
    """How likely something is. [1]

    Examples
    --------
    >>> [str(likelihood(chance)) for chance in (0.99, 0.96, 0.8, 0.5, 0.2, 0.01)]
    ['almost certain', 'very likely, 96 in 100', 'likely, 8 in 10', 'could go either way, 5 in 10', 'unlikely, 2 in 10', 'almost certainly not']
    """
    if chance >= ALMOST:
        return say("almost certain")
    if chance >= FIRM:
        return say("very likely, {chance}", chance=in_ten(chance))
    if chance >= LIKELY:
        return say("likely, {chance}", chance=in_ten(chance))
    if chance > OPEN:
        return say("could go either way, {chance}", chance=in_ten(chance))
    if chance > 1.0 - ALMOST:
        return say("unlikely, {chance}", chance=in_ten(chance))
    return say("almost certainly not")
