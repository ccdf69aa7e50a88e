"""Rows exactly as they were stored, for what this version of the program cannot read."""

import json
from typing import Any

from fastapi import Response

RAW: dict[int | str, dict[str, Any]] = {
    200: {"description": "As it was stored.", "content": {"application/json": {"schema": {"type": "object"}}}}
}


def raw_file(row: dict[str, Any]) -> Response:
    """A row as a JSON file; the body goes in as the text that it is, whatever that is."""
    content = {name: value if isinstance(value, str | int | float | None) else str(value) for name, value in row.items()}
    headers = {"content-disposition": 'attachment; filename="as-stored.json"'}
    return Response(json.dumps(content, ensure_ascii=False, indent=2), media_type="application/json", headers=headers)
