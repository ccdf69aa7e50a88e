"""What a file is to become, and what came of it."""

from dataclasses import dataclass
from typing import Literal

from lofty_press.core.basics.words import Message
from lofty_press.core.sandwich.relief import HeightMap

Use = Literal["relief", "plateau", "blade", "window"]
"""A relief with heights; a flat shape that stands up; a blade along outlines; windows in a mask or frame."""


@dataclass(frozen=True)
class Wish:
    """How to read a file.

    `width_mm` is the size across the feed (None: as the file says), `depth_mm` the height of its highest part, `shoulder_mm` how a
    plateau falls off. `quarter_turns` turns it counter-clockwise, `invert` makes dark high, `mirror` swaps left and right.
    """

    use: Use
    width_mm: float | None = None
    depth_mm: float = 0.5
    shoulder_mm: float = 0.2
    quarter_turns: int = 0
    invert: bool = False
    mirror: bool = False


@dataclass(frozen=True)
class ReadRelief:
    """A height map, what had to be mended on the way, and an outline or windows for the bench [mm] if the file has them."""

    relief: HeightMap
    notes: tuple[Message, ...]
    outline: tuple[tuple[float, float], ...] | None = None
    windows: tuple[tuple[tuple[float, float], ...], ...] = ()
