"""Colors, margins and styles of printed pages."""

from typing import Literal

from reportlab.lib.colors import HexColor
from reportlab.lib.enums import TA_LEFT
from reportlab.lib.pagesizes import A4, LETTER
from reportlab.lib.styles import ParagraphStyle
from reportlab.lib.units import mm
from reportlab.pdfgen.canvas import Canvas
from reportlab.platypus import Flowable, Frame

from lofty_press.core.basics.words import Unit
from lofty_press.documents.printed.typeface import BOLD, TEXT

Paper = Literal["A4", "letter"]
PAGES: dict[Unit, tuple[float, float]] = {"mm": A4, "in": LETTER}
"""The paper that is at hand where lengths are read so."""
INK, QUIET, HAIRLINE, STOP, ACCENT = (HexColor(c) for c in ("#22302b", "#59635c", "#bdb6a6", "#9c2f2a", "#1f6f63"))
MARGIN = 14 * mm


def style(name: str, size: float, **more: object) -> ParagraphStyle:
    """Running text of a size. [pt]"""
    return ParagraphStyle(name, fontName=TEXT, fontSize=size, leading=size * 1.22, textColor=INK, alignment=TA_LEFT, **more)


STAGE = ParagraphStyle("stage", fontName=BOLD, fontSize=10, leading=13, textColor=ACCENT, spaceBefore=4)
STEP = style("step", 9.4, leftIndent=14, firstLineIndent=-14, spaceBefore=2)
DETAIL = style("detail", 8, leftIndent=14)
CARE = ParagraphStyle("care", parent=DETAIL, textColor=STOP)
DETAIL.textColor = QUIET


def put(what: Flowable, page: Canvas, x: float, y: float, width: float, height: float) -> None:
    """Lay something into a field of a page. [pt]"""
    Frame(x, y, width, height, leftPadding=0, rightPadding=0, topPadding=0, bottomPadding=0).addFromList([what], page)
