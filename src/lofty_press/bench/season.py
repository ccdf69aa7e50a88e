"""A simulated year of the press room: what it does to a pair of plates, always in the middle or laid as proposed."""

from collections.abc import Iterator
from dataclasses import dataclass, replace

import numpy as np

from lofty_press.bench.figure import Figure
from lofty_press.core.mechanics.feed.best import setting_of
from lofty_press.core.mechanics.plates.mark import FACES, Face, Pattern, marks_of, pattern_of
from lofty_press.core.mechanics.plates.propose import History, propose
from lofty_press.core.mechanics.plates.wear import Laid, add_marks, no_wear
from lofty_press.core.sandwich.stack.item import Item
from lofty_press.core.sandwich.stack.sandwich import Sandwich
from lofty_press.demo.reliefs.library import demo_relief
from lofty_press.demo.sandwiches import SANDWICHES, SHELF

NAMES = ("bow_ratio_vs_middle", "worst_wear_ratio_vs_middle")
WEEKS, CUTS_A_WEEK = 50, 12
JOBS = {"station-arch": 0.3, "label-large": 0.3, "label-small": 0.15, "bench-seat": 0.15, "porthole-large": 0.1}
"""Dies of the press room, and how often each is taken."""


@dataclass(frozen=True)
class Job:
    """A die's pattern, and how deep it scars the plate."""

    pattern: Pattern
    depth: float


def jobs() -> dict[str, Job]:
    """Every die of the year, cut as the press room's arch is: the scar that the core works out for it."""
    found = {}
    for key in JOBS:
        sandwich = with_die(SANDWICHES["arch-cut"], SHELF[key])
        (mark,) = marks_of(sandwich, setting_of(sandwich, demo_relief))
        found[key] = Job(pattern_of(SHELF[key], demo_relief), mark.depth)
    return found


def with_die(sandwich: Sandwich, die: Item) -> Sandwich:
    """The sandwich with another die in place of its own."""
    key = next(k for k, item in sandwich.items.items() if item.blade is not None)
    return replace(sandwich, items={**sandwich.items, key: die})


def year() -> Iterator[str]:
    """The dies in the order in which they are used; always the same."""
    rng = np.random.default_rng(1926)
    names = list(JOBS)
    yield from (names[n] for n in rng.choice(len(names), WEEKS * CUTS_A_WEEK, p=list(JOBS.values())))


def run_through(plate: Item, known: dict[str, Job], *, middle: bool) -> History:
    """A plate after a year."""
    history = History(no_wear(plate), no_wear(plate), plate.thickness.mm)
    for name in year():
        job = known[name]
        face: Face = FACES[0]
        laid = Laid(0.0, 0.0, 0.0, job.depth)
        if not middle:
            best = propose(history, job.pattern, job.depth)[0]
            face, laid = best.face, Laid(best.x, best.y, best.turn, job.depth)
        add_marks(history.of(face), job.pattern, [laid])
    return history


def measure(names: set[str]) -> list[Figure]:
    """Bow and worst wear after a year, as a share of what they are when always the middle of one face is used."""
    if not names & set(NAMES):
        return []
    plate, known = SHELF["hard-a"], jobs()
    old, new = (run_through(plate, known, middle=middle) for middle in (True, False))
    figures = [
        Figure("bow_ratio_vs_middle", abs(new.bow() / old.bow()), "1", 0.5),
        Figure("worst_wear_ratio_vs_middle", max(new.face.worst, new.back.worst) / max(old.face.worst, old.back.worst), "1", 0.5),
    ]
    return [f for f in figures if f.name in names]
