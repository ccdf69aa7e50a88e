"""Numbers in what people write about their things: how many, how large, how thick, how heavy."""

import re
from dataclasses import dataclass

from lofty_press.core.words import Message, say, size, thickness

ONES = ["no", "one", "two", "three", "four", "five", "six", "seven", "eight", "nine", "ten", "eleven", "twelve"]
TEENS = ["thirteen", "fourteen", "fifteen", "sixteen", "seventeen", "eighteen", "nineteen"]
TENS = {"twenty": 20, "thirty": 30, "forty": 40, "fifty": 50, "sixty": 60}
NUMBERS: dict[str, int] = {
    **{word: n for n, word in enumerate([*ONES, *TEENS])},
    **TENS,
    "zero": 0,
    "a": 1,
    "an": 1,
    "single": 1,
    "both": 2,
    "pair": 2,
    "couple": 2,
    "dozen": 12,
}
ROUGH = re.compile(
    r"^(?:about|around|roughly|approximately|approx\.?|maybe|some|nearly|almost|over|at least|up to|i have|i own|we have|my|our|ca\.?|~)\s+",
    re.I,
)
NUMBER = r"(?:\d+(?:[.,]\d+)?(?:\s+\d+/\d+)?|\d+/\d+)"
UNIT = r"(?:mm|millimeters?|millimetres?|cm|centimeters?|centimetres?|inch(?:es)?|in\b|\"|″|'')"
SIZE = re.compile(rf"({NUMBER})\s*({UNIT})?\s*(?:x|×|by)\s*({NUMBER})\s*({UNIT})?(?![\w])", re.I)
LENGTH = re.compile(rf"(?<![\w.,/])({NUMBER})\s*({UNIT})(?![\w])(?:\s+(?:thick|deep|high))?", re.I)
RANGE = re.compile(r"^(\d{1,3})\s*(?:-|–|to|or)\s*(\d{1,3})\s+(?=[^\W\d])", re.I)
WEIGHT = re.compile(r"^\d+(?:[.,]\d+)?\s*(?:#|lbs?\b|pounds?\b|gsm\b|g\b|g/m)", re.I)
DIGITS = re.compile(r"^(\d{1,20})\s*(?:x|×)?\s+(?=[^\W\d]|\d+\s*[x×-]?\s*[\dd])", re.I)
TRAILING = re.compile(r"\s*(?:\((\d{1,3})\)|[:x×]\s*(\d{1,3})|-\s*(\d{1,3}))$", re.I)
CARD_SIZES = {"a2": (107.95, 139.7), "a6": (114.3, 158.75), "a7": (127.0, 177.8)}
"""Fold-over cards by the envelope they go in, as North America names them; value from memory. [mm]"""
INCHES_TO = 25.0  # a size without a unit is in inches up to here, in millimetres above


@dataclass(frozen=True)
class Measures:
    """What was said in numbers, and the words that are left: a count, a size (shorter, longer) and a thickness [mm], and what was taken for granted."""

    count: int | None
    words: str
    size_mm: tuple[float, float] | None
    thick_mm: float | None
    notes: tuple[Message, ...]


def measured(words: str) -> Measures:
    """Take the numbers out of a part of a list.

    Examples
    --------
    >>> found = measured("a dozen 5x7 embossing folders")
    >>> found.count, found.words, found.size_mm
    (12, 'embossing folders', (127.0, 177.8))
    """
    rest = " ".join(words.split())
    notes: list[Message] = []
    while (rough := ROUGH.match(rest)) is not None:
        rest = rest[rough.end() :]
    count, rest, counted_from = counted(rest)
    notes += [] if counted_from is None else [counted_from]
    sizes = None
    if (found := SIZE.search(rest)) is not None:
        unit = found[4] or found[2]
        sides = sorted(in_mm(found[k], unit) for k in (1, 3))
        if unit is None:
            inches = max(value(found[1]), value(found[3])) <= INCHES_TO
            sides = [side * (25.4 if inches else 1.0) for side in sides]
        sizes = (round(sides[0], 2), round(sides[1], 2))
        rest = without(rest, found)
    else:
        for name, card in CARD_SIZES.items():
            if (called := re.search(rf"\b{name}\b", rest, re.I)) is not None:
                sizes, rest = card, without(rest, called)
                notes.append(
                    say("{name} taken as the card size, {wide} x {high}.", name=name.upper(), wide=size(card[0]), high=size(card[1]))
                )
                break
    thick = None
    if (found := LENGTH.search(rest)) is not None:
        thick = in_mm(found[1], found[2])
        rest = without(rest, found)
        if not 0.02 <= thick <= 40.0:
            sizes, thick = (sizes or (round(thick, 2), round(thick, 2))), None
        else:
            notes.append(say("{thick} taken as its thickness.", thick=thickness(thick)))
    return Measures(count, rest, sizes, thick, tuple(notes))


def counted(words: str) -> tuple[int | None, str, Message | None]:
    """How many, the words after it, and what was taken for granted; a size, a thickness or a weight is no count."""
    if (found := RANGE.match(words)) is not None:
        low, high = sorted((int(found[1]), int(found[2])))
        return low, words[found.end() :], say("{low} to {high}: counted as {low}.", low=low, high=high)
    if (found := DIGITS.match(words)) is not None and not any(other.match(words) for other in (LENGTH, SIZE, WEIGHT)):
        number, after = int(found[1]), words[found.end() :]
        first, _, left = after.partition(" ")
        each = {"pair": 2, "couple": 2, "dozen": 12}.get(first.lower().removesuffix("s"))
        return (number * each, dropped_of(left.split()), None) if each and left else (number, after, None)
    count, rest = spelled_out(words)
    if count is None and (found := TRAILING.search(words)) is not None and not SIZE.search(words[found.start() - 4 :]):
        return int(found[1] or found[2] or found[3]), words[: found.start()], None
    return count, rest, None


def spelled_out(words: str) -> tuple[int | None, str]:
    """A number in words at the beginning: "two dozen", "half a dozen", "a couple of", "twenty-five"."""
    count: int | None = None
    rest = words.split()
    if [word.lower() for word in rest[:3]] == ["half", "a", "dozen"]:
        return 6, dropped_of(rest[3:])
    if len(rest) > 1 and [word.lower() for word in rest[:2]] == ["a", "few"]:
        return 3, dropped_of(rest[2:])
    while len(rest) > 1:
        number = number_of(rest[0].lower())
        if number is None:
            break
        if count is None:
            count = number
        elif number == 12 and count < 12:
            count *= 12
        elif rest[0].lower().removesuffix("s") in ("pair", "couple"):
            count *= number
        elif count in TENS.values() and number < 10:
            count += number
        else:
            break
        rest = rest[1:]
    return count, dropped_of(rest)


def number_of(word: str) -> int | None:
    """A word as a number, "twenty-five" included; pairs and dozens also in the plural."""
    if "-" in word:
        tens, _, ones = word.partition("-")
        return TENS[tens] + NUMBERS[ones] if tens in TENS and ones in NUMBERS else None
    return NUMBERS.get(word, NUMBERS.get(word.removesuffix("s")) if word in ("pairs", "dozens") else None)


def dropped_of(rest: list[str]) -> str:
    """Words without a leading "of" or "different"."""
    while len(rest) > 1 and rest[0].lower() in ("of", "different", "various", "assorted", "the", "my", "really", "very"):
        rest = rest[1:]
    return " ".join(rest)


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
    factor = 1.0 if not told or told.startswith("m") else 10.0 if told.startswith("c") else 25.4
    return round(value(text) * factor, 3)


def without(words: str, found: re.Match[str]) -> str:
    """Words without what was matched."""
    return " ".join((words[: found.start()] + " " + words[found.end() :]).split())
