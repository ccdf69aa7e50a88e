"""Leather and foam set in the tool: what they keep, the piles that are found for them, and what is said about the wait."""

from dataclasses import replace

import numpy as np
import pytest
from tests.core.mechanics.forming.forming_cases import hills, problem
from tests.core.working.recipes.test_recipes import PRESSES, SHELF

from lofty_press.core.judging.assess import assess
from lofty_press.core.mechanics.forming import figures_of, form, press
from lofty_press.core.mechanics.forming.newton import Grid
from lofty_press.core.mechanics.forming.release import spring_back
from lofty_press.core.sandwich.relief import no_library
from lofty_press.core.sandwich.stack import StackView
from lofty_press.core.sandwich.stock import plate_section
from lofty_press.core.teaching.coach import CAUSES
from lofty_press.core.working.recipes import EFFECTS, Wish, chain_of, search
from lofty_press.core.working.steps import write_card

PAIRS = (("relief-in-leather", "saddle-hide"), ("relief-in-foam", "sculpting-foam"))


def best(effect, stock, press_name="midway"):
    return search(Wish(effect=effect, stock=stock), SHELF, PRESSES[press_name]).found[0]


@pytest.mark.parametrize(("effect", "stock"), PAIRS)
def test_every_press_gets_a_plain_folder_in_one_pass(effect, stock):
    """Soaked rawhide takes a plain folder in one run: common practice, no published source."""
    for name in PRESSES:
        found = best(effect, stock, name)
        kinds = {found.sandwich.items[layer.item].kind for layer in found.sandwich.layers}
        assert "plain folder" in kinds
        assert found.sandwich.passes == 1
        assert found.assessment.verdict.zone == "right"


@pytest.mark.parametrize(("effect", "stock"), PAIRS)
def test_the_piece_of_relief_and_the_whole_sheet_agree(effect, stock):
    found = best(effect, stock)
    whole = figures_of(press(found.sandwich, no_library, finest=0.4))
    assert whole.retained_share == pytest.approx(found.assessment.forming.retained_share, abs=0.05)


def test_a_share_of_the_stress_is_a_share_of_the_springing_back():
    """Unloading is linear in what is left of the stress: a law, not a figure."""
    sizes = {"thickness": 1.2, "modulus_x": 60, "modulus_y": 50, "poisson": 0.2, "yield_strain": 0.04, "hardening": 0.3}
    formed = form(problem(hills(), section=plate_section(**sizes)))
    grid = Grid(formed.forming)
    whole = spring_back(grid, formed.state.deflection).displacement
    assert np.abs(whole).max() > 1e-3
    for relaxed in (0.3, 1.0):
        kept = Grid(replace(formed.forming, section=replace(plate_section(**sizes), relaxed=relaxed)))
        left = spring_back(kept, formed.state.deflection).displacement
        np.testing.assert_allclose(left, (1 - relaxed) * whole, atol=1e-3 * np.abs(whole).max())


def test_what_stretched_stays_by_as_much_as_has_relaxed():
    """All of the stress gone: all of the stretch stays."""
    strain = np.array([0.01, 0.1])
    sizes = {"thickness": 1.0, "modulus_x": 60, "modulus_y": 50, "poisson": 0.2, "yield_strain": 0.04, "hardening": 0.3}
    at_once, later, at_last = (replace(plate_section(**sizes), relaxed=r).lasting(strain) for r in (0.0, 0.5, 1.0))
    np.testing.assert_allclose(at_last, strain)
    np.testing.assert_allclose(later, (at_once + at_last) / 2)


@pytest.mark.parametrize(("effect", "stock"), PAIRS)
def test_opened_at_once_it_is_faint_and_the_coach_knows(effect, stock):
    found = best(effect, stock)
    cause = CAUSES["opened too soon"]
    early = assess(cause.put_in(StackView(found.sandwich)))
    assert early.forming.retained_share < found.assessment.forming.retained_share - 0.2
    assert "hold-until-set" not in {each.code for each in early.findings}
    assert "hold-until-set" in {each.code for each in found.assessment.findings}


@pytest.mark.parametrize(("effect", "stock", "first"), [(*PAIRS[0], "soak"), (*PAIRS[1], "warm")])
def test_the_work_goes_from_wet_or_warm_to_set(effect, stock, first):
    """Order: common practice, no published source."""
    works = [step.work for step in chain_of(EFFECTS[effect]).steps]
    assert works == [first, "emboss", "set"]
    card = write_card(best(effect, stock).assessment)
    waits = [step.wait.what for step in card.steps if step.wait is not None]
    assert waits[-1] == ("drying" if first == "soak" else "cooling")
    assert sum("weight" in str(step) for step in card.steps) == 1  # said once, not by the recipe and a caution
    by_hand = write_card(assess(replace(best(effect, stock).sandwich, recipe=None)))
    assert sum("weight" in str(step) for step in by_hand.steps) == 1
