"""How well a relief's depth is known goes into the verdict: held against tools whose depth is drawn, and judged one by one.

The mean over what is drawn is the law of total probability, taken by Gauss-Hermite quadrature (numpy).
"""

from dataclasses import replace

import numpy as np
import pytest

from lofty_press.core.judging.assess import assess
from lofty_press.core.mechanics.forming import as_deep_as_known
from lofty_press.core.sandwich.stack import StackView, typical_thing
from lofty_press.demo.reliefs.library import demo_relief
from lofty_press.demo.sandwiches import SANDWICHES
from lofty_press.documents.kept.impression_key import impression_key

FORMED = ("ticket-sleeve", "masked-label")
SHARE = 0.15  # of the depth, that it is known to


def with_relief(sandwich, **figures):
    tool = StackView(sandwich).tool
    item = replace(tool.item, relief=replace(tool.item.relief, map=None, **figures))
    return replace(sandwich, items={**sandwich.items, tool.layer.item: item})


@pytest.mark.parametrize("name", FORMED)
def test_the_chance_is_that_of_tools_of_all_the_depths_it_may_have(name):
    plain = with_relief(SANDWICHES[name])
    depth = StackView(plain).tool.item.relief.height_mm
    nodes, weights = np.polynomial.hermite_e.hermegauss(7)
    drawn = [assess(with_relief(plain, height_mm=depth * (1.0 + SHARE * node))).good for node in nodes]
    expected = weights / weights.sum() @ [0.0 if good is None else good.chance for good in drawn]
    found = assess(with_relief(plain, sd_mm=SHARE * depth)).good
    assert found.chance == pytest.approx(expected, abs=0.02)
    assert found.chance < assess(plain).good.chance - 0.01


@pytest.mark.parametrize("name", FORMED)
def test_a_sheet_is_stretched_no_faster_than_with_the_square_of_the_depth(name):
    """The power that the chance of a crack is worked out with is the careful one."""
    plain = with_relief(SANDWICHES[name])
    depth = StackView(plain).tool.item.relief.height_mm
    low, high = (assess(with_relief(plain, height_mm=depth * factor)).forming.crack for factor in (0.85, 1.15))
    assert 1.0 < np.log(high / low) / np.log(1.15 / 0.85) < 2.1


def test_a_full_computation_is_no_surer_of_the_depth():
    plain = SANDWICHES["ticket-sleeve"]
    known = assess(plain, demo_relief)
    full = replace(known.forming, estimate=False, off_by=1.0)
    depth = StackView(plain).tool.item.relief.height_mm
    unsure = StackView(with_relief(plain, sd_mm=0.1 * depth))
    assert as_deep_as_known(full, StackView(plain)).off_by == 1.0
    assert as_deep_as_known(full, unsure).off_by == pytest.approx(np.exp(1.645 * 2 * 0.1), rel=1e-3)


def test_what_is_typical_says_how_far_its_depth_may_be_off():
    relief = typical_thing("plain folder").relief
    assert 0.1 < relief.sd_mm / relief.height_mm < 0.5


def test_how_well_a_figure_is_known_makes_no_other_sheet():
    plain = with_relief(SANDWICHES["ticket-sleeve"])
    assert impression_key(plain) == impression_key(with_relief(plain, sd_mm=0.1))
    assert impression_key(plain) != impression_key(with_relief(plain, height_mm=0.6))
