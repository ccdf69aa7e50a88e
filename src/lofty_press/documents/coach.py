"""What went wrong with a sheet, as JSON: ranked causes, each with the pile as it lay then and its cure."""

from pydantic import Field

from lofty_press.core.coach import CAUSES, SIGHTS, Ranked, Scene, Sight, look_first, rank
from lofty_press.core.stack import Sandwich, Supply, nothing_on_the_shelf
from lofty_press.documents.assessment import Document
from lofty_press.documents.suggestion import SuggestionDocument, outcome_of
from lofty_press.documents.words import Words


class SightDocument(Document):
    """Something that can be seen on a sheet, and how likely it is on this one if any of the causes is there."""

    key: Sight
    title: Words
    chance: float


class CauseDocument(Document):
    """A cause: why it does that, how to tell it from others, its chance, the pile as it lay then (`changed` where that is another than was meant, so that
    pressing it shows the sheet), and its cure; its edits are of the pile as it was meant."""

    key: str
    title: Words
    why: Words
    tell: Words
    chance: float
    shows: Sight = Field(description="What is seen of it, most likely.")
    lay: Sandwich
    changed: bool
    cure: SuggestionDocument


class CoachDocument(Document):
    """Causes of what was seen, likeliest first, of whatever can go wrong while nothing was said; `none` is the chance that it is none of them, `look` what
    tells the first two apart, `sights` what can be seen on this sheet."""

    seen: Sight | None
    sights: list[SightDocument]
    causes: list[CauseDocument]
    none: float
    look: Words | None


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
    return [SightDocument(key=sight, title=SIGHTS[sight], chance=round(chances[sight], 4)) for sight in found]


def coached(
    scene: Scene, seen: Sight | None, at: tuple[float, float] | None = None, supply: Supply = nothing_on_the_shelf
) -> CoachDocument:
    """Causes of what was seen.

    Raises
    ------
    InvalidInput
        As `rank`.
    """
    ranked = rank(scene, seen, at, supply=supply)
    return CoachDocument(
        seen=seen,
        sights=sights_of(scene),
        causes=[describe(one, scene.meant.sandwich) for one in ranked],
        none=round(max(1.0 - sum(one.chance for one in ranked), 0.0), 4),
        look=look_first(ranked),
    )


def describe(one: Ranked, meant: Sandwich) -> CauseDocument:
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
        changed=one.lay != meant,
        cure=SuggestionDocument(label=one.cure.label, edits=list(one.edits), outcome=None if one.after is None else outcome_of(one.after)),
    )
