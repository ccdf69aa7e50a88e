"""Suggestions as they leave the core: what to call them, the edits that carry them out, and what they lead to."""

from pydantic import BaseModel, ConfigDict

from lofty_press.core.assess import Assessment
from lofty_press.core.findings import likely_to_break
from lofty_press.core.stack import Edit, Sandwich, Suggestion, Supply
from lofty_press.core.verdict import zones
from lofty_press.documents.words import Words


class Outcome(BaseModel):
    """What a sandwich would be after a suggestion; `breaks` says that its sheet is likely to crack or tear, `calls` counts the findings left that are not mere
    care."""

    model_config = ConfigDict(extra="forbid")

    zone: zones.Zone | None
    breaks: Words | None
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


def outcome_of(after: Assessment) -> Outcome:
    """What a judgement comes to, in the few figures that suggestions are compared by."""
    return Outcome(
        zone=after.verdict.zone if after.verdict else None,
        breaks=likely_to_break(after.verdict) if after.verdict else None,
        sentence=after.sentence,
        pressure_mpa=after.verdict.pressure if after.verdict else None,
        interference_mm=after.nip.interference,
        stops=sum(f.severity == "stop" for f in after.findings),
        calls=sum(f.severity != "care" for f in after.findings),
    )
