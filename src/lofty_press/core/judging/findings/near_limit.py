"""How near something is to its limit, as a colleague would say it: an index is for whoever asks why."""

from lofty_press.core.basics.words import Message, Quantity, say, share

NONE = 0.05
"""Of the limit, under which nothing happens worth a word."""

STEPS = (
    (0.5, say("far from its limit")),
    (0.7, say("well within its limit")),
    (0.9, say("near its limit")),
    (1.1, say("right at its limit")),
    (1.5, say("past its limit")),
)


def near_limit(index: float) -> Message:
    """Words for a share of what something can take; from 1 it gives. [1]"""
    if index < NONE:
        return say("none")
    return next((words for below, words in STEPS if index < below), say("far past its limit"))


def part_of(value: float, needed: float) -> Quantity:
    """How much of what is needed there is, where it is too little: never said as all of it. [1]"""
    return share(min(value / needed, 0.99))


def beyond(value: float, most: float) -> Quantity:
    """How much more there is than something can take, where it is too much: never said as nothing. [1]"""
    return share(max(value / most - 1.0, 0.01))
