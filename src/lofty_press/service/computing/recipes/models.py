"""Wishes and what is asked of other presses, as they travel over HTTP."""

from typing import Annotated

from pydantic import BaseModel, ConfigDict, Field

from lofty_press.core.sandwich.stack import Item, Sandwich
from lofty_press.core.working.recipes import Wish
from lofty_press.documents.answers.recipes import RecipesDocument
from lofty_press.documents.answers.words import Words

PressId = Annotated[str, Field(min_length=1, max_length=64)]


class SearchRequest(BaseModel):
    """A wish for a press on the shelf; stock and tool are named by their place on the shelf."""

    model_config = ConfigDict(extra="forbid")

    press_id: PressId
    wish: Wish


class DepthRequest(BaseModel):
    """A sheet that was pressed in a tool: its depth and the standard deviation of that [mm], and which stock on the shelf it is."""

    model_config = ConfigDict(extra="forbid")

    press_id: PressId
    tool: Item
    stock: PressId
    depth_mm: Annotated[float, Field(ge=0.02, le=10, allow_inf_nan=False)]
    spread_mm: Annotated[float, Field(ge=0, le=5, allow_inf_nan=False)]


class DepthDocument(BaseModel):
    """How deep the tool is, the standard deviation of that [mm], and the share that the sheet kept [1]."""

    depth_mm: float
    spread_mm: float
    kept: float


class TransferRequest(BaseModel):
    """A sandwich, and the press on the shelf that it is to go through instead."""

    model_config = ConfigDict(extra="forbid")

    press_id: PressId
    sandwich: Sandwich


class TransferDocument(BaseModel):
    """How the presses differ, and what does the same on the other."""

    differences: list[Words]
    recipes: RecipesDocument
