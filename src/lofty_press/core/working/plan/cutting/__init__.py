"""Which pieces come out of which sheet, by cuts that go from edge to edge."""

from lofty_press.core.working.plan.cutting.cut_list import Against, CutList, CutSheet, cut_list, wanted_pieces
from lofty_press.core.working.plan.cutting.left_over import left_over
from lofty_press.core.working.plan.cutting.pattern import Cut, Laid, Pattern, cuts_of, largest_rest
from lofty_press.core.working.plan.cutting.wanted import Wanted

__all__ = [
    "Against",
    "Cut",
    "CutList",
    "CutSheet",
    "Laid",
    "Pattern",
    "Wanted",
    "cut_list",
    "cuts_of",
    "largest_rest",
    "left_over",
    "wanted_pieces",
]
