"""What runs leave on plates, their wear and bow, and where the next one goes."""

from lofty_press.core.mechanics.plates.bow import bow_of
from lofty_press.core.mechanics.plates.condition import lowered, no_longer_cuts, runs_over, share_on
from lofty_press.core.mechanics.plates.mark import FACES, Face, Mark, Pattern, marks_of, pattern_of
from lofty_press.core.mechanics.plates.next_run import NextRun, next_run
from lofty_press.core.mechanics.plates.propose import BOW_SEEN, CROSSED_SEEN, EDGE, History, Proposal
from lofty_press.core.mechanics.plates.wear import CELL, MOST_CELLS, Laid, Wear, add_marks, no_wear

__all__ = [
    "BOW_SEEN",
    "CELL",
    "CROSSED_SEEN",
    "EDGE",
    "FACES",
    "MOST_CELLS",
    "Face",
    "History",
    "Laid",
    "Mark",
    "NextRun",
    "Pattern",
    "Proposal",
    "Wear",
    "add_marks",
    "bow_of",
    "lowered",
    "marks_of",
    "next_run",
    "no_longer_cuts",
    "no_wear",
    "pattern_of",
    "runs_over",
    "share_on",
]
