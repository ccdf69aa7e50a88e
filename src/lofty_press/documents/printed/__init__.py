"""What is printed has one hand: typefaces that ship with it, one look."""

from lofty_press.documents.printed.look import (
    ACCENT,
    CARE,
    DETAIL,
    HAIRLINE,
    INK,
    MARGIN,
    PAGES,
    QUIET,
    STAGE,
    STEP,
    STOP,
    Paper,
    put,
    style,
)
from lofty_press.documents.printed.typeface import BOLD, DISPLAY, TEXT, fitting, printable, safe

__all__ = [
    "ACCENT",
    "BOLD",
    "CARE",
    "DETAIL",
    "DISPLAY",
    "HAIRLINE",
    "INK",
    "MARGIN",
    "PAGES",
    "QUIET",
    "STAGE",
    "STEP",
    "STOP",
    "TEXT",
    "Paper",
    "fitting",
    "printable",
    "put",
    "safe",
    "style",
]
