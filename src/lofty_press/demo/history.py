"""What the press room's plates went through before: years of always using the middle."""

import uuid
from dataclasses import replace

import numpy as np

from lofty_press.core.mechanics.feed import setting_of
from lofty_press.core.mechanics.plates import FACES, Face, marks_of, pattern_of
from lofty_press.demo.reliefs.library import demo_relief
from lofty_press.demo.sandwiches import SANDWICHES, SHELF
from lofty_press.service.db.connection import Connection
from lofty_press.service.keeping.plates import repository as plates

CUTS: dict[str, tuple[tuple[str, Face, int], ...]] = {
    "hard-b": (("station-arch", "back", 60), ("label-large", "back", 50), ("label-small", "back", 20)),
    "hard-bowed": (("label-large", "back", 130), ("bench-seat", "back", 60), ("station-arch", "face", 30)),
}
"""Cuts on each plate: with which die, on which face, how many."""
CARELESS = 1.5  # mm by which nobody lays a die twice alike


def load_history(connection: Connection, items: dict[str, str]) -> None:
    """Note those cuts; `items` are the shelf's keys by the demo's."""
    rng = np.random.default_rng(1874)
    sandwich = SANDWICHES["arch-cut"]
    own_die = next(key for key, item in sandwich.items.items() if item.blade is not None)
    for key, cuts in CUTS.items():
        item = replace(SHELF[key], shelf_id=items[key])
        life = plates.begin_life(connection, items[key], item)
        for die, face, count in cuts:
            cut = replace(sandwich, items={**sandwich.items, own_die: SHELF[die]})
            (mark,), pattern = marks_of(cut, setting_of(cut, demo_relief)), pattern_of(SHELF[die], demo_relief)
            for x, y in rng.normal(0.0, CARELESS, (count, 2)):
                laid = replace(mark, face=face, x=round(float(x), 2), y=round(float(y), 2))
                plates.keep_mark(connection, life, str(uuid.uuid4()), 1, laid, pattern, SHELF[die].name)
        kept = plates.rebuild(connection, life)
        for face in FACES:
            plates.keep_wear(connection, life, face, kept.history.of(face))
