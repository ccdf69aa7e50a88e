"""The kinds of figures that texts hold: in which unit each reader reads them, and how finely.

The page's table is written from this one; a kind or a unit is added here and nowhere else.
"""

from dataclasses import dataclass
from typing import Literal

from lofty_press.core.basics.units import MM_PER_INCH

Unit = Literal["mm", "in"]
KindKey = Literal[
    "size",
    "ruled",
    "marked",
    "thickness",
    "area",
    "angle",
    "force",
    "line load",
    "pressure",
    "share",
    "seconds",
    "minutes",
    "metres",
    "number",
    "spelled",
    "grammage",
    "stiffness",
    "modulus",
]
UNITS: tuple[Unit, ...] = ("mm", "in")


@dataclass(frozen=True)
class Reading:
    """How a reader of one unit system reads a kind of figure.

    `factor` turns the stored value into the unit shown; a `fraction` is shown as a whole and a reduced fraction down to 1/`fraction`, otherwise
    with `digits` decimals (None: as many as it has, up to six). `small_digits` more are shown below ten; where a text asks for
    a number of decimals, `more` than that are shown; `step` rounds to whole steps first;
    `words` stand for the whole numbers from nought up.
    """

    unit: str
    factor: float = 1.0
    digits: int | None = 0
    more: int = 0
    small_digits: int = 0
    step: float | None = None
    fraction: int | None = None
    words: tuple[str, ...] = ()


NUMBERS = ("no", "one", "two", "three", "four", "five", "six", "seven", "eight", "nine", "ten", "eleven", "twelve")


def alike(reading: Reading) -> dict[Unit, Reading]:
    """A figure that all readers read in the same unit."""
    return {"mm": reading, "in": reading}


INCH = 1 / MM_PER_INCH
# what a size means on paper: trimmed and laid by a ruler; a thickness is read off a caliper, in thousandths of an inch
KINDS: dict[KindKey, dict[Unit, Reading]] = {
    "size": {"mm": Reading("mm", small_digits=1), "in": Reading("in", INCH, fraction=64)},
    "ruled": {"mm": Reading("mm", digits=None, step=0.5), "in": Reading("in", INCH, fraction=16)},
    "marked": {"mm": Reading("mm", digits=None, step=0.1), "in": Reading("in", INCH, fraction=64)},
    "thickness": {"mm": Reading("mm", digits=2), "in": Reading("in", INCH, digits=3, more=1)},
    "area": {"mm": Reading("cm²", 0.01, digits=1), "in": Reading("sq in", INCH**2, digits=1)},
    "angle": alike(Reading("°")),
    "force": alike(Reading("N")),
    "line load": alike(Reading("N/mm")),
    "pressure": alike(Reading("MPa", digits=1)),
    "share": alike(Reading("%", 100.0)),
    "seconds": alike(Reading("s")),
    "minutes": alike(Reading("min", 1 / 60)),
    "metres": alike(Reading("m", 0.001)),
    "grammage": alike(Reading("g/m²")),
    "stiffness": alike(Reading("N/mm")),
    "modulus": alike(Reading("MPa", digits=None)),
    "number": alike(Reading("", digits=None)),
    "spelled": alike(Reading("", words=NUMBERS)),
}
