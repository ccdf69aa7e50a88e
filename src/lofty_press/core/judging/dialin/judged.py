"""What a belief makes of a sandwich: the same sandwich with the figures that are believed, and the chances of what it will do."""

import math
from collections.abc import Mapping
from dataclasses import replace

import numpy as np

from lofty_press.core.judging.dialin import room
from lofty_press.core.judging.dialin.belief import Belief
from lofty_press.core.judging.dialin.infer import LEAST_SD, grid
from lofty_press.core.judging.dialin.response import QUANTITIES, Response, stiffer_press
from lofty_press.core.judging.verdict import ZONES, Zone, variance_parts
from lofty_press.core.sandwich.stack import FloatArray, Item, Press, Sandwich, StackView, Thickness, stiffer
from lofty_press.core.sandwich.stock import SheetStock

DIGITS = 4  # what is finer than a tenth of a micrometre, or a factor than a hundredth of a per cent, is no knowledge
THINNEST = 0.2  # of what stands on the shelf; no belief makes a thing thinner


def chances_of(response: Response, belief: Belief, *, added: float = 0.0) -> dict[Zone, float]:
    """Chance of each zone by the belief, with some thickness added. [mm]"""
    points, weights = points_of(response, belief)
    found: FloatArray = replace(response, offset=response.offset + added).chances(points) @ weights
    return dict(zip(ZONES, found.tolist(), strict=True))


def points_of(response: Response, belief: Belief) -> tuple[FloatArray, FloatArray]:
    """Points (m, 5) and weights (m,) of what a belief says of a pile's quantities."""
    rows = response.rows(belief)
    return grid(rows @ belief.mean, rows @ belief.cov @ rows.T + LEAST_SD**2 * np.eye(len(QUANTITIES)))


def believed(sandwich: Sandwich, belief: Belief) -> Sandwich:
    """A sandwich with what is believed in place of what stands on the shelf, so that everything that computes, computes with it.

    Its uncertainties are made less alike: each is its own, times what their sum is known better than they are by themselves, since a pile that is known
    to work fixes its sum long before its parts.
    """
    items = {key: believed_item(item, belief) for key, item in sandwich.items.items()}
    found = replace(sandwich, press=believed_press(sandwich.press, belief), items=items)
    view = StackView(found)
    weights: dict[str, float] = {room.opening_of(view.press): -1.0}
    for placed in view.layers:
        for name in (room.thickness_of(placed.item), room.bought_with(placed.item)):
            weights[name] = weights.get(name, 0.0) + (placed.share if name in belief.index else 0.0)
    known = {placed.item.shelf_id for placed in view.layers if room.thickness_of(placed.item) in belief.index}
    together = belief.of(weights)[1] ** 2
    parts = variance_parts(view)
    ours = sum(v for key, v in parts.items() if key == "press" or next(p for p in view.layers if p.id == key).item.shelf_id in known)
    if ours <= 0.0:
        return found
    scale = math.sqrt(together / ours)
    press = (
        found.press
        if room.opening_of(found.press) not in belief.index
        else replace(found.press, opening=spread(found.press.opening, scale))
    )
    items = {key: replace(i, thickness=spread(i.thickness, scale)) if i.shelf_id in known else i for key, i in found.items.items()}
    return replace(found, press=press, items=items)


def factor_of(log: float) -> float:
    """A factor from its logarithm."""
    return round(math.exp(log), DIGITS)


def as_written(sandwich: Sandwich, press: Press, items: Mapping[str | None, Item]) -> Sandwich:
    """A sandwich of believed things with the figures that stand on the shelf again; `items` by their shelf's keys. A trimmed sheet stays as small."""
    found = {
        key: replace(items[item.shelf_id], width_mm=item.width_mm, length_mm=item.length_mm) if item.shelf_id in items else item
        for key, item in sandwich.items.items()
    }
    return replace(sandwich, press=press, items=found)


def spread(thickness: Thickness, scale: float) -> Thickness:
    """A thickness known better or worse."""
    return replace(thickness, sd_mm=round(min(thickness.sd_mm * scale, 5.0), DIGITS))


def believed_item(item: Item, belief: Belief) -> Item:
    """A thing as it is believed to be."""
    mean, sd = belief.of(room.size_of(item))
    if room.thickness_of(item) not in belief.index:
        return item
    mm = round(max(item.thickness.mm + mean, THINNEST * item.thickness.mm), DIGITS)
    found = replace(item, thickness=replace(item.thickness, mm=mm, sd_mm=min(sd, 5.0)))
    if item.material in room.SOFT:
        softer, _ = belief.of({room.softness_of(item): 1.0})
        found = stiffer(found, factor_of(softer)) if softer else found
    if item.stock is not None:
        need, _ = belief.of({room.need_of(item): 1.0})
        factor = factor_of(need)
        stock = replace(
            item.stock,
            modulus_along_mpa=item.stock.modulus_along_mpa * factor,
            modulus_across_mpa=item.stock.modulus_across_mpa * factor,
            shear_strength_mpa=item.stock.shear_strength_mpa * factor,
        )
        found = replace(found, stock=borne(stock if need else item.stock, belief.of({room.cracking_of(item): 1.0})[0]))
    return found


def borne(stock: SheetStock, cracks: float) -> SheetStock:
    """A stock that bears as much as its sheets did: a crack index larger by exp(cracks) is so much less strain at break."""
    if not cracks:
        return stock
    factor = factor_of(-cracks)
    return replace(
        stock, break_strain=min(stock.break_strain * factor, 1.0), coating_break_strain=min(stock.coating_break_strain * factor, 1.0)
    )


def believed_press(press: Press, belief: Belief) -> Press:
    """A press as it is believed to be."""
    if room.opening_of(press) not in belief.index:
        return press
    opening, sd = belief.of({room.opening_of(press): 1.0})
    frame, _ = belief.of({room.frame_of(press): 1.0})
    grip, _ = belief.of({room.grip_of(press): 1.0})
    mm = round(max(press.opening.mm + opening, THINNEST * press.opening.mm), DIGITS)
    found = stiffer_press(press, factor_of(frame))
    return replace(found, opening=replace(press.opening, mm=mm, sd_mm=min(sd, 5.0)), friction=min(press.friction * factor_of(grip), 2.0))
