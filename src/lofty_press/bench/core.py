"""The core's judgement of a sandwich of ten layers, with its whole pressure map."""

import numpy as np

from lofty_press.bench.figure import Figure, timed
from lofty_press.core.judging.assess import assess
from lofty_press.core.mechanics.layered.compliant import compliant
from lofty_press.core.mechanics.layered.losses import loss_share
from lofty_press.core.mechanics.nip.piles import curve_under
from lofty_press.core.sandwich.stack.sandwich import Sandwich
from lofty_press.demo.reliefs.library import demo_relief
from lofty_press.demo.sandwiches import SANDWICHES, build, lay


def ten_layers() -> Sandwich:
    """A die cut with shims: polygon outline, foam and blade, so nothing is spared."""
    shims = [lay(key, role="shim") for key in ("ledger-index", "mail-envelope", "summit-white")]
    rows = [
        lay("bed"),
        lay("spacer"),
        lay("hard-a"),
        lay("station-arch"),
        lay("ridge-green", role="sheet"),
        *shims,
        lay("foam"),
        lay("hard-b"),
    ]
    return build("Ten layers", "midway", "cut", *rows)


def forget() -> None:
    """Throw away what is kept of piles, as for a sandwich that nobody has judged before."""
    for kept in (compliant, curve_under, loss_share):
        kept.cache_clear()


def cold(sandwich: Sandwich) -> None:
    """A judgement with no table of its piles at hand."""
    forget()
    assess(sandwich, demo_relief)


def measure(names: set[str]) -> list[Figure]:
    """Medians over many judgements: with what was kept of its piles, and without."""
    sandwich = ten_layers()
    assert len(sandwich.layers) == 10
    figures = []
    if "assess_core_ms" in names:
        figures.append(Figure("assess_core_ms", float(np.median(timed(lambda: assess(sandwich, demo_relief), times=200))), "ms", 5.0))
    if "assess_cold_ms" in names:
        sleeve = SANDWICHES["ticket-sleeve"]
        figures.append(Figure("assess_cold_ms", float(np.median(timed(lambda: cold(sleeve), times=30))), "ms", 15.0))
    return figures
