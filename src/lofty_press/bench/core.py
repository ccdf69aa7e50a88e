"""The core's judgement of a sandwich of ten layers, with its whole pressure map."""

import numpy as np

from lofty_press.bench.figure import Figure, timed
from lofty_press.core.assess import assess
from lofty_press.core.stack.sandwich import Sandwich
from lofty_press.demo.sandwiches import build, lay


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


def measure() -> list[Figure]:
    """Median over many judgements."""
    sandwich = ten_layers()
    assert len(sandwich.layers) == 10
    return [Figure("assess_core_ms", float(np.median(timed(lambda: assess(sandwich), times=200))), "ms", 5.0)]
