"""A page to teach with: the pile, the right and the wrong sheet under the same lamp, what to do."""

import io

from reportlab.lib.units import mm
from reportlab.lib.utils import ImageReader
from reportlab.pdfgen.canvas import Canvas
from reportlab.platypus import Flowable, KeepInFrame, Paragraph

from lofty_press.core.basics.words import Unit, say
from lofty_press.documents.pictures.pile_drawing import VIEW
from lofty_press.documents.printed import BOLD, DISPLAY, HAIRLINE, INK, MARGIN, PAGES, QUIET, STAGE, STEP, TEXT, fitting, put, safe, style
from lofty_press.documents.printed.lesson import Lesson, Shown
from lofty_press.documents.printed.run_card_pdf import CAUTIONS, PILE_WIDTH, SHRUNK, draw_pile

PICTURE_HEIGHT, CAPTION = 92 * mm, 12.0
UNDER_ONE_LAMP = say("Both sheets are computed, under the same lamp, low from the left. Ink, tape and heat are drawn on.")
NO_SHEET = say("It doesn't go through, so there's no sheet to see.")
BODY = style("body", 10.5, spaceBefore=1, spaceAfter=5)


def teaching_pdf(lesson: Lesson, unit: Unit = "mm") -> bytes:
    """A lesson on one page.

    Parameters
    ----------
    lesson : Lesson
    unit : {"mm", "in"}
        How the reader reads lengths; it decides the paper too.
    """
    file = io.BytesIO()
    page = Canvas(file, pagesize=PAGES[unit], pageCompression=1, invariant=1)
    width, height = PAGES[unit]
    title = lesson.title.in_words(unit)
    page.setTitle(title)
    page.setAuthor("Lofty Press")
    page.setFillColor(INK)
    page.setFont(DISPLAY, 22)
    page.drawString(MARGIN, height - MARGIN - 16, fitting(title, width - 2 * MARGIN, 22, DISPLAY))
    page.setFont(TEXT, 11)
    page.drawString(MARGIN, height - MARGIN - 32, fitting(lesson.right.judged.sandwich.name, width - 2 * MARGIN, 11, TEXT))
    top = height - MARGIN - 46
    sheets = [lesson.right] if lesson.beside is None else [lesson.right, lesson.beside]
    each = (width - 2 * MARGIN) / 2
    for n, one in enumerate(sheets):
        draw_sheet(page, one, MARGIN + n * each, top, each - 8 * mm, unit)
    below = top - PICTURE_HEIGHT - 3.2 * CAPTION
    page.setFillColor(QUIET)
    page.setFont(TEXT, 7.5)
    page.drawString(MARGIN, below + 6, UNDER_ONE_LAMP.in_words(unit))
    page.setStrokeColor(HAIRLINE)
    page.line(MARGIN, below, width - MARGIN, below)
    draw_pile(page, lesson.right.judged.sandwich, MARGIN, below - 8, unit)
    left = MARGIN + PILE_WIDTH + 8 * mm
    low = max(below - 8 - VIEW.height * SHRUNK - 20, MARGIN + 10)
    room = below - 8 - low
    put(KeepInFrame(width - MARGIN - left, room, said(lesson, unit), mode="shrink"), page, left, low, width - MARGIN - left, room)
    page.setFillColor(QUIET)
    page.setFont(TEXT, 7)
    page.drawString(MARGIN, MARGIN - 4, CAUTIONS.in_words(unit))
    page.showPage()
    page.save()
    return file.getvalue()


def draw_sheet(page: Canvas, one: Shown, x: float, top: float, width: float, unit: Unit) -> None:
    """The front of a sheet, with what it is and how its pile is judged below it."""
    low = top - PICTURE_HEIGHT
    if one.png is None:
        page.setStrokeColor(HAIRLINE)
        page.rect(x, low, width, PICTURE_HEIGHT)
        page.setFillColor(QUIET)
        page.setFont(TEXT, 9)
        page.drawString(x + 8, top - PICTURE_HEIGHT / 2, NO_SHEET.in_words(unit))
    else:
        page.drawImage(ImageReader(io.BytesIO(one.png)), x, low, width, PICTURE_HEIGHT, preserveAspectRatio=True, anchor="nw", mask="auto")
    page.setFillColor(INK)
    page.setFont(BOLD, 11)
    page.drawString(x, low - CAPTION, fitting(one.title.in_words(unit), width, 11))
    page.setFont(TEXT, 8.5)
    page.drawString(x, low - 1.95 * CAPTION, fitting(one.judged.sentence.in_words(unit), width, 8.5, TEXT))


def said(lesson: Lesson, unit: Unit) -> list[Flowable]:
    """What is said of it, under its heads; a head that was just said is not said again."""
    parts: list[Flowable] = []
    before = ""
    for head, text in lesson.says:
        told = head.in_words(unit)
        if told and told != before:
            parts.append(Paragraph(safe(told), STAGE))
        before = told
        parts.append(Paragraph(safe(text.in_words(unit)), BODY if told else STEP))
    return parts
