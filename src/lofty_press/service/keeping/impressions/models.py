"""Pressed sheets as they travel over HTTP."""

from typing import Annotated, Literal

from pydantic import BaseModel, Field

from lofty_press.core.basics.quantities import Colour
from lofty_press.documents.answers.impression import ImpressionFigures
from lofty_press.documents.answers.words import Words
from lofty_press.documents.kept.impression_record import FieldName, PanelDocument

RunState = Literal["waiting", "running", "done", "failed", "stopped"]
Stage = Literal["coarse", "finer", "full"]


Degrees = Annotated[float, Field(ge=-360, le=360)]
Face = Literal["front", "back"]


class Lit(BaseModel):
    """How a face is looked at: where the lamp stands, and of which colour its paper is; its own if none is said."""

    face: Face = "front"
    azimuth: Degrees = 225.0
    altitude: Degrees = 40.0
    colour: Colour | None = None


class Kept(BaseModel):
    """Figures, grid and fields of a result."""

    figures: ImpressionFigures
    panel: PanelDocument
    fields: list[FieldName]


class RunProgress(BaseModel):
    """Where the full computation stands: cells of the present grid, step on it, residual, estimated share done."""

    cells: tuple[int, int]
    step: int
    residual: float
    share: float


class ImpressionAnswer(BaseModel):
    """A pressed sheet, as far as it is there: `stage` tells how fine `result` is."""

    key: str
    state: RunState
    stage: Stage | None
    result: Kept | None
    progress: RunProgress | None
    message: Words | None
