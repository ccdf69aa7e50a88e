"""Photographs of tools against what a physically based ray tracer (mitsuba) was told to render; the refusals of what can't be read."""

import cv2
import numpy as np
import pytest
import shapely
from shapely.geometry import Polygon
from tests.core.imaging.photo.photographs import outline_errors, pairs, pixels, reading, truth

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.imaging.photo import TARGETS, Laid, blade_of, read_tools
from lofty_press.core.imaging.photo.target import MARKER
from lofty_press.siege.photo_sheet import SQUARE, scanned_sheet


@pytest.mark.parametrize("paper", TARGETS)
def test_nothing_on_the_sheet_is_in_the_way_of_anything(paper):
    target = TARGETS[paper]
    markers = [shapely.box(x, y, x + MARKER, y + MARKER) for x, y in target.markers.values()]
    window = shapely.box(*target.window)
    assert len(markers) == 2 * (target.columns + target.rows) - 4
    assert all(not marker.buffer(2.0).intersects(window) for marker in markers)
    assert all(not a.intersects(b) for n, a in enumerate(markers) for b in markers[:n])
    assert all(
        x >= 6.0 and x + MARKER <= target.width - 6.0 and 6.0 <= y <= target.height - MARKER - 6.0 for x, y in target.markers.values()
    )
    assert not {*TARGETS["A4"].markers} & {*TARGETS["letter"].markers}


@pytest.mark.parametrize(
    ("name", "median", "late"),
    [
        ("dies-above", 0.06, 0.2),
        ("dies-aslant", 0.1, 0.7),
        ("dies-letter", 0.06, 0.2),
        ("stencils", 0.2, 0.8),
        ("colored-clutter", 0.25, 1.0),
        ("clear", 0.35, 1.3),
    ],  # a lamp's hard shadow hides the lower edge of thick things; of clear and milky ones little more than that is seen
)
def test_outlines_are_true_to_size(name, median, late):
    errors = outline_errors(name)
    assert len(reading(name).tools) == len(truth(name))
    assert np.median(errors) < median
    assert np.percentile(errors, 95) < late


def test_the_camera_is_where_the_scene_has_it():
    camera = reading("dies-aslant").camera
    tilt, around = np.radians((24.0, 200.0))
    aside = 350.0 * np.sin(tilt)
    true = np.array([215.9 / 2 + aside * np.cos(around), 279.4 / 2 - aside * np.sin(around), 350.0 * np.cos(tilt)])
    np.testing.assert_allclose(camera.place, true, atol=2.0)
    assert camera.focal == pytest.approx(0.5 * 2016 / np.tan(np.radians(26.0)), rel=0.01)
    assert camera.radial[0] == pytest.approx(0.06, abs=0.01)
    assert camera.off_by < 0.05


@pytest.mark.parametrize("name", ["dies-above", "stencils"])
def test_the_kind_is_proposed_first(name):
    assert [tool.kinds[0] for _, tool in pairs(name)] == [true["kind"] for true, _ in pairs(name)]


def test_thick_things_of_any_color_are_found_whole_on_a_cluttered_table():
    for true, tool in (*pairs("colored-clutter"), *pairs("clear")):
        shape, found = Polygon(true["outline"], true["windows"]), tool.polygon
        assert shape.intersection(found).area > 0.9 * shape.union(found).area


def test_a_blade_runs_along_the_middle_of_its_band():
    for true, tool in pairs("dies-above"):
        outer, inner = shapely.LinearRing(true["outline"]), shapely.LinearRing(true["windows"][0])
        runs = [shapely.LineString(run) for run in blade_of(tool)]
        points = [run.interpolate(at) for run in runs for at in np.arange(1.0, run.length, 1.0)]
        aside = np.array([outer.distance(point) - inner.distance(point) for point in points]) / 2
        assert np.percentile(np.abs(aside), 90) < 0.25
        assert sum(run.length for run in runs) == pytest.approx((outer.length + inner.length) / 2, rel=0.06)


def test_a_tool_that_lay_crooked_is_kept_straight():
    crooked = next(tool for _, tool in pairs("dies-above") if tool.polygon.envelope.contains(shapely.Point(165, 55)))
    laid = Laid.of(crooked)
    np.testing.assert_allclose(laid.size, (42.4, 32.4), atol=0.2)
    kept = laid.kept(crooked.outline)
    np.testing.assert_allclose(np.ptp(kept, axis=0), laid.size, atol=0.05)
    turned, area = shapely.Polygon(kept), crooked.polygon.area + sum(shapely.Polygon(w).area for w in crooked.windows)
    assert turned.area == pytest.approx(area, rel=1e-6)


def test_a_longer_ruler_makes_everything_longer():
    picture = cv2.cvtColor(scanned_sheet(), cv2.COLOR_GRAY2BGR)
    plain, longer = read_tools(picture).tools[0], read_tools(picture, ruler_mm=102.0).tools[0]
    np.testing.assert_allclose(plain.size, SQUARE[2], atol=0.3)
    np.testing.assert_allclose(longer.size, 1.02 * SQUARE[2], atol=0.3)


BARE = cv2.cvtColor(scanned_sheet(square=False), cv2.COLOR_GRAY2BGR)
ONE = cv2.cvtColor(scanned_sheet(), cv2.COLOR_GRAY2BGR)
REFUSED = {
    "none of the printed sheet": np.full((400, 300, 3), 128, np.uint8),
    "shows only": ONE[:200],
    "isn't flat": np.concatenate([ONE[:700], ONE[740:]]),
    "blurred": cv2.GaussianBlur(ONE, (0, 0), 3.0),
    "too dark": (ONE * 0.12).astype(np.uint8),
    "burnt out": np.clip(ONE * 1.2, 0, 255).astype(np.uint8),
    "nothing on the sheet": BARE,
}


@pytest.mark.parametrize("why", REFUSED)
def test_what_cannot_be_read_is_refused_in_words(why):
    with pytest.raises(InvalidInput, match=why):
        read_tools(REFUSED[why])


def test_a_sheet_printed_at_another_scale_is_refused():
    with pytest.raises(InvalidInput, match="100 %"):
        read_tools(ONE, ruler_mm=94.0)


def test_what_sticks_out_of_the_frame_is_named():
    picture = ONE.copy()
    picture[500:600, 90:260] = 100
    found = read_tools(picture)
    assert [tool.cut_off for tool in found.tools] == [False, True] or [tool.cut_off for tool in found.tools] == [True, False]
    assert "stick out" in str(found.notes[0])


def test_the_photograph_may_lie_on_its_side():
    sideways = cv2.rotate(pixels("stencils"), cv2.ROTATE_90_CLOCKWISE)
    assert len(read_tools(sideways).tools) == 3


def test_crumbs_and_grain_are_no_tools():
    """Some thousand specks beside one tool: it is found alone, and true to size."""
    chance, picture = np.random.default_rng(1), ONE.copy()
    for x, y in zip(chance.integers(140, 900, 4000), chance.integers(140, 1200, 4000), strict=True):
        if not (280 < x < 520 and 380 < y < 620):  # one that touches the tool would be part of it
            picture[y : y + 2, x : x + 2] = (60, 90, 160)
    tools = [tool for tool in read_tools(picture).tools if tool.polygon.area > 200]
    assert len(tools) == 1
    np.testing.assert_allclose(tools[0].size, SQUARE[2], atol=0.3)
