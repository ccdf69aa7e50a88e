"""Dial-in: against closed forms and plain integration, and what the trade knows of piles that work."""

from dataclasses import replace

import numpy as np
import pytest
from scipy.special import ndtr

from lofty_press.core.basics.trade import COPY_PAPER
from lofty_press.core.judging.assess import assess
from lofty_press.core.judging.dialin import (
    Belief,
    Measured,
    Response,
    Tried,
    believed,
    believed_before,
    chances_of,
    doubts,
    drift_after,
    learn,
    next_trial,
    one_more,
    respond,
    size_of,
    took_hold,
)
from lofty_press.core.judging.dialin.belief import independent
from lofty_press.core.judging.dialin.response import BEYOND, BITES, LAPSE, OFF, Shape, stiffer
from lofty_press.core.judging.verdict import ZONES, variance_parts
from lofty_press.core.sandwich.stack import Thickness
from lofty_press.core.sandwich.stack.view import StackView
from lofty_press.demo.reliefs.library import demo_relief
from lofty_press.demo.sandwiches import SANDWICHES

SLEEVE = SANDWICHES["ticket-sleeve"]
RIGHT = frozenset({"right"})
ADDED = np.linspace(-1.5, 1.5, 301)


def pile(**weights):
    """A made-up pile: its pressure grows a hundredfold over a millimetre, right from the middle on."""
    return Response(
        thickness=weights,
        need={"need": 1.0},
        grip={},
        added=ADDED,
        shape=Shape(np.log(100.0) * (ADDED + 0.5), np.log([2.0, 6.0, 40.0]), BEYOND, 0.6),
        bite=0.5,
    )


def at(added, need, grip=0.0):
    """Points of a pile's quantities, with a frame and mats as they are."""
    points = np.zeros((len(added), 5))
    points[:, 0], points[:, 1], points[:, 2] = added, need, grip
    return points


def unsure(sandwich, opening=0.25):
    """A sandwich as somebody has it who measured nothing."""
    items = {
        key: replace(item, shelf_id=key, thickness=Thickness(mm=item.thickness.mm, sd_mm=0.014 if item.stock else 0.08))
        for key, item in sandwich.items.items()
    }
    return replace(sandwich, items=items, press=replace(sandwich.press, shelf_id="p", opening=Thickness(mm=17.7, sd_mm=opening)))


def test_readings_alone_are_the_closed_form():
    """Kalman's formula: two unknowns, their sum measured, then one of them (closed form, Gaussian conditioning)."""
    belief = independent({"a": 0.3, "b": 0.4}).measured({"a": 1.0, "b": 1.0}, 0.5, 0.1).measured({"a": 1.0}, 0.2, 0.05)
    rows, values, noise = np.array([[1.0, 1.0], [1.0, 0.0]]), np.array([0.5, 0.2]), np.diag([0.01, 0.0025])
    cov = np.linalg.inv(np.diag([1 / 0.09, 1 / 0.16]) + rows.T @ np.linalg.inv(noise) @ rows)
    np.testing.assert_allclose(belief.cov, cov, rtol=1e-9)
    np.testing.assert_allclose(belief.mean, cov @ rows.T @ np.linalg.inv(noise) @ values, rtol=1e-9)


@pytest.mark.parametrize("seen", [("right",), ("faint",), ("refuses",), ("slack", "faint"), ("right", "hard")])
def test_one_pile_teaches_what_plain_integration_gives(seen):
    """Posterior mean and spread of two unknowns by the trapezium rule on a fine grid."""
    before = independent({"t": 0.25, "need": 0.35})
    response = pile(t=1.0)
    learnt = learn(before, [Tried("x", SLEEVE, frozenset(seen))], lambda _: response)
    t, need = np.meshgrid(np.linspace(-1.4, 1.4, 801), np.linspace(-1.8, 1.8, 401), indexing="ij")
    density = np.exp(-0.5 * (t / 0.25) ** 2 - 0.5 * (need / 0.35) ** 2)
    density *= response.chance_noted(frozenset(seen), at(t.ravel(), need.ravel())).reshape(t.shape)
    density /= density.sum()
    for k, grid in enumerate((t, need)):
        mean = float((density * grid).sum())
        sd = float(np.sqrt((density * (grid - mean) ** 2).sum()))
        assert abs(learnt.belief.mean[k] - mean) < 0.1 * sd
        assert abs(np.sqrt(learnt.belief.cov[k, k]) / sd - 1.0) < 0.10


def test_many_piles_are_what_sampling_gives():
    """Several piles over shared parts against importance sampling from the prior, 400 000 draws."""
    before = independent({"a": 0.15, "b": 0.15, "c": 0.15, "need": 0.3})
    responses = {"x": pile(a=1.0, b=1.0), "y": pile(b=1.0, c=-1.0), "z": pile(a=1.0, c=1.0)}
    seen = {"x": "right", "y": "faint", "z": "refuses"}
    learnt = learn(before, [Tried(k, SLEEVE, frozenset({seen[k]})) for k in responses], lambda _: None, responses)
    draws = np.random.default_rng(3).normal(size=(400_000, 4)) * np.sqrt(np.diag(before.cov))
    weights = np.ones(len(draws))
    for key, response in responses.items():
        rows = np.stack([before.row(response.thickness), before.row(response.need)])
        added, need = rows @ draws.T
        weights *= response.chance_noted(frozenset({seen[key]}), at(added, need))
    weights /= weights.sum()
    mean = weights @ draws
    sd = np.sqrt(weights @ (draws - mean) ** 2)
    assert np.all(np.abs(learnt.belief.mean - mean) < 0.12 * sd)
    np.testing.assert_allclose(np.sqrt(np.diag(learnt.belief.cov)), sd, rtol=0.10)


def test_what_is_believed_holds_as_often_as_it_says():
    """Simulation-based calibration (Talts and others 2018, from memory): of true values drawn from the prior, nine in ten lie in their 90 % ranges."""
    rng = np.random.default_rng(11)
    before = independent({"a": 0.15, "b": 0.12, "c": 0.2, "need": 0.35})
    responses = [pile(a=1.0, b=1.0), pile(a=1.0, c=-1.0), pile(b=2.0, c=1.0), pile(c=1.0)]
    inside, total, ranks = 0, 0, []
    for _ in range(250):
        truth = rng.normal(size=4) * np.sqrt(np.diag(before.cov))
        tried = []
        for n, response in enumerate(responses):
            point = (response.rows(before) @ truth)[None]
            chances = np.array([response.chance_noted(frozenset({zone}), point)[0] for zone in ZONES])
            tried.append(Tried(str(n), SLEEVE, frozenset({ZONES[rng.choice(5, p=chances / chances.sum())]})))
        belief = learn(before, tried, lambda _: None, {str(n): r for n, r in enumerate(responses)}).belief
        away = (truth - belief.mean) / np.sqrt(np.diag(belief.cov))
        inside, total = inside + int((np.abs(away) < 1.645).sum()), total + 4
        ranks.append(ndtr(away[2]))
    assert 0.86 <= inside / total <= 0.94
    counts, _ = np.histogram(ranks, bins=5, range=(0, 1))
    assert counts.min() > 25  # of 50 expected in each fifth


def test_the_order_of_evidence_does_not_matter_and_one_more_is_the_same_as_all():
    before = independent({"a": 0.2, "b": 0.2, "need": 0.3})
    responses = {"x": pile(a=1.0), "y": pile(a=1.0, b=1.0), "z": pile(b=1.0)}
    tried = [Tried(key, SLEEVE, frozenset({zone})) for key, zone in zip(responses, ("right", "refuses", "faint"), strict=True)]
    forth, back = (learn(before, order, lambda _: None, responses).belief for order in (tried, tried[::-1]))
    np.testing.assert_allclose(forth.mean, back.mean, atol=5e-3)
    np.testing.assert_allclose(forth.cov, back.cov, atol=5e-3)
    most = learn(before, tried[:2], lambda _: None, responses)
    np.testing.assert_allclose(one_more(most, tried[2], responses["z"]).belief.mean, forth.mean, atol=0.02)


def test_a_sum_is_known_long_before_its_parts():
    before = independent({"a": 0.2, "b": 0.2, "need": 0.1})
    belief = learn(before, [Tried(str(n), SLEEVE, RIGHT) for n in range(6)], lambda _: pile(a=1.0, b=1.0)).belief
    assert belief.of({"a": 1.0, "b": 1.0})[1] < 0.4 * belief.of({"a": 1.0, "b": -1.0})[1]


def test_a_reading_that_was_noted_wrongly_does_not_move_everything():
    """Lapses are part of the model: eight piles that work outweigh one that is said not to go through."""
    before = independent({"a": 0.2, "need": 0.3})
    piles = [Tried(str(n), SLEEVE, RIGHT) for n in range(8)] + [Tried("odd", SLEEVE, frozenset({"refuses"}))]
    learnt = learn(before, piles, lambda _: pile(a=1.0))
    assert [doubt.key for doubt in doubts(learnt)] == ["odd"]
    kept = learnt.without("odd")
    assert doubts(kept) == ()
    assert abs(kept.belief.mean[0] - learnt.belief.mean[0]) < 0.5 * np.sqrt(kept.belief.cov[0, 0]) + 0.05


def test_chances_add_up_and_lapse_stays():
    response = pile(a=1.0)
    points = at(np.array([-5.0, 0.0, 0.2, 5.0]), 0.0)
    np.testing.assert_allclose(response.chances(points).sum(axis=0), 1.0, atol=1e-9)
    chances = np.stack([response.chance_noted(frozenset({zone}), points) for zone in ZONES])
    np.testing.assert_allclose(chances.sum(axis=0), 1.0, atol=1e-9)
    assert chances.min() >= LAPSE / 5 - 1e-12
    assert BITES < 0.1 < OFF


def test_one_pile_known_to_work_tells_of_another_on_the_same_press():
    """Common practice, no published source: whoever knows one pile that works knows more of the next one."""
    sleeve, cut = unsure(SLEEVE), unsure(SANDWICHES["arch-cut"])
    before = believed_before([sleeve.press], [*sleeve.items.values(), *cut.items.values()])
    responses = {id(s): respond(s, demo_relief) for s in (sleeve, cut)}
    learnt = learn(before, [Tried("sleeve", sleeve, RIGHT)], lambda s: responses[id(s)])
    of_cut = responses[id(cut)]
    assert chances_of(of_cut, learnt.belief)["right"] > chances_of(of_cut, before)["right"] + 0.1
    refused = learn(before, [Tried("sleeve", sleeve, frozenset({"refuses"}))], lambda s: responses[id(s)])
    assert chances_of(of_cut, refused.belief)["refuses"] > chances_of(of_cut, before)["refuses"] + 0.1


def test_a_plate_found_thicker_moves_every_pile_that_holds_it():
    """Common practice, no published source."""
    sleeve = unsure(SLEEVE)
    response = respond(sleeve, demo_relief)
    before = believed_before([sleeve.press], sleeve.items.values())
    thicker = learn(before, [Measured("gauge", size_of(sleeve.items["hard-a"]), 0.15, 0.01)], lambda _: None).belief
    assert chances_of(response, thicker)["refuses"] > chances_of(response, before)["refuses"] + 0.1
    assert believed(sleeve, thicker).items["hard-a"].thickness.mm == pytest.approx(sleeve.items["hard-a"].thickness.mm + 0.15, abs=0.01)


def test_what_is_believed_carries_the_spread_of_the_sum():
    sleeve = unsure(SLEEVE)
    response = respond(sleeve, demo_relief)
    belief = learn(believed_before([sleeve.press], sleeve.items.values()), [Tried("s", sleeve, RIGHT)], lambda _: response).belief
    parts = sum(variance_parts(StackView(believed(sleeve, belief))).values())
    assert parts == pytest.approx(belief.of(response.thickness)[1] ** 2, rel=0.02)
    assert parts < sum(variance_parts(StackView(sleeve)).values())


@pytest.mark.parametrize("name", ["arch-line", "envelope-device"])
def test_a_mat_that_is_believed_to_be_as_it_is_judges_as_before(name):
    """A little stiffer or softer moves the pressure a little, and what is known of it by a factor of one not at all."""
    sandwich = SANDWICHES[name]
    pressures = {}
    for factor in (0.95, 1.0, 1.05):
        items = {key: stiffer(item, factor) if item.material == "rubber" else item for key, item in sandwich.items.items()}
        pressures[factor] = assess(replace(sandwich, items=items), demo_relief).verdict.pressure
    assert pressures[1.0] == pytest.approx(assess(sandwich, demo_relief).verdict.pressure, rel=1e-9)
    assert pressures[0.95] < pressures[1.0] < pressures[1.05] < 1.1 * pressures[1.0]


def test_nothing_learnt_changes_nothing():
    sleeve = unsure(SLEEVE)
    nobody = Belief((), np.zeros(0), np.zeros((0, 0)))
    assert believed(sleeve, nobody) == sleeve


def test_the_next_trial_is_worth_what_brute_force_says():
    """The chance of right after one sheet, summed over all outcomes by plain integration of the posterior of each."""
    belief = independent({"a": 0.3, "need": 0.3})
    found = next_trial(pile(a=1.0), SLEEVE, belief, 0.1, most_less=3)
    assert found.trial is not None
    assert found.best.good < found.trial.good_after < 1.0
    t, need = np.meshgrid(np.linspace(-1.4, 1.4, 401), np.linspace(-1.5, 1.5, 201), indexing="ij")
    density = np.exp(-0.5 * (t / 0.3) ** 2 - 0.5 * (need / 0.3) ** 2).ravel()
    density /= density.sum()
    response, total = pile(a=1.0), 0.0
    tried = at(t.ravel() + 0.1 * found.trial.shims, need.ravel())
    seen = [response.chance_noted(frozenset({zone}), tried) for zone in ZONES]
    rights = np.stack([response.chances(at(t.ravel() + 0.1 * k, need.ravel()))[2] for k in range(-3, 7)])
    for zone in range(5):
        total += float((rights * (density * seen[zone])).sum(axis=1).max())
    assert found.trial.good_after == pytest.approx(total, abs=0.04)


def test_a_sure_pile_asks_for_nothing():
    found = next_trial(pile(a=1.0), SLEEVE, independent({"a": 0.01, "need": 0.02}).measured({"a": 1.0}, 0.1, 0.01), 0.1)
    assert (found.trial, found.best.count) == (None, 0)


def test_paper_counted_until_it_grips_is_a_gauge_of_the_opening():
    """Closed form: normal belief and normal reading. Two sheets more than the figures say: the press is looser, or its plates are thinner."""
    sleeve = unsure(SLEEVE)
    plates = replace(sleeve, layers=tuple(layer for layer in sleeve.layers if layer.item in ("bed", "hard-a", "hard-b")))
    room = sleeve.press.opening.mm - sum(sleeve.items[layer.item].thickness.mm for layer in plates.layers)
    reading = took_hold("paper", plates, round(room / COPY_PAPER.value) + 2)
    before = believed_before([sleeve.press], sleeve.items.values())
    belief = learn(before, [reading], lambda _: None).belief
    _, unsure_before = before.of(reading.of)
    variance = 1.0 / (1.0 / unsure_before**2 + 1.0 / reading.sd**2)
    assert belief.of(reading.of) == pytest.approx((variance * reading.by / reading.sd**2, np.sqrt(variance)), rel=1e-6)
    assert reading.by == pytest.approx(-0.15, abs=0.05)
    response = respond(sleeve, demo_relief)
    assert chances_of(response, belief)["refuses"] < chances_of(response, before)["refuses"] - 0.05
    assert belief.of(response.thickness)[1] < 0.7 * before.of(response.thickness)[1]  # the working pile holds these plates too


class TestOldEvidence:
    """Boards get thinner, plates bow, rollers loosen: what was seen long ago tells less of today (common practice, no published source)."""

    def test_it_drifts_with_the_root_of_time(self):
        assert drift_after(0.0) == 0.0
        assert drift_after(4 * 365.0) == pytest.approx(2 * drift_after(365.0))

    def test_seen_long_ago_is_the_mean_over_where_it_may_have_drifted(self):
        """The chance of what was seen, averaged over a normal drift, by brute force."""
        now = pile(a=1.0)
        drift = 0.04
        then = replace(now, drift=drift)
        shifts, weights = np.polynomial.hermite_e.hermegauss(41)
        for t in (-0.2, -0.05, 0.0, 0.1):
            mean = sum(
                w * now.chances(at(np.array([t + drift * x]), np.zeros(1)))[:, 0]
                for x, w in zip(shifts, weights / weights.sum(), strict=True)
            )
            assert then.chances(at(np.array([t]), np.zeros(1)))[:, 0] == pytest.approx(mean, abs=0.02)

    def test_it_teaches_less_the_older_it_is(self):
        before = independent({"a": 0.15, "need": 0.3})
        sds = [
            learn(before, [Tried("x", SLEEVE, RIGHT, drift_after(days))], lambda _: pile(a=1.0)).belief.of({"a": 1.0})[1]
            for days in (0, 365, 3650, 365_000)
        ]
        assert sds == sorted(sds)
        assert sds[-1] == pytest.approx(0.15, rel=0.1)

    def test_what_was_seen_today_outweighs_what_it_contradicts_of_years_ago(self):
        before = independent({"a": 0.15, "need": 0.3})
        old, new = Tried("old", SLEEVE, frozenset({"slack"}), drift_after(10 * 365)), Tried("new", SLEEVE, RIGHT)
        both, then, today = (learn(before, told, lambda _: pile(a=1.0)).belief.of({"a": 1.0})[0] for told in ([old, new], [old], [new]))
        assert then < both < today
        assert today - both < both - then
