"""What a spoiled sheet is still good for, as a document."""

from lofty_press.core.sandwich.stack import Sandwich, Supply
from lofty_press.core.teaching.coach import Sight, rescues
from lofty_press.documents.answers.assessment import Document
from lofty_press.documents.answers.words import Words


class RescueDocument(Document):
    """A way to save the sheet, and why; `saves` is the share of its worth that is left, by which they are ranked."""

    key: str
    says: Words
    why: Words
    saves: float


def rescued(sandwich: Sandwich, seen: Sight | None, supply: Supply) -> list[RescueDocument]:
    """What can still be done with a spoiled sheet, that which saves most first; nothing while nothing was said of it."""
    found = () if seen is None else rescues(sandwich, seen, supply)
    return [RescueDocument(key=one.key, says=one.says, why=one.why, saves=round(one.saves, 2)) for one in found]
