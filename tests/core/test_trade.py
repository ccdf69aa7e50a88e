"""What every practitioner knows, asked of the whole core.

Common practice, no published source, unless a test says otherwise. Nothing in the core names these cases: they have to come
out of thickness, stiffness and strength.
"""

import itertools
from dataclasses import replace

import pytest
from tests.core.builders import build, codes, folder, judged, lay, sheet_row, with_item, zone
from tests.core.with_maps import assess

from lofty_press.core.sandwich.stack import Thickness
from lofty_press.demo.sandwiches import SANDWICHES


def test_a_deep_folder_feeds_under_one_deep_plate_and_refuses_two_pads():
    assert zone(judged("emboss", lay("bed"), *folder("cable-sheave", sheet_row()), lay("deep"))) == "right"
    two = judged("emboss", lay("bed"), lay("hard-a"), *folder("cable-sheave", sheet_row()), lay("hard-b"))
    assert zone(two) == "refuses"
    assert not two.nip.bites


def test_a_plain_folder_takes_two_plates():
    assert zone(judged("emboss", lay("bed"), lay("hard-a"), *folder("rail-lattice", sheet_row()), lay("hard-b"))) == "right"


def test_a_plain_folder_on_one_plate_runs_through_without_a_mark():
    assert zone(judged("emboss", lay("bed"), *folder("rail-lattice", sheet_row()), lay("hard-b"))) == "slack"


def test_no_spacer_and_no_mat_leaves_a_thin_die_slack():
    assert zone(judged("cut", lay("bed"), lay("hard-a"), lay("station-arch"), sheet_row(x_mm=0), lay("hard-b"))) == "slack"


def test_a_mat_turns_a_cut_into_a_line_and_without_one_it_cuts():
    cut = judged("cut", lay("bed"), lay("spacer"), lay("hard-a"), lay("station-arch"), sheet_row(x_mm=0), lay("hard-b"))
    line = judged("line", lay("bed"), lay("hard-a"), lay("station-arch"), sheet_row(x_mm=0), lay("rubber-supple"), lay("hard-b"))
    assert cut.blade.depth_share(cut.verdict.pressure) == 1.0
    assert line.blade.depth_share(line.verdict.pressure) == 0.0
    assert zone(cut) == zone(line) == "right"


def test_too_thin_a_mat_lets_the_blade_in():
    rows = (lay("bed"), lay("spacer"), lay("hard-a"), lay("station-arch"), sheet_row(x_mm=0), lay("rubber-supple"), lay("hard-b"))
    thin = assess(with_item(build("T", "midway", "line", *rows), "rubber-supple", thickness=Thickness(mm=1.0, sd_mm=0.08), shore_a=65))
    assert thin.blade.depth_share(thin.verdict.pressure) > 0.0
    assert "mat-too-thin" in codes(thin)


def test_a_die_line_works_from_below_and_from_above():
    below = judged("line", lay("bed"), lay("hard-a"), lay("station-arch"), sheet_row(x_mm=0), lay("rubber-supple"), lay("hard-b"))
    above = judged(
        "line", lay("bed"), lay("hard-a"), lay("rubber-supple"), sheet_row(x_mm=0), lay("station-arch", turned=True), lay("hard-b")
    )
    assert zone(below) == zone(above) == "right"
    assert below.orientation.raised_face == "front"
    assert above.orientation.raised_face == "back"


def test_a_hard_plate_cuts_the_silicone_sheet_and_a_soft_plate_spares_it():
    rows = [lay("bed"), lay("hard-a"), lay("station-arch"), sheet_row(x_mm=0), lay("silicone")]
    shims = lay("ledger-index", role="shim", count=3)
    assert "silicone-cut" in codes(judged("line", *rows, lay("hard-b"), shims))
    assert "silicone-cut" not in codes(judged("line", *rows, lay("soft"), shims))


@pytest.mark.parametrize("layers", [1, 2, 3, 4])
def test_one_motif_layer_embosses_an_envelope_and_more_rip_it(layers):
    """Each motif layer takes a shim's place, so that all four are pressed alike."""
    rows = [lay("bed"), lay("spacer"), lay("soft"), lay("monogram", count=layers), lay("mail-envelope", role="sheet"), lay("rubber-thick")]
    result = judged("motif", *rows, lay("ledger-index", role="shim", count=8 - layers))
    assert zone(result) == "right"
    assert ("tears" in codes(result)) == (layers > 1)


def test_two_motif_layers_start_to_crack_card_and_one_does_not():
    def pressed(layers):
        shims = lay("ledger-index", role="shim", count=10 - layers)
        return judged(
            "motif", lay("bed"), lay("spacer"), lay("soft"), lay("monogram", count=layers), sheet_row(x_mm=0), lay("rubber"), shims
        )

    one, two = pressed(1), pressed(2)
    assert one.verdict.pressure == pytest.approx(two.verdict.pressure, rel=0.15)  # both under a firm mat, the same press
    assert codes(one) & {"cracks", "crack-risk"} == set()
    assert codes(two) & {"cracks", "crack-risk"}


def test_mist_deepens_and_lowers_cracking():
    rows = lambda **wet: (lay("bed"), *folder("cable-sheave", sheet_row(**wet)), lay("deep"))  # noqa: E731
    dry, damp = judged("emboss", *rows()), judged("emboss", *rows(mist_age_s=0.0))
    assert damp.verdict.need.right < dry.verdict.need.right
    assert damp.forming.crack < dry.forming.crack
    assert "crack-risk" in codes(dry)
    assert "crack-risk" not in codes(damp)


def test_mist_wears_off():
    late = judged("emboss", lay("bed"), *folder("cable-sheave", sheet_row(mist_age_s=1800.0)), lay("deep"))
    assert "mist-has-gone" in codes(late)
    assert late.verdict.need.right == pytest.approx(
        judged("emboss", lay("bed"), *folder("cable-sheave", sheet_row()), lay("deep")).verdict.need.right, rel=0.02
    )


def test_dry_buckling_at_a_window_is_called_and_misted_is_not():
    rows = lambda **wet: (lay("bed"), lay("hard-a"), *folder("rail-lattice", sheet_row(**wet)), lay("mask"))  # noqa: E731
    assert "dry-at-a-mask" in codes(judged("emboss", *rows()))
    assert "dry-at-a-mask" not in codes(judged("emboss", *rows(mist_age_s=0.0)))


def test_passes_add_and_add_less_and_less():
    rights = [
        judged("emboss", lay("bed"), *folder("cable-sheave", sheet_row()), lay("deep"), passes=n).verdict.need.right for n in (1, 2, 3, 4)
    ]
    gains = [before - after for before, after in itertools.pairwise(rights)]
    assert all(gain > 0 for gain in gains)
    assert gains == sorted(gains, reverse=True)


def test_an_intricate_die_does_not_cut_in_one_pass_where_a_simple_one_does():
    simple = SANDWICHES["arch-cut"]
    assert zone(assess(simple)) == "right"
    intricate = assess(SANDWICHES["tracery-cut"])
    assert zone(intricate) == "faint"
    assert {"part-cut", "intricate-die"} <= codes(intricate)


def test_one_press_runs_tight_where_another_of_its_model_runs_loose():
    tight = SANDWICHES["ticket-sleeve"]
    opening = tight.press.opening
    loose = replace(tight, press=replace(tight.press, opening=replace(opening, mm=opening.mm + 0.35)))
    looser = replace(tight, press=replace(tight.press, opening=replace(opening, mm=opening.mm + 0.9)))
    assert [zone(assess(sandwich)) for sandwich in (tight, loose, looser)] == ["right", "faint", "slack"]  # faint begins softly


def test_window_frames_take_a_hard_plates_place():
    framed = judged(
        "emboss",
        lay("bed"),
        lay("hard-b"),
        *folder("rail-lattice", sheet_row(mist_age_s=5.0)),
        lay("frame", count=2),
        lay("ledger-index", role="shim", count=1),
    )
    assert zone(framed) == "right"
    middle = framed.nip.pressure[framed.nip.pressure.shape[0] // 2]
    assert middle[middle.size // 2] < 0.2 * middle.max()
