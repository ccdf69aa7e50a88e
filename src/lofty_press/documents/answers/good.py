"""The one chance of a good sheet, as it is shown everywhere."""

from typing import Self

from pydantic import BaseModel, ConfigDict

from lofty_press.core.basics.words import likelihood, term
from lofty_press.core.judging.assess import Assessment
from lofty_press.core.judging.verdict import Good, Spoil
from lofty_press.documents.answers.words import Words

SHOWN_FROM = 0.01
"""Chances under which a part is not named."""


class SpoilDocument(BaseModel):
    """What spoils a sheet, and how often."""

    model_config = ConfigDict(extra="forbid")

    what: Words
    chance: float


class GoodDocument(BaseModel):
    """The one chance that the sheet comes out good, in words too, and what spoils it otherwise, most often first; what happens in less than one of a hundred
    is left out. `breaks` says that it cracks, tears or buckles often enough for that to be what is said of the pile."""

    model_config = ConfigDict(extra="forbid")

    chance: float
    words: Words
    breaks: Spoil | None
    parts: list[SpoilDocument]

    @classmethod
    def of(cls, good: Good) -> Self:
        """The chance as a document."""
        parts = [SpoilDocument(what=term(spoil), chance=round(chance, 4)) for spoil, chance in good.parts.items() if chance >= SHOWN_FROM]
        return cls(
            chance=round(good.chance, 4),
            words=likelihood(good.chance),
            breaks=good.likely_to_break,
            parts=sorted(parts, key=lambda part: -part.chance),
        )


def describe_good(assessment: Assessment) -> GoodDocument | None:
    """The chance of a good sheet; None where nothing is judged, and where something is wrong whatever the sheet may be."""
    return None if assessment.good is None else GoodDocument.of(assessment.good)
