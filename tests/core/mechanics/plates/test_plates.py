"""What plates remember: scars, wear, bow, and where the next run should lie."""

import math
from dataclasses import replace

import numpy as np
import pytest
import shapely
from hypothesis import given
from hypothesis import strategies as st
from tests.core.builders import build, cut, lay

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.mechanics.effects.blade import blade_contact
from lofty_press.core.mechanics.feed.best import setting_of
from lofty_press.core.mechanics.feed.examine import look_at
from lofty_press.core.mechanics.plates.bow import KEPT, bow_of
from lofty_press.core.mechanics.plates.condition import PRINTS, cleanness, no_longer_cuts
from lofty_press.core.mechanics.plates.mark import Pattern, marks_of, pattern_of, scar_depths
from lofty_press.core.mechanics.plates.next_run import next_run
from lofty_press.core.mechanics.plates.propose import History, propose
from lofty_press.core.mechanics.plates.wear import CELL, Laid, add_marks, axes_of, no_wear
from lofty_press.core.sandwich.stack.view import StackView
from lofty_press.demo.reliefs.library import demo_relief
from lofty_press.demo.sandwiches import SANDWICHES, SHELF
from lofty_press.documents.answers.plate_words import state_sentences
from lofty_press.documents.files.wear_file import pack_pattern, pack_wear, unpack_pattern, unpack_wear

PLATE = SHELF["hard-a"]
THICK = PLATE.thickness.mm
LABEL = pattern_of(SHELF["label-large"], demo_relief)
ARCH = pattern_of(SHELF["station-arch"], demo_relief)
laying = st.builds(Laid, st.floats(-40, 40), st.floats(-30, 30), st.floats(-180, 180), st.floats(0.001, 0.08))


def worn(*laid, pattern=LABEL, plate=PLATE):
    wear = no_wear(plate)
    add_marks(wear, pattern, laid)
    return wear


def new():
    return History(no_wear(PLATE), no_wear(PLATE), THICK)


class TestMarks:
    def test_a_scar_is_as_deep_as_the_plates_hardness_lets_it(self):
        """A 90 degree edge carries 2 H for each mm of depth; what it takes to cut the sheet is spent there (closed form)."""
        blade = blade_contact(StackView(cut()))
        depth = scar_depths(np.array([0.0, blade.cut_load, blade.cut_load + 2.0, 1e6]), blade)
        assert depth[:2].tolist() == [0.0, 0.0]
        assert depth[2] == pytest.approx(1.0 / blade.behind.material.hardness)
        assert depth[3] == pytest.approx(blade.scar_travel)

    @pytest.mark.parametrize(("turned", "face"), [(False, "back"), (True, "face")])
    def test_the_face_that_meets_the_blade_is_noted(self, turned, face):
        rows = (
            lay("bed"),
            lay("spacer"),
            lay("hard-a"),
            lay("label-large"),
            lay("ridge-green", role="sheet"),
            lay("hard-b", turned=turned),
        )
        sandwich = build("Cut", "midway", "cut", *rows)
        (mark,) = marks_of(sandwich, setting_of(sandwich, demo_relief))
        assert (mark.item, mark.face) == ("hard-b", face)

    def test_place_and_turn_are_the_plates_own(self):
        """A plate above is seen from below: across and the sense of turning are mirrored; one that is turned itself is turned back."""
        sandwich = cut(x_mm=12.0, y_mm=7.0, rotation_deg=20.0)
        (mark,) = marks_of(sandwich, setting_of(sandwich, demo_relief))
        assert (mark.x, mark.y, mark.turn) == pytest.approx((12.0, -7.0, -20.0))
        layers = tuple(replace(p, rotation_deg=180.0) if p.item == "hard-b" else p for p in sandwich.layers)
        (mark,) = marks_of(replace(sandwich, layers=layers), setting_of(sandwich, demo_relief))
        assert (mark.x, mark.y) == pytest.approx((-12.0, 7.0), abs=1e-9)

    @pytest.mark.parametrize("key", ["arch-line", "silicone-lesson", "programme-cover", "ticket-sleeve"])
    def test_what_does_not_reach_a_plate_leaves_no_mark(self, key):
        assert marks_of(SANDWICHES[key], setting_of(SANDWICHES[key], demo_relief)) == ()


class TestWear:
    def test_scarred_area_is_width_times_length(self):
        """A 90 degree edge of depth h leaves a scar 2 h wide: 2 h L of the plate for a length L (closed form)."""
        wear = worn(Laid(0, 0, 0, 0.03), Laid(10, 5, 30, 0.03))
        assert wear.crossed.sum() * CELL**2 == pytest.approx(2 * 2 * 0.03 * 331, rel=1e-5)
        assert wear.deepest.max() == pytest.approx(0.03)

    @given(st.lists(laying, min_size=1, max_size=8), st.integers(0, 8))
    def test_kept_run_by_run_it_is_the_same_as_built_at_once(self, laid, split):
        step = no_wear(PLATE)
        add_marks(step, LABEL, laid[:split])
        kept = unpack_wear(pack_wear(step))
        add_marks(kept, LABEL, laid[split:])
        whole = worn(*laid)
        assert kept.crossed == pytest.approx(whole.crossed, abs=1e-6)
        assert np.array_equal(kept.deepest, whole.deepest)
        assert kept.runs == len(laid)

    def test_half_a_turn_mirrors_the_map(self):
        one, other = worn(Laid(9.3, 4.7, 17.0, 0.02), pattern=ARCH), worn(Laid(-9.3, -4.7, 197.0, 0.02), pattern=ARCH)
        assert one.crossed == pytest.approx(other.crossed[::-1, ::-1], abs=1e-6)

    def test_what_lies_beyond_the_plate_is_left_out(self):
        assert worn(Laid(5000, 0, 0, 0.02)).worst == 0

    def test_patterns_come_back_the_same(self):
        key, body = pack_pattern(ARCH)
        back = unpack_pattern(body)
        assert back.places == pytest.approx(ARCH.places, abs=0.011)
        assert pack_pattern(back)[0] == key

    @pytest.mark.parametrize("bad", [b"", b"x", b"\xff" * 12, pack_wear(no_wear(PLATE))[:40], b"\x10\x00\x00\x00" * 3 + b"no zlib"])
    def test_bytes_that_are_no_wear_are_refused(self, bad):
        with pytest.raises(InvalidInput):
            unpack_wear(bad)
        with pytest.raises(InvalidInput):
            unpack_pattern(bad)


class TestBow:
    def test_even_scars_bend_a_plate_to_a_circle_by_stoneys_formula(self):
        """kappa = 6 e h / t^2 (Stoney 1909, from memory) and a sagitta of kappa L^2 / 8 along and across (geometry)."""
        face = no_wear(PLATE)
        face.crossed[:], face.deepest[:] = 50.0, 0.03  # scarred through
        kappa = 6.0 / PLATE.thickness.mm**2 * 0.5 * KEPT * 0.5 * 0.03
        sagitta = kappa * (PLATE.length_mm**2 + PLATE.width_mm**2) / 8
        assert bow_of(face, no_wear(PLATE), THICK).height == pytest.approx(sagitta, rel=0.03)

    def test_against_a_bonded_strip_of_two_layers(self):
        """Timoshenko, Analysis of bi-metal thermostats, 1925 (from memory), like moduli: 6 e m (1 + m) / (h (1 + m)^4 ...) tends to
        Stoney's formula for a thin layer; worked out here by balancing forces and moments."""
        thickness, layer, strain = 3.0, 0.03, 0.01
        z = (np.arange(3000) + 0.5) / 3000 * thickness - thickness / 2
        eigen = np.where(z > thickness / 2 - layer, strain, 0.0)
        middle, curvature = np.linalg.lstsq(np.stack([np.ones_like(z), z], axis=1), eigen, rcond=None)[0]
        assert 6 * strain * layer / thickness**2 == pytest.approx(curvature, rel=0.02)
        assert middle > 0

    def test_both_faces_worn_alike_leave_it_flat(self):
        laid = [Laid(10, 8, 0, 0.04)] * 20
        mirrored = [replace(m, y=-m.y) for m in laid]
        ring = Pattern(np.stack([30 * np.cos(np.linspace(0, 6.28, 400)), 20 * np.sin(np.linspace(0, 6.28, 400))], axis=1), 0.4)
        face, back = worn(*laid, pattern=ring), worn(*mirrored, pattern=ring)
        assert abs(bow_of(face, back, THICK).height) < 0.02 * bow_of(face, no_wear(PLATE), THICK).height

    def test_turned_over_it_bends_the_other_way(self):
        face = worn(*[Laid(0, 0, 0, 0.03)] * 30)
        assert bow_of(no_wear(PLATE), face, THICK).height == pytest.approx(-bow_of(face, no_wear(PLATE), THICK).height, rel=1e-6)

    def test_a_measured_bow_scales_the_model(self):
        face = worn(*[Laid(0, 0, 0, 0.03)] * 30)
        assert bow_of(face, no_wear(PLATE), THICK, correction=2.5).height == pytest.approx(2.5 * bow_of(face, no_wear(PLATE), THICK).height)


class TestNextRun:
    """Common practice, no published source: always the same place bows a plate; move it about and flip it each use."""

    def test_moved_and_flipped_it_lasts_longer(self):
        old, history = worn(*[Laid(0, 0, 0, 0.03)] * 40), new()
        for _ in range(40):
            best = propose(history, LABEL, 0.03)[0]
            add_marks(history.of(best.face), LABEL, [Laid(best.x, best.y, best.turn, 0.03)])
        middle = History(old, no_wear(PLATE), THICK)
        assert abs(history.bow()) < 0.3 * abs(middle.bow())
        assert max(history.face.worst, history.back.worst) < 0.3 * old.worst
        assert {history.face.runs, history.back.runs} <= set(range(15, 26))

    @given(st.floats(-30, 30), st.floats(-20, 20))
    def test_every_proposal_keeps_the_whole_blade_on_the_plate(self, x, y):
        history = History(worn(Laid(x, y, 0, 0.05), pattern=ARCH), no_wear(PLATE), THICK)
        for proposal in propose(history, ARCH, 0.02):
            turn = math.radians(proposal.turn)
            along = proposal.x + math.cos(turn) * ARCH.places[:, 0] + math.sin(turn) * ARCH.places[:, 1]
            assert np.abs(along).max() <= PLATE.length_mm / 2

    def test_a_die_larger_than_the_plate_gets_no_proposal(self):
        assert propose(new(), Pattern(LABEL.places * 5, 1.0), 0.03) == ()

    def test_it_says_what_would_be_left_and_lays_the_sandwich_there(self):
        sandwich = cut()
        setting = setting_of(sandwich, demo_relief)
        everywhere = [Laid(x, y, 0, 0.12) for x in range(-40, 41, 2) for y in range(-20, 21, 2)]
        worn_back = History(no_wear(PLATE), worn(*everywhere), 3.0)
        found = next_run(sandwich, setting, {"hard-b": worn_back}, margin=0.02)
        best = found.options[0]
        assert best.turned_over
        assert best.proposal.worst < 0.1 * found.as_it_lies.worst
        (mark,) = marks_of(best.sandwich, setting_of(best.sandwich, demo_relief))
        assert (mark.face, mark.x, mark.y) == (best.proposal.face, pytest.approx(best.proposal.x), pytest.approx(best.proposal.y))
        assert found.dull > 0.9
        said = " ".join(state_sentences(found))
        assert "won't cut there" in said
        assert "Using the other face bends it back" in said

    def test_every_option_stays_on_the_smaller_plate_and_passes_the_press(self):
        """Also where the sheet is much wider than the die, and half turned with it."""
        sandwich = cut(stock="summit-white", x_mm=6.0)
        small = replace(SHELF["hard-a"], length_mm=130.0, width_mm=90.0)
        sandwich = replace(sandwich, items={**sandwich.items, "hard-a": small})
        worn_back = History(no_wear(PLATE), worn(*[Laid(0, 0, 0, 0.03)] * 60), THICK)
        options = next_run(sandwich, setting_of(sandwich, demo_relief), {"hard-b": worn_back}, margin=None).options
        assert options
        for option in options:
            assert look_at(option.sandwich, demo_relief).misfits == ()

    def test_a_new_plate_and_a_mat_have_nothing_to_say(self):
        assert next_run(cut(), setting_of(cut(), demo_relief), {}, margin=0.1) is None
        line = SANDWICHES["arch-line"]
        assert next_run(line, setting_of(line, demo_relief), {"hard-b": new()}, margin=None) is None

    def test_scars_under_bare_foil_are_told_and_a_clean_place_is_found(self):
        wear = worn(*[Laid(-40, 0, 0, 2 * PRINTS)] * 3)
        sheet, die = shapely.box(-90, -45, 0, 45), shapely.box(-60, -25, -20, 25)
        found = cleanness(wear, sheet, die)
        assert found.printed > 0.02
        assert found.cleanest == 0.0
        assert found.place[0] > 0
        assert cleanness(no_wear(PLATE), sheet, die).printed == 0.0

    def test_it_cuts_no_longer_only_where_it_is_worn_and_only_without_margin(self):
        wear = worn(*[Laid(0, 0, 0, 0.05)] * 60)
        worn_out = no_longer_cuts(wear, 0.03)
        x, y = axes_of(wear)
        assert worn_out.any()
        assert not worn_out[np.abs(x) > 60].any()
        assert not worn_out[:, np.abs(y) > 35].any()
        assert not no_longer_cuts(wear, 0.06).any()

    def test_foil_on_a_scarred_plate_is_warned_of(self):
        rows = (lay("bed"), lay("spacer"), lay("hard-a"), lay("signal-foil", role="sheet"), lay("label-large", turned=True), lay("hard-b"))
        sandwich = build("Foil", "midway", "cut", *rows)
        history = History(worn(*[Laid(0, 30, 0, 0.05)] * 2), no_wear(PLATE), THICK)
        found = next_run(sandwich, setting_of(sandwich, demo_relief), {"hard-a": history}, margin=None)
        assert found.plate.name == PLATE.name
        assert found.clean.printed > 0.01
        assert any("Scars would print" in sentence for sentence in state_sentences(found))
