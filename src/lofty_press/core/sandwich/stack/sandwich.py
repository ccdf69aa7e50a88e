"""The sandwich: a press, layers from the bottom up, and what they are meant to do."""

from dataclasses import dataclass
from typing import Annotated, Literal

from annotated_types import Ge, Le, Len

from lofty_press.core.basics.quantities import STRICT, Angle, Count, Key, Name, Note, Seconds, SignedLength
from lofty_press.core.sandwich.stack.effect import EFFECT_TRAITS, EffectTraits
from lofty_press.core.sandwich.stack.item import Ink, Item
from lofty_press.core.sandwich.stack.kinds import EffectKind
from lofty_press.core.sandwich.stack.press import Press

FORMAT = "lofty-press-sandwich"
MOST_LAYERS = 40
Role = Literal["sheet", "shim", "backing"]
Front = Literal["raised", "sunk", "either"]


@dataclass(frozen=True, slots=True, kw_only=True)
class Layer:
    """One layer.

    Parameters
    ----------
    item : str
        Key of the thing in the sandwich's `items`.
    half : {"raised", "sunk"} or None
        Which half of a folder this is; a folder lies in the stack as two layers.
    count : int
        How many equal sheets lie here. [1]
    x_mm, y_mm : float
        Middle of the layer from the middle of the bed, along the feed (rollers meet the negative end first) and across. [mm]
    rotation_deg : float
        Turned in its plane, counter-clockwise seen from above. [degree]
    turned : bool
        Upside down. As made, a sheet has its front up, a die its blade up, a plate its relief up.
    role : {"sheet", "shim", "backing"} or None
        What a sheet of stock is here for.
    mist_age_s : float or None
        Time since it was misted; None for dry. [s]
    """

    __pydantic_config__ = STRICT

    id: Key
    item: Key
    half: Literal["raised", "sunk"] | None = None
    count: Annotated[Count, Ge(1), Le(12)] = 1
    x_mm: SignedLength = 0.0
    y_mm: SignedLength = 0.0
    rotation_deg: Angle = 0.0
    turned: bool = False
    role: Role | None = None
    mist_age_s: Seconds | None = None
    mist_face: Literal["front", "back"] = "back"
    ink: Ink | None = None


@dataclass(frozen=True, slots=True, kw_only=True)
class WantedEffect:
    """The effect wanted, and which look the front of the sheet is to have."""

    __pydantic_config__ = STRICT

    kind: EffectKind
    front: Front = "either"

    @property
    def traits(self) -> EffectTraits:
        """What the effect asks of a sandwich."""
        return EFFECT_TRAITS[self.kind]


@dataclass(frozen=True, slots=True, kw_only=True)
class Sandwich:
    """A whole sandwich, self-contained: every number that the assessment needs is in it.

    `recipe` names the effect and the way of building it that it was made from, as "effect/way"; None if it was put together by hand.
    """

    __pydantic_config__ = STRICT

    format: Literal["lofty-press-sandwich"] = "lofty-press-sandwich"
    version: Literal[1] = 1
    name: Name
    note: Note = ""
    press: Press
    effect: WantedEffect
    items: Annotated[dict[Key, Item], Len(0, MOST_LAYERS)]
    layers: Annotated[tuple[Layer, ...], Len(0, MOST_LAYERS)]
    passes: Annotated[Count, Ge(1), Le(20)] = 1
    recipe: Key | None = None
