"""The judgement: zones, certainty, margin, and shares of the whole work."""

from lofty_press.core.judging.verdict.cracking import crack_chance, crack_spread
from lofty_press.core.judging.verdict.good import BREAKS, Good, Spoil, Stretch, good_of, stretch_of
from lofty_press.core.judging.verdict.measuring import GAUGE, MOST_TRIED, SURE, Measure, worth_measuring
from lofty_press.core.judging.verdict.shares import Lack, Part, Shares, in_words, minded, shares_of
from lofty_press.core.judging.verdict.sweep import STEP, Sweep, sweep
from lofty_press.core.judging.verdict.within import FRAME_GAUGED, FRAME_GUESSED, pressure_within
from lofty_press.core.judging.verdict.zones import (
    PLAIN_PAPER,
    ZONES,
    Bounds,
    Margin,
    Verdict,
    Zone,
    bears,
    judge,
    no_room,
    shim_at_hand,
    variance_parts,
    zone_at,
)

__all__ = [
    "BREAKS",
    "FRAME_GAUGED",
    "FRAME_GUESSED",
    "GAUGE",
    "MOST_TRIED",
    "PLAIN_PAPER",
    "STEP",
    "SURE",
    "ZONES",
    "Bounds",
    "Good",
    "Lack",
    "Margin",
    "Measure",
    "Part",
    "Shares",
    "Spoil",
    "Stretch",
    "Sweep",
    "Verdict",
    "Zone",
    "bears",
    "crack_chance",
    "crack_spread",
    "good_of",
    "in_words",
    "judge",
    "minded",
    "no_room",
    "pressure_within",
    "shares_of",
    "shim_at_hand",
    "stretch_of",
    "sweep",
    "variance_parts",
    "worth_measuring",
    "zone_at",
]
