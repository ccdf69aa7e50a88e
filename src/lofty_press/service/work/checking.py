"""Documents as a worker looks at them: whether they can be read, before the service's own process reads them."""

from functools import cache
from typing import Any

from pydantic import TypeAdapter, ValidationError

from lofty_press.core.words import Message
from lofty_press.documents.refusal import describe_validation
from lofty_press.service.work.tools import Tools


@cache
def adapter_of(kind: type) -> TypeAdapter[Any]:
    """What reads a kind of document."""
    return TypeAdapter(kind)


def fault_in(_: Tools, kind: type, data: bytes) -> tuple[str, Message] | None:
    """The first field of a JSON document that cannot be right, with what it must be; None if the document is one of its kind."""
    try:
        adapter_of(kind).validate_json(data)
    except ValidationError as error:
        return describe_validation(error.errors(include_url=False, include_input=False))
    return None
