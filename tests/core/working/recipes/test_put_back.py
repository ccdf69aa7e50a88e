"""A tool's depth from a sheet that was pressed in it: what the model takes off at pressing is what it puts back."""

from dataclasses import replace

import pytest
from tests.core.builders import SHELF

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.working.recipes import depth_of_tool
from lofty_press.demo.presses import PRESSES

PRESS = PRESSES["midway"]


def test_what_a_sheet_lost_is_put_back():
    """Law of the inverse: a sheet that keeps a share of a tool's depth says that depth."""
    folder = next(item for item in SHELF.values() if item.kind == "plain folder")
    stock = next(key for key, item in SHELF.items() if item.stock is not None)
    guess = replace(folder, relief=replace(folder.relief, height_mm=1.0, map=None))
    found = depth_of_tool(guess, stock, (0.3, 0.02), SHELF, PRESS)
    assert 0.5 < found.kept < 1.0
    assert found.depth == pytest.approx(0.3 / found.kept)
    again = depth_of_tool(replace(guess, relief=replace(guess.relief, height_mm=found.depth)), stock, (0.3, 0.02), SHELF, PRESS)
    assert again.depth == pytest.approx(found.depth, rel=0.03)
    assert found.spread > 0.02 / found.kept


def test_a_tool_without_a_relief_is_refused():
    plate = next(item for item in SHELF.values() if item.kind == "hard plate")
    with pytest.raises(InvalidInput, match="no relief"):
        depth_of_tool(plate, "", (0.3, 0.0), SHELF, PRESS)
