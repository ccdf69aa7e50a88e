"""The plan on paper: a page to hang up with sizes and order of work, and every kind of sheet at true scale with its numbered cuts."""

import io

from reportlab.lib.pagesizes import A4, LETTER
from reportlab.lib.units import mm
from reportlab.pdfgen.canvas import Canvas

from lofty_press.core.words import Unit, ruled, say
from lofty_press.documents.plan.plan import PlanDocument, SheetDocument

MARGIN = 12.0  # mm
LINE = 5.2  # mm
PAGES = {"mm": A4, "in": LETTER}


def plan_pdf(plan: PlanDocument, unit: Unit) -> bytes:
    """The plan as pages."""
    out = io.BytesIO()
    canvas = Canvas(out, pagesize=PAGES[unit])
    canvas.setTitle(plan.name)
    Hung(canvas, unit).write(plan)
    names = {size.key: size.name for size in plan.sizes}
    for sheet in plan.cut_list.sheets:
        canvas.setPageSize(((sheet.width_mm + 2 * MARGIN) * mm, (sheet.height_mm + 3 * MARGIN) * mm))
        draw_sheet(canvas, sheet, names, unit)
        canvas.showPage()
    canvas.save()
    return out.getvalue()


def printable(text: str) -> str:
    """A text in the letters that the fonts of every reader have."""
    return text.encode("cp1252", errors="replace").decode("cp1252")


class Hung:
    """The page to hang up: lines from the top, on as many pages as they need."""

    def __init__(self, canvas: Canvas, unit: Unit) -> None:
        self.canvas, self.unit = canvas, unit
        self.high = PAGES[unit][1]
        self.y = self.high - MARGIN * mm

    def line(self, text: str, *, size: float = 9.5, bold: bool = False, indent: float = 0.0) -> None:
        """One line."""
        if self.y < MARGIN * mm:
            self.canvas.showPage()
            self.y = self.high - MARGIN * mm
        self.canvas.setFont("Helvetica-Bold" if bold else "Helvetica", size)
        self.canvas.drawString((MARGIN + indent) * mm, self.y, printable(text))
        self.y -= LINE * mm * max(size / 9.5, 1.0)

    def write(self, plan: PlanDocument) -> None:
        """Sizes, sheets to take, and what is done when."""
        unit = self.unit
        self.line(plan.name, size=16, bold=True)
        self.line(say("{count} to make", count=plan.count).in_words(unit))
        self.line("")
        self.line(say("Sizes").in_words(unit), bold=True)
        for size in plan.sizes:
            measures = say("{width} x {height}", width=ruled(size.cut_width_mm), height=ruled(size.cut_height_mm)).in_words(unit)
            scores = [say("scored at {place}", place=ruled(place)).in_words(unit) for place in size.scores_mm]
            self.line(f"{size.name}: {', '.join([measures, *scores])}", indent=4)
        self.line("")
        self.line(say("Order of work").in_words(unit), bold=True)
        names = {size.key: size.name for size in plan.sizes}
        for slot in plan.schedule.slots:
            piece = names.get(slot.piece) or names.get(slot.piece.rpartition(" ")[0], slot.piece)
            where = f" ({slot.press})" if slot.press else ""
            self.line(f"{clock(slot.begin_s)}  {piece}: {slot.title.in_words(unit)}, {slot.count}{where}", indent=4)
        self.line(f"{clock(plan.schedule.length_s)}  {say('done').in_words(unit)}", indent=4)
        self.canvas.showPage()


def clock(seconds: int) -> str:
    """Hours and minutes since the beginning."""
    return f"{seconds // 3600}:{seconds % 3600 // 60:02d}"


def draw_sheet(canvas: Canvas, sheet: SheetDocument, names: dict[str, str], unit: Unit) -> None:
    """One kind of sheet at true scale."""
    left, low = MARGIN, 2 * MARGIN
    canvas.setLineWidth(0.3 * mm)
    canvas.setFont("Helvetica", 9)
    for piece in sheet.pieces:
        canvas.setFillColorRGB(0.93, 0.91, 0.86)
        canvas.rect((left + piece.x_mm) * mm, (low + piece.y_mm) * mm, piece.width_mm * mm, piece.height_mm * mm, stroke=0, fill=1)
        canvas.setFillColorRGB(0.13, 0.19, 0.17)
        middle = (left + piece.x_mm + piece.width_mm / 2, low + piece.y_mm + piece.height_mm / 2)
        canvas.drawCentredString(middle[0] * mm, middle[1] * mm, printable(names.get(piece.key, piece.key)))
    canvas.setStrokeColorRGB(0.12, 0.44, 0.39)
    for cut in sheet.cuts:
        canvas.line((left + cut.x1_mm) * mm, (low + cut.y1_mm) * mm, (left + cut.x2_mm) * mm, (low + cut.y2_mm) * mm)
        x, y = left + (cut.x1_mm + 3 * cut.x2_mm) / 4, low + (cut.y1_mm + 3 * cut.y2_mm) / 4
        canvas.setFillColorRGB(1, 1, 1)
        canvas.circle(x * mm, y * mm, 2.6 * mm, stroke=1, fill=1)
        canvas.setFillColorRGB(0.13, 0.19, 0.17)
        canvas.drawCentredString(x * mm, (y - 1.1) * mm, str(cut.number))
    canvas.setStrokeColorRGB(0.13, 0.19, 0.17)
    canvas.rect(left * mm, low * mm, sheet.width_mm * mm, sheet.height_mm * mm)
    words = say(
        "{count} sheets of {stock}, {width} x {height}",
        count=sheet.count,
        stock=sheet.stock,
        width=ruled(sheet.width_mm),
        height=ruled(sheet.height_mm),
    )
    canvas.drawString(left * mm, MARGIN * mm, printable(words.in_words(unit)))
