"""One step of an explanation."""

from dataclasses import dataclass

from lofty_press.core.basics.words import Message, Quantity
from lofty_press.core.sandwich.stack import Suggestion


@dataclass(frozen=True)
class Bar:
    """A part of what a link's drawing shows: its name, how much, and the layer that it belongs to; None for none of them."""

    name: Message | str
    much: Quantity
    layer: str | None = None


@dataclass(frozen=True)
class Link:
    """A step from what is known to what follows.

    Parameters
    ----------
    key : str
    says : Message
        What it comes to, in plain words with its figures.
    why : Message
        The mechanism.
    equation : str
        In the symbols of the field.
    source : Message
        Where it comes from, and how far it is to be trusted.
    bars : tuple of Bar
        What its drawing shows beside one another, in one unit.
    against : tuple of Bar
        What they are held against.
    tries : tuple of Suggestion
        Small changes at this link.
    """

    key: str
    says: Message
    why: Message
    equation: str
    source: Message
    bars: tuple[Bar, ...] = ()
    against: tuple[Bar, ...] = ()
    tries: tuple[Suggestion, ...] = ()
