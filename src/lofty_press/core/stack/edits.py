"""Edits of a sandwich as data, and how they are carried out."""

from collections.abc import Iterable
from dataclasses import dataclass, replace
from typing import Annotated, Literal

from annotated_types import Ge, Le

from lofty_press.core.errors import InvalidInput
from lofty_press.core.quantities import STRICT, Count, Key, Number, Seconds, SignedLength
from lofty_press.core.stack.effect import EffectKind
from lofty_press.core.stack.item import FOLDERS, Item, ItemKind
from lofty_press.core.stack.press import Press
from lofty_press.core.stack.sandwich import Layer, Sandwich
from lofty_press.core.stack.typical import Supply, typical_item

Role = Literal["sheet", "shim", "backing"]


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
class Add:
    """Put something of a kind in at a place counted from the bottom."""

    __pydantic_config__ = STRICT
    kind: ItemKind
    at: Annotated[Count, Ge(0), Le(40)]
    count: Annotated[Count, Ge(1), Le(12)] = 1
    role: Role | None = None
    op: Literal["add"] = "add"


@dataclass(frozen=True, slots=True, kw_only=True)
class Exchange:
    """Put something of another kind in a layer's place."""

    __pydantic_config__ = STRICT
    layer: Key
    kind: ItemKind
    op: Literal["exchange"] = "exchange"


@dataclass(frozen=True, slots=True, kw_only=True)
class Move:
    """Move a layer to another place, counted from the bottom after it was taken out."""

    __pydantic_config__ = STRICT
    layer: Key
    to: Annotated[Count, Ge(0), Le(40)]
    op: Literal["move"] = "move"


@dataclass(frozen=True, slots=True, kw_only=True)
class Set:
    """Change properties of a layer; what is None stays, `dry` takes the mist away and `no_ink` the ink."""

    __pydantic_config__ = STRICT
    layer: Key
    count: Annotated[Count, Ge(1), Le(12)] | None = None
    x_mm: SignedLength | None = None
    y_mm: SignedLength | None = None
    rotation_deg: Annotated[Number, Ge(-360), Le(360)] | None = None
    mist_age_s: Seconds | None = None
    mist_face: Literal["front", "back"] | None = None
    dry: bool = False
    no_ink: bool = False
    op: Literal["set"] = "set"


@dataclass(frozen=True, slots=True, kw_only=True)
class SetPasses:
    """Change how often the sandwich goes through."""

    __pydantic_config__ = STRICT
    passes: Annotated[Count, Ge(1), Le(20)]
    op: Literal["passes"] = "passes"


@dataclass(frozen=True, slots=True, kw_only=True)
class SetEffect:
    """Want another effect."""

    __pydantic_config__ = STRICT
    kind: EffectKind
    op: Literal["effect"] = "effect"


Edit = Remove | TurnOver | Add | Exchange | Move | Set | SetPasses | SetEffect


def apply_edits(sandwich: Sandwich, edits: Iterable[Edit], supply: Supply) -> Sandwich:
    """Carry edits out, one after the other.

    Parameters
    ----------
    sandwich : Sandwich
        Stays as it is.
    edits : iterable of Edit
    supply : callable
        Lists the shelf's items of a kind; where none fits the press a typical one is taken.

    Returns
    -------
    Sandwich

    Raises
    ------
    InvalidInput
        If an edit names a layer that is not there or a kind that nothing can supply.
    """
    for edit in edits:
        sandwich = apply_edit(sandwich, edit, supply)
    used = {layer.item for layer in sandwich.layers}
    return replace(sandwich, items={k: v for k, v in sandwich.items.items() if k in used})


def apply_edit(sandwich: Sandwich, edit: Edit, supply: Supply) -> Sandwich:
    """Carry one edit out; items that nothing uses any more stay."""
    layers = sandwich.layers
    if isinstance(edit, SetPasses):
        return replace(sandwich, passes=edit.passes)
    if isinstance(edit, SetEffect):
        return replace(sandwich, effect=replace(sandwich.effect, kind=edit.kind))
    if isinstance(edit, Add):
        key, items = supplied(sandwich, edit.kind, supply)
        new = Layer(id=fresh_id(sandwich), item=key, count=edit.count, role=edit.role)
        at = min(edit.at, len(layers))
        return replace(sandwich, items=items, layers=(*layers[:at], new, *layers[at:]))
    layer = find(layers, edit.layer)
    if isinstance(edit, Remove):
        gone = layer.item if layer.half else None
        return replace(sandwich, layers=tuple(x for x in layers if x.id != layer.id and (gone is None or x.item != gone)))
    if isinstance(edit, TurnOver):
        return replace(sandwich, layers=tuple(turned(x, layer) for x in layers))
    if isinstance(edit, Exchange):
        key, items = supplied(sandwich, edit.kind, supply)
        changed = replace(layer, item=key, turned=False)
        return replace(sandwich, items=items, layers=tuple(changed if x.id == layer.id else x for x in layers))
    if isinstance(edit, Move):
        others = tuple(x for x in layers if x.id != layer.id)
        return replace(sandwich, layers=(*others[: edit.to], layer, *others[edit.to :]))
    return replace(sandwich, layers=tuple(set_layer(x, edit) if x.id == layer.id else x for x in layers))


def find(layers: tuple[Layer, ...], wanted: str) -> Layer:
    """The layer with an id."""
    for layer in layers:
        if layer.id == wanted:
            return layer
    raise InvalidInput("layer", wanted, "must be the id of a layer of this sandwich")


def turned(layer: Layer, target: Layer) -> Layer:
    """A layer after `target` was turned over."""
    if target.half is not None and layer.item == target.item:
        return replace(layer, half="sunk" if layer.half == "raised" else "raised")
    return replace(layer, turned=not layer.turned) if layer.id == target.id else layer


def set_layer(layer: Layer, edit: Set) -> Layer:
    """A layer with the properties that an edit gives it."""
    names = ("count", "x_mm", "y_mm", "rotation_deg", "mist_age_s", "mist_face")
    changed = replace(layer, **{n: getattr(edit, n) for n in names if getattr(edit, n) is not None})
    if edit.dry:
        changed = replace(changed, mist_age_s=None)
    return replace(changed, ink=None) if edit.no_ink else changed


def supplied(sandwich: Sandwich, kind: ItemKind, supply: Supply) -> tuple[str, dict[str, Item]]:
    """Key and items with something of a kind: what the sandwich has, else the shelf's best, else a typical one."""
    if kind not in FOLDERS and kind != "sheet":
        for key, known in sandwich.items.items():
            if known.kind == kind:
                return key, sandwich.items
    found = best_fitting(supply(kind), sandwich.press) if kind != "sheet" else None
    if found is None:
        widest = max((i.width_mm for i in sandwich.items.values()), default=150.0)
        longest = max((i.length_mm for i in sandwich.items.values() if i.kind != "bed"), default=200.0)
        found = typical_item(kind, width=min(widest, sandwich.press.feed_width_mm), length=longest)
    if found is None:
        raise InvalidInput("kind", kind, "nothing of this kind is on the shelf")
    fresh = next(k for k in (kind, *(f"{kind} {n}" for n in range(2, 99))) if k not in sandwich.items)
    return fresh, {**sandwich.items, fresh: found}


def best_fitting(candidates: Iterable[Item], press: Press) -> Item | None:
    """The thing to take for a press: of those that pass between its sides the widest, a sound one before a worn one."""
    passing = [c for c in candidates if c.width_mm <= press.feed_width_mm]
    return max(passing, key=lambda c: (c.width_mm, c.bow_mm <= 0.5, c.scarred == "no", c.thickness.source == "gauge"), default=None)


def fresh_id(sandwich: Sandwich) -> str:
    """An id that no layer has."""
    taken = {layer.id for layer in sandwich.layers}
    return next(f"l{n}" for n in range(1, 99) if f"l{n}" not in taken)
