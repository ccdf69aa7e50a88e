"""The effects that a sandwich can be built for, and what each asks of it."""

from dataclasses import dataclass

from lofty_press.core.basics.words import Message, say
from lofty_press.core.sandwich.stack.kinds import DIES, FOLDERS, KIND_TRAITS, EffectKind, ItemKind


@dataclass(frozen=True)
class EffectTraits:
    """`label` as it is chosen, `title` as it stands in a sentence, and the `tools` that commonly give it; whether a blade `cuts` the sheet, whether a tool `forms` a relief in it, whether
    a die's `blade` is what works, and whether a `mat` has to give way behind the sheet."""

    label: Message
    title: Message
    tools: tuple[ItemKind, ...]
    cuts: bool = False
    forms: bool = True
    blade: bool = False
    mat: bool = False

    @property
    def only_cuts(self) -> bool:
        """A blade goes through, and nothing else is wanted."""
        return self.cuts and not self.forms


EFFECT_TRAITS: dict[EffectKind, EffectTraits] = {
    "emboss": EffectTraits(
        say("raised pattern"), say("a raised pattern"), tuple(kind for kind in FOLDERS if KIND_TRAITS[kind].blade is None)
    ),
    "cut": EffectTraits(say("clean cut"), say("a clean cut"), DIES, cuts=True, forms=False, blade=True),
    "cut and emboss": EffectTraits(say("cut and relief"), say("cut and relief at once"), ("cutting folder",), cuts=True),
    "line": EffectTraits(say("pressed line"), say("a pressed line, not cut"), DIES, forms=False, blade=True, mat=True),
    "motif": EffectTraits(say("motif"), say("the shape of a motif"), ("motif",), mat=True),
    "texture": EffectTraits(say("texture"), say("a texture"), ("texture plate",), mat=True),
    "letterpress": EffectTraits(say("letterpress"), say("a letterpress impression"), ("letterpress plate",), forms=False),
    "metal": EffectTraits(say("relief in metal"), say("relief in sheet metal"), ("thin die",), mat=True),
    "emboss in die": EffectTraits(say("relief in a cut die"), say("relief inside a cut die"), ("thin die",), mat=True),
    "stencil": EffectTraits(say("cut stencil"), say("a cut stencil"), DIES, cuts=True, forms=False, blade=True),
}
EFFECT_TITLES: dict[EffectKind, Message] = {kind: traits.title for kind, traits in EFFECT_TRAITS.items()}
