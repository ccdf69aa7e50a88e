"""The sandwich file: reading, writing and its published JSON Schema."""

import json
from typing import Any

from pydantic import TypeAdapter, ValidationError

from lofty_press.core.errors import InvalidInput
from lofty_press.core.stack.sandwich import FORMAT, Sandwich
from lofty_press.documents.refusal import describe_validation

LARGEST_FILE = 2_000_000  # bytes
VERSION = 1

SANDWICH = TypeAdapter(Sandwich)


def read_sandwich(text: str | bytes) -> Sandwich:
    """Read a sandwich file.

    Parameters
    ----------
    text : str or bytes
        Contents of the file, UTF-8.

    Raises
    ------
    InvalidInput
        If it is too large, not JSON, of another format or version, or if a field cannot be right; names the field.
    """
    if len(text) > LARGEST_FILE:
        raise InvalidInput("file", f"{len(text)} bytes", f"a sandwich file is under {LARGEST_FILE // 1_000_000} MB")
    try:
        content: Any = json.loads(text)
    except (ValueError, RecursionError) as error:
        raise InvalidInput("file", "text", f"is not JSON ({error})") from error
    if not isinstance(content, dict):
        raise InvalidInput("file", type(content).__name__, "must hold one JSON object")
    if content.get("format") != FORMAT:
        raise InvalidInput("format", content.get("format"), f'must be "{FORMAT}"')
    if content.get("version") != VERSION:
        raise InvalidInput("version", content.get("version"), f"this program reads version {VERSION}")
    try:
        return SANDWICH.validate_python(content)
    except ValidationError as error:
        field, message = describe_validation(error.errors())
        raise InvalidInput(field, "see the message", message.removeprefix(f"{field}: ")) from error


def write_sandwich(sandwich: Sandwich) -> str:
    """A sandwich as the text of its file; `read_sandwich` gives back an equal sandwich."""
    content = SANDWICH.dump_python(sandwich, mode="json")
    return json.dumps(content, ensure_ascii=False, indent=2) + "\n"


def sandwich_schema() -> dict[str, Any]:
    """JSON Schema (draft 2020-12) of the sandwich file."""
    schema = SANDWICH.json_schema()
    return {
        "$schema": "https://json-schema.org/draft/2020-12/schema",
        **schema,
        "title": "Lofty Press sandwich",
        "required": sorted({*schema["required"], "format", "version"}),
    }
