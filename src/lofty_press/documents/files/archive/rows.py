"""Rows as they lie in an archive: what the database needs to be right, with the bodies as they were stored."""

from datetime import UTC, datetime
from typing import Annotated, Any, Literal

from pydantic import AfterValidator, AwareDatetime, BaseModel, ConfigDict, Field, ValidationError

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.basics.words import say
from lofty_press.documents.answers.refusal import at_field
from lofty_press.documents.files.archive.manifest import ID

Id = Annotated[str, Field(pattern=rf"^{ID}$")]
Name = Annotated[str, Field(max_length=120)]
Version = Annotated[int, Field(ge=1, le=4_000_000_000)]
Shape = Annotated[int, Field(ge=0, le=60_000)]
Finite = Annotated[float, Field(allow_inf_nan=False, ge=-1e9, le=1e9)]


def storable(moment: datetime) -> datetime:
    """A time that the database can keep."""
    if not datetime(1970, 1, 2, tzinfo=UTC) < moment < datetime(2038, 1, 1, tzinfo=UTC):
        raise ValueError("must lie between 1970 and 2038")
    return moment.astimezone(UTC)


Moment = Annotated[AwareDatetime, AfterValidator(storable)]


class Row(BaseModel):
    """What every row has."""

    model_config = ConfigDict(extra="forbid")


class ShelfRow(Row):
    """A thing on the shelf."""

    category: Literal["press", "plate", "mat", "tool", "stock", "ink"]
    name: Name
    version: Version
    shape: Shape
    body: dict[str, Any]
    created_at: Moment
    updated_at: Moment


class SandwichRow(Row):
    """A sandwich."""

    name: Name
    version: Version
    shape: Shape
    body: dict[str, Any]
    created_at: Moment
    updated_at: Moment


class JobRow(SandwichRow):
    """A job of many pieces."""


class PaperRow(SandwichRow):
    """A stock and the sheets of it that are owned."""


class PracticeRow(SandwichRow):
    """A drill that was done."""


class RunRow(SandwichRow):
    """A run; its photo lies beside it."""

    sandwich_id: Annotated[str | None, Field(max_length=64, pattern=r"^[\x20-\x7e]*$")]
    state: Literal["open", "finished", "given up"]


class MarkRow(Row):
    """A mark on a plate."""

    run_id: Annotated[str, Field(pattern=r"^[\x21-\x7e]{1,36}$")]
    mark_number: Annotated[int, Field(ge=0, le=255)]
    face: Literal["face", "back"]
    pattern_id: Annotated[str, Field(pattern=r"^[\x21-\x7e]{1,32}$")]
    x_mm: Finite
    y_mm: Finite
    turn_deg: Finite
    depth_mm: Finite
    load_n_per_mm: Finite
    pressure_mpa: Finite
    made_at: Moment


class LifeRow(Row):
    """A plate from new to retired, with its marks in their order."""

    item_id: Annotated[str, Field(pattern=r"^[\x21-\x7e]{1,64}$")]
    item: dict[str, Any]
    shape: Shape
    began_at: Moment
    ended_at: Moment | None
    measured_bow_mm: Finite | None
    modelled_bow_mm: Finite | None
    measured_at: Moment | None
    marks: Annotated[list[MarkRow], Field(max_length=1_000_000)]


class PatternRow(Row):
    """A blade's pattern: places in whole steps of `STEP` of the wear file, along and across, and the length that each stands for. [mm]"""

    name: Name
    weight: Finite
    places: Annotated[list[tuple[int, int]], Field(min_length=1, max_length=400_000)]


def checked(model: type[Row], name: str, content: dict[str, Any]) -> Any:
    """A row, or `InvalidInput` with the file's name."""
    try:
        return model.model_validate(content)
    except ValueError as error:
        why = at_field(error) if isinstance(error, ValidationError) else str(error)
        raise InvalidInput("archive", name[:80], say("can't be read: {why}", why=why)) from error
