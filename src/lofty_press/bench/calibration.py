"""Whether a good sheet that is promised comes out: hidden press rooms in which the model itself is off, and the share of sheets that is good there.

The rooms are those of dial-in. What a pile does is judged at its true figures, with the pressure off by a factor that no room knows, layers stiffer or softer,
and stocks that bear more or less; then one sheet is pressed, as strong as it happens to be.
"""

import math
from dataclasses import replace

import numpy as np

from lofty_press.bench.figure import Figure
from lofty_press.bench.rooms import FEWER, KNOWN, SHIM, WISHES, Bench, World, dialled_in, prior, set_out, unmeasured, world
from lofty_press.core.judging.assess import assess
from lofty_press.core.judging.dialin import Belief, believed_item, believed_press
from lofty_press.core.judging.dialin.certainty import good_in
from lofty_press.core.judging.dialin.next_trial import best_shims
from lofty_press.core.sandwich.stack import stiffer
from lofty_press.demo.reliefs.library import demo_relief

NAMES = ("good_calibration", "good_promised", "good_kept")
ROOMS = 300
PROMISED = 0.8
LAW, LAYERS, BEARS = 0.2, 0.3, 0.25
"""Standard deviations of logarithms: of the pressure law, of what lies in a pile, and of what a stock bears against what is written on it."""


def comes_out(pile: Belief, bench: Bench, wish: str, shims: int, rng: np.random.Generator, law: float, bears: float) -> bool | None:
    """Press one sheet of a wish's pile with some shims at a room's true figures; None where that room cannot judge it."""
    there = bench.pile(wish, shims)
    stiffness = {key: math.exp(LAYERS * rng.standard_normal()) for key in there.items}
    items = {key: stiffer(believed_item(item, pile), stiffness[key]) for key, item in there.items.items()}
    judged = assess(replace(there, press=believed_press(there.press, pile), items=items), demo_relief)
    verdict = judged.verdict
    if verdict is None:
        return None
    least, most = verdict.shares.factors(verdict.pressure)
    pressure = verdict.pressure * math.exp(law)
    need = verdict.need
    if verdict.zone == "refuses" or not need.right * least <= pressure < need.hard * most:
        return False
    if verdict.stretch is None:
        return True
    added = judged.curve.added_for(pressure)
    crack = float(np.interp(added, verdict.stretch.added, np.maximum(verdict.stretch.crack, verdict.stretch.tear)))
    return crack + bears + verdict.stretch.spread * rng.standard_normal() < 0.0


def promises(seed: int = 28) -> tuple[list[float], list[bool]]:
    """Promised chances over all rooms, and whether the sheet came out: each wish at the number of shims that the room thinks best, right after set-out and once every wish was dialled in."""
    rng = np.random.default_rng(seed)
    bench = unmeasured()
    before = prior(bench)
    promised: list[float] = []
    kept: list[bool] = []
    for _ in range(ROOMS):
        truth = world(before, rng)
        here = World(bench, truth, rng)
        law = LAW * float(rng.standard_normal())
        bears = {wish: BEARS * float(rng.standard_normal()) for wish in WISHES}
        _, known = dialled_in(here, before, [wish for wish in WISHES if here.possible(wish)])
        for belief, wishes in ((set_out(here, before).belief, set(WISHES) - set(KNOWN)), (known, set(WISHES))):
            for wish in sorted(wishes):
                best = best_shims(bench.response(wish, 0), belief, SHIM, FEWER)
                good = good_in(bench.response(wish, best.count), belief)[1].chance
                came = comes_out(truth, bench, wish, best.count, rng, law, bears[wish])
                if came is not None:
                    promised.append(good)
                    kept.append(came)
    return promised, kept


def measure(names: set[str]) -> list[Figure]:
    """All rooms: of the sheets that are promised at least eight in ten, how far the share that is good lies from what was promised."""
    if not set(NAMES) & names:
        return []
    told, came = (np.array(each, dtype=float) for each in promises())
    firm = told >= PROMISED
    wanted, share = float(told[firm].mean()), float(came[firm].mean())
    figures = [
        Figure("good_calibration", abs(share - wanted), "1", 0.05),
        Figure("good_promised", wanted, "1", None),
        Figure("good_kept", share, "1", None),
    ]
    return [figure for figure in figures if figure.name in names]
