"""What a line from a thickness gauge says."""

import re
from dataclasses import dataclass

from lofty_press.core.basics.words import Message, say, size

MM = 25.4  # in an inch
THICKEST = 60.0  # mm; nothing thicker goes into a press
SHOWN = 40  # letters of a line that cannot be read
LINE = re.compile(r"\s*(?P<figure>[+-]?\s*\d{1,4}(?:[.,]\d{1,6})?)\s*(?P<unit>mm|in|inch|\")?\s*", re.ASCII | re.IGNORECASE)


@dataclass(frozen=True)
class Reading:
    """A thickness as a gauge sent it. [mm]"""

    mm: float


@dataclass(frozen=True)
class Unread:
    """A line that is no thickness, and why."""

    line: str
    why: Message


def read(line: str) -> Reading | Unread:
    """Read a line such as "+3.020 mm", "3,02" or "0.119 in"; without a unit it is in millimetres.

    >>> read("0.119in").mm
    3.0226
    """
    found = LINE.fullmatch(line)
    if found is None:
        return Unread(line[:SHOWN], say("it isn't a number with mm or in"))
    figure = float(found["figure"].replace(",", ".").replace(" ", ""))
    mm = figure * (1.0 if (found["unit"] or "mm").lower() == "mm" else MM)
    if abs(mm) > THICKEST:
        return Unread(line[:SHOWN], say("it's over {most}, more than fits in a press", most=size(THICKEST)))
    return Reading(round(mm, 6))
