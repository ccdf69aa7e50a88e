"""The feed and the state of plates in words: every branch says what is true of its figures."""

from dataclasses import replace
from types import SimpleNamespace

import numpy as np
import pytest
from tests.core.builders import build, cut, lay, with_item

from lofty_press.bench import season
from lofty_press.core.mechanics.effects.blade import BLADE_STATES, blade_contact
from lofty_press.core.mechanics.feed.best import advise, setting_of
from lofty_press.core.mechanics.feed.examine import examine, look_at
from lofty_press.core.mechanics.feed.second_pass import two_passes
from lofty_press.core.mechanics.plates.condition import Cleanness
from lofty_press.core.mechanics.plates.propose import Proposal
from lofty_press.core.sandwich.stack.item import Thickness
from lofty_press.core.sandwich.stack.view import StackView
from lofty_press.demo.reliefs.library import demo_relief
from lofty_press.demo.sandwiches import SANDWICHES, SHELF
from lofty_press.documents.answers.feed import advice_words, blade_run, describe_feed, describe_lying, describe_passes, role_of, way_words
from lofty_press.documents.answers.plate_words import state_sentences


def advice_of(key):
    return advise(SANDWICHES[key], setting_of(SANDWICHES[key], demo_relief))


def test_what_is_gained_is_said_with_the_figures_of_both():
    square = cut("bench-seat")
    advice = advise(square, setting_of(square, demo_relief))
    said = advice_words(advice)
    assert said.startswith(way_words(advice.better.placing.turn, folder=False))
    assert f"{advice.now.trace.peak:.0f} N" in said
    assert f"{advice.better.trace.peak:.0f} N" in said


def test_a_nicety_is_called_one():
    assert advice_words(advice_of("tracery-cut")).startswith("No need to move it")


@pytest.mark.parametrize(
    ("change", "said"),
    [
        ({"better": None}, "no other is clearly easier"),
        ({"fitting": 0, "by_sheet": 0}, "doesn't fit on its plates"),
        ({"fitting": 0, "by_sheet": 4}, "Trimmed, 4 ways fit"),
    ],
)
def test_what_cannot_be_bettered_says_why(change, said):
    assert said in advice_words(replace(advice_of("arch-cut"), **change))


def test_two_passes_are_told_in_shares_and_the_turn_is_from_how_it_lies():
    thick = with_item(cut("arch-tracery"), "spacer", thickness=Thickness(mm=1.98, sd_mm=0.02))
    trimmed = with_item(thick, "ridge-green", width_mm=90.0, length_mm=110.0)
    passes = two_passes(trimmed, setting_of(trimmed, demo_relief))
    document = describe_passes(passes)
    assert document.turn_by_deg == pytest.approx((passes.second.placing.turn - passes.first.placing.turn) % 360)
    assert f"{100 * passes.moved:.0f} %" in document.says
    alike = describe_passes(replace(passes, second=None))
    assert "adds nothing that matters" in alike.says
    assert alike.turn_by_deg is None


def test_a_pile_that_is_pressed_too_lightly_is_told_so_and_not_to_turn():
    tracery = with_item(SANDWICHES["tracery-cut"], "spacer", thickness=Thickness(mm=1.6))
    passes = two_passes(tracery, setting_of(tracery, demo_relief))
    assert passes.moved < 0.5
    assert "Add a shim first" in describe_passes(passes).says


def test_states_along_a_blade_follow_the_load_and_are_thinned_for_drawing():
    blade = blade_contact(StackView(SANDWICHES["arch-cut"]))
    places = np.column_stack([np.linspace(0, 100, 9000), np.zeros(9000)])
    drawn = blade_run(places, np.linspace(0, 1.2 * blade.cut_load, 9000), blade)
    assert len(drawn.at_mm) == len(drawn.state) <= 2500
    assert drawn.state == sorted(drawn.state)
    begins = {state: drawn.state.index(state) / len(drawn.state) * 1.2 for state in (1, 2, 3)}
    assert begins == pytest.approx({1: 0.05, 2: 0.5, 3: 1.0}, abs=0.01)  # shares of the load that cuts: assumptions, as the core says
    assert {BLADE_STATES[state] for state in drawn.state} == set(BLADE_STATES)


def test_every_layer_has_its_role_on_the_bed_and_a_folder_is_drawn_once():
    lying = look_at(SANDWICHES["masked-label"], demo_relief)
    roles = {placed.kind: role_of(placed) for placed in lying.view.layers}
    assert roles["bed"] == roles["hard plate"] == "plate"
    assert roles["pressure mask"] == "mask"
    shapes = describe_lying(lying).shapes
    assert sum(shape.role == "tool" for shape in shapes) == 1
    assert {shape.role for shape in shapes if shape.moves} == {"tool", "sheet", "mask"}


@pytest.mark.parametrize("key", list(SANDWICHES))
def test_every_sandwich_of_the_press_room_has_a_report_that_is_finite_and_small(key):
    text = describe_feed(examine(SANDWICHES[key], demo_relief)).model_dump_json()
    assert "NaN" not in text
    assert "Infinity" not in text
    assert len(text) < 400_000


def test_of_tools_over_one_another_it_is_said_which_go_together():
    rows = tuple(lay(f"porthole-{size}") for size in ("large", "middle", "small"))
    rings = build("Rings", "midway", "cut", lay("bed"), lay("hard-a"), *rows, lay("ridge-green", role="sheet"), lay("hard-b"))
    assert describe_lying(look_at(rings, demo_relief)).without_overlap == [["Porthole, large", "Porthole, small"], ["Porthole, middle"]]
    assert describe_lying(look_at(cut(), demo_relief)).without_overlap == []


class TestStateOfAPlate:
    def state(self, **more):
        plain = {"plate": SimpleNamespace(name="East"), "dull": 0.0, "clean": None, "as_it_lies": Proposal("face", 0, 0, 0, 0.1, 0.0)}
        return state_sentences(SimpleNamespace(**{**plain, **more}))

    def test_as_good_as_new_says_nothing(self):
        assert self.state() == []

    def test_where_scars_would_print_and_where_they_would_not(self):
        (near,) = self.state(clean=Cleanness(0.3, 0.0, (12.0, -4.0)))
        assert "12 mm along and −4 mm across" in near
        (nowhere,) = self.state(clean=Cleanness(0.3, 0.25, (0.0, 0.0)))
        assert "No spot on this face is clean enough" in nowhere

    @pytest.mark.parametrize(("bow", "side"), [(0.8, "back"), (-0.8, "face")])
    def test_to_which_side_it_is_hollow(self, bow, side):
        (said,) = self.state(as_it_lies=Proposal("face", 0, 0, 0, 0.1, bow))
        assert f"hollow on its {side}" in said

    def test_the_gravest_comes_first(self):
        said = self.state(dull=0.5, as_it_lies=Proposal("face", 0, 0, 0, 4.0, 0.9))
        assert "won't cut there" in said[0]
        assert "cut over 4.0 times" in said[-1]


def test_a_short_year_already_wears_less_where_it_is_laid_as_proposed(monkeypatch):
    """Common practice, no published source: move the plate about and flip it each use."""
    monkeypatch.setattr(season, "WEEKS", 4)
    known = season.jobs()
    assert all(0 < job.depth < 0.2 for job in known.values())
    old, new = (season.run_through(SHELF["hard-a"], known, middle=middle) for middle in (True, False))
    assert old.face.runs == new.face.runs + new.back.runs == 4 * season.CUTS_A_WEEK
    assert abs(new.bow()) < 0.5 * abs(old.bow())
    assert max(new.face.worst, new.back.worst) < 0.5 * old.face.worst
