"""What went wrong: causes put into the pile, judged, and ranked by what was seen."""

from lofty_press.core.teaching.coach.cause import Cause, Teaches, Trace
from lofty_press.core.teaching.coach.causes import CAUSES
from lofty_press.core.teaching.coach.cure import Cure, cure_of
from lofty_press.core.teaching.coach.felt import FELT, FELT_KEYS, Felt, felt_of
from lofty_press.core.teaching.coach.known import Known, known_of
from lofty_press.core.teaching.coach.lesson import lesson_of
from lofty_press.core.teaching.coach.looks import LOOKS, Look
from lofty_press.core.teaching.coach.place import Place, place_of, wrong_places
from lofty_press.core.teaching.coach.rank import Ranked, Said, chances_of, look_first, rank
from lofty_press.core.teaching.coach.rescue import SIGHT_OF, Rescue, rescues
from lofty_press.core.teaching.coach.scene import STUCK, Scene, over_opening, picks, scene_of, shows
from lofty_press.core.teaching.coach.sights import OUTCOME_OF, SIGHT_KEYS, SIGHTS, Sight, expected

__all__ = [
    "CAUSES",
    "FELT",
    "FELT_KEYS",
    "LOOKS",
    "OUTCOME_OF",
    "SIGHTS",
    "SIGHT_KEYS",
    "SIGHT_OF",
    "STUCK",
    "Cause",
    "Cure",
    "Felt",
    "Known",
    "Look",
    "Place",
    "Ranked",
    "Rescue",
    "Said",
    "Scene",
    "Sight",
    "Teaches",
    "Trace",
    "chances_of",
    "cure_of",
    "expected",
    "felt_of",
    "known_of",
    "lesson_of",
    "look_first",
    "over_opening",
    "picks",
    "place_of",
    "rank",
    "rescues",
    "scene_of",
    "shows",
    "wrong_places",
]
