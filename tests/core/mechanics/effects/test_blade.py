"""Blades: what they take to cut, what a mat leaves of them, what they cost at the handle."""

from dataclasses import replace

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from tests.core.builders import SHELF, build, lay, sheet_row, with_item

from lofty_press.core.mechanics.effects.blade import SCORE_SHARE, blade_contact, blade_density, parts
from lofty_press.core.mechanics.forming import closing_of
from lofty_press.core.mechanics.needs import need_of
from lofty_press.core.mechanics.needs.need import NEVER
from lofty_press.core.mechanics.nip.piles import blade_law
from lofty_press.core.sandwich.relief import no_library
from lofty_press.core.sandwich.stack import Thickness
from lofty_press.core.sandwich.stack.shape import item_polygon
from lofty_press.core.sandwich.stack.view import StackView

CUT = build("T", "midway", "cut", lay("bed"), lay("spacer"), lay("hard-a"), lay("station-arch"), sheet_row(x_mm=0), lay("hard-b"))
LINE = build("T", "midway", "line", lay("bed"), lay("hard-a"), lay("station-arch"), sheet_row(x_mm=0), lay("rubber"), lay("hard-b"))


def contact(sandwich):
    return blade_contact(StackView(sandwich))


def test_density_is_blade_over_area():
    item = CUT.items["station-arch"]
    # an arch: a half disc over a rectangle, so its area is known; a polygon of 24 chords misses a little of the disc
    area = 84 * (110 - 42) + np.pi * 42**2 / 2
    assert item_polygon(item).area == pytest.approx(area, rel=0.002)
    assert blade_density(StackView(CUT).layers[3]) == pytest.approx(986 / area, rel=0.002)


def test_cutting_load_is_shear_strength_times_thickness():
    """Common practice in die making (shear over the cut face); the strength of card is from memory, so only the relation is held."""
    blade = contact(CUT)
    sheet = CUT.items["ridge-green"]
    assert blade.cut_load == pytest.approx(sheet.stock.shear_strength_mpa * sheet.thickness.mm)
    assert blade.score_load == pytest.approx(SCORE_SHARE * blade.cut_load)
    half = with_item(CUT, "ridge-green", thickness=replace(sheet.thickness, mm=0.14))
    assert contact(half).cut_load == pytest.approx(0.5 * blade.cut_load)


@pytest.mark.parametrize(
    ("thickness", "passes", "cuts"),
    [(0.6, 1, True), (0.75, 1, False), (0.75, 2, True), (1.3, 1, False), (1.3, 2, True), (1.3, 3, True), (2.0, 3, False)],
)
def test_thick_board_is_cut_pass_by_pass_and_a_folded_card_at_once(thickness, passes, cuts):
    """Common practice, no published source: two layers of card in one pass, board of 1.3 mm in two or three by a thin die's blade of half a millimetre."""
    board = replace(with_item(CUT, "ridge-green", thickness=Thickness(mm=thickness)), passes=passes)
    blade = contact(board)
    assert blade.too_low != cuts
    need = need_of(StackView(board), closing_of(StackView(board), no_library))
    assert (need.right < NEVER) == cuts
    assert need.right == pytest.approx(NEVER) or need.blur > 1.0  # it is known less well than what a high blade takes


def test_what_a_second_pass_meets_is_a_thinner_sheet():
    """By hand: a blade of a third of the sheet bears 2/3 of the sheet's load when the body lies on it, and 2/3 of the sheet is left."""
    assert [parts(deep, 2) for deep in (0.3, 0.34, 0.7)] == [False, True, True]
    assert pytest.approx(1 - 1 / 3) == (1 + 1 / 3) / 2
    assert not parts(0.7, 1)


@given(st.floats(0, 60), st.floats(0, 60))
def test_the_cut_share_rises_with_pressure_from_nothing_to_all(one, two):
    blade = contact(CUT)
    low, high = sorted((one, two))
    assert 0.0 <= blade.depth_share(low) <= blade.depth_share(high) <= 1.0
    assert blade.depth_share(0.0) == 0.0
    assert blade.depth_share(blade.density * blade.cut_load * 1.0001) == 1.0


def test_on_a_mat_the_dies_body_takes_the_load_that_the_blade_does_not():
    blade = contact(LINE)
    assert blade.backing == "soft"
    pressures = np.linspace(0.0, 20.0, 200)
    loads, alone = blade.loads(pressures), pressures / blade.density
    touching = pressures > blade.bottoms_at
    assert np.all(np.diff(loads) > 0)  # some of what presses the sheet against the body the blade bears too
    assert loads[~touching] == pytest.approx(alone[~touching], rel=0.02)
    assert np.all(np.diff(loads[touching]) < 0.6 * np.diff(alone[touching]))
    assert blade.bridge.sunk[blade.bridge.touches] == pytest.approx(0.5, rel=1e-3)  # it has sunk in by its height


@pytest.mark.parametrize(("change", "softer"), [({"shore_a": 40.0}, True), ({"shore_a": 80.0}, False)])
def test_a_softer_mat_gives_more_and_loads_the_blade_less(change, softer):
    changed = contact(with_item(LINE, "rubber", **change))
    assert (changed.compliance > contact(LINE).compliance) == softer
    assert (changed.bottom_load < contact(LINE).bottom_load) == softer


def test_a_thinner_mat_of_the_same_rubber_is_stiffer():
    mat = LINE.items["rubber"]
    loads = [contact(with_item(LINE, "rubber", thickness=replace(mat.thickness, mm=mm))).bottom_load for mm in (3.0, 2.2, 1.5, 1.0, 0.6)]
    assert loads == sorted(loads)


@given(mm=st.floats(0.4, 5.0), shore=st.floats(25, 85), height=st.floats(0.2, 1.2))
@settings(max_examples=60, deadline=None)
def test_the_ceiling_of_the_blades_load_is_where_blade_and_sheet_have_taken_its_height(mm, shore, height):
    """Either the sheet gave way by the blade's height, or blade and mat shared it: the two cases meet without a jump."""
    mat = LINE.items["rubber"]
    die = LINE.items["station-arch"]
    changed = with_item(
        with_item(LINE, "rubber", thickness=replace(mat.thickness, mm=mm), shore_a=shore),
        "station-arch",
        blade=replace(die.blade, height_mm=height),
    )
    blade = contact(changed)
    sunk = blade.bridge.sunk[blade.bridge.touches]
    entered = blade.sheet_thickness * max(blade.bottom_load - blade.score_load, 0.0) / (blade.cut_load - blade.score_load)
    assert sunk + entered == pytest.approx(height, rel=2e-3)


def test_a_blade_that_looks_away_does_not_meet_the_sheet():
    rows = (lay("bed"), lay("hard-a"), lay("station-arch", turned=True), sheet_row(x_mm=0), lay("hard-b"))
    assert contact(build("T", "midway", "cut", *rows)) is None


def test_a_softer_anvil_is_scarred_deeper():
    soft = build("T", "midway", "cut", lay("bed"), lay("spacer"), lay("hard-a"), lay("station-arch"), sheet_row(x_mm=0), lay("soft"))
    assert contact(soft).scar_compliance > 3 * contact(CUT).scar_compliance


def test_cutting_takes_half_of_load_times_thickness_on_all_the_blade():
    """Energy: a blade that goes through takes the area under its own load, a triangle, and none where nothing is pressed."""
    blade = contact(CUT)
    law = blade_law(blade)
    through = blade.density * blade.cut_load
    assert law.work_at(np.array([through]))[0] == pytest.approx(0.5 * through * blade.sheet_thickness, rel=0.3)  # it has begun to scar, too
    assert law.work_at(np.zeros(1))[0] == 0.0


def test_a_blade_once_through_and_down_gives_no_more():
    blade = contact(LINE)
    law = blade_law(blade)
    assert law.travel == pytest.approx(blade.travel, rel=1e-6)
    assert law.closing_at(np.array([1e5]))[0] == pytest.approx(law.travel)


def test_paper_on_a_mat_leaves_a_line_a_line_and_stiffens_it():
    """Sheets that slide on one another bend side by side, so that their stiffnesses add up; the mat stays what gives way."""
    rows = (
        lay("bed"),
        lay("hard-a"),
        lay("station-arch"),
        sheet_row(x_mm=0),
        lay("gloss-backing", role="backing"),
        lay("rubber"),
        lay("hard-b"),
    )
    plain, backed = contact(LINE), contact(build("T", "midway", "line", *rows))
    assert backed.behind.kind == "rubber mat"
    assert backed.cut_load == plain.cut_load
    assert backed.compliance < plain.compliance


@pytest.mark.parametrize("die_below", [True, False])
def test_waxed_paper_before_a_blade_is_cut_too(die_below):
    waxed = lay("waxed-tissue", role="backing")
    pile = [lay("station-arch", turned=not die_below), waxed, sheet_row(x_mm=0)]
    pair = [lay("hard-a"), *(pile if die_below else reversed(pile)), lay("hard-b")]
    found = contact(build("T", "midway", "cut", lay("bed"), *pair))
    own = CUT.items["ridge-green"]
    wax = SHELF["waxed-tissue"]
    both = sum(item.stock.shear_strength_mpa * item.thickness.mm for item in (own, wax))
    assert found.cut_load == pytest.approx(both)
    behind = [lay("hard-a"), *(pile[::2] if die_below else reversed(pile[::2])), lay("hard-b")]
    assert contact(build("T", "midway", "cut", lay("bed"), *behind)).cut_load == pytest.approx(
        own.stock.shear_strength_mpa * own.thickness.mm
    )
