"""The typefaces of printed pages: the page's own, as files that every reader can show."""

from pathlib import Path
from xml.sax.saxutils import escape

from reportlab.pdfbase.pdfmetrics import getFont, registerFont, registerFontFamily, stringWidth
from reportlab.pdfbase.ttfonts import TTFont

TEXT, BOLD, DISPLAY = "instrument-sans", "instrument-sans-bold", "bricolage-grotesque-bold"
FOLDER = Path(__file__).parent / "fonts"
LAST_RESORT = str.maketrans({"\u2011": "-", "\u2212": "-", "\u2192": "to", "\u2009": " "})
"""What is written for signs that the typefaces lack."""

for name in (TEXT, BOLD, DISPLAY):
    registerFont(TTFont(name, str(FOLDER / f"{name}.ttf")))
registerFontFamily(TEXT, normal=TEXT, bold=BOLD, italic=TEXT, boldItalic=BOLD)


def printable(text: str, font: str = TEXT) -> str:
    """A text in the letters that a typeface has; what it lacks is a question mark."""
    known = getFont(font).face.charToGlyph
    return "".join(
        sign if ord(sign) in known else "?" for sign in "".join(s if ord(s) in known else s.translate(LAST_RESORT) for s in text)
    )


def safe(text: str) -> str:
    """A text as the page's typeface can write it, and as nothing in it is markup."""
    return escape(printable(text))


def fitting(text: str, width: float, size: float, font: str = BOLD) -> str:
    """A line cut short where it would run off its field. [pt]"""
    plain = printable(text, font)
    while len(plain) > 4 and stringWidth(plain, font, size) > width:
        plain = plain[:-2].rstrip() + "…" if not plain.endswith("…") else plain[:-2] + "…"
    return plain
