"""Wishes and what is asked of other presses, as they travel over HTTP."""

from typing import Annotated

from pydantic import BaseModel, ConfigDict, Field

from lofty_press.core.recipes import Wish
from lofty_press.core.stack import Sandwich
from lofty_press.documents.recipes import RecipesDocument
from lofty_press.documents.words import Words

PressId = Annotated[str, Field(min_length=1, max_length=64)]


class SearchRequest(BaseModel):
    """A wish for a press on the shelf; stock and tool are named by their place on the shelf."""

    model_config = ConfigDict(extra="forbid")

    press_id: PressId
    wish: Wish


class TransferRequest(BaseModel):
    """A sandwich, and the press on the shelf that it is to go through instead."""

    model_config = ConfigDict(extra="forbid")

    press_id: PressId
    sandwich: Sandwich


class TransferDocument(BaseModel):
    """How the presses differ, and what does the same on the other."""

    differences: list[Words]
    recipes: RecipesDocument
