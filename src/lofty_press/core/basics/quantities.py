"""Types of the quantities that come in from outside, with their limits; see quantities.md for the glossary.

The limits are carried as `annotated_types` metadata: plain data that any validator can read.
"""

import re
from typing import Annotated, Any

from annotated_types import Ge, Gt, Le, Len, Predicate

CONTROL = re.compile("[\x00-\x08\x0b-\x1f\x7f\ufffe\uffff]|[\t\n]")
"""Characters that have no place in a name, nor in XML."""
CONTROL_IN_NOTE = re.compile("[\x00-\x08\x0b\x0c\x0e-\x1f\x7f\ufffe\uffff]")
COLOUR = re.compile("#[0-9a-fA-F]{6}")


class Strict:
    """Says to a validator that a number is a number: no text that looks like one, no truth value.

    Plain data but for the one method by which a validator asks for its own notation.
    """

    def __get_pydantic_core_schema__(self, source: Any, handler: Any) -> Any:
        return {**handler(source), "strict": True}


def has_no_control(text: str) -> bool:
    """No line breaks, no control characters."""
    return CONTROL.search(text) is None


def has_only_text(text: str) -> bool:
    """No control characters but line breaks and tabs."""
    return CONTROL_IN_NOTE.search(text) is None


def is_colour(text: str) -> bool:
    """A colour written as # and six hexadecimal digits."""
    return COLOUR.fullmatch(text) is not None


Number = Annotated[float, Strict()]
Count = Annotated[int, Strict()]

# A single layer over 60 mm or a roller press wider than a metre does not exist in this craft.
LayerThickness = Annotated[Number, Gt(0), Le(60)]
Length = Annotated[Number, Gt(0), Le(2000)]
SignedLength = Annotated[Number, Ge(-2000), Le(2000)]
Spread = Annotated[Number, Ge(0), Le(5)]
Modulus = Annotated[Number, Gt(0), Le(500_000)]
Share = Annotated[Number, Gt(0), Le(1)]
Factor = Annotated[Number, Gt(0), Le(20)]
Strain = Annotated[Number, Gt(0), Le(10)]
Grammage = Annotated[Number, Gt(0), Le(20_000)]
Angle = Annotated[Number, Ge(-360), Le(360)]
Seconds = Annotated[Number, Ge(0), Le(86_400)]
Force = Annotated[Number, Gt(0), Le(1_000_000)]
Name = Annotated[str, Len(1, 120), Predicate(has_no_control)]
Key = Annotated[str, Len(1, 64), Predicate(has_no_control)]
ReliefKey = Annotated[str, Len(1, 64), Predicate(str.isascii), Predicate(has_no_control)]
Note = Annotated[str, Len(0, 2000), Predicate(has_only_text)]
Colour = Annotated[str, Predicate(is_colour)]
Point = tuple[SignedLength, SignedLength]
Outline = Annotated[tuple[Point, ...], Len(3, 4000)]

STRICT = {"extra": "forbid", "allow_inf_nan": False}
"""Validator settings shared by every data class that is read from a file: no unknown fields, no NaN."""
