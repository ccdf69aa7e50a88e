"""Jobs and their plans as they travel over HTTP."""

from datetime import datetime
from typing import Annotated, Literal

from pydantic import BaseModel, ConfigDict, Field

from lofty_press.core.basics.quantities import Count
from lofty_press.core.working.plan import RulerUnit
from lofty_press.documents.answers.plan.job_file import JobFile
from lofty_press.documents.answers.plan.plan import PostDocument, SizeDocument
from lofty_press.documents.answers.words import Words

MOST_LISTED = 500


class JobWrite(BaseModel):
    """A new job."""

    model_config = ConfigDict(extra="forbid")

    job: JobFile


class JobChange(JobWrite):
    """The new state of a job, and the version that it was based on."""

    version: Annotated[Count, Field(ge=1)]


class JobSeen(BaseModel):
    """The version of a job that was seen."""

    model_config = ConfigDict(extra="forbid")

    version: Annotated[Count, Field(ge=1)]


class JobRecord(JobWrite):
    """A kept job."""

    id: str
    version: int


class JobSummary(BaseModel):
    """A kept job in the list."""

    id: str
    name: str
    count: int | None
    version: int
    updated_at: datetime


class JobList(BaseModel):
    """The kept jobs, last worked on first."""

    jobs: list[JobSummary]


class Start(BaseModel):
    """A card to begin with: a format, or its size closed; how it is folded, and how many; the effect that its layer is pressed for, and
    in which sandwich."""

    model_config = ConfigDict(extra="forbid")

    format: Annotated[str, Field(min_length=1, max_length=60)]
    fold: Literal["side", "top", "tent", "gate", "flat"]
    unit: RulerUnit
    count: Annotated[Count, Field(ge=1, le=5000)]
    effect: Annotated[str, Field(min_length=1, max_length=60)] | None = None
    pile: Annotated[str, Field(min_length=1, max_length=120)] | None = None


class Resize(BaseModel):
    """A piece of a job gets another size; `follows` says what gives way: the borders around it, or the sizes of all others."""

    model_config = ConfigDict(extra="forbid")

    job: JobFile
    piece: Annotated[str, Field(min_length=1, max_length=40)]
    size: Annotated[str, Field(min_length=1, max_length=60)]
    follows: Literal["borders", "sizes"]


class SizesAnswer(BaseModel):
    """Sizes of all pieces, and what the card is for the post."""

    sizes: list[SizeDocument]
    post: PostDocument


class FormatAnswer(BaseModel):
    """A format to begin with. [mm]"""

    key: str
    title: Words
    use: Literal["card", "sheet", "envelope"]
    unit: RulerUnit
    width_mm: float
    height_mm: float


class FormatsAnswer(BaseModel):
    """All formats."""

    formats: list[FormatAnswer]
