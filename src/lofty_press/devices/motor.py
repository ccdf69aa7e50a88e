"""What a line from a motor press says, and what it is told.

It is told FEED, STOP or BACK, or asked ? who it is. It answers with who it is, where it feeds and what current it draws some ten times a second, and how a
feed ended.
"""

import re
from dataclasses import dataclass
from typing import Literal

from lofty_press.core.basics.words import say
from lofty_press.devices.reading import SHOWN, Unread

Order = Literal["FEED", "STOP", "BACK", "?"]
ORDERS: tuple[Order, ...] = ("FEED", "STOP", "BACK", "?")
Ending = Literal["end", "jam", "limit", "stopped"]
FARTHEST, STRONGEST = 2000.0, 100.0  # mm and A; no press feeds further, none draws more
NUMBER = r"[+-]?\d{1,5}(?:[.,]\d{1,4})?"
HELLO = re.compile(rf"MOTOR\s+idle\s+({NUMBER})\s*A\s+limit\s+({NUMBER})\s*A", re.ASCII | re.IGNORECASE)
AT = re.compile(rf"AT\s+({NUMBER})\s*mm\s+({NUMBER})\s*A", re.ASCII | re.IGNORECASE)
ENDED = re.compile(rf"(END|JAM|LIMIT|STOPPED)\s+({NUMBER})\s*mm", re.ASCII | re.IGNORECASE)


@dataclass(frozen=True)
class Hello:
    """Who it is: the current that it draws with nothing between its rollers, and the one at which it stops by itself. [A]"""

    idle_a: float
    limit_a: float


@dataclass(frozen=True)
class At:
    """How far it has fed [mm], and what it draws there [A]."""

    position_mm: float
    current_a: float


@dataclass(frozen=True)
class Ended:
    """How a feed ended, and where [mm]."""

    how: Ending
    position_mm: float


Said = Hello | At | Ended


def read_motor(line: str) -> Said | Unread:
    """Read a line of a motor press.

    >>> read_motor("AT 12,5 mm 0.84 A")
    At(position_mm=12.5, current_a=0.84)
    """
    text = line.strip()
    if found := AT.fullmatch(text):
        position, current = figures(found[1], found[2])
        return At(position, current) if within(position, current) else out_of_reach(line)
    if found := ENDED.fullmatch(text):
        (position,) = figures(found[2])
        ending: dict[str, Ending] = {"end": "end", "jam": "jam", "limit": "limit", "stopped": "stopped"}
        return Ended(ending[found[1].lower()], position) if within(position, 0.0) else out_of_reach(line)
    if found := HELLO.fullmatch(text):
        idle, limit = figures(found[1], found[2])
        return Hello(idle, limit) if 0.0 <= idle < limit <= STRONGEST else out_of_reach(line)
    return Unread(line[:SHOWN], say("it isn't a line from a motor press"))


def figures(*texts: str) -> tuple[float, ...]:
    return tuple(float(text.replace(",", ".")) for text in texts)


def within(position: float, current: float) -> bool:
    return abs(position) <= FARTHEST and abs(current) <= STRONGEST


def out_of_reach(line: str) -> Unread:
    return Unread(line[:SHOWN], say("its readings are out of range for a press"))


def force_of(current: float, motor: Hello, limit_n: float) -> float:
    """Force at the handle that a current stands for, of a motor that stops at the press's limit. [N]

    Notes
    -----
    A permanent-magnet motor's torque goes with its current; what it draws idle turns itself (any textbook on electric drives; from memory).
    """
    return max(current - motor.idle_a, 0.0) / (motor.limit_a - motor.idle_a) * limit_n
