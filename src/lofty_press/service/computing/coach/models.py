"""Spoiled sheets as they travel over HTTP."""

from typing import Annotated

from pydantic import BaseModel, ConfigDict, Field

from lofty_press.core.sandwich.stack import Sandwich
from lofty_press.core.teaching.coach import Felt, Sight

Place = Annotated[float, Field(ge=-2000, le=2000, allow_inf_nan=False)]


class Spoiled(BaseModel):
    """The sandwich as it was meant, what was seen on its sheet (nothing said yet: whatever can go wrong), where, from the middle of the bed [mm], what was
    felt, the cause whose picture was taken, and the looks that were taken, with whether it was so."""

    model_config = ConfigDict(extra="forbid")

    sandwich: Sandwich
    seen: Sight | None = None
    at: tuple[Place, Place] | None = None
    felt: Felt | None = None
    picked: Annotated[str, Field(max_length=40)] | None = None
    settled: Annotated[dict[Annotated[str, Field(max_length=40)], bool], Field(max_length=40)] = {}


class Teaching(BaseModel):
    """What a teaching sheet is of: a sandwich, one of its causes or another sandwich beside it, or neither."""

    model_config = ConfigDict(extra="forbid")

    sandwich: Sandwich
    cause: Annotated[str, Field(max_length=40)] | None = None
    other: Sandwich | None = None


class PictureAnswer(BaseModel):
    """A pressed sheet's front as a PNG in a data address, and where it lies on the bed: cells along and across the feed, their size, the
    middle of the first one [mm]; `mirrored` where its front looks down. None of it where it does not settle."""

    png: str | None = None
    cells: tuple[int, int] | None = None
    spacing_mm: float | None = None
    first_mm: tuple[float, float] | None = None
    mirrored: bool = False
