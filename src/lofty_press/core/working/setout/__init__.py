"""Setting out a press room: from what people know of their things to things with figures."""

from lofty_press.core.working.setout.presses import press_of
from lofty_press.core.working.setout.read_list import Line, read_list
from lofty_press.core.working.setout.twins import likeness, one_of_each
from lofty_press.core.working.setout.usual_piles import WORKS, UsualPile, feeler_pile, usual_piles

__all__ = ["WORKS", "Line", "UsualPile", "feeler_pile", "likeness", "one_of_each", "press_of", "read_list", "usual_piles"]
