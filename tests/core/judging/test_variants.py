"""Changes to compare with: each is carried out by its edits, and carried out twice gives the sandwich back."""

import pytest
from tests.core.builders import build, edited, folder, lay, sheet_row

from lofty_press.core.judging.variants import variants_of
from lofty_press.demo.sandwiches import SANDWICHES


def variant(sandwich, key):
    return next((one for one in variants_of(sandwich) if one.key == key), None)


def names(sandwich):
    return [sandwich.items[layer.item].name for layer in sandwich.layers]


LINE = build("Line", "midway", "line", lay("bed"), lay("hard-a"), lay("station-arch"), sheet_row(x_mm=0), lay("rubber"), lay("hard-b"))


@pytest.mark.parametrize("name", SANDWICHES)
def test_a_change_has_its_opposite(name):
    """Whatever can be changed one way can be changed back, by the same key."""
    made = variants_of(SANDWICHES[name])
    assert "passes" in {one.key for one in made}
    for one in made:
        changed = edited(SANDWICHES[name], one.edits)
        assert changed != SANDWICHES[name]
        assert variant(changed, one.key).here == one.there


def test_dry_against_misted():
    dry = build("T", "midway", "emboss", lay("bed"), *folder("rail-lattice", sheet_row()), lay("hard-a"))
    wet = edited(dry, variant(dry, "mist").edits)
    (sheet,) = (layer for layer in wet.layers if layer.role == "sheet" and wet.items[layer.item].kind == "sheet")
    assert sheet.mist_age_s == 15.0
    assert edited(wet, variant(wet, "mist").edits) == dry


def test_metal_takes_no_mist():
    metal = build("T", "midway", "metal", lay("bed"), *folder("rail-lattice", sheet_row("roof-copper")), lay("hard-a"))
    assert variant(metal, "mist") is None


def test_one_pass_against_three():
    assert edited(LINE, variant(LINE, "passes").edits).passes == 3
    three = edited(LINE, variant(LINE, "passes").edits)
    assert edited(three, variant(three, "passes").edits) == LINE


def test_blade_down_turns_what_lies_between_die_and_mat_over_and_keeps_the_sheets_face():
    down = edited(LINE, variant(LINE, "blade").edits)
    assert names(down) == [*names(LINE)[:2], *reversed(names(LINE)[2:5]), names(LINE)[5]]
    die = next(layer for layer in down.layers if down.items[layer.item].blade)
    sheet = next(layer for layer in down.layers if down.items[layer.item].kind == "sheet")
    assert die.turned
    assert not sheet.turned
    assert edited(down, variant(down, "blade").edits) == LINE


def test_there_is_no_blade_to_turn_without_a_mat():
    assert variant(SANDWICHES["arch-cut"], "blade") is None
