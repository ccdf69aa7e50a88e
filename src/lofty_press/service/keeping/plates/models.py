"""What plates remember, as it travels over HTTP."""

from datetime import datetime
from typing import Annotated

from pydantic import BaseModel, ConfigDict, Field

from lofty_press.core.basics.quantities import Number
from lofty_press.core.mechanics.plates import Face
from lofty_press.core.sandwich.stack import ItemKind
from lofty_press.documents.answers.feed import PlacingDocument
from lofty_press.documents.answers.suggestion import SuggestionDocument
from lofty_press.documents.answers.words import Words


class FaceSummary(BaseModel):
    """One face of a plate: marks in it, most that any place was cut over, share scarred of its worst tenth [1], deepest scar [mm]."""

    face: Face
    marks: int
    worst: float
    scarred: float
    deepest_mm: float


class PlateSummary(BaseModel):
    """A plate that has been cut on. `bow_mm` is worked out, positive if hollow towards its back; corrected by what was measured, if it was.
    `missing` counts marks that cannot be read any more."""

    item_id: str
    name: str
    kind: ItemKind
    faces: list[FaceSummary]
    bow_mm: float
    measured_bow_mm: float | None
    measured_at: datetime | None
    began_at: datetime
    past_lives: int
    missing: int


class WearDocument(BaseModel):
    """Wear of one face over a grid of cells around the plate's middle, seen from that face; `crossed[i][j]` counts along, then across:
    how often each place was cut over [1]; depth of the deepest scar [mm]. The plate stands `bow_along_mm[i] + bow_across_mm[j]` under the
    chords between its ends, seen from its face."""

    item_id: str
    face: Face
    cell_mm: float
    crossed: list[list[float]]
    deepest_mm: list[list[float]]
    bow_along_mm: list[float]
    bow_across_mm: list[float]


class MeasuredBow(BaseModel):
    """Bow of a plate as measured with a straight edge [mm], positive if hollow towards its back; null to forget it."""

    model_config = ConfigDict(extra="forbid")

    measured_mm: Annotated[Number, Field(ge=-20, le=20, allow_inf_nan=False)] | None


class StateDocument(BaseModel):
    """A plate's state after a run: how often the worst place under the blade would have been cut over [1], and the bow [mm]."""

    worst: float
    bow_mm: float


class OptionDocument(BaseModel):
    """One way to lay the next run."""

    placing: PlacingDocument
    turned_over: bool
    after: StateDocument
    suggestion: SuggestionDocument


class NextRunDocument(BaseModel):
    """The plate that the blade meets, what the run would leave on it as it lies, and better ways. `says` are sentences about its state."""

    layer: str
    item_id: str
    name: str
    face: Face
    scar_mm: float
    as_it_lies: StateDocument
    options: list[OptionDocument]
    says: list[Words]
