"""The feed: load along the crank, the best turn, the second pass, what fits."""

import math
from dataclasses import replace
from itertools import pairwise

import numpy as np
import pytest
import shapely
from hypothesis import assume, given
from hypothesis import strategies as st
from tests.core.builders import build, cut, folder, lay, sheet_row, with_item

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.mechanics.feed.best import advise, feed, setting_of
from lofty_press.core.mechanics.feed.examine import examine, look_at
from lofty_press.core.mechanics.feed.placing import Placing, laid, placing_of, words_lie, wrapped
from lofty_press.core.mechanics.feed.second_pass import two_passes
from lofty_press.core.mechanics.forming.closing import closing_of
from lofty_press.core.mechanics.nip import press_ways
from lofty_press.core.mechanics.nip.columns import build_field
from lofty_press.core.mechanics.nip.strip import bite_limit
from lofty_press.core.sandwich.outline.in_nip import chords, length_within
from lofty_press.core.sandwich.outline.overlap import goes_with, tool_overlaps, without_overlap
from lofty_press.core.sandwich.relief.height_map import HeightMap, no_library
from lofty_press.core.sandwich.stack.item import Thickness
from lofty_press.core.sandwich.stack.shape import item_polygon
from lofty_press.core.sandwich.stack.view import StackView
from lofty_press.demo.reliefs.library import demo_relief
from lofty_press.demo.sandwiches import SANDWICHES, SHELF

ROWS = (lay("bed"), lay("spacer"), lay("hard-a"))
SIZE = (60.0, 100.0)  # mm across and along, of the plain block


@pytest.fixture
def straight_rollers(monkeypatch):
    """Rollers that do not bend, for tests that hold a load against a closed form."""
    monkeypatch.setattr(press_ways, "STEEL", 1e12)


def stiff(sandwich):
    """The sandwich on a press whose frame gives nothing."""
    return replace(sandwich, press=replace(sandwich.press, frame_stiffness_n_per_mm=1e6))


def block(turn=0.0, x=0.0, y=0.0, outline=None):
    """A plain hard block on the bed that alone is over the opening, on a stiff press: the load is as wide as the block is."""
    plain = build("Block", "midway", "texture", lay("bed"), lay("wicker", x_mm=x, y_mm=y, rotation_deg=turn))
    over = plain.press.opening.mm + 0.05 - 9.0
    sized = with_item(plain, "wicker", thickness=Thickness(mm=over, sd_mm=0.01), width_mm=SIZE[0], length_mm=SIZE[1], outline=outline)
    return stiff(with_item(sized, "bed", width_mm=155.0))


def trace_of(sandwich, library=demo_relief):
    return feed(sandwich, setting_of(sandwich, library))


class TestWhatIsInTheNip:
    """Against shapely's exact intersection."""

    @given(
        st.lists(st.tuples(st.floats(-60, 60), st.floats(-60, 60)), min_size=2, max_size=30),
        st.floats(-70, 70),
        st.floats(0.2, 20),
    )
    def test_length_of_any_line(self, points, at, reach):
        line = np.array(points)
        assume(np.abs(np.abs(line[:, 0] - at) - reach).min() > 1e-6)  # on its very edge an upright piece is neither in nor out
        window = shapely.box(at - reach, -100, at + reach, 100)
        pieces = [shapely.LineString(pair) for pair in pairwise(points)]
        exact = sum(shapely.intersection(piece, window).length for piece in pieces)
        assert length_within([line], np.array([at]), reach)[0] == pytest.approx(exact, abs=1e-3)

    @pytest.mark.parametrize("turn", [0, 17, 45, 90, 133])
    @pytest.mark.parametrize("die", ["station-arch", "arch-tracery"])
    def test_blade_of_a_die(self, die, turn):
        found = look_at(cut(die, rotation_deg=float(turn)), demo_relief)
        (blade,) = [part for part in found.parts if part.part == "blade"]
        lines = shapely.MultiLineString([np.asarray(line) for line in found.blades[blade.layer]])
        share = SHELF[die].blade.length_mm / lines.length
        for n in range(0, found.trace.x.size, 23):
            x, reach = found.trace.x[n], found.trace.turning.half_contact
            exact = lines.intersection(shapely.box(x - reach, -500, x + reach, 500)).length * share
            assert blade.amount[n] == pytest.approx(exact, rel=1e-6, abs=1e-3)

    @given(st.floats(0, 360), st.floats(-40, 40))
    def test_chord_of_a_window_frame(self, turn, at):
        ring = shapely.box(-30, -20, 30, 20).difference(shapely.box(-10, -8, 12, 5))
        shape = shapely.affinity.rotate(ring, turn, origin=(0, 0))
        exact = shape.intersection(shapely.LineString([(at, -100), (at, 100)])).length
        assert chords(shape, np.array([at]))[0] == pytest.approx(exact, abs=1e-6)

    def test_a_line_along_the_rollers_comes_in_at_once(self):
        line = np.array([[5.0, -20.0], [5.0, 20.0]])
        assert length_within([line], np.array([3.9, 4.1, 5.0, 6.1]), 1.0) == pytest.approx([0, 40, 40, 0], abs=1e-6)

    def test_ridges_of_a_relief_add_up_to_its_raised_part(self):
        found = look_at(SANDWICHES["ticket-sleeve"], demo_relief)
        (ridges,) = [part for part in found.parts if part.part == "ridges"]
        relief = demo_relief("alder-rail-lattice")
        raised = float(np.mean(relief.heights > 0.5 * 0.45)) * relief.size[0] * relief.size[1]
        assert ridges.all == pytest.approx(raised, rel=0.05)


@pytest.mark.usefixtures("straight_rollers")
class TestLoadTrace:
    """The same mechanics as the Bench, at every crank position."""

    @pytest.mark.parametrize("turn", [0, 5, 15, 30, 45, 60, 75, 90])
    def test_peak_of_a_rectangle_has_its_closed_form_at_every_angle(self, turn):
        """Widest chord across the feed of a rectangle b by l turned by t: min(b / cos t, l / sin t)."""
        t = math.radians(turn)
        widest = min(SIZE[0] / max(math.cos(t), 1e-9), SIZE[1] / max(math.sin(t), 1e-9))
        line_load = trace_of(block()).peak / SIZE[0]
        assert trace_of(block(float(turn))).peak == pytest.approx(line_load * widest, rel=0.03)

    def test_a_circle_loads_alike_however_it_is_turned(self):
        ring = tuple((30 * math.cos(2 * math.pi * n / 90), 30 * math.sin(2 * math.pi * n / 90)) for n in range(90))
        peaks = [trace_of(block(float(turn), outline=ring)).peak for turn in (0, 13, 40, 77, 90)]
        assert max(peaks) == pytest.approx(min(peaks), rel=0.02)

    @given(st.floats(-20, 20), st.floats(-12, 12))
    def test_total_load_over_the_pass_does_not_depend_on_the_place(self, x, y):
        assert trace_of(block(x=x, y=y)).total == pytest.approx(trace_of(block()).total, rel=0.03)

    @pytest.mark.parametrize("turn", [0.0, 20.0, 45.0, 90.0])
    def test_total_load_of_a_blade_does_not_depend_on_the_turn(self, turn):
        assert trace_of(stiff(cut("station-arch", rotation_deg=turn))).total == pytest.approx(
            trace_of(stiff(cut("station-arch"))).total, rel=0.05
        )

    def test_a_blade_spread_evenly_gives_what_the_bench_says(self):
        """A die hatched at even steps, finer than the load spreads, is the Bench's even blade."""
        lines = tuple(np.array([[-40.0, y], [40.0, y]]) for y in np.arange(-28.0, 28.1, 2.0))
        hatched = HeightMap(np.zeros((80, 56), dtype=np.float32), 1.0, lines)
        sandwich = with_item(cut("bench-seat"), "bench-seat", width_mm=58.0, length_mm=80.0)
        length = sum(float(np.ptp(line[:, 0])) for line in lines)
        sandwich = with_item(sandwich, "bench-seat", blade=replace(SHELF["bench-seat"].blade, length_mm=length))
        nip = trace_of(sandwich, lambda _: hatched).nip
        inside = (np.abs(nip.field.x) < 22)[:, None] & (np.abs(nip.field.y) < 12)
        assert nip.crowding[inside] == pytest.approx(1.0, abs=0.06)
        assert nip.intensity[inside] == pytest.approx(nip.pressure[inside], rel=0.06)

    def test_blade_on_the_grid_adds_up_to_its_length(self):
        view = StackView(cut("arch-tracery", rotation_deg=30.0))
        closing = closing_of(view, demo_relief)
        field = build_field(view, closing.blade, closing.interface, demo_relief)
        assert field.density.sum() * field.step * field.width == pytest.approx(2120, rel=0.002)

    def test_one_edge_across_everything_is_the_rolling_bite_condition(self):
        """d = mu^2 R is the thickest step that bites (any rolling textbook): just under it the grip is just under 1."""
        press = block().press
        limit = bite_limit(press.roller_radius_mm, press.friction)
        for share in (0.5, 0.9, 1.1):
            over = press.opening.mm + share * limit - 9.0
            thick = with_item(block(), "wicker", thickness=Thickness(mm=over, sd_mm=0.01))
            soft = replace(thick, press=replace(thick.press, frame_stiffness_n_per_mm=1e6))
            compressed = trace_of(soft)
            give = compressed.force.max() / 1e6  # what little even this frame gives
            assert compressed.grip.max() == pytest.approx(
                math.sqrt((share * limit - give) / press.roller_radius_mm) / press.friction, rel=0.05
            )

    def test_the_load_off_the_middle_tilts_the_rollers_to_its_side(self):
        trace = trace_of(cut("label-large", y_mm=30.0))
        assert trace.tilt[np.argmax(trace.force)] > 0
        assert trace_of(cut("label-large")).tilt == pytest.approx(np.zeros(trace.x.size), abs=2e-5)

    def test_climbing_is_work_that_goes_into_frame_and_pile(self):
        """Work at the handle on the way in is the energy stored at the end of it: F_handle * lever / R summed over the feed."""
        sandwich = block()
        trace = trace_of(replace(sandwich, press=replace(sandwich.press, frame_stiffness_n_per_mm=6000.0)))
        press = sandwich.press
        assert trace.turning.climb[0] == trace.turning.climb[-1] == 0
        done = (
            trace.turning.climb.sum()
            * press.drive.gear_ratio
            * press.drive.handle_radius_mm
            / press.roller_radius_mm
            * (trace.x[1] - trace.x[0])
        )
        give = trace.peak / 6000.0
        depth = 0.05 - give
        piles = 0.4 * depth * trace.peak  # of a linear strip, (2/5) d F
        assert done == pytest.approx(0.5 * 6000.0 * give**2 + piles, rel=0.1)


class TestAdvice:
    """Common practice, no published source: turn it 10 to 45 degrees; a point first; the second pass turned."""

    @pytest.mark.parametrize("turn", [10.0, 25.0, 45.0])
    def test_turning_a_straight_edge_is_easier_and_gentler(self, turn):
        square, turned = trace_of(cut("bench-seat")), trace_of(cut("bench-seat", rotation_deg=turn))
        assert turned.handle.max() < 0.8 * square.handle.max()
        assert turned.load_gradient < 0.6 * square.load_gradient
        assert turned.peak < 1.06 * square.peak  # what lies between the rollers in the end is about as much

    @pytest.mark.parametrize("die", ["station-arch", "label-large", "bench-seat"])
    def test_what_is_advised_is_better_and_fits(self, die):
        advice = advise(cut(die), setting_of(cut(die), demo_relief))
        assert advice.better is not None
        assert advice.better.trace.peak <= 1.03 * advice.now.trace.peak
        assert advice.better.trace.load_gradient < advice.now.trace.load_gradient
        lying = look_at(advice.better.sandwich, demo_relief)
        assert lying.misfits == ()
        assert advise(advice.better.sandwich, setting_of(advice.better.sandwich, demo_relief)).better is None

    def test_a_point_first_helps_a_mask(self):
        square = SANDWICHES["masked-label"]
        turned = laid(square, replace(placing_of(StackView(square)), turn=10.0))
        assert trace_of(turned).load_gradient < 0.75 * trace_of(square).load_gradient
        (name, narrow), (_, wide) = look_at(turned, demo_relief).leading, look_at(square, demo_relief).leading
        assert name == "Window mask"
        assert narrow < 0.4 * wide

    @pytest.mark.parametrize(("first", "least", "most"), [("hinge", 0, 45), ("open edge", 135, 180)])
    def test_both_schools_of_feeding_a_folder(self, first, least, most):
        sandwich = build("Folder", "midway", "emboss", lay("bed"), *folder("cable-sheave", sheet_row()), lay("deep"))
        advice = advise(sandwich, setting_of(sandwich, demo_relief), first=first)
        assert least <= abs(advice.better.placing.turn) <= most

    def test_a_folder_that_goes_in_easily_is_not_called_in_need_of_turning(self):
        advice = advise(SANDWICHES["programme-cover"], setting_of(SANDWICHES["programme-cover"], demo_relief))
        assert not advice.needed

    @pytest.mark.parametrize(("stock", "spacer"), [("ridge-green", 2.1), ("summit-white", 2.45)])
    def test_two_positions_even_out_an_intricate_cut(self, stock, spacer):
        """Where one pass leaves a third uncut, a second turned one cuts more of it than a second alike."""
        thick = with_item(cut("arch-tracery", stock), "spacer", thickness=Thickness(mm=spacer, sd_mm=0.02))
        trimmed = with_item(thick, stock, width_mm=90.0, length_mm=110.0)
        passes = two_passes(trimmed, setting_of(trimmed, demo_relief))
        assert passes.second is not None
        assert 0.5 < passes.once < passes.again < passes.moved - 0.04

    def test_where_one_pass_cuts_all_no_turning_is_asked_for(self):
        passes = two_passes(cut("label-large"), setting_of(cut("label-large"), demo_relief))
        assert passes.once > 0.99
        assert passes.second is None

    def test_a_die_that_does_not_cut_has_no_second_pass(self):
        assert examine(SANDWICHES["arch-line"], demo_relief).passes is None
        assert examine(SANDWICHES["programme-cover"], demo_relief).passes is None


class TestPlacing:
    @given(st.floats(-50, 50), st.floats(-50, 50), st.floats(-360, 360))
    def test_there_and_back_is_where_it_was(self, x, y, turn):
        sandwich = SANDWICHES["masked-label"]
        back = laid(laid(sandwich, Placing(x, y, turn)), placing_of(StackView(sandwich)))
        for one, other in zip(sandwich.layers, back.layers, strict=True):
            assert (one.x_mm, one.y_mm) == pytest.approx((other.x_mm, other.y_mm), abs=0.03)  # places are kept to 0.01 mm
            assert math.cos(math.radians(one.rotation_deg - other.rotation_deg)) == pytest.approx(1.0)

    @given(st.floats(-1e4, 1e4))
    def test_a_direction_is_wrapped_to_one_turn(self, degrees):
        assert -180 < wrapped(degrees) <= 180
        assert math.cos(math.radians(wrapped(degrees) - degrees)) == pytest.approx(1.0, abs=1e-6)


class TestWords:
    @pytest.mark.parametrize(("turn", "said"), [(0.0, "tops first"), (180.0, "tops last"), (90.0, "letter by letter"), (-100.0, "letter")])
    def test_how_words_come_under_the_rollers(self, turn, said):
        printed = SANDWICHES["timetable-print"]
        turned = laid(printed, replace(placing_of(StackView(printed)), turn=turn))
        assert said in words_lie(StackView(turned))

    @pytest.mark.parametrize(("words", "with_feed"), [("with the feed", True), ("along the rollers", False)])
    def test_the_advice_keeps_to_how_words_are_to_run(self, words, with_feed):
        printed = SANDWICHES["timetable-print"]
        start = laid(printed, replace(placing_of(StackView(printed)), turn=20.0 if with_feed else 70.0))
        advice = advise(start, setting_of(start, demo_relief), words=words)
        turn = abs(advice.better.placing.turn)
        assert (45 < turn < 135) == with_feed

    def test_a_tool_without_words_says_nothing_of_them(self):
        assert words_lie(StackView(cut())) == ""


class TestFit:
    def test_a_press_narrower_than_everything_is_answered(self):
        narrow = replace(cut("bench-seat"), press=replace(cut().press, feed_width_mm=40.0))
        found = look_at(narrow, demo_relief)
        assert {m.where for m in found.misfits} == {"Midway"}
        assert all(m.turned is None for m in found.misfits if m.name == "Square carriage die")
        sheet = next(m for m in found.misfits if m.trim is not None)
        assert sheet.trim[0] == pytest.approx(40.0)
        assert examine(narrow, demo_relief).advice.better is None

    def test_a_tool_that_fits_when_turned_is_told_by_how_much(self):
        long = with_item(cut("label-large", rotation_deg=90.0), "label-large", width_mm=40.0, length_mm=170.0)
        (misfit,) = [m for m in look_at(long, demo_relief).misfits if m.name == "Luggage label, large"]
        assert misfit.over == pytest.approx(15.0)
        turned = laid(long, Placing(0, 0, 90.0 + misfit.turned))
        assert [m for m in look_at(turned, demo_relief).misfits if m.name == "Luggage label, large"] == []

    def test_a_sheet_too_large_to_turn_is_told_apart_from_a_die(self):
        large, small = cut("label-large"), with_item(cut("label-large"), "ridge-green", width_mm=70.0, length_mm=110.0)
        one, other = (advise(sandwich, setting_of(sandwich, demo_relief)) for sandwich in (large, small))
        assert one.fitting + one.by_sheet == other.fitting
        assert one.by_sheet > 0

    @pytest.mark.parametrize("turn", [0.0, 20.0, 60.0, 90.0, -135.0])
    def test_a_sheet_trimmed_as_told_passes_however_it_lies(self, turn):
        narrow = replace(cut("label-small", rotation_deg=turn), press=replace(cut().press, feed_width_mm=100.0))
        narrow = with_item(narrow, "ridge-green", width_mm=140.0, length_mm=200.0 if abs(turn) in (0.0, 90.0) else 60.0)
        (sheet,) = [m for m in look_at(narrow, demo_relief).misfits if m.name == "Ridge green card"]
        trimmed = with_item(narrow, "ridge-green", width_mm=sheet.trim[0], length_mm=sheet.trim[1])
        assert "Ridge green card" not in {m.name for m in look_at(trimmed, demo_relief).misfits}

    def test_an_outline_off_the_bed_is_answered(self):
        away = look_at(cut("label-large", x_mm=900.0, y_mm=600.0), demo_relief)
        assert any(m.name == "Luggage label, large" for m in away.misfits)
        assert np.isfinite(away.trace.force).all()

    def test_an_outline_without_area_names_itself(self):
        flat = with_item(cut(), "label-large", outline=((0.0, 0.0), (10.0, 0.0), (20.0, 0.0)))
        with pytest.raises(InvalidInput, match="outline"):
            look_at(flat, no_library)

    def test_a_blade_without_end_is_refused_before_it_is_followed(self):
        comb = [(x, y) for n in range(1000) for x, y in ((-1999 + 4 * n, -1900.0), (-1997 + 4 * n, 1900.0))]
        winding = with_item(cut(), "label-large", outline=(*comb, (2000.0, 1950.0), (-1999.0, 1950.0)))
        with pytest.raises(InvalidInput, match="blade may run over 100 m"):
            look_at(winding, no_library)

    def test_an_empty_sandwich_has_a_trace_of_nothing(self):
        empty = replace(cut(), layers=(), items={})
        assert look_at(empty, no_library).trace.peak == 0
        assert examine(empty, no_library).advice is None


class TestOverlap:
    def test_shared_area_of_two_rectangles(self):
        sandwich = build(
            "Two", "midway", "cut", *ROWS, lay("label-large"), lay("label-small", x_mm=30, y_mm=10), sheet_row(), lay("hard-b")
        )
        (overlap,) = tool_overlaps(StackView(sandwich))
        along = 104 / 2 - (30 - 90 / 2)  # from the small one's near end to the large one's far end
        across = 58 / 2 - (10 - 46 / 2)
        assert overlap.area == pytest.approx(min(along, 90) * min(across, 46), rel=1e-9)

    def test_every_other_size_of_a_nested_set(self):
        """Common practice, no published source."""
        dies = [item_polygon(SHELF[f"porthole-{size}"]) for size in ("large", "middle", "small")]
        assert without_overlap(dies) == ((0, 2), (1,))

    def test_a_ring_goes_with_what_fits_inside_or_around_it(self):
        """Laid around one middle, two rings share nothing where the radii of one are all under the other's (geometry)."""
        shelf = [item for item in SHELF.values() if item.kind == "thin die"]
        found = {die.name for die in goes_with(StackView(cut("porthole-large")), shelf)}
        assert "Porthole, small" in found
        assert not found & {"Porthole, middle", "Porthole, large", "Station-arch die", "Luggage label, large"}
        assert goes_with(StackView(SANDWICHES["programme-cover"]), shelf) == ()

    @pytest.mark.usefixtures("straight_rollers")
    def test_two_that_go_together_load_the_rollers_as_both_do(self):
        def total(*dies):
            rows = [lay(die) for die in dies]
            return trace_of(stiff(build("Rings", "midway", "cut", *ROWS, *rows, lay("ridge-green", role="sheet"), lay("hard-b")))).total

        both, apart = total("porthole-large", "porthole-small"), total("porthole-large") + total("porthole-small")
        assert 0.75 * apart < both < 1.02 * apart  # they lie in one band, so that plates give more under both than under one

    def test_a_die_beside_another_changes_neither_its_spread_nor_its_contact(self):
        """They lie next to one another, not on one another."""
        one = build("One", "midway", "cut", *ROWS, lay("porthole-large"), lay("ridge-green", role="sheet"), lay("hard-b"))
        rows = (lay("porthole-large"), lay("porthole-small"))
        two = build("Two", "midway", "cut", *ROWS, *rows, lay("ridge-green", role="sheet"), lay("hard-b"))
        alone, beside = (setting_of(s, demo_relief).spread for s in (one, two))
        assert beside == pytest.approx(alone, rel=1e-3)
