"""The run card for the wall: one page of A4 with the pile drawn edge-on."""

import io
import math
from xml.sax.saxutils import escape

from reportlab.lib.colors import HexColor
from reportlab.lib.enums import TA_LEFT
from reportlab.lib.pagesizes import A4
from reportlab.lib.styles import ParagraphStyle
from reportlab.lib.units import mm
from reportlab.pdfgen.canvas import Canvas
from reportlab.platypus import Flowable, Frame, KeepInFrame, Paragraph, Spacer

from lofty_press.core.stack import Placed, Sandwich, StackView
from lofty_press.core.steps import STAGES, Card, facing
from lofty_press.core.words import NOTHING, Unit, figure, say, term, thickness, together
from lofty_press.documents.run_card import BEFORE_AND_AFTER, STAGE_TITLES, wait_words

INK, QUIET, HAIRLINE, STOP, ACCENT = (HexColor(c) for c in ("#22302b", "#59635c", "#bdb6a6", "#9c2f2a", "#1f6f63"))
MARGIN = 14 * mm
PILE_WIDTH = 58 * mm
NOTE_LINES = 6
TALLEST_LAYER, THINNEST_LAYER = 17 * mm, 3.4 * mm
FACES = {"rigid": "#e3e9e6", "elastomer": "#c9c2b4", "foam": "#efe3c8", "paper": "#f7f2e4"}
CAUTIONS = say("Cautions add to the makers' instructions and to local rules; they do not replace them.")
DO_NOT = say("Do not run it like this.")
WORKED = say("What worked on this press, and on which day:")
LAST_RESORT = str.maketrans({"\u2011": "-", "\u2212": "-", "\u2192": "to", "\u2009": " "})


def style(name: str, size: float, **more: object) -> ParagraphStyle:
    return ParagraphStyle(name, fontName="Helvetica", fontSize=size, leading=size * 1.22, textColor=INK, alignment=TA_LEFT, **more)


STAGE = ParagraphStyle("stage", fontName="Helvetica-Bold", fontSize=10, leading=13, textColor=ACCENT, spaceBefore=4)
STEP = style("step", 9.4, leftIndent=14, firstLineIndent=-14, spaceBefore=2)
DETAIL = style("detail", 8, leftIndent=14)
CARE = ParagraphStyle("care", parent=DETAIL, textColor=STOP)
DETAIL.textColor = QUIET


def safe(text: str) -> str:
    """Text as the page's font can write it, and as nothing in it is markup."""
    plain = text.translate(LAST_RESORT).encode("cp1252", errors="replace").decode("cp1252")
    return str(escape(plain))


def run_card_pdf(card: Card, sandwich: Sandwich, unit: Unit = "mm") -> bytes:
    """A run card as a PDF of one page.

    Parameters
    ----------
    card : Card
    sandwich : Sandwich
        Drawn beside the steps.
    unit : {"mm", "in"}
        How the reader reads lengths.

    Returns
    -------
    bytes
        However much there is to say, it is made to fit on one page.
    """
    file = io.BytesIO()
    page = Canvas(file, pagesize=A4, pageCompression=1, invariant=1)
    page.setTitle(card.title)
    page.setAuthor("Lofty Press")
    width, height = A4
    page.setFillColor(INK)
    page.setFont("Helvetica-Bold", 20)
    page.drawString(MARGIN, height - MARGIN - 14, fitting(card.title, page, width - 2 * MARGIN, 20))
    head = KeepInFrame(width - 2 * MARGIN, 40, [Paragraph(safe(card.subtitle.in_words(unit)), style("sub", 10))], mode="shrink")
    put(head, page, MARGIN, height - MARGIN - 60, width - 2 * MARGIN, 40)
    top = height - MARGIN - 62
    draw_pile(page, sandwich, MARGIN, top, unit)
    left = MARGIN + PILE_WIDTH + 8 * mm
    body = KeepInFrame(width - MARGIN - left, top - MARGIN - 10, flow(card, unit), mode="shrink")
    put(body, page, left, MARGIN + 10, width - MARGIN - left, top - MARGIN - 10)
    page.setFillColor(QUIET)
    page.setFont("Helvetica", 7)
    page.drawString(MARGIN, MARGIN - 4, CAUTIONS.in_words(unit))
    page.showPage()
    page.save()
    return file.getvalue()


def put(what: Flowable, page: Canvas, x: float, y: float, width: float, height: float) -> None:
    Frame(x, y, width, height, leftPadding=0, rightPadding=0, topPadding=0, bottomPadding=0).addFromList([what], page)


def fitting(text: str, page: Canvas, width: float, size: float) -> str:
    """A title cut short where it would run off the page."""
    plain = text.translate(LAST_RESORT).encode("cp1252", errors="replace").decode("cp1252")
    while len(plain) > 4 and page.stringWidth(plain, "Helvetica-Bold", size) > width:
        plain = plain[:-2].rstrip() + "…" if not plain.endswith("…") else plain[:-2] + "…"
    return plain


def flow(card: Card, unit: Unit) -> list[Flowable]:
    """The steps as running text."""
    parts: list[Flowable] = []
    for stop in card.stops:
        parts.append(Paragraph(f"<b>{safe(DO_NOT.in_words(unit))}</b> {safe(stop.in_words(unit))}", CARE))
    number = 0
    for stage in STAGES:
        steps = [step for step in card.steps if step.stage == stage]
        if steps:
            parts.append(Paragraph(safe(STAGE_TITLES[stage].in_words(unit)), STAGE))
        for step in steps:
            number += 1
            parts.append(Paragraph(f"{number}. &nbsp;{safe(step.text.in_words(unit))}", STEP))
            if step.detail or step.wait:
                detail = together(step.detail, wait_words(step.wait.seconds) if step.wait else NOTHING)
                parts.append(Paragraph(safe(detail.in_words(unit)), DETAIL))
            parts += [Paragraph(safe(care.in_words(unit)), CARE) for care in step.care]
    if card.orders:
        parts += [Spacer(1, 4), Paragraph(safe(BEFORE_AND_AFTER.in_words(unit)), STAGE)]
        parts += [Paragraph(safe(order.in_words(unit)), DETAIL) for order in card.orders]
    return parts


def draw_pile(page: Canvas, sandwich: Sandwich, x: float, top: float, unit: Unit) -> None:
    """The pile edge-on between its rollers, heights stretched, each layer with its name and thickness."""
    layers = StackView(sandwich).layers
    heights = [layer_height(p) for p in layers]
    room = top - MARGIN - 60 * mm
    shrink = min(1.0, room / max(sum(heights), 1.0))
    y = top - 16 * mm - sum(heights) * shrink
    roller(page, x, y - 12 * mm, above=False)
    for placed, tall in zip(layers, (h * shrink for h in heights), strict=True):
        page.setFillColor(HexColor(FACES[placed.material.family]))
        page.setStrokeColor(INK)
        page.setLineWidth(0.5)
        page.rect(x, y, PILE_WIDTH, tall, fill=1)
        hatch(page, placed, x, y, tall)
        page.setFillColor(INK)
        page.setFont("Helvetica", 7)
        label = f"{placed.layer.count} x {placed.name}" if placed.layer.count > 1 else placed.name
        side = say(", {half} half", half=term(placed.layer.half)) if placed.layer.half else facing(placed)
        page.drawString(
            x + 3,
            y + tall / 2 - 2.4,
            fitting(label + side.in_words(unit), page, PILE_WIDTH - 40, 7),
        )
        page.drawRightString(x + PILE_WIDTH - 3, y + tall / 2 - 2.4, figure(placed.thickness, "thickness", unit))
        y += tall
    roller(page, x, y, above=True)
    notes(page, unit, x, y - sum(heights) * shrink - 24 * mm)
    page.setFillColor(QUIET)
    page.setFont("Helvetica", 7)
    opening = say("Opening {opening}; heights are not to scale.", opening=thickness(StackView(sandwich).press.opening.mm))
    page.drawString(x, y + 13 * mm, opening.in_words(unit))


def notes(page: Canvas, unit: Unit, x: float, y: float) -> None:
    """Lines to write on: what worked on this press."""
    page.setFillColor(QUIET)
    page.setFont("Helvetica", 7)
    page.drawString(x, y, WORKED.in_words(unit))
    page.setStrokeColor(HAIRLINE)
    page.setLineWidth(0.4)
    for line in range(1, NOTE_LINES + 1):
        if y - line * 9 * mm > MARGIN + 12:
            page.line(x, y - line * 9 * mm, x + PILE_WIDTH, y - line * 9 * mm)


def layer_height(placed: Placed) -> float:
    """Height on paper: thin layers thicker, thick ones thinner than they are."""
    return float(min(max(3.2 * mm * math.sqrt(placed.thickness), THINNEST_LAYER), TALLEST_LAYER))


def hatch(page: Canvas, placed: Placed, x: float, y: float, tall: float) -> None:
    """What a layer is made of, at its left edge: slanted lines for rubber, dots for foam, a bar for steel."""
    page.setStrokeColor(HAIRLINE)
    page.setLineWidth(0.4)
    if placed.material.family == "elastomer":
        for k in range(1, 5):
            page.line(x + PILE_WIDTH * k / 5, y, x + PILE_WIDTH * k / 5 + min(tall, 8), y + tall)
    elif placed.material.family == "foam":
        for k in range(1, 9):
            page.circle(x + PILE_WIDTH * k / 9, y + tall / 2, 0.8)
    elif placed.item.blade is not None:
        page.setStrokeColor(INK)
        page.setLineWidth(1.4)
        edge = y + tall if placed.active_side == "up" else y
        page.line(x, edge, x + PILE_WIDTH, edge)


def roller(page: Canvas, x: float, y: float, *, above: bool) -> None:
    """The part of a roller that touches the pile."""
    page.setStrokeColor(INK)
    page.setFillColor(HexColor("#d9d4c8"))
    page.setLineWidth(0.6)
    path = page.beginPath()
    edge, bow = (y, y + 11 * mm) if above else (y + 12 * mm, y + 1 * mm)
    path.moveTo(x + 0.5 * PILE_WIDTH, edge)
    path.curveTo(x + 0.15 * PILE_WIDTH, edge, x + 0.05 * PILE_WIDTH, (edge + bow) / 2, x + 0.02 * PILE_WIDTH, bow)
    path.lineTo(x + 0.98 * PILE_WIDTH, bow)
    path.curveTo(x + 0.95 * PILE_WIDTH, (edge + bow) / 2, x + 0.85 * PILE_WIDTH, edge, x + 0.5 * PILE_WIDTH, edge)
    page.drawPath(path, fill=1)
