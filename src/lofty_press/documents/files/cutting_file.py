"""Cutting files: the outline and windows of a part to make, as SVG at true scale."""

from html import escape

from lofty_press.core.sandwich.stack import Item

MARGIN = 5.0  # mm
RULER = 50.0  # mm; printed beside it, to check the scale


def cutting_svg(item: Item) -> str:
    """A part's outline and windows as an SVG in millimetres, with a ruler to check the print.

    The feed runs from top to bottom, as for every outline that the program reads.
    """
    width, length = item.width_mm, item.length_mm
    outer = item.outline or ((-length / 2, -width / 2), (length / 2, -width / 2), (length / 2, width / 2), (-length / 2, width / 2))
    wide, high = max(width, RULER) + 2 * MARGIN, length + 3 * MARGIN + 4
    paths = "\n".join(f'  <path class="cut" d="{path(points, width, length)}"/>' for points in (outer, *item.windows))
    y = length + 2 * MARGIN
    return f"""<?xml version="1.0" encoding="UTF-8"?>
<svg xmlns="http://www.w3.org/2000/svg" width="{wide:g}mm" height="{high:g}mm" viewBox="0 0 {wide:g} {high:g}">
  <title>{escape(item.name)}</title>
  <style>.cut {{ fill: none; stroke: #000; stroke-width: 0.1 }} .ruler {{ fill: none; stroke: #888; stroke-width: 0.2 }} text {{ font: 3px sans-serif; fill: #555 }}</style>
{paths}
  <path class="ruler" d="M{MARGIN:g} {y:g}h{RULER:g}m0 -1.5v3m-{RULER:g} -3v3"/>
  <text x="{MARGIN:g}" y="{y + 4.5:g}">This line is {RULER:g} mm long when printed at true scale.</text>
</svg>
"""


def path(points: tuple[tuple[float, float], ...], width: float, length: float) -> str:
    """A closed path; points are along and across the feed from the middle [mm]."""
    corners = [f"{y + width / 2 + MARGIN:.3f} {x + length / 2 + MARGIN:.3f}" for x, y in points]
    return "M" + "L".join(corners) + "Z"
