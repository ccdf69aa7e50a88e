"""What went wrong: causes put into the pile, judged, and ranked by what was seen."""

from lofty_press.core.coach.cause import Cause
from lofty_press.core.coach.causes import CAUSES
from lofty_press.core.coach.rank import Ranked, Scene, look_first, rank, scene_of, wrong_places
from lofty_press.core.coach.sights import SIGHT_KEYS, SIGHTS, Sight, expected

__all__ = [
    "CAUSES",
    "SIGHTS",
    "SIGHT_KEYS",
    "Cause",
    "Ranked",
    "Scene",
    "Sight",
    "expected",
    "look_first",
    "rank",
    "scene_of",
    "wrong_places",
]
