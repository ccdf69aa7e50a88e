"""How a sandwich answers to what nobody knows: its whole judgement as curves over the thickness that is added to it."""

import math
from collections.abc import Callable
from dataclasses import dataclass, field, replace
from functools import cached_property

import numpy as np

from lofty_press.core.judging.assess import Pressed, put_between_rollers
from lofty_press.core.judging.dialin import room
from lofty_press.core.judging.dialin.belief import Belief, Weights
from lofty_press.core.judging.dialin.kernel import Asked, zone_chances
from lofty_press.core.judging.dialin.sheet import SheetLimits, limits_of
from lofty_press.core.judging.verdict import STEP, ZONES, Sweep, Zone, bears, minded, shares_of, stretch_of
from lofty_press.core.mechanics.forming import summary_at
from lofty_press.core.mechanics.needs import Need
from lofty_press.core.mechanics.nip import bite_limit
from lofty_press.core.sandwich.relief import Library
from lofty_press.core.sandwich.stack import FloatArray, Press, Sandwich, StackView, stiffer

OFF = 0.2  # of the logarithm of pressure over need, by which people and packs differ; about
BITES = 0.03  # mm over which a press goes from drawing in to refusing
FARTHER = {"frame": 0.5, "soft": 0.6}  # of the logarithm of a stiffness: so much stiffer and softer a pile is judged besides as it is
LAPSE = 0.03  # chance that what was noted is not what was seen
SEES_A_SET = 0.5  # of the plates that begin to stay bent while the sheet is right, so many are noticed
FAINTEST = 1e-9  # MPa
BEYOND = math.log(1e4)  # ln MPa; a border that no press gets to

QUANTITIES = ("thickness", "need", "grip", "frame", "soft")
"""What a pile knows of the unknowns: a thickness [mm] and logarithms of factors."""


@dataclass(frozen=True, eq=False)
class Shape:
    """One judgement: `log_pressure` (m,) over the added thicknesses of its response [ln MPa], the logarithms of the pressures at which it marks, is
    right and is overdone, `borders` (3,), of that at which a plate outside takes a set, `log_set`, and the added thickness from which it `refuses`
    [mm]."""

    log_pressure: FloatArray
    borders: FloatArray
    log_set: float
    refuses: float

    def narrowed(self, least: float, most: float) -> "Shape":
        """The same where right begins later and ends earlier, by logarithms of pressure."""
        mark, right, hard = self.borders
        right, hard = min(right + least, BEYOND), hard + most
        return replace(self, borders=np.array([mark, right, max(hard, right)]))

    @cached_property
    def whole(self) -> FloatArray:
        """All of it in one row (m + 5,)."""
        return np.concatenate([self.log_pressure, self.borders, [self.log_set, self.refuses]])


@dataclass(frozen=True, eq=False)
class Response:
    """A sandwich's answer.

    `thickness` says how much of each unknown adds to the pile, as a thickness [mm]; `need`, `grip`, `frame` and `soft` how much of each counts as the
    logarithm of a factor: of its stock's strength, and of its press's grip, its frame's and its mats' stiffness. `added` (m,) is where its curves are
    known [mm], `shape` how it is judged as it stands, `variants` how with a frame and with mats that are softer and stiffer by `FARTHER`. The thickness
    from which it does not feed moves by `bite` for a change of the grip [mm], the border to hard `steep` times as much as the others for a stronger stock
    (`Need`). Its peak `handle` force over the same thicknesses (m,) [N] is what a motor feels. `crack` says of its stock (the unknown's key) to which index it
    is stretched and by what factor that may be off; None where nothing is stretched; `sheet` what else it takes to be good. What was seen of it was seen before its sum drifted by `drift` (standard deviation) [mm]. It is asked with `offset` more in it [mm].
    """

    thickness: Weights
    need: Weights
    grip: Weights
    added: FloatArray
    shape: Shape
    bite: float
    frame: Weights = field(default_factory=dict)
    soft: Weights = field(default_factory=dict)
    variants: dict[str, tuple[Shape, Shape]] = field(default_factory=dict)
    offset: float = 0.0
    steep: float = 1.0
    drift: float = 0.0
    handle: FloatArray = field(default_factory=lambda: np.zeros(0))
    crack: tuple[str, float, float] | None = None
    sheet: SheetLimits | None = None

    def rows(self, belief: Belief) -> FloatArray:
        """What of the unknowns counts here, by `QUANTITIES` (5, n)."""
        return np.stack([belief.row(weights) for weights in (self.thickness, self.need, self.grip, self.frame, self.soft)])

    @cached_property
    def shapes(self) -> FloatArray:
        """As it stands, and what each unit of a softer and a stiffer frame, and of softer and stiffer mats, adds to that (5, m + 5)."""
        own = self.shape.whole
        found = np.zeros((1 + 2 * len(FARTHER), own.size))
        found[0] = own
        for n, (name, far) in enumerate(FARTHER.items()):
            for side, other in enumerate(self.variants.get(name, ())):
                found[1 + 2 * n + side] = (other.whole - own) / far
        return found

    def chances(self, points: FloatArray) -> FloatArray:
        """Chance of each zone (zones, n) at points (n, 5) of the `QUANTITIES`."""
        return self.parts(points)[: len(ZONES)]

    def good(self, points: FloatArray, belief: Belief) -> FloatArray:
        """Chance of a good sheet (n,) at points (n, 5) of the `QUANTITIES`; what its stock bears is known by the belief. [1]"""
        right = self.whole_right(points)
        return right if self.sheet is None else right * self.sheet.holds(points[:, 0] + self.offset, belief)

    def whole_right(self, points: FloatArray) -> FloatArray:
        """Chance that the whole work is right, not its mean only (n,) at points (n, 5)."""
        narrow = self if self.sheet is None else self.narrowed(self.sheet.least, self.sheet.most)
        return np.asarray(narrow.chances(points)[ZONES.index("right")])

    def parts(self, points: FloatArray) -> FloatArray:
        """The same, and the chance of what is hard on a plate only (zones + 1, n)."""
        found = np.empty((len(ZONES) + 1, len(points)))
        zone_chances(
            np.ascontiguousarray(points), Asked(self.added, self.shapes, self.offset, self.bite, OFF, BITES, self.steep, self.drift), found
        )
        return found

    def chance_noted(self, zones: frozenset[Zone], points: FloatArray) -> FloatArray:
        """Chance that one of some zones is noted (n,) at points (n, 5): now and then it is not what was seen, and a plate's set may not be seen."""
        found = self.parts(points)
        unseen = (1.0 - SEES_A_SET) * found[len(ZONES)]
        noted = np.sum([found[ZONES.index(zone)] for zone in zones], axis=0) + unseen * (("right" in zones) - ("hard" in zones))
        return np.asarray((1.0 - LAPSE) * noted + LAPSE * len(zones) / len(ZONES))

    def narrowed(self, least: float, most: float) -> "Response":
        """The same where right begins later (`least` >= 0) and ends earlier (`most` <= 0), by logarithms of pressure."""
        variants = {name: (low.narrowed(least, most), high.narrowed(least, most)) for name, (low, high) in self.variants.items()}
        return replace(self, shape=self.shape.narrowed(least, most), variants=variants)

    def as_thickness(self) -> dict[str, float]:
        """Every unknown as a thickness that does about the same to the pressure, against what the work needs, as the pile stands. [mm]"""
        at = np.array([-STEP, 0.0, STEP]) + self.offset
        low, here, high = np.interp(at, self.added, self.shape.log_pressure)
        steep = max((high - low) / (2.0 * STEP), 1e-6)
        found = {**self.thickness, **{key: -weight / steep for key, weight in self.need.items()}}
        for name, weights in (("frame", self.frame), ("soft", self.soft)):
            if name in self.variants:
                stiffer = float(np.interp(self.offset, self.added, self.variants[name][1].log_pressure))
                found |= {key: weight * (stiffer - here) / FARTHER[name] / steep for key, weight in weights.items()}
        return found


def respond(sandwich: Sandwich, library: Library) -> Response | None:
    """What a sandwich answers; None for one that nothing is judged of.

    Raises
    ------
    InvalidInput, NoBalance
        As `put_between_rollers`.
    """
    found = put_between_rollers(sandwich, library)
    if found.need is None:
        return None
    shares = shares_of(found.nip, found.need, minded(sandwich.effect.traits, sandwich.passes))
    sheet = limits_of(found.view, shares, found.curve.now, stretch_of(found.view, found.closing, found.curve, None))
    return replace(answer_of(found.view, found.curve, found.need, library), crack=crack_of(found), sheet=sheet)


def crack_of(pressed: Pressed) -> tuple[str, float, float] | None:
    """How far the sheet is stretched."""
    sheet = pressed.view.sheet
    formed = summary_at(pressed.view, pressed.closing, pressed.curve.now)
    if sheet is None or formed is None or formed.crack is None or not formed.crack > 0.0:
        return None
    return room.cracking_of(sheet.item), formed.crack, formed.off_by


def answer_of(view: StackView, curve: Sweep, need: Need, library: Library) -> Response:
    """What a sandwich that was judged answers; only one with mats is judged again, with others."""
    press, sandwich = view.press, view.sandwich
    shape = shape_of(view, curve, need, curve.added)
    variants = {"frame": both(lambda factor: shape_of(view, with_frame(curve, press, factor), need, curve.added), "frame")}

    def with_mats(factor: float) -> Shape:
        items = {key: stiffer(item, factor) if item.material in room.SOFT else item for key, item in sandwich.items.items()}
        other = put_between_rollers(replace(sandwich, items=items), library)
        return shape if other.need is None else shape_of(view, other.curve, other.need, curve.added)

    mats = soft_of(view)
    if mats:
        variants["soft"] = both(with_mats, "soft")
    sheet = view.sheet.item if view.sheet is not None else None
    return Response(
        thickness=thickness_weights(view),
        need={} if sheet is None else {room.need_of(sheet): 1.0},
        grip={room.grip_of(press): 1.0},
        added=curve.added,
        shape=shape,
        bite=2.0 * bite_limit(press.roller_radius_mm, press.friction),
        frame={room.frame_of(press): 1.0},
        soft=mats,
        variants=variants,
        steep=need.steep,
        handle=curve.handle,
    )


def with_frame(curve: Sweep, press: Press, factor: float) -> Sweep:
    """A curve with a frame stiffer by a factor: each force is reached with so much thickness less as the frame then gives less for it."""
    given = curve.force / press.frame_stiffness_n_per_mm * (1.0 / factor - 1.0)
    by_the_drive = curve.handle[-1] > press.drive.limit_n
    moved = float(np.interp(curve.refuses_at, curve.added, given)) if by_the_drive else 0.0
    return replace(curve, added=np.maximum.accumulate(curve.added + given), refuses_at=curve.refuses_at + moved)


def both(judged: Callable[[float], Shape], name: str) -> tuple[Shape, Shape]:
    """A pile judged with something softer, and with it stiffer."""
    return judged(math.exp(-FARTHER[name])), judged(math.exp(FARTHER[name]))


def shape_of(view: StackView, curve: Sweep, need: Need, added: FloatArray) -> Shape:
    """One judgement over given added thicknesses (m,) [mm]."""
    log_pressure = np.log(np.maximum(curve.pressure, FAINTEST))
    borders = np.log([need.mark, max(need.right, need.mark), max(need.hard, need.right)])
    return Shape(
        log_pressure=np.interp(added, curve.added, log_pressure),
        borders=np.minimum(borders, BEYOND),
        log_set=min(log_set_of(curve, log_pressure, *bears(view)), BEYOND),
        refuses=curve.refuses_at,
    )


def log_set_of(curve: Sweep, log_pressure: FloatArray, above: float, below: float) -> float:
    """Logarithm of the work's pressure at which a roller presses a plate beyond what it bears; where it is never reached, as far on as a line contact's
    peak goes with the root of its load (Johnson, Contact Mechanics, 1985, section 4.2)."""
    at = curve.added_under(above, below)
    if math.isfinite(at):
        return float(np.interp(at, curve.added, log_pressure))
    borne = max(float(curve.above[-1]) / above, float(curve.below[-1]) / below, 1e-6)
    return float(log_pressure[-1] - 2.0 * math.log(min(borne, 1.0)))


def thickness_weights(view: StackView) -> dict[str, float]:
    """How much of each unknown thickness adds to a pile."""
    weights: dict[str, float] = {room.opening_of(view.press): -1.0}

    def add(key: str, weight: float) -> None:
        weights[key] = weights.get(key, 0.0) + weight

    for placed in view.layers:
        add(room.thickness_of(placed.item), placed.share)
        if room.spreads(placed.item)[1]:
            add(room.bought_with(placed.item), placed.share)
    return weights


def soft_of(view: StackView) -> dict[str, float]:
    """The soft materials of a pile, each by its share in how far they give under one pressure."""
    give: dict[str, float] = {}
    for placed in view.layers:
        if placed.item.material in room.SOFT:
            key = room.softness_of(placed.item)
            give[key] = give.get(key, 0.0) + placed.thickness / placed.young
    total = sum(give.values())
    return {key: part / total for key, part in give.items()}


def stiffer_press(press: Press, factor: float) -> Press:
    """A press with a frame stiffer by a factor."""
    return replace(press, frame_stiffness_n_per_mm=press.frame_stiffness_n_per_mm * factor)
