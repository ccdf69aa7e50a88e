"""The bed: the load along the crank, how the work lies, and how it would lie better."""

from lofty_press.core.mechanics.feed.best import Advice, Feeding, First, Setting, Words, setting_of
from lofty_press.core.mechanics.feed.examine import FeedReport, Lying, examine, look_at
from lofty_press.core.mechanics.feed.fit import room_of
from lofty_press.core.mechanics.feed.inventory import Part
from lofty_press.core.mechanics.feed.mends import laid_so, lined_up, made_to_fit
from lofty_press.core.mechanics.feed.placing import Placing, laid, laying, lead_of, placing_of, words_lie, work_layers
from lofty_press.core.mechanics.feed.second_pass import TwoPasses, one_pass, second_turn, two_passes
from lofty_press.core.mechanics.feed.trace import FeedTrace

__all__ = [
    "Advice",
    "FeedReport",
    "FeedTrace",
    "Feeding",
    "First",
    "Lying",
    "Part",
    "Placing",
    "Setting",
    "TwoPasses",
    "Words",
    "examine",
    "laid",
    "laid_so",
    "laying",
    "lead_of",
    "lined_up",
    "look_at",
    "made_to_fit",
    "one_pass",
    "placing_of",
    "room_of",
    "second_turn",
    "setting_of",
    "two_passes",
    "words_lie",
    "work_layers",
]
