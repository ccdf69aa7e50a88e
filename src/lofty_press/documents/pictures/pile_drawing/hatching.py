"""Section hatching by material, so that materials are told apart without colour. The page gets the same table from `lofty publish`."""

from dataclasses import dataclass

from lofty_press.core.sandwich.materials import MaterialName

TILE = 9.0  # px; both sides of the square that repeats

Line = tuple[tuple[float, float], ...]


@dataclass(frozen=True)
class Hatch:
    """A square that repeats: its ground, and over it `lines` of a `width`, dashed or not, and `dots` (x, y, radius) [px]."""

    fill: str
    stroke: str
    lines: tuple[Line, ...] = ()
    width: float = 0.9
    dash: tuple[float, ...] = ()
    dots: tuple[tuple[float, float, float], ...] = ()


RISING: Line = ((-1, 10), (10, -1))
FALLING: Line = ((-1, -1), (10, 10))
THREE_RISING: tuple[Line, ...] = (RISING, ((-1, 5.5), (5.5, -1)), ((3.5, 10), (10, 3.5)))
THREE_FALLING: tuple[Line, ...] = (FALLING, ((3.5, -1), (10, 5.5)), ((-1, 3.5), (5.5, 10)))
WAVE: Line = ((0, 4.5), (1.1, 3.7), (2.2, 3.4), (3.4, 3.7), (4.5, 4.5), (5.6, 5.3), (6.8, 5.6), (7.9, 5.3), (9, 4.5))
LEVEL: Line = ((0, 4.5), (9, 4.5))

HATCHES: dict[MaterialName, Hatch] = {
    "hard plastic": Hatch("#ebe8dd", "#b9b7a4", (RISING,)),
    "soft plastic": Hatch("#e9ece4", "#a3b1a3", (RISING,), dash=(3, 2.2)),
    "folder plastic": Hatch("#dde6e0", "#8fa69a", THREE_FALLING),
    "steel": Hatch("#c9cccd", "#6f7678", THREE_RISING),
    "aluminium": Hatch("#d9dcdd", "#8b9294", THREE_RISING),
    "copper": Hatch("#dfc0a8", "#8d5a39", THREE_RISING),
    "rubber": Hatch("#5c625f", "#2f3633", (RISING, FALLING)),
    "silicone": Hatch("#d9dbe4", "#8a90a8", (WAVE,)),
    "foam": Hatch("#efe6d3", "#b49f75", dots=((2, 2.5, 0.9), (6.5, 6.8, 0.9))),
    "paper": Hatch("#f3eee0", "#b9a98a", (LEVEL,), width=0.5),
    "wood": Hatch("#dccbaa", "#94774a", (((0, 2), (9, 2)), ((0, 6.5), (9, 6.5)))),
    "photopolymer": Hatch("#ead9c0", "#a9813f", (LEVEL,), width=0.5),
}
