"""The nip against closed forms, balances and symmetries."""

from dataclasses import replace

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from scipy.integrate import quad
from scipy.optimize import brentq
from tests.core.builders import build, flat_pile, lay, sheet_row, with_item

from lofty_press.core.nip.columns import build_field
from lofty_press.core.nip.kernel import pile_answer
from lofty_press.core.nip.solve import solve_nip
from lofty_press.core.nip.strip import bite_limit, half_width, line_load
from lofty_press.core.stack.view import StackView

NONE = (np.zeros((0, 2)), np.zeros(0))


def nip_of(sandwich):
    field = build_field(StackView(sandwich), None)
    return solve_nip(field, sandwich.press, None)


def compliance_of(sandwich):
    return sum(p.thickness / p.material.confined(p.modulus) for p in StackView(sandwich).layers)


@pytest.mark.parametrize("over", [0.02, 0.18, 0.6, 1.2])
def test_a_uniform_pile_agrees_with_the_closed_form(over):
    """Elastic foundation strip: K. L. Johnson, Contact Mechanics, 1985, section 4.3; w = (4/3) a p0, frame as a spring."""
    sandwich = flat_pile(17.7 + over)
    press, compliance = sandwich.press, compliance_of(sandwich)
    # the frame's spring and 100 mm of strip in one equation, solved by a general root finder
    give = brentq(lambda m: press.frame_stiffness_n_per_mm * m - 100.0 * line_load(16.0, over - m, compliance), 0.0, over)
    nip = nip_of(sandwich)
    assert nip.peak_force == pytest.approx(press.frame_stiffness_n_per_mm * give, rel=1e-6)
    assert nip.pressure.max() == pytest.approx((over - give) / compliance, rel=1e-6)
    assert nip.contact == pytest.approx(half_width(16.0, over - give), rel=1e-6)


def test_line_load_is_the_integral_of_the_pressure_over_the_contact():
    """The factor 4/3 by numerical quadrature of p(x) = (d - x^2/R) / c."""
    radius, depth, compliance = 16.0, 0.3, 0.01
    half = half_width(radius, depth)
    integral, _ = quad(lambda x: (depth - x**2 / radius) / compliance, -half, half)
    assert line_load(radius, depth, compliance) == pytest.approx(integral, rel=1e-9)


@given(depth=st.floats(0.001, 2.0), soft=st.floats(0.01, 0.5), travel=st.floats(0.05, 0.6))
@settings(max_examples=60, deadline=None)
def test_a_pile_with_a_yielding_element_follows_its_broken_line(depth, soft, travel):
    """Series springs by hand: both give until the travel is used up, then only the stiff one; load by quadrature."""
    stiff, radius = 0.006, 16.0

    def by_hand(d):
        together = d / (stiff + soft)
        return together if together * soft <= travel else (d - travel) / stiff

    pressure, load, _ = pile_answer(depth, stiff, *NONE, np.array([[soft, travel / soft]]), np.ones(1), radius)
    half = half_width(radius, depth)
    integral, _ = quad(lambda x: by_hand(max(depth - x**2 / radius, 0.0)), -half, half, limit=200)
    assert pressure == pytest.approx(by_hand(depth), rel=1e-9)
    assert load == pytest.approx(integral, rel=1e-4)


def test_frame_force_and_moment_balance_at_every_position():
    sandwich = with_item(
        build(
            "T",
            "midway",
            "cut",
            lay("bed"),
            lay("spacer"),
            lay("hard-a"),
            lay("station-arch", y_mm=-18, rotation_deg=20),
            sheet_row(x_mm=0),
            lay("rubber"),
            lay("hard-b"),
        ),
        "bed",
    )
    field = build_field(StackView(sandwich), None)
    nip = solve_nip(field, sandwich.press, None)
    stiffness, span = sandwich.press.frame_stiffness_n_per_mm, sandwich.press.bearing_span_mm
    columns, row_of = field.columns, field.row_of
    opened = columns.free[row_of] - 17.7 - nip.give[:, None] - nip.tilt[:, None] * field.y
    loads = np.array(
        [
            [
                pile_answer(
                    opened[i, j],
                    columns.linear[r, j],
                    columns.elastomers,
                    columns.elastomer_presence[r, j],
                    columns.yielding,
                    columns.yielding_presence[r, j],
                    16.0,
                )[1]
                for j in range(field.y.size)
            ]
            for i, r in enumerate(row_of)
        ]
    )
    assert loads.sum(axis=1) * field.width == pytest.approx(stiffness * nip.give, abs=1e-3)
    assert (loads @ field.y) * field.width == pytest.approx(stiffness * span**2 / 4 * nip.tilt, abs=1e-1)
    assert nip.force == pytest.approx(stiffness * nip.give, abs=1e-3)


def test_mirroring_the_pile_mirrors_the_pressure():
    left, right = nip_of(flat_pile(18.2, width=60, y=-30)), nip_of(flat_pile(18.2, width=60, y=30))
    assert left.pressure == pytest.approx(right.pressure[:, ::-1], rel=1e-9)
    assert left.tilt == pytest.approx(-right.tilt, rel=1e-9)


def test_a_centred_pile_does_not_tilt_and_one_to_the_side_opens_that_side():
    assert np.abs(nip_of(flat_pile(18.2)).tilt).max() < 1e-12
    aside = nip_of(flat_pile(18.2, width=50, y=40))
    assert aside.tilt.max() > 1e-4
    assert aside.pressure.max(axis=0)[0] > aside.pressure.max(axis=0)[-1]


@given(over=st.floats(-0.5, 1.4), more=st.floats(0.001, 0.5))
@settings(max_examples=40, deadline=None)
def test_a_thicker_pile_never_presses_less(over, more):
    assert nip_of(flat_pile(17.7 + over + more)).peak_force >= nip_of(flat_pile(17.7 + over)).peak_force


def test_no_contact_gives_zero_and_never_nan():
    nip = nip_of(flat_pile(16.0))
    assert nip.peak_force == 0.0
    assert nip.contact == 0.0
    assert np.isfinite(nip.pressure).all()
    assert np.isfinite(nip.handle).all()


def test_the_whole_nip_scales_like_its_units():
    """Lengths times two, forces times four, so pressures the same: nothing in the nip hides a length or a stress."""
    small = flat_pile(18.1, width=60)
    double = with_item(small, "bed", thickness=replace(small.items["bed"].thickness, mm=18.0), width_mm=304, length_mm=660)
    plate = small.items["hard-a"]
    double = with_item(double, "hard-a", thickness=replace(plate.thickness, mm=18.2), width_mm=120, length_mm=450)
    press = small.press
    double = replace(
        double,
        press=replace(
            press,
            opening=replace(press.opening, mm=35.4),
            roller_radius_mm=32,
            frame_stiffness_n_per_mm=12_000,
            bearing_span_mm=380,
            feed_width_mm=310,
        ),
    )
    one, two = nip_of(small), nip_of(double)
    assert two.pressure.max() == pytest.approx(one.pressure.max(), rel=1e-9)
    assert two.peak_force == pytest.approx(4 * one.peak_force, rel=1e-9)


def test_the_load_trace_is_zero_off_the_plate_and_even_on_it():
    nip = nip_of(flat_pile(18.0))
    inside = np.abs(nip.field.x) < 110
    assert np.ptp(nip.force[inside]) == pytest.approx(0.0, abs=1e-6)
    assert bite_limit(16.0, 0.3) == pytest.approx(1.44)


def test_a_window_unloads_what_lies_below_it():
    rows = (lay("rail-lattice", half="raised"), sheet_row(), lay("rail-lattice", half="sunk"))
    nip = nip_of(build("T", "midway", "emboss", lay("bed"), lay("hard-a"), *rows, lay("mask")))
    middle = nip.pressure[nip.pressure.shape[0] // 2]
    assert middle[middle.size // 2] < 0.02 * middle.max()
    assert middle.max() > 1.0


@pytest.mark.parametrize("turn", [10, 20, 30, 45])
def test_a_rectangle_turned_takes_the_load_bit_by_bit(turn):
    """Common practice, no published source: turned 10 to 45 degrees, a long straight edge does not meet the rollers at once."""

    def steepest(angle):
        rows = (lay("bed"), lay("spacer"), lay("hard-a"), lay("bench-seat", rotation_deg=angle), sheet_row(x_mm=0), lay("hard-b"))
        nip = nip_of(build("T", "midway", "cut", *rows))
        inside = np.abs(nip.field.x) < 71  # the die's own edges; the sheet's and plates' lie further out
        return np.abs(np.diff(nip.force[inside])).max()

    assert steepest(turn) < 0.7 * steepest(0)
