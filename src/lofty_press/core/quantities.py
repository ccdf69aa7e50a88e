"""Types of the quantities that come in from outside, with their limits; see quantities.md for the glossary.

The limits are carried as `annotated_types` metadata: plain data that any validator can read.
"""

from typing import Annotated

from annotated_types import Ge, Gt, Le, Len

# A single layer over 60 mm or a roller press wider than a metre does not exist in this craft.
LayerThickness = Annotated[float, Gt(0), Le(60)]
Length = Annotated[float, Gt(0), Le(2000)]
SignedLength = Annotated[float, Ge(-2000), Le(2000)]
Spread = Annotated[float, Ge(0), Le(5)]
Modulus = Annotated[float, Gt(0), Le(500_000)]
Share = Annotated[float, Gt(0), Le(1)]
Factor = Annotated[float, Gt(0), Le(20)]
Strain = Annotated[float, Gt(0), Le(10)]
Grammage = Annotated[float, Gt(0), Le(20_000)]
Angle = Annotated[float, Ge(-360), Le(360)]
Seconds = Annotated[float, Ge(0), Le(86_400)]
Force = Annotated[float, Gt(0), Le(1_000_000)]
Name = Annotated[str, Len(1, 120)]
Key = Annotated[str, Len(1, 64)]
ReliefKey = Annotated[str, Len(1, 64)]
Note = Annotated[str, Len(0, 2000)]
Point = tuple[SignedLength, SignedLength]
Outline = Annotated[tuple[Point, ...], Len(3, 4000)]

STRICT = {"extra": "forbid", "allow_inf_nan": False}
"""Validator settings shared by every data class that is read from a file: no unknown fields, no NaN."""
