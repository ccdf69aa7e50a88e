"""The full nip: what a position takes, a whole pass, its memory, and how it stands to a general minimiser."""

import contextlib
import time
import tracemalloc
from typing import Any

import numpy as np
from scipy import fft
from scipy.optimize import minimize

from lofty_press.bench.figure import Figure, timed
from lofty_press.bench.nip_energy import Energy
from lofty_press.core.mechanics.forming.closing import closing_of
from lofty_press.core.mechanics.nip.columns import build_field
from lofty_press.core.mechanics.nip.full.layout import Layout, lay_out
from lofty_press.core.mechanics.nip.full.nested import Grid, from_nothing
from lofty_press.core.mechanics.nip.full.operators import operators_of
from lofty_press.core.mechanics.nip.full.passing import LIGHT, roll_through, touched
from lofty_press.core.mechanics.nip.full.position import TOLERANCE, Solver, untouched
from lofty_press.core.mechanics.nip.full.window import window_at
from lofty_press.core.mechanics.nip.solve import solve_nip
from lofty_press.core.sandwich.stack.press import Press
from lofty_press.core.sandwich.stack.view import StackView
from lofty_press.demo.reliefs.library import demo_relief
from lofty_press.demo.sandwiches import SANDWICHES

NAMES = ("nip_full_fft_pairs_per_position", "nip_full_s", "nip_memory_arrays", "nip_speedup_vs_lbfgsb")
LARGEST = "tracery-cut"
FINE, COARSE = 1.0, 2.0  # mm
MOST = 30_000  # steps of the general minimiser


def laid(spacing: float) -> tuple[Layout, Press, float]:
    """The demo world's largest die on a grid, its press, and about its largest force."""
    view = StackView(SANDWICHES[LARGEST])
    closing = closing_of(view, demo_relief)
    nip = solve_nip(build_field(view, closing.blade, closing.interface, demo_relief), view.press)
    layout = lay_out(view, closing.blade, closing.interface, demo_relief, spacing)
    assert layout is not None
    return layout, view.press, nip.peak_force


def measure(names: set[str]) -> list[Figure]:
    """The wanted ones."""
    figures: list[Figure] = []
    if names & set(NAMES[:3]):
        roll_through(*laid(COARSE))  # compiled and warm
        figures += [f for f in passes() if f.name in names]
    if "nip_speedup_vs_lbfgsb" in names:
        figures.append(Figure("nip_speedup_vs_lbfgsb", speedup(), "1", 50.0, at_least=True))
    return figures


def passes() -> list[Figure]:
    """A whole pass on the fine grid: time, transforms and memory."""
    layout, press, expected = laid(FINE)
    clock = Beside((layout.along, layout.y.size))
    found = roll_through(layout, press, expected, clock)
    seconds = clock.passed - clock.beside
    heavy = int((found.force > LIGHT * expected).sum())
    tracemalloc.start()
    window = window_at(layout, press.opening.mm, touched(layout, press.opening.mm)[heavy // 2])
    Solver(operators_of(layout, press), window).solve(untouched(window))
    peak = tracemalloc.get_traced_memory()[1]
    tracemalloc.stop()
    return [
        Figure("nip_full_fft_pairs_per_position", seconds / heavy / clock.pair, "1", 60.0),
        Figure("nip_full_s", seconds, "s", None),
        Figure("nip_memory_arrays", peak / np.zeros((layout.along, layout.y.size)).nbytes, "1", 40.0),
    ]


class Beside:
    """Times transforms of a grid to and fro between the positions of a pass, so that both see the same machine."""

    def __init__(self, shape: tuple[int, int]) -> None:
        self.field = np.random.default_rng(1).normal(size=shape)
        self.pairs: list[float] = []
        self.began, self.beside = time.perf_counter(), 0.0

    def __call__(self, _: float) -> None:
        start = time.perf_counter()
        for _ in range(3):
            again = time.perf_counter()
            fft.irfft2(fft.rfft2(self.field), s=self.field.shape)
            self.pairs.append(time.perf_counter() - again)
        self.beside += time.perf_counter() - start

    @property
    def passed(self) -> float:
        """Since the beginning. [s]"""
        return time.perf_counter() - self.began

    @property
    def pair(self) -> float:
        """The median. [s]"""
        return float(np.median(self.pairs))


class SameResidual(Exception):
    """The general minimiser has come as far."""


def speedup() -> float:
    """Time of SciPy's L-BFGS-B over ours for one position from an open interface: same energy, same unbalanced pressure."""
    layout, press, _ = laid(FINE)
    grid, rows = Grid(layout, press), touched(layout, press.opening.mm)
    middle = rows[len(rows) // 2]
    state, found = from_nothing(grid, middle)
    ours = float(np.median(timed(lambda: from_nothing(grid, middle), times=5))) / 1000.0
    window = window_at(layout, press.opening.mm, middle)
    energy = Energy(grid.operators, window, state)
    bound = TOLERANCE * float(found.pressure.max())
    last: list[Any] = [np.inf]

    def followed(flat: Any) -> Any:
        value, gradient = energy(flat)
        last[0] = float(np.abs(gradient).max())
        return value, gradient

    def watch(_: Any) -> None:
        if last[0] < bound:
            raise SameResidual

    start = time.perf_counter()
    with contextlib.suppress(SameResidual):
        minimize(
            followed,
            np.full(window.ground.opens.size, float(window.ground.opens.max())),
            jac=True,
            method="L-BFGS-B",
            callback=watch,
            options={"maxiter": MOST, "maxfun": 2 * MOST},
        )
    return (time.perf_counter() - start) / ours
