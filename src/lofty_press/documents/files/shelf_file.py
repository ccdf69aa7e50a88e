"""The shelf file: presses, things and inks by key, as JSON."""

import json
from dataclasses import dataclass
from typing import Annotated, Any, Literal

from annotated_types import Len
from pydantic import TypeAdapter, ValidationError

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.basics.quantities import STRICT, Key
from lofty_press.core.basics.words import say
from lofty_press.core.sandwich.stack import Ink, Item, Press, check_item
from lofty_press.documents.answers.refusal import invalid
from lofty_press.documents.files.foreign_json import read_json

FORMAT = "lofty-press-shelf"
LARGEST_SHELF = 8_000_000  # bytes
MOST = 5000


@dataclass(frozen=True, slots=True, kw_only=True)
class ShelfFile:
    """Everything on a shelf, by key."""

    __pydantic_config__ = STRICT

    format: Literal["lofty-press-shelf"] = "lofty-press-shelf"
    version: Literal[1] = 1
    presses: Annotated[dict[Key, Press], Len(0, 200)]
    items: Annotated[dict[Key, Item], Len(0, MOST)]
    inks: Annotated[dict[Key, Ink], Len(0, 1000)]


SHELF = TypeAdapter(ShelfFile)


def read_shelf_file(text: bytes) -> ShelfFile:
    """Read a shelf file.

    Raises
    ------
    InvalidInput
        If it is too large, not JSON, of another format, or if a field cannot be right; names the field.
    """
    if len(text) > LARGEST_SHELF:
        raise InvalidInput(
            "shelf",
            f"over {LARGEST_SHELF} bytes",
            say("a shelf file is under {largest_shelf} MB", largest_shelf=LARGEST_SHELF // 1_000_000),
        )
    try:
        content: Any = read_json(text)
    except ValueError as error:
        raise InvalidInput("shelf", "text", say("isn't JSON ({reason})", reason=str(error))) from error
    if not isinstance(content, dict) or content.get("format") != FORMAT:
        raise InvalidInput(
            "format", content.get("format") if isinstance(content, dict) else "no object", say('must be "{format}"', format=FORMAT)
        )
    try:
        shelf = SHELF.validate_python(content)
    except ValidationError as error:
        raise invalid(error) from error
    for key, item in shelf.items.items():
        check_item(f"items.{key}", item)
    return shelf


def write_shelf_file(shelf: ShelfFile) -> str:
    """A shelf as the text of its file."""
    return json.dumps(SHELF.dump_python(shelf, mode="json"), ensure_ascii=False, indent=2) + "\n"


def shelf_schema() -> dict[str, Any]:
    """JSON Schema (draft 2020-12) of the shelf file."""
    schema = SHELF.json_schema()
    required = sorted({*schema["required"], "format", "version"})
    return {"$schema": "https://json-schema.org/draft/2020-12/schema", **schema, "title": "Lofty Press shelf", "required": required}
