"""A need: the pressures at which an effect begins, is right, and is overdone."""

from dataclasses import dataclass

from lofty_press.core.words import Message

NEVER = 1e4  # MPa; stands for a pressure that no press gives


@dataclass(frozen=True)
class Need:
    """Pressures at the sheet [MPa] at which the effect begins, is right, and is overdone; `why` in a few words."""

    mark: float
    right: float
    hard: float
    why: Message
