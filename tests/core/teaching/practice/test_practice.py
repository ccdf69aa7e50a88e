"""Practice: abilities by closed forms, the schedule by its published example, drills that can be solved and that keep their secret."""

import math
from dataclasses import replace

import numpy as np
import pytest
from scipy.optimize import minimize_scalar

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.sandwich.stack import Add, StackView, apply_edits, resolved
from lofty_press.core.teaching.practice import (
    FULL,
    NEW,
    SKILLS,
    SOLVED,
    Answer,
    Tried,
    ability_of,
    after_answer,
    answered,
    drill_of,
    next_level,
    points_for,
    solves,
    standings,
    world_of,
)
from lofty_press.demo.reliefs.library import demo_relief
from lofty_press.demo.sandwiches import SANDWICHES

SEEDS = range(6)


@pytest.fixture(scope="module")
def world():
    return world_of(SANDWICHES.values(), demo_relief)


@pytest.mark.parametrize(("solved", "of"), [(1, 4), (3, 4), (5, 10), (9, 10)])
def test_ability_on_equal_drills_is_the_closed_form(solved, of):
    """Rasch model: with n drills of one difficulty b and k solved the likeliest ability is b + ln(k / (n - k)), known to 1 / sqrt(n p (1 - p))."""
    tried = [(0.7, n < solved) for n in range(of)]
    ability, spread = ability_of(tried, prior_sd=math.inf)
    share = solved / of
    assert ability == pytest.approx(0.7 + math.log(share / (1.0 - share)), abs=1e-8)
    assert spread == pytest.approx(1.0 / math.sqrt(of * share * (1.0 - share)), rel=1e-6)


def test_ability_after_bayes_is_where_a_general_minimiser_finds_it():
    chance = np.random.default_rng(3)
    for _ in range(20):
        tried = [(float(b), bool(chance.random() < 0.6)) for b in chance.normal(0.0, 1.5, chance.integers(1, 30))]

        def loss(theta, tried=tried):
            return 0.5 * (theta / 1.5) ** 2 - sum(math.log(solves(theta, b) if right else 1.0 - solves(theta, b)) for b, right in tried)

        assert ability_of(tried)[0] == pytest.approx(
            minimize_scalar(loss, bounds=(-8, 8), method="bounded", options={"xatol": 1e-9}).x, abs=1e-5
        )
    assert ability_of([]) == pytest.approx((0.0, 1.5))
    assert solves(next_level(0.3), 0.3) < 0.5 < solves(0.3, next_level(0.3))
    assert solves(0.3, next_level(0.3)) == pytest.approx(0.75)


def test_the_schedule_is_that_of_its_publication():
    """SM-2 (Wozniak 1990): I(1) = 1, I(2) = 6, I(n) = I(n - 1) EF; EF' = EF + (0.1 - (5 - q)(0.08 + (5 - q) 0.02)), never under 1.3; from memory."""
    at = NEW
    days = []
    for _ in range(5):
        at = after_answer(at, 4)
        days.append(at.days)
        assert at.ease == pytest.approx(2.5)  # a quality of 4 leaves it
    assert days == [1, 6, 15, 38, 95]
    assert after_answer(at, 5).ease == pytest.approx(2.6)
    assert after_answer(at, 3).ease == pytest.approx(2.36)
    fallen = after_answer(at, 2)
    assert (fallen.days, fallen.repetitions, fallen.ease) == (1, 0, pytest.approx(2.5))  # begins anew, its ease unchanged
    for _ in range(20):
        at = after_answer(at, 3)
    assert at.ease == pytest.approx(1.3)


@pytest.mark.parametrize("skill", SKILLS)
def test_drills_are_the_same_by_seed_and_harder_where_harder_ones_are_wanted(world, skill):
    easy = [drill_of(world, skill, seed, -2.0) for seed in SEEDS]
    hard = [drill_of(world, skill, seed, 2.0) for seed in SEEDS]
    assert sum(drill.difficulty for drill in easy) < sum(drill.difficulty for drill in hard)
    again = drill_of(world, skill, 3, -2.0)
    assert (again.shown, again.answer, again.difficulty) == (easy[3].shown, easy[3].answer, easy[3].difficulty)
    assert len({(drill.answer, drill.difficulty, str(drill.because)) for drill in (*easy, *hard)}) > 3


@pytest.mark.parametrize("skill", ["read", "spot"])
def test_one_choice_is_right_and_all_others_are_not(world, skill):
    for seed in SEEDS:
        drill = drill_of(world, skill, seed, 0.0)
        marks = {one.key: answered(drill, world, Answer(choice=one.key)).right for one in drill.choices}
        assert len(drill.choices) >= 3
        assert [key for key, right in marks.items() if right] == [drill.answer]
    with pytest.raises(InvalidInput, match="isn't one of the answers"):
        answered(drill, world, Answer(choice="perhaps"))


@pytest.mark.parametrize("skill", ["plates", "mist"])
def test_a_pile_is_wrong_as_it_is_given_and_can_be_built_right(world, skill):
    for seed in SEEDS:
        drill = drill_of(world, skill, seed, 0.0)
        assert not answered(drill, world, Answer(built=drill.shown)).right
        sheet = StackView(drill.shown).sheet
        if skill == "plates":
            solution = replace(drill.meant.sandwich, press=drill.shown.press)
        else:
            damp = [replace(layer, mist_age_s=20.0, mist_face="back") if layer.id == sheet.id else layer for layer in drill.shown.layers]
            solution = replace(drill.shown, layers=tuple(damp), passes=1)
            if not answered(drill, world, Answer(built=solution)).right:
                solution = replace(solution, passes=drill.shown.passes)
        assert answered(drill, world, Answer(built=solution)).right


def test_a_strange_press_is_shimmed_and_its_opening_is_nowhere_told(world):
    for seed in SEEDS:
        drill = drill_of(world, "shim", seed, 0.0)
        true = drill.truly(drill.shown).press.opening.mm
        assert true > drill.shown.press.opening.mm + 0.1
        assert f"{true:.3f}"[:5] not in repr(drill.shown)
        assert not answered(drill, world, Answer(built=drill.shown)).right
        came = []
        for sheets in range(1, 12):
            wish = Add(kind="sheet", at=1, count=sheets, role="shim")
            built = apply_edits(drill.shown, resolved(drill.shown, (wish,), lambda _: []))
            came.append(answered(drill, world, Answer(built=built)).right)
        assert any(came)


def test_a_dozen_answers_that_are_none_are_refused_or_wrong(world):
    drill = drill_of(world, "plates", 1, 0.0)
    shown = drill.shown
    view = StackView(shown)
    with pytest.raises(InvalidInput, match="pile that was built"):
        answered(drill, world, Answer())
    refused = {
        "without its sheet": replace(shown, layers=tuple(layer for layer in shown.layers if layer.id != view.sheet.id)),
        "without its tool": replace(shown, layers=tuple(layer for layer in shown.layers if layer.item != view.tool.layer.item)),
        "on another press": replace(
            shown, press=replace(shown.press, opening=replace(shown.press.opening, mm=shown.press.opening.mm - 0.5))
        ),
        "for another effect": replace(shown, effect=replace(shown.effect, kind="letterpress")),
        "with a softer sheet": replace(
            shown,
            items={**shown.items, view.sheet.layer.item: replace(view.sheet.item, thickness=replace(view.sheet.item.thickness, mm=0.5))},
        ),
        "with nothing": replace(shown, layers=()),
    }
    for what, built in refused.items():
        with pytest.raises(InvalidInput) as error:
            answered(drill, world, Answer(built=built))
        assert error.value.field.startswith("built"), what
    for layer in shown.layers:  # each layer doubled, or out: whatever is said of it, never an error of ours
        if layer.half is None and layer.id != view.sheet.id and layer.item != view.tool.layer.item:
            found = answered(drill, world, Answer(built=replace(shown, layers=tuple(one for one in shown.layers if one.id != layer.id))))
            assert found.right in (True, False)
    with pytest.raises(InvalidInput, match="isn't a skill you can practice"):
        drill_of(world, "juggling", 1, 0.0)


def test_points_are_fewer_by_tries_and_hints():
    assert points_for(right=True, tries=1, hints=0) == 10
    assert points_for(right=True, tries=2, hints=1) == SOLVED
    assert points_for(right=True, tries=40, hints=1) == 0
    assert points_for(right=False, tries=1, hints=0) == 0


def test_who_solves_at_once_comes_back_later_each_time_and_who_fails_tomorrow():
    """Intervals of SM-2 as published: one day, six, then times the ease of 2.5 (which an answer at once raises by a tenth for the next). Value from memory."""
    at_once = [Tried(day, 0.0, FULL) for day in (100.0, 101.0, 107.0)]
    by_skill = {one.skill: one for one in standings({"shim": at_once, "mist": [*at_once, Tried(108.0, 0.0, 0)]})}
    assert by_skill["shim"].due == 107.0 + math.ceil(6 * 2.7)
    assert by_skill["mist"].due == 109.0
    assert (by_skill["mist"].done, by_skill["mist"].solved) == (4, 3)
    assert by_skill["shim"].ability > by_skill["mist"].ability > by_skill["read"].ability == 0.0
    order = [one.skill for one in standings({"shim": at_once, "mist": at_once[:1]})]
    assert order[-2:] == ["mist", "shim"]  # what was never tried comes first, then what is due first
