"""Documents as a worker looks at them: whether they can be read, before the service's own process reads them."""

from dataclasses import dataclass
from functools import cache
from typing import Any

from pydantic import TypeAdapter, ValidationError

from lofty_press.core.basics.words import Message
from lofty_press.documents.answers.refusal import describe_validation
from lofty_press.service.work.tools import Tools

TOO_DEEP = "recursion limit"


@cache
def adapter_of(kind: type) -> TypeAdapter[Any]:
    """What reads a kind of document."""
    return TypeAdapter(kind)


@dataclass(frozen=True)
class Fault:
    """The first field of a document that cannot be right, and what it must be; `unreadable` where it is nested without end."""

    field: str
    message: Message
    unreadable: bool


def fault_in(_: Tools, kind: type, data: bytes) -> Fault | None:
    """What is wrong with a JSON document; None if it is one of its kind."""
    try:
        adapter_of(kind).validate_json(data)
    except ValidationError as error:
        return fault_of(error)
    return None


def fault_of(error: ValidationError) -> Fault:
    """The fault that an error stands for."""
    errors = error.errors(include_url=False, include_input=False)
    first = errors[0]
    unreadable = first["type"] == "json_invalid" and TOO_DEEP in first["msg"]
    return Fault(*describe_validation(errors), unreadable)
