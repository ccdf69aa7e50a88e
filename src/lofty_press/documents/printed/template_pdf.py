"""A template to lay under as a page to print at true scale."""

import io

from reportlab.lib.pagesizes import A2, A3, A4, LEGAL, LETTER
from reportlab.lib.units import mm
from reportlab.pdfgen.canvas import Canvas

from lofty_press.core.basics.words import Unit
from lofty_press.documents.printed import TEXT, printable
from lofty_press.documents.printed.template import COLOURS, FOOT, MARGIN, RULERS, WIDTHS, Template, ruler_words

PAGES = {"mm": (A4, A3, A2), "in": (LETTER, LEGAL, A3, A2)}


def template_pdf(template: Template, unit: Unit) -> bytes:
    """The template as one page at true scale, the smallest usual one that holds it, or one of its own size."""
    left, top, right, bottom = template.bounds
    ruler = RULERS[unit]
    need = ((max(right - left, ruler) + 2 * MARGIN) * mm, (bottom - top + 2 * MARGIN + FOOT) * mm)
    ways = [way for page in PAGES[unit] for way in (page, (page[1], page[0]))]
    wide, high = next((p for p in ways if p[0] >= need[0] and p[1] >= need[1]), need)
    out = io.BytesIO()
    canvas = Canvas(out, pagesize=(wide, high))
    canvas.setTitle(template.title.in_words(unit))
    for kind, line in template.lines:
        canvas.setStrokeColorRGB(*COLOURS[kind])
        canvas.setLineWidth(WIDTHS[kind] * mm)
        path = canvas.beginPath()
        path.moveTo(MARGIN * mm + (line[0, 0] - left) * mm, high - MARGIN * mm - (line[0, 1] - top) * mm)
        for x, y in line[1:]:
            path.lineTo(MARGIN * mm + (x - left) * mm, high - MARGIN * mm - (y - top) * mm)
        canvas.drawPath(path)
    y = high - (bottom - top + 2 * MARGIN + 4) * mm
    canvas.line(MARGIN * mm, y, (MARGIN + ruler) * mm, y)
    for x in (MARGIN, MARGIN + ruler):
        canvas.line(x * mm, y - 1.5 * mm, x * mm, y + 1.5 * mm)
    canvas.setFont(TEXT, 7.5)
    for n, words in enumerate((ruler_words(unit), template.words)):
        canvas.drawString(MARGIN * mm, y - (4.5 + 4 * n) * mm, printable(words.in_words(unit)))
    canvas.save()
    return out.getvalue()
