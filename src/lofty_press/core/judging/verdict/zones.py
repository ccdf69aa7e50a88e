"""The verdict: slack, faint, right, hard or refuses; how sure, how far from the next, and what to measure."""

import math
from collections.abc import Sequence
from dataclasses import dataclass, field
from itertools import pairwise
from typing import Literal

import numpy as np
from scipy.special import ndtr, ndtri

from lofty_press.core.basics.trade import COPY_PAPER, PAPER_MODULUS
from lofty_press.core.basics.words import Message, named, say, thickness
from lofty_press.core.judging.verdict.good import Good, Stretch, good_of
from lofty_press.core.judging.verdict.measuring import GAUGE, Choice, Measure, worth_measuring
from lofty_press.core.judging.verdict.shares import Shares
from lofty_press.core.judging.verdict.sweep import Sweep
from lofty_press.core.mechanics.needs import Need
from lofty_press.core.sandwich.stack import FloatArray, StackView

Zone = Literal["slack", "faint", "right", "hard", "refuses"]
Bounds = tuple[float, float, float, float]
"""Added thickness [mm] at the four borders between the five zones."""

ZONES: tuple[Zone, ...] = ("slack", "faint", "right", "hard", "refuses")
NO_OTHERS: Bounds = (0.0, 0.0, 0.0, 0.0)
NODES, WEIGHTS = np.polynomial.hermite_e.hermegauss(21)
WEIGHTS = WEIGHTS / WEIGHTS.sum()
EVEN = ndtri((np.arange(41) + 0.5) / 41)  # standard deviations, all equally likely
FINEST = 1e-4  # mm; no border is known better


@dataclass(frozen=True)
class Margin:
    """Distance to the neighbouring verdicts in thickness [mm] and in whole sheets of the shim at hand, and what those sheets
    make of it; None where there is no neighbour."""

    shim: Message
    shim_mm: float
    thinner_mm: float | None
    thicker_mm: float | None
    sheets_less: int | None
    less_is: Zone | None
    sheets_more: int | None
    more_is: Zone | None


@dataclass(frozen=True)
class Verdict:
    """The judgement over a sandwich.

    `pressure` is the mean at the work [MPa]; `bounds` are the added thicknesses [mm] at which the four zone borders lie;
    `spreads` are the standard deviations of the pile against each of them, and `spread` that against the nearest [mm]; `chances` the probability of each zone. `shares` tell how much of
    the work the zone holds for. `good` is the one chance that the sheet comes out good, and what spoils it; `stretch` how far the sheet is stretched.
    """

    zone: Zone
    pressure: float
    need: Need
    bounds: Bounds
    spread: float
    spreads: Bounds
    chances: dict[Zone, float]
    sure: float
    margin: Margin
    measure: tuple[Measure, ...]
    shares: Shares
    good: Good
    stretch: Stretch | None = field(default=None, repr=False, compare=False)


def judge(view: StackView, need: Need, sweep: Sweep, shares: Shares, stretch: Stretch | None = None) -> Verdict:
    """Place the sandwich among the five zones."""
    bounds = zone_bounds(view, need, sweep)
    zone = zone_at(0.0, bounds)
    thickness_parts = variance_parts(view)
    others = scatter_of_need(view, need, sweep, bounds)
    known = sum(thickness_parts.values())
    mark, right, hard, refuses = (math.sqrt(known + other) for other in others)
    spreads = (mark, right, hard, refuses)
    chances = zone_chances(bounds, spreads)
    return Verdict(
        zone=zone,
        pressure=sweep.now,
        need=need,
        bounds=bounds,
        spread=spreads[min(range(4), key=lambda n: abs(bounds[n]))],
        spreads=spreads,
        chances=chances,
        sure=chances[zone],
        margin=margin_of(view, bounds, zone, need),
        measure=measured_first(view, bounds, thickness_parts, others),
        shares=shares,
        good=good_by_thickness(bounds, math.sqrt(known), others, chances, stretch, whole_bounds(shares, need, sweep, bounds)),
        stretch=stretch,
    )


def good_by_thickness(
    bounds: Bounds,
    known: float,
    others: Bounds,
    chances: dict[Zone, float],
    stretch: Stretch | None,
    whole: tuple[float, float] | None = None,
) -> Good:
    """The chance of a good sheet.

    Parameters
    ----------
    bounds : Bounds
        Borders of the zones. [mm]
    known : float
        Standard deviation of the pile. [mm]
    others : Bounds
        Variance of each border by itself. [mm2]
    chances : dict
        Of the zones. [1]
    stretch : Stretch or None
        Of the sheet.
    whole : tuple or None
        Borders between which the whole work is right, and not its mean only [mm]; None where that is the same.
    """
    listed = [chances[zone] for zone in ZONES]
    lower, upper = whole or bounds[1:3]
    added = known * EVEN
    sds = [max(math.sqrt(other), FINEST) for other in others[1:3]]

    def between(low: float, high: float) -> FloatArray:
        """Chance at each point that it lies between two borders (n,)."""
        return np.asarray(np.maximum(ndtr((high - added) / sds[1]) - ndtr((low - added) / sds[0]), 0.0) / EVEN.size)

    within, right = between(lower, upper), float(between(*bounds[1:3]).sum())
    if right > 0.0:
        return good_of(listed, stretch, within * (chances["right"] / right), added)
    here = np.array([0.5 * (lower + min(upper, lower + 1.0))])  # between two points: as at the middle of where it is right
    share = 1.0 if whole is None else min(max(upper - lower, 0.0) / max(bounds[2] - bounds[1], FINEST), 1.0)
    return good_of(listed, stretch, np.array([chances["right"] * share]), np.where(np.isfinite(here), here, 0.0))


def whole_bounds(shares: Shares, need: Need, sweep: Sweep, bounds: Bounds) -> tuple[float, float]:
    """Added thicknesses between which the whole work is right [mm], as far as more or less pressure is shared out as this is."""
    least, most = shares.factors(sweep.now)
    return max(bounds[1], sweep.added_for(need.right * least)), min(bounds[2], sweep.added_for(need.hard * most))


def zone_bounds(view: StackView, need: Need, sweep: Sweep) -> Bounds:
    """Added thickness at each border between zones, never decreasing [mm]. Too hard is what crushes the work, or leaves a set in a plate."""
    refuses = sweep.refuses_at
    mark, right, hard = (min(sweep.added_for(p), refuses) for p in (need.mark, need.right, need.hard))
    hard = min(hard, sweep.added_under(*bears(view)), refuses)
    right = max(mark, right)
    return mark, right, max(right, hard), refuses


def bears(view: StackView) -> tuple[float, float]:
    """Peak pressure under a roller that the uppermost and the lowest layer take without a set. [MPa]"""
    if not view.layers:
        return math.inf, math.inf
    return view.layers[-1].material.bears_under_roller, view.layers[0].material.bears_under_roller


def zone_at(added: float, bounds: Bounds) -> Zone:
    """Zone of a pile with some thickness added; a pile on the border to "refuses" still feeds."""
    mark, right, hard, refuses = bounds
    if added > refuses:
        return "refuses"
    return ZONES[sum(added >= border for border in (mark, right, hard))]


def variance_parts(view: StackView) -> dict[str, float]:
    """Variance that each thing's thickness brings into the pile [mm2], by layer id; the opening as "press"."""
    parts = {"press": view.press.opening.sd_mm**2}
    first: dict[str, str] = {}
    total: dict[str, float] = {}
    for placed in view.layers:
        name = first.setdefault(placed.layer.item, placed.id)
        total[name] = total.get(name, 0.0) + placed.share
    for placed in view.layers:
        if placed.id in total:
            parts[placed.id] = (total[placed.id] * placed.item.thickness.sd_mm) ** 2
    return parts


def scatter_of_need(view: StackView, need: Need, sweep: Sweep, bounds: Bounds) -> Bounds:
    """Variance of each border that comes from the scatter of the stock's strength, of the relief's height and from what the pressure may be off [mm2]: from where to where the
    border moves when its pressure is lower and higher by a standard deviation."""
    by_stock = sweep.added_for(need.hard) <= sweep.added_under(*bears(view))  # a plate's set does not ask for the stock
    known = ((1.0, need.depth), (need.blur, need.depth), (need.steep if by_stock else 0.0, 0.0))
    found = (spread_at(sweep, border, *each) ** 2 if border < bounds[3] else 0.0 for border, each in zip(bounds, known, strict=False))
    mark, right, hard = found
    return mark, right, hard, 0.0


def spread_at(sweep: Sweep, border: float, steep: float, depth: float) -> float:
    """Standard deviation of a border [mm], by the spread of its pressure against the need; `steep` and `depth` as of `Need`."""
    if not math.isfinite(border):
        return 0.0
    pressure = float(np.interp(border, sweep.added, sweep.pressure))
    spread = float(sweep.pressure_spread(pressure, steep, depth))
    low, high = (sweep.added_for(pressure * math.exp(sign * spread)) for sign in (-1.0, 1.0))
    return 0.5 * (high - low) if math.isfinite(high) else border - low


def zone_chances(bounds: Bounds, spreads: Bounds) -> dict[Zone, float]:
    """Probability of each zone if the pile's thickness scatters normally against each border [mm]."""
    if not min(spreads) > 0:
        here = zone_at(0.0, bounds)
        return {zone: float(zone == here) for zone in ZONES}
    mark, right, hard, refuses = (float(ndtr(b / s)) for b, s in zip(bounds, spreads, strict=True))
    right = max(mark, right)
    hard, refuses = max(right, min(hard, refuses)), max(right, refuses)
    return dict(zip(ZONES, (mark, right - mark, hard - right, refuses - hard, 1.0 - refuses), strict=True))


def expected_certainty(bounds: Bounds, known: FloatArray, open_part: FloatArray, others: Bounds = NO_OTHERS) -> FloatArray:
    """How sure the verdict is to be on average once a part of the scatter has been measured away (n,) [1].

    Parameters
    ----------
    bounds : Bounds
        Borders of the zones, from the present mean. [mm]
    known : ndarray, shape (n,)
        Variance that stays after the measurement. [mm2]
    open_part : ndarray, shape (n,)
        Variance that the measurement resolves: the mean will turn out to have moved by so much. [mm2]
    others : Bounds
        Variance of each border by itself. [mm2]

    Notes
    -----
    Mean over the possible outcomes of the chance of the then likeliest zone, by Gauss-Hermite quadrature. It never falls when
    more is measured.
    """
    moved = NODES * np.sqrt(open_part)[:, None]
    spreads = (np.sqrt(np.maximum(known + other, 1e-12))[:, None] for other in others)
    below = [np.zeros(moved.shape), *(ndtr((b - moved) / s) for b, s in zip(bounds, spreads, strict=True)), np.ones(moved.shape)]
    likeliest = np.max([high - low for low, high in pairwise(below)], axis=0)
    return np.asarray(likeliest @ WEIGHTS)


def measured_first(view: StackView, bounds: Bounds, parts: dict[str, float], others: Bounds) -> tuple[Measure, ...]:
    """What to measure of a pile whose things scatter by themselves, by the variance that each brings. [mm2]"""
    counts = {"press": 1.0, **{p.id: p.share for p in view.layers}}
    names = {"press": ("press", say("the opening of {press}", press=view.press.name)), **{p.id: (p.id, named(p.name)) for p in view.layers}}
    total = sum(parts.values())

    def sure_after(choices: Sequence[Choice]) -> list[float]:
        resolved = np.array([sum(max(parts[k] - (counts[k] * GAUGE) ** 2, 0.0) for k in choice) for choice in choices])
        return [float(sure) for sure in expected_certainty(bounds, total - resolved, resolved, others)]

    return worth_measuring(names, parts, sure_after([()])[0], sure_after)


@dataclass(frozen=True)
class Shim:
    """The shim at hand: name, thickness [mm], modulus through the thickness [MPa]."""

    name: Message
    thickness: float
    modulus: float

    def added(self, pressure: float) -> float:
        """What a sheet adds to the pile once it is squeezed itself [mm]."""
        return self.thickness * max(1.0 - pressure / self.modulus, 0.1)


PLAIN_PAPER = Shim(say("{thickness} paper", thickness=thickness(COPY_PAPER.value)), COPY_PAPER.value, PAPER_MODULUS.value)


def margin_of(view: StackView, bounds: Bounds, zone: Zone, need: Need) -> Margin:
    """Distance to both neighbours in sheets of the shim at hand; the last border is one of thickness, not of pressure."""
    shim = shim_at_hand(view)
    pressures = (need.mark, need.right, need.hard, 0.0)
    index = ZONES.index(zone)
    thinner, thicker = neighbours(index)
    fewer = sheets(-bounds[index - 1], shim.added(pressures[index - 1])) if thinner else None
    # squeezed shims add less, so that the bite may refuse before the pressure is too high
    steps = [(sheets(bounds[k], shim.added(pressures[k])), -k) for k in range(index, 4)]
    more = min(steps, default=None)
    return Margin(
        shim=shim.name,
        shim_mm=shim.thickness,
        thinner_mm=max(-bounds[index - 1], 0.0) if thinner else None,
        thicker_mm=bounds[index] if thicker else None,
        sheets_less=fewer,
        less_is=thinner,
        sheets_more=more[0] if more else None,
        more_is=ZONES[1 - more[1]] if more else None,
    )


def no_room(margin: Margin) -> bool:
    """True for a pile that not even a sheet of paper more does good."""
    return margin.more_is in ("hard", "refuses") and margin.thicker_mm is not None and margin.thicker_mm < PLAIN_PAPER.thickness


def neighbours(index: int) -> tuple[Zone | None, Zone | None]:
    """The zones beside one."""
    return (ZONES[index - 1] if index > 0 else None), (ZONES[index + 1] if index < 4 else None)


def sheets(distance: float, each: float) -> int:
    """Whole sheets that reach past a distance."""
    return max(math.floor(distance / each) + 1, 1)


def shim_at_hand(view: StackView) -> Shim:
    """A shim in the stack, else the sheet's own stock, else plain paper."""
    for placed in view.layers:
        if placed.layer.role == "shim":
            return Shim(named(placed.name), placed.item.thickness.mm, placed.young)
    if view.sheet is not None:
        return Shim(named(view.sheet.name), view.sheet.item.thickness.mm, view.sheet.young)
    return PLAIN_PAPER
