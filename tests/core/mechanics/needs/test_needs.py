"""The pressure that effects need: order, scaling, and what moves it."""

import math
from dataclasses import replace

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st
from tests.core.builders import build, folder, judged, lay, sheet_row, with_item
from tests.core.with_maps import assess

from lofty_press.core.mechanics.forming.closing import closing_of
from lofty_press.core.mechanics.forming.formation import (
    GAP,
    KEPT,
    MAT_STEP,
    MODULUS,
    THICKNESS_STEP,
    YIELD_STEP,
    SheetSection,
    corners_around,
    formation,
    make_table,
)
from lofty_press.core.mechanics.forming.piece import piece_of
from lofty_press.core.mechanics.forming.strength import collapse_pressure
from lofty_press.core.mechanics.forming.summary import summary_at
from lofty_press.core.mechanics.needs import need_of
from lofty_press.core.mechanics.needs.blades import CRUSH
from lofty_press.core.mechanics.needs.needs import TOOL_LIMIT
from lofty_press.core.sandwich.stack.effect import EFFECT_TITLES
from lofty_press.core.sandwich.stack.view import StackView
from lofty_press.core.sandwich.stock.moisture import creep_gain, working_sheet
from lofty_press.core.sandwich.stock.sheet import MistResponse
from lofty_press.demo.reliefs.library import demo_relief
from lofty_press.demo.sandwiches import SANDWICHES
from lofty_press.demo.stocks import STOCKS

SLEEVE = SANDWICHES["ticket-sleeve"]
GREEN = STOCKS["ridge-green"].stock


def need(sandwich):
    view = StackView(sandwich)
    return need_of(view, closing_of(view, demo_relief))


@pytest.mark.parametrize("name", SANDWICHES)
def test_marks_before_it_is_right_before_it_is_too_much(name):
    found = need(SANDWICHES[name])
    assert 0 < found.mark <= found.right < found.hard
    assert found.why


@given(stress=st.floats(1, 100), thickness=st.floats(0.05, 1), height=st.floats(0, 3), span=st.floats(0.5, 10), factor=st.floats(1.1, 5))
def test_collapse_pressure_keeps_its_shape_under_scaling(stress, thickness, height, span, factor):
    """A pressure does not change when every length grows alike, and grows with the stress: dimensional analysis."""
    base = collapse_pressure(stress, thickness, height, span)
    assert collapse_pressure(stress, factor * thickness, factor * height, factor * span) == pytest.approx(base)
    assert collapse_pressure(factor * stress, thickness, height, span) == pytest.approx(factor * base)
    assert collapse_pressure(stress, thickness, height, factor * span) < base


@pytest.mark.parametrize(("change", "more"), [({"height_mm": 0.9}, True), ({"span_mm": 1.5}, True), ({"span_mm": 4.0}, False)])
def test_a_higher_or_finer_relief_needs_more(change, more):
    """Of plain ridges that stand in for a tool without a map."""
    relief = replace(SLEEVE.items["rail-lattice"].relief, map=None)
    plain = with_item(SLEEVE, "rail-lattice", relief=relief)
    assert (need(with_item(SLEEVE, "rail-lattice", relief=replace(relief, **change))).right > need(plain).right) == more


def test_thick_stock_needs_more_than_thin():
    """Common practice, no published source: heavier card wants more pressure."""
    rights = [
        need(build("T", "midway", "emboss", lay("bed"), lay("hard-a"), *folder("rail-lattice", sheet_row(stock)), lay("hard-b"))).right
        for stock in ("mail-envelope", "ridge-green", "summit-white", "meadow-watercolour")
    ]
    assert rights == sorted(rights)


def test_the_limit_is_the_weaker_of_sheet_and_tool():
    assert need(SLEEVE).hard == CRUSH
    soft_tool = with_item(SLEEVE, "rail-lattice", material="wood")
    assert need(soft_tool).hard == pytest.approx(TOOL_LIMIT * 20.0)
    metal = need(SANDWICHES["copper-plaque"])
    assert metal.hard > CRUSH  # metal is not crushed; the steel die would have to give


def test_cutting_need_is_proportional_to_the_blade():
    blade = SANDWICHES["arch-cut"].items["station-arch"].blade
    twice = with_item(SANDWICHES["arch-cut"], "station-arch", blade=replace(blade, length_mm=2 * blade.length_mm))
    assert need(twice).right == pytest.approx(2 * need(SANDWICHES["arch-cut"]).right)


def test_cut_and_emboss_at_once_needs_what_both_need():
    rows = (lay("bed"), lay("hard-a"), *folder("ticket-window", sheet_row()), lay("hard-b"))
    both, relief, cut = (need(build("T", "midway", kind, *rows)) for kind in ("cut and emboss", "emboss", "cut"))
    assert both.right == pytest.approx(relief.right + cut.right)  # halves and blade bear the pressure together
    assert both.mark == relief.mark


def test_a_two_way_folder_needs_shims_under_one_plate():
    """Common practice, no published source: the plain recipe is faint or jams; one or two card shims are found by trial."""

    def run(shims):
        rows = [lay("bed"), lay("spacer"), *folder("alpine-flora", sheet_row()), lay("hard-a")]
        return judged("emboss", *rows, *([lay("ledger-index", role="shim", count=shims)] if shims else []))

    zones = [run(n).verdict.zone for n in range(4)]
    assert zones[0] in ("slack", "faint")
    assert "right" in zones


def test_a_texture_and_a_cut_dies_rim_are_formed_by_a_mat():
    texture = judged(
        "texture",
        lay("bed"),
        lay("spacer"),
        lay("wicker"),
        sheet_row(x_mm=0),
        lay("silicone"),
        lay("hard-a"),
        lay("ledger-index", role="shim", count=2),
    )
    assert texture.verdict is not None
    assert texture.orientation.raised_face == "front"
    rim = judged("emboss in die", lay("bed"), lay("hard-a"), lay("station-arch"), sheet_row(x_mm=0), lay("rubber"), lay("soft"))
    assert rim.verdict.zone in ("faint", "right")


@given(age=st.floats(0, 5000), later=st.floats(0, 5000))
def test_dampness_only_ever_fades(age, later):
    early, late = working_sheet(GREEN, age), working_sheet(GREEN, age + later)
    assert late.dampness <= early.dampness <= 1.0
    assert late.yield_stress >= early.yield_stress
    assert late.break_along <= early.break_along


def test_mist_is_back_to_dry_in_the_end_and_does_nothing_where_there_is_no_response():
    dry, old = working_sheet(GREEN, None), working_sheet(GREEN, 5000.0)
    assert old.yield_stress == pytest.approx(dry.yield_stress, rel=1e-6)
    vellum = STOCKS["lantern-vellum"].stock
    assert working_sheet(vellum, 0.0) == working_sheet(vellum, None)
    half = working_sheet(replace(GREEN, mist=MistResponse(fades_s=100.0)), 100.0)
    assert half.dampness == pytest.approx(0.3679, abs=1e-4)  # 1/e after one fading time


def test_passes_gain_by_the_logarithm():
    assert creep_gain(1) == 1.0
    assert creep_gain(4) - creep_gain(2) == pytest.approx(creep_gain(2) - creep_gain(1))


@pytest.mark.parametrize("kind", EFFECT_TITLES)
def test_an_effect_that_the_tool_cannot_give_is_said_and_not_judged(kind):
    result = judged(kind, lay("bed"), lay("hard-a"), *folder("rail-lattice", sheet_row()), lay("hard-b"))
    gives = kind in ("emboss", "motif", "texture", "letterpress", "metal", "emboss in die")
    assert (result.verdict is not None) == gives
    assert ("tool-unfit" in {f.code for f in result.findings}) == (not gives)


def test_the_crack_index_rises_with_relief_and_falls_with_mist():
    def index(height, mist=None):
        sandwich = build("T", "midway", "emboss", lay("bed"), *folder("cable-sheave", sheet_row(mist_age_s=mist)), lay("deep"))
        relief = sandwich.items["cable-sheave"].relief
        return assess(with_item(sandwich, "cable-sheave", relief=replace(relief, height_mm=height, map=None))).forming.crack

    values = [index(h) for h in (0.4, 0.8, 1.1, 1.5)]
    assert values == sorted(values)
    assert index(1.1, mist=0.0) < index(1.1)


def test_no_pressure_no_crack():
    view = StackView(SLEEVE)
    assert summary_at(view, closing_of(view, demo_relief), 0.0) is None


@pytest.mark.parametrize("name", ["ticket-sleeve", "envelope-device"])
def test_a_sheet_between_tabled_ones_is_read_as_it_is_computed(name):
    """Any sheet solved directly, against the tables around it: what it keeps within 5 points, how far it closes within 3 % of the way."""
    view = StackView(SANDWICHES[name])
    piece = piece_of(view.tool, SANDWICHES[name].effect.kind, demo_relief)
    sheet, mat = SheetSection(0.27, MODULUS, 0.006, 0.1), None if piece.matched else 1.3
    read = formation(piece, sheet, mat)
    sizes = [(sheet.thickness, THICKNESS_STEP), (sheet.yield_strain, YIELD_STEP), *([] if mat is None else [(mat, MAT_STEP)])]
    solved = make_table(piece, tuple(math.log(value) / math.log(step) for value, step in sizes), (sheet.hardening, sheet.saturates))
    assert np.abs(read.kept - solved[KEPT, 1:]).max() < 0.05
    assert np.abs(read.gap - solved[GAP, 1:]).max() < 0.03 * solved[GAP, 0]


@given(ways=st.lists(st.floats(0, 1), min_size=1, max_size=3))
def test_a_place_is_the_mean_of_the_corners_around_it(ways):
    corners = list(corners_around([(n, way) for n, way in enumerate(ways)]))
    assert sum(share for _, share in corners) == pytest.approx(1.0)
    assert min(share for _, share in corners) >= 0.0
    for axis, way in enumerate(ways):
        assert sum(share * place[axis] for place, share in corners) == pytest.approx(axis + way, abs=1e-9)
