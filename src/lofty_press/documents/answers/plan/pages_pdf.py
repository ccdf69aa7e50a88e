"""The plan on paper: what to take and to buy, how to cut it, the hours to tick; on pages that a printer at home takes."""

import io
from collections.abc import Iterator
from dataclasses import dataclass

from reportlab.lib.colors import HexColor, white
from reportlab.lib.units import mm
from reportlab.pdfgen.canvas import Canvas
from reportlab.platypus import Flowable, KeepTogether, Paragraph, SimpleDocTemplate, Spacer, Table, TableStyle

from lofty_press.core.basics.words import Unit, ruled, say
from lofty_press.documents.answers.plan.job_file import JobFile
from lofty_press.documents.answers.plan.plan import CutDocument, PlanDocument, SheetDocument, SizeDocument
from lofty_press.documents.printed import ACCENT, BOLD, DISPLAY, HAIRLINE, INK, MARGIN, PAGES, QUIET, TEXT, fitting, printable, safe, style

HEAD = style("head", 17)
HEAD.fontName = DISPLAY
TITLE = style("title", 11.5, spaceBefore=10, spaceAfter=3, keepWithNext=1)
TITLE.fontName, TITLE.textColor = BOLD, ACCENT
BODY = style("body", 9)
SMALL = style("small", 8, keepWithNext=1)
SMALL.textColor = QUIET
CARD_WIDE, CARD_HIGH = 62 * mm, 78 * mm
SHEET_WIDE, SHEET_HIGH = 88 * mm, 72 * mm
TAG = 2.1 * mm
PADDING = 6.0  # pt; around what lies on a page, by the layout library
PLAIN = TableStyle(
    [
        ("VALIGN", (0, 0), (-1, -1), "TOP"),
        ("LEFTPADDING", (0, 0), (-1, -1), 0),
        ("RIGHTPADDING", (0, 0), (-1, -1), 6),
        ("TOPPADDING", (0, 0), (-1, -1), 2),
        ("BOTTOMPADDING", (0, 0), (-1, -1), 2),
    ]
)
LINED = TableStyle([*PLAIN.getCommands(), ("LINEBELOW", (0, 0), (-1, -1), 0.4, HAIRLINE)])


@dataclass(frozen=True)
class Names:
    """What pieces and stocks are called, and the colors of stocks."""

    pieces: dict[str, str]
    stocks: dict[str, str]
    tints: dict[str, str]

    def piece(self, key: str) -> str:
        """A piece, or a batch of one."""
        return self.pieces.get(key) or self.pieces.get(key.rpartition(" ")[0]) or key


def plan_pdf(plan: PlanDocument, job: JobFile, unit: Unit) -> bytes:
    """The plan as pages.

    Parameters
    ----------
    plan : PlanDocument
    job : JobFile
        What it is the plan of: it knows what stocks are called, and their colors.
    unit : {"mm", "in"}
        How the reader reads lengths; it decides the paper too.
    """
    names = Names(
        {size.key: size.name for size in plan.sizes},
        {stock.key: stock.name for stock in job.stocks},
        {stock.key: stock.colour for stock in job.stocks},
    )
    out = io.BytesIO()
    edge = MARGIN - PADDING
    pages = SimpleDocTemplate(
        out,
        pagesize=PAGES[unit],
        leftMargin=edge,
        rightMargin=edge,
        topMargin=edge,
        bottomMargin=edge,
        title=plan.name,
        author="Lofty Press",
    )
    wide = PAGES[unit][0] - 2 * MARGIN
    pages.build(
        [*front(plan, job, names, unit, wide), *cutting(plan, names, unit, wide), *hours(plan, names, unit, wide)], numbered, numbered
    )
    return out.getvalue()


def numbered(canvas: Canvas, pages: SimpleDocTemplate) -> None:
    """The number of a page, at its foot."""
    canvas.setFont(TEXT, 7.5)
    canvas.setFillColor(QUIET)
    canvas.drawRightString(pages.pagesize[0] - MARGIN, MARGIN - 12, str(canvas.getPageNumber()))


def front(plan: PlanDocument, job: JobFile, names: Names, unit: Unit, wide: float) -> Iterator[Flowable]:
    """The card with its layers, their sizes, and what to take and to buy."""
    yield Paragraph(safe(plan.name), HEAD)
    yield Spacer(1, 8)
    yield Paragraph(safe(say("{count} to make", count=plan.count).in_words(unit)), BODY)
    yield Spacer(1, 6)
    rows = [[Paragraph(f"<b>{safe(size.name)}</b>", BODY), Paragraph(safe(measures(size, unit)), BODY)] for size in plan.sizes]
    beside = wide - CARD_WIDE - 8 * mm
    sizes = Table(rows, colWidths=[0.38 * beside, 0.62 * beside], style=LINED)
    yield Table([[CardDrawn(plan.sizes, job, names), sizes]], colWidths=[CARD_WIDE + 8 * mm, beside], style=PLAIN)
    yield Paragraph(safe(say("To take and to buy").in_words(unit)), TITLE)
    taken = [[Box(), Paragraph(safe(each), BODY)] for each in shopping(plan, names, unit)]
    yield Table(taken or [[Box(), ""]], colWidths=[7 * mm, wide - 7 * mm], style=LINED)


def measures(size: SizeDocument, unit: Unit) -> str:
    """How large a piece is cut, and where it is scored."""
    parts = [say("{width} x {height}", width=ruled(size.cut_width_mm), height=ruled(size.cut_height_mm))]
    parts += [say("score at {place}", place=ruled(place)) for place in size.scores_mm]
    return ", ".join(part.in_words(unit) for part in parts)


def shopping(plan: PlanDocument, names: Names, unit: Unit) -> Iterator[str]:
    """What is laid ready: sheets by stock and size, of them those to be bought; then what is used up beside."""
    sheets: dict[tuple[str, float, float, bool], int] = {}
    for sheet in plan.cut_list.sheets:
        key = (sheet.stock, sheet.width_mm, sheet.height_mm, sheet.offcut)
        sheets[key] = sheets.get(key, 0) + sheet.count
    for (stock, width, height, offcut), count in sheets.items():
        words = (
            say(
                "{name}: {count} off-cuts of {width} x {height}",
                name=names.stocks.get(stock, stock),
                count=count,
                width=ruled(width),
                height=ruled(height),
            )
            if offcut
            else say(
                "{name}: {count} sheets of {width} x {height}",
                name=names.stocks.get(stock, stock),
                count=count,
                width=ruled(width),
                height=ruled(height),
            )
        )
        buy = plan.cut_list.buy.get(stock, 0)
        more = say(", {count} of them to buy", count=buy).in_words(unit) if buy and not offcut else ""
        yield words.in_words(unit) + more
    yield from plan.cut_list.materials


def cutting(plan: PlanDocument, names: Names, unit: Unit, wide: float) -> Iterator[Flowable]:
    """Every kind of sheet with its pieces, and the stops of the trimmer one after the other."""
    yield Paragraph(safe(say("Cutting").in_words(unit)), TITLE)
    says = say("Set the stop once, make all cuts listed for it through the whole stack, then move it.")
    yield Paragraph(safe(says.in_words(unit)), SMALL)
    for sheet in plan.cut_list.sheets:
        title = say(
            "{count} x {name}, {width} x {height}",
            count=sheet.count,
            name=names.stocks.get(sheet.stock, sheet.stock),
            width=ruled(sheet.width_mm),
            height=ruled(sheet.height_mm),
        )
        stops = [
            [Box(), Paragraph(f"<b>{safe(ruled_in(measure, unit))}</b>", BODY), Paragraph(safe(numbers), BODY)]
            for measure, numbers in stops_of(sheet.cuts, unit)
        ]
        beside = wide - SHEET_WIDE - 8 * mm
        told = Table(stops, colWidths=[7 * mm, 0.34 * beside, 0.66 * beside - 7 * mm], style=LINED) if stops else Spacer(1, 1)
        drawn = SheetDrawn(sheet, names)
        yield KeepTogether(
            [
                Spacer(1, 6),
                Paragraph(f"<b>{safe(title.in_words(unit))}</b>", BODY),
                Spacer(1, 3),
                Table([[drawn, told]], colWidths=[SHEET_WIDE + 8 * mm, beside], style=PLAIN),
            ]
        )


def ruled_in(length: float, unit: Unit) -> str:
    """A length as the ruler has it."""
    return say("{length}", length=ruled(length)).in_words(unit)


def stops_of(cuts: list[CutDocument], unit: Unit) -> Iterator[tuple[float, str]]:
    """The stops in their order, each with the numbers of its cuts."""
    groups: list[tuple[float, list[int]]] = []
    for cut in cuts:
        if groups and groups[-1][0] == cut.measure_mm:
            groups[-1][1].append(cut.number)
        else:
            groups.append((cut.measure_mm, [cut.number]))
    for measure, numbers in groups:
        words = (
            say("cut {numbers}", numbers=str(numbers[0]))
            if len(numbers) == 1
            else say("cuts {numbers}", numbers=", ".join(map(str, numbers)))
        )
        yield measure, words.in_words(unit)


def hours(plan: PlanDocument, names: Names, unit: Unit, wide: float) -> Iterator[Flowable]:
    """What is done when, to tick."""
    yield Paragraph(safe(say("Order of work").in_words(unit)), TITLE)
    for one in plan.broken:
        yield Paragraph(safe(one.why.in_words(unit)), SMALL)
    rows = []
    for slot in plan.schedule.slots:
        where = f" · {safe(slot.press)}{': ' + safe(slot.pile) if slot.pile else ''}" if slot.press else ""
        text = f"<b>{safe(names.piece(slot.piece))}</b>, {safe(slot.title.in_words(unit))} × {slot.count}{where}"
        rows.append([Box(), Paragraph(clock(slot.begin_s), BODY), Paragraph(text, BODY)])
    rows.append(["", Paragraph(clock(plan.schedule.length_s), BODY), Paragraph(safe(say("done").in_words(unit)), BODY)])
    yield Table(rows, colWidths=[7 * mm, 14 * mm, wide - 21 * mm], style=LINED)


def clock(seconds: int) -> str:
    """Hours and minutes since the beginning."""
    return f"{seconds // 3600}:{seconds % 3600 // 60:02d}"


class Box(Flowable):  # type: ignore[misc]
    """A box to tick."""

    def __init__(self) -> None:
        super().__init__()
        self.width = self.height = 3.4 * mm

    def draw(self) -> None:
        """Draw it."""
        self.canv.setStrokeColor(INK)
        self.canv.setLineWidth(0.6)
        self.canv.rect(0, 0, self.width, self.height)


class CardDrawn(Flowable):  # type: ignore[misc]
    """The card with its layers where they lie, as large as its field allows."""

    def __init__(self, sizes: list[SizeDocument], job: JobFile, names: Names) -> None:
        super().__init__()
        self.sizes, self.names = {size.key: size for size in sizes}, names
        self.pieces = job.pieces
        bases = [piece for piece in job.pieces if piece.on is None and piece.kind == "base"] or [job.pieces[0]]
        self.base = self.sizes[bases[0].key]
        self.scale = min(CARD_WIDE / self.base.width_mm, CARD_HIGH / self.base.height_mm)
        self.width, self.height = self.scale * self.base.width_mm, self.scale * self.base.height_mm

    def draw(self) -> None:
        """Draw it from below."""
        corners = {self.base.key: (0.0, 0.0)}
        self.layer(self.base, 0.0, 0.0)
        waiting = [self.base.key]
        while waiting:
            below = waiting.pop(0)
            for piece in self.pieces:
                if piece.on != below or piece.key in corners:
                    continue
                size, (x, y) = self.sizes[piece.key], corners[below]
                corners[piece.key] = (x + size.left_mm, y + size.top_mm)
                for column in range(size.columns):
                    for row in range(size.rows):
                        self.layer(
                            size,
                            x + size.left_mm + column * (size.width_mm + size.gap_mm),
                            y + size.top_mm + row * (size.height_mm + size.gap_mm),
                        )
                waiting.append(piece.key)

    def layer(self, size: SizeDocument, left: float, top: float) -> None:
        """One piece, so far from the card's left and upper edge. [mm]"""
        stock = next((piece.stock for piece in self.pieces if piece.key == size.key), None)
        self.canv.setFillColor(HexColor(self.names.tints.get(stock or "", "#fbf9f4")))
        self.canv.setStrokeColor(INK)
        self.canv.setLineWidth(0.5)
        high = self.scale * size.height_mm
        self.canv.rect(self.scale * left, self.height - self.scale * top - high, self.scale * size.width_mm, high, fill=1)


class SheetDrawn(Flowable):  # type: ignore[misc]
    """One kind of sheet with its pieces and its numbered cuts."""

    def __init__(self, sheet: SheetDocument, names: Names) -> None:
        super().__init__()
        self.sheet, self.names = sheet, names
        self.scale = min(SHEET_WIDE / sheet.width_mm, SHEET_HIGH / sheet.height_mm)
        self.width, self.height = self.scale * sheet.width_mm, self.scale * sheet.height_mm

    def draw(self) -> None:
        """Draw it."""
        canvas, scale = self.canv, self.scale
        canvas.setLineWidth(0.8)
        for piece in self.sheet.pieces:
            canvas.setFillColor(HexColor("#ece7da"))
            wide, high = scale * piece.width_mm, scale * piece.height_mm
            canvas.rect(scale * piece.x_mm, scale * piece.y_mm, wide, high, stroke=0, fill=1)
            self.label(self.names.piece(piece.key), scale * piece.x_mm, scale * piece.y_mm, wide, high)
        canvas.setStrokeColor(ACCENT)
        for cut in self.sheet.cuts:
            canvas.line(scale * cut.x1_mm, scale * cut.y1_mm, scale * cut.x2_mm, scale * cut.y2_mm)
        canvas.setFont(BOLD, 6.5)
        for cut in self.sheet.cuts:
            along = (0.85, 0.62)[cut.number % 2]
            x, y = (scale * (a + along * (b - a)) for a, b in ((cut.x1_mm, cut.x2_mm), (cut.y1_mm, cut.y2_mm)))
            canvas.setFillColor(white)
            canvas.circle(x, y, TAG, stroke=1, fill=1)
            canvas.setFillColor(INK)
            canvas.drawCentredString(x, y - 2.3, str(cut.number))
        canvas.setStrokeColor(INK)
        canvas.rect(0, 0, self.width, self.height)

    def label(self, name: str, x: float, y: float, wide: float, high: float) -> None:
        """A piece's name along its longer side, as large as it fits. [pt]"""
        canvas = self.canv
        along, across = max(wide, high), min(wide, high)
        size = min(8.0, 0.7 * across)
        if size < 3.0:
            return
        canvas.saveState()
        canvas.translate(x + wide / 2, y + high / 2)
        if high > wide:
            canvas.rotate(90)
        canvas.setFillColor(INK)
        canvas.setFont(TEXT, size)
        canvas.drawCentredString(0, -0.35 * size, fitting(printable(name), 0.94 * along, size, TEXT))
        canvas.restoreState()
