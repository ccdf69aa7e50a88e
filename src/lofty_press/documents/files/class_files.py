"""A teacher's drill as a file, and what a learner made of drills as another; both open JSON."""

import base64
import hashlib
import json
from collections.abc import Mapping
from datetime import datetime
from typing import Annotated, Literal, TypeVar

from pydantic import Field, ValidationError

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.basics.quantities import Count, Name, Note
from lofty_press.core.basics.words import say
from lofty_press.core.sandwich.stack import Sandwich
from lofty_press.core.teaching.practice import FULL, GivenForm
from lofty_press.documents.answers.assessment import Document
from lofty_press.documents.answers.practice import MOST_TRIES
from lofty_press.documents.answers.refusal import invalid
from lofty_press.documents.files.sandwich_file import LARGEST_FILE, MOST_RELIEFS, read_packed, with_reliefs_under

MOST_DONE = 500
Read = TypeVar("Read", bound=Document)


class DrillFile(Document):
    """A teacher's drill: the pile as it is right, the mistake that is put into it, and what is asked."""

    format: Literal["lofty-press-drill"] = "lofty-press-drill"
    version: Literal[1] = 1
    name: Name
    note: Note = ""
    meant: Sandwich
    cause: Annotated[str, Field(max_length=40)]
    form: GivenForm
    reliefs: Annotated[dict[Annotated[str, Field(max_length=64)], str], Field(max_length=MOST_RELIEFS)] = Field(
        default={}, description="Height maps of the teacher's own tools by the key in their `map`, as in a sandwich file."
    )

    @property
    def packed(self) -> dict[str, bytes]:
        """The height maps as they are kept.

        Raises
        ------
        InvalidInput
            If one is no base64; names it.
        """
        return read_packed(self.reliefs)

    def under_own_keys(self, keys: Mapping[str, str]) -> "DrillFile":
        """The same without the maps, which are kept under other keys."""
        return self.model_copy(update={"meant": with_reliefs_under(self.meant, keys), "reliefs": {}})

    def with_maps(self, packed: Mapping[str, bytes]) -> "DrillFile":
        """The same with these maps inside."""
        return self.model_copy(update={"reliefs": {key: base64.b64encode(body).decode() for key, body in sorted(packed.items())}})


class GivenDone(Document):
    """What came of one given drill."""

    drill: Name
    right: bool
    tries: Annotated[Count, Field(ge=1, le=MOST_TRIES)]
    hints: Annotated[Count, Field(ge=0, le=1)]
    points: Annotated[Count, Field(ge=0, le=FULL)]
    at: datetime


class Results(Document):
    """What somebody made of given drills."""

    who: Name
    done: Annotated[list[GivenDone], Field(min_length=1, max_length=MOST_DONE)]


class ResultsFile(Results):
    """The same as a file; the `seal` tells whether it was changed by hand since."""

    format: Literal["lofty-press-results"] = "lofty-press-results"
    version: Literal[1] = 1
    seal: Annotated[str, Field(pattern=r"^[0-9a-f]{64}$")]


class ResultsRead(Document):
    """Results that were read; `as_written` is false for a file that was changed by hand."""

    results: Results
    as_written: bool


def read_drill_file(data: bytes) -> DrillFile:
    """Read a drill.

    Raises
    ------
    InvalidInput
        If it is too large, no JSON, or a field is wrong; names the field.
    """
    return read(DrillFile, data)


def write_drill_file(file: DrillFile) -> str:
    """A drill as its file's text."""
    return file.model_dump_json(indent=1) + "\n"


def read_results(data: bytes) -> ResultsRead:
    """Read results, and look whether they are as they were written.

    Raises
    ------
    InvalidInput
        As `read_drill_file`.
    """
    file = read(ResultsFile, data)
    results = Results(who=file.who, done=file.done)
    return ResultsRead(results=results, as_written=seal_of(results) == file.seal)


def write_results(results: Results) -> str:
    """Results as their file's text, sealed."""
    file = ResultsFile(who=results.who, done=results.done, seal=seal_of(results))
    return file.model_dump_json(indent=1) + "\n"


def seal_of(results: Results) -> str:
    """SHA-256 over what the results say: against slips, not against deceit, for whoever can compute it can write it anew."""
    plain = json.dumps(results.model_dump(mode="json"), sort_keys=True, ensure_ascii=False)
    return hashlib.sha256(plain.encode()).hexdigest()


def read(shape: type[Read], data: bytes) -> Read:
    """A file of some shape; errors as of `read_drill_file`."""
    if len(data) > LARGEST_FILE:
        raise InvalidInput("file", f"{len(data)} bytes", say("must be under {most} MB", most=LARGEST_FILE // 1_000_000))
    try:
        return shape.model_validate_json(data)
    except ValidationError as error:
        raise invalid(error, "file") from error
