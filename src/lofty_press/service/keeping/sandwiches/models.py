"""Sandwiches as they travel over HTTP."""

from datetime import datetime
from typing import Annotated

from pydantic import BaseModel, ConfigDict, Field

from lofty_press.core.basics.quantities import Count
from lofty_press.core.sandwich.stack import Sandwich


class SandwichWrite(BaseModel):
    """A new sandwich."""

    model_config = ConfigDict(extra="forbid")

    sandwich: Sandwich


class SandwichChange(SandwichWrite):
    """The new state of a sandwich, and the version that it was based on."""

    version: Annotated[Count, Field(ge=1)]


class SandwichRecord(SandwichWrite):
    """A kept sandwich; `gone` lists keys of items whose original is no longer on the shelf."""

    id: str
    version: int
    gone: list[str] = []


class SandwichSummary(BaseModel):
    """A kept sandwich in the list."""

    id: str
    name: str
    press: str
    effect: str
    layers: int
    version: int
    updated_at: datetime


class SandwichPage(BaseModel):
    """A window of the list, last worked on first; `next` leads to the one after it. `total` counts all that fit."""

    sandwiches: list[SandwichSummary]
    next: str | None
    total: int
