"""The full nip on a grid: laws of balance, limits in closed form, symmetry, and how far the quick one may be from it."""

from dataclasses import replace
from functools import cache

import numpy as np
import pytest
from scipy.optimize import minimize
from tests.core.builders import build, lay, with_item
from tests.core.with_maps import assess

from lofty_press.bench.nip_energy import Energy
from lofty_press.core.mechanics.feed.best import feed, setting_of
from lofty_press.core.mechanics.feed.examine import look_at
from lofty_press.core.mechanics.feed.placing import Placing, laid
from lofty_press.core.mechanics.feed.second_pass import two_passes
from lofty_press.core.mechanics.forming.closing import closing_of
from lofty_press.core.mechanics.forming.rolled import roll
from lofty_press.core.mechanics.forming.summary import FormingSummary, cut_at
from lofty_press.core.mechanics.nip.blade_loads import blade_loads, cut_share
from lofty_press.core.mechanics.nip.columns import build_field
from lofty_press.core.mechanics.nip.full.layout import lay_out, missing
from lofty_press.core.mechanics.nip.full.operators import operators_of
from lofty_press.core.mechanics.nip.full.passing import LIGHT, roll_through, touched
from lofty_press.core.mechanics.nip.full.position import TOLERANCE, Solver, untouched
from lofty_press.core.mechanics.nip.full.refined import exact_of, refined
from lofty_press.core.mechanics.nip.full.window import window_at
from lofty_press.core.mechanics.nip.solve import solve_nip
from lofty_press.core.mechanics.plates.mark import marks_of
from lofty_press.core.sandwich.stack.view import StackView
from lofty_press.demo.reliefs.library import demo_relief
from lofty_press.demo.sandwiches import SANDWICHES

COARSE = 2.0  # mm
ROLLED = ("ticket-sleeve", "programme-cover", "arch-cut", "copper-plaque", "timetable-print")


@cache
def passed(name):
    """Layout, quick nip and the full pass of a demo sandwich, on a coarse grid."""
    return rolled_through(SANDWICHES[name])


def rolled_through(sandwich, spacing=COARSE):
    view = StackView(sandwich)
    closing = closing_of(view, demo_relief)
    nip = solve_nip(build_field(view, closing.blade, closing.interface, demo_relief), view.press)
    layout = lay_out(view, closing.blade, closing.interface, demo_relief, spacing)
    return closing, nip, roll_through(layout, view.press, nip.peak_force)


@pytest.mark.parametrize("name", ROLLED)
def test_the_rollers_press_what_the_interface_bears_at_every_position(name):
    """Equilibrium: all pressures at the interface, blades among them, add up to the rollers' force within 1 %."""
    _, _, full = passed(name)
    assert full.converged
    heavy = full.force > LIGHT * full.force.max()
    assert heavy.sum() > 10
    np.testing.assert_allclose(full.carried[heavy], full.force[heavy], rtol=0.01)
    assert full.unbalanced[heavy].max() < TOLERANCE


@pytest.mark.parametrize("name", ROLLED)
def test_the_quick_nip_is_as_near_to_the_full_one_as_it_says(name):
    _, nip, full = passed(name)
    exact = refined(nip, exact_of(full, nip))
    assert nip.peak_force == pytest.approx(exact.peak_force, rel=nip.force_off_by)
    assert nip.at_work == pytest.approx(exact.at_work, rel=nip.off_by)
    assert exact.off_by < nip.off_by


ON_MATS = (
    ("arch-line", -0.15),
    ("arch-line", -0.08),
    ("arch-line", 0.15),
    ("arch-line", 0.3),
    ("silicone-lesson", 0.3),
    ("silicone-lesson", 0.6),
)


@pytest.mark.parametrize(("name", "closer"), ON_MATS)
def test_a_blade_on_a_mat_is_as_near_as_the_quick_nip_says_at_any_pressure(name, closer):
    """From a pressure that just drives the blade home to ten times it; what it says isn't so wide that it says nothing."""
    usual = SANDWICHES[name]
    _, nip, full = rolled_through(
        replace(usual, press=replace(usual.press, opening=replace(usual.press.opening, mm=usual.press.opening.mm - closer)))
    )
    off = nip.at_work / refined(nip, exact_of(full, nip)).at_work - 1.0
    assert 0.6 * nip.off_by < off < nip.off_by


def test_an_even_pile_turned_round_gives_the_same():
    """A plain folder that lies in the middle: mirrored along and across."""
    _, _, full = passed("ticket-sleeve")
    work = full.layout.work
    rows, columns = np.flatnonzero(work.any(axis=1)), np.flatnonzero(work.any(axis=0))
    across = full.peak[rows[rows.size // 2], columns[0] : columns[-1] + 1]
    assert across == pytest.approx(across[::-1], rel=0.03)


def test_more_opening_presses_less_everywhere_that_counts():
    tight, loose = (
        rolled_through(replace(SANDWICHES["ticket-sleeve"], press=replace(SANDWICHES["ticket-sleeve"].press, opening=opening)))[2]
        for opening in (replace(SANDWICHES["ticket-sleeve"].press.opening, mm=mm) for mm in (17.7, 17.75))
    )
    assert loose.force.max() < tight.force.max()
    work = tight.layout.work
    assert loose.peak[work].mean() < tight.peak[work].mean()


def test_a_finer_grid_says_the_same():
    """The mean over the work hardly depends on the cells; edges are told more sharply."""
    coarse = passed("ticket-sleeve")[2]
    fine = rolled_through(SANDWICHES["ticket-sleeve"], 1.4)[2]
    assert coarse.peak[coarse.layout.work].mean() == pytest.approx(fine.peak[fine.layout.work].mean(), rel=0.03)
    assert coarse.force.max() == pytest.approx(fine.force.max(), rel=0.02)


def test_a_general_minimiser_finds_the_same_opening():
    """SciPy's L-BFGS-B on the same energy, one position: pressures within a hundredth of the highest."""
    sandwich = SANDWICHES["ticket-sleeve"]
    view = StackView(sandwich)
    closing = closing_of(view, demo_relief)
    layout = lay_out(view, closing.blade, closing.interface, demo_relief, 8.0)
    operators = operators_of(layout, view.press)
    rows = touched(layout, view.press.opening.mm)
    window = window_at(layout, view.press.opening.mm, rows[len(rows) // 2])
    state, found = Solver(operators, window).solve(untouched(window))
    assert found.converged
    energy = Energy(operators, window, state)
    result = minimize(
        energy,
        state.opening.ravel() * 0.0 + window.ground.opens.max(),
        jac=True,
        method="L-BFGS-B",
        options={"maxiter": 20_000, "maxfun": 40_000},
    )
    other = energy.pressure(result.x.reshape(state.opening.shape))
    assert other == pytest.approx(found.pressure, abs=0.02 * found.pressure.max())


def test_what_is_missing_goes_to_the_nearer_face():
    """Of a pile of bed, plate, die, sheet, plate: the upper plate is missed at the roller, the die at the interface; what is more counts less."""
    thickness = np.array([9.0, 3.0, 1.0, 0.3, 3.0])
    whole = np.ones(5, dtype=bool)

    def without(layer):
        return missing(whole, np.arange(5) != layer, thickness, 3)

    assert without(4) == (3.0, 0.0)  # at both faces alike: at the interface
    assert without(2) == (1.0, 0.0)
    assert without(0) == (0.0, 9.0)
    assert missing(whole, whole, thickness, 3) == (0.0, 0.0)


def test_where_no_tool_lies_over_a_sheet_there_is_no_full_nip():
    assert roll(build("T", "midway", "emboss", lay("bed"), lay("hard-a")), demo_relief).exact is None
    assert roll(SANDWICHES["two-plates"], demo_relief).exact is None


def test_verdict_shares_and_cut_read_the_full_nip_once_it_is_there():
    """Bench and Impression then say the same: the share that is cut is the one that the full loads cut."""
    sandwich = with_item(SANDWICHES["arch-cut"], "spacer", thickness=replace(SANDWICHES["arch-cut"].items["spacer"].thickness, mm=1.55))
    closing, nip, full = rolled_through(sandwich)
    exact = exact_of(full, nip)
    known = cut_at(refined(nip, exact), closing, 1)
    assert 0.05 < known.cut_share < 0.95
    judged = assess(
        sandwich, FormingSummary(None, None, None, None, known.cut_share, known.uncut_mm, estimate=False, off_by=1.0, nip=exact)
    )
    assert judged.nip.at_work == pytest.approx(refined(nip, exact).at_work)
    assert judged.verdict.shares.right == pytest.approx(known.cut_share, abs=0.25)  # cells against places along the blade
    assert judged.nip.peak_force == pytest.approx(full.force.max(), rel=0.03)


class TestOneAnswer:
    """Where the full nip is at hand, everything that reads a nip reads it."""

    def test_the_feed_shows_the_same_as_the_bench(self):
        sandwich = SANDWICHES["arch-cut"]
        _, nip, full = passed("arch-cut")
        exact = exact_of(full, nip)
        bench, feed = refined(nip, exact), look_at(sandwich, demo_relief, exact).trace
        assert feed.peak == pytest.approx(bench.peak_force)
        assert feed.handle.max() == pytest.approx(bench.peak_handle)
        assert feed.nip.at_work == pytest.approx(bench.at_work)

    def test_laid_otherwise_it_is_compared_with_what_the_quick_one_is_off_here(self):
        sandwich = SANDWICHES["arch-cut"]
        _, nip, full = passed("arch-cut")
        exact = exact_of(full, nip)
        setting, quick = setting_of(sandwich, demo_relief, exact), setting_of(sandwich, demo_relief)
        turned = laid(sandwich, Placing(0.0, 0.0, 90.0))
        off = refined(nip, exact).peak_force / nip.peak_force
        assert feed(turned, setting).peak == pytest.approx(off * feed(turned, quick).peak)

    def test_marks_on_plates_and_second_passes_read_it_too(self):
        sandwich = SANDWICHES["arch-cut"]
        closing, nip, full = passed("arch-cut")
        exact = exact_of(full, nip)
        loads = blade_loads(refined(nip, exact), closing.blade)
        setting = setting_of(sandwich, demo_relief, exact)
        (mark,) = marks_of(sandwich, setting)
        assert mark.load == pytest.approx(float(loads.mean()))
        assert two_passes(sandwich, setting).once == pytest.approx(cut_share(loads, closing.blade))
