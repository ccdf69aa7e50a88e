"""Things on the shelf as they travel over HTTP."""

from typing import Annotated, Literal

from pydantic import BaseModel, ConfigDict, Field

from lofty_press.core.stack.item import DIES, FOLDERS, MATS, PLATES, RELIEFS, Ink, Item
from lofty_press.core.stack.press import Press

Category = Literal["press", "plate", "mat", "tool", "stock", "ink"]
Version = Annotated[int, Field(ge=1)]


class ShelfWrite(BaseModel):
    """A new thing for the shelf, or the new state of one; exactly one of the three parts is given."""

    model_config = ConfigDict(extra="forbid")

    press: Press | None = None
    item: Item | None = None
    ink: Ink | None = None


class ShelfChange(ShelfWrite):
    """The new state of a thing, and the version that it was based on."""

    version: Version


class ShelfEntry(ShelfWrite):
    """A thing on the shelf."""

    id: str
    category: Category
    version: Version


def category_of(kind: str) -> Category:
    """The shelf's category for a kind of item."""
    if kind in PLATES:
        return "plate"
    if kind in MATS:
        return "mat"
    if kind in (*FOLDERS, *DIES, *RELIEFS):
        return "tool"
    return "stock"
