"""Footprints on the grid against exact areas, and what must not change when everything moves or turns."""

from dataclasses import replace

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from tests.core.builders import build, flat_pile, folder, lay, sheet_row

from lofty_press.core.mechanics.nip.columns import build_field, equal_rows
from lofty_press.core.mechanics.nip.piles import Interface
from lofty_press.core.sandwich.relief.height_map import no_library
from lofty_press.core.sandwich.stack.footprint import covered
from lofty_press.core.sandwich.stack.shape import item_polygon
from lofty_press.core.sandwich.stack.view import StackView
from lofty_press.demo.sandwiches import SHELF


def placed(key, **place):
    return StackView(build("T", "midway", "cut", lay(key, **place))).layers[0]


def grid(spacing):
    axis = np.arange(-150, 150, spacing) + spacing / 2
    return axis, axis


@pytest.mark.parametrize("key", ["hard-a", "station-arch", "mask", "frame", "monogram", "label-small"])
@pytest.mark.parametrize("turn", [0, 15, 90, 137])
def test_the_covered_cells_add_up_to_the_exact_area(key, turn):
    layer = placed(key, rotation_deg=turn, x_mm=7.3, y_mm=-4.1)
    x, y = grid(1.0)
    assert covered(layer, x, y).sum() == pytest.approx(layer.polygon.area, rel=0.02)


def test_a_finer_grid_comes_closer():
    layer = placed("station-arch", rotation_deg=20)
    errors = []
    for spacing in (4.0, 1.0, 0.25):
        x, y = grid(spacing)
        errors.append(abs(covered(layer, x, y).sum() * spacing**2 - layer.polygon.area))
    assert errors[2] < errors[0] / 4


@given(x=st.floats(-40, 40), y=st.floats(-40, 40), turn=st.floats(-180, 180))
@settings(max_examples=40, deadline=None)
def test_moving_and_turning_keep_area_and_middle(x, y, turn):
    layer = placed("bench-seat", x_mm=x, y_mm=y, rotation_deg=turn)
    assert layer.polygon.area == pytest.approx(98.0 * 98.0)
    assert (layer.polygon.centroid.x, layer.polygon.centroid.y) == (pytest.approx(x, abs=1e-9), pytest.approx(y, abs=1e-9))


def test_a_quarter_turn_by_rectangle_and_by_polygon_cover_the_same_cells():
    item = SHELF["label-large"]
    corners = ((-52.0, -29.0), (52.0, -29.0), (52.0, 29.0), (-52.0, 29.0))
    outlined = replace(item, outline=corners)
    plain = placed("label-large", rotation_deg=90)
    drawn = replace(plain, item=outlined)
    x, y = grid(1.0)
    assert np.array_equal(covered(plain, x, y), covered(drawn, x, y))
    assert item_polygon(outlined).area == pytest.approx(item_polygon(item).area)


def test_windows_are_left_out_of_footprint_and_work():
    assert item_polygon(SHELF["mask"]).area == pytest.approx(118 * 158 - 52 * 74)
    view = StackView(build("T", "midway", "emboss", lay("bed"), lay("hard-a"), *folder("rail-lattice", sheet_row()), lay("mask")))
    field = build_field(view, None, Interface(), no_library)
    middle = field.row_of[field.x.size // 2]
    assert not field.work[middle, field.y.size // 2]
    assert field.work.any()


def test_equal_cross_sections_are_kept_once_and_found_again():
    rows = np.array([[1, 2], [3, 4], [1, 2], [1, 2]], dtype=np.uint8)
    first, at = equal_rows(rows)
    assert len(first) == 2
    assert np.array_equal(rows[first][at], rows)
    field = build_field(StackView(flat_pile(18.0)), None, Interface(), no_library)
    assert field.columns.free.shape[0] <= 2
    assert field.row_of.shape == field.x.shape


def test_the_free_thickness_is_the_sum_of_what_lies_there():
    sandwich = build(
        "T",
        "midway",
        "cut",
        lay("bed"),
        lay("hard-a"),
        lay("label-large", y_mm=-30),
        lay("label-small", y_mm=30),
        sheet_row(x_mm=0),
        lay("hard-b"),
    )
    field = build_field(StackView(sandwich), None, Interface(), no_library)
    free = field.columns.free[field.row_of]
    middle = field.x.size // 2
    at = {place: free[middle, int(np.argmin(np.abs(field.y - place)))] for place in (-30.0, 3.0, 30.0, 60.0)}
    plates = sum(sandwich.items[key].thickness.mm for key in ("bed", "hard-a", "hard-b"))
    assert at[-30.0] == pytest.approx(plates + sandwich.items["label-large"].thickness.mm + 0.28)
    assert at[3.0] == pytest.approx(plates + 0.28)
    assert at[60.0] == pytest.approx(plates)


def test_what_lies_outside_the_rollers_is_not_pressed():
    field = build_field(StackView(build("T", "foothill", "emboss", lay("pocket-bed"), lay("hard-a"))), None, Interface(), no_library)
    assert field.y.max() < 78 / 2
    assert field.width * field.y.size == pytest.approx(78.0)
