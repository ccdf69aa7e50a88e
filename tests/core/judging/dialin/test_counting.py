"""Paper counted on plates, as something to find out."""

from dataclasses import replace

import numpy as np
import pytest

from lofty_press.core.judging.dialin import MOST_SHEETS, expected_sheets, keyed, next_for, plates_of, respond, took_hold
from lofty_press.core.judging.dialin.belief import independent
from lofty_press.core.judging.dialin.feeler import reading_sd
from lofty_press.core.judging.dialin.next_trial import best_shims, counted
from lofty_press.core.judging.verdict import shim_at_hand
from lofty_press.core.sandwich.stack import PLATES, StackView, Thickness
from lofty_press.demo.reliefs.library import demo_relief
from lofty_press.demo.sandwiches import SANDWICHES

SLEEVE = keyed(SANDWICHES["ticket-sleeve"])
RESPONSE = respond(SLEEVE, demo_relief)
SHIM = shim_at_hand(StackView(SLEEVE)).thickness
OPENING = independent({f"opening:{SLEEVE.press.shelf_id}": 0.3})


def test_the_plates_of_a_pile_are_what_is_rigid_in_it():
    plates = plates_of(SLEEVE)
    assert {plates.items[layer.item].kind for layer in plates.layers} <= set(PLATES)
    assert len(plates.layers) == sum(SLEEVE.items[layer.item].kind in PLATES for layer in SLEEVE.layers)
    assert 1 <= expected_sheets(plates) <= MOST_SHEETS


@pytest.mark.parametrize("opening", [5.0, 60.0])
def test_where_no_paper_fits_or_far_too_much_nothing_is_counted(opening):
    press = replace(SLEEVE.press, opening=Thickness(mm=opening, sd_mm=0.1))
    assert plates_of(replace(SLEEVE, press=press)) is None


def test_a_press_whose_opening_alone_is_unsure_is_asked_for_paper():
    """Common practice, no published source: who knows the plates and not the press lays paper on them until the rollers bite."""
    found = next_for(RESPONSE, SLEEVE, OPENING)
    assert found.trial.kind == "count"
    assert found.trial.good_after > found.best.good + 0.1


def test_what_counting_is_worth_is_the_mean_over_openings():
    """Against brute force: openings drawn, paper counted on each, the then best shims."""
    rng = np.random.default_rng(5)
    plates, key = plates_of(SLEEVE), f"opening:{SLEEVE.press.shelf_id}"
    sd = reading_sd(expected_sheets(plates))
    rights = []
    for opening in 0.3 * rng.standard_normal(400):
        after = OPENING.measured({key: -1.0}, -(opening + sd * rng.standard_normal()), sd)
        rights.append(best_shims(RESPONSE, after, SHIM, 0).good)
    told = counted(plates, RESPONSE, OPENING, SHIM, 0).good_after
    assert told == pytest.approx(np.mean(rights), abs=0.05)


@pytest.mark.parametrize("off", [-0.4, 0.0, 0.3])
def test_a_count_finds_the_opening_again(off):
    """A press that opens otherwise than is written takes hold with so many sheets more or less; the count finds it to within its own error."""
    plates, key = plates_of(SLEEVE), f"opening:{SLEEVE.press.shelf_id}"
    true = replace(plates, press=replace(plates.press, opening=Thickness(mm=plates.press.opening.mm + off, sd_mm=0.0)))
    piece = took_hold("a", plates, expected_sheets(true))
    after = independent({key: 0.5}).measured(piece.of, piece.by, piece.sd)
    assert after.of({key: 1.0})[0] == pytest.approx(off, abs=2.5 * piece.sd)
