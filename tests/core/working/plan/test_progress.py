"""What is going on, how fast somebody is, and what is left over: closed forms, laws of balance and code that knows nothing of the solver."""

import math
import random
from collections import Counter
from dataclasses import replace
from fractions import Fraction

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st
from tests.core.working.plan.test_schedule import made_up

from lofty_press.core.working.plan import (
    GRID,
    Job,
    Material,
    Piece,
    PressPlace,
    Sheets,
    Shop,
    Size,
    Stock,
    Took,
    cut_list,
    faults,
    going_on,
    left_over,
    material_costs,
    ordered_work,
    schedule,
    still_to_do,
    tempo_of,
)
from lofty_press.core.working.plan.cutting.left_over import LEAST_SIDE
from lofty_press.core.working.plan.tempo import KIND, MOST, ONCE, PERSON
from lofty_press.core.working.work import WORKS


@pytest.mark.parametrize("seed", range(4))
def test_what_is_going_on_goes_on_first_and_the_rest_can_still_be_done(seed):
    operations, order, shop = made_up(seed)
    before = schedule(operations, order, shop, seconds=2)
    moment = before.length // 3
    done = [slot.key for slot in before.slots if slot.end <= moment]
    since = {slot.key: moment - slot.start for slot in before.slots if slot.start <= moment < slot.end}
    left, order_left = still_to_do(operations, order, done)
    now = going_on(left, order_left, since, shop)
    assert {each.key for each in now if each.left is not None} == set(since)
    for each in now:
        if each.left is not None:
            assert each.left == max(each.planned - since[each.key], round(0.05 * each.planned), 1)
    after = schedule(now, order_left, shop, seconds=2)
    assert faults(after, now, order_left, shop) == []
    assert after.length >= before.length - moment - 1 if before.length == before.bound else after.length > 0


def test_nothing_goes_on_that_waits_or_that_nobody_has_hands_for():
    works = ("trim", "ink", "dry", "glue")
    job = Job("Job", 4, (Piece("a", "A", "base", works=works), Piece("b", "B", "base", works=works)))
    ordered = ordered_work(job)
    operations, order = ordered.operations, ordered.order
    one = Shop(hands=1)
    found = {o.key: o.left for o in going_on(operations, order, {"a: trim": 10.0, "b: trim": 5.0, "a: glue": 1.0}, one)}
    assert [key for key, left in found.items() if left is not None] == ["b: trim"]  # begun last; glue waits, and there is one pair of hands
    left, order_left = still_to_do(operations, order, ["a: trim", "b: trim", "a: ink", "b: ink"])
    racked = going_on(left, order_left, {"a: dry": 100.0, "b: dry": 2000.0}, one)
    assert {o.key: o.left for o in racked if o.left is not None} == {"a: dry": 800, "b: dry": 45}  # the second ought to be dry by now
    small = going_on(left, order_left, {"a: dry": 100.0, "b: dry": 200.0}, Shop(rack=4))
    assert [o.key for o in small if o.left is not None] == ["a: dry"]


def test_a_pile_that_is_on_the_press_is_not_built_again():
    pieces = tuple(Piece(k, k, "base", works=("emboss",), pile=pile) for k, pile in (("a", "P"), ("b", "P"), ("c", "Q")))
    job = Job("Job", 10, pieces)
    operations = ordered_work(job).operations
    shop = Shop(presses=(PressPlace("p", "Press", set_up=300),))
    cold = schedule(operations, (), shop)
    assert (cold.length, cold.set_ups) == (3 * 300 + 600, 2)
    warm_operations = going_on(operations, (), {"b: emboss": 100.0}, shop)
    warm = schedule(warm_operations, (), shop)
    assert faults(warm, warm_operations, (), shop) == []
    assert (warm.length, warm.bound, warm.set_ups) == (3 * 300 - 100 + 300, 3 * 300 - 100 + 300, 1)
    late = replace(warm, slots=tuple(replace(s, begin=s.begin + 1, start=s.start + 1, end=s.end + 1) for s in warm.slots))
    assert "b: emboss is going on and begins later" in faults(late, warm_operations, (), shop)


def test_tempo_is_the_posterior_of_normal_errors():
    """For one kind of work alone the posterior is the textbook's: precision-weighted mean (Gelman et al., section 2.5; value from memory)."""
    seen = [1.3, 1.5, 1.4]
    trim = WORKS["trim"]
    found = tempo_of(Took("trim", 20, factor * (trim.begin + 20 * trim.each)) for factor in seen)
    prior = PERSON**2 + KIND**2
    precision = 1 / prior + len(seen) / ONCE**2
    mean = sum(math.log(factor) for factor in seen) / ONCE**2 / precision
    assert found["trim"].factor == pytest.approx(math.exp(mean), rel=1e-9)
    assert found["trim"].spread == pytest.approx(precision**-0.5, rel=1e-9)
    assert found["trim"].seen == 3
    # another kind of work learns what the person shares: the regression of one normal on the other
    share = PERSON**2 / prior
    assert found["ink"].factor == pytest.approx(math.exp(share * mean), rel=1e-9)
    assert found["ink"].spread > found["trim"].spread
    assert "dry" not in found  # nobody's hands make it dry faster


def test_a_slow_hand_is_found_and_what_was_forgotten_is_passed_over():
    chance = np.random.default_rng(4)
    works = ("trim", "ink", "glue", "emboss")
    true = {work: 1.6 * math.exp(chance.normal(0, 0.2)) for work in works}

    def took(work):
        usual = WORKS[work].begin + 30 * WORKS[work].each
        return Took(work, 30, usual * true[work] * math.exp(chance.normal(0, ONCE)))

    listed = [took(work) for work in works * 12]
    found = tempo_of(listed)
    for work in works:
        assert abs(math.log(found[work].factor / true[work])) < 3 * found[work].spread
    assert 1.1 < found["fold"].factor < 2.2
    night = [Took("trim", 30, 40_000.0), Took("ink", 30, 3.0)]  # left lying over night; ticked at once
    assert tempo_of([*night, *listed]) == found
    assert tempo_of([])["trim"].factor == 1.0
    assert tempo_of([took("trim") for _ in range(MOST + 200)])["trim"].seen == MOST


def test_operations_take_as_long_as_somebody_needs():
    job = Job("Job", 10, (Piece("a", "A", "base", works=("trim", "dry")),))
    slow = tempo_of([Took("trim", 10, 620.0)] * 30)
    plain, own = ordered_work(job).operations, ordered_work(job, tempo=slow).operations
    assert own[0].planned == round(plain[0].planned * slow["trim"].factor)
    assert own[1].planned == plain[1].planned == 900


@given(st.integers(0, 10_000))
def test_no_paper_is_lost_when_a_job_is_put_away(seed):
    """Area is conserved: sheets before are pieces, off-cuts, whole sheets that are left, and strips too narrow to keep."""
    chance = random.Random(seed)
    sheet = Size(Fraction(chance.randint(180, 320)), Fraction(chance.randint(200, 450)))
    old = Size(Fraction(chance.randint(60, 170)), Fraction(chance.randint(60, 190)))
    grain = chance.choice(["upright", "across", None])
    stock = Stock(
        "s", "Card", 0.3, 250.0, (Sheets("s-0", sheet, 100, grain), Sheets("s-1", old, chance.randint(1, 3), "upright", offcut=True))
    )
    side = Size(Fraction(chance.randint(40, 150)), Fraction(chance.randint(40, 170)))
    job = Job("Job", chance.randint(1, 25), (Piece("a", "A", "base", size=side, stock="s", works=("trim",)),), (stock,))
    cuts = cut_list(job, grid=GRID["mm"])
    (after,) = left_over(job, cuts)

    def area(stock):
        return sum(sheets.size.width * sheets.size.height * sheets.count for sheets in stock.sheets)

    pieces = sum(c.count * sum(laid.width * laid.height for laid in c.pattern.laid) for c in cuts.cuts)
    strips = sum(c.count * sum(r.width * r.height for r in c.pattern.rests if min(r.width, r.height) < LEAST_SIDE) for c in cuts.cuts)
    assert area(stock) == pieces + area(after) + strips
    assert after.sheets[0].count == 100 - cuts.whole
    assert all(sheets.count > 0 and min(sheets.size.width, sheets.size.height) >= LEAST_SIDE for sheets in after.sheets[1:])
    sizes = Counter((sheets.size, sheets.grain) for sheets in after.sheets[1:])
    assert max(sizes.values(), default=1) == 1  # each size stands once
    assert {sheets.grain for sheets in after.sheets if sheets.offcut} <= {"upright", None}


def test_what_was_bought_leaves_its_off_cuts_and_no_debt():
    stock = Stock("s", "Card", 0.3, 250.0, (Sheets("s-0", Size(Fraction(210), Fraction(297)), 1),))
    job = Job("Job", 5, (Piece("a", "A", "base", size=Size(Fraction(150), Fraction(200)), stock="s", works=("trim",)),), (stock,))
    cuts = cut_list(job, grid=GRID["mm"])
    assert cuts.buy == {"s": 4}
    (after,) = left_over(job, cuts)
    assert after.sheets[0].count == 0
    assert sum(sheets.count for sheets in after.sheets if sheets.offcut) >= 5


def test_ink_and_powder_are_paid_for_every_piece_that_gets_them_the_spoiled_ones_too():
    works = ("ink", "powder", "heat", "emboss", "glue")
    job = Job("Job", 60, (Piece("a", "A", "panel", works=works, pile="P", tries=2),), spare=0.05)
    costs = material_costs(
        ordered_work(job).operations,
        (Material("Ink", ("ink",), 8.0, 400), Material("Powder", ("powder",), 6.5, 130), Material("Foam", ("spray",), 1.0, 1)),
    )
    assert costs == {"Ink": pytest.approx(65 * 8.0 / 400), "Powder": pytest.approx(65 * 6.5 / 130)}  # 60, 3 spare, 2 tries


def test_what_goes_through_the_press_side_by_side_is_cut_apart_after_it_or_before():
    """Ten tags of 50 x 20, four at once: three blanks of 200 x 20, or ten tags laid side by side three times."""
    stock = Stock("s", "Card", 0.3, 250.0, (Sheets("s-0", Size(Fraction(210), Fraction(297)), None),))
    tag = Piece("t", "Tag", "tag", size=Size(Fraction(50), Fraction(20)), stock="s", pile="P", at_once=4)
    after = Job("Job", 10, (replace(tag, works=("mist", "emboss", "trim down")),), (stock,))
    before = Job("Job", 10, (replace(tag, works=("trim", "mist", "emboss")),), (stock,))

    def counts(job):
        return {o.key.partition(": ")[2]: o.count for o in ordered_work(job).operations}

    assert counts(after) == {"mist + emboss": 3, "dry flat": 3, "trim down": 10}
    assert counts(before) == {"trim": 10, "mist + emboss": 3, "dry flat": 10}
    for job, width, number in ((after, 200, 3), (before, 50, 10)):
        laid = [(c.count, p) for c in cut_list(job, grid=GRID["mm"]).cuts for p in c.pattern.laid]
        assert {max(p.width, p.height) for _, p in laid} == {width}
        assert sum(count for count, _ in laid) == number
    tried = replace(after, pieces=(replace(after.pieces[0], tries=1),))
    assert counts(tried) == {"mist + emboss": 4, "dry flat": 4, "trim down": 10}  # a try spoils a whole blank
