"""One chance of a good sheet: held against sheets drawn by lot, and against its own limits."""

import math
from dataclasses import replace

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st
from scipy.special import ndtr

from lofty_press.core.judging.assess import assess
from lofty_press.core.judging.dialin import InRoom, believed_before
from lofty_press.core.judging.verdict import BREAKS, Stretch, good_of
from lofty_press.core.judging.verdict.shares import MINDED, SEEN, UNCUT, tails
from lofty_press.core.judging.verdict.zones import EVEN, ZONES, good_by_thickness, zone_chances
from lofty_press.demo.reliefs.library import demo_relief
from lofty_press.demo.sandwiches import SANDWICHES

SHARES = st.lists(st.floats(0.0, 1.0), min_size=5, max_size=5).filter(lambda found: sum(found) > 0.01)
ADDED = np.array([-0.4, -0.2, 0.0, 0.2, 0.4])


def stretched(at_nothing, slope, spread=0.3):
    """An index that grows by a factor exp(slope) for each tenth of a millimetre more."""
    log = math.log(at_nothing) + slope * ADDED / 0.1
    return Stretch(ADDED, log, np.full(5, -9.0), spread)


@given(SHARES, st.floats(0.05, 3.0), st.floats(-0.5, 0.5), st.floats(0.05, 0.6))
def test_the_chance_and_what_spoils_it_add_up_to_one(shares, index, slope, spread):
    chances = np.array(shares) / sum(shares)
    found = good_of(chances, stretched(index, slope, spread), np.ones(9), np.linspace(-0.2, 0.2, 9))
    assert found.chance + sum(found.parts.values()) == pytest.approx(1.0, abs=1e-9)
    assert min(found.chance, *found.parts.values()) >= 0.0
    assert found.chance <= chances[2] + 1e-12


@pytest.mark.parametrize("slope", [0.0, 0.3, -0.3])
@pytest.mark.parametrize("index", [0.5, 0.9, 1.2])
def test_it_is_the_share_of_good_ones_among_sheets_drawn_by_lot(index, slope):
    """Monte Carlo, by nothing of the code that it checks: a pile is as thick as it happens to be, each border and each sheet as strong."""
    bounds, known, others = (-0.3, -0.1, 0.12, 0.3), 0.08, (0.02**2, 0.03**2, 0.03**2, 0.0)
    chance = np.random.default_rng(7)
    count = 400_000
    added = known * chance.standard_normal(count)
    # one strength of the stock moves both its borders: what happens to either is independent only of the other's half
    low, high = (b + math.sqrt(o) * chance.standard_normal(count) for b, o in zip(bounds[1:3], others[1:3], strict=True))
    right = (added >= low) & (added < high)
    stretch = stretched(index, slope)
    cracks = np.interp(added, ADDED, stretch.crack) + stretch.spread * chance.standard_normal(count) > 0
    spreads = tuple(math.sqrt(known**2 + other) for other in others)
    found = good_by_thickness(bounds, known, others, zone_chances(bounds, spreads), stretch)
    assert found.chance == pytest.approx(np.mean(right & ~cracks), abs=0.01)
    assert found.parts["cracks"] == pytest.approx(np.mean(right & cracks), abs=0.01)


def test_it_is_one_average_and_not_a_product_of_two_chances():
    """Whatever makes the sheet too thinly pressed also stretches it less: those that are right are not those that crack as often as all."""
    bounds, known, none = (-0.3, 0.05, 0.6, 0.9), 0.1, (0.0, 0.0, 0.0, 0.0)
    stretch = stretched(0.8, 0.4, 0.15)
    chances = zone_chances(bounds, (known,) * 4)
    found = good_by_thickness(bounds, known, none, chances, stretch)
    at_the_mean = chances["right"] * (1.0 - float(ndtr(math.log(0.8) / 0.15)))
    assert found.chance < 0.6 * at_the_mean


def test_where_nothing_is_stretched_it_is_the_chance_to_be_right_over_the_whole_work():
    for key in ("arch-cut", "arch-line"):
        verdict = assess(SANDWICHES[key], demo_relief).verdict
        assert verdict.stretch is None
        assert verdict.good.chance + verdict.good.parts["uneven"] == pytest.approx(verdict.chances["right"])


@given(
    st.lists(st.tuples(st.floats(0.1, 9.0), st.floats(0.01, 1.0)), min_size=1, max_size=40),
    st.floats(0.0, 0.5),
    st.sampled_from([MINDED, UNCUT]),
)
def test_no_more_than_nobody_minds_is_pressed_less_than_the_least(cells, missing, minded):
    pressures, weights = np.array(cells).T
    total = weights.sum() * (1.0 + missing)
    least, most = tails(pressures, weights, total, minded)
    bare = total - weights.sum()
    assert weights[pressures < least].sum() + bare <= minded * total + 1e-9 or least == 0.0
    assert weights[pressures > most].sum() <= MINDED * total + 1e-9
    assert (least == 0.0) == (bare > SEEN * total)


def test_a_die_of_which_a_fifth_lies_beside_the_card_makes_no_good_sheet():
    sandwich = SANDWICHES["arch-cut"]
    aside = tuple(replace(layer, x_mm=layer.x_mm + 55.0) if layer.role == "sheet" else layer for layer in sandwich.layers)
    verdict = assess(replace(sandwich, layers=aside), demo_relief).verdict
    assert verdict.shares.share("bare") > UNCUT
    assert verdict.good.chance < 0.01


@given(st.floats(-1.0, 1.0), st.floats(0.0, 0.5), st.floats(0.001, 0.3))
def test_nothing_is_lost_between_two_points(border, window, known):
    bounds = (border - 0.2, border, border + window, border + window + 0.1)
    chances = zone_chances(bounds, (known,) * 4)
    found = good_by_thickness(bounds, known, (0.0,) * 4, chances, stretched(0.01, 0.0))
    assert found.chance == pytest.approx(chances["right"], abs=1e-6)
    assert len(EVEN) == 41


@pytest.mark.parametrize("key", list(SANDWICHES))
@pytest.mark.parametrize("mist", [None, 30.0])
@pytest.mark.parametrize("passes", [1, 3])
def test_the_sentence_the_chance_and_the_findings_are_of_one_mind(key, mist, passes):
    sandwich = replace(SANDWICHES[key], passes=passes)
    layers = tuple(replace(layer, mist_age_s=mist) if layer.role == "sheet" else layer for layer in sandwich.layers)
    judged = assess(replace(sandwich, layers=layers), demo_relief)
    verdict, said = judged.verdict, str(judged.sentence)
    codes = [finding.code for finding in judged.findings]
    assert verdict.good.chance + sum(verdict.good.parts.values()) == pytest.approx(1.0, abs=1e-9)
    if said.startswith(("Firm, and right", "Cuts clean")):
        assert verdict.good.chance >= 0.95
        assert verdict.good.breaks < BREAKS
        assert not {"cracks", "tears"} & set(codes)
        assert not [finding for finding in judged.findings if "sheets crack on the ridges" in str(finding.what)]
    if said.startswith(("Likely right", "Likely to cut clean")):
        assert 0.65 <= verdict.good.chance < 0.95
    elif said.startswith("Likely to"):
        assert verdict.zone == "right"
        assert verdict.good.breaks >= BREAKS
        assert judged.findings[0].code in ("cracks", "tears", "crack-risk")
        assert f"{round(10 * verdict.good.breaks)} in 10" in said


def test_what_a_room_does_not_know_of_a_stock_makes_a_crack_likelier_where_it_holds_on_the_whole():
    sandwich = SANDWICHES["programme-cover"]
    items = {key: replace(item, shelf_id=key) for key, item in sandwich.items.items()}
    sandwich = replace(sandwich, items=items, press=replace(sandwich.press, shelf_id="press"))
    alone = assess(sandwich, demo_relief).verdict
    belief = believed_before([sandwich.press], list(items.values()))
    known = assess(sandwich, demo_relief, certainty=InRoom(belief)).verdict
    assert known.good.parts["cracks"] > alone.good.parts["cracks"]
    assert known.good.chance + sum(known.good.parts.values()) == pytest.approx(1.0, abs=1e-9)
    assert sum(known.chances[zone] for zone in ZONES) == pytest.approx(1.0, abs=1e-9)
