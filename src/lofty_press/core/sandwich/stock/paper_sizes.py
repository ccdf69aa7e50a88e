"""Trimmed sheet formats: ISO 216, ISO 269 and the American letter family and A-series of cards."""

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.basics.units import inch_to_mm
from lofty_press.core.basics.words import say

ISO_269 = {"C4": (229.0, 324.0), "C5": (162.0, 229.0), "C6": (114.0, 162.0), "DL": (110.0, 220.0)}
AMERICAN = {
    "letter": (8.5, 11.0),
    "legal": (8.5, 14.0),
    "half letter": (5.5, 8.5),
    "A1 card": (3.5, 4.875),
    "A2 card": (4.25, 5.5),
    "A6 card": (4.5, 6.25),
    "A7 card": (5.0, 7.0),
}


def iso_216(name: str) -> tuple[float, float]:
    """Width and height [mm] of an A- or B-size such as "A6".

    Each size is the one before it halved across its longer side and rounded down to a whole millimetre.

    Raises
    ------
    InvalidInput
        If the name is not A0 to A10 or B0 to B10.

    References
    ----------
    ISO 216: A0 is 841 x 1189 mm, B0 is 1000 x 1414 mm.

    Examples
    --------
    >>> iso_216("A6")
    (105.0, 148.0)
    """
    series, number = name[:1].upper(), name[1:]
    if series not in ("A", "B") or not number.isdigit() or int(number) > 10:
        raise InvalidInput("format", name, say("must be A0 to A10 or B0 to B10"))
    width, height = (841, 1189) if series == "A" else (1000, 1414)
    for _ in range(int(number)):
        width, height = height // 2, width
    return float(width), float(height)


def sheet_format(name: str) -> tuple[float, float]:
    """Width and height [mm] of a format known by name: ISO 216, ISO 269 or American."""
    if name in ISO_269:
        return ISO_269[name]
    if name in AMERICAN:
        width, height = AMERICAN[name]
        return inch_to_mm(width), inch_to_mm(height)
    return iso_216(name)
