"""Edits of a sandwich as data: what people and suggestions do to it. `apply.py` carries them out.

An `Edit` says everything that it needs, so that whoever has the sandwich can carry it out. A `Wish` names a kind of thing only;
`supply.py` looks for one and makes an edit of it.
"""

from dataclasses import dataclass
from typing import Annotated, Literal

from annotated_types import Ge, Le, Len

from lofty_press.core.basics.quantities import STRICT, Count, Key, Length, Name, Number, Seconds, SignedLength
from lofty_press.core.sandwich.stack.item import Ink, Item
from lofty_press.core.sandwich.stack.kinds import EffectKind, ItemKind
from lofty_press.core.sandwich.stack.press import Press
from lofty_press.core.sandwich.stack.sandwich import MOST_LAYERS, Front, Role

Place = Annotated[Count, Ge(0), Le(MOST_LAYERS)]
MOST_COPIES = 12  # equal sheets that one layer holds
Copies = Annotated[Count, Ge(1), Le(MOST_COPIES)]
Turn = Annotated[Number, Ge(-360), Le(360)]
Passes = Annotated[Count, Ge(1), Le(20)]


@dataclass(frozen=True, slots=True, kw_only=True)
class Remove:
    """Take a layer out; of a folder both halves."""

    __pydantic_config__ = STRICT
    layer: Key
    op: Literal["remove"] = "remove"


@dataclass(frozen=True, slots=True, kw_only=True)
class TurnOver:
    """Turn a layer upside down; a folder by exchanging its halves."""

    __pydantic_config__ = STRICT
    layer: Key
    op: Literal["turn over"] = "turn over"


@dataclass(frozen=True, slots=True, kw_only=True)
class Put:
    """Put a thing in at a place counted from the bottom; a folder as both its halves, and never into another one."""

    __pydantic_config__ = STRICT
    item: Item
    at: Place
    count: Copies = 1
    role: Role | None = None
    op: Literal["put"] = "put"


@dataclass(frozen=True, slots=True, kw_only=True)
class Swap:
    """Put another thing in a layer's place; of a folder in that of both halves."""

    __pydantic_config__ = STRICT
    layer: Key
    item: Item
    op: Literal["swap"] = "swap"


@dataclass(frozen=True, slots=True, kw_only=True)
class Move:
    """Move a layer to another place, counted from the bottom after it was taken out; a folder with all that lies in it."""

    __pydantic_config__ = STRICT
    layer: Key
    to: Place
    op: Literal["move"] = "move"


@dataclass(frozen=True, slots=True, kw_only=True)
class Lay:
    """Turn and shift layers together on the bed, until the middle of one of them lies at a place [mm], turned as told [degree]."""

    __pydantic_config__ = STRICT
    layers: Annotated[tuple[Key, ...], Len(1, MOST_LAYERS)]
    lead: Key
    x_mm: SignedLength
    y_mm: SignedLength
    rotation_deg: Turn
    op: Literal["lay"] = "lay"


@dataclass(frozen=True, slots=True, kw_only=True)
class Set:
    """Change properties of a layer; what is None stays, `dry` takes the mist away and `no_ink` the ink. Where it lies holds for both halves of a
    folder."""

    __pydantic_config__ = STRICT
    layer: Key
    count: Copies | None = None
    x_mm: SignedLength | None = None
    y_mm: SignedLength | None = None
    rotation_deg: Turn | None = None
    role: Role | None = None
    mist_age_s: Seconds | None = None
    mist_face: Literal["front", "back"] | None = None
    ink: Ink | None = None
    dry: bool = False
    no_ink: bool = False
    op: Literal["set"] = "set"


@dataclass(frozen=True, slots=True, kw_only=True)
class Trim:
    """Cut the thing of a layer to a size [mm]; other layers of the same thing stay as they are."""

    __pydantic_config__ = STRICT
    layer: Key
    width_mm: Length
    length_mm: Length
    op: Literal["trim"] = "trim"


@dataclass(frozen=True, slots=True, kw_only=True)
class SetPasses:
    """Change how often the sandwich goes through."""

    __pydantic_config__ = STRICT
    passes: Passes
    op: Literal["passes"] = "passes"


@dataclass(frozen=True, slots=True, kw_only=True)
class SetEffect:
    """Want another effect, or it on another side of the sheet; what is None stays."""

    __pydantic_config__ = STRICT
    kind: EffectKind | None = None
    front: Front | None = None
    op: Literal["effect"] = "effect"


@dataclass(frozen=True, slots=True, kw_only=True)
class Rename:
    """Give the sandwich another name."""

    __pydantic_config__ = STRICT
    name: Name
    op: Literal["rename"] = "rename"


@dataclass(frozen=True, slots=True, kw_only=True)
class UsePress:
    """Lay it on another press."""

    __pydantic_config__ = STRICT
    press: Press
    op: Literal["press"] = "press"


@dataclass(frozen=True, slots=True, kw_only=True)
class Refresh:
    """Take over what the shelf says now of a thing or a press that came from it; a sheet that was trimmed stays as small as it was cut."""

    __pydantic_config__ = STRICT
    item: Item | None = None
    press: Press | None = None
    op: Literal["refresh"] = "refresh"


@dataclass(frozen=True, slots=True, kw_only=True)
class Add:
    """Wish: put something of a kind in at a place counted from the bottom."""

    kind: ItemKind
    at: int
    count: int = 1
    role: Role | None = None


@dataclass(frozen=True, slots=True, kw_only=True)
class Exchange:
    """Wish: put something of another kind in a layer's place."""

    layer: str
    kind: ItemKind


Edit = Remove | TurnOver | Put | Swap | Move | Lay | Set | Trim | SetPasses | SetEffect | Rename | UsePress | Refresh
Wish = Add | Exchange
