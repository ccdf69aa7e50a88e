"""The sheet to photograph tools on, as a page to print at its own size in black."""

import io

from reportlab.lib.units import mm
from reportlab.pdfgen.canvas import Canvas

from lofty_press.core.basics.words import Unit, say
from lofty_press.core.imaging.photo import MARKER, RULER, WEDGE, Target, marker_cells
from lofty_press.documents.printed import BOLD, TEXT, printable

CORNER = 14.0  # mm, of the mark that a folder's hinge is laid against


def target_pdf(target: Target, unit: Unit) -> bytes:
    """One page: markers all round, a frame to lay tools in, a ruler to check the printer's scale, and a gray wedge."""
    out = io.BytesIO()
    canvas = Canvas(out, pagesize=(target.width * mm, target.height * mm))
    canvas.setTitle("Lofty Press: photo sheet")

    def rectangle(x: float, y: float, wide: float, high: float) -> None:
        canvas.rect(x * mm, (target.height - y - high) * mm, wide * mm, high * mm, stroke=0, fill=1)

    def write(x: float, y: float, words: str, size: float, font: str = TEXT) -> None:
        canvas.setFont(font, size)
        canvas.drawString(x * mm, (target.height - y) * mm, printable(words))

    canvas.setFillGray(0.0)
    for number, (x, y) in target.markers.items():
        cells = marker_cells(number)
        cell = MARKER / len(cells)
        for row, line in enumerate(cells):
            for column, black in enumerate(line):
                if black:
                    rectangle(x + column * cell, y + row * cell, cell * 1.002, cell * 1.002)
    left, top, right, bottom = target.window
    canvas.setStrokeGray(0.75)
    canvas.setLineWidth(0.15 * mm)
    for x, y, dx, dy in ((left, top, 1, 1), (right, top, -1, 1), (left, bottom, 1, -1), (right, bottom, -1, -1)):
        for ex, ey in ((CORNER * dx, 0.0), (0.0, CORNER * dy)):
            canvas.line(x * mm, (target.height - y) * mm, (x + ex) * mm, (target.height - y - ey) * mm)
    canvas.setStrokeGray(0.0)
    start, level = target.ruler
    canvas.setLineWidth(0.2 * mm)
    canvas.line(start * mm, (target.height - level) * mm, (start + RULER) * mm, (target.height - level) * mm)
    for tick in range(int(RULER) + 1):
        long = 3.0 if tick % 10 == 0 else 1.2
        canvas.line((start + tick) * mm, (target.height - level) * mm, (start + tick) * mm, (target.height - level + long) * mm)
    for x, y, gray in target.wedge:
        canvas.setFillGray(gray)
        rectangle(x, y, WEDGE, WEDGE)
    canvas.setFillGray(0.0)
    measured = say("This line is {ruler} long. If yours isn't, type in its length before you send photos.", ruler=ruler_words(unit))
    write(start, level + 4.2, measured.in_words(unit), 7)
    write(
        left + 1.5,
        top - 1.0,
        say("Hinge of a folder up here. Put tools inside the four corners, apart from each other.").in_words(unit),
        7,
        BOLD,
    )
    canvas.save()
    return out.getvalue()


def ruler_words(unit: Unit) -> str:
    """The ruler's length as it is read."""
    return f"{RULER:.0f} mm" if unit == "mm" else f"{RULER / 25.4:.3f} in ({RULER:.0f} mm)"
