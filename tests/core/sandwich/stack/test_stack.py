"""Orientation, edits, and what is refused before anything is computed."""

from dataclasses import replace

import pytest
from tests.core.builders import build, edited, folder, judged, lay, sheet_row, with_item
from tests.core.with_maps import assess

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.sandwich.stack.check import check_sandwich
from lofty_press.core.sandwich.stack.edits import Add, Exchange, Move, Remove, Set, SetPasses, TurnOver
from lofty_press.demo.sandwiches import SANDWICHES
from lofty_press.demo.shelf import INKS

SLEEVE = SANDWICHES["ticket-sleeve"]


@pytest.mark.parametrize(
    ("lower", "turned", "face"), [("raised", False, "front"), ("raised", True, "back"), ("sunk", False, "back"), ("sunk", True, "front")]
)
def test_the_face_away_from_the_raised_half_stands_up(lower, turned, face):
    """Common practice, no published source: the raised half goes against the wrong side, the right side stands up."""
    upper = "sunk" if lower == "raised" else "raised"
    rows = (
        lay("bed"),
        lay("hard-a"),
        lay("rail-lattice", half=lower),
        sheet_row(turned=turned),
        lay("rail-lattice", half=upper),
        lay("hard-b"),
    )
    assert judged("emboss", *rows).orientation.raised_face == face


def test_a_die_pressed_into_the_front_gives_sunk_lines_on_the_front():
    """Common practice, no published source."""
    result = judged(
        "line", lay("bed"), lay("hard-a"), lay("rubber-supple"), sheet_row(x_mm=0), lay("station-arch", turned=True), lay("hard-b")
    )
    assert result.orientation.front_look == "sunk"
    assert result.orientation.blade_points == "down"


def test_ink_on_the_half_against_the_front_colours_what_is_sunk_there():
    """Common practice, no published source; which of pattern and ground that is depends on the half."""
    below = judged(
        "emboss",
        lay("bed"),
        lay("hard-a"),
        lay("rail-lattice", half="raised", ink=INKS["soot"]),
        sheet_row(turned=True),
        lay("rail-lattice", half="sunk"),
        lay("hard-b"),
    )
    assert (below.orientation.ink_lands.face, below.orientation.ink_lands.part) == ("front", "pattern")
    above = judged("emboss", lay("bed"), lay("hard-a"), *folder("rail-lattice", sheet_row(), ink="soot"), lay("hard-b"))
    assert (above.orientation.ink_lands.face, above.orientation.ink_lands.part) == ("front", "ground")


def test_words_read_from_the_face_they_were_made_for():
    assert assess(SANDWICHES["timetable-print"]).orientation.words_from_front is True
    turned = edited(SANDWICHES["timetable-print"], [TurnOver(layer="l4")])
    assert assess(turned).orientation.words_from_front is False


def test_taking_out_a_folder_takes_both_halves_and_leaves_what_it_held():
    left = edited(SLEEVE, [Remove(layer="l3")])
    assert [layer.item for layer in left.layers] == ["bed", "hard-a", "ridge-green", "hard-b"]
    assert "rail-lattice" not in left.items


def test_turning_a_folder_over_exchanges_its_halves_and_twice_is_as_before():
    once = edited(SLEEVE, [TurnOver(layer="l5")])
    assert [layer.half for layer in once.layers if layer.half] == ["sunk", "raised"]
    assert edited(once, [TurnOver(layer="l3")]) == SLEEVE


def test_edits_follow_one_another_and_leave_the_original_alone():
    before = replace(SLEEVE)
    after = edited(
        SLEEVE,
        [
            Add(kind="sheet", at=1, count=2, role="shim"),
            Exchange(layer="l6", kind="deep plate"),
            Set(layer="l4", mist_age_s=5.0),
            Move(layer="l2", to=0),
            SetPasses(passes=2),
        ],
    )
    assert before == SLEEVE
    assert after.passes == 2
    assert after.layers[0].id == "l2"
    assert sum(layer.count for layer in after.layers if layer.role == "shim") == 2
    assert {item.kind for item in after.items.values()} >= {"deep plate", "sheet"}
    check_sandwich(after)


def test_a_fix_takes_the_shelfs_own_thing_before_a_typical_one():
    own = SANDWICHES["programme-cover"].items["deep"]
    narrow = replace(own, width_mm=70)
    after = edited(SLEEVE, [Exchange(layer="l6", kind="deep plate")], narrow, own)
    assert own in after.items.values()


def test_an_edit_of_a_missing_layer_is_refused_by_name():
    with pytest.raises(InvalidInput, match="l99"):
        edited(SLEEVE, [Remove(layer="l99")])


def broken(**changes):
    return replace(SLEEVE, **changes)


REFUSED = {
    "layers.1.id": broken(layers=(SLEEVE.layers[0], SLEEVE.layers[0])),
    "layers.0.item": broken(items={}),
    "layers.2.half": broken(layers=tuple(replace(layer, half=None) for layer in SLEEVE.layers)),
    "layers": broken(layers=SLEEVE.layers[:3]),
    "items.rail-lattice.relief": with_item(SLEEVE, "rail-lattice", relief=None),
    "items.ridge-green.stock": with_item(SLEEVE, "ridge-green", stock=None),
    "items.hard-a.thickness.sd_mm": with_item(SLEEVE, "hard-a", thickness=replace(SLEEVE.items["hard-a"].thickness, mm=0.1, sd_mm=0.4)),
    "outline": with_item(SANDWICHES["arch-cut"], "station-arch", outline=((0.0, 0.0), (10.0, 10.0), (10.0, 0.0), (0.0, 10.0))),
}


@pytest.mark.parametrize("field", REFUSED)
def test_a_sandwich_that_contradicts_itself_is_refused_with_the_field(field):
    with pytest.raises(InvalidInput) as caught:
        assess(REFUSED[field])
    assert caught.value.field == field


@pytest.mark.parametrize("rows", [(), (lay("bed"),), (lay("ridge-green", role="sheet"),)])
def test_an_unfinished_pile_is_judged_as_far_as_it_goes(rows):
    result = assess(build("T", "midway", "emboss", *rows))
    assert result.verdict is None
    assert result.sentence
    assert result.nip.peak_force >= 0.0
