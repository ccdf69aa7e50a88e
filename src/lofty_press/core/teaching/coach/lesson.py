"""What a spoiled run tells of press and plates once its cause is known."""

from lofty_press.core.sandwich.stack import Sandwich, StackView
from lofty_press.core.teaching.coach.causes import CAUSES


def lesson_of(sandwich: Sandwich, cause: str | None) -> Sandwich | None:
    """The pile that was pressed in truth, of a run in which a sandwich was meant; None where what was seen tells nothing of it.

    Parameters
    ----------
    sandwich : Sandwich
        As it was meant.
    cause : str or None
        What went wrong, by its key; None or one that is not known here is taken as nothing.
    """
    known = CAUSES.get(cause or "")
    if known is None or known.teaches == "as meant":
        return sandwich
    return None if known.teaches == "nothing" else known.put_in(StackView(sandwich))
