"""Setting out, as it travels over HTTP."""

from typing import Annotated, Literal

from pydantic import BaseModel, ConfigDict, Field

from lofty_press.core.basics.quantities import Name
from lofty_press.core.sandwich.stack import Item
from lofty_press.documents.answers.words import Words

MOST_TEXT = 200_000  # characters; longer lists are cut off with a word


class ListRequest(BaseModel):
    """A list of things as somebody wrote it."""

    model_config = ConfigDict(extra="forbid")

    text: Annotated[str, Field(max_length=MOST_TEXT)]


class ListLine(BaseModel):
    """A part of the list: what it came to and what was taken for granted, or what is wrong with it. Where it has to be `asked`, these words may mean one of `choices`."""

    number: int
    text: str
    count: int
    kind: str | None
    first: Item | None
    problem: Words | None
    notes: list[Words]
    asked: str
    choices: list[str]


class ListAnswer(BaseModel):
    """A list, part by part."""

    lines: list[ListLine]
    things: int


class NewPress(BaseModel):
    """A press by what anybody knows of it."""

    model_config = ConfigDict(extra="forbid")

    name: Name
    size: Literal["pocket", "standard", "wide"]
    drive: Literal["hand", "motor"]


class SetOut(BaseModel):
    """What is to be put on the shelf: a press, and the things of a list."""

    model_config = ConfigDict(extra="forbid")

    press: NewPress | None = None
    text: Annotated[str, Field(max_length=MOST_TEXT)]


class SetOutAnswer(BaseModel):
    """What was put on the shelf: the press by its id, and how many things."""

    press_id: str | None
    things: int
