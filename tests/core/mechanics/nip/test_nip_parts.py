"""Parts of the nip against reference libraries and laws of scaling."""

from dataclasses import replace

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st
from scipy.integrate import cumulative_trapezoid
from scipy.ndimage import map_coordinates
from tests.core.builders import SHELF, build, lay

from lofty_press.core.judging.verdict.shares import shares_of
from lofty_press.core.mechanics.forming.closing import closing_of
from lofty_press.core.mechanics.layered.compliant import trapezoids
from lofty_press.core.mechanics.needs import need_of
from lofty_press.core.mechanics.nip.blades import between_cells
from lofty_press.core.mechanics.nip.columns import build_field
from lofty_press.core.mechanics.nip.full.refined import Correction, corrected, correction_of, refined
from lofty_press.core.mechanics.nip.solve import Exact, solve_nip
from lofty_press.core.sandwich.stack.view import StackView
from lofty_press.demo.reliefs.library import demo_relief
from lofty_press.demo.sandwiches import SANDWICHES

CHANCE = np.random.default_rng(5)


def nip_of(sandwich):
    view = StackView(sandwich)
    closing = closing_of(view, demo_relief)
    return solve_nip(build_field(view, closing.blade, closing.interface, demo_relief), view.press), need_of(view, closing)


ARCH, ARCH_NEED = nip_of(SANDWICHES["arch-cut"])


def test_work_under_a_load_is_that_of_scipy():
    closing = np.sort(CHANCE.uniform(0, 2, 40))
    load = CHANCE.uniform(0, 9, 40)
    assert trapezoids(load, closing) == pytest.approx(cumulative_trapezoid(load, closing, initial=0.0))


def test_reading_between_cells_is_that_of_scipy_and_nothing_lies_beyond():
    values = CHANCE.normal(size=(9, 13))
    at = np.stack([CHANCE.uniform(-3, 12, 400), CHANCE.uniform(-3, 16, 400)])
    (found,) = between_cells(at, values)
    inside = (at[0] >= 0) & (at[0] <= 8) & (at[1] >= 0) & (at[1] <= 12)
    theirs = map_coordinates(values, at, order=1, mode="constant")
    assert found[inside] == pytest.approx(theirs[inside])
    assert not found[(at[0] < -1) | (at[1] < -1) | (at[0] > 9) | (at[1] > 13)].any()


def test_the_same_force_takes_the_same_to_lose():
    turning = ARCH.turning
    again = turning.under(ARCH.force)
    assert again.force == pytest.approx(turning.force)
    heavy = turning.force > 0.1 * turning.force.max()
    assert again.steady[heavy] == pytest.approx(turning.steady[heavy])


@given(more=st.floats(0.2, 3.0))
def test_losses_go_with_the_force_and_what_is_stored_with_its_square(more):
    once, then = ARCH.turning.under(ARCH.force), ARCH.turning.under(more * ARCH.force)
    strong = once.force > 0.1 * once.force.max() * max(1.0, 1.0 / more)
    assert then.steady[strong] == pytest.approx(more * once.steady[strong])
    assert then.climb == pytest.approx(more**2 * once.climb, abs=1e-9)


def test_no_force_takes_nothing():
    none = ARCH.turning.under(np.zeros(ARCH.force.size))
    assert not none.handle.any()


def scaled_exact(force, work):
    """A full answer that is the quick one times some shares."""
    return Exact(work * ARCH.intensity, work * ARCH.along_blades, force * ARCH.force)


@given(force=st.floats(0.7, 1.3), work=st.floats(0.6, 1.2))
def test_what_the_quick_one_is_off_is_found_and_carried_over(force, work):
    exact = scaled_exact(force, work)
    off = correction_of(ARCH, exact)
    assert (off.force, off.work) == (pytest.approx(force), pytest.approx(work))
    other = corrected(ARCH, off)
    full = refined(ARCH, exact)
    assert other.peak_force == pytest.approx(full.peak_force)
    assert other.at_work == pytest.approx(full.at_work)
    assert other.turning.steady == pytest.approx(full.turning.steady)


def test_what_is_not_off_is_left_as_it_is():
    same = corrected(ARCH, Correction(1.0, 1.0))
    assert same.pressure == pytest.approx(ARCH.pressure)
    assert same.force == pytest.approx(ARCH.force)


@given(st.floats(0.3, 3.0))
def test_shares_of_a_cut_are_those_of_its_blade(level):
    """Counted by hand: every piece of the blade under one of the need's borders."""
    nip = replace(ARCH, exact=scaled_exact(1.0, level))
    blades, shares = nip.field.blades, shares_of(nip, ARCH_NEED)
    bears, whole = nip.along_blades, blades.weights.sum()
    right = blades.weights[blades.meets & (bears >= ARCH_NEED.right) & (bears < ARCH_NEED.hard)].sum() / whole
    assert shares.right == pytest.approx(right, abs=1e-9)
    for part in shares.parts:
        assert part.share <= 1.0 - right + 1e-9
        assert part.cells.any()
        assert part.whole[part.cells].all()


def test_blade_beyond_the_sheet_meets_none_whatever_presses():
    rows = lay("bed"), lay("spacer"), lay("hard-a"), lay("station-arch"), lay("ridge-green", role="sheet", x_mm=60.0), lay("hard-b")
    nip, need = nip_of(build("T", "midway", "cut", *rows))
    blades = nip.field.blades
    edge = 60.0 - SHELF["ridge-green"].length_mm / 2
    assert np.array_equal(blades.meets, blades.places[:, 0] >= edge)
    assert not nip.along_blades[~blades.meets].any()
    bare = next(part for part in shares_of(nip, need).parts if part.lack == "bare")
    assert bare.share == pytest.approx(1.0 - np.average(blades.meets, weights=blades.weights))
