"""What a layer of a pile is drawn with: paths of a body and its marks. The page's `sandwich/shapes.ts` draws alike; a test holds them equal."""

from dataclasses import dataclass
from typing import Literal

from lofty_press.core.sandwich.materials import MaterialName
from lofty_press.documents.pictures.pile_drawing.geometry import VIEW, Drawing, DrawnLayer
from lofty_press.documents.pictures.pile_drawing.hatching import HATCHES

INK, PAPER, MIST, METAL = "#22302b", "#f5f1e8", "#4f86a8", "#d9d4c8"
ROLLER_BEYOND, ROLLER_BOW, ROLLER_SHOWN = 22.0, 32.0, 54.0  # px
DROPS, DROP = 12, 1.7  # of mist; px
TEETH = (0.04, 0.2, 0.42, 0.58, 0.8, 0.96)  # of a layer's width
BUMPS = (0.2, 0.36, 0.52, 0.68, 0.84)

Step = tuple[Literal["M", "L"], float, float] | tuple[Literal["Q"], float, float, float, float] | tuple[Literal["Z"]]
Path = list[Step]


@dataclass(frozen=True)
class Shape:
    """A filled or drawn path of steps as SVG has them: to a point, straight, by a quadratic curve, back to the start [px]. The fill is a colour, or a
    material whose hatching fills it."""

    path: Path
    fill: str | None = None
    hatch: MaterialName | None = None
    stroke: str | None = None
    width: float = 0.8
    dash: tuple[float, ...] = ()


def box(x: float, y: float, width: float, height: float) -> Path:
    return [("M", x, y), ("L", x + width, y), ("L", x + width, y + height), ("L", x, y + height), ("Z",)]


def body_of(drawn: DrawnLayer) -> list[Shape]:
    """The body of one layer in section: hatched by its material or in its stock's colour, copies apart, a tall base with a piece left out."""
    item, count = drawn.placed.item, drawn.placed.layer.count
    around = box(drawn.x, drawn.y, drawn.width, drawn.height)
    if item.kind == "sheet" and item.stock is not None:
        body = Shape(around, fill=item.stock.face_colour, stroke=INK, width=0.9)
    else:
        body = Shape(around, hatch=item.material, stroke=INK, width=0.9)
    if drawn.cut:
        return [body, *gap_in(drawn)]
    if count == 1 or drawn.height <= 2.5 * count:
        return [body]
    lines: Path = []
    for n in range(1, count):
        at = drawn.y + n * drawn.height / count
        lines += [("M", drawn.x, at), ("L", drawn.x + drawn.width, at)]
    return [body, Shape(lines, stroke=INK, width=0.6)]


def gap_in(drawn: DrawnLayer) -> list[Shape]:
    """Where a piece of a tall base's height is left out."""
    x, width, middle = drawn.x, drawn.width, drawn.y + drawn.height / 2

    def zigzag(at: float) -> Path:
        bend = x + 0.46 * width
        return [
            ("M", x - 6, at),
            ("L", bend, at),
            ("L", bend + 5, at - 6),
            ("L", bend + 14, at + 6),
            ("L", bend + 19, at),
            ("L", x + width + 6, at),
        ]

    return [Shape(zigzag(middle), stroke=PAPER, width=7), Shape(zigzag(middle - 3.5) + zigzag(middle + 3.5), stroke=INK)]


def marks_of(drawn: DrawnLayer) -> list[Shape]:
    """What a layer carries on its faces: blade, relief, window, ink, mist; drawn over all bodies, since it reaches into the next layer."""
    item, layer = drawn.placed.item, drawn.placed.layer
    marks: list[Shape] = []
    if item.blade is not None and not layer.half:
        marks.append(teeth(drawn, up=not layer.turned))
    if item.relief is not None and not layer.half and item.kind != "motif":
        marks.append(bumps(drawn, up=not layer.turned, filled=True))
    if layer.half:
        marks.append(bumps(drawn, up=drawn.lower, filled=layer.half == "raised"))
    if item.windows:
        marks.append(window_of(drawn))
    if layer.ink is not None:
        marks.append(Shape(box(drawn.x, ink_at(drawn), drawn.width, 2.6), fill=layer.ink.colour))
    if layer.mist_age_s is not None:
        marks.append(mist(drawn))
    return marks


def ink_at(drawn: DrawnLayer) -> float:
    layer = drawn.placed.layer
    up = drawn.lower if layer.half else not layer.turned
    return drawn.y - 1.3 if up else drawn.y + drawn.height - 1.3


def teeth(drawn: DrawnLayer, *, up: bool) -> Shape:
    tooth = min(7.0, max(3.0, 0.6 * drawn.height))
    base, tip = (drawn.y, drawn.y - tooth) if up else (drawn.y + drawn.height, drawn.y + drawn.height + tooth)
    path: Path = []
    for share in TEETH:
        at = drawn.x + share * drawn.width
        path += [("M", at - 2.4, base), ("L", at, tip), ("L", at + 2.4, base), ("Z",)]
    return Shape(path, fill=INK)


def bumps(drawn: DrawnLayer, *, up: bool, filled: bool) -> Shape:
    size = min(6.0, max(2.2, 0.3 * drawn.height))
    base, direction = drawn.y if up else drawn.y + drawn.height, -1 if up is filled else 1
    path: Path = []
    for share in BUMPS:
        at = drawn.x + share * drawn.width
        path += [("M", at - 9, base), ("Q", at, base + direction * size * 2, at + 9, base), ("Z",)]
    return Shape(path, fill=HATCHES[drawn.placed.item.material].fill if filled else PAPER, stroke=INK)


def window_of(drawn: DrawnLayer) -> Shape:
    xs = [x for ring in drawn.placed.item.windows for x, _ in ring]
    wide = (max(xs) - min(xs)) / drawn.placed.item.length_mm * drawn.width
    around = box(drawn.x + 0.5 * (drawn.width - wide), drawn.y, wide, drawn.height)
    return Shape(around, fill=PAPER, stroke=INK, dash=(4, 3))


def mist(drawn: DrawnLayer) -> Shape:
    layer = drawn.placed.layer
    upper = (layer.mist_face == "front") != layer.turned
    cy, r = (drawn.y - 2.5 if upper else drawn.y + drawn.height + 2.5), DROP
    path: Path = []
    for n in range(DROPS):
        cx = drawn.x + (n + 0.5) * drawn.width / DROPS
        path += [("M", cx - r, cy), ("Q", cx - r, cy - r, cx, cy - r), ("Q", cx + r, cy - r, cx + r, cy)]
        path += [("Q", cx + r, cy + r, cx, cy + r), ("Q", cx - r, cy + r, cx - r, cy), ("Z",)]
    return Shape(path, fill=MIST)


def rollers_of(drawing: Drawing) -> list[Shape]:
    """The near sides of both rollers at their opening: bows that go away from the pile towards both sides."""
    left, right = VIEW.left - ROLLER_BEYOND, VIEW.left + VIEW.stack + ROLLER_BEYOND
    shapes = []
    for at, away in ((drawing.ceiling, -1), (drawing.floor, 1)):
        rise, end = away * ROLLER_BOW, at + away * ROLLER_SHOWN
        bow: Path = [("M", left, at + rise), ("Q", 0.5 * (left + right), at - rise, right, at + rise)]
        shapes.append(Shape([*bow, ("L", right, end), ("L", left, end), ("Z",)], fill=METAL, stroke=INK))
    return shapes
