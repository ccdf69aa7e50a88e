"""What hands on the page come to as edits: where things go, and nothing where there is nothing to do."""

import json
from dataclasses import replace

import pytest
from tests.core.builders import SHELF, build, folder, lay, sheet_row
from tests.service.carried_out import after_edits

from lofty_press.core.sandwich.stack.next_kind import kinds_next
from lofty_press.core.sandwich.stack.view import StackView
from lofty_press.demo.sandwiches import SANDWICHES
from lofty_press.demo.shelf import INKS
from lofty_press.documents.files.sandwich_file import SANDWICH
from lofty_press.service.keeping.shelf.repository import INK, ITEM

SLEEVE = SANDWICHES["ticket-sleeve"]
BARE = build("Bare", "midway", "emboss", lay("bed"), lay("hard-a"), *folder("rail-lattice"))


def plain(sandwich):
    return json.loads(SANDWICH.dump_json(sandwich))


def thing(key):
    return json.loads(ITEM.dump_json(SHELF[key]))


def sheet_of(sandwich):
    return next(layer.id for layer in sandwich.layers if layer.role == "sheet")


@pytest.mark.parametrize(
    ("sandwich", "key", "selected", "place"),
    [
        (BARE, "ridge-green", "l2", 3),  # the first card into the folder, whatever is selected
        (SLEEVE, "hard-b", sheet_of(SLEEVE), 5),  # with the card just laid in selected, a plate above the folder and not into it
        (SLEEVE, "ridge-green", sheet_of(SLEEVE), 5),  # a second sheet is a shim
        (BARE, "bed", "l4", 0),
        (SLEEVE, "rubber", "l1", 1),
        (SLEEVE, "rubber", None, 6),
    ],
)
def test_a_thing_goes_where_it_belongs(ask, sandwich, key, selected, place):
    assert ask("placeFor", [plain(sandwich), thing(key), selected]) == [place]


def test_steps_up_and_down_go_over_a_folder_and_end_at_the_ends(ask):
    top, bottom, half = SLEEVE.layers[-1].id, SLEEVE.layers[0].id, next(layer.id for layer in SLEEVE.layers if layer.half)
    asked = ask("nudged", [plain(SLEEVE), top, 1], [plain(SLEEVE), bottom, -1], [plain(SLEEVE), "l99", 1], [plain(SLEEVE), half, 1])
    assert asked[:3] == [[], [], []]
    after = after_edits(plain(SLEEVE), asked[3])
    assert [layer["half"] for layer in after["layers"]][-3:] == ["raised", None, "sunk"]
    (down,) = ask("nudged", [plain(SLEEVE), top, -1])
    assert [layer["id"] for layer in after_edits(plain(SLEEVE), down)["layers"]].index(top) < len(SLEEVE.layers) - 1


def test_dropped_where_it_was_is_no_edit(ask):
    card = sheet_of(SLEEVE)
    at = [layer.id for layer in SLEEVE.layers].index(card)
    assert ask("dropped", [plain(SLEEVE), card, at], [plain(SLEEVE), card, at + 1]) == [[], []]
    (moved,) = ask("dropped", [plain(SLEEVE), card, at + 2])
    assert [layer["id"] for layer in after_edits(plain(SLEEVE), moved)["layers"]].index(card) == at + 1


def test_counts_mist_ink_and_turns(ask):
    sleeve, card = plain(SLEEVE), sheet_of(SLEEVE)
    half = next(layer.id for layer in SLEEVE.layers if layer.half)
    assert ask("counted", [sleeve, half, 2], [sleeve, card, 0], [sleeve, card, 13], [sleeve, card, 1]) == [[], [], [], []]
    assert ask("counted", [sleeve, card, 3]) == [[{"op": "set", "layer": card, "count": 3}]]
    assert ask("misted", [sleeve, half, 0], [sleeve, card, None]) == [[{"op": "set", "layer": card, "mist_age_s": 0}], []]
    damp = plain(replace(SLEEVE, layers=tuple(replace(x, mist_age_s=5.0) if x.id == card else x for x in SLEEVE.layers)))
    assert ask("misted", [damp, card, None]) == [[{"op": "set", "layer": card, "dry": True}]]
    assert ask("rotated", [sleeve, card, -15]) == [[{"op": "set", "layer": card, "rotation_deg": 345}]]


def test_inks_come_in_turn_and_after_the_last_none(ask):
    inks = [json.loads(INK.dump_json(ink)) for ink in INKS.values()]
    card, sleeve = sheet_of(SLEEVE), plain(SLEEVE)
    for ink in (*inks, None):
        (edits,) = ask("inkedNext", [sleeve, card, inks])
        sleeve = after_edits(sleeve, edits)
        assert next(layer["ink"] for layer in sleeve["layers"] if layer["id"] == card) == ink


def test_a_pile_is_asked_for_what_it_commonly_takes_next():
    """Common practice, no published source: bed, tool, card, plate; a mat where a blade is to leave a line."""

    def nexts(effect, *rows):
        return kinds_next(StackView(build("T", "midway", effect, *rows)))

    assert nexts("emboss")[0] == "bed"
    assert nexts("emboss", lay("bed"))[0] == "plain folder"
    assert nexts("emboss", lay("bed"), *folder("rail-lattice")) == ("sheet",)
    assert nexts("emboss", lay("bed"), *folder("rail-lattice", sheet_row()))[0] == "hard plate"
    assert nexts("emboss", lay("bed"), *folder("cable-sheave", sheet_row()))[0] == "deep plate"
    assert nexts("cut", lay("bed"), *folder("rail-lattice"))[0] == "thin die"
    assert nexts("line", lay("bed"), lay("hard-a"), lay("station-arch"), sheet_row())[0] == "rubber mat"
    for sandwich in SANDWICHES.values():
        assert kinds_next(StackView(sandwich))
