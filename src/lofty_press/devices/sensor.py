"""What a line from a room sensor says: temperature and relative humidity."""

import re

from lofty_press.core.basics.air import Air
from lofty_press.core.basics.words import say
from lofty_press.devices.reading import SHOWN, Unread

NUMBER = r"([+-]?\d{1,3}(?:[.,]\d{1,3})?)"
LINE = re.compile(rf"(?:T\s*=\s*)?{NUMBER}\s*(?:deg\s*)?(C|F)?\s*[,;]?\s*(?:RH\s*=\s*)?{NUMBER}\s*(?:%|%RH)?", re.ASCII | re.IGNORECASE)
COLDEST, HOTTEST = -20.0, 60.0  # degrees C


def read_air(line: str) -> Air | Unread:
    """Read a line such as "21.4 C 48.2 %" or "T=21,4 RH=48"; without a unit it is in degrees Celsius.

    >>> read_air("68 F 50 %")
    Air(temperature=20.0, humidity=0.5)
    """
    found = LINE.fullmatch(line.strip())
    if found is None:
        return Unread(line[:SHOWN], say("it isn't a temperature with a humidity"))
    figure, percent = (float(found[n].replace(",", ".")) for n in (1, 3))
    celsius = (figure - 32.0) / 1.8 if (found[2] or "C").upper() == "F" else figure
    if not (COLDEST <= celsius <= HOTTEST and 0.0 <= percent <= 100.0):
        return Unread(line[:SHOWN], say("its readings are out of range for a room"))
    return Air(round(celsius, 2), round(percent / 100.0, 4))
