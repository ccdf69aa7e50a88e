"""Height maps: what they refuse, what they say of themselves, and the ways to make one, against closed forms and shapely."""

import numpy as np
import pytest
import shapely

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.sandwich.relief import (
    FLANK,
    HeightMap,
    blade_map,
    distance_to_lines,
    grid_over,
    heights_from_above,
    hillshade,
    light_of_relief,
    plateau_map,
)


def wave(length=8.0, height=0.5, spacing=0.1):
    """Ridges along x of one length and height."""
    x, _ = grid_over(40.0, 20.0, spacing)
    ridges = height * (0.5 + 0.5 * np.sin(2 * np.pi * x / length))
    return HeightMap(np.repeat(ridges[:, None], 200, axis=1).astype(np.float32), spacing)


class TestMap:
    @pytest.mark.parametrize(
        ("heights", "spacing", "field"),
        [
            (np.zeros((1, 5)), 0.2, "heights"),
            (np.zeros(5), 0.2, "heights"),
            (np.full((4, 4), np.nan), 0.2, "heights"),
            (np.full((4, 4), np.inf), 0.2, "heights"),
            (np.full((4, 4), -0.1), 0.2, "heights"),
            (np.full((4, 4), 61.0), 0.2, "heights"),
            (np.zeros((4, 4)), 0.0, "spacing"),
            (np.zeros((4, 4)), float("nan"), "spacing"),
            (np.zeros((4, 4)), 1e6, "spacing"),
        ],
    )
    def test_what_is_none_is_refused_by_its_field(self, heights, spacing, field):
        with pytest.raises(InvalidInput) as refused:
            HeightMap(heights.astype(np.float32), spacing)
        assert refused.value.field == field

    def test_half_of_a_wave_is_raised(self):
        assert wave().raised_share == pytest.approx(0.5, abs=0.02)
        assert wave().size == pytest.approx((40.0, 20.0))

    def test_the_finest_span_is_the_height_over_the_steepest_slope(self):
        """A sine of height h and length l is steepest at pi h / l."""
        assert wave(length=8.0).finest_span == pytest.approx(8.0 / np.pi, rel=0.05)
        assert wave(length=4.0).finest_span < wave(length=8.0).finest_span

    def test_between_cells_it_is_linear_and_beyond_its_edge_nothing(self):
        ramp = HeightMap(np.linspace(0, 1, 11, dtype=np.float32)[:, None].repeat(5, axis=1), 1.0)
        x = np.array([-5.0, -2.5, 0.0, 3.25, 5.0])
        assert ramp.sample(x, np.zeros(5)) == pytest.approx([0.0, 0.25, 0.5, 0.825, 1.0], abs=1e-6)
        assert ramp.sample(np.array([40.0]), np.array([0.0])) == [0.0]

    def test_a_flat_one_has_a_span_all_the_same(self):
        assert HeightMap(np.zeros((4, 4), dtype=np.float32), 0.5).finest_span == 1.0


class TestBlade:
    SQUARE = (np.array([[-10.0, -10.0], [10.0, -10.0], [10.0, 10.0], [-10.0, 10.0], [-10.0, -10.0]]),)

    def test_distances_are_shapelys(self):
        x, y = grid_over(40.0, 40.0, 1.0)
        found = distance_to_lines(self.SQUARE, x, y)
        line = shapely.LineString(self.SQUARE[0])
        points = shapely.points(*np.meshgrid(x, y, indexing="ij"))
        near = found < 4.0
        assert near.any()
        assert found[near] == pytest.approx(shapely.distance(line, points)[near], abs=0.75)

    def test_its_edge_stands_up_and_its_flanks_fall(self):
        made = blade_map(self.SQUARE, length=40.0, width=40.0, height=1.0, spacing=0.1)
        assert made.heights.max() == pytest.approx(1.0, abs=0.1)
        assert made.blade_length == pytest.approx(80.0)
        on, beside = made.sample(np.array([10.0, 10.0 + 0.5 / FLANK]), np.zeros(2))
        assert on - beside == pytest.approx(0.5, abs=0.1)


class TestPlateau:
    def test_it_is_as_large_as_its_outline_and_as_high_as_was_asked(self):
        disc = shapely.Point(0, 0).buffer(15)
        made = plateau_map(disc, length=40.0, width=40.0, height=0.8, shoulder=1.0, spacing=0.1)
        assert made.heights.max() == pytest.approx(0.8, abs=0.01)
        assert (made.heights > 0).sum() * 0.1**2 == pytest.approx(disc.area, rel=0.03)

    def test_its_volume_is_that_of_a_truncated_cone(self):
        made = plateau_map(shapely.Point(0, 0).buffer(15), length=40.0, width=40.0, height=0.8, shoulder=3.0, spacing=0.1)
        cone = np.pi * 0.8 / 3 * (15**2 + 15 * 12 + 12**2)
        assert made.heights.sum() * 0.1**2 == pytest.approx(cone, rel=0.02)


class TestSolid:
    def pyramid(self, base=20.0, height=2.0):
        """Four sides over a square."""
        corners = np.array([[-1, -1, 0], [1, -1, 0], [1, 1, 0], [-1, 1, 0]]) * base / 2
        top = np.array([0.0, 0.0, height])
        return np.array([[corners[n], corners[(n + 1) % 4], top] for n in range(4)])

    def test_a_pyramid_seen_from_above(self):
        made, share = heights_from_above(self.pyramid())
        assert share == pytest.approx(1.0, abs=0.02)
        assert made.heights.max() == pytest.approx(2.0, abs=0.1)
        assert made.heights.sum() * made.spacing**2 == pytest.approx(20**2 * 2 / 3, rel=0.05)

    def test_what_lies_below_is_not_seen(self):
        below = np.array([[[-10.0, -10, -5], [10, -10, -5], [0, 10, -5]]])
        hidden, _ = heights_from_above(np.concatenate([self.pyramid(), below]))
        plain, _ = heights_from_above(self.pyramid())
        assert hidden.heights.max() == pytest.approx(plain.heights.max())

    def test_sheets_upon_sheets_are_refused_before_they_are_looked_at(self):
        big = np.array([[[-500.0, -500, 0], [500, -500, 0], [0, 500, 1]]])
        with pytest.raises(InvalidInput, match="triangles"):
            heights_from_above(np.repeat(big, 20_000, axis=0))


class TestLight:
    def test_a_plane_is_as_light_as_the_lamp_stands_high(self):
        """Lambert: the cosine between normal and lamp, which over a level plane is the sine of its altitude."""
        for altitude in (20, 45, 90):
            assert hillshade(np.zeros((5, 5)), 1.0, azimuth=30, altitude=altitude) == pytest.approx(np.sin(np.radians(altitude)))

    def test_a_slope_that_faces_the_lamp_is_full_and_one_that_turns_away_is_dark(self):
        x = np.arange(20.0)[:, None].repeat(5, axis=1)
        assert hillshade(-x, 1.0, azimuth=0, altitude=45)[5:-5] == pytest.approx(1.0)
        assert hillshade(3 * x, 1.0, azimuth=0, altitude=10).max() == 0.0

    def test_a_relief_shows(self):
        assert np.ptp(light_of_relief(wave())) > 0.1
