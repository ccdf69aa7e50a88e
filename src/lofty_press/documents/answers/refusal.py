"""Turns refusals and validation errors into a field and a text for a person."""

from collections.abc import Sequence
from typing import Any

from pydantic import ValidationError

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.basics.words import Message, named, number, say

WORDS = {
    "missing": say("is missing"),
    "extra_forbidden": say("isn't a field this version knows"),
    "finite_number": say("must be a finite number"),
    "json_invalid": say("isn't JSON"),
    "model_type": say("must be an object"),
    "dataclass_type": say("must be an object"),
    "unexpected_keyword_argument": say("isn't a field this version knows"),
    "string_type": say("must be a text"),
    "list_type": say("must be a list"),
    "tuple_type": say("must be a list"),
    "dict_type": say("must be an object"),
    "bool_type": say("must be true or false"),
    "bool_parsing": say("must be true or false"),
    "float_type": say("must be a number"),
    "float_parsing": say("must be a number"),
    "int_type": say("must be a whole number"),
    "int_parsing": say("must be a whole number"),
    "int_from_float": say("must be a whole number"),
}
LIMITS = {"greater_than": "gt", "greater_than_equal": "ge", "less_than": "lt", "less_than_equal": "le"}
PREDICATES = {
    "has_no_control": say("can't have line breaks or control characters"),
    "has_only_text": say("can't have control characters"),
    "is_colour": say("must be a color: # and six hexadecimal digits"),
    "isascii": say("can only have plain letters, digits and signs"),
}
SKIPPED = ("body", "query", "path")


def worded(text: str) -> Message:
    """A text, or a bare `str` as a name."""
    return text if isinstance(text, Message) else named(text)


def first_of(errors: Sequence[Any]) -> Any:
    """The error that says most; of several a wrong choice among kinds says least."""
    return min(errors, key=lambda e: (e["type"] == "literal_error" and len(errors) > 1, 0))


def describe_validation(errors: Sequence[Any]) -> tuple[str, Message]:
    """Field path and message of the first of some validation errors.

    Parameters
    ----------
    errors : sequence of dict
        As pydantic reports them: `type`, `loc`, `msg`, `ctx`.

    Returns
    -------
    field : str
        The field as a dotted path; empty for the whole.
    message : Message
        What it would have to be.
    """
    first = first_of(errors)
    if first["type"] == "json_invalid":
        return "", say("isn't JSON: {reason}", reason=str(first.get("ctx", {}).get("error", first["msg"])))
    field = ".".join(str(part) for part in first["loc"] if part not in SKIPPED)
    text = what_it_must_be(first)
    if len(errors) > 1:
        text = say("{first} ({more} more)", first=text, more=len(errors) - 1)
    return field, text


def invalid(error: ValidationError, field: str = "", *, within: str = "") -> InvalidInput:
    """Validation errors as a refusal of the first; of `field` where it is of the whole, and `within` a line or a name."""
    errors = error.errors(include_url=False)
    path, message = describe_validation(errors)
    named_field = ", ".join(part for part in (within, path or field) if part)
    return InvalidInput(named_field, first_of(errors).get("input"), message)


def field_of(error: ValidationError) -> str:
    """The field that is wrong, as a dotted path."""
    return describe_validation(error.errors(include_url=False))[0]


def at_field(error: ValidationError) -> Message:
    """Validation errors as one text that names the field too."""
    field, message = describe_validation(error.errors(include_url=False))
    return say("{field}: {requirement}", field=field, requirement=message) if field else message


def what_it_must_be(error: Any) -> Message:
    """One validation error as a requirement."""
    kind, limits = error["type"], error.get("ctx", {})
    if kind == "predicate_failed":
        found = next((words for name, words in PREDICATES.items() if name in error["msg"]), None)
        if found is not None:
            return found
    if kind in WORDS:
        return WORDS[kind]
    if kind in LIMITS:
        limit = number(limits[LIMITS[kind]])
        said = {
            "greater_than": say("must be over {limit}", limit=limit),
            "greater_than_equal": say("must be at least {limit}", limit=limit),
            "less_than": say("must be under {limit}", limit=limit),
            "less_than_equal": say("must be at most {limit}", limit=limit),
        }
        return said[kind]
    if kind == "literal_error":
        return say("must be {expected}", expected=str(limits["expected"]))
    if kind in ("too_long", "string_too_long", "bytes_too_long"):
        return say("must be at most {length} long", length=int(limits["max_length"]))
    if kind in ("too_short", "string_too_short"):
        return say("must be at least {length} long", length=int(limits["min_length"]))
    return named(error["msg"].replace("Input should be", "must be").replace("Value error, ", ""))
