"""What every practitioner knows of the pressed sheet, asked through the same door as the page uses.

Common practice, no published source, unless a test says otherwise. Stocks and tools are those of the demo world, whose figures are
ordinary magnitudes from memory, set before these cases were run.
"""

import itertools
from dataclasses import replace
from functools import cache

import numpy as np
import pytest
from tests.core.builders import build, codes, folder, lay, sheet_row
from tests.core.with_maps import assess

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.mechanics.forming.closing import closing_of
from lofty_press.core.mechanics.forming.figures import figures_of
from lofty_press.core.mechanics.forming.impression import press
from lofty_press.core.mechanics.forming.summary import CRACK_OFF_BY, SHARE_OFF_BY, summary_at
from lofty_press.core.sandwich.relief.height_map import no_library
from lofty_press.core.sandwich.stack.view import StackView
from lofty_press.demo.reliefs.library import demo_relief
from lofty_press.demo.sandwiches import SANDWICHES
from lofty_press.documents.answers.impression import describe_figures
from lofty_press.documents.kept.impression_record import summary_of

CELL = 0.4  # mm; coarser than the page's, for the tests' time


@cache
def pressed(effect, *rows, cell=CELL, **more):
    """A pressed pile on the everyday press; rows are (key, options) pairs, options as sorted pairs."""
    made = build("Test", "midway", effect, *((key, dict(options)) for key, options in rows), **more)
    found = press(made, demo_relief, finest=cell)
    assert found.converged
    return found


def frozen(*rows):
    return tuple((key, tuple(sorted(options.items()))) for key, options in rows)


def figures(effect, *rows, **more):
    return figures_of(pressed(effect, *frozen(*rows), **more))


def sheave(stock="ridge-green", mist=None, passes=1, **more):
    return figures("emboss", lay("bed"), *folder("cable-sheave", sheet_row(stock, mist_age_s=mist)), lay("deep"), passes=passes, **more)


def lattice(*, top="hard-b", **sheet):
    return figures("emboss", lay("bed"), lay("hard-a"), *folder("rail-lattice", sheet_row(**sheet)), lay(top))


def motif(layers, stock="mail-envelope", **more):
    """Each layer takes a shim's place, so that all are pressed alike."""
    shims = lay("ledger-index", role="shim", count=8 - layers if stock == "mail-envelope" else 12 - layers)
    mat = "rubber-thick" if stock == "mail-envelope" else "rubber"
    rows = [lay("bed"), lay("spacer"), lay("soft"), lay("monogram", count=layers), lay(stock, role="sheet"), lay(mat), shims]
    return figures("motif", *rows, **more)


def test_one_motif_layer_embosses_an_envelope_and_two_to_four_rip_it():
    found = [motif(n) for n in (1, 2, 3, 4)]
    assert found[0].retained_share > 0.6
    assert found[0].tear.value < 1.0
    assert all(f.tear.value > 1.0 or f.crack.value > 1.0 for f in found[1:])
    assert found[0].crack.value < found[1].crack.value < min(f.crack.value for f in found[2:])


def test_two_motif_layers_stand_higher_and_start_to_crack_card():
    one, two = motif(1, "ridge-green", cell=0.2), motif(2, "ridge-green", cell=0.2)
    assert two.depth > 1.4 * one.depth
    assert one.crack.value < 0.75
    assert two.crack.value > one.crack.value * 2
    assert two.crack.value > 0.75


def test_mist_deepens_and_lowers_cracking():
    dry, damp = sheave(), sheave(mist=0.0)
    assert damp.depth > dry.depth
    assert damp.crack.value < 0.8 * dry.crack.value
    assert dry.crack.value > 0.75 > damp.crack.value  # the risk of cracking sets in between


def test_mist_dries():
    fresh, late, dry = (sheave(mist=age) for age in (0.0, 120.0, None))
    assert fresh.crack.value < late.crack.value < dry.crack.value


@pytest.mark.parametrize("top", ["mask", "frame"])
def test_dry_it_buckles_at_a_window_and_misted_it_does_not(top):
    def at_window(mist):
        if top == "mask":
            return lattice(top="mask", mist_age_s=mist)
        sheet = sheet_row(mist_age_s=mist)
        rows = [lay("bed"), lay("hard-b"), *folder("rail-lattice", sheet), lay("frame", count=2), lay("ledger-index", role="shim")]
        return figures("emboss", *rows)

    assert at_window(None).buckle.value > 1.0 > at_window(0.0).buckle.value
    assert lattice().buckle.value < 0.1


def test_passes_add_and_add_less_and_less():
    depths = [sheave(passes=n).depth for n in (1, 2, 4, 8)]
    gains = [after - before for before, after in itertools.pairwise(depths)]
    assert all(gain > 0 for gain in gains)
    assert gains == sorted(gains, reverse=True)


def test_brittle_coated_card_cracks_where_soft_paper_does_not():
    foil, green, soft = (sheave(stock).crack.value for stock in ("signal-foil", "ridge-green", "meadow-watercolour"))
    assert foil > green > soft


def test_card_in_the_hinge_keeps_a_blank_strip():
    into, clear = lattice(x_mm=-3), lattice(x_mm=5)
    assert clear.blank.hinge < 50
    # 12 mm deep into the fold would be bare, the pattern begins 9 mm from it: a strip of about 4 mm over 104 mm
    assert 250 < into.blank.hinge < 650


def test_a_window_stays_blank_and_is_told_so():
    masked, whole = lattice(top="mask"), lattice()
    assert whole.blank_share < 0.02
    assert masked.blank.window > 800
    assert masked.blank_share > whole.blank_share


def test_a_mat_turns_a_cut_into_a_line_and_no_mat_cuts():
    cut = figures("cut", lay("bed"), lay("spacer"), lay("hard-a"), lay("station-arch"), sheet_row(x_mm=0), lay("hard-b"))
    line = figures("line", lay("bed"), lay("hard-a"), lay("station-arch"), sheet_row(x_mm=0), lay("rubber-supple"), lay("hard-b"))
    assert cut.cut["cut"] > 0.5 * sum(cut.cut.values())
    assert line.cut["cut"] == 0.0
    assert line.cut["line"] > 0.95 * sum(line.cut.values())
    assert line.depth > 0.15


def test_blades_that_crowd_get_less_each_and_a_second_pass_cuts_more():
    rows = [lay("bed"), lay("spacer"), lay("hard-a"), lay("arch-tracery"), sheet_row(x_mm=0), lay("hard-b")]
    once, twice = figures("cut", *rows), figures("cut", *rows, passes=2)
    assert once.cut["part cut"] > 0
    assert twice.cut["cut"] > once.cut["cut"] > 0


def test_all_of_the_blade_over_the_sheet_is_accounted_for():
    found = pressed("cut", *frozen(lay("bed"), lay("spacer"), lay("hard-a"), lay("station-arch"), sheet_row(x_mm=0), lay("hard-b")))
    assert sum(figures_of(found).cut.values()) == pytest.approx(demo_relief("alder-station-arch").blade_length, rel=0.01)


@pytest.mark.parametrize("turned", [False, True])
def test_a_die_from_above_sinks_the_front_and_from_below_raises_it(turned):
    """The die's line stands up on the face away from it."""
    die, sheet = lay("station-arch", turned=turned), sheet_row(x_mm=0)
    rows = [lay("rubber"), sheet, die] if turned else [die, sheet, lay("rubber")]
    found = pressed("line", *frozen(lay("bed"), lay("hard-a"), *rows, lay("hard-b")))
    on_line = found.tool < -0.3 if turned else found.tool > 0.3
    height = found.released[on_line].mean() - found.released[found.loaded.panel.cover > 0.5].mean()
    assert (height < 0) == turned


def test_a_folder_turned_over_gives_the_same_relief_downwards():
    up = pressed("emboss", *frozen(lay("bed"), lay("hard-a"), *folder("rail-lattice", sheet_row()), lay("hard-b")))
    halves = [lay("rail-lattice", half="sunk"), sheet_row(), lay("rail-lattice", half="raised")]
    down = pressed("emboss", *frozen(lay("bed"), lay("hard-a"), *halves, lay("hard-b")))
    assert down.released.min() < -0.2 < 0.2 < up.released.max()
    assert figures_of(down).depth == pytest.approx(figures_of(up).depth, rel=0.05)


def test_thick_card_pinches_on_flanks_and_rounds_the_edges():
    thin, thick = lattice(stock="lantern-vellum"), lattice(stock="meadow-watercolour")
    assert thick.edge_width > thin.edge_width


PADS = {
    "roof-copper": [lay("hard-b"), lay("ledger-index", role="shim", count=1)],
    "sculpting-foam": [lay("spacer"), lay("hard-b")],
    "saddle-hide": [lay("spacer"), lay("hard-b")],
}


def in_lattice(stock):
    """Each stock with the pads that bring it to the opening."""
    below = [] if stock in ("sculpting-foam", "saddle-hide") else [lay("hard-a")]
    rows = [lay("bed"), *below, *folder("rail-lattice", sheet_row(stock)), *PADS.get(stock, [lay("hard-b")])]
    return figures("emboss", *rows)


@pytest.mark.parametrize("stock", ["roof-copper", "saddle-hide", "packing-film", "sculpting-foam", "pad-back"])
def test_metal_leather_film_foam_and_board_are_pressed_by_their_own_nature(stock):
    found = in_lattice(stock)
    assert 0.05 < found.retained_share <= 1.05
    assert np.isfinite(found.crack.value)


def test_soft_metal_keeps_more_than_card_and_springy_film_least():
    assert in_lattice("roof-copper").retained_share > in_lattice("ridge-green").retained_share > in_lattice("packing-film").retained_share


def test_ink_on_a_letterpress_plate_lands_on_the_face_that_it_touches_and_reads_as_laid():
    found = press(SANDWICHES["timetable-print"], demo_relief, finest=CELL)
    words = describe_figures(found, figures_of(found), 0.0).ink
    assert words.face == "front"
    assert words.mirrored is False
    assert 0.02 < words.coverage < 0.4
    bare = replace(SANDWICHES["timetable-print"], layers=tuple(replace(x, ink=None) for x in SANDWICHES["timetable-print"].layers))
    assert describe_figures(press(bare, demo_relief, finest=CELL), figures_of(found), 0.0).ink is None


def test_a_jam_has_no_impression_and_says_why():
    with pytest.raises(InvalidInput, match="take a layer out"):
        press(SANDWICHES["two-plates"], demo_relief)
    with pytest.raises(InvalidInput, match="no sheet"):
        press(build("T", "midway", "emboss", lay("bed"), lay("hard-a")), demo_relief)


def test_a_tool_without_a_relief_map_is_pressed_with_a_stand_in_and_says_so():
    found = press(SANDWICHES["ticket-sleeve"], no_library, finest=CELL)
    assert found.loaded.lower.stand_in
    assert describe_figures(found, figures_of(found), 0.0).stand_in
    assert figures_of(found).retained_share > 0.3


def test_the_verdict_takes_the_computed_result_when_there_is_one():
    sandwich = SANDWICHES["masked-label"]
    found = press(sandwich, demo_relief, finest=CELL)
    summary = summary_of(describe_figures(found, figures_of(found), 0.0))
    guessed, known = assess(sandwich), assess(sandwich, summary)
    assert guessed.forming.estimate
    assert not known.forming.estimate
    assert "dry-at-a-mask" in codes(guessed)
    assert "buckles" in codes(known)


CASES = [
    ("cable-sheave", stock, wet) for stock in ("ridge-green", "signal-foil", "meadow-watercolour", "lantern-vellum") for wet in (None, 10.0)
]
CASES += [("rail-lattice", stock, None) for stock in ("ridge-green", "signal-foil", "meadow-watercolour", "carriage-kraft")]


def test_the_quick_estimate_is_as_good_as_it_says():
    """Nine in ten of the demo world's folders and stocks lie within the stated factor and difference of the full computation."""
    factors, differences = [], []
    for tool, stock, wet in CASES:
        pads = (lay("bed"), lay("deep")) if tool == "cable-sheave" else (lay("bed"), lay("hard-a"), lay("hard-b"))
        rows = [*pads[:-1], *folder(tool, sheet_row(stock, mist_age_s=wet)), pads[-1]]
        full = figures("emboss", *rows, cell=0.3 if stock == "signal-foil" else CELL)  # the coarser grid does not settle on it
        result = assess(build("T", "midway", "emboss", *rows))
        view = StackView(result.sandwich)
        quick = summary_at(view, closing_of(view, demo_relief), result.verdict.pressure)
        factors.append(max(quick.crack / full.crack.value, full.crack.value / quick.crack))
        differences.append(abs(quick.retained_share - full.retained_share))
    assert np.percentile(factors, 90) <= CRACK_OFF_BY
    assert np.percentile(differences, 90) <= SHARE_OFF_BY
