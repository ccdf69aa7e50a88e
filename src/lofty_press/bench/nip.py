"""The table of a bare pile's nip: ten layers that no table was made for yet."""

import numpy as np

from lofty_press.bench.figure import Figure, timed
from lofty_press.core.mechanics.layered.layer import Layer
from lofty_press.core.mechanics.layered.line_contact import line_table

RADIUS, MOST = 16.0, 1.0  # mm


def ten_layers() -> list[Layer]:
    """A folder between plates, with a spacer, a mat and shims."""
    plate, half, card = Layer("plate", 3.0, 2300.0, 0.37), Layer("folder half", 1.25, 1400.0, 0.40), Layer("card", 0.3, 60.0, 0.05)
    shims = [Layer("shim", 0.2, 60.0, 0.05), Layer("shim", 0.25, 60.0, 0.05)]
    return [
        Layer("bed", 9.0, 2300.0, 0.37),
        Layer("spacer", 1.0, 2300.0, 0.37),
        plate,
        half,
        card,
        half,
        Layer("mat", 1.5, 3.6, 0.4997),
        *shims,
        plate,
    ]


def measure() -> list[Figure]:
    """Median over many tables."""
    layers = ten_layers()
    assert len(layers) == 10
    return [Figure("nip_table_ms", float(np.median(timed(lambda: line_table(layers, 4, RADIUS, MOST), times=300))), "ms", 1.0)]
