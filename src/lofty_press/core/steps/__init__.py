"""The run card, and what to do when something goes wrong."""

from lofty_press.core.steps.card import STAGES, Card, Step
from lofty_press.core.steps.trouble import Response, Seen, respond
from lofty_press.core.steps.words import facing
from lofty_press.core.steps.write import write_card

__all__ = [
    "STAGES",
    "Card",
    "Response",
    "Seen",
    "Step",
    "facing",
    "respond",
    "write_card",
]
