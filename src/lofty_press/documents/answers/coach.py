"""What went wrong with a sheet, as JSON: ranked causes, each with the pile as it lay then and its cure."""

from pydantic import Field

from lofty_press.core.sandwich.stack import Sandwich, Supply, nothing_on_the_shelf
from lofty_press.core.teaching.coach import (
    CAUSES,
    FELT,
    LOOKS,
    OUTCOME_OF,
    SIGHTS,
    STUCK,
    Felt,
    Known,
    Ranked,
    Said,
    Scene,
    Sight,
    look_first,
    over_opening,
    rank,
)
from lofty_press.core.working.steps import Outcome
from lofty_press.documents.answers.assessment import Document
from lofty_press.documents.answers.rescue import RescueDocument, rescued
from lofty_press.documents.answers.suggestion import SuggestionDocument, outcome_of
from lofty_press.documents.answers.words import Words


class SightDocument(Document):
    """Something that can be seen on a sheet, how likely it is on this one if any of the causes is there, and how such a run is noted."""

    key: Sight
    title: Words
    chance: float
    outcome: Outcome


class FeelingDocument(Document):
    """Something that can be felt at the crank."""

    key: Felt
    title: Words


class LookDocument(Document):
    """Something to look at, and how long it takes."""

    key: str
    title: Words
    costs_s: float


class CauseDocument(Document):
    """A cause: why it does that, how to tell it from others, its chance, the pile as it lay then (`pictured` where that or what the
    cause leaves on it makes another sheet than was meant, `marked` where that is not the pile alone; `over_mm` where it then stands over the opening too far to go
    through), the look that settles it, and its cure; the cure's
    edits are of the pile as it was meant, `does` says what they do, and `right` how likely the next sheet is right."""

    key: str
    title: Words
    why: Words
    tell: Words
    chance: float
    shows: Sight | None = Field(description="What is seen of it, most likely; null where it would look right.")
    lay: Sandwich
    pictured: bool
    marked: bool
    over_mm: float | None
    look: LookDocument
    cure: SuggestionDocument
    does: Words | None
    right: float


class CoachDocument(Document):
    """Causes of what was seen, likeliest first, of whatever can go wrong while nothing was said; `none` is the chance that it is none of them, `look` what
    tells the first two apart for the least, `sights` what can be seen on this sheet, `feelings` what can be felt."""

    seen: Sight | None
    sights: list[SightDocument]
    feelings: list[FeelingDocument]
    causes: list[CauseDocument]
    none: float
    look: LookDocument | None
    rescues: list[RescueDocument] = Field(description="What the spoiled sheet is still good for, what saves most of it first.")


class CauseSummary(Document):
    """A cause that is known, and how often it happens against the others."""

    key: str
    title: Words
    why: Words
    tell: Words
    cure: Words
    often: float


class KnownCauses(Document):
    """Every cause."""

    causes: list[CauseSummary]


def known_causes() -> list[CauseSummary]:
    """All of them."""
    return [CauseSummary(key=c.key, title=c.title, why=c.why, tell=c.tell, cure=c.cure, often=c.often) for c in CAUSES.values()]


def sights_of(scene: Scene) -> list[SightDocument]:
    """What can be seen on a sheet of this pile, likeliest first; what its causes cannot bring about is left out."""
    often = {key: CAUSES[key].often for key in scene.happened}
    total = sum(often.values()) or 1.0
    chances = {sight: sum(often[key] * scene.sights[key].get(sight, 0.0) for key in often) / total for sight in SIGHTS if sight != "right"}
    found = sorted((sight for sight in chances if chances[sight] > 0.0), key=lambda sight: -chances[sight])
    return [
        SightDocument(key=sight, title=SIGHTS[sight], chance=round(chances[sight], 4), outcome=OUTCOME_OF.get(sight, "other"))
        for sight in found
    ]


def coached(scene: Scene, said: Said, supply: Supply = nothing_on_the_shelf, known: Known | None = None) -> CoachDocument:
    """Causes of what was seen.

    Raises
    ------
    InvalidInput
        As `rank`.
    """
    ranked = rank(scene, said, supply=supply, known=known or Known())
    look = look_first(ranked, said.settled)
    return CoachDocument(
        seen=said.seen,
        sights=sights_of(scene),
        feelings=[FeelingDocument(key=felt, title=title) for felt, title in FELT.items()],
        causes=[describe(one, scene) for one in ranked],
        none=round(max(1.0 - sum(one.chance for one in ranked), 0.0), 4),
        look=None if look is None else look_document(look),
        rescues=rescued(scene.meant.sandwich, said.seen, supply),
    )


def look_document(key: str) -> LookDocument:
    """A look by its key."""
    return LookDocument(key=key, title=LOOKS[key].title, costs_s=LOOKS[key].costs)


def describe(one: Ranked, scene: Scene) -> CauseDocument:
    """One cause."""
    cause = one.cause
    return CauseDocument(
        key=cause.key,
        title=cause.title,
        why=cause.why,
        tell=cause.tell,
        chance=round(one.chance, 4),
        shows=one.shows,
        lay=one.lay,
        pictured=cause.key in scene.pictured,
        marked=cause.marks,
        over_mm=round(over_opening(scene.happened[cause.key]), 2) if one.shows in STUCK else None,
        look=look_document(cause.look),
        cure=SuggestionDocument(
            label=cause.cure, edits=list(one.cure.edits), outcome=None if one.cure.after is None else outcome_of(one.cure.after)
        ),
        does=one.cure.label,
        right=round(one.cure.right, 3),
    )
