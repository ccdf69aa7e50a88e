"""The cause that a run names for what went wrong."""

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.basics.words import say
from lofty_press.core.teaching.coach import CAUSES


def known_cause(cause: str | None, field: str = "body.cause") -> None:
    """Refuse a cause that is not known; one in kept runs of another version is let be."""
    if cause is not None and cause not in CAUSES:
        raise InvalidInput(field, cause, say("isn't a cause we know"))
