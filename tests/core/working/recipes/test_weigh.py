"""Sandwiches stand in the order of all that is known together, not of each thing's own spread."""

from dataclasses import replace

import pytest
from tests.core.builders import SHELF

from lofty_press.core.judging.assess import assess
from lofty_press.core.judging.dialin import InRoom, Tried, believed_before, learn, respond
from lofty_press.core.sandwich.stack import Thickness
from lofty_press.core.working.recipes import Wish, search, weigh_all
from lofty_press.demo.presses import PRESSES
from lofty_press.demo.reliefs.library import demo_relief

KEYS = ("bed", "spacer", "hard-a", "hard-b", "ridge-green", "ledger-index", "rail-lattice", "name-board")
PRESS = replace(PRESSES["midway"], shelf_id="press", opening=Thickness(mm=PRESSES["midway"].opening.mm, sd_mm=0.2))
THINGS = {key: replace(SHELF[key], shelf_id=key) for key in KEYS}


@pytest.fixture(scope="module")
def result():
    return search(Wish(effect="plain-relief", stock="ridge-green"), THINGS, PRESS, demo_relief)


def room(*tried):
    before = believed_before([PRESS], THINGS.values())
    return InRoom(learn(before, tried, lambda sandwich: respond(sandwich, demo_relief)).belief)


def test_the_order_is_that_of_the_joint_chances(result):
    weighed = weigh_all(result, demo_relief, room())
    assert {f.sandwich.name for f in weighed.found} == {f.sandwich.name for f in result.found}
    totals = [f.cost.total for f in weighed.found]
    assert totals == sorted(totals)
    for found in weighed.found:
        verdict = assess(found.sandwich, demo_relief, certainty=room()).verdict
        assert found.cost.wrong + found.cost.cracked == pytest.approx(1.0 - verdict.good.chance, abs=1e-9)
        assert found.cost.cracked == pytest.approx(verdict.good.breaks, abs=1e-9)


def test_a_pile_known_to_work_says_more_of_itself_than_of_its_parts(result):
    """Common practice, no published source: what worked once is done again. Its sum is known long before one of its parts."""
    last = result.found[-1]
    known = room(*(Tried(str(n), last.sandwich, frozenset({"right"}), 0.0) for n in range(3)))
    before, after = (weigh_all(result, demo_relief, each) for each in (room(), known))

    def wrong(weighed):
        return {f.pile.tool.key: f.cost.wrong for f in weighed.found}[last.pile.tool.key]

    assert wrong(after) < 0.5 * wrong(before)
    assert 1.0 - wrong(after) > 0.9
