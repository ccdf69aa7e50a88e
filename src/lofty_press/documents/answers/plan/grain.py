"""Folds that run across the grain: what that saves, and what is said of them."""

from lofty_press.core.basics.words import Message, listed, say
from lofty_press.core.working.plan import WHY_ACROSS, WHY_ALONG, Against, Grain, Job, OpenedOut
from lofty_press.documents.answers.assessment import Document
from lofty_press.documents.answers.words import Words


class AgainstDocument(Document):
    """Pieces that are folded across the grain, what that saves in words, and in sheets; None where no sheet is large enough the other way."""

    pieces: list[str]
    says: Words
    saves: int | None


def across(grain: Grain | None) -> Grain | None:
    """The other way than a grain runs."""
    return {"upright": "across", "across": "upright"}.get(grain or "")  # type: ignore[return-value]


def why_folded(opened: OpenedOut | None, *, across: bool) -> list[Message]:
    """Why a piece is laid out as it is."""
    if opened is None:
        return []
    return [WHY_ACROSS if across and why == WHY_ALONG else why for why in opened.why]


def describe_against(job: Job, one: Against) -> AgainstDocument:
    """What folds across the grain, and what that saves."""
    names = listed((piece.name for piece in job.pieces if piece.key in one.pieces), " and ")
    if one.saves is None:
        says = say("{names}: the fold runs across the grain, because no sheet is large enough the other way. Score it well.", names=names)
    elif one.saves == 1:
        says = say("{names}: the fold runs across the grain, which saves a sheet. Along it, a fold is flatter.", names=names)
    else:
        says = say(
            "{names}: the fold runs across the grain, which saves {count} sheets. Along it, a fold is flatter.",
            names=names,
            count=one.saves,
        )
    return AgainstDocument(pieces=list(one.pieces), says=says, saves=one.saves)
