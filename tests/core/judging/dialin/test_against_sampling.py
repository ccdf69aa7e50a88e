"""Dial-in on piles as they are really judged: against a Markov chain, and against the whole judgement at other figures."""

from dataclasses import replace

import emcee
import numpy as np
import pytest
from tests.core.judging.dialin.test_dialin import unsure

from lofty_press.core.judging.assess import assess
from lofty_press.core.judging.dialin import Belief, Tried, believed_before, believed_item, believed_press, learn, respond
from lofty_press.core.judging.verdict import ZONES
from lofty_press.demo.reliefs.library import demo_relief
from lofty_press.demo.sandwiches import SANDWICHES

PILES = {name: unsure(SANDWICHES[name]) for name in ("ticket-sleeve", "arch-line", "programme-cover")}
ITEMS = {key: item for pile in PILES.values() for key, item in pile.items.items()}


@pytest.fixture(scope="module")
def responses():
    return {name: respond(pile, demo_relief) for name, pile in PILES.items()}


@pytest.fixture(scope="module")
def before():
    return believed_before([PILES["ticket-sleeve"].press], ITEMS.values())


def quantities(seen, responses, before):
    """What some piles know of, each once (k, n); and the logarithm of the chance of what was seen, at values of these (m, k)."""
    rows = np.unique(np.concatenate([responses[name].rows(before) for name in seen]), axis=0)
    rows = rows[np.abs(rows).sum(axis=1) > 0]
    places = {
        name: [int(np.argmax((rows == row).all(axis=1))) if row.any() else None for row in responses[name].rows(before)] for name in seen
    }

    def log_chance(values):
        found = np.zeros(len(values))
        for name, zone in seen.items():
            at = np.stack([np.zeros(len(values)) if k is None else values[:, k] for k in places[name]], axis=1)
            found += np.log(responses[name].chance_noted(frozenset({zone}), at))
        return found

    return rows, log_chance


def holds(learnt, rows, means, sds):
    """Means within 0.1 of a standard deviation, standard deviations within 10 %."""
    for row, mean, sd in zip(rows, means, sds, strict=True):
        found = learnt.belief.of(dict(zip(learnt.belief.keys, row.tolist(), strict=True)))
        assert abs(found[0] - mean) < 0.1 * sd
        assert found[1] == pytest.approx(sd, rel=0.10)


def learnt_from(seen, responses, before):
    return learn(before, [Tried(name, PILES[name], frozenset({zone})) for name, zone in seen.items()], lambda _: None, responses)


@pytest.mark.parametrize(
    "seen",
    [
        {"ticket-sleeve": "right", "arch-line": "hard"},
        {"ticket-sleeve": "refuses", "programme-cover": "right"},
    ],
)
def test_a_room_is_what_weighted_draws_find(responses, before, seen):
    """Importance sampling: 60 000 draws from before anything was seen, weighted by the chance of what was."""
    rows, log_chance = quantities(seen, responses, before)
    draws = np.random.default_rng(0).normal(size=(60_000, len(rows))) @ np.linalg.cholesky(rows @ before.cov @ rows.T).T
    weights = np.exp(log_chance(draws))
    weights /= weights.sum()
    means = weights @ draws
    holds(learnt_from(seen, responses, before), rows, means, np.sqrt(weights @ (draws - means) ** 2))


@pytest.mark.siege
def test_a_room_is_what_a_markov_chain_finds(responses, before):
    """Against emcee (Foreman-Mackey and others 2013): three piles that share a press, a stock and plates."""
    seen = {"ticket-sleeve": "faint", "arch-line": "right", "programme-cover": "faint"}
    rows, log_chance = quantities(seen, responses, before)
    half = np.linalg.cholesky(rows @ before.cov @ rows.T)
    sampler = emcee.EnsembleSampler(60, len(rows), lambda z: log_chance(z @ half.T) - 0.5 * (z**2).sum(axis=1), vectorize=True)
    sampler.random_state = np.random.RandomState(4).get_state()
    sampler.run_mcmc(np.random.default_rng(4).normal(size=(60, len(rows))) * 0.5, 6000)
    drawn = sampler.get_chain(discard=500, flat=True) @ half.T
    holds(learnt_from(seen, responses, before), rows, drawn.mean(axis=0), drawn.std(axis=0))


@pytest.mark.parametrize("name", PILES)
def test_a_response_foretells_the_judgement_of_another_room(responses, before, name):
    """Whole judgements at drawn figures, the frame and the mats by a factor of two off and everything together: what is said to be sure comes so."""
    rng, pile, response = np.random.default_rng(2), PILES[name], responses[name]
    sure, told = [], []
    for _ in range(100):
        truth = rng.normal(size=len(before.keys)) * np.sqrt(np.diag(before.cov))
        world = Belief(before.keys, truth, np.zeros_like(before.cov))
        items = {key: believed_item(item, world) for key, item in pile.items.items()}
        zone = assess(replace(pile, press=believed_press(pile.press, world), items=items), demo_relief).verdict.zone
        chances = response.chances((response.rows(before) @ truth)[None])[:, 0]
        told.append(chances[ZONES.index(zone)])
        if chances.max() > 0.95:
            sure.append(ZONES[int(chances.argmax())] == zone)
    assert np.mean(told) > 0.75
    assert len(sure) >= 25
    assert np.mean(sure) >= 0.95
