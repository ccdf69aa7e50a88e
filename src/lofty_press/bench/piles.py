"""Piles of every sort for the laws over them: the demo's and a newcomer's as they are built, and as nobody would build them."""

from collections.abc import Callable, Iterator
from dataclasses import replace

import numpy as np

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.sandwich.stack import (
    EFFECT_TRAITS,
    EffectKind,
    Item,
    ItemKind,
    Layer,
    Sandwich,
    WantedEffect,
    check_sandwich,
    typical_press,
    typical_thing,
)
from lofty_press.core.working.setout import usual_piles
from lofty_press.demo.presses import PRESSES
from lofty_press.demo.sandwiches import SANDWICHES, SHELF
from lofty_press.demo.shelf import INKS

NEWCOMERS: tuple[ItemKind, ...] = (
    "bed", "hard plate", "hard plate", "deep plate", "spacer", "plain folder", "deep folder", "thin die", "texture plate", "silicone sheet", "rubber mat", "sheet",
)  # fmt: skip
"""What somebody owns who has just set out."""
MOST_CHANGES = 4
SHIMS = ("copy-shim",)

Change = Callable[[Sandwich, np.random.Generator], Sandwich]


def newcomers_piles() -> tuple[Sandwich, ...]:
    """The usual piles of somebody who has measured nothing."""
    items = [replace(typical_thing(kind), name=f"{kind} {n}", shelf_id=f"new-{n}") for n, kind in enumerate(NEWCOMERS)]
    return tuple(pile.sandwich for pile in usual_piles(replace(typical_press(), shelf_id="new-press"), items))


def piles(count: int, seed: int = 28) -> Iterator[Sandwich]:
    """Some piles: one in four as it was built, the others changed in up to four ways."""
    rng = np.random.default_rng(seed)
    built = (*SANDWICHES.values(), *newcomers_piles())
    for _ in range(count):
        pile = built[rng.integers(len(built))]
        for _ in range(int(rng.integers(MOST_CHANGES + 1))):
            pile = changed(pile, rng)
        yield pile


def changed(pile: Sandwich, rng: np.random.Generator) -> Sandwich:
    """A pile with one thing otherwise; the same where that cannot be."""
    change = CHANGES[rng.integers(len(CHANGES))]
    if not pile.layers:
        return pile
    found = change(pile, rng)
    found = replace(found, items={layer.item: {**pile.items, **found.items}[layer.item] for layer in found.layers})
    try:
        check_sandwich(found)
    except InvalidInput:
        return pile
    return found


def at(pile: Sandwich, n: int, **other: object) -> Sandwich:
    """A pile with one layer otherwise."""
    layers = tuple(replace(layer, **other) if k == n else layer for k, layer in enumerate(pile.layers))  # type: ignore[arg-type]  # by the caller's word
    return replace(pile, layers=layers)


def any_layer(pile: Sandwich, rng: np.random.Generator) -> int:
    return int(rng.integers(len(pile.layers)))


def missing(pile: Sandwich, rng: np.random.Generator) -> Sandwich:
    n = any_layer(pile, rng)
    half = pile.layers[n].half
    layers = tuple(layer for k, layer in enumerate(pile.layers) if k != n and not (half and layer.item == pile.layers[n].item))
    return replace(pile, layers=layers)


def doubled(pile: Sandwich, rng: np.random.Generator) -> Sandwich:
    n = any_layer(pile, rng)
    if pile.layers[n].half:
        return pile
    twin = replace(pile.layers[n], id=f"twin{len(pile.layers)}")
    return replace(pile, layers=(*pile.layers[: n + 1], twin, *pile.layers[n + 1 :]))


def swapped(pile: Sandwich, rng: np.random.Generator) -> Sandwich:
    one, two = any_layer(pile, rng), any_layer(pile, rng)
    layers = list(pile.layers)
    layers[one], layers[two] = layers[two], layers[one]
    return replace(pile, layers=tuple(layers))


def turned_over(pile: Sandwich, rng: np.random.Generator) -> Sandwich:
    n = any_layer(pile, rng)
    return at(pile, n, turned=not pile.layers[n].turned)


def aside(pile: Sandwich, rng: np.random.Generator) -> Sandwich:
    n = any_layer(pile, rng)
    x, y = rng.normal(0.0, 20.0, 2).round(1)
    return at(pile, n, x_mm=pile.layers[n].x_mm + float(x), y_mm=pile.layers[n].y_mm + float(y))


def crooked(pile: Sandwich, rng: np.random.Generator) -> Sandwich:
    n = any_layer(pile, rng)
    return at(pile, n, rotation_deg=float(rng.choice([0.0, 5.0, 15.0, 45.0, 90.0, 180.0])))


def of_other_stuff(pile: Sandwich, rng: np.random.Generator) -> Sandwich:
    n = any_layer(pile, rng)
    layer = pile.layers[n]
    like = [key for key, item in SHELF.items() if item.kind == pile.items[layer.item].kind]
    keys = like if rng.random() < 0.6 and like else list(SHELF)
    if layer.half:
        return pile
    key = str(rng.choice(keys))
    fresh = Layer(id=layer.id, item=key, role=layer.role, x_mm=layer.x_mm, y_mm=layer.y_mm, turned=layer.turned)
    found = replace(pile, items={**pile.items, key: SHELF[key]})
    return replace(found, layers=tuple(fresh if k == n else one for k, one in enumerate(pile.layers)))


def misted(pile: Sandwich, rng: np.random.Generator) -> Sandwich:
    sheets = [n for n, layer in enumerate(pile.layers) if pile.items[layer.item].kind == "sheet"]
    if not sheets:
        return pile
    age = [None, 0.0, 20.0, 300.0, 2000.0][rng.integers(5)]
    return at(pile, sheets[0], mist_age_s=age, mist_face=str(rng.choice(["front", "back"])))


def inked(pile: Sandwich, rng: np.random.Generator) -> Sandwich:
    return at(pile, any_layer(pile, rng), ink=list(INKS.values())[rng.integers(len(INKS))])


def shimmed(pile: Sandwich, rng: np.random.Generator) -> Sandwich:
    sheet = next((layer for layer in pile.layers if pile.items[layer.item].kind == "sheet"), None)
    if sheet is None:
        return pile
    shim = Layer(id=f"shim{len(pile.layers)}", item=sheet.item, role="shim", count=int(rng.integers(1, 6)))
    return replace(pile, layers=(pile.layers[0], shim, *pile.layers[1:]))


def passed(pile: Sandwich, rng: np.random.Generator) -> Sandwich:
    return replace(pile, passes=int(rng.integers(1, 7)))


def opened(pile: Sandwich, rng: np.random.Generator) -> Sandwich:
    opening = pile.press.opening
    wider = replace(opening, mm=round(opening.mm + float(rng.normal(0.0, 0.35)), 2), sd_mm=float(rng.choice([0.02, 0.08, 0.3])))
    return replace(pile, press=replace(pile.press, opening=wider))


def on_another_press(pile: Sandwich, rng: np.random.Generator) -> Sandwich:
    return replace(pile, press=list(PRESSES.values())[rng.integers(len(PRESSES))])


def for_another_effect(pile: Sandwich, rng: np.random.Generator) -> Sandwich:
    kinds: list[EffectKind] = list(EFFECT_TRAITS)
    front = rng.choice(["raised", "sunk", "either"])
    return replace(pile, effect=WantedEffect(kind=kinds[rng.integers(len(kinds))] if rng.random() < 0.5 else pile.effect.kind, front=front))


def of_another_size(pile: Sandwich, rng: np.random.Generator) -> Sandwich:
    n = any_layer(pile, rng)
    key = pile.layers[n].item
    item: Item = pile.items[key]
    if item.outline is not None or pile.layers[n].half:
        return pile
    factor = float(rng.choice([0.4, 0.7, 1.5]))
    other = replace(item, width_mm=round(item.width_mm * factor, 1), length_mm=round(item.length_mm * factor, 1))
    return replace(pile, items={**pile.items, key: other})


CHANGES: tuple[Change, ...] = (
    missing, doubled, swapped, turned_over, aside, crooked, of_other_stuff, of_other_stuff, misted, misted, inked, shimmed, passed, opened, opened,
    on_another_press, for_another_effect, of_another_size,
)  # fmt: skip
