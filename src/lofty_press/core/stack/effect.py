"""The effects that a sandwich can be built for."""

from typing import Literal

EffectKind = Literal["emboss", "cut", "cut and emboss", "line", "motif", "texture", "letterpress", "metal", "emboss in die", "stencil"]

EFFECT_TITLES: dict[EffectKind, str] = {
    "emboss": "a raised pattern",
    "cut": "a clean cut",
    "cut and emboss": "cut and relief at once",
    "line": "a pressed line, not cut",
    "motif": "the shape of a motif",
    "texture": "a texture",
    "letterpress": "a letterpress impression",
    "metal": "relief in sheet metal",
    "emboss in die": "relief inside a cut die",
    "stencil": "a cut stencil",
}

CUTTING = ("cut", "cut and emboss", "stencil")
