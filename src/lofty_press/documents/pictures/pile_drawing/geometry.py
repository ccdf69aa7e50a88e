"""Where each layer of a pile lies in its drawing. The page's `sandwich/geometry.ts` draws alike while something is dragged; a test holds them equal."""

import math
from dataclasses import dataclass

from lofty_press.core.sandwich.stack import BASES, Placed, StackView

BED_SHOWN = 2.4  # mm of a tall base that stay in the drawing
TALL_BASE = 5.0  # mm
THINNEST = 5.0  # px
BESIDE = 18.0  # px that the longest layer may reach beyond the others
BETWEEN = 2.0  # px a layer, kept free
LEAST_LENGTH, LEAST_HEIGHT = 120.0, 3.0  # mm that always fit
MOST_SCALE = 90.0  # px for a millimetre of height


@dataclass(frozen=True)
class View:
    """The field of the drawing [px]: its size, where the stack begins and how wide it is, and between which heights it stands."""

    width: float = 568
    height: float = 626
    left: float = 92
    stack: float = 268
    top: float = 84
    bottom: float = 556


VIEW = View()


@dataclass(frozen=True)
class DrawnLayer:
    """A layer in the drawing, y downwards [px]; `cut` if a piece of its height is left out, `lower` for the lower half of a folder."""

    placed: Placed
    x: float
    width: float
    y: float
    height: float
    cut: bool
    lower: bool


@dataclass(frozen=True)
class Drawing:
    """Layers from the bottom up; `floor` is the lower roller's top and `ceiling` the upper one's bottom when nothing presses it up [px];
    `scale` and `along` are pixels for a millimetre of height and along the feed."""

    layers: tuple[DrawnLayer, ...]
    scale: float
    along: float
    floor: float
    ceiling: float


def draw_stack(view: StackView) -> Drawing:
    """Lay a pile out under its press; heights are true to one another but for a base cut short and a least height."""
    layers = view.layers
    opening = view.press.opening.mm
    left_out = [p.thickness - BED_SHOWN if p.kind in BASES and p.thickness > TALL_BASE else 0.0 for p in layers]
    along = VIEW.stack / max([LEAST_LENGTH, *(length_of(p) for p in layers if p.kind != "bed")])
    tallest = max(sum(p.thickness for p in layers), opening) - sum(left_out)
    room = VIEW.bottom - VIEW.top - BETWEEN * len(layers)
    scale = min(room / max(tallest, LEAST_HEIGHT), MOST_SCALE)
    middle = VIEW.left + VIEW.stack / 2
    y, stretched, drawn, halves = VIEW.bottom, 0.0, [], set[str]()
    for placed, gone in zip(layers, left_out, strict=True):
        exact = (placed.thickness - gone) * scale
        height = max(exact, THINNEST)
        stretched += height - exact
        y -= height
        width = VIEW.stack + BESIDE if gone > 0 else min(length_of(placed) * along, VIEW.stack + BESIDE)
        x = middle - 0.5 * width + (0.0 if gone > 0 else placed.layer.x_mm * along)
        lower = bool(placed.layer.half) and placed.layer.item not in halves
        if placed.layer.half:
            halves.add(placed.layer.item)
        drawn.append(DrawnLayer(placed, x, width, y, height, gone > 0, lower))
    ceiling = VIEW.bottom - (opening - sum(left_out)) * scale - stretched
    return Drawing(tuple(drawn), scale, along, VIEW.bottom, ceiling)


def length_of(placed: Placed) -> float:
    """Room that a layer's size takes along the feed, as it is turned. [mm]"""
    turn = math.radians(placed.layer.rotation_deg)
    return abs(placed.item.length_mm * math.cos(turn)) + abs(placed.item.width_mm * math.sin(turn))


def spaced(wanted: list[float], gap: float, low: float, high: float) -> list[float]:
    """Heights in rising order at least a gap apart, moved down where they crowd and up again where they would leave the field."""
    places: list[float] = []
    for place in wanted:
        places.append(max(place, (places[-1] if places else low - gap) + gap))
    for index in range(len(places) - 1, -1, -1):
        places[index] = min(places[index], high - gap * (len(places) - 1 - index))
    return places
