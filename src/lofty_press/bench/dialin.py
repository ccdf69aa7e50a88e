"""Dial-in: one more run into a belief, what to try next, and how learning all of it anew grows."""

import time

import numpy as np

from lofty_press.bench.figure import Figure, timed
from lofty_press.core.judging.dialin import Belief, Learnt, Response, Shape, Tried, learn, next_trial, one_more
from lofty_press.core.judging.dialin.belief import independent
from lofty_press.core.judging.verdict import ZONES
from lofty_press.demo.sandwiches import SANDWICHES

NAMES = ("dialin_update_ms", "dialin_next_ms", "dialin_growth")
THINGS, RUNS = 60, 200
LAYERS = 6
ADDED = np.linspace(-1.5, 1.5, 60)  # mm
SLEEVE = SANDWICHES["ticket-sleeve"]


def room() -> Belief:
    """A press, sixty things and ten stocks."""
    return independent(
        {"opening": 0.25, "frame": 0.5, "grip": 0.1, **{f"thing{n}": 0.06 for n in range(THINGS)}, **{f"need{n}": 0.35 for n in range(10)}}
    )


def a_pile(rng: np.random.Generator) -> Response:
    """A pile of some of the things, right in the middle of what they are."""
    things = rng.choice(THINGS, LAYERS, replace=False)
    return Response(
        thickness={"opening": -1.0, **{f"thing{n}": 1.0 for n in things}},
        need={f"need{rng.integers(10)}": 1.0},
        grip={"grip": 1.0},
        added=ADDED,
        shape=giving(0.0),
        bite=2.9,
        frame={"frame": 1.0},
        variants={"frame": (giving(-0.4), giving(0.4))},
    )


def giving(harder: float) -> Shape:
    """How a pile answers where its frame gives less."""
    return Shape(4.6 * (ADDED + 0.5) + harder, np.log([2.0, 6.0, 40.0]), 5.0, 0.6)


def learnt_from(runs: int) -> tuple[Learnt, float]:
    """A belief after so many runs, and how long it took. [s]"""
    rng = np.random.default_rng(5)
    responses = {str(n): a_pile(rng) for n in range(runs)}
    tried = [Tried(key, SLEEVE, frozenset({ZONES[rng.choice(5, p=(0.05, 0.2, 0.6, 0.05, 0.1))]})) for key in responses]
    start = time.perf_counter()
    found = learn(room(), tried, lambda _: None, responses)
    return found, time.perf_counter() - start


def measure(names: set[str]) -> list[Figure]:
    """Medians."""
    if not names & set(NAMES):
        return []
    learnt, _ = learnt_from(RUNS)
    rng = np.random.default_rng(6)
    one, pile = Tried("one more", SLEEVE, frozenset({ZONES[2]})), a_pile(rng)
    figures = [
        Figure("dialin_update_ms", float(np.median(timed(lambda: one_more(learnt, one, pile), times=15))), "ms", 150.0),
        Figure("dialin_next_ms", float(np.median(timed(lambda: next_trial(pile, SLEEVE, learnt.belief, 0.25, 2), times=10))), "ms", 500.0),
    ]
    if "dialin_growth" in names:
        figures.append(Figure("dialin_growth", learnt_from(1000)[1] / learnt_from(100)[1], "1", 12.0))
    return [figure for figure in figures if figure.name in names]
