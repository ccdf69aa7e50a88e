"""The sandwich file: reading, writing and its published JSON Schema."""

import base64
import json
from collections.abc import Mapping
from dataclasses import dataclass, replace
from typing import Any, TypeVar

from pydantic import TypeAdapter, ValidationError

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.basics.words import say
from lofty_press.core.sandwich.relief import HeightMap
from lofty_press.core.sandwich.stack import FORMAT, Blade, Relief, Sandwich
from lofty_press.documents.answers.refusal import invalid
from lofty_press.documents.files.foreign_json import read_json
from lofty_press.documents.files.shapes import current
from lofty_press.documents.kept.packed import pack_relief, unpack_relief

LARGEST_FILE = 24_000_000  # bytes; the reliefs of its tools travel inside it
VERSION = 1
MOST_RELIEFS = 40

SANDWICH = TypeAdapter(Sandwich)
Part = TypeVar("Part", Relief | None, Blade | None)


@dataclass(frozen=True)
class SandwichFile:
    """A sandwich with the reliefs that travel with it, by key; `packed` holds the same as the file has them."""

    sandwich: Sandwich
    reliefs: dict[str, HeightMap]
    packed: dict[str, bytes]


def read_sandwich(text: str | bytes) -> Sandwich:
    """The sandwich of a file; see `read_sandwich_file`."""
    return read_sandwich_file(text).sandwich


def read_sandwich_file(text: str | bytes) -> SandwichFile:
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
        raise InvalidInput(
            "file", f"{len(text)} bytes", say("a sandwich file is under {largest_file} MB", largest_file=LARGEST_FILE // 1_000_000)
        )
    try:
        content: Any = read_json(text)
    except ValueError as error:
        raise InvalidInput("file", "text", say("isn't JSON ({reason})", reason=str(error))) from error
    if not isinstance(content, dict):
        raise InvalidInput("file", type(content).__name__, say("must hold one JSON object"))
    if content.get("format") != FORMAT:
        raise InvalidInput("format", content.get("format"), say('must be "{format}"', format=FORMAT))
    if content.get("version") != VERSION:
        raise InvalidInput("version", content.get("version"), say("Lofty Press reads version {version}", version=VERSION))
    packed = read_packed(content.pop("reliefs", None) or {})
    reliefs = {key: unpack_relief(body) for key, body in packed.items()}
    content = current("sandwich", content, 0)  # what older versions wrote may hold fields that are gone
    try:
        return SandwichFile(SANDWICH.validate_python(content), reliefs, packed)
    except ValidationError as error:
        raise invalid(error) from error


def read_packed(packed: Any) -> dict[str, bytes]:
    """The packed height maps inside a file."""
    if not isinstance(packed, dict) or len(packed) > MOST_RELIEFS:
        raise InvalidInput("reliefs", type(packed).__name__, say("must be an object with at most {most} reliefs", most=MOST_RELIEFS))
    found: dict[str, bytes] = {}
    for key, body in packed.items():
        if not isinstance(body, str):
            raise InvalidInput(f"reliefs.{key}", type(body).__name__, say("must be base64 text"))
        try:
            data = base64.b64decode(body, validate=True)
        except ValueError as error:
            raise InvalidInput(f"reliefs.{key}", "text", say("isn't base64")) from error
        if not 1 <= len(key) <= 64 or not key.isascii():
            raise InvalidInput("reliefs", key, say("keys are 1 to 64 plain characters"))
        found[key] = data
    return found


def reliefs_in(sandwich: Sandwich) -> set[str]:
    """Keys of all reliefs that the things in a sandwich name."""
    parts = [part for item in sandwich.items.values() for part in (item.relief, item.blade) if part is not None]
    return {part.map for part in parts if part.map is not None}


def with_reliefs_under(sandwich: Sandwich, keys: Mapping[str, str]) -> Sandwich:
    """The sandwich with other keys for some of its reliefs; `keys` leads from the old to the new."""

    def renamed(part: Part) -> Part:
        return part if part is None or part.map is None or part.map not in keys else replace(part, map=keys[part.map])

    items = {key: replace(item, relief=renamed(item.relief), blade=renamed(item.blade)) for key, item in sandwich.items.items()}
    return replace(sandwich, items=items)


def write_sandwich(sandwich: Sandwich, reliefs: dict[str, HeightMap] | None = None) -> str:
    """A sandwich as the text of its file; `read_sandwich_file` gives back an equal sandwich and its reliefs."""
    content = SANDWICH.dump_python(sandwich, mode="json")
    if reliefs:
        content["reliefs"] = {key: base64.b64encode(pack_relief(relief)).decode() for key, relief in sorted(reliefs.items())}
    return json.dumps(content, ensure_ascii=False, indent=2) + "\n"


def sandwich_schema() -> dict[str, Any]:
    """JSON Schema (draft 2020-12) of the sandwich file."""
    schema = SANDWICH.json_schema()
    packed = {"type": "object", "additionalProperties": {"type": "string", "contentEncoding": "base64"}, "maxProperties": MOST_RELIEFS}
    described = {**packed, "description": "Height maps of the tools by the key in their `map`; see docs/file-formats.md."}
    return {
        "$schema": "https://json-schema.org/draft/2020-12/schema",
        **schema,
        "properties": {**schema["properties"], "reliefs": described},
        "title": "Lofty Press sandwich",
        "required": sorted({*schema["required"], "format", "version"}),
    }
