"""The run card for the wall: one page of A4 with the pile drawn edge-on."""

import io
import math

from PIL import Image
from reportlab.lib.colors import HexColor
from reportlab.lib.pagesizes import A4
from reportlab.lib.units import mm
from reportlab.lib.utils import ImageReader
from reportlab.pdfgen.canvas import Canvas
from reportlab.pdfgen.pathobject import PDFPathObject
from reportlab.platypus import Flowable, KeepInFrame, Paragraph, Spacer

from lofty_press.core.basics.words import NOTHING, Unit, figure, say, term, thickness, together
from lofty_press.core.sandwich.stack import Sandwich, StackView
from lofty_press.core.working.steps import STAGES, Card, facing
from lofty_press.documents.answers.run_card import BEFORE_AND_AFTER, STAGE_TITLES, wait_words
from lofty_press.documents.pictures.pile_drawing import (
    HATCHES,
    TILE,
    VIEW,
    Drawing,
    Hatch,
    Shape,
    Step,
    body_of,
    draw_stack,
    marks_of,
    rollers_of,
    spaced,
)
from lofty_press.documents.printed import (
    CARE,
    DETAIL,
    DISPLAY,
    HAIRLINE,
    INK,
    MARGIN,
    QUIET,
    STAGE,
    STEP,
    TEXT,
    fitting,
    put,
    safe,
    style,
)

PILE_WIDTH = 78 * mm
NAME_WIDTH, NAME_GAP = 33 * mm, 19.0
LOOK_HEIGHT = 34 * mm
SHRUNK = 0.4  # pt for a pixel of the drawing
NOTE_LINES = 6
CAUTIONS = say("These cautions add to the makers' instructions and local rules. They don't replace them.")
DO_NOT = say("Don't run it like this.")
WORKED = say("What worked on this press, and on which day:")


def run_card_pdf(card: Card, sandwich: Sandwich, unit: Unit = "mm", look: bytes | None = None) -> bytes:
    """A run card as a PDF of one page.

    Parameters
    ----------
    card : Card
    sandwich : Sandwich
        Drawn beside the steps.
    unit : {"mm", "in"}
        How the reader reads lengths.
    look : bytes or None
        A picture of its tool, along the feed from top to bottom.

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
    page.setFont(DISPLAY, 20)
    page.drawString(MARGIN, height - MARGIN - 14, fitting(card.title, width - 2 * MARGIN, 20, DISPLAY))
    head = KeepInFrame(width - 2 * MARGIN, 40, [Paragraph(safe(card.subtitle.in_words(unit)), style("sub", 10))], mode="shrink")
    put(head, page, MARGIN, height - MARGIN - 60, width - 2 * MARGIN, 40)
    top = height - MARGIN - 62
    draw_pile(page, sandwich, MARGIN, top, unit)
    below = top - VIEW.height * SHRUNK - 9 * mm
    if look is not None:
        below -= draw_look(page, look, MARGIN, below)
    notes(page, unit, MARGIN, below)
    left = MARGIN + PILE_WIDTH + 8 * mm
    body = KeepInFrame(width - MARGIN - left, top - MARGIN - 10, flow(card, unit), mode="shrink")
    put(body, page, left, MARGIN + 10, width - MARGIN - left, top - MARGIN - 10)
    page.setFillColor(QUIET)
    page.setFont(TEXT, 7)
    page.drawString(MARGIN, MARGIN - 4, CAUTIONS.in_words(unit))
    page.showPage()
    page.save()
    return file.getvalue()


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
    """The pile between its rollers as the Bench draws it, each layer with its name and thickness beside it."""
    view = StackView(sandwich)
    drawing = draw_stack(view)
    tall = VIEW.height * SHRUNK
    page.saveState()
    page.translate(x, top)
    page.scale(SHRUNK, -SHRUNK)  # the drawing's y goes down
    page.translate(-(VIEW.left - 22), 0)
    for shape in rollers_of(drawing):
        draw(page, shape)
    for layer in drawing.layers:
        for shape in body_of(layer):
            draw(page, shape)
    for layer in drawing.layers:
        for shape in marks_of(layer):
            draw(page, shape)
    page.restoreState()
    name_layers(page, drawing, x, top, unit)
    page.setFillColor(QUIET)
    page.setFont(TEXT, 7)
    opening = say("Opening {opening}; heights are not to scale.", opening=thickness(view.press.opening.mm))
    page.drawString(x, top - tall - 2, opening.in_words(unit))


def name_layers(page: Canvas, drawing: Drawing, x: float, top: float, unit: Unit) -> None:
    """What each layer is, as near to it as can be and never over another one."""
    if not drawing.layers:
        return
    upper_first = drawing.layers[::-1]
    anchors = [(layer.y + layer.height / 2) * SHRUNK for layer in upper_first]
    field = VIEW.height * SHRUNK
    gap = min(NAME_GAP, field / len(anchors))
    size = min(7.0, 0.42 * gap)
    left, width = x + PILE_WIDTH - NAME_WIDTH, NAME_WIDTH
    for layer, anchor, place in zip(upper_first, anchors, spaced(anchors, gap, 0.5 * gap, field - 0.5 * gap), strict=True):
        page.setStrokeColor(HAIRLINE)
        page.setLineWidth(0.4)
        page.line(x + (layer.x + layer.width - VIEW.left + 22) * SHRUNK + 1, top - anchor, left - 2, top - place)
        placed = layer.placed
        label = f"{placed.layer.count} x {placed.name}" if placed.layer.count > 1 else placed.name
        side = say(", {half} half", half=term(placed.layer.half)) if placed.layer.half else facing(placed)
        page.setFillColor(INK)
        page.setFont(TEXT, size)
        page.drawString(left, top - place, fitting(label + side.in_words(unit), width, size, TEXT))
        page.setFillColor(QUIET)
        page.drawString(left, top - place - 1.1 * size, figure(placed.thickness, "thickness", unit))


def draw(page: Canvas, shape: Shape) -> None:
    """One path of a drawing, hatched where its material says so."""
    if shape.hatch is not None:
        hatch(page, shape.path, HATCHES[shape.hatch])
    page.setLineWidth(shape.width)
    page.setDash(*([list(shape.dash)] if shape.dash else []))
    page.setStrokeColor(HexColor(shape.stroke) if shape.stroke else INK)
    page.setFillColor(HexColor(shape.fill) if shape.fill else INK)
    page.drawPath(path_on(page, shape.path), stroke=int(shape.stroke is not None), fill=int(shape.fill is not None))


def hatch(page: Canvas, around: list[Step], pattern: Hatch) -> None:
    """Fill a path with a pattern, square by square."""
    xs, ys = ([float(step[k]) for step in around if len(step) == 3] for k in (1, 2))
    page.saveState()
    page.clipPath(path_on(page, around), stroke=0, fill=0)
    page.setFillColor(HexColor(pattern.fill))
    page.rect(min(xs), min(ys), max(xs) - min(xs), max(ys) - min(ys), stroke=0, fill=1)
    page.setStrokeColor(HexColor(pattern.stroke))
    page.setFillColor(HexColor(pattern.stroke))
    page.setLineWidth(pattern.width)
    page.setDash(*([list(pattern.dash)] if pattern.dash else []))
    tiles = page.beginPath()
    for i in range(math.floor(min(xs) / TILE), math.ceil(max(xs) / TILE)):
        for j in range(math.floor(min(ys) / TILE), math.ceil(max(ys) / TILE)):
            for first, *rest in pattern.lines:
                tiles.moveTo(i * TILE + first[0], j * TILE + first[1])
                for at in rest:
                    tiles.lineTo(i * TILE + at[0], j * TILE + at[1])
            for dot_x, dot_y, radius in pattern.dots:
                page.circle(i * TILE + dot_x, j * TILE + dot_y, radius, stroke=0, fill=1)
    page.drawPath(tiles, stroke=1, fill=0)
    page.restoreState()


def path_on(page: Canvas, steps: list[Step]) -> PDFPathObject:
    """A path as the PDF has them, whose curves are cubic."""
    path, here = page.beginPath(), (0.0, 0.0)
    for step in steps:
        if step[0] == "Q":
            _, cx, cy, x, y = step
            first, second = ((here[0] + 2 * cx) / 3, (here[1] + 2 * cy) / 3), ((x + 2 * cx) / 3, (y + 2 * cy) / 3)
            path.curveTo(*first, *second, x, y)
            here = (x, y)
        elif step[0] == "Z":
            path.close()
        else:
            here = (step[1], step[2])
            (path.moveTo if step[0] == "M" else path.lineTo)(*here)
    return path


def draw_look(page: Canvas, look: bytes, x: float, top: float) -> float:
    """The tool as one recognises it, the feed from left to right; the height that it takes [pt]."""
    with Image.open(io.BytesIO(look)) as image:
        turned = image.convert("L" if image.mode == "L" else "RGB").transpose(Image.Transpose.ROTATE_90)
    scale = float(min(PILE_WIDTH / turned.width, LOOK_HEIGHT / turned.height))
    page.drawImage(ImageReader(turned), x, top - scale * turned.height, scale * turned.width, scale * turned.height)
    return float(scale * turned.height + 6 * mm)


def notes(page: Canvas, unit: Unit, x: float, y: float) -> None:
    """Lines to write on: what worked on this press."""
    page.setFillColor(QUIET)
    page.setFont(TEXT, 7)
    page.drawString(x, y, WORKED.in_words(unit))
    page.setStrokeColor(HAIRLINE)
    page.setLineWidth(0.4)
    for line in range(1, NOTE_LINES + 1):
        if y - line * 9 * mm > MARGIN + 12:
            page.line(x, y - line * 9 * mm, x + PILE_WIDTH, y - line * 9 * mm)
