"""Lines and areas between the rollers, against shapely's own geometry."""

from itertools import pairwise

import numpy as np
import pytest
import shapely
from hypothesis import given
from hypothesis import strategies as st
from tests.core.builders import build, lay, sheet_row

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.sandwich.outline import (
    blade_lines,
    blade_runs,
    chords,
    goes_with,
    length_within,
    tool_overlaps,
    walk,
    without_overlap,
)
from lofty_press.core.sandwich.outline.in_nip import length_before
from lofty_press.core.sandwich.relief import no_library
from lofty_press.core.sandwich.stack import StackView
from lofty_press.demo.reliefs.library import demo_relief
from lofty_press.demo.shelf import TOOLS

PLACES = np.linspace(-60.0, 60.0, 241)
corner = st.tuples(st.floats(-50, 50), st.floats(-50, 50))


def strip(low, high):
    return shapely.box(low, -1e3, high, 1e3)


@given(st.lists(corner, min_size=2, max_size=8, unique=True), st.floats(0.5, 20))
def test_length_in_the_nip_is_what_a_strip_cuts_off(points, reach):
    places = PLACES[::20] + np.pi / 100  # no upright segment lies on the edge of a strip
    found = length_within([np.array(points)], places, reach)
    segments = [shapely.LineString(pair) for pair in pairwise(points)]
    for x, length in zip(places, found, strict=True):
        cut_off = sum(segment.intersection(strip(x - reach, x + reach)).length for segment in segments)
        assert length == pytest.approx(cut_off, abs=1e-3)


def test_all_of_it_lies_before_the_end_and_none_before_the_start():
    lines = [np.array([[0.0, 0.0], [3.0, 4.0]]), np.array([[5.0, 0.0], [5.0, 7.0]])]
    assert length_before(lines, np.array([-1.0, 10.0])).tolist() == pytest.approx([0.0, 12.0])
    assert length_before([], np.array([0.0])).tolist() == [0.0]


@given(st.integers(3, 9), st.floats(5, 40), st.floats(0, 360))
def test_chords_are_the_width_that_a_line_cuts(corners, radius, turn):
    angle = np.radians(turn) + np.linspace(0, 2 * np.pi, corners, endpoint=False)
    ring = shapely.Polygon(
        radius * np.stack([np.cos(angle), np.sin(angle)], axis=1), [shapely.Point(0, 0).buffer(0.2 * radius).exterior.coords]
    )
    found = chords(ring, PLACES[::24])
    for x, width in zip(PLACES[::24], found, strict=True):
        assert width == pytest.approx(ring.intersection(shapely.LineString([(x, -100), (x, 100)])).length, abs=1e-6)


def test_chords_add_up_to_the_area():
    shape = shapely.Point(0, 0).buffer(30, quad_segs=64).difference(shapely.box(-5, -10, 5, 10))
    assert np.trapezoid(chords(shape, np.linspace(-31, 31, 6001)), np.linspace(-31, 31, 6001)) == pytest.approx(shape.area, rel=1e-3)


class TestWalk:
    def test_steps_are_alike_over_all_runs(self):
        runs = [np.array([[0.0, 0.0], [20.0, 0.0]]), np.array([[0.0, 5.0], [0.0, 15.0]])]
        points = walk(runs)
        assert len(points) == 60
        assert shapely.MultiLineString(runs).distance(shapely.MultiPoint(points)) == 0
        assert np.hypot(*np.diff(points[:40], axis=0).T) == pytest.approx(0.5)

    def test_an_endless_blade_is_refused(self):
        with pytest.raises(InvalidInput, match="m of blade"):
            walk([np.array([[0.0, 0.0], [100_001.0, 0.0]])])


class TestBlades:
    def test_without_a_map_the_blade_follows_the_outline(self):
        lines, drawn = blade_lines(TOOLS["label-large"], no_library)
        assert not drawn
        outline = shapely.box(
            -TOOLS["label-large"].length_mm / 2,
            -TOOLS["label-large"].width_mm / 2,
            TOOLS["label-large"].length_mm / 2,
            TOOLS["label-large"].width_mm / 2,
        )
        assert all(outline.covers(shapely.LineString(line)) for line in lines)

    def test_with_a_map_it_runs_where_it_was_drawn(self):
        lines, drawn = blade_lines(TOOLS["station-arch"], demo_relief)
        assert drawn
        assert sum(shapely.LineString(line).length for line in lines) > 100

    @pytest.mark.parametrize("turn", [0, 37, 90, 180])
    def test_turning_a_die_turns_its_blade_and_keeps_its_length(self, turn):
        straight = StackView(build("T", "midway", "cut", lay("bed"), lay("station-arch"), sheet_row(x_mm=0))).die
        turned = StackView(build("T", "midway", "cut", lay("bed"), lay("station-arch", rotation_deg=turn, x_mm=8), sheet_row(x_mm=0))).die
        before, after = (blade_runs(die, demo_relief)[0] for die in (straight, turned))
        assert [shapely.LineString(run).length for run in after] == pytest.approx([shapely.LineString(run).length for run in before])
        middle = np.concatenate(after).mean(axis=0) - np.concatenate(before).mean(axis=0)
        assert turn != 0 or middle == pytest.approx([8.0, 0.0])


class TestOverlaps:
    def test_two_dies_over_one_another_are_named_with_what_they_share(self):
        rows = [lay("bed"), lay("label-large"), lay("station-arch", x_mm=10), sheet_row(x_mm=0)]
        (found,) = tool_overlaps(StackView(build("T", "midway", "cut", *rows)))
        assert found.area == pytest.approx(found.one.polygon.intersection(found.two.polygon).area)
        assert found.area == pytest.approx(sum(shapely.Polygon(ring).area for ring in found.rings), rel=1e-6)

    def test_motifs_may_lie_over_one_another(self):
        rows = [lay("bed"), lay("monogram"), lay("monogram"), sheet_row(x_mm=0)]
        assert tool_overlaps(StackView(build("T", "midway", "motif", *rows))) == ()

    def test_of_rings_in_one_another_every_other_goes_in_one_run(self):
        middle = shapely.Point(0, 0)
        rings = [middle.buffer(r + 6).difference(middle.buffer(r - 6)) for r in (50, 40, 30, 20)]
        assert without_overlap(rings) == ((0, 2), (1, 3))

    def test_apart_they_all_go_together(self):
        boxes = [shapely.box(20 * n, 0, 20 * n + 10, 10) for n in range(4)]
        assert without_overlap(boxes) == ((0, 1, 2, 3),)

    def test_what_lies_over_the_die_that_is_there_does_not_go_with_it(self):
        view = StackView(build("T", "midway", "cut", lay("bed"), lay("label-large"), sheet_row(x_mm=0)))
        assert goes_with(view, [TOOLS["label-large"], TOOLS["station-arch"]]) == ()
        empty = StackView(build("T", "midway", "cut", lay("bed"), sheet_row(x_mm=0)))
        assert goes_with(empty, [TOOLS["station-arch"]]) == ()
