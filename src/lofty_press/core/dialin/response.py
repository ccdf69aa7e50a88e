"""How a sandwich answers to what nobody knows: its whole judgement as one curve over the thickness that is added to it."""

import math
from dataclasses import dataclass, replace

import numpy as np
from scipy.special import ndtr

from lofty_press.core.assess import Assessment, assess
from lofty_press.core.dialin import room
from lofty_press.core.dialin.belief import Belief
from lofty_press.core.nip import bite_limit
from lofty_press.core.relief import Library
from lofty_press.core.stack import FloatArray, Item, Placed, Sandwich, StackView
from lofty_press.core.verdict import ZONES, Zone

OFF = 0.2  # of the logarithm of pressure over need, by which people and packs differ; about
BITES = 0.03  # mm over which a press goes from drawing in to refusing
STIFFER = 1.15  # by which a mat is made stiffer to see what it does
LAPSE = 0.03  # chance that what was noted is not what was seen
FAINTEST = 1e-9  # MPa


@dataclass(frozen=True, eq=False)
class Response:
    """A sandwich's answer.

    `thickness` says how much of each unknown adds to the pile, as a thickness [mm]; `need` and `grip` are the unknowns of its stock and press.
    `added` (m,) and `log_pressure` (m,) are its curve [mm, ln MPa]; `borders` (3,) the logarithms of the pressures at which it marks, is right and
    is overdone; `refuses` the added thickness from which it does not feed [mm], which moves by `bite` for a change of the grip [mm].
    """

    thickness: dict[str, float]
    need: dict[str, float]
    grip: dict[str, float]
    added: FloatArray
    log_pressure: FloatArray
    borders: FloatArray
    refuses: float
    bite: float

    def rows(self, belief: Belief) -> FloatArray:
        """What of the unknowns counts here: thickness, need and grip (3, n)."""
        return np.stack([belief.row(weights) for weights in (self.thickness, self.need, self.grip)])

    def chances(self, added: FloatArray, need: FloatArray, grip: FloatArray) -> FloatArray:
        """Chance of each zone (zones, m) where so much is added (m,) [mm], the need is greater and the grip better by these factors' logarithms
        (m,)."""
        over = np.interp(added, self.added, self.log_pressure) - need
        feeds = ndtr((self.refuses + self.bite * grip - added) / BITES)
        reached = ndtr((over - self.borders[:, None]) / OFF)
        pressed = np.stack([1.0 - reached[0], reached[0] - reached[1], reached[1] - reached[2], reached[2]])
        found = np.concatenate([np.maximum(pressed, 0.0) * feeds, (1.0 - feeds)[None]])
        return np.asarray((1.0 - LAPSE) * found + LAPSE / len(ZONES))

    def log_chance(self, zones: frozenset[Zone], points: FloatArray) -> FloatArray:
        """Logarithm of the chance that one of some zones is seen, at points (m, 3) of thickness, need and grip."""
        chances = self.chances(*points.T)
        return np.asarray(np.log(sum(chances[ZONES.index(zone)] for zone in zones)))


def respond(sandwich: Sandwich, library: Library) -> Response | None:
    """What a sandwich answers; None for one that nothing is judged of.

    Raises
    ------
    InvalidInput, NoBalance
        As `assess`.
    """
    assessment = assess(sandwich, library)
    verdict = assessment.verdict
    if verdict is None:
        return None
    view, curve = StackView(sandwich), assessment.curve
    weights: dict[str, float] = {}

    def add(key: str, weight: float) -> None:
        weights[key] = weights.get(key, 0.0) + weight

    press = view.press
    add(room.opening_of(press), -1.0)
    add(room.frame_of(press), float(assessment.nip.give.max(initial=0.0)))
    for placed in view.layers:
        add(room.thickness_of(placed.item), placed.share)
        if room.spreads(placed.item)[1]:
            add(room.bought_with(placed.item), placed.share)
    for material in {placed.item.material for placed in view.layers} & set(room.SOFT):
        add(f"soft:{material}", softness_as_thickness(sandwich, material, assessment, library))
    sheet = view.sheet.item if view.sheet is not None else None
    bite = bite_limit(press.roller_radius_mm, press.friction)
    return Response(
        thickness=weights,
        need={} if sheet is None else {room.need_of(sheet): 1.0},
        grip={room.grip_of(press): 1.0},
        added=curve.added,
        log_pressure=np.log(np.maximum(curve.pressure, FAINTEST)),
        borders=np.log([verdict.need.mark, max(verdict.need.right, verdict.need.mark), max(verdict.need.hard, verdict.need.right)]),
        refuses=verdict.bounds[3],
        bite=2.0 * bite,
    )


def softness_as_thickness(sandwich: Sandwich, material: str, before: Assessment, library: Library) -> float:
    """What a mat that is stiffer by a factor e does, as a thickness that is added. [mm]"""
    items = {key: stiffer(item, STIFFER) if item.material == material else item for key, item in sandwich.items.items()}
    after = assess(replace(sandwich, items=items), library).verdict
    slope = before.curve.slope()
    if after is None or before.verdict is None or slope <= 0.0:
        return 0.0
    return (after.pressure - before.verdict.pressure) / slope / math.log(STIFFER)


def stiffer(item: Item, factor: float) -> Item:
    """A thing of another stiffness."""
    placed = Placed(0, None, item)  # type: ignore[arg-type]  # only its item is asked
    nu = placed.material.poisson
    confined = 1.0 if item.modulus_mpa is not None or placed.material.family == "foam" else (1.0 - nu) / ((1.0 + nu) * (1.0 - 2.0 * nu))
    return replace(item, modulus_mpa=placed.modulus * factor * confined)
