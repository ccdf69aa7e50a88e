"""Lengths that a ruler shows, exact, and read as people write them.

A length is a fraction of a millimetre, so that 1/64 in and 0.1 mm are both exact and sums of them stay so.
"""

import re
import unicodedata
from fractions import Fraction
from typing import Literal

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.basics.words import Message, Quantity, marked, say

RulerUnit = Literal["in", "mm"]

INCH = Fraction(127, 5)
"""An inch. [mm]"""
GRID: dict[RulerUnit, Fraction] = {"in": INCH / 64, "mm": Fraction(1, 10)}
"""The finest mark of a ruler in each unit. [mm]"""
LONGEST = Fraction(2000)
"""The longest length that is read. [mm]"""

EXAMPLE = (Fraction(9, 2) * INCH, 6 * INCH)

UNITS: dict[str, tuple[RulerUnit, Fraction]] = {
    "mm": ("mm", Fraction(1)),
    "cm": ("mm", Fraction(10)),
    **dict.fromkeys(("in", "in.", "inch", "inches", '"', "''"), ("in", INCH)),
}
NUMBER = r"(?:\d+[ -]+\d+/\d+|\d+/\d+|\d+[.,]\d*|[.,]\d+|\d+)"
LENGTH = re.compile(rf"({NUMBER})\s*({'|'.join(re.escape(u) for u in sorted(UNITS, key=len, reverse=True))})?")
BETWEEN = re.compile(r"\s*(?:x|×|\*|by)\s*")
SPELLED = {"⁄": "/", "″": '"', "”": '"', "“": '"', "’’": "''", "‑": "-", "–": "-", "\u00a0": " ", "\u202f": " "}


def read_length(text: str, unit: RulerUnit, field: str = "length") -> Fraction:
    """Read a length as people write it.

    Parameters
    ----------
    text : str
        For instance `4 1/4`, `4-1/4 in`, `4¼"`, `10,5cm`, `105 mm`.
    unit : {"in", "mm"}
        Unit of a number that has none beside it.
    field : str
        What an error names.

    Returns
    -------
    Fraction
        Exact length, on the grid of the unit that it is written in. [mm]

    Raises
    ------
    InvalidInput
        If it is no length, is not over 0, or lies between two marks of the ruler: the nearest mark is said.

    Examples
    --------
    >>> read_length("4 1/4", "in")
    Fraction(2159, 20)
    >>> read_length("10,5cm", "in")
    Fraction(105, 1)
    """
    plain = spelled_out(text)
    match = LENGTH.fullmatch(plain)
    if match is None:
        raise InvalidInput(field, text[:60], say("must be a length, such as {example}", example=shown(EXAMPLE[0])))
    return on_the_ruler(match, unit, text, field)


def read_pair(text: str, unit: RulerUnit, field: str = "size") -> tuple[Fraction, Fraction]:
    """Read a width and a height, such as `4 1/4 x 5 1/2in`; a unit behind the second alone goes for both.

    Raises
    ------
    InvalidInput
        As of `read_length`.

    Examples
    --------
    >>> [float(side) for side in read_pair("4 1/4 x 5 1/2in", "mm")]
    [107.95, 139.7]
    """
    parts = BETWEEN.split(spelled_out(text))
    first, second = (LENGTH.fullmatch(part) for part in parts) if len(parts) == 2 else (None, None)
    if first is None or second is None:
        raise InvalidInput(
            field,
            text[:60],
            say("must be a width and a height, such as {width} x {height}", width=shown(EXAMPLE[0]), height=shown(EXAMPLE[1])),
        )
    last = UNITS[second[2]][0] if second[2] else unit
    factor = UNITS[second[2]] if second[2] and not first[2] else None
    width = on_the_ruler(first, last, text, field, factor)
    return width, on_the_ruler(second, unit, text, field)


def names_its_unit(text: str) -> bool:
    """True if a length, or a size, has its unit behind it: it reads alike whatever the unit of the rest is.

    Examples
    --------
    >>> names_its_unit("8 1/2 x 11 in"), names_its_unit("210 x 297")
    (True, False)
    """
    return spelled_out(text).endswith(tuple(UNITS))


def spelled_out(text: str) -> str:
    """A text with typographic fractions and signs in plain ones."""
    out = []
    for sign in text.strip().lower():
        parts = unicodedata.normalize("NFKC", sign) if "FRACTION" in unicodedata.name(sign, "") and sign != "⁄" else sign
        out.append(f" {parts}" if parts != sign else sign)
    plain = "".join(out)
    for sign, instead in SPELLED.items():
        plain = plain.replace(sign, instead)
    return plain.strip()


def on_the_ruler(
    match: re.Match[str], unit: RulerUnit, text: str, field: str, factor: tuple[RulerUnit, Fraction] | None = None
) -> Fraction:
    """The length that was matched, if a ruler in its unit shows it."""
    own, size = UNITS[match[2]] if match[2] else factor or (unit, GRID[unit] * (64 if unit == "in" else 10))
    number = value_of(match[1])
    if number is None:
        raise InvalidInput(field, text[:60], say("divides by zero"))
    length = number * size
    if not 0 < length <= LONGEST:
        raise InvalidInput(field, text[:60], say("must be over 0 and at most {most}", most=shown(LONGEST)))
    mark = nearest(length, own)
    if mark != length:
        raise InvalidInput(field, text[:60], no_mark(mark))
    return length


def value_of(number: str) -> Fraction | None:
    """The value of a matched number; None if it divides by nothing."""
    whole, _, part = number.replace("-", " ").rpartition(" ")
    if "/" in part:
        above, below = (int(n) for n in part.split("/"))
        return None if below == 0 else Fraction(int(whole or 0)) + Fraction(above, below)
    return Fraction(f"0{number}".replace(",", ".").removesuffix("."))


def no_mark(mark: Fraction) -> Message:
    """Where the nearest mark is."""
    return say("is between two marks of the ruler; the nearest is {nearest}", nearest=shown(mark))


def nearest(length: Fraction, unit: RulerUnit) -> Fraction:
    """The nearest mark of a ruler; at least its first one. [mm]

    Examples
    --------
    >>> nearest(Fraction(26, 7), "mm")
    Fraction(37, 10)
    """
    return max(round(length / GRID[unit]), 1) * GRID[unit]


def shown(length: Fraction) -> Quantity:
    """A length for a text, as a ruler has it in the reader's unit."""
    return marked(float(length))


def written(length: Fraction, unit: RulerUnit) -> str:
    """A length as `read_length` reads it in a unit; in the other one, named, where a ruler in this one does not show it.

    Examples
    --------
    >>> written(Fraction(2159, 20), "in"), written(Fraction(105), "in"), written(Fraction(21, 2), "mm")
    ('4 1/4', '105 mm', '10.5')
    """
    if length % GRID[unit]:
        other: RulerUnit = "mm" if unit == "in" else "in"
        return f"{written(length, other)} {other}" if not length % GRID[other] else written(nearest(length, unit), unit)
    if unit == "mm":
        return f"{float(length):g}"
    whole, part = divmod(length / INCH, 1)
    return " ".join(text for text in (str(whole) if whole or not part else "", str(part) if part else "") if text)
