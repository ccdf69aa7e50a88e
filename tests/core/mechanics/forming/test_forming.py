"""The forming solver: balance, symmetry, energy, refinement, limits."""

import itertools

import numpy as np
import pytest
from scipy.integrate import quad
from tests.core.mechanics.forming.forming_cases import hills, isotropic, mesh, problem

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.mechanics.forming.nested import form
from lofty_press.core.mechanics.forming.newton import Grid, State, first_guess, padded, solve_grid
from lofty_press.core.mechanics.forming.problem import mean_of_four
from lofty_press.core.mechanics.forming.release import spring_back
from lofty_press.core.sandwich.stock.section import bending_energy, plate_section, secant_and_tangent


def deflection(forming, tolerance=1e-4):
    found = form(forming, tolerance=tolerance)
    assert found.converged
    return found.state.deflection


@pytest.mark.parametrize("share", [0.5, 1.0, 1.7, 6.0, 40.0])
def test_the_moment_of_a_section_is_the_integral_of_its_stresses(share):
    """Rectangular section, stress E e up to the yield strain, (1 - h) E e_y + h E e past
    it, and no more past twenty times it; numerical quadrature over the thickness."""
    yields, hardening, saturates = 2.0 * 0.005 / 0.3, 0.1, 40.0 * 0.005 / 0.3

    def stress_times_arm(z):
        strain = share * yields * z
        return z * ((1 - hardening) * min(strain, 0.005) + hardening * min(strain, 0.1))

    moment = 2 * quad(stress_times_arm, 0, 0.15, points=[min(0.15 * n / share, 0.15) for n in (1, 20)])[0] * 12 / 0.3**3
    secant, tangent = secant_and_tangent(share * yields, yields, hardening, saturates)
    assert secant * share * yields == pytest.approx(moment, rel=1e-6)
    step = 1e-6 * yields
    lower, upper = (secant_and_tangent(share * yields + s, yields, hardening, saturates)[0] * (share * yields + s) for s in (-step, step))
    assert tangent == pytest.approx((upper - lower) / (2 * step), rel=1e-2, abs=1e-3)
    assert bending_energy(share * yields, yields, hardening, saturates) == pytest.approx(
        quad(
            lambda k: secant_and_tangent(k, yields, hardening, saturates)[0] * k,
            0,
            share * yields,
            points=[min(n, share) * yields for n in (1, 20)],
        )[0],
        rel=1e-6,
    )


def test_the_gradient_is_the_derivative_of_the_energy():
    """Central differences of the energy in random directions, the offset of the upper surface included."""
    forming = problem(hills(32), draw_in=1.0)
    grid = Grid(forming)
    rng = np.random.default_rng(2)
    u, offset = padded(forming.lower + 0.02 * rng.standard_normal(forming.shape)), first_guess(forming).offset
    gradient = np.zeros_like(u)
    _, slope, _ = grid.evaluate(u, offset, gradient)
    direction = padded(rng.standard_normal(forming.shape))
    for step, turn in ((1e-5, 0.0), (1e-5, 1.0)):
        ahead = grid.evaluate(u + step * direction, offset + turn * step, np.zeros_like(u))[0]
        behind = grid.evaluate(u - step * direction, offset - turn * step, np.zeros_like(u))[0]
        expected = float(np.vdot(gradient[1:-1, 1:-1], direction[1:-1, 1:-1])) + turn * slope
        assert (ahead - behind) / (2 * step) == pytest.approx(expected, rel=2e-3)


def test_what_presses_from_above_is_what_was_asked_and_what_holds_below():
    forming = problem(hills())
    found = form(forming, tolerance=1e-4)
    u, offset = found.state.deflection, found.state.offset
    above = (forming.k_upper * np.maximum(u - forming.upper - offset, 0)).mean()
    below = (forming.k_lower * np.maximum(forming.lower - u, 0)).mean()
    assert above == pytest.approx(forming.pressure, rel=1e-4)
    assert below == pytest.approx(forming.pressure, rel=1e-3)


def test_energy_never_rises():
    forming = problem(hills(96))
    state = State(hills(96) + 0.05, -1.2)
    found = solve_grid(Grid(forming), state, tolerance=1e-4, most=60, watch=lambda *_: None)
    assert found.converged
    assert all(later <= earlier + 1e-9 * abs(earlier) for earlier, later in zip(found.energies, found.energies[1:], strict=False))


def test_mirror_quarter_turn_and_translation():
    section = isotropic(yield_strain=0.005, membrane=True)
    lower = hills()
    plain = deflection(problem(lower, section=section))
    assert deflection(problem(lower[::-1], section=section)) == pytest.approx(plain[::-1], abs=2e-4)
    assert deflection(problem(np.rot90(lower).copy(), section=section)) == pytest.approx(np.rot90(plain), abs=2e-4)
    x, y = mesh(128, 0.2)
    bump = lambda shift: 0.3 * np.exp(-((x - shift) ** 2 + y**2) / 2.0)  # noqa: E731
    here, there = (deflection(problem(bump(s), section=section)) for s in (-1.6, 1.6))
    assert there[40:-24, 20:-20] == pytest.approx(here[24:-40, 20:-20], abs=5e-4)


def test_refining_the_grid_converges():
    """The same hills on cells of 0.4, 0.2 and 0.1 mm: each halving changes the shape less than the one before."""
    shapes = []
    for cells, spacing in ((32, 0.4), (64, 0.2), (128, 0.1)):
        u = deflection(problem(hills(cells, spacing), spacing=spacing))
        while u.shape[0] > 32:
            u = mean_of_four(u)
        shapes.append(u)
    coarse, fine = (float(np.abs(a - b).max()) for a, b in itertools.pairwise(shapes))
    assert fine < 0.5 * coarse
    assert fine < 0.01


def test_grain_makes_a_difference_only_in_its_direction():
    """A ridge across the grain bends the sheet along it, where it is stiffer: its flank is wider."""
    x, y = mesh(64, 0.2)
    ridge = lambda a: np.where(np.abs(a) < 1.0, 0.3, 0.0)  # noqa: E731
    section = plate_section(thickness=0.28, modulus_x=6000, modulus_y=1500, poisson=0.2, yield_strain=np.inf, hardening=0.1)
    along = deflection(problem(ridge(x), section=section))
    across = deflection(problem(ridge(y), section=section))
    assert np.abs(np.diff(along[:, 32])).max() < 0.9 * np.abs(np.diff(across[32])).max()


def test_nothing_presses_and_nothing_bends():
    found = form(problem(hills(), pressure=0.0))
    assert np.isfinite(found.state.deflection).all()
    assert found.converged


@pytest.mark.parametrize("stock", [(0.02, 3000.0), (3.0, 400.0), (0.1, 117_000.0)])
def test_thin_film_thick_board_and_metal_are_solved_too(stock):
    thickness, modulus = stock
    section = isotropic(thickness, modulus, yield_strain=0.004, membrane=True)
    found = form(problem(hills(128), section=section))
    assert found.converged
    assert np.isfinite(found.state.deflection).all()


def test_more_stiffness_keeps_less_of_the_edges():
    sharp, dull = (np.abs(np.diff(deflection(problem(hills(), section=isotropic(t))), axis=0)).max() for t in (0.1, 0.6))
    assert dull < sharp


def test_an_elastic_sheet_springs_all_the_way_back():
    """No plastic curvature, no relief: the released shape is flat but for the waves that are held by hand."""
    x, _ = mesh(128, 0.2)
    lower = np.where(np.abs(x) < 1.0, 0.05, 0.0)
    elastic, plastic = (problem(lower, section=isotropic(0.3, yield_strain=e)) for e in (np.inf, 0.0005))
    kept = []
    for forming in (elastic, plastic):
        u = deflection(forming)
        kept.append(np.ptp(u - spring_back(Grid(forming), u).displacement) / np.ptp(u))
    assert kept[0] < 0.2
    assert kept[1] > 0.6


def test_a_run_can_be_stopped_from_outside_at_any_step():
    class Enough(Exception):
        pass

    seen = []

    def report(progress):
        seen.append(progress)
        if len(seen) == 4:
            raise Enough

    with pytest.raises(Enough):
        form(problem(hills(128)), report=report)
    assert len(seen) == 4


def test_too_few_steps_are_told_with_their_residual():
    forming = problem(hills(64))
    found = solve_grid(Grid(forming), first_guess(forming), tolerance=1e-9, most=2, watch=lambda *_: None)
    assert not found.converged
    assert found.residual > 1e-9


def test_fields_that_do_not_fit_are_refused_by_name():
    with pytest.raises(InvalidInput) as refused:
        problem(hills(), upper=np.zeros((3, 3)))
    assert refused.value.field == "upper"
    bad = hills()
    bad[3, 3] = np.nan
    with pytest.raises(InvalidInput) as refused:
        problem(bad)
    assert refused.value.field == "lower"
