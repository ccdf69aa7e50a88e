"""The nip against closed forms, other codes, balances and symmetries."""

from dataclasses import replace

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from scipy.integrate import quad
from scipy.optimize import brentq
from tests.core.builders import build, flat_pile, folder, lay, sheet_row, with_item

from lofty_press.core.judging.assess import assess
from lofty_press.core.mechanics.feed.examine import look_at
from lofty_press.core.mechanics.forming.closing import closing_of
from lofty_press.core.mechanics.layered.compliant import LOAD, compliant
from lofty_press.core.mechanics.layered.layer import Layer
from lofty_press.core.mechanics.layered.line_contact import line_table
from lofty_press.core.mechanics.layered.losses import energy_shares
from lofty_press.core.mechanics.nip.columns import build_field
from lofty_press.core.mechanics.nip.local_law import RIGID, LocalLaw, broken_line, in_series, side_by_side
from lofty_press.core.mechanics.nip.piles import Interface
from lofty_press.core.mechanics.nip.press_ways import STEEL, ways_of
from lofty_press.core.mechanics.nip.solve import solve_nip
from lofty_press.core.mechanics.nip.strip import bite_limit, half_width
from lofty_press.core.sandwich.relief.height_map import no_library
from lofty_press.core.sandwich.stack.view import StackView
from lofty_press.demo.presses import PRESSES
from lofty_press.demo.reliefs.library import demo_relief
from lofty_press.demo.sandwiches import SANDWICHES

PLATES = (Layer("", 9.0, 2300.0, 0.37), Layer("", 3.2, 2300.0, 0.37), Layer("", 0.28, 60.0, 0.05), Layer("", 3.2, 2300.0, 0.37))


def nip_of(sandwich, interface=None, library=no_library):
    view = StackView(sandwich)
    closing = closing_of(view, library)
    return solve_nip(build_field(view, closing.blade, interface or closing.interface, library), view.press)


@pytest.mark.parametrize("over", [0.05, 0.18, 0.6, 1.2])
def test_a_uniform_pile_is_its_line_contact_in_balance_with_a_spring(over):
    """The frame as a spring and 100 mm of line contact in one equation, solved by a general root finder; rollers too stiff to bend."""
    sandwich = flat_pile(17.7 + over)
    sandwich = replace(sandwich, press=replace(sandwich.press, roller_radius_mm=16, bearing_span_mm=190))
    layers = [Layer("", 9.0, 2300.0, 0.37), Layer("", 17.7 + over - 9.0, 2300.0, 0.37)]
    table = line_table(layers, 0, 16.0, 1.8)
    stiffness = sandwich.press.frame_stiffness_n_per_mm
    # a roller on two bearings bends by up to this under 100 mm of load: the plain spring is good to about as much
    give = brentq(lambda m: stiffness * m - 100.0 * table.at(over - m).load, 0.0, over)
    nip = nip_of(sandwich)
    bends = float(np.abs(nip.rows.gone[:, 2]).max())
    assert nip.peak_force == pytest.approx(stiffness * give, rel=0.02 + 1.5 * bends / over)
    assert nip.contact == pytest.approx(table.at(over - give).half_width[0], rel=0.03 + bends / over)


def test_a_bar_between_bearings_bends_as_textbooks_say():
    """5 q L^4 / 384 E I in the middle under an even load over the whole span; Timoshenko, Strength of Materials, from memory."""
    press = PRESSES["midway"]
    span, radius = press.bearing_span_mm, press.roller_radius_mm
    y = np.linspace(-span / 2, span / 2, 2001)
    ways = ways_of(press, y)
    load = 30.0
    amplitude = load * np.trapezoid(ways.shapes[2], y) / ways.stiffness[2]
    bending = STEEL * np.pi * radius**4 / 4
    assert amplitude == pytest.approx(2 * 5 * load * span**4 / (384 * bending), rel=0.01)  # both rollers part


@given(depth=st.floats(0.01, 0.9), soft=st.floats(0.01, 0.5), travel=st.floats(0.05, 0.6))
@settings(max_examples=60, deadline=None)
def test_laws_in_series_and_side_by_side_are_those_of_springs(depth, soft, travel):
    """Springs by hand: in series closings add at one pressure, side by side pressures add at one closing, both shut together."""
    one, two = broken_line([(soft, travel)]), broken_line([(0.3, 0.2)])
    pressure = depth / soft
    assert in_series(one, two).closing_at(np.array([pressure]))[0] == pytest.approx(min(depth, travel) + min(0.3 * pressure, 0.2), abs=1e-6)
    both = side_by_side(one, two)
    assert both.travel == pytest.approx(max(travel, 0.2), abs=1e-6)
    at = 0.999 * both.travel
    expected = sum(max(at - (both.travel - law.travel), 0.0) / c for law, c in ((one, soft), (two, 0.3)))
    assert both.pressure_at(np.array([at]))[0] == pytest.approx(expected, rel=1e-3, abs=1e-6)


@given(top=st.floats(0.2, 5.0))
@settings(max_examples=30, deadline=None)
def test_the_work_of_a_law_is_the_area_under_it(top):
    law = LocalLaw(np.array([0.0, 0.1, 0.4, 1.4]), np.array([0.0, 0.1, 0.25, 0.36]))
    area, _ = quad(lambda z: float(law.pressure_at(np.array([z]))[0]), 0.0, float(law.closing_at(np.array([top]))[0]) - 1e-9, limit=200)
    assert law.work_at(np.array([top]))[0] == pytest.approx(area, rel=2e-3)
    assert RIGID.work_at(np.array([top]))[0] == 0.0


@pytest.mark.parametrize("give", [0.02, 0.1, 0.5])
def test_an_interface_that_gives_in_proportion_is_the_film_that_it_stands_for(give):
    """Solved place by place, against the pile computed with that very film."""
    table = compliant(PLATES, 2, 16.0, 1.5)
    curve = table.curve(np.array([0.0, 50.0]), np.array([0.0, 50.0 * give]), lambda p: 0.5 * give * p**2)
    film = line_table([*PLATES[:3], Layer("", 0.02, 0.02 / give, 0.0), PLATES[3]], 2, 16.0, 1.5)
    for closing in (0.1, 0.4, 1.0):
        found = film.at(closing)
        load, pressure = curve.at(closing)[:2]
        assert load == pytest.approx(found.load, rel=0.04 + 0.16 * give)  # a film also slides, and so bends more easily
        assert pressure == pytest.approx(found.sheet_peak, rel=0.06)


def test_an_interface_once_shut_leaves_the_pile_as_stiff_as_without():
    table = compliant(PLATES, 2, 16.0, 1.5)
    law = broken_line([(0.3, 0.2)])
    shut, plain = (table.curve(one.pressure, one.closing, one.work_at) for one in (law, RIGID))
    load, slope = shut.at(1.3)[LOAD], (shut.at(1.35)[LOAD] - shut.at(1.25)[LOAD]) / 0.1
    assert load == pytest.approx(plain.at(1.1)[LOAD], rel=0.15)
    assert slope == pytest.approx((plain.at(1.15)[LOAD] - plain.at(1.05)[LOAD]) / 0.1, rel=0.2)


def test_the_layers_share_the_energy_by_their_softness():
    """Euler's theorem: the parts add up to the whole; a mat between plates takes nearly all of it."""
    soft = (*PLATES[:2], Layer("", 2.2, 8.0, 0.3), PLATES[3])
    for wave in (0.02, 0.1, 0.3, 2.0):
        assert energy_shares(PLATES, wave).sum() == pytest.approx(1.0)
        assert energy_shares(soft, wave).min() >= 0.0
    assert energy_shares(soft, 0.05)[2] > 0.8  # long waves press it, short ones only bend the plates over it


def test_frame_rollers_and_piles_balance_at_every_position():
    """Forces, moments and what bends the rollers, each summed anew from the loads."""
    sandwich = build(
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
    )
    nip = nip_of(sandwich, library=demo_relief)
    rows, field = nip.rows, nip.field
    for shape, stiffness, gone in zip(rows.ways.shapes, rows.ways.stiffness, rows.gone.T, strict=True):
        assert (rows.load * field.width) @ shape == pytest.approx(stiffness * gone, rel=1e-6, abs=1e-3 * max(abs(shape)))
    span = sandwich.press.bearing_span_mm
    assert rows.force == pytest.approx(sandwich.press.frame_stiffness_n_per_mm * rows.give, rel=1e-6, abs=1e-3)
    assert rows.ways.stiffness[1] == pytest.approx(sandwich.press.frame_stiffness_n_per_mm * span**2 / 4)


def test_mirroring_the_pile_mirrors_the_pressure():
    left, right = nip_of(flat_pile(18.2, width=60, y=-30)), nip_of(flat_pile(18.2, width=60, y=30))
    assert left.pressure == pytest.approx(right.pressure[:, ::-1], rel=1e-6, abs=1e-6)
    assert left.tilt == pytest.approx(-right.tilt, rel=1e-6)


def test_a_centred_pile_does_not_tilt_and_one_to_the_side_opens_that_side():
    assert np.abs(nip_of(flat_pile(18.2)).tilt).max() < 1e-10
    aside = nip_of(flat_pile(18.2, width=50, y=40))
    assert aside.tilt.max() > 1e-4
    loads = aside.rows.load.max(axis=0)
    assert loads[0] > loads[-1]


def test_rollers_that_bend_press_less_in_the_middle():
    nip = nip_of(flat_pile(18.4, width=140))
    loads = nip.rows.load.max(axis=0)
    assert loads[loads.size // 2] < loads[1]


@given(over=st.floats(-0.5, 1.4), more=st.floats(0.001, 0.5))
@settings(max_examples=40, deadline=None)
def test_a_thicker_pile_never_presses_less(over, more):
    assert nip_of(flat_pile(17.7 + over + more)).peak_force >= nip_of(flat_pile(17.7 + over)).peak_force * (1 - 1e-3)


def test_no_contact_gives_zero_and_never_nan():
    nip = nip_of(flat_pile(16.0))
    assert nip.peak_force == 0.0
    assert nip.contact == 0.0
    assert np.isfinite(nip.pressure).all()
    assert np.isfinite(nip.handle).all()


def test_the_whole_nip_scales_like_its_units():
    """Lengths times two, forces times four, so pressures the same: nothing in the nip hides a length or a stress but the curves' grid."""
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
    assert two.peak_force == pytest.approx(4 * one.peak_force, rel=0.02)
    assert two.under_rollers[0] == pytest.approx(one.under_rollers[0], rel=0.02)


def test_the_load_trace_is_zero_off_the_plate_and_even_on_it():
    nip = nip_of(flat_pile(18.0))
    inside = np.abs(nip.field.x) < 110
    assert np.ptp(nip.force[inside]) == pytest.approx(0.0, abs=1e-6)
    assert bite_limit(16.0, 0.3) == pytest.approx(1.44)
    assert half_width(16.0, 0.09) == pytest.approx(1.2)


def test_a_window_unloads_what_lies_below_it():
    rows = (lay("rail-lattice", half="raised"), sheet_row(), lay("rail-lattice", half="sunk"))
    nip = nip_of(build("T", "midway", "emboss", lay("bed"), lay("hard-a"), *rows, lay("mask")), library=demo_relief)
    middle = nip.pressure[nip.pressure.shape[0] // 2]
    assert middle[middle.size // 2] < 0.05 * middle.max()
    assert middle.max() > 0.5


@pytest.mark.parametrize("turn", [10, 20, 30, 45])
def test_a_rectangle_turned_takes_the_load_bit_by_bit(turn):
    """Common practice, no published source: turned 10 to 45 degrees, a long straight edge does not meet the rollers at once."""

    def steepest(angle):
        rows = (lay("bed"), lay("spacer"), lay("hard-a"), lay("bench-seat", rotation_deg=angle), sheet_row(x_mm=0), lay("hard-b"))
        nip = nip_of(build("T", "midway", "cut", *rows), library=demo_relief)
        inside = np.abs(nip.field.x) < 71  # the die's own edges; the sheet's and plates' lie further out
        return np.abs(np.diff(nip.force[inside])).max()

    assert steepest(turn) < 0.85 * steepest(0)


@pytest.mark.parametrize("name", ["arch-cut", "tracery-cut", "ticket-sleeve", "programme-cover"])
def test_bench_and_feed_are_one_computation(name):
    bench, feed = assess(SANDWICHES[name], demo_relief).nip, look_at(SANDWICHES[name], demo_relief).trace
    assert feed.nip.pressure == pytest.approx(bench.pressure)
    assert feed.peak == pytest.approx(bench.peak_force)
    assert feed.handle.max() == pytest.approx(bench.peak_handle)


@pytest.mark.parametrize("name", SANDWICHES)
def test_a_pass_takes_what_is_lost_and_no_more(name):
    """Energy: over a whole pass the handle's work against losses is what pile, interface and bearings took, and what is stored comes back."""
    trace = look_at(SANDWICHES[name], demo_relief).trace
    press = SANDWICHES[name].press
    rows, at = trace.nip.rows, trace.nip.field.row_of
    step = trace.nip.field.step
    lever = press.drive.gear_ratio * press.drive.handle_radius_mm / press.roller_radius_mm
    work = float(trace.turning.steady.sum() * step * lever)
    interface = float((rows.channel(5)[at].sum(axis=1) * trace.nip.field.width).sum() * step)
    bearings = float((press.bearing_drag_mm * trace.nip.force).sum() * step / press.roller_radius_mm)
    pile = work - interface - bearings
    front = 2 * 3 / 16 * float((rows.load * 2 * rows.half_width)[at].sum() * trace.nip.field.width * step) / press.roller_radius_mm
    assert 0 <= pile <= front * 1.2  # no more than the front halves of both contacts put in, 3/16 W a each for a parabola


def test_what_is_not_touched_takes_no_work():
    sandwich = SANDWICHES["arch-cut"]
    open_press = replace(sandwich, press=replace(sandwich.press, opening=replace(sandwich.press.opening, mm=20.0)))
    trace = look_at(open_press, demo_relief).trace
    assert trace.handle.max() == 0.0
    assert assess(open_press, demo_relief).nip.peak_handle == 0.0


def test_blades_bear_what_the_rollers_press():
    """Equilibrium over the pass: the blades' loads add up to the rollers' force, as far as the pressure at the sheet is what presses."""
    found = assess(SANDWICHES["arch-cut"], demo_relief)
    nip, blade = found.nip, found.blade
    field = nip.field
    band = float(
        np.median((nip.force[:, None] * 0 + nip.rows.load[field.row_of] / np.maximum(nip.pressure, 1e-9))[field.work[field.row_of]])
    )
    assert 6.0 < band < 22.0  # mm: width along the feed that turns pressure into load per width
    assert blade.density * blade.cut_load < nip.pressure.max()


@pytest.mark.parametrize("name", ["ticket-sleeve", "arch-line", "copper-plaque", "envelope-device"])
@pytest.mark.parametrize("kind", ["hard plate", "rubber mat", "sheet", "bed"])
def test_a_little_more_of_anything_changes_a_little(name, kind):
    """Continuity: a hundredth of a millimetre on any layer, or a twentieth of a thin one, moves the pressure by no step."""
    sandwich = SANDWICHES[name]
    keys = [k for k, item in sandwich.items.items() if item.kind == kind]
    for key in keys:
        thick = sandwich.items[key].thickness
        step = min(0.01, thick.mm / 20)
        steps = [
            assess(with_item(sandwich, key, thickness=replace(thick, mm=thick.mm + step * n)), demo_relief).verdict.pressure
            for n in range(-2, 3)
        ]
        changes = np.diff(np.log(steps))
        assert np.abs(np.diff(changes)).max() < 0.02, (key, steps)


@pytest.mark.parametrize("name", ["ticket-sleeve", "arch-cut", "programme-cover"])
def test_a_little_turn_and_shift_change_a_little(name):
    sandwich = SANDWICHES[name]

    def moved(dx, dy, turn):
        layers = tuple(
            replace(layer, x_mm=layer.x_mm + dx, y_mm=layer.y_mm + dy, rotation_deg=layer.rotation_deg + turn)
            if sandwich.items[layer.item].kind not in ("bed", "spacer", "hard plate", "deep plate")
            else layer
            for layer in sandwich.layers
        )
        return assess(replace(sandwich, layers=layers), demo_relief).verdict.pressure

    here = moved(0, 0, 0)
    for change in ((0.05, 0, 0), (0, 0.05, 0), (0, 0, 0.05), (0, 0, 0.1)):
        assert moved(*change) == pytest.approx(here, rel=0.02), change
    assert moved(0.3, 0.2, 0.3) == pytest.approx(here, rel=0.04)


def test_a_folder_opens_the_pile_and_closes_softly():
    """Common practice, no published source: a folder a few tenths open still marks; faint begins softly."""
    rows = (lay("bed"), lay("hard-a"), *folder("rail-lattice", sheet_row()), lay("hard-b"))
    sandwich = build("T", "midway", "emboss", *rows)
    opened = replace(sandwich, press=replace(sandwich.press, opening=replace(sandwich.press.opening, mm=sandwich.press.opening.mm + 0.8)))
    found = assess(opened, demo_relief)
    assert found.nip.interference < 0
    assert found.nip.peak_force > 0
    assert nip_of(sandwich, Interface()).field.columns.free.max() < nip_of(sandwich, library=demo_relief).field.columns.free.max()
