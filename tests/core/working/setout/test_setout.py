"""A press room from what people say of it."""

from dataclasses import replace

import pytest

from lofty_press.core.sandwich.stack import check_item, check_sandwich
from lofty_press.core.sandwich.stock.basis_weight import grammage
from lofty_press.core.working.setout import feeler_pile, press_of, read_list, usual_piles


def kinds(text):
    return [(len(line.items), line.items[0].kind if line.items else None) for line in read_list(text)]


@pytest.mark.parametrize(
    ("text", "found"),
    [
        (
            "6 plain folders, 2 deep, 11 thin dies, 1 rubber mat",
            [(6, "plain folder"), (2, "deep folder"), (11, "thin die"), (1, "rubber mat")],
        ),
        ("a bed; two hard plates and a spacer", [(1, "bed"), (2, "hard plate"), (1, "spacer")]),
        ("3x embossing folders\n2 × texture plates", [(3, "plain folder"), (2, "texture plate")]),
        ("80 lb cover, 216 gsm, vellum, 110 lb index", [(1, "sheet")] * 4),
        ("one cut and emboss folder", [(1, "cutting folder")]),
        ("my green rubber mat, big clear plates", [(1, "rubber mat"), (1, "hard plate")]),
        ("", []),
        (" , ;\n", []),
    ],
)
def test_a_list_as_people_write_it(text, found):
    assert kinds(text) == found


def test_things_of_one_line_get_names_of_their_own_and_can_be_kept():
    lines = read_list("3 plain folders, steel rule die, pressure mask, frame, layered folder, two-way folder, strip die, copper")
    items = [item for line in lines for item in line.items]
    assert len({item.name for item in items}) == len(items) == 10
    for item in items:
        check_item("item", item)
        assert item.thickness.sd_mm > 0


@pytest.mark.parametrize(
    "text", ["three purple hats", "=cmd()", "@SUM(A1)", "0 dies", "61 dies", "999999 dies", "5", "-3 plates", "12345678901 dies"]
)
def test_what_is_no_thing_is_told_and_stops_nothing(text):
    odd, after = read_list(f"{text}, bed")
    assert odd.items == ()
    assert odd.problem
    assert after.items[0].kind == "bed"


def test_endless_lists_are_bounded():
    assert sum(len(line.items) for line in read_list(", ".join(["60 dies"] * 50))) <= 400
    assert len(read_list("x," * 200_000)) < 11_000
    assert read_list("60 dies, " * 10)[-1].problem


@pytest.mark.parametrize(
    ("pounds", "grade", "mm"), [(80, "cover", 0.28), (110, "cover", 0.39), (65, "cover", 0.23), (20, "bond", 0.10), (110, "index", 0.24)]
)
def test_weight_and_grade_give_grammage_and_a_caliper(pounds, grade, mm):
    """Grammage by the definition of the ream; calipers as packs of such stock have them, within a tenth (common practice, no published source)."""
    ((item,),) = (line.items for line in read_list(f"{pounds} lb {grade}"))
    assert item.stock.grammage_gsm == pytest.approx(grammage(pounds, grade), abs=0.06)
    assert item.thickness.mm == pytest.approx(mm, rel=0.1)


@pytest.mark.parametrize("size", ["pocket", "standard", "wide"])
@pytest.mark.parametrize("drive", ["hand", "motor"])
def test_a_press_by_its_size_and_drive(size, drive):
    press = press_of(size, drive, "Mine")
    assert (press.size, press.drive.kind) == (size, drive)
    assert press.opening.sd_mm >= 0.2  # nobody measured it


def test_usual_piles_hold_each_thing_once_and_need_all_their_parts():
    press = press_of("standard", "hand", "Mine")
    owned = [
        item
        for line in read_list("bed, spacer, 2 hard plates, deep plate, plain folder, 2 deep folders, thin die, 80 lb cover, vellum")
        for item in line.items
    ]
    piles = {pile.key: pile.sandwich for pile in usual_piles(press, owned)}
    assert set(piles) == {"cut", "plain", "deep"}
    for sandwich in piles.values():
        check_sandwich(sandwich)
        assert len({layer.id for layer in sandwich.layers}) == len(sandwich.layers)
    plain = piles["plain"]
    assert [plain.items[layer.item].kind for layer in plain.layers] == [
        "bed", "hard plate", "plain folder", "sheet", "plain folder", "hard plate",
    ]  # fmt: skip
    one_plate = [item for item in owned if item.name != "Hard plate (second)"]
    assert {pile.key for pile in usual_piles(press, one_plate)} == {"deep"}
    assert usual_piles(press, []) == ()


def test_paper_is_counted_on_the_plates_that_leave_least_room():
    """At least six sheets of copy paper, and no more than fifty."""
    press = press_of("standard", "hand", "Mine")

    def plates(text):
        pile = feeler_pile(press, [item for line in read_list(text) for item in line.items])
        return pile and [pile.items[layer.item].kind for layer in pile.layers]

    assert plates("bed, spacer, 2 hard plates, deep plate") == ["bed", "hard plate", "deep plate"]
    assert plates("bed, 2 hard plates") == ["bed", "hard plate", "hard plate"]
    assert plates("bed, spacer") is None  # more than fifty sheets
    assert plates("2 hard plates, deep plate") is None


def test_a_tool_lies_whole_on_what_it_is_pressed_between_where_anything_is_large_enough():
    press = press_of("standard", "hand", "Mine")
    owned = [item for line in read_list("bed, spacer, 4 hard plates, 2 thin dies, 80 lb cover") for item in line.items]
    small, large = (40.0, 500.0)
    sizes = {"Hard plate (first)": 100.0, "Hard plate (second)": 100.0, "Thin die (first)": 120.0, "Thin die (second)": 60.0}
    owned = [replace(item, width_mm=size, length_mm=size) if (size := sizes.get(item.name, large)) else item for item in owned]
    (pile,) = usual_piles(press, owned)
    laid = [pile.sandwich.items[layer.item].name for layer in pile.sandwich.layers]
    assert laid[2:4] == ["Hard plate (third)", "Thin die (first)"]
    assert laid[5] == "Hard plate (fourth)"
    few = [item for item in owned if item.name not in ("Hard plate (third)", "Hard plate (fourth)")]
    (pile,) = usual_piles(press, few)
    assert "Thin die (second)" in [item.name for item in pile.sandwich.items.values()]
    tiny = [replace(item, width_mm=small, length_mm=small) if "plate" in item.name else item for item in few]
    assert [pile.key for pile in usual_piles(press, tiny)] == [
        "cut"
    ]  # nothing is large enough: what there is, and the Bench says what is wrong


def test_sizes_thicknesses_and_weights_are_what_they_are():
    """1 in = 25.4 mm; 110 lb cover is 298 g/m2 by the definition of the ream."""
    (folder,) = read_list("a 5x7 embossing folder")[0].items
    assert (folder.width_mm, folder.length_mm) == (127.0, 177.8)
    (plate,) = read_list("3 mm acrylic plate")[0].items
    assert plate.thickness.mm == 3.0
    (spacer,) = read_list("1/8 in spacer")[0].items
    assert spacer.thickness.mm == pytest.approx(3.175)
    line = read_list("110 lb cardstock")[0]
    assert line.items[0].stock.grammage_gsm == pytest.approx(grammage(110, "cover"), abs=0.06)
    assert "cover" in str(line.notes[0])
    base = read_list("A2 card bases")[0]
    assert (base.items[0].width_mm, base.items[0].length_mm) == pytest.approx((4.25 * 25.4, 5.5 * 25.4))
    assert len(base.notes) == 2


@pytest.mark.parametrize("text", ["2 cutting pads", "2 really deep 3d ones", "one stencil", "3 rubbr matts"])
def test_what_is_not_sure_is_asked_and_never_guessed(text):
    (line,) = read_list(text)
    assert line.items == ()
    assert line.problem is None
    for kind in line.choices:
        (settled,) = read_list(text.replace(line.asked, kind))
        assert settled.items[0].kind == kind
        assert len(settled.items) == int(text[0]) if text[0].isdigit() else 1
