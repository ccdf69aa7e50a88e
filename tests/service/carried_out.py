"""Edits as a page gets them, carried out on a sandwich as it got it."""

from typing import Any

from pydantic import TypeAdapter

from lofty_press.core.sandwich.stack.apply import apply_edits
from lofty_press.core.sandwich.stack.edits import Edit
from lofty_press.documents.files.sandwich_file import SANDWICH

EDITS = TypeAdapter(list[Edit])


def after_edits(sandwich: Any, edits: Any) -> Any:
    """The sandwich afterwards, in JSON."""
    return SANDWICH.dump_python(apply_edits(SANDWICH.validate_python(sandwich), EDITS.validate_python(edits)), mode="json")
