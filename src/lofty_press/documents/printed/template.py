"""Templates to lay under: what lies where on the bed, at true scale, with a ruler to check the print."""

from dataclasses import dataclass
from html import escape
from typing import Literal

import numpy as np

from lofty_press.core.basics.words import Message, Unit, named, say, size
from lofty_press.core.mechanics.alignment import FlapPlace
from lofty_press.core.mechanics.feed import Lying
from lofty_press.core.sandwich.stack import BASES, MATS, FloatArray, rings_of

MARGIN = 8.0  # mm
FOOT = 16.0  # mm, for ruler and words
Line = Literal["outer", "inner", "axis"]
RULERS: dict[Unit, float] = {"mm": 100.0, "in": 101.6}
COLOURS = {"outer": (0.55, 0.52, 0.46), "inner": (0.13, 0.19, 0.17), "axis": (0.12, 0.44, 0.39)}
WIDTHS = {"outer": 0.2, "inner": 0.35, "axis": 0.15}


@dataclass(frozen=True)
class Template:
    """A drawing at true scale: lines (n, 2), to the right and down the page [mm], each of a kind; what is written under it."""

    title: Message
    lines: tuple[tuple[Line, FloatArray], ...]
    words: Message

    @property
    def bounds(self) -> tuple[float, float, float, float]:
        """Left, top, right, bottom. [mm]"""
        return (
            min(float(line[:, 0].min()) for _, line in self.lines),
            min(float(line[:, 1].min()) for _, line in self.lines),
            max(float(line[:, 0].max()) for _, line in self.lines),
            max(float(line[:, 1].max()) for _, line in self.lines),
        )


def bed_template(lying: Lying) -> Template:
    """The plates, the work on them and its middle, seen from above; the feed runs down the page."""
    lines: list[tuple[Line, FloatArray]] = []
    for placed in lying.view.layers:
        if placed.layer.half == "sunk" or placed.kind in (*BASES, *MATS):
            continue
        kind: Line = "inner" if placed.id in lying.moving else "outer"
        lines += [(kind, down_the_page(ring)) for ring in rings_of(placed.polygon)]
    if lying.placing is not None:
        x, y = lying.placing.x, lying.placing.y
        lines += [("axis", down_the_page(cross)) for cross in crosses(x, y)]
    words = say(
        "Put it on the bed, this end first into the rollers at the top. Gray: plates; black: what's on them; green: the tool's middle."
    )
    return Template(named(lying.view.sandwich.name), tuple(lines) or (("axis", down_the_page(crosses(0, 0)[0])),), words)


def flap_template(place: FlapPlace) -> Template:
    """A flap seen from inside, fold at the top, and the motif as it is laid in it, face down."""
    lines: tuple[tuple[Line, FloatArray], ...] = (("outer", place.flap), ("inner", place.motif))
    words = say(
        "Inside of the flap, fold at the top. The motif's middle is {from_fold} from the fold. Put it face down: it's mirrored here.",
        from_fold=size(place.from_fold, 1),
    )
    return Template(say("Motif in a flap"), lines, words)


def down_the_page(points: FloatArray) -> FloatArray:
    """Places along and across the feed as places to the right and down. The feed's left is the page's left when its first end is on top."""
    return points[:, ::-1].copy()


def crosses(x: float, y: float, arm: float = 6.0) -> list[FloatArray]:
    """Two short lines through a point."""
    return [np.array([[x - arm, y], [x + arm, y]]), np.array([[x, y - arm], [x, y + arm]])]


def template_svg(template: Template, unit: Unit) -> str:
    """The template as an SVG in millimetres."""
    left, top, right, bottom = template.bounds
    ruler = RULERS[unit]
    wide, high = max(right - left, ruler) + 2 * MARGIN, bottom - top + 2 * MARGIN + FOOT
    paths = "\n".join(f'  <path class="{kind}" d="{path_of(line, MARGIN - left, MARGIN - top)}"/>' for kind, line in template.lines)
    y = high - FOOT + 2
    styles = " ".join(
        f".{kind} {{ fill: none; stroke: rgb({', '.join(str(round(255 * c)) for c in COLOURS[kind])}); stroke-width: {WIDTHS[kind]} }}"
        for kind in WIDTHS
    )
    return f"""<?xml version="1.0" encoding="UTF-8"?>
<svg xmlns="http://www.w3.org/2000/svg" width="{wide:.2f}mm" height="{high:.2f}mm" viewBox="0 0 {wide:.2f} {high:.2f}">
  <title>{escape(template.title.in_words(unit))}</title>
  <style>{styles} text {{ font: 3px sans-serif; fill: #555 }}</style>
{paths}
  <path class="inner" d="M{MARGIN:g} {y:.2f}h{ruler:g}m0 -1.5v3m-{ruler:g} -3v3"/>
  <text x="{MARGIN:g}" y="{y + 4.5:.2f}">{escape(ruler_words(unit).in_words(unit))}</text>
  <text x="{MARGIN:g}" y="{y + 9:.2f}">{escape(template.words.in_words(unit))}</text>
</svg>
"""


def ruler_words(unit: Unit) -> Message:
    """What stands under the ruler that is printed beside a drawing."""
    return say("This line is {length} long when printed at true scale: print without fitting to the page.", length=size(RULERS[unit]))


def path_of(line: FloatArray, dx: float, dy: float) -> str:
    return "M" + "L".join(f"{x + dx:.3f} {y + dy:.3f}" for x, y in line)
