"""The pressure curve of a partial, and what it says of every candidate at once: the quick judgement behind the search.

It reads the same curve as the full verdict (`verdict/sweep.py`) and the same estimate of the sheet. What it leaves out: that a candidate's
plates bend differently at a window, and the findings. So it is nearly the full judgement, and never much above it.
"""

import math
from dataclasses import dataclass, replace

import numpy as np
from scipy.special import erfc, ndtri

from lofty_press.core.basics.trade import FRESH_MIST
from lofty_press.core.judging.findings import most_squeeze
from lofty_press.core.judging.verdict import Sweep, bears, crack_chance, minded, shares_of, sweep, variance_parts
from lofty_press.core.mechanics.forming import Closing, closing_of, summary_at
from lofty_press.core.mechanics.needs import Need, need_of
from lofty_press.core.mechanics.nip import Nip, build_field, solve_nip
from lofty_press.core.sandwich.relief import Library
from lofty_press.core.sandwich.stack import EFFECT_TRAITS, FloatArray, Press, Sandwich, StackView
from lofty_press.core.working.recipes.candidates import Candidates
from lofty_press.core.working.recipes.cost import WARNED, effort_costs, fixed_cost, flat_cost, freeing_cost, layer_cost, wear_cost
from lofty_press.core.working.recipes.options import Partial
from lofty_press.core.working.recipes.pile import Candidate, Laid, Pile, sandwich_of
from lofty_press.core.working.recipes.wish import Wish

FIXED_POINT = 3  # steps to where a candidate that gives more or less stands on the curve
THICKER = ndtri((np.arange(7) + 0.5) / 7)  # standard deviations of a pile's thickness, all equally likely, over which cracks are counted
CLOSER = (-0.25, -0.1, 0.0, 0.15)  # mm nearer than they stand, at which the rollers are asked how evenly they press
NOWHERE = 1e6  # of a need's pressure, which no press gives
ESTIMATES = 14  # pressures at which crack and springing back are worked out; between them they are interpolated

State = tuple[int, bool]
"""Passes, and whether the sheet is misted."""

SheetCosts = dict[tuple[str, float, State, float, float], tuple[FloatArray, FloatArray, FloatArray]]
"""Costs of the sheet over pressure, by tool, its thickness, state and the need's borders; good for one wish."""


@dataclass(frozen=True)
class Evenness:
    """Over some mean pressures, as logarithms (k,) [ln MPa], the factors of a need's pressures from which, `least`, and up to which, `most`, the whole work is
    right (k,) [1]."""

    at: FloatArray
    least: FloatArray
    most: FloatArray

    def factors(self, pressure: FloatArray) -> tuple[FloatArray, FloatArray]:
        """Both at some mean pressures (n,) [MPa]."""
        logs = np.log(np.maximum(pressure, 1e-9))
        return np.interp(logs, self.at, self.least), np.interp(logs, self.at, self.most)


@dataclass(frozen=True)
class Curve:
    """A partial's curve: pressure over thickness, measured from one candidate of it.

    `needs`, how `evenness` goes and how sheet and tool close, `closings`, per state; `thickness`, `compliance` and `variance` are those of the candidate that it was measured with [mm, mm/MPa, mm2], `scatter`
    the variance of everything else [mm2], `most_squeeze` how far mats may be squeezed [mm].
    """

    partial: Partial
    view: StackView
    sweep: Sweep
    needs: dict[State, Need]
    evenness: dict[State, Evenness]
    thickness: float
    compliance: float
    scatter: float
    most_squeeze: float
    closings: dict[State, Closing]


def states_of(partial: Partial, wish: Wish) -> list[State]:
    """Passes and mist that way and wish leave open."""
    misted = {"free": (False, True), "dry": (False,), "misted": (True,)}[wish.mist]
    sheet = next(laid.what.item for slot, laid in zip(partial.way.slots, partial.fixed, strict=True) if slot.role == "sheet" and laid)
    takes = sheet.stock is not None and sheet.stock.mist is not None
    wet = [m for m in partial.way.mist if m in misted and (takes or not m)]
    return [(passes, m) for passes in partial.way.passes if passes <= wish.most_passes for m in wet]


def filled(partial: Partial, laid: tuple[Laid | None, ...]) -> Candidate:
    """The whole candidate: what is fixed and what lies in the open slots."""
    whole = list(partial.fixed)
    for (slot, _), thing in zip(partial.open_slots, laid, strict=True):
        whole[slot] = thing
    return tuple(whole)


def pile_of(partial: Partial, laid: tuple[Laid | None, ...], state: State) -> Pile:
    """A pile with nothing left open."""
    return Pile(partial.effect, partial.way, filled(partial, laid), *state, partial.feed)


def in_state(sandwich: Sandwich, state: State) -> Sandwich:
    """The same sandwich with other passes, dry or misted."""
    wet = FRESH_MIST.value if state[1] else None
    layers = tuple(replace(layer, mist_age_s=wet) if layer.role == "sheet" else layer for layer in sandwich.layers)
    return replace(sandwich, passes=state[0], layers=layers)


def curve_of(
    partial: Partial, candidates: Candidates, row: int, states: list[State], wish: Wish, press: Press, library: Library
) -> Curve | None:
    """Measure a partial's curve with one of its candidates; None if its tool cannot give the effect."""
    sandwich = sandwich_of(pile_of(partial, candidates.of(row), states[0]), wish, press)
    view = StackView(sandwich)
    needs, closings = {}, {}
    for state in states:
        there = StackView(in_state(sandwich, state))
        closings[state] = closing_of(there, library)
        need = need_of(there, closings[state])
        if need is None:
            return None
        needs[state] = need
    targets = tuple({p for need in needs.values() for p in (need.mark, need.right, need.hard)})
    closing = closings[states[0]]
    field = build_field(view, closing.blade, closing.interface, library)
    found = sweep(solve_nip(field, view.press), view.press, targets)
    nips = [nip for closer in CLOSER if (nip := solve_nip(field, narrower(view.press, closer))).at_work > 0.0]
    parts = variance_parts(view)
    whole = math.fsum(parts.values())
    variance = float(candidates.variance[row])
    return Curve(
        partial,
        view,
        found,
        needs,
        {state: evenness_of(nips, need, minded(sandwich.effect.traits, state[0])) for state, need in needs.items()},
        float(candidates.thickness[row]),
        float(candidates.compliance[row]),
        whole - variance,
        most_squeeze(view, closing.blade),
        closings,
    )


def quick_costs(curve: Curve, candidates: Candidates, state: State, sheets: SheetCosts) -> FloatArray:
    """What speaks against each candidate (n,), by the quick judgement [spoiled sheets a sheet]; `sheets` remembers what was worked out of the sheet.

    Notes
    -----
    A candidate that gives more by dc [mm/MPa] reaches a pressure p with p dc more of squeeze d, and needs that much more thickness. The nip is
    wider by then: at the same pressure its force F grows by F / (2 d) a millimetre (half width a = sqrt(R d)), and a partial of stiffness K
    opens by as much over K. So the curve moves by p dc (1 + F / (2 d K)).
    """
    need, found = curve.needs[state], curve.sweep
    whole = candidates.thickness - curve.thickness
    costs = np.ones(whole.size)
    touching = np.flatnonzero((whole >= found.added[0]) & (whole <= found.refuses_at))
    if not touching.size:
        return costs
    more, softer = whole[touching], candidates.compliance[touching] - curve.compliance
    stiffness = curve.view.press.frame_stiffness_n_per_mm
    moves = found.pressure * (1.0 + found.force / (2.0 * np.maximum(found.squeezed, 1e-3) * stiffness))
    added = more
    for _ in range(FIXED_POINT):
        added = more - softer * np.interp(added, found.added, moves)
    pressure = np.interp(added, found.added, found.pressure)
    scatter = np.maximum(curve.scatter + candidates.variance[touching], 1e-12)

    def away(limit: float | FloatArray, steep: float = 1.0, depth: float = 0.0) -> tuple[FloatArray, FloatArray]:
        """How far each candidate is from a border in pressure [mm], and that over its spread (n,)."""
        spread = found.pressure_spread(limit, steep, depth)
        low, at, high = (border(found, limit * np.exp(n * spread), softer, moves) for n in (-1.0, 0.0, 1.0))
        with np.errstate(invalid="ignore"):
            own = np.where(np.isfinite(high), 0.5 * (high - low), np.where(np.isfinite(at), at - low, 0.0))
        return at - more, (at - more) / np.sqrt(scatter + own**2)

    refuses = found.refuses_at - more
    set_at = found.added_under(*bears(curve.view))
    least, most = curve.evenness[state].factors(pressure)
    borders = [away(need.mark, depth=need.depth), away(need.right * least, need.blur, need.depth), away(need.hard * most, need.steep)]
    if math.isfinite(set_at):
        borders.append(away(float(np.interp(set_at, found.added, found.pressure)), 0.0))
    marks, rights, *overdone = (
        tuple(np.where(at < refuses, each, refuses / by) for each, by in ((at, 1.0), (over, np.sqrt(scatter)))) for at, over in borders
    )
    low = np.where(marks[0] > rights[0], marks[1], rights[1])
    high = np.minimum.reduce([over for _, over in overdone])
    wrong = 0.5 * erfc(-low / math.sqrt(2.0)) + 0.5 * erfc(high / math.sqrt(2.0))
    effort = effort_costs(found.handle, curve.view.press.drive)
    known = math.fsum(fixed_cost(pile_of(curve.partial, candidates.of(0), state))) + fixed_layers(curve.partial)
    logs, *parts = sheet_costs(curve, state, sheets)
    flat = np.interp(np.log(np.maximum(pressure, 1e-9)), logs, parts[1])
    reached = np.interp(
        added + np.sqrt(scatter) * THICKER[:, None], found.added, found.pressure
    )  # the pile is as thick as it happens to be
    cracked = np.interp(np.log(np.maximum(reached, 1e-9)), logs, parts[0]).mean(axis=0)
    flattened = WARNED * (np.interp(more, found.added, found.squeezed) > curve.most_squeeze)
    costs[touching] = (
        wrong + (1.0 - wrong) * cracked + flat + np.interp(added, found.added, effort) + flattened + candidates.bother[touching] + known
    )
    return costs


def border(found: Sweep, pressure: float | FloatArray, softer: FloatArray, moves: FloatArray) -> FloatArray:
    """Added thickness at which each candidate reaches a pressure, one for all or its own (n,) [MPa], by how much more it gives (n,) [mm]; infinite where it
    does not."""
    at = np.broadcast_to(found.added_for_each(np.atleast_1d(pressure)), softer.shape)
    return np.asarray(at + softer * np.interp(at, found.added, moves))


def evenness_of(nips: list[Nip], need: Need, least_minded: float) -> Evenness:
    """How a pile's pressure is shared out over the work, pressed less and more."""
    found = sorted((nip.at_work, shares_of(nip, need, least_minded).factors(nip.at_work)) for nip in nips)
    if not found:
        return Evenness(np.zeros(1), np.ones(1), np.ones(1))
    least = np.minimum([factors[0] for _, factors in found], NOWHERE)
    return Evenness(np.log([pressure for pressure, _ in found]), least, np.array([factors[1] for _, factors in found]))


def narrower(press: Press, by: float) -> Press:
    """A press whose rollers stand nearer by so much. [mm]"""
    return replace(press, opening=replace(press.opening, mm=press.opening.mm - by))


def sheet_costs(curve: Curve, state: State, known: SheetCosts) -> tuple[FloatArray, FloatArray, FloatArray]:
    """Chance of cracking and cost of springing back over some pressures up to the crushing one: (their logarithms, chances, costs)."""
    need, tool = curve.needs[state], curve.view.tool
    key = (tool.item.name if tool else "", tool.thickness if tool else 0.0, state, need.mark, need.hard)
    if key not in known:
        view = StackView(in_state(curve.view.sandwich, state))
        pressures = np.geomspace(max(need.mark, 0.05), max(need.hard, need.mark + 0.1), ESTIMATES)
        formed = [summary_at(view, curve.closings[state], float(pressure)) for pressure in pressures]
        cracked = np.array([crack_chance(one) for one in formed])
        known[key] = np.log(pressures), cracked, np.array([flat_cost(one.retained_share if one else None) for one in formed])
    return known[key]


def fixed_layers(partial: Partial) -> float:
    """Bother of the mats and masks that are part of the partial."""
    cuts = EFFECT_TRAITS[partial.effect.kind].only_cuts
    pairs = [
        (slot, laid)
        for slot, laid in zip(partial.way.slots, partial.fixed, strict=True)
        if laid and not slot.is_tool and slot.role in (None, "backing")
    ]
    return freeing_cost(partial.way, partial.fixed) + math.fsum(
        layer_cost(laid.count) + wear_cost(laid.what.item, anvil=cuts) for _, laid in pairs
    )
