"""What dial-in is worth: simulated press rooms whose true figures nobody in them knows, and how many sheets are spoiled there.

Hidden worlds are drawn from a prior of their own, which is wider than the demo's and not the one that the inference assumes. What a sheet becomes there is
judged by the whole model at the true figures; now and then it is noted wrongly.
"""

import math
from collections.abc import Iterator
from dataclasses import dataclass, field, replace

import numpy as np

from lofty_press.bench.figure import Figure
from lofty_press.core.judging.assess import assess
from lofty_press.core.judging.dialin import (
    Belief,
    Learnt,
    Response,
    Tried,
    believed_before,
    believed_item,
    believed_press,
    learn,
    one_more,
    respond,
)
from lofty_press.core.judging.dialin.next_trial import best_shims
from lofty_press.core.judging.verdict import ZONES, Zone
from lofty_press.core.sandwich.stack import Item, Sandwich, Thickness, typical_thing
from lofty_press.core.working.setout import WORKS
from lofty_press.core.working.setout.presses import UNSURE
from lofty_press.demo.reliefs.library import demo_relief
from lofty_press.demo.sandwiches import SANDWICHES

FIGURES = ("dialin_spoiled", "dialin_gain", "dialin_coverage")  # how their names begin
WORLDS = 200
WISHES = ("arch-cut", "ticket-sleeve", "programme-cover", "arch-line", "envelope-device", "masked-label")
KNOWN = WISHES[:2]  # what somebody who sets out tells of
LATER = 3  # wishes after which one is dialled in
MOST_TRIES = 9
FEWER = 3  # shims that can be had less, by a thinner plate
SHIM = typical_thing("sheet").thickness.mm

# the hidden worlds
OPENING = 0.4  # mm
FRAME, MATS, NEED = math.log(1.7), math.log(1.8), math.log(1.4)
OTHER_MAKER, OWN = 0.15, 0.04  # mm; a kind of things is thicker or thinner by up to so much, and each thing differs from its like
MISREPORTED = 0.03
SEES_A_SET = 0.3


@dataclass(eq=False)
class Bench:
    """The piles as somebody has them who measured nothing, with their responses as far as they were asked for."""

    piles: dict[str, Sandwich]
    responses: dict[tuple[str, int], Response] = field(default_factory=dict)

    def pile(self, wish: str, shims: int) -> Sandwich:
        """A wish's pile with some shims more or less."""
        pile = self.piles[wish]
        return replace(pile, press=replace(pile.press, opening=replace(pile.press.opening, mm=pile.press.opening.mm - shims * SHIM)))

    def response(self, wish: str, shims: int) -> Response:
        key = (wish, shims)
        if key not in self.responses:
            found = respond(self.pile(wish, shims), demo_relief)
            assert found is not None
            self.responses[key] = found
        return self.responses[key]


def unmeasured() -> Bench:
    """The piles of the wishes, nothing in them put under a gauge."""
    piles = {}
    for wish in WISHES:
        pile = SANDWICHES[wish]
        items = {key: guessed(key, item) for key, item in pile.items.items()}
        press = replace(pile.press, shelf_id="press", opening=Thickness(mm=pile.press.opening.mm, sd_mm=UNSURE))
        piles[wish] = replace(pile, press=press, items=items)
    return Bench(piles)


def guessed(key: str, item: Item) -> Item:
    """A thing with the spread of its class."""
    return replace(item, shelf_id=key, thickness=Thickness(mm=item.thickness.mm, sd_mm=typical_thing(item.kind).thickness.sd_mm))


def prior(bench: Bench) -> Belief:
    """What the inference assumes of the room."""
    items = {key: item for pile in bench.piles.values() for key, item in pile.items.items()}
    return believed_before([bench.piles[WISHES[0]].press], items.values())


def world(before: Belief, rng: np.random.Generator) -> Belief:
    """A hidden truth: the same unknowns, known exactly."""

    def drawn(key: str) -> float:
        what = key.partition(":")[0]
        if what == "crack":
            return 0.0  # no sheet cracks in these worlds
        if what == "kind":
            return float(rng.uniform(-OTHER_MAKER, OTHER_MAKER))
        sd = {"opening": OPENING, "frame": FRAME, "soft": MATS, "need": NEED, "thing": OWN, "grip": 0.1}[what]
        return float(sd * rng.standard_normal())

    truth = np.array([drawn(key) if not is_sheet(key, before) else 0.01 * rng.standard_normal() for key in before.keys])
    return Belief(before.keys, truth, np.zeros((len(truth), len(truth))))


def is_sheet(key: str, before: Belief) -> bool:
    """True for the thickness of a stock, which is bought by its weight."""
    what, _, of = key.partition(":")
    return what == "thing" and f"need:{of}" in before.index


def pressed(pile: Sandwich, truth: Belief) -> tuple[Zone, bool]:
    """What becomes of a pile in a world, and whether that is seen on the sheet: a plate that only begins to stay bent is not."""
    items = {key: believed_item(item, truth) for key, item in pile.items.items()}
    verdict = assess(replace(pile, press=believed_press(pile.press, truth), items=items), demo_relief).verdict
    assert verdict is not None
    return verdict.zone, verdict.zone != "hard" or verdict.pressure >= verdict.need.hard


@dataclass(eq=False)
class World:
    """A hidden world and what was seen in it."""

    bench: Bench
    truth: Belief
    rng: np.random.Generator
    outcomes: dict[tuple[str, int], tuple[Zone, bool]] = field(default_factory=dict)

    def seen(self, wish: str, shims: int) -> tuple[Zone, bool]:
        """What a pile really does, and whether the sheet shows it."""
        if (wish, shims) not in self.outcomes:
            self.outcomes[wish, shims] = pressed(self.bench.pile(wish, shims), self.truth)
        return self.outcomes[wish, shims]

    def right(self, wish: str, shims: int) -> bool:
        """True if the sheet is right."""
        zone, shows = self.seen(wish, shims)
        return zone == "right" or not shows

    def told(self, wish: str, shims: int) -> Zone:
        """What is noted of it."""
        zone, shows = self.seen(wish, shims)
        if self.rng.random() < MISREPORTED:
            return ZONES[self.rng.integers(len(ZONES))]
        return zone if shows or self.rng.random() < SEES_A_SET else "right"

    def possible(self, wish: str) -> bool:
        """True if some number of shims makes the pile right at all."""
        return any(self.right(wish, n) for n in range(-FEWER, MOST_TRIES))


def set_out(world: World, before: Belief) -> Learnt:
    """Two piles that somebody knows of before the first sheet."""
    tried, responses = [], {}
    for wish in KNOWN:
        zone = world.told(wish, 0)
        fits = next(zones for zones in WORKS.values() if zone in zones)
        tried.append(Tried(f"known {wish}", world.bench.pile(wish, 0), fits))
        responses[f"known {wish}"] = world.bench.response(wish, 0)
    return learn(before, tried, lambda _: None, responses)


def dialled_in(world: World, before: Belief, order: list[str]) -> tuple[list[int], Belief]:
    """Sheets spoiled for each wish where every sheet teaches, and what is believed in the end."""
    learnt, spoiled = set_out(world, before), []
    for wish in order:
        count = 0
        for attempt in range(MOST_TRIES):
            shims = best_shims(world.bench.response(wish, 0), learnt.belief, SHIM, FEWER).count
            tried = Tried(f"{wish} {attempt}", world.bench.pile(wish, shims), frozenset({world.told(wish, shims)}))
            learnt = one_more(learnt, tried, world.bench.response(wish, shims))
            if world.right(wish, shims):
                break
            count += 1
        spoiled.append(count)
    return spoiled, learnt.belief


def shimmed(world: World, order: list[str]) -> Iterator[int]:
    """Sheets spoiled for each wish by common practice: typical figures, then one shim more or less at a time."""
    for wish in order:
        shims, count = 0, 0
        while count < MOST_TRIES and not world.right(wish, shims):
            shims += 1 if world.seen(wish, shims)[0] in ("slack", "faint") else -1
            shims = min(max(shims, -FEWER), MOST_TRIES)
            count += 1
        yield count


def measure(names: set[str]) -> list[Figure]:
    """All worlds."""
    if not any(name.startswith(FIGURES) for name in names):
        return []
    rng = np.random.default_rng(17)
    bench = unmeasured()
    before = prior(bench)
    ours: list[list[int]] = []
    theirs: list[int] = []
    inside: list[bool] = []
    for _ in range(WORLDS):
        here = World(bench, world(before, rng), rng)
        order = [wish for wish in rng.permutation(WISHES).tolist() if here.possible(wish)]
        spoiled, belief = dialled_in(here, before, order)
        ours.append(spoiled)
        theirs += shimmed(here, order)
        inside += covered(belief, here.truth)
    every = [count for wishes in ours for count in wishes]
    later = [count for wishes in ours for count in wishes[LATER:]]
    figures = [
        Figure("dialin_spoiled_first", float(np.mean(every)), "sheets", 0.7),
        Figure("dialin_spoiled_later", float(np.mean(later)), "sheets", 0.35),
        Figure("dialin_spoiled_p95", float(np.quantile(every, 0.95)), "sheets", 2.0),
        Figure("dialin_gain_over_shimming", float(np.mean(theirs) / np.mean(every)), "1", 3.0, at_least=True),
        Figure("dialin_coverage_90", float(np.mean(inside)), "1", None),
        Figure("dialin_coverage_90_apart", abs(float(np.mean(inside)) - 0.9), "1", 0.04),
    ]
    return [figure for figure in figures if figure.name in names]


def covered(belief: Belief, truth: Belief) -> list[bool]:
    """For each unknown that differs from world to world, whether its true value lies in its 90 % range."""
    drawn = np.array([not key.startswith("crack:") for key in belief.keys])
    away = (truth.mean - belief.mean)[drawn] / np.sqrt(np.diag(belief.cov))[drawn]
    return [bool(near) for near in np.abs(away) < 1.645]
