"""Ways to save a spoiled sheet: what the trade does first, and how much a straight cut leaves, by a library of plane geometry."""

from dataclasses import replace

import numpy as np
import pytest
from shapely.affinity import rotate
from shapely.geometry import box

from lofty_press.core.sandwich.stack import Set, StackView, apply_edits
from lofty_press.core.teaching.coach import SIGHT_KEYS, rescues
from lofty_press.core.teaching.coach.rescue import straightened
from lofty_press.demo.sandwiches import SANDWICHES, SHELF

LATTICE = SANDWICHES["ticket-sleeve"]
NO_SHEET = {"right", "no feed", "stopped", "jumped"}
# what is seen, and what is tried first; common practice, no published source
FIRST = {
    "faint": "again",
    "not cut": "again",
    "part not cut": "again",
    "other side": "turn over",
    "warped": "flatten",
    "crooked": "trim",
    "specks": "brush",
    "cracked": "use it",
    "torn": "cover",
}


def shelf(kind):
    return [item for item in SHELF.values() if item.kind == kind]


@pytest.mark.parametrize("seen", FIRST)
def test_what_saves_most_is_tried_first(seen):
    found = rescues(LATTICE, seen, shelf)
    assert found[0].key == FIRST[seen]
    assert [one.saves for one in found] == sorted((one.saves for one in found), reverse=True)
    assert found[-1].key == "shims"


def test_every_spoiled_sheet_is_good_for_something_and_none_where_none_is_spoiled():
    for seen in SIGHT_KEYS:
        found = rescues(LATTICE, seen)
        assert bool(found) == (seen not in NO_SHEET)
        assert len({one.key for one in found}) == len(found)
        assert all(0 < one.saves < 1 for one in found)
    bare = replace(
        LATTICE, layers=tuple(layer for layer in LATTICE.layers if layer.role != "sheet" and layer.id != StackView(LATTICE).sheet.id)
    )
    assert rescues(bare, "cracked") == ()


@pytest.mark.parametrize("seed", range(20))
def test_a_crooked_sheet_is_trimmed_to_what_its_edges_leave(seed):
    """All four corners of the straight rectangle lie on the sheet's edges (shapely), whatever the sheet and a small angle."""
    chance = np.random.default_rng(seed)
    wide, long = chance.uniform(60, 200, 2)
    turn = chance.uniform(0.5, 8.0)
    left = straightened(wide, long, np.radians(turn))
    cut = rotate(box(-left[0] / 2, -left[1] / 2, left[0] / 2, left[1] / 2), turn)
    sheet = box(-wide / 2, -long / 2, wide / 2, long / 2)
    assert sheet.buffer(1e-9).covers(cut)
    for x, y in cut.exterior.coords:
        assert min(abs(abs(x) - wide / 2), abs(abs(y) - long / 2)) < 1e-9
    assert straightened(wide, long, 0.0) == pytest.approx((wide, long))


def test_pieces_that_cover_a_flaw_come_from_the_shelf_and_are_smaller_than_the_sheet():
    sheet = StackView(LATTICE).sheet.item
    cover = next(one for one in rescues(LATTICE, "torn", shelf) if one.key == "cover")
    named = [die for die in shelf("thin die") if die.name in str(cover.why)]
    assert named
    assert all(die.width_mm < sheet.width_mm and die.length_mm < sheet.length_mm for die in named)
    assert "haven't seen it done" in str(next(one for one in rescues(LATTICE, "torn") if one.key == "cover").why)


def test_a_spot_of_water_is_left_to_dry_only_where_there_was_water():
    view = StackView(LATTICE)
    dry = apply_edits(LATTICE, [Set(layer=view.sheet.id, dry=True)])
    damp = apply_edits(LATTICE, [Set(layer=view.sheet.id, mist_age_s=30.0)])
    assert "let dry" in {one.key for one in rescues(damp, "residue")}
    assert "let dry" not in {one.key for one in rescues(dry, "residue")}
