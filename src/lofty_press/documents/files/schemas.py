"""Validation schemas of the core's larger data classes, built once for all who read or write them.

A data class of the standard library does not keep its schema, as a model does: each reader would build it again, and a start has dozens.
"""

from typing import Any

from pydantic import TypeAdapter

from lofty_press.core.sandwich.stack import Ink, Item, Press, Sandwich


def keep_schema(data_class: Any) -> None:
    """Build a data class's schema and keep it where pydantic looks for it."""
    data_class.__pydantic_core_schema__ = TypeAdapter(data_class).core_schema


for _data_class in (Ink, Item, Press, Sandwich):
    keep_schema(_data_class)
