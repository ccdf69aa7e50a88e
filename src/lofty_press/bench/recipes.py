"""The search for sandwiches: against one judgement, against judging every pile, and over the size of the shelf."""

import time
from dataclasses import replace

import numpy as np

from lofty_press.bench.figure import Figure, timed
from lofty_press.core.judging.assess import assess
from lofty_press.core.sandwich.stack.item import Item
from lofty_press.core.working.recipes.catalogue import EFFECTS
from lofty_press.core.working.recipes.exhaustive import search_exhaustively
from lofty_press.core.working.recipes.search import search
from lofty_press.core.working.recipes.wish import Wish
from lofty_press.demo.presses import PRESSES
from lofty_press.demo.reliefs.library import demo_relief
from lofty_press.demo.sandwiches import SANDWICHES, SHELF

NAMES = ("search_over_assess_median", "search_over_assess_worst", "search_speedup_vs_exhaustive", "search_growth_200_2000")
STOCKS = {
    "cut-strip": "ridge-strip",
    "cut-steel-rule": "ridge-sheet",
    "metal-relief": "roof-copper",
    "envelope-flap": "mail-envelope",
    "letterpress": "meadow-watercolour",
    "stencil": "packing-film",
}
SMALL = ("bed", "spacer", "hard-a", "hard-b", "hard-bowed", "soft", "ridge-green", "ledger-index", "station-arch", "rubber", "silicone")
GROWING = ("plain-relief", "cut-thin", "die-line")


def shelf_of(count: int) -> dict[str, Item]:
    """A shelf of so many things: the press room's, and more like them, each a little different; always the same."""
    rng = np.random.default_rng(7)
    shelf, originals = dict(SHELF), list(SHELF.items())
    for n in range(count - len(shelf)):
        key, item = originals[n % len(originals)]
        shelf[f"{key} {n}"] = varied(item, n, rng)
    return shelf


def varied(item: Item, n: int, rng: np.random.Generator) -> Item:
    """A thing like another, but for what differs between two that somebody buys."""
    thickness = replace(item.thickness, mm=round(item.thickness.mm * float(rng.uniform(0.97, 1.03)), 3))
    relief = item.relief
    if relief is not None:
        relief = replace(relief, height_mm=round(relief.height_mm * float(rng.uniform(0.8, 1.1)), 3))
    return replace(item, name=f"{item.name} {n}", thickness=thickness, relief=relief)


def wish_for(effect: str) -> Wish:
    return Wish(effect=effect, stock=STOCKS.get(effect, "ridge-green"))


def seconds(effect: str, shelf: dict[str, Item]) -> float:
    """Time of one search, the least of three. [s]"""
    return float(np.min(timed(lambda: search(wish_for(effect), shelf, PRESSES["midway"], demo_relief), times=3, warm=1))) / 1000


def over_assess(names: set[str]) -> list[Figure]:
    """Every effect on 200 things, over one judgement taken right before and after."""
    shelf, sandwich = shelf_of(200), SANDWICHES["arch-cut"]
    ratios = []
    for effect in EFFECTS:
        before = float(np.median(timed(lambda: assess(sandwich, demo_relief), times=15)))
        taken = seconds(effect, shelf) * 1000
        after = float(np.median(timed(lambda: assess(sandwich, demo_relief), times=15)))
        ratios.append(taken / (0.5 * (before + after)))
    figures = [
        Figure("search_over_assess_median", float(np.median(ratios)), "1", 30.0),
        Figure("search_over_assess_worst", float(np.max(ratios)), "1", 150.0),
    ]
    return [f for f in figures if f.name in names]


def speedup() -> Figure:
    """A small shelf, judged pile by pile and searched; only counted if both find the same best."""
    shelf, press, wish = {key: SHELF[key] for key in SMALL}, PRESSES["midway"], wish_for("die-line")
    search(wish, shelf, press, demo_relief)
    start = time.perf_counter()
    every = search_exhaustively(wish, shelf, press, demo_relief)
    slow = time.perf_counter() - start
    fast = float(np.min(timed(lambda: search(wish, shelf, press, demo_relief), times=5))) / 1000
    found = search(wish, shelf, press, demo_relief).found[0]
    best = min(every.values(), key=lambda f: f.cost.total)
    same = abs(found.cost.total - best.cost.total) < 1e-9
    return Figure("search_speedup_vs_exhaustive", slow / fast if same else 0.0, "1", 100.0, at_least=True)


def growth() -> Figure:
    """Ten times the shelf over the shelf, the worst of three effects."""
    small, large = shelf_of(200), shelf_of(2000)
    ratios = [seconds(effect, large) / seconds(effect, small) for effect in GROWING]
    return Figure("search_growth_200_2000", max(ratios), "1", 5.0)


def measure(names: set[str]) -> list[Figure]:
    """The wanted figures."""
    figures = over_assess(names) if names & set(NAMES[:2]) else []
    if NAMES[2] in names:
        figures.append(speedup())
    if NAMES[3] in names:
        figures.append(growth())
    return figures
