"""Formats of cards, sheets and envelopes.

References
----------
ISO 216 and ISO 269 by their rule and list; sizes in use in the United States: common practice, no published source. Values from memory.
"""

from dataclasses import dataclass
from fractions import Fraction
from typing import Literal

from lofty_press.core.basics.words import Message, named, say
from lofty_press.core.working.plan.lengths import INCH, RulerUnit

SLIDES = Fraction(1, 2)  # mm
Use = Literal["card", "sheet", "envelope"]


@dataclass(frozen=True)
class Format:
    """A width and height that have a name, upright [mm]; `unit` is what it is sold in."""

    key: str
    title: Message
    use: Use
    unit: RulerUnit
    width: Fraction
    height: Fraction

    def fits(self, width: Fraction, height: Fraction) -> bool:
        """True if something of this size goes in, either way round."""
        return (width <= self.width and height <= self.height) or (height <= self.width and width <= self.height)


def halved(width: int, height: int, times: int) -> tuple[int, int]:
    """A sheet halved across its longer side again and again, rounded down, as ISO 216 has it. [mm]

    Examples
    --------
    >>> halved(841, 1189, 4)
    (210, 297)
    """
    for _ in range(times):
        width, height = height // 2, width
    return width, height


def iso(letter: str, width: int, height: int, numbers: range, use: Use) -> list[Format]:
    """Sizes of a series of ISO 216."""
    found = []
    for number in numbers:
        sides = halved(width, height, number)
        found.append(Format(f"{letter}{number}".lower(), named(f"{letter}{number}"), use, "mm", Fraction(sides[0]), Fraction(sides[1])))
    return found


def in_mm(key: str, name: str, width: int, height: int) -> Format:
    """An envelope of ISO 269."""
    return Format(key, say("{name} envelope", name=name), "envelope", "mm", Fraction(width), Fraction(height))


def in_inches(key: str, title: Message, use: Use, width: tuple[int, int, int], height: tuple[int, int, int]) -> Format:
    """A format in whole inches and a fraction."""
    sides = [(whole + Fraction(above, below)) * INCH for whole, above, below in (width, height)]
    return Format(key, title, use, "in", sides[0], sides[1])


US = [
    ("us-a1", "A1", (3, 1, 2), (4, 7, 8), (3, 5, 8), (5, 1, 8)),
    ("us-a2", "A2", (4, 1, 4), (5, 1, 2), (4, 3, 8), (5, 3, 4)),
    ("us-a6", "A6", (4, 1, 2), (6, 1, 4), (4, 3, 4), (6, 1, 2)),
    ("us-a7", "A7", (5, 0, 1), (7, 0, 1), (5, 1, 4), (7, 1, 4)),
    ("us-a8", "A8", (5, 1, 4), (7, 7, 8), (5, 1, 2), (8, 1, 8)),
    ("us-a9", "A9", (5, 1, 2), (8, 1, 2), (5, 3, 4), (8, 3, 4)),
    ("us-a10", "A10", (5, 3, 4), (9, 1, 4), (6, 0, 1), (9, 1, 2)),
]

FORMATS: dict[str, Format] = {
    f.key: f
    for f in [
        *iso("A", 841, 1189, range(3, 8), "card"),
        *iso("B", 1000, 1414, range(4, 8), "card"),
        *(in_inches(key, say("US {name} card", name=name), "card", w, h) for key, name, w, h, _, _ in US),
        in_inches("small", say("small card"), "card", (3, 1, 2), (5, 0, 1)),
        in_inches("square", say("square card"), "card", (5, 0, 1), (5, 0, 1)),
        in_inches("slim", say("slim card"), "card", (4, 0, 1), (9, 0, 1)),
        in_inches("letter", say("US letter sheet"), "sheet", (8, 1, 2), (11, 0, 1)),
        in_inches("legal", say("US legal sheet"), "sheet", (8, 1, 2), (14, 0, 1)),
        in_inches("twelve", say("12 in square sheet"), "sheet", (12, 0, 1), (12, 0, 1)),
        in_mm("dl", "DL", 110, 220),
        in_mm("c4", "C4", 229, 324),
        in_mm("c5", "C5", 162, 229),
        in_mm("c6", "C6", 114, 162),
        in_mm("c6-c5", "C6/C5", 114, 229),
        in_mm("c7-c6", "C7/C6", 81, 162),
        in_mm("b5-envelope", "B5", 176, 250),
        in_mm("b6-envelope", "B6", 125, 176),
        *(in_inches(f"{key}-envelope", say("US {name} envelope", name=name), "envelope", w, h) for key, name, _, _, w, h in US),
        in_inches("square-envelope", say("square envelope"), "envelope", (5, 1, 4), (5, 1, 4)),
        in_inches("slim-envelope", say("slim envelope"), "envelope", (4, 1, 8), (9, 1, 2)),
    ]
}


def envelope_for(width: Fraction, height: Fraction, *, unit: RulerUnit, thickness: Fraction = Fraction(0)) -> Format | None:
    """The smallest envelope sold in a unit that takes a card; None if none does.

    Parameters
    ----------
    width, height : Fraction
        The finished card. [mm]
    unit : {"mm", "in"}
    thickness : Fraction
        Of the finished card. [mm]

    Notes
    -----
    Way round a card of thickness t and width w: 2 (w + t). An envelope that lies flat W wide goes 2 W round, so that W is at least w + t; half
    a millimetre more lets it slide in.

    Examples
    --------
    >>> envelope_for(Fraction(105), Fraction(148), unit="mm").key
    'c6'
    """
    room = thickness + SLIDES
    fitting = [f for f in FORMATS.values() if f.use == "envelope" and f.unit == unit and f.fits(width + room, height + room)]
    return min(fitting, key=lambda f: f.width * f.height, default=None)
