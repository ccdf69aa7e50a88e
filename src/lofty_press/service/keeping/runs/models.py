"""Runs at the press as they travel over HTTP."""

from datetime import datetime
from typing import Annotated, Literal, Self

from pydantic import BaseModel, ConfigDict, Field, TypeAdapter, model_validator

from lofty_press.core.basics.quantities import Count, Note, Number
from lofty_press.core.judging.dialin import MOST_SHEETS
from lofty_press.core.sandwich.stack import Sandwich
from lofty_press.core.working.steps import Outcome, Seen
from lofty_press.devices import Ending
from lofty_press.documents.answers.words import Words

MOST_POINTS = 600

RunState = Literal["open", "finished", "given up"]
Wanted = Literal["open", "ended", "any"]
Tag = Annotated[str, Field(min_length=1, max_length=40, pattern=r"^[^\x00-\x1f\x7f]*[^\x00-\x20\x7f][^\x00-\x1f\x7f]*$")]
Tags = Annotated[list[Tag], Field(max_length=12)]
Effort = Literal["light", "easy", "firm", "hard"]


class RunEvent(BaseModel):
    """Something seen on the way, and what was done about it."""

    model_config = ConfigDict(extra="forbid")

    step: Annotated[Count, Field(ge=0, le=500)]
    seen: Seen
    did: Annotated[str, Field(max_length=400)]


class FeedTrace(BaseModel):
    """What a motor took to feed the pile through: the force at the handle [N] at places along the feed [mm], and how it ended."""

    model_config = ConfigDict(extra="forbid")

    position_mm: Annotated[list[Annotated[float, Field(ge=-2000, le=2000, allow_inf_nan=False)]], Field(max_length=MOST_POINTS)]
    force_n: Annotated[list[Annotated[float, Field(ge=0, le=1e5, allow_inf_nan=False)]], Field(max_length=MOST_POINTS)]
    ended: Ending

    @model_validator(mode="after")
    def of_one_length(self) -> Self:
        if len(self.position_mm) != len(self.force_n):
            raise ValueError("must have a force for each place")
        return self


class RunBody(BaseModel):
    """A run: the sandwich as it is now, how far it is on its card, and in the end what came out.

    `step` counts the steps that are done, `turns` the passes of the sheet in hand; `wait_ends` is when a running timer ends, in
    milliseconds since 1970. `cause` is what went wrong, of those that the coach knows. `effort` is how hard it turned. One that is `known` was told of when the room was set out and not turned through here; one
    that is `left_out` teaches nothing. `paper_sheets` of copy paper lay on a pile of plates when the rollers just took hold.
    `tags` are words of one's own to find it by.
    """

    model_config = ConfigDict(extra="forbid")

    sandwich: Sandwich
    step: Annotated[Count, Field(ge=0, le=500)] = 0
    turns: Annotated[Count, Field(ge=0, le=500)] = 0
    wait_ends: Annotated[Number, Field(ge=0, le=1e14, allow_inf_nan=False)] | None = None
    events: Annotated[list[RunEvent], Field(max_length=200)] = []
    result: Outcome | None = None
    cause: Annotated[str, Field(max_length=40)] | None = None
    effort: Effort | None = None
    paper_sheets: Annotated[Count, Field(ge=1, le=MOST_SHEETS)] | None = None
    trace: FeedTrace | None = None
    known: bool = False
    left_out: bool = False
    tags: Tags = []
    note: Note = ""


RUN_BODY = TypeAdapter(RunBody)


class RunWrite(BaseModel):
    """A new run, or the new state of one."""

    model_config = ConfigDict(extra="forbid")

    sandwich_id: Annotated[str | None, Field(max_length=64, pattern=r"^[\x20-\x7e]*$")] = None
    state: RunState = "open"
    body: RunBody


class RunChange(RunWrite):
    """The new state of a run, and the version that it was based on."""

    version: Annotated[Count, Field(ge=1)]


class RunRecord(RunWrite):
    """A kept run."""

    id: str
    version: int
    photo: bool
    created_at: datetime
    updated_at: datetime


class RunSummary(BaseModel):
    """A kept run in a list."""

    id: str
    sandwich_id: str | None
    name: str
    state: RunState
    version: int
    result: Outcome | None
    press: str | None
    tool: str | None = None
    stock: str | None = None
    tags: list[str] = []
    known: bool = False
    note: str = ""
    photo: bool
    created_at: datetime
    updated_at: datetime


class RunQuery(BaseModel):
    """Which runs are looked for: open or ended, with all of some words, of a sandwich, with an outcome, on a press, with a tool, a stock, a tag; empty is any.
    `after` is the `next` of the window before."""

    model_config = ConfigDict(extra="forbid")

    state: Wanted = "any"
    q: Annotated[str, Field(max_length=120)] = ""
    sandwich: Annotated[str, Field(max_length=64, pattern=r"^[\x20-\x7e]*$")] = ""
    result: Outcome | None = None
    press: Annotated[str, Field(max_length=120)] = ""
    tool: Annotated[str, Field(max_length=120)] = ""
    stock: Annotated[str, Field(max_length=120)] = ""
    tag: Annotated[str, Field(max_length=40)] = ""
    after: Annotated[str, Field(max_length=800)] | None = None
    limit: Annotated[int, Field(ge=1, le=500)] = 100


class RunFilters(BaseModel):
    """What runs can be filtered by: every press, tool, stock and tag that one of them has."""

    presses: list[str]
    tools: list[str]
    stocks: list[str]
    tags: list[str]


class RunsCompared(BaseModel):
    """Two runs, and what was different the second time."""

    one: RunRecord
    other: RunRecord
    differences: list[Words]


class RunPage(BaseModel):
    """A window of the kept runs, newest first; `next` leads to the one after it. `total` counts all in this state."""

    runs: list[RunSummary]
    next: str | None
    total: int
