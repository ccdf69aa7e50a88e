"""Pressed sheets by a window, as a ray tracer (mitsuba) rendered them, read beside their prediction: how far off, and what is wrong where."""

import json
from functools import cache

import cv2
import numpy as np
import pytest

from lofty_press.bench.sheets import PHOTOGRAPHS, SHEETS, predicted, reading
from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.imaging.sightread import read_sheet

SIZE = (100.0, 76.0)
LACKING = {"faint": "less relief", "blank": "less relief"}  # what is left at the border of a blank corner is a little


@cache
def about(name):
    return json.loads((PHOTOGRAPHS / f"{name}.json").read_text())


@pytest.mark.parametrize("name", SHEETS)
def test_a_sheet_is_read_as_it_was_rendered(name):
    found, truth = reading(name), about(name)
    assert found.tells
    np.testing.assert_allclose(found.compared.shift, truth["moved"][:2], atol=0.5)
    assert np.degrees(found.compared.turn) == pytest.approx(truth["moved"][2], abs=0.5)
    assert {LACKING.get(one.sight, one.sight) for one in found.seen} == {LACKING.get(sight, sight) for sight, *_ in truth["seen"]}
    for _, left, low, right, high in truth["seen"]:
        for one in found.seen:
            # what is missing shows only where a relief was meant to be: within the box, by the width of the comparison
            assert left - 6 <= one.middle[0] <= right + 6
            assert low - 6 <= one.middle[1] <= high + 6


def test_what_it_is_called_is_right_in_eight_of_ten():
    right = [{one.sight for one in reading(name).seen} == {sight for sight, *_ in about(name)["seen"]} for name in SHEETS]
    assert len(right) >= 12
    assert np.mean(right) >= 0.8


@pytest.mark.parametrize("name", ["sheet-cut", "sheet-cracked", "sheet-cracked-across"])
def test_a_cut_or_a_crack_is_found_where_it_is(name):
    (seen,), (_, *box) = reading(name).seen, about(name)["seen"][0]
    np.testing.assert_allclose(seen.box, box, atol=1.0)


def test_nothing_is_claimed_of_a_photo_that_is_too_dark():
    dark = (cv2.imread(str(PHOTOGRAPHS / "sheet-right.jpg")) * 0.2).astype(np.uint8)
    with pytest.raises(InvalidInput, match="too dark"):
        read_sheet(dark, predicted(SIZE), SIZE)


def test_a_sheet_without_shading_tells_nothing_of_its_relief():
    plain = np.full((700, 900, 3), 30, np.uint8)
    plain[60:640, 70:830] = (120, 150, 140)
    found = read_sheet(plain, predicted(SIZE), SIZE)
    assert not found.tells
    assert not found.seen


def test_a_photo_without_a_whole_sheet_is_refused():
    with pytest.raises(InvalidInput, match="four corners"):
        read_sheet(np.full((400, 500, 3), 90, np.uint8), predicted(SIZE), SIZE)
