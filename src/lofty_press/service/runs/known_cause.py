"""The cause that a run names for what went wrong."""

from lofty_press.core.coach import CAUSES
from lofty_press.core.errors import InvalidInput
from lofty_press.core.words import say


def known_cause(cause: str | None, field: str = "body.cause") -> None:
    """Refuse a cause that is not known; one in kept runs of another version is let be."""
    if cause is not None and cause not in CAUSES:
        raise InvalidInput(field, cause, say("isn't a cause we know"))
