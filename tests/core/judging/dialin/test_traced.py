"""A motor's trace as evidence of how thick a pile is against its press's opening."""

from dataclasses import replace

import numpy as np
import pytest

from lofty_press.core.judging.assess import assess
from lofty_press.core.judging.dialin import Traced, believed_before, keyed, learn, respond
from lofty_press.core.judging.dialin.traced import read_from
from lofty_press.core.sandwich.stack import Thickness
from lofty_press.demo.reliefs.library import demo_relief
from lofty_press.demo.sandwiches import SANDWICHES

PILES = {key: keyed(SANDWICHES[key]) for key in ("ticket-sleeve", "arch-cut", "programme-cover", "masked-label")}


def with_opening(pile, off, sd=0.3):
    return replace(pile, press=replace(pile.press, opening=Thickness(mm=pile.press.opening.mm + off, sd_mm=sd)))


@pytest.mark.parametrize("key", PILES)
@pytest.mark.parametrize("off", [-0.08, 0.0, 0.06])
def test_the_peak_of_a_press_that_opens_otherwise_finds_its_opening(key, off):
    """The trace is computed on the true press, and read with the figures of the written one: within what it says of itself."""
    pile = with_opening(PILES[key], 0.0)
    true = assess(with_opening(PILES[key], off), demo_relief)
    peak = true.nip.peak_handle
    found = read_from(Traced("a", pile, peak, 0.02 * peak), respond(pile, demo_relief))
    assert found.by == pytest.approx(-off, abs=max(found.sd, 0.01))
    assert 0.0 < found.sd < 0.3
    assert not any(key.startswith("need:") for key in found.of)


def test_a_trace_makes_the_opening_surer_and_moves_it_the_right_way():
    pile = with_opening(PILES["ticket-sleeve"], 0.0)
    before = believed_before(
        [pile.press], [replace(item, thickness=Thickness(mm=item.thickness.mm, sd_mm=0.02)) for item in pile.items.values()]
    )
    opening = {f"opening:{pile.press.shelf_id}": 1.0}
    for off in (-0.1, 0.1):
        peak = assess(with_opening(pile, off), demo_relief).nip.peak_handle
        after = learn(before, [Traced("a", pile, peak, 1.0)], lambda s: respond(s, demo_relief)).belief
        mean, sd = after.of(opening)
        assert np.sign(mean) == np.sign(off)
        assert sd < 0.8 * before.of(opening)[1]


def test_the_worse_a_motor_is_read_the_less_it_tells_and_age_adds_to_it():
    pile = PILES["ticket-sleeve"]
    response = respond(pile, demo_relief)
    clean, noisy, old = (read_from(Traced("a", pile, 40.0, sd, drift), response).sd for sd, drift in ((0.1, 0.0), (20.0, 0.0), (0.1, 0.2)))
    assert clean < noisy
    assert old == pytest.approx(np.hypot(clean, 0.2))


@pytest.mark.parametrize("peak", [0.0, 0.1, 1e6])
def test_what_was_hardly_felt_or_beyond_all_that_is_computed_tells_nothing(peak):
    pile = PILES["ticket-sleeve"]
    assert read_from(Traced("a", pile, peak, 1.0), respond(pile, demo_relief)) is None
    before = believed_before([pile.press], pile.items.values())
    assert learn(before, [Traced("a", pile, peak, 1.0)], lambda s: respond(s, demo_relief)).pieces == 0
