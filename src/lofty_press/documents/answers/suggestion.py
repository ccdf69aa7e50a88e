"""Suggestions as they leave the core: what to call them, the edits that carry them out, and what they lead to."""

from pydantic import BaseModel, ConfigDict

from lofty_press.core.judging.assess import Assessment
from lofty_press.core.judging.offers import Offer
from lofty_press.core.judging.verdict import zones
from lofty_press.core.sandwich.stack import Edit, Sandwich, Suggestion, Supply
from lofty_press.documents.answers.good import GoodDocument, describe_good
from lofty_press.documents.answers.words import Words


class Outcome(BaseModel):
    """What a sandwich would be after a suggestion: the chance of a good sheet then, missing where something is wrong whatever the sheet may be; `calls`
    counts the findings left that are not mere care."""

    model_config = ConfigDict(extra="forbid")

    zone: zones.Zone | None
    good: GoodDocument | None
    sentence: Words
    pressure_mpa: float | None
    interference_mm: float
    stops: int
    calls: int


class SuggestionDocument(BaseModel):
    """Something to do about a sandwich: its edits carry it out, none of them where it is done by hand alone; the outcome where it was judged."""

    model_config = ConfigDict(extra="forbid")

    label: Words
    edits: list[Edit]
    outcome: Outcome | None = None


def describe_suggestion(
    suggestion: Suggestion | None, sandwich: Sandwich, supply: Supply, after: Assessment | None = None
) -> SuggestionDocument | None:
    """A suggestion as a document; None where there is none, or where it cannot be carried out with what there is."""
    edits = None if suggestion is None else suggestion.in_full(sandwich, supply)
    if suggestion is None or edits is None:
        return None
    return SuggestionDocument(label=suggestion.label, edits=list(edits), outcome=None if after is None else outcome_of(after))


class OfferDocument(BaseModel):
    """A finding, by its code and layer, and the fix of it that helps, with what it leads to."""

    model_config = ConfigDict(extra="forbid")

    code: str
    layer: str | None
    fix: SuggestionDocument


def describe_offers(found: tuple[Offer, ...], sandwich: Sandwich, supply: Supply) -> list[OfferDocument]:
    """The fixes that help, as documents."""
    told = [(one.finding, describe_suggestion(one.finding.fix, sandwich, supply, one.after)) for one in found]
    return [OfferDocument(code=finding.code, layer=finding.layer, fix=fix) for finding, fix in told if fix is not None]


def outcome_of(after: Assessment) -> Outcome:
    """What a judgement comes to, in the few figures that suggestions are compared by."""
    return Outcome(
        zone=after.verdict.zone if after.verdict else None,
        good=describe_good(after),
        sentence=after.sentence,
        pressure_mpa=after.verdict.pressure if after.verdict else None,
        interference_mm=after.nip.interference,
        stops=sum(f.severity == "stop" for f in after.findings),
        calls=sum(f.severity != "care" for f in after.findings),
    )
