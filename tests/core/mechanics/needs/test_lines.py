"""What a line on a mat needs, and how surely: no jump where the die's body comes to lie on the card."""

from dataclasses import replace

import numpy as np
import pytest
from tests.core.builders import with_item
from tests.core.with_maps import assess

from lofty_press.demo.sandwiches import SANDWICHES

LINE = SANDWICHES["arch-line"]
MAT = "rubber-supple"


def on_a_mat(mm):
    return assess(with_item(LINE, MAT, thickness=replace(LINE.items[MAT].thickness, mm=float(mm)))).verdict


@pytest.fixture(scope="module")
def mats():
    """From one that is called faint to one that is called hard."""
    return [on_a_mat(mm) for mm in np.arange(0.96, 1.9, 0.02)]


def test_a_slightly_thicker_mat_is_judged_slightly_otherwise(mats):
    hard = np.log([v.need.hard for v in mats])
    assert np.abs(np.diff(hard)).max() < 0.06  # of 2 % more mat
    chances = np.array([list(v.chances.values()) for v in mats])
    assert np.abs(np.diff(chances, axis=0)).max() < 0.15
    assert {v.zone for v in mats} >= {"faint", "right", "hard"}


def test_at_the_border_it_is_an_even_chance(mats):
    first = next(n for n, v in enumerate(mats) if v.zone == "hard")
    assert 0.4 < mats[first].chances["hard"] < 0.6


def test_a_thicker_mat_bears_more_before_the_card_is_cut(mats):
    assert np.all(np.diff([v.need.hard for v in mats]) > 0)


def test_once_the_body_bears_a_part_the_limit_scatters_more_than_the_stock_does(mats):
    """A stock that takes 15 % more on the blade takes more than that on the die: the body takes its part of every MPa."""
    assert all(v.need.steep > 1.5 for v in mats)


def test_past_the_border_it_says_that_the_pile_is_too_thick_and_offers_less():
    found = {call.code: call for call in assess(with_item(LINE, MAT, thickness=replace(LINE.items[MAT].thickness, mm=1.9))).findings}
    assert "mat-too-thin" not in found
    assert "partly cut" in str(found["pressed-too-hard"].what)
