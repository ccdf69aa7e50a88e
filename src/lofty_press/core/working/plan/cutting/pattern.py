"""One sheet taken apart: pieces, rests, and the cuts in an order that can be made."""

from collections import Counter
from collections.abc import Iterator
from dataclasses import dataclass
from fractions import Fraction


@dataclass(frozen=True)
class Laid:
    """A piece where it comes out of the sheet: left lower corner, size there, and whether it lies across. [mm]"""

    key: str
    x: Fraction
    y: Fraction
    width: Fraction
    height: Fraction
    turned: bool


@dataclass(frozen=True)
class Rest:
    """A part of the sheet that is left over. [mm]"""

    x: Fraction
    y: Fraction
    width: Fraction
    height: Fraction


@dataclass(frozen=True)
class Split:
    """A part of a sheet cut from edge to edge: `at` from its left or lower edge, into `low` and `high`. [mm]"""

    x: Fraction
    y: Fraction
    width: Fraction
    height: Fraction
    upright: bool
    at: Fraction
    low: "Part"
    high: "Part"


Part = Laid | Rest | Split


@dataclass(frozen=True)
class Pattern:
    """A whole sheet taken apart."""

    width: Fraction
    height: Fraction
    whole: Part

    @property
    def laid(self) -> tuple[Laid, ...]:
        """Its pieces."""
        return tuple(part for part in parts_of(self.whole) if isinstance(part, Laid))

    @property
    def rests(self) -> tuple[Rest, ...]:
        """What is left over."""
        return tuple(part for part in parts_of(self.whole) if isinstance(part, Rest))


@dataclass(frozen=True)
class Cut:
    """A cut from edge to edge of the part that is in hand: from one point to another, the how-manieth. [mm]"""

    number: int
    x1: Fraction
    y1: Fraction
    x2: Fraction
    y2: Fraction
    measure: Fraction
    """From an edge of that part, as it is set at the trimmer."""


def parts_of(part: Part) -> Iterator[Part]:
    """A part and all that it is taken apart into."""
    yield part
    if isinstance(part, Split):
        yield from parts_of(part.low)
        yield from parts_of(part.high)


def cuts_of(pattern: Pattern) -> tuple[Cut, ...]:
    """The cuts of a sheet in an order in which each goes through a part that lies apart already, and the trimmer's stop is moved seldom.

    Notes
    -----
    Of the parts that lie there, one whose cut has the stop as it stands goes next, measured from either edge; if there is none, the stop
    goes to where it serves most of them. That is a rule of thumb, not proven to be the least.
    """
    found: list[Cut] = []
    waiting = [pattern.whole] if isinstance(pattern.whole, Split) else []
    stop: Fraction | None = None
    while waiting:
        split = next((part for part in waiting if stop in sides_of(part)), None)
        if split is None:
            serves = Counter(side for part in waiting for side in sides_of(part))
            split = max(waiting, key=lambda part: max(serves[side] for side in sides_of(part)))
            stop = max(sides_of(split), key=lambda side: serves[side])
        waiting.remove(split)
        found.append(cut_of(split, len(found) + 1, stop))
        waiting += [part for part in (split.low, split.high) if isinstance(part, Split)]
    return tuple(found)


def settings_of(pattern: Pattern) -> int:
    """How often the trimmer's stop is set for the cuts of a sheet."""
    measures = [cut.measure for cut in cuts_of(pattern)]
    return sum(before != measure for before, measure in zip([None, *measures], measures, strict=False))


def sides_of(split: Split) -> tuple[Fraction, Fraction]:
    """How far a cut is from both edges of its part: the trimmer can measure either. [mm]"""
    return split.at, (split.width if split.upright else split.height) - split.at


def cut_of(split: Split, number: int, stop: Fraction | None) -> Cut:
    """The cut of a part, measured as the stop stands."""
    measure = split.at if stop is None else stop
    if split.upright:
        x = split.x + split.at
        return Cut(number, x, split.y, x, split.y + split.height, measure)
    y = split.y + split.at
    return Cut(number, split.x, y, split.x + split.width, y, measure)


def largest_rest(pattern: Pattern) -> Rest | None:
    """The off-cut that is worth most: the largest one. [mm]"""
    return max(pattern.rests, key=lambda rest: rest.width * rest.height, default=None)


def without(pattern: Pattern, surplus: dict[str, int]) -> Pattern:
    """The pattern with some pieces left out; parts that are only rest become one rest again."""
    left = dict(surplus)

    def taken(part: Part) -> Part:
        if isinstance(part, Laid):
            if left.get(part.key, 0) > 0:
                left[part.key] -= 1
                return Rest(part.x, part.y, part.width, part.height)
            return part
        if isinstance(part, Split):
            high, low = taken(part.high), taken(part.low)
            if isinstance(low, Rest) and isinstance(high, Rest):
                return Rest(part.x, part.y, part.width, part.height)
            return Split(part.x, part.y, part.width, part.height, part.upright, part.at, low, high)
        return part

    return Pattern(pattern.width, pattern.height, taken(pattern.whole))
