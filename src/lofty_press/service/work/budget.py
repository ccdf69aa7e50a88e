"""How much time and memory a computation may take that a request starts, and which workers do it."""

from dataclasses import dataclass
from typing import Literal

Lane = Literal["quick", "long", "forming"]
"""Answers that follow the finger; what a person waits for; pressed sheets, which nobody waits for."""


PATIENCE = 5.0  # times the time of computing that an answer is waited for


@dataclass(frozen=True)
class Budget:
    """Limits of one computation: time that it computes [s], memory beyond what an idle worker has [MB], and its lane."""

    lane: Lane
    seconds: float
    megabytes: int

    @property
    def longest(self) -> float:
        """How long an answer is waited for where the machine has other things to do as well. [s]"""
        return PATIENCE * self.seconds


QUICK = Budget("quick", 9.0, 256)
DRAWING = Budget("long", 9.0, 400)
FILE = Budget("long", 9.0, 400)
SEARCH = Budget("long", 20.0, 400)  # a full shelf on a slow machine; the page shows that it goes on, and leaving it ends it
COARSE = Budget("quick", 9.0, 400)
ARCHIVE = Budget("forming", 600.0, 500)
SHEET = Budget("forming", 120.0, 500)

WORKERS: dict[Lane, int] = {"quick": 2, "long": 1, "forming": 1}
NICE: dict[Lane, int] = {"quick": 0, "long": 4, "forming": 10}
"""How far the workers of a lane stand back where the machine is busy; as nice(2) has it."""
MOST_WAITING = 300  # tasks in a lane; more are sent away
MOST_WAITING_OF_ONE = 60  # tasks of one tab in a lane
