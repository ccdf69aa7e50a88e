"""The run card, and what to do when something goes wrong."""

from lofty_press.core.working.steps.card import STAGES, Card, Step
from lofty_press.core.working.steps.in_the_room import about, in_the_room
from lofty_press.core.working.steps.outcomes import OUTCOMES, SEEN, Outcome, Seen, outcomes_of, seen_of, zones_of
from lofty_press.core.working.steps.trouble import Response, respond
from lofty_press.core.working.steps.words import facing
from lofty_press.core.working.steps.write import write_card

__all__ = [
    "OUTCOMES",
    "SEEN",
    "STAGES",
    "Card",
    "Outcome",
    "Response",
    "Seen",
    "Step",
    "about",
    "facing",
    "in_the_room",
    "outcomes_of",
    "respond",
    "seen_of",
    "write_card",
    "zones_of",
]
