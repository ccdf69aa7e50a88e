"""Dial-in: what is believed of a press room, and what evidence teaches about it."""

from lofty_press.core.judging.dialin.belief import Belief
from lofty_press.core.judging.dialin.certainty import InRoom
from lofty_press.core.judging.dialin.doubt import Doubt, doubts
from lofty_press.core.judging.dialin.elsewhere import AWAY, as_of_elsewhere
from lofty_press.core.judging.dialin.evidence import Cracked, Evidence, Measured, Traced, Tried, drift_after
from lofty_press.core.judging.dialin.feeler import MOST_SHEETS, expected_sheets, plates_of, took_hold
from lofty_press.core.judging.dialin.infer import Learnt, Lesson, learn, one_more
from lofty_press.core.judging.dialin.judged import as_written, believed, believed_item, believed_press, chances_of
from lofty_press.core.judging.dialin.next_trial import Next, Shims, Trial, next_for, next_trial
from lofty_press.core.judging.dialin.response import Response, Shape, respond, thickness_weights
from lofty_press.core.judging.dialin.room import believed_before, keyed, need_of, opening_of, size_of, thickness_of
from lofty_press.core.judging.dialin.suspicion import Cause, Suspicion, suspicion
from lofty_press.core.judging.dialin.traced import peak_of
from lofty_press.core.judging.dialin.unknowns import unlike

__all__ = [
    "AWAY",
    "MOST_SHEETS",
    "Belief",
    "Cause",
    "Cracked",
    "Doubt",
    "Evidence",
    "InRoom",
    "Learnt",
    "Lesson",
    "Measured",
    "Next",
    "Response",
    "Shape",
    "Shims",
    "Suspicion",
    "Traced",
    "Trial",
    "Tried",
    "as_of_elsewhere",
    "as_written",
    "believed",
    "believed_before",
    "believed_item",
    "believed_press",
    "chances_of",
    "doubts",
    "drift_after",
    "expected_sheets",
    "keyed",
    "learn",
    "need_of",
    "next_for",
    "next_trial",
    "one_more",
    "opening_of",
    "peak_of",
    "plates_of",
    "respond",
    "size_of",
    "suspicion",
    "thickness_of",
    "thickness_weights",
    "took_hold",
    "unlike",
]
