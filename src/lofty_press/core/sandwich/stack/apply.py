"""Carrying edits out. The page does the same with its own copy of these rules; shared examples hold both to one answer."""

import math
import re
from collections.abc import Iterable
from dataclasses import replace
from functools import singledispatch

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.basics.words import say
from lofty_press.core.sandwich.stack.edits import (
    Edit,
    Lay,
    Move,
    Put,
    Refresh,
    Remove,
    Rename,
    Set,
    SetEffect,
    SetPasses,
    Swap,
    Trim,
    TurnOver,
    UsePress,
)
from lofty_press.core.sandwich.stack.item import Item
from lofty_press.core.sandwich.stack.kinds import FOLDERS
from lofty_press.core.sandwich.stack.sandwich import MOST_LAYERS, Layer, Sandwich

Layers = tuple[Layer, ...]
LONGEST_KEY = 50
SET = ("count", "x_mm", "y_mm", "rotation_deg", "role", "mist_age_s", "mist_face", "ink")
WHERE = ("x_mm", "y_mm", "rotation_deg")  # both halves of a folder lie alike


def apply_edits(sandwich: Sandwich, edits: Iterable[Edit]) -> Sandwich:
    """Carry edits out, one after the other.

    Parameters
    ----------
    sandwich : Sandwich
        Stays as it is.
    edits : iterable of Edit

    Returns
    -------
    Sandwich
        Without the things that no layer is of any more.

    Raises
    ------
    InvalidInput
        If an edit names a layer that is not there, or asks for what a sandwich cannot be.
    """
    for edit in edits:
        sandwich = apply_edit(edit, sandwich)
    used = {layer.item for layer in sandwich.layers}
    return replace(sandwich, items={key: item for key, item in sandwich.items.items() if key in used})


@singledispatch
def apply_edit(edit: Edit, sandwich: Sandwich) -> Sandwich:
    """Carry one edit out; things that no layer is of any more stay."""
    raise TypeError(f"no edit: {edit!r}")


@apply_edit.register
def _(edit: Remove, sandwich: Sandwich) -> Sandwich:
    together = halves_of(sandwich.layers, find(sandwich.layers, edit.layer))
    return replace(sandwich, layers=tuple(layer for layer in sandwich.layers if layer.id not in together))


@apply_edit.register
def _(edit: TurnOver, sandwich: Sandwich) -> Sandwich:
    target = find(sandwich.layers, edit.layer)
    together = halves_of(sandwich.layers, target)

    def turned(layer: Layer) -> Layer:
        if layer.half is not None:
            return replace(layer, half="sunk" if layer.half == "raised" else "raised")
        return replace(layer, turned=not layer.turned)

    return replace(sandwich, layers=tuple(turned(layer) if layer.id in together else layer for layer in sandwich.layers))


@apply_edit.register
def _(edit: Put, sandwich: Sandwich) -> Sandwich:
    layers, at = sandwich.layers, min(edit.at, len(sandwich.layers))
    key, ids = key_for(sandwich.items, edit.item), fresh_ids(layers)
    if edit.item.kind in FOLDERS:
        at = outside_folders(layers, at, upward=True)
        new: Layers = (Layer(id=ids[0], item=key, half="raised"), Layer(id=ids[1], item=key, half="sunk"))
    else:
        new = (Layer(id=ids[0], item=key, count=edit.count, role=edit.role),)
    if len(layers) + len(new) > MOST_LAYERS:
        raise InvalidInput("layers", len(layers) + len(new), say("must be at most {most}", most=MOST_LAYERS))
    return replace(sandwich, items={**sandwich.items, key: edit.item}, layers=(*layers[:at], *new, *layers[at:]))


@apply_edit.register
def _(edit: Swap, sandwich: Sandwich) -> Sandwich:
    target = find(sandwich.layers, edit.layer)
    if (edit.item.kind in FOLDERS) != (target.half is not None):
        raise InvalidInput("item", edit.item.name, say("only a folder can take a folder's place"))
    together, key = halves_of(sandwich.layers, target), key_for(sandwich.items, edit.item)
    layers = tuple(replace(layer, item=key, turned=False) if layer.id in together else layer for layer in sandwich.layers)
    return replace(sandwich, items={**sandwich.items, key: edit.item}, layers=layers)


@apply_edit.register
def _(edit: Move, sandwich: Sandwich) -> Sandwich:
    layers, target = sandwich.layers, find(sandwich.layers, edit.layer)
    together = halves_of(layers, target)
    places = [n for n, layer in enumerate(layers) if layer.id in together]
    start, end = places[0], places[-1] + 1
    moved, rest = layers[start:end], (*layers[:start], *layers[end:])
    to = min(edit.to, len(rest))
    if target.half is not None:
        to = outside_folders(rest, to, upward=edit.to >= start)
    return replace(sandwich, layers=(*rest[:to], *moved, *rest[to:]))


@apply_edit.register
def _(edit: Lay, sandwich: Sandwich) -> Sandwich:
    lead = find(sandwich.layers, edit.lead)
    together = {name for layer in edit.layers for name in halves_of(sandwich.layers, find(sandwich.layers, layer))}
    turn = edit.rotation_deg - lead.rotation_deg
    c, s = math.cos(math.radians(turn)), math.sin(math.radians(turn))

    def carried(layer: Layer) -> Layer:
        x, y = layer.x_mm - lead.x_mm, layer.y_mm - lead.y_mm
        return replace(
            layer,
            x_mm=hundredths(edit.x_mm + c * x - s * y),
            y_mm=hundredths(edit.y_mm + s * x + c * y),
            rotation_deg=wrapped(layer.rotation_deg + turn),
        )

    return replace(sandwich, layers=tuple(carried(layer) if layer.id in together else layer for layer in sandwich.layers))


@apply_edit.register
def _(edit: Set, sandwich: Sandwich) -> Sandwich:
    target = find(sandwich.layers, edit.layer)
    if target.half is not None and edit.count not in (None, 1):
        raise InvalidInput("count", edit.count, say("a folder can be in the pile only once"))
    given = {name: getattr(edit, name) for name in SET if getattr(edit, name) is not None}
    where = {name: value for name, value in given.items() if name in WHERE}
    given |= {"mist_age_s": None} if edit.dry else {}
    given |= {"ink": None} if edit.no_ink else {}
    together = halves_of(sandwich.layers, target)
    layers = tuple(
        replace(layer, **given) if layer.id == target.id else replace(layer, **where) if layer.id in together else layer
        for layer in sandwich.layers
    )
    return replace(sandwich, layers=layers)


@apply_edit.register
def _(edit: Trim, sandwich: Sandwich) -> Sandwich:
    target = find(sandwich.layers, edit.layer)
    together = halves_of(sandwich.layers, target)
    cut = replace(sandwich.items[target.item], width_mm=edit.width_mm, length_mm=edit.length_mm)
    shared = any(layer.item == target.item and layer.id not in together for layer in sandwich.layers)
    key = fresh_key(sandwich.items, cut) if shared else target.item
    layers = tuple(replace(layer, item=key) if layer.id in together else layer for layer in sandwich.layers)
    return replace(sandwich, items={**sandwich.items, key: cut}, layers=layers)


@apply_edit.register
def _(edit: SetPasses, sandwich: Sandwich) -> Sandwich:
    return replace(sandwich, passes=edit.passes)


@apply_edit.register
def _(edit: SetEffect, sandwich: Sandwich) -> Sandwich:
    effect = sandwich.effect
    return replace(sandwich, effect=replace(effect, kind=edit.kind or effect.kind, front=edit.front or effect.front))


@apply_edit.register
def _(edit: Rename, sandwich: Sandwich) -> Sandwich:
    return replace(sandwich, name=edit.name)


@apply_edit.register
def _(edit: UsePress, sandwich: Sandwich) -> Sandwich:
    return replace(sandwich, press=edit.press)


@apply_edit.register
def _(edit: Refresh, sandwich: Sandwich) -> Sandwich:
    press, fresh = sandwich.press, edit.item
    if edit.press is not None and edit.press.shelf_id is not None and press.shelf_id == edit.press.shelf_id:
        press = edit.press
    items = sandwich.items
    if fresh is not None and fresh.shelf_id is not None:
        items = {
            key: as_small_as(fresh, known) if (known.shelf_id, known.kind) == (fresh.shelf_id, fresh.kind) else known
            for key, known in items.items()
        }
    return replace(sandwich, press=press, items=items)


def as_small_as(fresh: Item, known: Item) -> Item:
    """A thing as the shelf has it; a sheet cut as small as it lies in the sandwich."""
    if fresh.kind != "sheet":
        return fresh
    return replace(fresh, width_mm=min(fresh.width_mm, known.width_mm), length_mm=min(fresh.length_mm, known.length_mm))


def find(layers: Layers, wanted: str) -> Layer:
    """The layer with an id."""
    for layer in layers:
        if layer.id == wanted:
            return layer
    raise InvalidInput("layer", wanted, say("must be the id of a layer of this sandwich"))


def halves_of(layers: Layers, target: Layer) -> set[str]:
    """What goes where a layer goes: of a folder both halves, else itself."""
    return {layer.id for layer in layers if layer.id == target.id or (target.half and layer.half and layer.item == target.item)}


def outside_folders(layers: Layers, place: int, *, upward: bool) -> int:
    """The nearest place in a direction that does not lie inside a folder."""
    while sum(layer.half is not None for layer in layers[:place]) % 2:
        place += 1 if upward else -1
    return place


def key_for(items: dict[str, Item], item: Item) -> str:
    """The key of a thing: that of the same thing if it is there already, else a fresh one. A folder is there once each time."""
    if item.kind not in FOLDERS:
        for key, known in items.items():
            if known == item or (item.shelf_id is not None and known.shelf_id == item.shelf_id):
                return key
    return fresh_key(items, item)


def fresh_key(items: dict[str, Item], item: Item) -> str:
    """A key that no thing has, made of a thing's name."""
    base = re.sub("[^a-z0-9]+", "-", item.name.lower())[:LONGEST_KEY] or "item"
    return base if base not in items else next(key for key in (f"{base}-{n}" for n in range(2, 99)) if key not in items)


def fresh_ids(layers: Layers) -> tuple[str, str]:
    """Two ids that no layer has."""
    taken = {layer.id for layer in layers}
    free = (name for name in (f"l{n}" for n in range(1, 2 * MOST_LAYERS + 3)) if name not in taken)
    return next(free), next(free)


def hundredths(value: float) -> float:
    """Rounded to 0.01, halves upwards: as every machine rounds it. [mm or degree]"""
    return math.floor(100.0 * value + 0.5) / 100.0


def wrapped(degrees: float) -> float:
    """The same direction from -180 (not counted) to 180. [degree]"""
    turned = hundredths((degrees + 180.0) % 360.0 - 180.0)
    return 180.0 if turned == -180.0 else turned
