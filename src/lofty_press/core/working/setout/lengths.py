"""Sizes and thicknesses in what people write, with or without units."""

import re

from lofty_press.core.basics.words import Message, say, size, thickness
from lofty_press.core.sandwich.stock import sheet_format

NUMBER = r"(?:\d+(?:[.,]\d+)?(?:\s+\d+/\d+)?|\d+/\d+)"
UNIT = r"(?:mm|millimeters?|millimetres?|cm|centimeters?|centimetres?|inch(?:es)?|in\b|\"|″|'')"
SIZE = re.compile(
    rf"({NUMBER})[\s-]*({UNIT})?\s*(?:x|×|by)\s*({NUMBER})[\s-]*({UNIT})?(?:\s*(?:x|×|by)\s*({NUMBER})\s*({UNIT})?)?(?![\w])", re.I
)
LENGTH = re.compile(rf"(?<![\w.,/])({NUMBER})[\s-]*({UNIT}|pt|points?|mil|thou|microns?|µm)(?![\w])(?:\s+(?:thick|deep|high|each))*", re.I)
PAPER_SIZES = {name.split()[0].lower(): sheet_format(name) for name in ("A2 card", "A7 card", "A3", "A4", "A5", "A6")}
"""Fold-over cards of A2 and A7 are named in North America by the envelope they go in; A3 to A6 are ISO's. [mm]"""
SHEETS = frozenset({"a3", "a4"})
INCHES_TO = 25.0  # a size without a unit is in inches up to here, in millimetres above
THICKEST = 40.0  # mm
POINT = 0.0254  # mm; caliper points and mils are thousandths of an inch


def lengths(rest: str) -> tuple[tuple[float, float] | None, float | None, str, list[Message]]:
    """A size and a thickness [mm], the words without them, and what was taken for granted."""
    sizes, thick = None, None
    notes: list[Message] = []
    if (found := SIZE.search(rest)) is not None and not is_count_of(found):
        unit = found[6] or found[4] or found[2]
        third = None if found[5] is None else in_mm(found[5], unit)
        sides = sorted(in_mm(found[k], unit) for k in (1, 3))
        if unit is None:
            inches = max(value(found[1]), value(found[3])) <= INCHES_TO
            sides = [side * (25.4 if inches else 1.0) for side in sides]
        sizes = (round(sides[0], 2), round(sides[1], 2))
        thick = third
        rest = without(rest, found)
    else:
        for name, named in PAPER_SIZES.items():
            if (called := re.search(rf"\b{name}\b", rest, re.I)) is not None:
                rest = without(rest, called)
                if name not in SHEETS:
                    sizes = named
                    notes.append(
                        say("{name} read as the card size, {wide} x {high}.", name=name.upper(), wide=size(named[0]), high=size(named[1]))
                    )
                break
    if thick is None and (found := LENGTH.search(rest)) is not None:
        thick = in_mm(found[1], found[2])
        rest = re.sub(r"\s+(?:of|each|thick)$", "", without(rest, found))
        if not 0.02 <= thick <= THICKEST:
            sizes, thick = (sizes or (round(thick, 2), round(thick, 2))), None
        else:
            notes.append(say("{thick} read as its thickness.", thick=thickness(thick)))
    return sizes, thick, rest, notes


def is_count_of(found: re.Match[str]) -> bool:
    """Whether what looks like a size is a thickness and a count: "3 mm x 2"."""
    return found[2] is not None and found[4] is None and found[5] is None and found[3].isdigit() and in_mm(found[1], found[2]) < THICKEST


def value(text: str) -> float:
    """A number with a fraction or a comma.

    Examples
    --------
    >>> value("4 1/4"), value("5,5")
    (4.25, 5.5)
    """
    total = 0.0
    for part in text.replace(",", ".").split():
        above, _, below = part.partition("/")
        total += float(above) / max(float(below), 1e-9) if below else float(above)
    return total


def in_mm(text: str, unit: str | None) -> float:
    """A length as it is written, in mm; without a unit as it stands."""
    told = (unit or "").lower()
    if told.startswith(("pt", "point", "mil", "thou")) and not told.startswith("milli"):
        return round(value(text) * POINT, 3)
    if told.startswith(("micron", "µ")):
        return round(value(text) / 1000.0, 3)
    factor = 1.0 if not told or told.startswith("m") else 10.0 if told.startswith("c") else 25.4
    return round(value(text) * factor, 3)


def without(words: str, found: re.Match[str]) -> str:
    """Words without what was matched."""
    return " ".join((words[: found.start()] + " " + words[found.end() :]).split())
