"""One opinion: over piles of every sort no two texts exclude one another, and every fix that is offered helps and does what it says."""

from dataclasses import replace

import pytest

from lofty_press.bench.opinions import DOES, asked_by, difference, faults_of
from lofty_press.bench.piles import CHANGES, newcomers_piles, piles
from lofty_press.core.basics.errors import InvalidInput, NoBalance
from lofty_press.core.judging.assess import assess
from lofty_press.core.judging.findings import clashes, exclude
from lofty_press.core.judging.findings.claims import APART, CLAIMS
from lofty_press.core.judging.findings.codes import TRAITS
from lofty_press.core.judging.offers import HELPS, headline, helps, offers
from lofty_press.core.sandwich.stack import nothing_on_the_shelf
from lofty_press.demo.reliefs.library import demo_relief
from lofty_press.demo.sandwiches import SANDWICHES

COUNT = 150


def test_what_is_said_of_any_pile_is_one_opinion_and_what_is_offered_helps():
    faults, judged = [], 0
    for pile in piles(COUNT, seed=5):
        try:
            faults += faults_of(pile)
            judged += 1
        except (InvalidInput, NoBalance):
            continue
    assert [f"{fault.law}: {fault.what}" for fault in faults] == []
    assert judged > 0.9 * COUNT


def test_the_piles_are_of_every_sort():
    drawn = list(piles(400, seed=3))
    zones = {None if (verdict := assess(pile, demo_relief).verdict) is None else verdict.zone for pile in drawn}
    assert zones == {None, "slack", "faint", "right", "hard", "refuses"}
    assert {pile.effect.kind for pile in drawn} >= {"emboss", "cut", "line", "motif", "letterpress", "metal"}
    assert len(newcomers_piles()) >= 4
    assert len(set(CHANGES)) >= 15


def test_claims_exclude_one_another_both_ways_and_none_itself():
    named = {claim for pair in APART for side in pair for claim in side}
    for one in named:
        assert not exclude(one, one)
        assert all(exclude(one, other) == exclude(other, one) for other in named)
    assert set(CLAIMS) <= set(TRAITS)
    assert all(not clashes([("", claim) for claim in claims]) for claims in CLAIMS.values())


def test_the_law_sees_two_texts_that_exclude_one_another(monkeypatch):
    """A law that nothing breaks proves nothing: here somebody says of a pile that jams that it turns easily."""
    monkeypatch.setitem(CLAIMS, "fingers-clear", ("turns easily",))
    found = [fault for fault in faults_of(SANDWICHES["two-plates"]) if fault.law == "contradiction"]
    assert found
    assert all("turns easily" in fault.what for fault in found)


def test_the_law_sees_a_label_that_does_something_else(monkeypatch):
    monkeypatch.setitem(DOES, "One deep plate instead of both", DOES["Two passes"])
    assert [fault.law for fault in faults_of(SANDWICHES["two-plates"])] == ["fix"]


def test_mist_is_not_offered_to_a_pile_that_will_not_feed():
    judged = assess(SANDWICHES["two-plates"], demo_relief)
    assert judged.verdict.zone == "refuses"
    labels = [str(one.finding.fix.label) for one in offers(judged, nothing_on_the_shelf)]
    assert labels
    assert "Mist it lightly" not in labels


@pytest.mark.parametrize("key", list(SANDWICHES))
def test_an_offer_is_better_by_the_headline_chance_or_settles_its_finding(key):
    before = assess(SANDWICHES[key], demo_relief)
    for one in offers(before, nothing_on_the_shelf):
        assert headline(one.after) > headline(before) - HELPS
        assert helps(before, one.finding, one.after)
        assert list(asked_by(before.sandwich, before.sandwich)) == []
        assert difference(before.sandwich, one.after.sandwich) != difference(before.sandwich, before.sandwich)


def test_a_fix_that_makes_it_worse_is_none():
    """A sheet more makes a pile that is near the end of its opening jam."""
    sleeve = SANDWICHES["ticket-sleeve"]
    before = assess(sleeve, demo_relief)
    tighter = replace(sleeve, press=replace(sleeve.press, opening=replace(sleeve.press.opening, mm=sleeve.press.opening.mm - 2.0)))
    finding = before.findings[0]
    assert not helps(before, finding, assess(tighter, demo_relief))
