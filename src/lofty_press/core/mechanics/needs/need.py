"""A need: the pressures at which an effect begins, is right, and is overdone."""

from dataclasses import dataclass

from lofty_press.core.basics.words import Message

NEVER = 1e4  # MPa; stands for a pressure that no press gives


@dataclass(frozen=True)
class Need:
    """Pressures at the sheet [MPa] at which the effect begins, is right, and is overdone; `why` in a few words. For a stock that is stronger by a
    share all go up by that share, `hard` by `steep` times it; `right` is known worse than that by `blur` times [1]. A
    relief that is deeper or shallower than it is said to be moves `mark` and `right`: `depth` is the standard deviation of their logarithm by that [1]."""

    mark: float
    right: float
    hard: float
    why: Message
    steep: float = 1.0
    blur: float = 1.0
    depth: float = 0.0
