"""Texts as data: a template and what fills it, put into words for a reader.

A text is written once, in English, where it arises: `say("{over} over the opening", over=thickness(0.46))`. The template is its key in every
language's catalogue; the figures stay figures, so that each reader gets them in the unit that he chose.
"""

import re
from collections.abc import Iterable, Mapping
from dataclasses import dataclass
from functools import cache, cached_property
from typing import Self

from lofty_press.core.basics.words.figures import figure
from lofty_press.core.basics.words.kinds import KindKey, Unit

HOLE = re.compile(r"\{(\w+)(:cap|:small)?\}")
Catalogue = Mapping[str, str]


@cache
def holes_of(template: str) -> frozenset[str]:
    """Names of a template's holes."""
    return frozenset(hole for hole, _ in HOLE.findall(template))


@dataclass(frozen=True)
class Quantity:
    """A figure in a text: its value in the kind's stored unit (lengths in mm), and how many decimals a metric reader gets where the kind's own
    number is not it."""

    value: float
    kind: KindKey
    digits: int | None = None

    def in_words(self, unit: Unit, catalogue: "Catalogue | None" = None) -> str:
        """The figure with its unit; a number that is said as a word, in the catalogue's."""
        text = figure(self.value, self.kind, unit, self.digits)
        return (catalogue or {}).get(text, text)


class Message(str):
    """A text of the product. As a `str` it reads in English and millimetres; `in_words` gives it to any other reader.

    Examples
    --------
    >>> over = say("{over} over the opening.", over=Quantity(0.46, "thickness"))
    >>> str(over), over.in_words("in")
    ('0.46 mm over the opening.', '0.018 in over the opening.')
    """

    template: str
    values: "Mapping[str, Value]"

    def __new__(cls, template: str, values: "Mapping[str, Value]") -> Self:
        """Fill a template; every hole needs its value, and no value may be left over."""
        holes = holes_of(template)
        if holes != values.keys():
            raise ValueError(f"“{template}” has the holes {sorted(holes)} and was given {sorted(values)}")
        self = super().__new__(cls, filled(template, values, "mm", {}) if holes else template)
        self.template, self.values = template, values
        return self

    def __reduce__(self) -> tuple[type[Self], tuple[str, "Mapping[str, Value]"]]:
        return type(self), (self.template, self.values)

    def in_words(self, unit: Unit, catalogue: Catalogue | None = None) -> str:
        """The text for a reader: in the unit of his choice, and in the language of a catalogue (English without one)."""
        return filled(self.template, self.values, unit, catalogue or {})

    @cached_property
    def plain(self) -> str:
        """The text as a bare `str`, without what it was made of."""
        return str.__str__(self)


Value = Message | Quantity | str


def filled(template: str, values: Mapping[str, Value], unit: Unit, catalogue: Catalogue) -> str:
    """A template, in the catalogue's language, with its holes filled for a reader."""

    def fill(match: re.Match[str]) -> str:
        hole, form = match.groups()
        value = values[hole]
        text = value.in_words(unit, catalogue) if isinstance(value, Quantity | Message) else value
        if form == ":cap":
            return text[:1].upper() + text[1:]
        return text[:1].lower() + text[1:] if form == ":small" else text

    return HOLE.sub(fill, catalogue.get(template, template))


def say(template: str, /, **values: Value | int) -> Message:
    """A text from its template; whole numbers, names and other texts may fill it as they are."""
    return Message(template, {hole: Quantity(value, "number") if isinstance(value, int) else value for hole, value in values.items()})


def term(word: str) -> Message:
    """A word of the craft that is also a key (a kind of thing, an effect's part): translated like a text, never filled."""
    return Message(word, {})


def together(*texts: Message) -> Message:
    """Sentences one after the other; empty ones are left out."""
    return _chained("{first} {second}", texts)


def listed(items: Iterable[Message | str], link: str = ", ") -> Message:
    """Things in a row, put together by a comma, "and" or "or".

    Examples
    --------
    >>> listed(["card", "mat", "die"], " or ")
    'card or mat or die'
    """
    return _chained(
        {", ": "{first}, {second}", " and ": "{first} and {second}", " or ": "{first} or {second}", "; ": "{first}; {second}"}[link], items
    )


NOTHING = Message("", {})


def beside(*items: Message | Quantity | None) -> Message:
    """Figures or short texts beside one another, with a dot between them; what is None or empty is left out."""
    return _chained(
        "{first} · {second}", (Message("{figure}", {"figure": i}) if isinstance(i, Quantity) else i for i in items if i is not None)
    )


def and_last(items: list[Message]) -> Message:
    """Clauses with commas between them, and "and" before the last.

    Examples
    --------
    >>> and_last([say("it rains"), say("it pours"), say("it ends")])
    'it rains, it pours, and it ends'
    """
    if len(items) < 2:
        return listed(items)
    return Message("{first}, and {second}", {"first": listed(items[:-1]), "second": items[-1]})


def _chained(template: str, items: Iterable[Message | str]) -> Message:
    said = [item if isinstance(item, Message) else named(item) for item in items if item]
    if not said:
        return NOTHING
    whole = said[0]
    for item in said[1:]:
        whole = Message(template, {"first": whole, "second": item})
    return whole


def named(name: str) -> Message:
    """A text that is only a name that somebody gave."""
    return Message("{name}", {"name": name})
