"""Bending, plastic forming and graded windows against independent solutions."""

import numpy as np
import pytest
from scipy.integrate import solve_bvp
from tests.core.builders import build, folder, lay, sheet_row

from lofty_press.core.mechanics.effects.blade import blade_contact, mat_foundation
from lofty_press.core.mechanics.forming.strength import collapse_pressure
from lofty_press.core.mechanics.nip.grading import grading_length, spread_by_bending
from lofty_press.core.sandwich.stack.view import StackView


def test_a_line_on_a_mat_agrees_with_the_beam_equation_solved_numerically():
    """M. Hetenyi, Beams on Elastic Foundation, 1946: w0 = q b / 2k; here D w'''' + k w = 0 by scipy's boundary value solver."""
    view = StackView(
        build("T", "midway", "line", lay("bed"), lay("hard-a"), lay("station-arch"), sheet_row(x_mm=0), lay("rubber"), lay("hard-b"))
    )
    blade = blade_contact(view)
    bending = view.sheet.bending_stiffness
    foundation, b = mat_foundation(blade.behind, bending)
    # half of the strip: no slope and half of the load of 1 N/mm at the blade, at rest far away
    x = np.linspace(0, 12 / b, 60)
    solved = solve_bvp(
        lambda _, s: [s[1], s[2], s[3], -foundation / bending * s[0]],
        lambda a, z: [a[1], bending * a[3] - 0.5, z[0], z[1]],
        x,
        np.zeros((4, x.size)),
        tol=1e-8,
        max_nodes=20_000,
    )
    assert solved.success
    assert solved.y[0, 0] == pytest.approx(b / (2.0 * foundation), rel=1e-4)


def test_the_collapse_pressure_agrees_with_a_mechanism_found_by_linear_programming():
    """Limit analysis of a clamped strip (any mechanics textbook): the least upper bound over all places of the middle hinge."""
    stress, thickness, span = 16.0, 0.28, 2.2
    moment = stress * thickness**2 / 4
    places = np.linspace(0.05, 0.95, 181) * span
    bounds = [2 * moment * (1 / a + 1 / (span - a)) * 2 / span for a in places]
    assert collapse_pressure(stress, thickness, 0.0, span) == pytest.approx(min(bounds), rel=1e-3)


def test_a_graded_window_edge_falls_off_as_a_bent_plate_does():
    """A plate on an elastic foundation beside a step of pressure (Hetenyi, half-infinite load): w = 1/2 exp(-bx) cos(bx)."""
    view = StackView(
        build("T", "midway", "emboss", lay("bed"), lay("hard-a"), *folder("rail-lattice", sheet_row()), lay("hard-b"), lay("mask"))
    )
    length = grading_length(view, 6)
    assert 0.5 < length < 10.0
    n, h = 400, length / 12
    x = (np.arange(n) + 0.5) * h
    step = np.repeat((x < n * h / 2)[:, None], 4, axis=1).astype(float)
    graded = spread_by_bending(step, length, (h, h))[:, 0]
    away = x - n * h / 2
    beside = (away > 0) & (away < 2 * length)
    expected = 0.5 * np.exp(-away / (2**0.5 * length)) * np.cos(away / (2**0.5 * length))
    assert graded[beside] == pytest.approx(np.clip(expected[beside], 0, 1), abs=0.02)
    # what the clipping of lifted parts adds to the force stays small
    assert graded.sum() == pytest.approx(step[:, 0].sum(), rel=0.01)
