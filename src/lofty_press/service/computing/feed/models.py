"""Flaps and motifs as they travel over HTTP."""

from typing import Annotated

from pydantic import BaseModel, ConfigDict, Field

from lofty_press.core.basics.quantities import Number
from lofty_press.core.mechanics.alignment import Shape
from lofty_press.core.sandwich.stack import Item
from lofty_press.documents.answers.feed import Ring


class FlapRequest(BaseModel):
    """A flap, and the motif that is to sit in it: `motif` as it lies on the shelf, its own top towards the end that goes in first."""

    model_config = ConfigDict(extra="forbid")

    shape: Shape = "pointed"
    width_mm: Annotated[Number, Field(gt=0, le=1000, allow_inf_nan=False)]
    depth_mm: Annotated[Number, Field(gt=0, le=1000, allow_inf_nan=False)]
    tip_width_mm: Annotated[Number, Field(ge=0, le=1000, allow_inf_nan=False)] = 0.0
    motif: Item


class FlapDocument(BaseModel):
    """Where a motif sits in a flap: its middle from the fold, and the room to the nearest edge, negative if it does not fit [mm]."""

    from_fold_mm: float
    room_mm: float
    flap_mm: Ring
    motif_mm: Ring
