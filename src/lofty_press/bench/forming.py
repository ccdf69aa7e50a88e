"""The forming solver against the cosine transform of its grid, a generic minimiser, and itself on half the grid."""

import time
import tracemalloc
from dataclasses import replace

import numpy as np
from scipy.fft import dctn, idctn
from scipy.optimize import minimize

from lofty_press.bench.figure import Figure, timed
from lofty_press.core.mechanics.forming.nested import TOLERANCE, form
from lofty_press.core.mechanics.forming.newton import Grid, first_guess, padded
from lofty_press.core.mechanics.forming.problem import Forming
from lofty_press.core.mechanics.forming.surfaces import NOMINAL_CARD, rolled_over, rolled_under
from lofty_press.core.sandwich.stack.shape import FloatArray
from lofty_press.core.sandwich.stock import Section, plate_section
from lofty_press.demo.reliefs.library import demo_relief

CELL = 0.2  # mm
THICKNESS = 0.28  # mm
PLATE = 316.0  # N/mm3; half of a card's own give and the surface's roughness
RUBBER = 3.4  # N/mm3; 2.2 mm of firm rubber below a card
REPEATS = 5
MOST_SECONDS = 60.0


def card() -> Section:
    """Card of 216 g/m2, grain along the feed."""
    return plate_section(thickness=THICKNESS, modulus_x=4500, modulus_y=2200, poisson=0.2, yield_strain=0.005, hardening=0.1)


def relief_over(key: str, cells: int) -> FloatArray:
    """A relief of the demo world on a square grid around its middle. [mm]"""
    found = demo_relief(key)
    assert found is not None
    place = (np.arange(cells) - (cells - 1) / 2) * CELL
    along, across = np.meshgrid(place, place, indexing="ij")
    return found.sample(along, across)


def die_line(cells: int, *, elastic: bool) -> Forming:
    """The station arch pressed into card on a rubber mat."""
    surface = rolled_over(relief_over("alder-station-arch", cells), THICKNESS / 2, CELL)
    section = card().elastic() if elastic else card()
    return between(section, surface, np.zeros_like(surface), PLATE, RUBBER, 5.0)


def deep_folder(cells: int) -> Forming:
    """The cable sheave between its two stiff halves."""
    lower = relief_over("alder-cable-sheave", cells)
    upper = rolled_over(lower, NOMINAL_CARD, CELL)
    half = THICKNESS / 2
    return between(card(), rolled_over(lower, half, CELL), rolled_under(upper, half, CELL), PLATE, PLATE, 11.0)


def between(section: Section, lower: FloatArray, upper: FloatArray, k_lower: float, k_upper: float, pressure: float) -> Forming:
    """A sheet that covers the whole grid."""
    return Forming(
        spacing=CELL,
        section=section,
        cover=np.ones_like(lower),
        lower=lower,
        upper=upper,
        k_lower=np.full_like(lower, k_lower),
        k_upper=np.full_like(lower, k_upper),
        pressure=pressure,
    )


def pair(cells: int) -> float:
    """One forward and inverse cosine transform of a grid [ms], best of a few: the unit of work."""
    field = np.random.default_rng(1).standard_normal((cells, cells))
    return float(np.median(timed(lambda: idctn(dctn(field)), times=9)))


def seconds_for(problem: Forming) -> float:
    """Time of one run to the usual tolerance [ms]; a run that does not converge is no measurement."""
    start = time.perf_counter()
    found = form(problem)
    spent = (time.perf_counter() - start) * 1000
    if not found.converged:
        raise RuntimeError(f"did not converge: residual {found.residual:.2e}")
    return spent


def in_pairs(problem: Forming, cells: int) -> float:
    """Time of a run over that of a transform pair, taken in turn. [1]"""
    form(problem)
    return float(np.median([seconds_for(problem) / pair(cells) for _ in range(REPEATS)]))


def growth() -> float:
    """Time at 512 square over 256 square, both halves of a folder and a line, the worse of the two. [1]"""
    ratios = []
    for make in (lambda n: die_line(n, elastic=False), deep_folder):
        small, large = make(256), make(512)
        form(small)
        ratios.append(np.median([seconds_for(large) / seconds_for(small) for _ in range(REPEATS)]))
    return float(max(ratios))


def memory_arrays() -> float:
    """Peak memory of a run over that of one array of the grid in double precision. [1]"""
    problem = deep_folder(512)
    form(deep_folder(64))
    tracemalloc.start()
    form(problem)
    peak = tracemalloc.get_traced_memory()[1]
    tracemalloc.stop()
    return float(peak / (512 * 512 * 8))


def speedup_over_lbfgsb() -> float:
    """Time of scipy's L-BFGS-B on the same energy to the same residual over ours, at 128 square; a lower bound if it gives up. [1]"""
    problem = replace(die_line(128, elastic=False), draw_in=1.0)
    seconds_for(problem)
    ours = float(np.median([seconds_for(problem) for _ in range(REPEATS)])) / 1000
    grid = Grid(problem)
    start = first_guess(problem)
    cells = start.deflection.size
    out = padded(np.zeros(problem.shape))
    began = time.perf_counter()
    last = {"residual": np.inf}

    def energy(x: FloatArray) -> tuple[float, FloatArray]:
        value, slope, pressing = grid.evaluate(padded(x[:-1].reshape(problem.shape)), float(x[-1]), out)
        gradient = np.append(out[1:-1, 1:-1].ravel(), slope)
        unit = max(pressing, problem.pressure * np.sqrt(cells))
        last["residual"] = float(np.hypot(np.linalg.norm(gradient[:-1]), slope / np.sqrt(cells)) / unit)
        return value, gradient

    def enough(_: FloatArray) -> None:
        if last["residual"] <= TOLERANCE or time.perf_counter() - began > MOST_SECONDS:
            raise StopIteration

    guess = np.append(start.deflection.ravel(), start.offset)
    options = {"maxiter": 100_000, "maxfun": 200_000, "maxcor": 20, "ftol": 0.0, "gtol": 0.0}
    minimize(energy, guess, jac=True, method="L-BFGS-B", callback=enough, options=options)
    return (time.perf_counter() - began) / ours


def measure(names: set[str]) -> list[Figure]:
    """The wanted figures of the solver."""
    found: list[Figure] = []
    if "forming_speedup_vs_lbfgsb" in names:
        found.append(Figure("forming_speedup_vs_lbfgsb", speedup_over_lbfgsb(), "x", 30.0, at_least=True))
    if "forming_elastic_dct_pairs_512" in names:
        found.append(Figure("forming_elastic_dct_pairs_512", in_pairs(die_line(512, elastic=True), 512), "x", 60.0))
    if "forming_plastic_dct_pairs_512" in names:
        found.append(Figure("forming_plastic_dct_pairs_512", in_pairs(die_line(512, elastic=False), 512), "x", 200.0))
    if "forming_folder_dct_pairs_512" in names:
        found.append(Figure("forming_folder_dct_pairs_512", in_pairs(deep_folder(512), 512), "x", 500.0))
    if "forming_growth_256_512" in names:
        found.append(Figure("forming_growth_256_512", growth(), "x", 4.6))
    if "forming_memory_arrays" in names:
        found.append(Figure("forming_memory_arrays", memory_arrays(), "x", 40.0))
    return found
