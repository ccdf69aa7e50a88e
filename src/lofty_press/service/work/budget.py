"""How much time and memory a computation may take that a request starts, and which workers do it."""

from dataclasses import dataclass
from typing import Literal

Lane = Literal["quick", "errand", "long", "plan", "forming"]
"""Answers that follow the finger; what is done in a moment (a photo, a file, a page, what a run left); what a person waits for; plans, which may take their
whole time; pressed sheets, which nobody waits for. Whatever is short never stands behind what is long."""


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
DRAWING = Budget("errand", 9.0, 400)
FILE = Budget("errand", 9.0, 400)
SEARCH = Budget("long", 20.0, 400)  # a full shelf on a slow machine; the page shows that it goes on, and leaving it ends it
PHOTO = Budget("long", 25.0, 800)  # twelve megapixels, and the window from above at a tenth of a millimetre
SERIES = Budget("long", 40.0, 900)  # seven photos of two thousand pixels, their torches, and a tool's face at a fifth of a millimetre
MARKS = Budget("errand", 20.0, 400)
PLAN = Budget("plan", 20.0, 400)
COARSE = Budget("quick", 9.0, 400)
ARCHIVE = Budget("forming", 600.0, 500)
SHEET = Budget("forming", 120.0, 500)

WORKERS: dict[Lane, int] = {"quick": 2, "errand": 1, "long": 1, "plan": 1, "forming": 1}
NICE: dict[Lane, int] = {"quick": 0, "errand": 2, "long": 4, "plan": 8, "forming": 10}
"""How far the workers of a lane stand back where the machine is busy; as nice(2) has it."""
MOST_WAITING = 300  # tasks in a lane; more are sent away
MOST_WAITING_OF_ONE = 60  # tasks of one tab in a lane
