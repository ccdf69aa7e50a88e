"""The feed: the best way to lay an outline, over one load trace; wear maps of many runs."""

import math
import time
from dataclasses import replace

import numpy as np

from lofty_press.bench.figure import Figure, timed
from lofty_press.core.mechanics.feed.best import advise, feed, setting_of
from lofty_press.core.mechanics.plates.mark import pattern_of
from lofty_press.core.mechanics.plates.wear import Laid, add_marks, no_wear
from lofty_press.core.sandwich.stack.item import Item
from lofty_press.core.sandwich.stack.sandwich import Sandwich
from lofty_press.demo.reliefs.library import demo_relief
from lofty_press.demo.sandwiches import SANDWICHES, SHELF

NAMES = ("best_feed_over_trace", "wear_map_10000_runs_s")
POINTS = 2000
RUNS = 10_000


def wavy_die() -> Item:
    """A die with an outline of many points."""
    turns = [2 * math.pi * n / POINTS for n in range(POINTS)]
    radii = [42 + 3 * math.sin(17 * a) + math.sin(61 * a) for a in turns]
    outline = tuple((round(1.15 * r * math.cos(a), 3), round(0.8 * r * math.sin(a), 3)) for r, a in zip(radii, turns, strict=True))
    old = SHELF["station-arch"]
    assert old.blade is not None
    return replace(old, name="Wavy die", outline=outline, blade=replace(old.blade, map=None))


def wavy() -> Sandwich:
    """The press room's cut with that die."""
    sandwich = SANDWICHES["arch-cut"]
    key = next(k for k, item in sandwich.items.items() if item.blade is not None)
    return replace(sandwich, items={**sandwich.items, key: wavy_die()})


def best_over_trace() -> Figure:
    """Looking for the best turn and place, over one load trace taken right before and after."""
    sandwich = wavy()

    def trace() -> None:
        feed(sandwich, setting_of(sandwich, demo_relief))

    ratios = []
    for _ in range(5):
        before = float(np.median(timed(trace, times=5)))
        taken = float(np.min(timed(lambda: advise(sandwich, setting_of(sandwich, demo_relief)), times=1, warm=1)))
        after = float(np.median(timed(trace, times=5)))
        ratios.append(taken / (0.5 * (before + after)))
    return Figure("best_feed_over_trace", float(np.median(ratios)), "1", 50.0)


def wear_of_many() -> Figure:
    """Ten thousand runs of four dies, laid anywhere, built into both faces of a plate."""
    rng = np.random.default_rng(3)
    patterns = [pattern_of(SHELF[key], demo_relief) for key in ("station-arch", "label-large", "label-small", "bench-seat")]
    add_marks(no_wear(SHELF["hard-a"]), patterns[0], [Laid(0.0, 0.0, 0.0, 0.01)])
    start = time.perf_counter()
    faces = [no_wear(SHELF["hard-a"]) for _ in range(2)]
    for n, pattern in enumerate(patterns):
        for face in faces:
            places = rng.uniform((-50, -25, 0), (50, 25, 360), (RUNS // 8, 3))
            add_marks(face, pattern, [Laid(x, y, turn, 0.01 + 0.005 * n) for x, y, turn in places])
    seconds = time.perf_counter() - start
    assert sum(face.runs for face in faces) == RUNS
    return Figure("wear_map_10000_runs_s", seconds, "s", 1.0)


def measure(names: set[str]) -> list[Figure]:
    """The wanted figures."""
    figures = []
    if "best_feed_over_trace" in names:
        figures.append(best_over_trace())
    if "wear_map_10000_runs_s" in names:
        figures.append(wear_of_many())
    return figures
