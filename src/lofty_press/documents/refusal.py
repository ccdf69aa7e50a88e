"""Turns validation errors into a field and a sentence for a person."""

from collections.abc import Sequence
from typing import Any

WORDS = {
    "missing": "is missing",
    "extra_forbidden": "is not a field that this version knows",
    "finite_number": "must be a finite number",
    "json_invalid": "is not JSON",
    "model_type": "must be an object",
    "dataclass_type": "must be an object",
    "unexpected_keyword_argument": "is not a field that this version knows",
}
PREDICATES = {
    "has_no_control": "must not hold line breaks or control characters",
    "has_only_text": "must not hold control characters",
    "is_colour": "must be a colour: # and six hexadecimal digits",
    "isascii": "must hold plain letters, digits and signs only",
}
SKIPPED = ("body", "query", "path")


def describe_validation(errors: Sequence[Any]) -> tuple[str, str]:
    """Field path and message of the first of some validation errors.

    Parameters
    ----------
    errors : sequence of dict
        As pydantic reports them: `type`, `loc`, `msg`.

    Returns
    -------
    field, message : str
        The field as a dotted path, and one sentence that begins with it.
    """
    first = min(errors, key=lambda e: (e["type"] == "literal_error" and len(errors) > 1, 0))
    parts = [str(part) for part in first["loc"] if part not in SKIPPED]
    field = ".".join(parts)
    predicate = next((words for name, words in PREDICATES.items() if name in first["msg"]), None)
    text = (
        WORDS.get(first["type"])
        or (predicate if first["type"] == "predicate_failed" else None)
        or first["msg"].replace("Input should be", "must be").replace("Value error, ", "")
    )
    if first["type"] == "json_invalid":
        return "", f"That is not JSON: {first.get('ctx', {}).get('error', first['msg'])}."
    more = f" ({len(errors) - 1} more)" if len(errors) > 1 else ""
    return field, f"{field or 'the request'}: {text}{more}."
