"""A run card in the air of its room: what dries takes as long as it does there, and air that is dry or damp is told."""

from dataclasses import replace

from lofty_press.core.basics.air import DAMP, DRY, STANDARD, Air
from lofty_press.core.basics.words import Message, number, say, share
from lofty_press.core.working.steps.card import Card, Step

FOLLOWS = ("drying",)  # waits that the air decides


def in_the_room(card: Card, air: Air) -> Card:
    """The card for a room with this air."""
    told = about(air)
    return replace(card, steps=tuple(waited(step, air) for step in card.steps), orders=(*card.orders, *([told] if told else [])))


def waited(step: Step, air: Air) -> Step:
    """A step with its wait as long as it takes in this air."""
    if step.wait is None or step.wait.what not in FOLLOWS:
        return step
    return replace(step, wait=replace(step.wait, seconds=round(step.wait.seconds * air.drying, 0)))


def about(air: Air) -> Message | None:
    """What air that is not as usual does to paper."""
    water, usual = share(air.moisture), share(STANDARD.moisture)
    if air.humidity < DRY:
        return say(
            (
                "The room is dry ({humidity}): paper holds about {water} of water instead of {usual}. It cracks sooner and keeps less. "
                "Mist it, or leave it a day where it's damper."
            ),
            humidity=share(air.humidity),
            water=water,
            usual=usual,
        )
    if air.humidity > DAMP:
        return say(
            (
                "The room is damp ({humidity}): paper holds about {water} of water instead of {usual}. It's softer and dries {times} "
                "times as slowly."
            ),
            humidity=share(air.humidity),
            water=water,
            usual=usual,
            times=number(air.drying, 1),
        )
    return None
