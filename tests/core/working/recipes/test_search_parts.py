"""The parts that the search stands on: what may lie where, candidates, the quick judgement, lower bounds."""

from dataclasses import replace

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from tests.core.builders import SHELF, build, lay
from tests.core.with_maps import curve_of, judged, least_of_sheet

from lofty_press.core.sandwich.stack.item import Thickness
from lofty_press.core.sandwich.stack.view import StackView
from lofty_press.core.working.recipes.candidates import MOST_OF_SLOT, compliance_of, fill, worth_a_look
from lofty_press.core.working.recipes.catalogue import EFFECTS
from lofty_press.core.working.recipes.cost import effort_cost, layer_cost, wear_cost
from lofty_press.core.working.recipes.curve import pile_of, quick_costs, states_of
from lofty_press.core.working.recipes.exhaustive import all_piles, fillings_of
from lofty_press.core.working.recipes.lower_bounds import least_bother, least_of_round
from lofty_press.core.working.recipes.options import Stockroom, enough_for_all, even, few_alike, partials_of
from lofty_press.core.working.recipes.pile import Laid, Owned, fits, sandwich_of, trimmed, turned_size
from lofty_press.core.working.recipes.search import OFF_BY
from lofty_press.core.working.recipes.wish import Wish
from lofty_press.demo.presses import PRESSES

MIDWAY, FOOTHILL = PRESSES["midway"], PRESSES["foothill"]
FOLDER, SHEET = SHELF["rail-lattice"], SHELF["ridge-green"]


def partials(effect, way, tool, *, press=MIDWAY, stock="ridge-green", shelf=SHELF):
    wish = Wish(effect=effect, stock=stock)
    room = Stockroom.of(shelf, wish, press)
    return list(partials_of(room, shelf, EFFECTS[effect], EFFECTS[effect].way(way), Owned(tool, shelf[tool]))), wish


@pytest.mark.parametrize(("feed", "angle"), [("straight", 0), ("turned 15°", 15), ("turned 45°", 45)])
def test_the_room_that_a_turned_rectangle_takes_is_its_outline_s(feed, angle):
    """Against the bounds of shapely's turned polygon."""
    item = replace(SHELF["label-large"], width_mm=58.0, length_mm=104.0)
    view = StackView(replace(build("T", "midway", "cut", lay("label-large", rotation_deg=angle)), items={"label-large": item}))
    low_x, low_y, high_x, high_y = view.layers[0].bounds
    assert turned_size(58.0, 104.0, feed) == (pytest.approx(high_y - low_y, abs=0.02), pytest.approx(high_x - low_x, abs=0.02))


def test_a_sheet_is_trimmed_to_the_folders_pattern_and_to_the_press():
    wide = replace(SHEET, width_mm=148.0, length_mm=210.0)
    cut = trimmed(wide, FOLDER, "hinge first", (150.0, 225.0))
    assert (cut.width_mm, cut.length_mm) == (112.0, 155.0 - 9.0)  # off the hinge margin
    assert trimmed(SHEET, FOLDER, "hinge first", (150.0, 225.0)) == SHEET
    assert trimmed(SHEET, FOLDER, "hinge first", (76.0, 160.0)) is None  # the folder does not pass


def test_a_sheet_smaller_than_its_die_is_no_sheet_for_it():
    small = replace(SHEET, width_mm=70.0)
    assert trimmed(small, SHELF["station-arch"], "straight", (150.0, 225.0)) is None
    assert trimmed(small, SHELF["label-large"], "straight", (150.0, 225.0)) == small


def test_foil_is_trimmed_to_the_die_so_that_old_cuts_do_not_print():
    cut = trimmed(SHELF["signal-foil"], SHELF["label-large"], "straight", (150.0, 225.0))
    assert (cut.width_mm, cut.length_mm) == (58.0 + 12.0, 104.0 + 12.0)


@given(st.floats(20, 150), st.floats(20, 220), st.sampled_from(["straight", "turned 15°", "turned 45°"]))
def test_what_is_trimmed_lies_on_the_plates(width, length, feed):
    room = (150.0, 225.0)
    tool = replace(SHELF["label-small"], width_mm=20.0, length_mm=20.0)
    cut = trimmed(replace(SHEET, width_mm=width, length_mm=length), tool, feed, room)
    assert cut is not None
    assert fits(cut.width_mm, cut.length_mm, feed, room)
    assert cut.width_mm <= width
    assert cut.length_mm <= length


def test_plates_made_for_the_press_are_taken_and_others_left():
    plates = [Owned(key, SHELF[key]) for key in ("hard-a", "hard-b", "pocket-hard", "long-hard")]
    assert {p.key for p in even(plates)} == {"hard-a", "hard-b"}
    assert {p.key for p in even([p for p in plates if p.key != "hard-a" and p.key != "hard-b"])} == {"pocket-hard"}


def test_the_bed_is_the_presss_own():
    for press, bed in ((MIDWAY, "bed"), (FOOTHILL, "pocket-bed"), (PRESSES["summit"], "wide-bed")):
        room = Stockroom.of(SHELF, Wish(effect="plain-relief", stock="ridge-green"), press)
        assert [b.key for b in room.by_kind["bed"]] == [bed]


def test_one_plate_cannot_lie_in_two_places():
    one, two = (Laid(Owned(key, SHELF[key])) for key in ("hard-a", "hard-b"))
    assert enough_for_all([(one, two), (one, two)])
    assert not enough_for_all([(one,), (one,)])
    assert enough_for_all([(one,), (None, one)])
    ((partial, *_), _) = partials("plain-relief", "two-plates", "rail-lattice")
    table = fill(partial.open_slots, cuts=False)
    for row in range(table.thickness.size):
        keys = [laid.what.key for laid in table.of(row) if laid and laid.what.item.kind != "sheet"]
        assert len(keys) == len(set(keys))


def test_the_table_of_fillings_is_every_filling():
    ((partial, *_), _) = partials("two-way-relief", "one-plate-and-shims", "alpine-flora")
    few = replace(partial, open_slots=tuple((n, options[:5]) for n, options in partial.open_slots))
    table = fill(few.open_slots, cuts=False)
    listed = {table.of(row) for row in range(table.thickness.size)}
    assert listed == set(fillings_of(few))
    for row in range(table.thickness.size):
        laid = [x for x in table.of(row) if x]
        assert table.thickness[row] == pytest.approx(sum(x.count * x.what.item.thickness.mm for x in laid))
        assert table.variance[row] == pytest.approx(sum((x.count * x.what.item.thickness.sd_mm) ** 2 for x in laid))
        assert table.compliance[row] == pytest.approx(sum(x.count * compliance_of(x.what.item) for x in laid))
        assert table.bother[row] == pytest.approx(sum(layer_cost(x.count) + wear_cost(x.what.item, anvil=False) for x in laid))


def test_of_very_many_plates_none_is_dropped_that_beats_what_stays():
    rng = np.random.default_rng(5)
    many = tuple(
        Laid(Owned(f"p{n}", replace(SHELF["hard-a"], thickness=Thickness(mm=3 + 0.002 * (n % 20), sd_mm=float(rng.uniform(0.01, 0.1))))))
        for n in range(200)
    )
    kept = worth_a_look(many, cuts=False)
    assert len(kept) <= MOST_OF_SLOT or len(kept) < len(many) / 4
    best = min(many, key=lambda x: x.what.item.thickness.sd_mm)
    assert best in kept


def test_of_many_mats_alike_the_best_known_stands_for_them():
    mats = tuple(Laid(Owned(f"m{n}", replace(SHELF["rubber"], thickness=Thickness(mm=2.2, sd_mm=0.1 - 0.01 * n)))) for n in range(8))
    assert few_alike(mats) == (mats[7],)
    assert few_alike(mats[:4]) == mats[:4]


QUICK = [
    ("plain-relief", "two-plates", "rail-lattice"),
    ("deep-relief", "three-passes", "cable-sheave"),
    ("two-way-relief", "one-plate-and-shims", "alpine-flora"),
    ("cut-thin", "blade-up", "station-arch"),
    ("die-line", "mat-below", "station-arch"),
    ("motif-card", "one-layer", "monogram"),
    ("texture", "silicone-above", "wicker"),
    ("letterpress", "plate-below", "timetable"),
]


@pytest.mark.parametrize(("effect", "way", "tool"), QUICK)
def test_near_what_it_was_measured_with_the_quick_judgement_is_the_full_one(effect, way, tool):
    """Of the best candidates by a curve measured with one of them; warnings are not in it."""
    ((partial, *_), wish) = partials(effect, way, tool)
    candidates, states = fill(partial.open_slots, cuts=partial.effect.kind == "cut"), states_of(partial, wish)
    best = 0
    for _ in range(4):
        curve = curve_of(partial, candidates, best, states, wish, MIDWAY)
        quick = quick_costs(curve, candidates, states[-1], {})
        best = int(quick.argmin())
    close = np.flatnonzero((quick < 0.5) & (np.abs(candidates.compliance - curve.compliance) < 0.002))
    assert close.size
    held = 0
    for row in close[np.argsort(quick[close])][:6]:
        full = judged(pile_of(partial, candidates.of(int(row)), states[-1]), wish, MIDWAY)
        if full is not None and full.cost.warnings == 0:
            assert quick[row] == pytest.approx(full.cost.total, abs=2 * OFF_BY + 0.15 * full.cost.total)
            held += 1
    assert held


@pytest.mark.parametrize(("effect", "way", "tool"), QUICK)
def test_the_lower_bounds_lie_below_every_pile_there_is(effect, way, tool):
    small = {
        key: SHELF[key] for key in ("bed", "spacer", "hard-a", "hard-b", "deep", "rubber", "silicone", "ridge-green", "ledger-index", tool)
    }
    wish = Wish(effect=effect, stock="ridge-green")
    room = Stockroom.of(small, wish, MIDWAY)
    one, owned = EFFECTS[effect].way(way), Owned(tool, small[tool])
    sheet = least_of_sheet(EFFECTS[effect], one, small[tool], SHEET, wish)
    for partial in partials_of(room, small, EFFECTS[effect], one, owned):
        table = fill(partial.open_slots, cuts=partial.effect.kind == "cut")
        bother = least_bother(partial, table, MIDWAY)
        rows = np.linspace(0, table.thickness.size - 1, 25).astype(int)
        for state in states_of(partial, wish):
            for row in rows:
                found = judged(pile_of(partial, table.of(int(row)), state), wish, MIDWAY)
                if found is not None:
                    assert sheet + bother <= found.cost.total + 1e-9
                    assert sheet + least_of_round(one, small[tool]) <= found.cost.total + 1e-9


@settings(max_examples=15, deadline=None)
@given(st.data())
def test_every_pile_of_a_wish_can_be_built_and_judged(data):
    effect = data.draw(st.sampled_from(sorted(EFFECTS)))
    wish = Wish(effect=effect, stock=data.draw(st.sampled_from(["ridge-green", "signal-foil", "roof-copper", "mail-envelope"])))
    small = {key: item for n, (key, item) in enumerate(SHELF.items()) if n % 2 == 0 or item.kind in ("bed", "sheet")}
    if effect in ("sand-back",):
        return
    for n, pile in enumerate(all_piles(wish, small, MIDWAY)):
        if n % 97 == 0:
            sandwich = sandwich_of(pile, wish, MIDWAY)
            assert sandwich.recipe == f"{effect}/{pile.way.key}"
            assert len({layer.id for layer in sandwich.layers}) == len(sandwich.layers)
            judged(pile, wish, MIDWAY)
        if n > 500:
            break


def test_a_motor_does_not_mind_a_heavy_pile_and_a_hand_does():
    assert effort_cost(1000.0, PRESSES["summit"].drive) == 0.0
    assert effort_cost(59.0, MIDWAY.drive) == 0.0
    assert effort_cost(120.0, MIDWAY.drive) == pytest.approx(0.05)


def test_under_a_blade_a_scarred_face_is_the_one_to_take():
    clean, scarred, ruined = (replace(SHELF["hard-a"], scarred=state) for state in ("no", "one face", "both faces"))
    assert wear_cost(scarred, anvil=True) < wear_cost(clean, anvil=True) < wear_cost(ruined, anvil=True)
    assert wear_cost(clean, anvil=False) < wear_cost(scarred, anvil=False) < wear_cost(ruined, anvil=False)
