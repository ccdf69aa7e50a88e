"""What the core says: the sentence for each verdict, and figures in the calls that are the computed ones."""

import re
from dataclasses import replace

import pytest
from tests.core.builders import build, edited, finding, folder, judged, lay, sheet_row, zone
from tests.core.with_maps import assess

from lofty_press.core.judging.findings.rules.fit import MOST_SHIMS
from lofty_press.core.judging.verdict.zones import PLAIN_PAPER, Shim, sheets, zone_at
from lofty_press.core.sandwich.stack.edits import Set
from lofty_press.demo.sandwiches import SANDWICHES

LATTICE = (lay("bed"), lay("hard-a"), *folder("rail-lattice", sheet_row()), lay("hard-b"))


def opened(sandwich, by):
    """The same on a press whose rollers stand wider apart [mm]."""
    opening = sandwich.press.opening
    return replace(sandwich, press=replace(sandwich.press, opening=replace(opening, mm=opening.mm + by)))


def over(sandwich):
    """Thickness over the opening, by hand. [mm]"""
    items = sandwich.items
    return sum((0.5 if p.half else p.count) * items[p.item].thickness.mm for p in sandwich.layers) - sandwich.press.opening.mm


@pytest.mark.parametrize(
    ("sandwich", "words"),
    [
        (SANDWICHES["ticket-sleeve"], "Likely right: Rail-lattice folder on Ridge green card."),
        (SANDWICHES["arch-cut"], "Likely to cut clean: Station-arch die on Ridge green card."),
        (SANDWICHES["two-plates"], f"Won't feed: {over(SANDWICHES['two-plates']):.2f} mm over the opening."),
        (SANDWICHES["tracery-cut"], "Arch tracery die is unlikely to cut through Carriage kraft."),
        (SANDWICHES["silicone-lesson"], "The blade will cut Silicone sheet."),
        (SANDWICHES["envelope-too-high"], "This paper rips: the relief is too high."),
        (opened(SANDWICHES["ticket-sleeve"], 1.9), f"Too loose by {1.9 - over(SANDWICHES['ticket-sleeve']):.2f} mm: nothing touches."),
        (opened(SANDWICHES["ticket-sleeve"], 0.4), "Faint: Rail-lattice folder needs more pressure on Ridge green card."),
        (opened(SANDWICHES["timetable-print"], -0.75), "Feeds, but likely presses Meadow watercolour paper too hard."),
        (build("T", "midway", "emboss"), "An empty bench. Start with a bed."),
    ],
)
def test_the_sentence_says_the_verdict_as_a_colleague_would(sandwich, words):
    assert assess(sandwich).sentence == words


def test_the_gap_and_the_excess_in_the_calls_are_the_computed_ones():
    slack = judged("emboss", lay("bed"), *folder("rail-lattice", sheet_row()), lay("hard-b"))
    assert f"{-slack.nip.interference:.2f} mm" in finding(slack, "slack").what
    jam = assess(SANDWICHES["two-plates"])
    why = finding(jam, "too-thick-to-feed").why
    assert f"{jam.nip.interference:.2f} mm" in why
    assert f"{jam.nip.bites_up_to:.2f} mm" in why


def test_the_hinge_call_says_how_wide_the_strip_is_and_its_fix_shifts_by_that():
    """The sheet's edge lies 2 mm inside the folder's, the margin is 9 mm: by hand, 73 - 77.5 + 9 + 3 mm of shift."""
    result = judged("emboss", lay("bed"), lay("hard-a"), *folder("rail-lattice", sheet_row(x_mm=-3)), lay("hard-b"))
    blank = (-155 / 2 + 9) - (-3 - 146 / 2)
    found = finding(result, "in-the-hinge")
    assert f"{blank:.1f} mm" in found.what
    (shift,) = found.fix.edits
    assert isinstance(shift, Set)
    assert shift.x_mm == pytest.approx(-3 + blank)


def test_open_edge_first_turns_the_hinge_margin_round():
    """Two schools, hinge first and open edge first: the margin lies where the hinge lies."""

    def strip(x, turn):
        rows = [lay("rail-lattice", half=half, rotation_deg=turn) for half in ("raised", "sunk")]
        result = judged("emboss", lay("bed"), lay("hard-a"), rows[0], sheet_row(x_mm=x), rows[1], lay("hard-b"))
        return [f.what for f in result.findings if f.code == "in-the-hinge"]

    assert strip(5, 0) == strip(-5, 180) == []
    assert strip(-3, 0) == strip(3, 180) != []


@pytest.mark.parametrize("by", [0.3, 0.45, 0.7])
def test_the_shims_that_are_proposed_make_it_right(by):
    loose = opened(SANDWICHES["ticket-sleeve"], by)
    before = assess(loose)
    code = {"faint": "faint", "slack": "slack"}[zone(before)]
    fix = finding(before, code).fix
    assert zone(assess(edited(loose, fix.edits))) == "right"
    count = int(re.search(r"\d+", fix.label).group())
    assert 1 <= count <= MOST_SHIMS


def test_a_gap_that_shims_cannot_sensibly_fill_gets_a_spacer_or_no_promise():
    wide = opened(SANDWICHES["ticket-sleeve"], 2.0)
    before = assess(wide)
    fix = finding(before, "slack").fix
    if fix is not None:
        assert zone(assess(edited(wide, fix.edits))) in ("faint", "right", "hard")


def test_taking_a_layer_out_is_proposed_only_where_that_helps():
    over = judged("emboss", *LATTICE, lay("ledger-index", role="shim", count=6))
    assert zone(over) == "refuses"
    fix = finding(over, "too-thick-to-feed").fix
    after = assess(edited(over.sandwich, fix.edits))
    assert zone(after) in ("right", "hard")


def test_sheets_are_whole_and_reach_past_the_border():
    assert sheets(0.25, 0.1) == 3
    assert sheets(0.3, 0.1) >= 3
    assert sheets(0.0, 0.1) == 1
    assert Shim("soft", 0.2, 50.0).added(25.0) == pytest.approx(0.1)
    assert PLAIN_PAPER.added(0.0) == PLAIN_PAPER.thickness


def test_a_pile_on_a_border_belongs_to_the_zone_above_but_one_that_just_feeds_still_feeds():
    bounds = (0.0, 0.1, 0.2, 0.3)
    assert [zone_at(a, bounds) for a in (-0.01, 0.0, 0.1, 0.2, 0.3, 0.31)] == ["slack", "faint", "right", "hard", "hard", "refuses"]
