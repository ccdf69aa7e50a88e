"""Every call: a sandwich that earns it, and a nearby one that does not."""

import re
from dataclasses import replace
from pathlib import Path

import pytest
from tests.core.builders import build, codes, edited, finding, folder, lay, sheet_row, with_item, zone
from tests.core.with_maps import assess

from lofty_press.core.judging.findings import rules
from lofty_press.core.judging.findings.codes import TRAITS
from lofty_press.core.judging.findings.finding import SEVERITIES
from lofty_press.core.judging.findings.rules import RULES
from lofty_press.core.judging.findings.rules.placement import to_the_middle
from lofty_press.core.judging.offers import offers
from lofty_press.core.mechanics.forming.summary import FormingSummary
from lofty_press.core.sandwich.stack.item import Thickness
from lofty_press.core.sandwich.stack.view import StackView
from lofty_press.demo.sandwiches import SANDWICHES
from lofty_press.demo.shelf import INKS

LATTICE = (lay("bed"), lay("hard-a"), *folder("rail-lattice", sheet_row()), lay("hard-b"))
SHEAVE = (lay("bed"), *folder("cable-sheave", sheet_row()), lay("deep"))
ARCH_CUT = (lay("bed"), lay("spacer"), lay("hard-a"), lay("station-arch"), sheet_row(x_mm=0), lay("hard-b"))
ARCH_LINE = (lay("bed"), lay("hard-a"), lay("station-arch"), sheet_row(x_mm=0), lay("rubber-supple"), lay("hard-b"))
FOIL = sheet_row("signal-foil", x_mm=0)


def emboss(*rows, **more):
    return build("T", "midway", "emboss", *rows, **more)


def cut(*rows, **more):
    return build("T", "midway", "cut", *rows, **more)


def line(*rows, **more):
    return build("T", "midway", "line", *rows, **more)


def lattice(sheet, *, ink=None, **more):
    return emboss(lay("bed"), lay("hard-a"), *folder("rail-lattice", sheet, ink=ink), lay("hard-b"), **more)


def weaker(sandwich, limit):
    """The same on a press whose drive gives less [N]."""
    press = sandwich.press
    return replace(sandwich, press=replace(press, drive=replace(press.drive, comfort_n=limit / 2, limit_n=limit)))


def tighter(sandwich, by):
    """The same on a press whose rollers run closer [mm]."""
    opening = sandwich.press.opening
    return replace(sandwich, press=replace(sandwich.press, opening=replace(opening, mm=opening.mm - by)))


def gauged(sandwich):
    """The same with everything in it measured well."""
    items = {key: replace(item, thickness=replace(item.thickness, sd_mm=0.001)) for key, item in sandwich.items.items()}
    return replace(sandwich, items=items, press=replace(sandwich.press, opening=replace(sandwich.press.opening, sd_mm=0.001)))


def narrow(stock):
    """A sheet cut to the pocket press."""
    return with_item(build("T", "foothill", "emboss", *NARROW), stock, width_mm=70)


def inked_timetable(ink, **more):
    return build(
        "T",
        "midway",
        "letterpress",
        lay("bed"),
        lay("spacer"),
        lay("timetable", ink=INKS[ink]),
        sheet_row("meadow-watercolour", x_mm=0, turned=True),
        lay("hard-a"),
        lay("ledger-index", role="shim"),
        **more,
    )


SOUND_LATTICE, SOUND_SHEAVE, SOUND_CUT, SOUND_LINE = emboss(*LATTICE), emboss(*SHEAVE), cut(*ARCH_CUT), line(*ARCH_LINE)
SUMMIT_SHEAVE = build("T", "summit", "emboss", lay("wide-bed"), *SHEAVE[1:])
NARROW = (lay("pocket-bed"), lay("pocket-hard"), *folder("name-board", sheet_row()), lay("pocket-hard"))

# code: (a sandwich that earns it, one beside it that does not)
CASES = {
    "bed-missing": (emboss(*LATTICE[1:]), SOUND_LATTICE),
    "sheet-missing": (emboss(lay("bed"), lay("hard-a"), *folder("rail-lattice"), lay("hard-b")), SOUND_LATTICE),
    "tool-missing": (emboss(lay("bed"), lay("hard-a"), sheet_row(), lay("hard-b")), SOUND_LATTICE),
    "tool-unfit": (cut(*LATTICE), SOUND_LATTICE),
    "relief-away": (
        with_item(SOUND_LATTICE, "rail-lattice", relief=replace(SOUND_LATTICE.items["rail-lattice"].relief, map="nobody-has-this")),
        SOUND_LATTICE,
    ),
    "too-thick-to-feed": (SANDWICHES["two-plates"], SOUND_SHEAVE),
    "handle-too-heavy": (weaker(SOUND_SHEAVE, 20), SOUND_SHEAVE),
    "handle-heavy": (weaker(SOUND_SHEAVE, 50), SOUND_SHEAVE),
    "motor-overloaded": (weaker(SUMMIT_SHEAVE, 5), SUMMIT_SHEAVE),
    "pressed-too-hard": (tighter(SANDWICHES["timetable-print"], 0.75), SANDWICHES["timetable-print"]),
    "slack": (emboss(lay("bed"), *folder("rail-lattice", sheet_row())), SOUND_LATTICE),
    "faint": (
        with_item(SOUND_LATTICE, "rail-lattice", thickness=replace(SOUND_LATTICE.items["rail-lattice"].thickness, mm=2.2)),
        SOUND_LATTICE,
    ),
    "mat-squeezed-flat": (
        tighter(with_item(SANDWICHES["envelope-device"], "rubber-thick", thickness=Thickness(mm=0.7)), 2.3),
        SANDWICHES["envelope-device"],
    ),
    "off-centre": (
        cut(
            lay("bed"),
            lay("spacer"),
            lay("hard-a"),
            lay("label-large", y_mm=-45),
            lay("carriage-kraft", role="sheet", y_mm=-22),
            lay("hard-b"),
            lay("ledger-index", role="shim"),
        ),
        SOUND_CUT,
    ),
    "measure": (SOUND_LATTICE, SOUND_SHEAVE),
    "try-one": (gauged(tighter(SOUND_LATTICE, -0.15)), SOUND_LATTICE),
    "not-everywhere": (with_item(SOUND_CUT, "hard-b", width_mm=70, length_mm=90), SOUND_CUT),
    "blade-too-low": (with_item(SOUND_CUT, "station-arch", blade=replace(SOUND_CUT.items["station-arch"].blade, height_mm=0.2)), SOUND_CUT),
    "nothing-gives-way": (
        build("T", "midway", "motif", lay("bed"), lay("rubber"), lay("hard-a"), lay("monogram"), sheet_row(x_mm=0), lay("hard-b")),
        SANDWICHES["envelope-device"],
    ),
    "halves-held-apart": (emboss(*LATTICE[:3], lay("label-small"), *LATTICE[3:]), SOUND_LATTICE),
    "blade-meets-tool": (cut(*ARCH_CUT[:-1], lay("label-small", turned=True), lay("hard-b")), SOUND_CUT),
    "two-pads-on-deep-folder": (SANDWICHES["two-plates"], SOUND_SHEAVE),
    "deep-plate-missing": (emboss(*SHEAVE[:-1]), SOUND_SHEAVE),
    "deep-plate-better": (emboss(*SHEAVE[:-1], lay("hard-a")), SOUND_SHEAVE),
    "top-plate-missing": (emboss(*LATTICE[:-1]), SOUND_LATTICE),
    "lower-plate-missing": (cut(lay("bed"), lay("station-arch"), sheet_row(x_mm=0), lay("hard-b")), SOUND_CUT),
    "letterpress-two-pads": (
        build(
            "T",
            "midway",
            "letterpress",
            lay("bed"),
            lay("hard-b"),
            lay("timetable"),
            sheet_row("meadow-watercolour", x_mm=0),
            lay("hard-a"),
        ),
        SANDWICHES["timetable-print"],
    ),
    "platform-missing": (
        cut(lay("bed"), lay("route-strip"), sheet_row(x_mm=0), lay("hard-b")),
        cut(lay("platform"), lay("route-strip"), sheet_row(x_mm=0), lay("hard-b")),
    ),
    "bed-under-steel-rule": (cut(lay("bed"), lay("hard-a"), lay("crest-block"), sheet_row(x_mm=0), lay("hard-b")), SOUND_CUT),
    "single-frame": (
        emboss(lay("bed"), *folder("rail-lattice", sheet_row()), lay("frame"), lay("hard-a")),
        emboss(lay("bed"), *folder("rail-lattice", sheet_row()), lay("frame", count=2), lay("hard-a")),
    ),
    "blade-looks-away": (
        cut(lay("bed"), lay("spacer"), lay("hard-a"), lay("station-arch", turned=True), sheet_row(x_mm=0), lay("hard-b")),
        SOUND_CUT,
    ),
    "blade-to-metal": (
        build(
            "T",
            "midway",
            "metal",
            lay("bed"),
            lay("spacer"),
            lay("rubber"),
            lay("roof-copper", role="sheet"),
            lay("station-arch", turned=True),
            lay("silicone"),
            lay("hard-a"),
        ),
        SANDWICHES["copper-plaque"],
    ),
    "mat-where-cut": (cut(*ARCH_LINE), SOUND_CUT),
    "no-mat-where-line": (line(*ARCH_CUT), SOUND_LINE),
    "mat-too-thin": (
        with_item(
            line(lay("bed"), lay("spacer"), lay("hard-a"), lay("station-arch"), sheet_row(x_mm=0), lay("rubber-supple"), lay("hard-b")),
            "rubber-supple",
            thickness=Thickness(mm=1.0, sd_mm=0.08),
            shore_a=65,
        ),
        SOUND_LINE,
    ),
    "part-cut": (SANDWICHES["tracery-cut"], SOUND_CUT),
    "intricate-die": (SANDWICHES["tracery-cut"], SOUND_CUT),
    "silicone-cut": (SANDWICHES["silicone-lesson"], SOUND_LINE),
    "soft-plate-as-anvil": (cut(*ARCH_CUT[:-1], lay("soft")), SOUND_CUT),
    "card-behind-the-blade": (cut(*ARCH_CUT[:-1], lay("ledger-index", role="shim"), lay("hard-b")), SOUND_CUT),
    "flip-the-plate": (SOUND_CUT, SOUND_LINE),
    "tears": (SANDWICHES["envelope-too-high"], SANDWICHES["envelope-device"]),
    "cracks": (
        with_item(SOUND_SHEAVE, "ridge-green", stock=replace(SOUND_SHEAVE.items["ridge-green"].stock, break_strain=0.029)),
        SANDWICHES["ticket-sleeve"],
    ),
    "crack-risk": (SOUND_SHEAVE, SANDWICHES["programme-cover"]),
    "in-the-hinge": (lattice(sheet_row(x_mm=-3)), SOUND_LATTICE),
    "mist-does-nothing": (lattice(sheet_row("lantern-vellum", mist_age_s=0.0)), lattice(sheet_row("lantern-vellum"))),
    "coated-face-misted": (
        lattice(sheet_row("signal-foil", mist_age_s=0.0, mist_face="front")),
        lattice(sheet_row("signal-foil", mist_age_s=0.0)),
    ),
    "mist-has-gone": (lattice(sheet_row(mist_age_s=400.0)), lattice(sheet_row(mist_age_s=10.0))),
    "dry-at-a-mask": (
        SANDWICHES["masked-label"],
        emboss(lay("bed"), lay("hard-a"), *folder("rail-lattice", sheet_row(mist_age_s=0.0)), lay("mask")),
    ),
    "deep-and-dry": (
        emboss(lay("bed"), *folder("cable-sheave", sheet_row("meadow-watercolour")), lay("deep")),
        SANDWICHES["programme-cover"],
    ),
    "scars-under-foil": (
        cut(lay("bed"), lay("spacer"), lay("hard-a"), lay("station-arch"), FOIL, lay("hard-b")),
        cut(lay("bed"), lay("spacer"), lay("hard-b"), lay("station-arch"), FOIL, lay("hard-a")),
    ),
    "wider-than-press": (
        build("T", "foothill", "emboss", lay("pocket-bed"), lay("pocket-hard"), *folder("rail-lattice", sheet_row()), lay("pocket-hard")),
        narrow("ridge-green"),
    ),
    "outside-the-press": (lattice(sheet_row(y_mm=40)), SOUND_LATTICE),
    "tools-overlap": (
        SANDWICHES["labels-overlapping"],
        cut(
            lay("bed"),
            lay("spacer"),
            lay("hard-a"),
            lay("label-large", y_mm=-30),
            lay("label-small", y_mm=30),
            sheet_row(x_mm=0),
            lay("hard-b"),
        ),
    ),
    "sticks-out": (
        cut(lay("bed"), lay("spacer"), lay("hard-a"), lay("station-arch", x_mm=70), sheet_row(x_mm=0), lay("hard-b")),
        SOUND_CUT,
    ),
    "long-straight-edge": (
        cut(lay("bed"), lay("spacer"), lay("hard-a"), lay("bench-seat"), sheet_row(x_mm=0), lay("hard-b")),
        cut(lay("bed"), lay("spacer"), lay("hard-a"), lay("bench-seat", rotation_deg=15), sheet_row(x_mm=0), lay("hard-b")),
    ),
    "plate-bowed": (emboss(*LATTICE[:-1], lay("hard-bowed")), SOUND_LATTICE),
    "sheet-off-the-tool": (
        cut(
            lay("bed"), lay("spacer"), lay("hard-a"), lay("label-small", x_mm=-60), lay("roof-copper", role="sheet", x_mm=50), lay("hard-b")
        ),
        SOUND_CUT,
    ),
    "sheet-apart": (emboss(lay("bed"), lay("hard-a"), *folder("rail-lattice"), sheet_row(), lay("hard-b")), SOUND_LATTICE),
    "front-comes-out-wrong": (lattice(sheet_row(turned=True), front="raised"), lattice(sheet_row(), front="raised")),
    "words-mirrored": (
        build("T", "midway", "emboss", lay("bed"), lay("hard-a"), *folder("name-board", sheet_row(turned=True)), lay("hard-b")),
        emboss(lay("bed"), lay("hard-a"), *folder("name-board", sheet_row()), lay("hard-b")),
    ),
    "wrong-ink": (lattice(sheet_row(), ink="ticket-red"), lattice(sheet_row(), ink="soot")),
    "powder-ink-on-plate": (lattice(sheet_row(), ink="gold-base"), lattice(sheet_row(), ink="soot")),
    "ink-on-blade": (
        cut(lay("bed"), lay("spacer"), lay("hard-a"), lay("station-arch", ink=INKS["soot"]), sheet_row(x_mm=0), lay("hard-b")),
        SOUND_CUT,
    ),
    "ink-meets-no-sheet": (
        emboss(lay("bed"), lay("hard-a", ink=INKS["soot"]), *folder("rail-lattice", sheet_row()), lay("hard-b")),
        lattice(sheet_row(), ink="soot"),
    ),
    "ink-lands": (inked_timetable("soot"), SOUND_LATTICE),
    "three-passes": (SOUND_SHEAVE, SANDWICHES["programme-cover"]),
    "needless-passes": (emboss(*LATTICE, passes=3), SOUND_LATTICE),
    "hold-it-still": (cut(*ARCH_CUT, passes=2), SOUND_CUT),
    "fingers-clear": (SOUND_LATTICE, emboss()),
    "sharp-edges": (SOUND_CUT, SOUND_LATTICE),
    "metal-edges": (SANDWICHES["copper-plaque"], SOUND_LATTICE),
    "heat-and-powder": (
        cut(lay("bed"), lay("spacer"), lay("hard-a"), lay("station-arch", ink=INKS["gold-base"]), sheet_row(x_mm=0), lay("hard-b")),
        SOUND_CUT,
    ),
    "wash-ink-off": (lattice(sheet_row(), ink="soot"), SOUND_LATTICE),
    "hold-until-set": (
        emboss(lay("bed"), lay("spacer"), *folder("rail-lattice", sheet_row("saddle-hide")), lay("hard-b")),
        SOUND_LATTICE,
    ),
    "mind-the-mist": (lattice(sheet_row(mist_age_s=0.0)), SOUND_LATTICE),
}


def formed(**figures):
    """What the full computation found, but for the figures given."""
    fine = {"retained_share": 0.8, "crack": 0.3, "tear": 0.3, "buckle": 0.0, "cut_share": None, "uncut_mm": 0.0}
    return FormingSummary(**{**fine, **figures}, estimate=False, off_by=1.0)


COMPUTED = {
    "buckles": (SANDWICHES["masked-label"], formed(buckle=2.0), formed(buckle=0.4)),
    "keeps-little": (SOUND_LATTICE, formed(retained_share=0.3), formed(retained_share=0.7)),
    "cut-in-places": (SANDWICHES["arch-cut"], formed(cut_share=0.7, uncut_mm=300.0), formed(cut_share=0.99, uncut_mm=9.0)),
}


@pytest.mark.parametrize("code", CASES)
def test_a_call_is_made_where_it_is_due_and_only_there(code):
    due, not_due = CASES[code]
    assert code in codes(assess(due))
    assert code not in codes(assess(not_due))


@pytest.mark.parametrize("code", COMPUTED)
def test_a_call_that_stands_on_the_computed_sheet(code):
    sandwich, due, not_due = COMPUTED[code]
    assert code in codes(assess(sandwich, due))
    assert code not in codes(assess(sandwich, not_due))
    assert code not in codes(assess(sandwich))
    assert any(f.fix is not None for f in assess(sandwich, due).findings)


def test_every_code_in_the_rules_has_its_case():
    text = "".join(path.read_text() for path in Path(rules.__file__).parent.glob("*.py"))
    written = set(re.findall(r'Finding\(\s*"([a-z-]+)"', text))
    assert written == set(CASES) | set(COMPUTED) == set(TRAITS)


def test_every_rule_is_listed_once_and_says_what_it_is_about():
    assert len({rule.__name__ for rule in RULES}) == len(RULES)
    assert all(rule.__doc__ for rule in RULES)


@pytest.mark.parametrize("code", [c for c, (due, _) in CASES.items() if any(f.fix for f in assess(due).findings if f.code == c)])
def test_a_fix_carries_out_and_takes_its_call_away(code):
    due, _ = CASES[code]
    before = assess(due)
    fix = next(f.fix for f in before.findings if f.code == code and f.fix)
    after = assess(edited(due, fix.edits))
    remaining = [f for f in after.findings if f.code == code]
    assert len(remaining) < len([f for f in before.findings if f.code == code])


def test_the_deep_folder_on_two_plates_is_mended_by_one_fix():
    before = assess(SANDWICHES["two-plates"])
    preview = next(p for p in offers(before, lambda _: []) if p.finding.code == "two-pads-on-deep-folder")
    assert zone(preview.after) == "right"
    assert codes(preview.after, "stop") == set()


def test_findings_come_in_order_of_importance():
    severities = [SEVERITIES.index(f.severity) for f in assess(SANDWICHES["sleeve-in-the-hinge"]).findings]
    assert severities == sorted(severities)


@pytest.mark.parametrize("name", SANDWICHES)
def test_what_is_said_is_whole_and_plain(name):
    for found in assess(SANDWICHES[name]).findings:
        for text in (found.what, found.why):
            assert text == text.strip()
            assert text.endswith(".")
            assert not re.search(r"nan|inf\b|None|-0\.0", text)
        assert found.layer is None or found.layer in {layer.id for layer in SANDWICHES[name].layers}


def test_the_crack_call_says_how_it_is_known():
    assert "a quick estimate" in finding(assess(SOUND_SHEAVE), "crack-risk").why


def test_a_plate_between_die_and_sheet_is_named():
    apart = assess(cut(lay("bed"), lay("station-arch"), lay("hard-a"), sheet_row(x_mm=0), lay("hard-b")))
    assert apart.sentence == "Hard plate, east is between Station-arch die and the sheet."
    mended = assess(edited(apart.sandwich, finding(apart, "sheet-apart").fix.edits))
    assert "sheet-apart" not in codes(mended)


def test_what_belongs_together_goes_to_the_middle_together():
    """Both halves and the sheet of a folder; two dies side by side keep their distance, and do not land on one another."""
    centred = emboss(lay("bed"), lay("hard-a"), *folder("rail-lattice", sheet_row()), lay("hard-b"))
    aside = replace(centred, layers=tuple(replace(x, y_mm=40.0) if x.half or x.role == "sheet" else x for x in centred.layers))
    fix = next(f.fix for f in assess(aside).findings if f.code == "outside-the-press")
    mended = edited(aside, fix.edits)
    assert [layer.y_mm for layer in mended.layers if layer.half] == [0.0, 0.0]
    assert "outside-the-press" not in codes(assess(mended))
    dies = (lay("label-large", y_mm=-60), lay("label-small", y_mm=0))
    pair = cut(lay("bed"), lay("spacer"), lay("hard-a"), *dies, sheet_row(x_mm=0, y_mm=-30), lay("hard-b"))
    edits = to_the_middle(StackView(pair), StackView(pair).tool)
    mended = edited(pair, edits)
    moved = [layer for layer in mended.layers if layer.item.startswith("label")]
    assert moved[1].y_mm - moved[0].y_mm == pytest.approx(60.0)
    assert "tools-overlap" not in codes(assess(mended))
