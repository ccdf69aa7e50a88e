"""Things on the shelf as they travel over HTTP."""

from typing import Annotated, Literal

from pydantic import BaseModel, ConfigDict, Field

from lofty_press.core.basics.quantities import Count
from lofty_press.core.sandwich.stack import DIES, FOLDERS, MATS, PLATES, RELIEFS, Ink, Item, Press
from lofty_press.documents.answers.words import Words

Category = Literal["press", "plate", "mat", "tool", "stock", "ink"]
Version = Annotated[Count, Field(ge=1)]


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
    """A thing on the shelf. One that this version of the program cannot read says why in `unreadable` and carries no part. Entries with the same `twins` cannot be told apart."""

    id: str
    category: Category
    version: Version
    name: str
    unreadable: Words | None = None
    twins: str | None = None


class ShelfPage(BaseModel):
    """A window of the shelf; `next` leads to the one after it. `total` and `measured` count everything that fits, not only the window."""

    entries: list[ShelfEntry]
    next: str | None
    total: int
    measured: int


def category_of(kind: str) -> Category:
    """The shelf's category for a kind of item."""
    if kind in PLATES:
        return "plate"
    if kind in MATS:
        return "mat"
    if kind in (*FOLDERS, *DIES, *RELIEFS):
        return "tool"
    return "stock"
