"""What an archive says of itself, and how its files are named."""

import re
from datetime import datetime
from typing import Annotated, Literal

from pydantic import AfterValidator, BaseModel, ConfigDict, Field

FORMAT = "lofty-press-archive"
VERSION = 1
MANIFEST = "manifest.json"
SETTINGS = "settings.json"

ID = r"[0-9A-Za-z._~-]{1,36}"
RELIEF = r"[0-9A-Za-z._~-]{1,64}"
PATTERN = r"[0-9A-Za-z._~-]{1,32}"
"""Ids as long as the database keeps them."""
NAMES: dict[str, re.Pattern[str]] = {
    "shelf": re.compile(rf"shelf/({ID})\.json"),
    "reliefs": re.compile(rf"reliefs/({RELIEF})\.json"),
    "heights": re.compile(rf"reliefs/({RELIEF})\.tif"),
    "outlines": re.compile(rf"reliefs/({RELIEF})\.svg"),
    "sandwiches": re.compile(rf"sandwiches/({ID})\.json"),
    "jobs": re.compile(rf"jobs/({ID})\.json"),
    "paper": re.compile(rf"paper/({ID})\.json"),
    "practice": re.compile(rf"practice/({ID})\.json"),
    "runs": re.compile(rf"runs/({ID})\.json"),
    "photos": re.compile(rf"runs/({ID})\.jpg"),
    "pictures": re.compile(rf"pictures/({PATTERN})\.jpg"),
    "patterns": re.compile(rf"plates/patterns/({PATTERN})\.json"),
    "plates": re.compile(rf"plates/({ID})\.json"),
}
"""The parts of an archive, each a folder and an ending; what fits none of them does not belong in one."""

MOST_FILES = 200_000
MOST_BYTES = 2_000_000_000  # unpacked, all files together
LARGEST_PART = 32_000_000  # bytes unpacked, one file


class Part(BaseModel):
    """One file of the archive."""

    model_config = ConfigDict(extra="forbid")

    sha256: Annotated[str, Field(pattern=r"^[0-9a-f]{64}$")]
    bytes: Annotated[int, Field(ge=0, le=LARGEST_PART)]


def moment(text: str) -> str:
    """A point in time in words that any program reads (ISO 8601)."""
    datetime.fromisoformat(text)
    return text


class Manifest(BaseModel):
    """The first file to read: nothing else counts that is not named here with its hash. `shape` is that of the bodies inside."""

    model_config = ConfigDict(extra="forbid")

    format: Literal["lofty-press-archive"]
    version: Annotated[int, Field(ge=1)]
    shape: Annotated[int, Field(ge=0)]
    made_at: Annotated[str, Field(max_length=40), AfterValidator(moment)]
    files: Annotated[dict[str, Part], Field(max_length=MOST_FILES)]


def kind_of(name: str) -> tuple[str, str] | None:
    """Which part of an archive a file is, and the id in its name; None if it is none."""
    if name == SETTINGS:
        return "settings", ""
    for kind, pattern in NAMES.items():
        found = pattern.fullmatch(name)
        if found is not None and not set(found[1]) <= {"."}:
            return kind, found[1]
    return None
