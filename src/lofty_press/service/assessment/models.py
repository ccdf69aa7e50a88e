"""Judgements as they travel over HTTP."""

from typing import Annotated

from pydantic import BaseModel, Field

from lofty_press.core.stack import Edit, Sandwich
from lofty_press.core.verdict import Zone


class Mended(BaseModel):
    """What a finding's fix would lead to; `calls` counts the findings left that are not mere care."""

    code: str
    layer: str | None
    label: str
    zone: Zone | None
    sentence: str
    pressure_mpa: float | None
    interference_mm: float
    stops: int
    calls: int


class EditRequest(BaseModel):
    """Edits to carry out on a sandwich."""

    sandwich: Sandwich
    edits: Annotated[list[Edit], Field(min_length=1, max_length=40)]
