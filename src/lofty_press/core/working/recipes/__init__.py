"""Effects as data, and the search for piles that give them."""

from lofty_press.core.working.recipes.catalogue import EFFECTS, effect_named
from lofty_press.core.working.recipes.cost import Cost
from lofty_press.core.working.recipes.effect import Effect, Task, Way
from lofty_press.core.working.recipes.missing import Nearly, nearly, what_is_missing
from lofty_press.core.working.recipes.origin import origin_of
from lofty_press.core.working.recipes.put_back import ToolDepth, depth_of_tool
from lofty_press.core.working.recipes.reasons import compared_with, why_before, why_it_works
from lofty_press.core.working.recipes.search import Found, Miss, Result, search
from lofty_press.core.working.recipes.transfer import transfer
from lofty_press.core.working.recipes.weigh import weigh, weigh_all
from lofty_press.core.working.recipes.wish import Shelf, Wish
from lofty_press.core.working.recipes.work_of import chain_of, pressed_as

__all__ = [
    "EFFECTS",
    "Cost",
    "Effect",
    "Found",
    "Miss",
    "Nearly",
    "Result",
    "Shelf",
    "Task",
    "ToolDepth",
    "Way",
    "Wish",
    "chain_of",
    "compared_with",
    "depth_of_tool",
    "effect_named",
    "nearly",
    "origin_of",
    "pressed_as",
    "search",
    "transfer",
    "weigh",
    "weigh_all",
    "what_is_missing",
    "why_before",
    "why_it_works",
]
