"""Reliefs as they travel over HTTP."""

from typing import Annotated

from fastapi import Query
from pydantic import BaseModel

from lofty_press.documents.answers.words import Words
from lofty_press.documents.files.reliefs.wish import Use


class ReliefReading(BaseModel):
    """What came of a file: size [mm], what was mended, a picture, an outline or windows for the bench; `id` only if it was kept."""

    id: str | None
    length_mm: float
    width_mm: float
    depth_mm: float
    blade_mm: float
    raised_share: float
    span_mm: float
    notes: list[Words]
    outline: list[tuple[float, float]] | None
    windows: list[list[tuple[float, float]]]
    picture: str


class WishQuery(BaseModel):
    """How the file is to be read."""

    use: Use = "relief"
    width_mm: Annotated[float | None, Query(ge=1, le=2000)] = None
    depth_mm: Annotated[float, Query(gt=0, le=60)] = 0.5
    shoulder_mm: Annotated[float, Query(ge=0, le=10)] = 0.2
    quarter_turns: Annotated[int, Query(ge=0, le=3)] = 0
    invert: bool = False
    mirror: bool = False
