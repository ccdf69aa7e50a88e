"""The pressure that an effect needs."""

from lofty_press.core.mechanics.needs.need import NEVER, Need
from lofty_press.core.mechanics.needs.needs import need_of

__all__ = [
    "NEVER",
    "Need",
    "need_of",
]
