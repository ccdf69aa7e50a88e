"""The effects that a sandwich can be built for, and what each asks of it."""

from dataclasses import dataclass
from typing import Literal

EffectKind = Literal["emboss", "cut", "cut and emboss", "line", "motif", "texture", "letterpress", "metal", "emboss in die", "stencil"]


@dataclass(frozen=True)
class EffectTraits:
    """`title` with its article; whether a blade `cuts` the sheet, whether a tool `forms` a relief in it, and whether a die's `blade` is what works."""

    title: str
    cuts: bool = False
    forms: bool = True
    blade: bool = False

    @property
    def only_cuts(self) -> bool:
        """A blade goes through, and nothing else is wanted."""
        return self.cuts and not self.forms


EFFECT_TRAITS: dict[EffectKind, EffectTraits] = {
    "emboss": EffectTraits("a raised pattern"),
    "cut": EffectTraits("a clean cut", cuts=True, forms=False, blade=True),
    "cut and emboss": EffectTraits("cut and relief at once", cuts=True),
    "line": EffectTraits("a pressed line, not cut", forms=False, blade=True),
    "motif": EffectTraits("the shape of a motif"),
    "texture": EffectTraits("a texture"),
    "letterpress": EffectTraits("a letterpress impression", forms=False),
    "metal": EffectTraits("relief in sheet metal"),
    "emboss in die": EffectTraits("relief inside a cut die"),
    "stencil": EffectTraits("a cut stencil", cuts=True, forms=False, blade=True),
}
EFFECT_TITLES: dict[EffectKind, str] = {kind: traits.title for kind, traits in EFFECT_TRAITS.items()}
