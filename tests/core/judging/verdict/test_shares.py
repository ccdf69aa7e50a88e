"""The verdict over the whole work: what is not pressed is said, and where."""

from dataclasses import replace

import pytest
from tests.core.builders import build, codes, edited, finding, lay, sheet_row, with_item
from tests.core.with_maps import assess

from lofty_press.core.judging.verdict.shares import in_words
from lofty_press.core.sandwich.stack.item import Thickness
from lofty_press.demo.sandwiches import SANDWICHES

ARCH = build("T", "midway", "cut", lay("bed"), lay("spacer"), lay("hard-a"), lay("station-arch"), sheet_row(x_mm=0), lay("hard-b"))


def lying(sandwich, key, **place):
    """The same with a layer elsewhere."""
    return replace(sandwich, layers=tuple(replace(x, **place) if x.item == key else x for x in sandwich.layers))


@pytest.mark.parametrize("name", [n for n, s in SANDWICHES.items() if n not in ("two-plates", "labels-overlapping", "tracery-cut")])
def test_what_the_press_room_shows_is_right_all_over(name):
    shares = assess(SANDWICHES[name]).verdict.shares
    assert shares.parts == ()
    assert shares.right == pytest.approx(1.0, abs=0.02)


@pytest.mark.parametrize(
    ("sandwich", "lack", "where"),
    [
        (with_item(ARCH, "hard-b", width_mm=60, length_mm=80), "untouched", "its rim"),
        (lying(ARCH, "hard-b", x_mm=-120), "untouched", "the end that goes in last"),
        (lying(ARCH, "hard-b", y_mm=80), "untouched", "its left"),
        (with_item(ARCH, "ridge-green", width_mm=50, length_mm=70), "bare", "its rim"),
        (lying(ARCH, "ridge-green", x_mm=60), "bare", "the end that goes in first"),
        (lying(ARCH, "ridge-green", y_mm=-60), "bare", "its right"),
    ],
)
def test_a_part_that_is_not_worked_is_told_with_its_place(sandwich, lack, where):
    """Common practice, no published source: what has no plate over it is not pressed, what has no card under it is not cut."""
    found = assess(sandwich)
    part = found.verdict.shares.parts[0]
    assert (part.lack, part.where) == (lack, where)
    assert found.sentence == finding(found, "not-everywhere").what
    assert where in found.sentence
    low_x, high_x, low_y, high_y = part.around
    assert low_x < high_x
    assert low_y < high_y


def test_shares_follow_the_blade():
    """A card moved off the die bares so much of its blade as lies beyond the card, however coarse the grid; and never by leaps."""
    blades = assess(ARCH).nip.field.blades
    seen = []
    for shift in range(0, 70, 5):
        beyond = blades.places[:, 0] < shift - ARCH.items["ridge-green"].length_mm / 2
        off = blades.weights[beyond].sum() / blades.weights.sum()
        bare = assess(lying(ARCH, "ridge-green", x_mm=shift)).verdict.shares.share("bare")
        assert bare == pytest.approx(off, abs=0.05)
        seen.append(bare)
    assert seen == sorted(seen)


def test_a_shim_under_one_half_leaves_the_other():
    """A loose press and a shim that lies under one half of the die: the other half is left, and the call names the shim."""
    loose = replace(ARCH, press=replace(ARCH.press, opening=replace(ARCH.press.opening, mm=ARCH.press.opening.mm + 0.9)))
    shim = replace(ARCH.items["ridge-green"], name="Half shim", width_mm=140, length_mm=60, thickness=Thickness(mm=0.6))
    layers = (loose.layers[0], replace(loose.layers[4], id="half", item="half", role="shim", x_mm=-50.0), *loose.layers[1:])
    found = assess(replace(loose, items={**loose.items, "half": shim}, layers=layers))
    call = finding(found, "not-everywhere")
    assert call.severity == "stop"
    assert call.layer == "half"
    assert call.fix is None  # without it, all of the die would be left
    assert found.verdict.shares.share("untouched") > 0.4


def test_laying_the_card_under_the_whole_die_mends_it():
    aside = lying(ARCH, "ridge-green", x_mm=60)
    fix = finding(assess(aside), "not-everywhere").fix
    assert "not-everywhere" not in codes(assess(edited(aside, fix.edits)))


def test_two_sheets_take_two_cuts():
    """A blade goes through everything before the plate: twice the card takes twice the load, but for the skin below a low blade that parts by hand."""
    one = assess(ARCH).blade
    two = assess(replace(ARCH, layers=(*ARCH.layers[:4], replace(ARCH.layers[4], id="second"), *ARCH.layers[4:]))).blade
    assert 2 * one.cut_load * 0.9 < two.cut_load <= 2 * one.cut_load
    assert two.sheet_thickness == pytest.approx(2 * one.sheet_thickness)


def test_a_blade_stops_where_its_die_lies_on_the_sheet():
    """0.3 mm of blade in 0.75 mm of board: two fifths of the way at any pressure, and never through."""
    board = with_item(ARCH, "ridge-green", thickness=replace(ARCH.items["ridge-green"].thickness, mm=0.75))
    low = with_item(board, "station-arch", blade=replace(ARCH.items["station-arch"].blade, height_mm=0.3))
    found = assess(low)
    assert found.blade.depth_share(1000.0) == pytest.approx(0.4)
    assert found.verdict.zone != "right"
    assert "blade-too-low" in codes(found)


@pytest.mark.parametrize(("share", "words"), [(0.34, "a third"), (0.5, "half"), (0.02, "a twentieth"), (0.97, "all")])
def test_shares_in_words(share, words):
    assert in_words(share) == words


def test_a_die_that_hangs_over_the_rollers_end_is_told_on_that_side():
    moved = tuple(replace(layer, y_mm=45.0) if ARCH.items[layer.item].kind in ("thin die", "sheet") else layer for layer in ARCH.layers)
    found = assess(replace(ARCH, layers=moved))
    (bare,) = (part for part in found.verdict.shares.parts if part.lack == "bare")
    assert bare.where == "its right"
    assert bare.around[3] > 40.0


def test_blade_that_meets_no_sheet_is_not_said_to_want_a_second_pass():
    moved = tuple(replace(layer, x_mm=60.0) if ARCH.items[layer.item].kind == "sheet" else layer for layer in ARCH.layers)
    found = {call.code for call in assess(replace(ARCH, layers=moved)).findings}
    assert "not-everywhere" in found
    assert "cut-in-places" not in found
