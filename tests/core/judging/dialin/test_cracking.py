"""What cracked and what held, as knowledge of a stock."""

import itertools
import math

import numpy as np
import pytest
from scipy.integrate import quad
from scipy.stats import norm

from lofty_press.core.judging.dialin import Cracked, Tried, believed, believed_before, keyed, learn, respond
from lofty_press.core.judging.dialin.belief import independent
from lofty_press.core.judging.dialin.cracking import CRACK, LAPSE, Held, taught_by_sheets
from lofty_press.core.judging.verdict import crack_spread
from lofty_press.core.sandwich.stack import StackView
from lofty_press.demo.reliefs.library import demo_relief
from lofty_press.demo.sandwiches import SANDWICHES

BEFORE = independent({"crack:a": CRACK, "crack:b": CRACK, "need:a": 0.35})


@pytest.mark.parametrize(("index", "cracked"), [(0.4, True), (0.9, False), (1.3, False), (0.7, True)])
def test_one_sheet_teaches_what_the_integral_says(index, cracked):
    """Against SciPy's adaptive quadrature of Bayes' rule."""
    sigma = crack_spread(1.6)

    def weight(b):
        chance = norm.cdf((math.log(index) + b) / sigma)
        return norm.pdf(b, scale=CRACK) * ((1 - LAPSE) * (chance if cracked else 1 - chance) + LAPSE / 2)

    whole = quad(weight, -2, 2)[0]
    mean = quad(lambda b: b * weight(b), -2, 2)[0] / whole
    sd = math.sqrt(quad(lambda b: (b - mean) ** 2 * weight(b), -2, 2)[0] / whole)
    found = taught_by_sheets(BEFORE, [Held("crack:a", index, 1.6, cracked)]).of({"crack:a": 1.0})
    assert found == pytest.approx((mean, sd), abs=2e-3)


def test_the_order_does_not_matter_and_other_unknowns_do_not_move():
    sheets = [
        Held("crack:a", 0.6, 1.6, True),
        Held("crack:a", 0.9, 1.6, False),
        Held("crack:a", 0.5, 1.0, True),
        Held("crack:c", 0.5, 1.0, True),
    ]
    found = [taught_by_sheets(BEFORE, order) for order in itertools.permutations(sheets)]
    for one in found:
        assert np.allclose(one.mean, found[0].mean)
        assert np.allclose(one.cov, found[0].cov)
        assert one.of({"crack:b": 1.0}) == BEFORE.of({"crack:b": 1.0})
        assert one.of({"need:a": 1.0}) == BEFORE.of({"need:a": 1.0})


@pytest.mark.parametrize("index", [0.0, 1e-6, math.inf, math.nan])
def test_a_sheet_that_was_not_stretched_or_without_end_teaches_nothing(index):
    assert taught_by_sheets(BEFORE, [Held("crack:a", index, 1.6, True)]) is BEFORE


def test_a_hundred_drawn_stocks_are_found_within_their_ranges():
    """Simulation: stocks drawn from what is assumed, twelve sheets each; nine in ten lie within 90 %."""
    rng = np.random.default_rng(11)
    inside = 0
    for truth in CRACK * rng.standard_normal(100):
        sheets = []
        for index in rng.uniform(0.4, 1.5, 12):
            cracked = math.log(index) + truth + crack_spread(1.0) * rng.standard_normal() > 0.0
            sheets.append(Held("crack:a", float(index), 1.0, bool(cracked)))
        mean, sd = taught_by_sheets(BEFORE, sheets).of({"crack:a": 1.0})
        inside += abs(truth - mean) < 1.645 * sd
    assert 82 <= inside <= 97


def test_a_sheet_that_cracked_against_the_figures_makes_the_next_more_careful():
    """Trade: the same card cracks again; misted it bears more, and so it is judged."""
    pile = keyed(SANDWICHES["programme-cover"])
    before = believed_before([pile.press], pile.items.values())
    answer = respond(pile, demo_relief)
    key, index, _ = answer.crack
    learnt = learn(before, [Cracked("a", pile), Cracked("b", pile)], lambda s: respond(s, demo_relief))
    assert learnt.pieces == 2
    assert learnt.belief.of({key: 1.0})[0] > 0.05
    careful = respond(believed(pile, learnt.belief), demo_relief)
    assert careful.crack[1] > index
    stock = StackView(believed(pile, learnt.belief)).sheet.item.stock
    assert stock.break_strain < StackView(pile).sheet.item.stock.break_strain
    held = learn(before, [Tried(str(n), pile, frozenset({"right"})) for n in range(4)], lambda s: respond(s, demo_relief)).belief
    assert held.of({key: 1.0})[0] < 0.0


def test_a_sheet_that_is_left_out_teaches_nothing_more_and_the_others_go_on():
    pile = keyed(SANDWICHES["programme-cover"])
    before = believed_before([pile.press], pile.items.values())
    pieces = [Cracked("a", pile), Cracked("b", pile), Tried("c", pile, frozenset({"right"}))]

    def answer(sandwich):
        return respond(sandwich, demo_relief)

    whole = learn(before, pieces, answer)
    key = {answer(pile).crack[0]: 1.0}
    without = whole.without("b")
    assert without.pieces == whole.pieces - 1
    assert without.belief.of(key) == pytest.approx(learn(before, [pieces[0], pieces[2]], answer).belief.of(key))
    assert without.belief.of(key)[0] < whole.belief.of(key)[0]
