"""What is done to a piece of paper: kinds of work, what must come before what, and how both make an order."""

from lofty_press.core.working.work.arrange import Arranged, Edge, Node, arrange
from lofty_press.core.working.work.chains import Chain, Step, chains_of, drying, why_between, within_of
from lofty_press.core.working.work.rules import RULES, RULES_BY_KEY, Rule
from lofty_press.core.working.work.works import WORK_KEYS, WORKS, Place, Source, Work, WorkKey

__all__ = [
    "RULES",
    "RULES_BY_KEY",
    "WORKS",
    "WORK_KEYS",
    "Arranged",
    "Chain",
    "Edge",
    "Node",
    "Place",
    "Rule",
    "Source",
    "Step",
    "Work",
    "WorkKey",
    "arrange",
    "chains_of",
    "drying",
    "why_between",
    "within_of",
]
