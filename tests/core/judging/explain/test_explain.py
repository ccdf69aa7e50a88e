"""Explanations add up: every link's figures are the judgement's own, and they keep the laws that they tell."""

import math

import numpy as np
import pytest

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.judging.assess import assess
from lofty_press.core.judging.explain import ABOUT, explain
from lofty_press.core.judging.verdict import crack_chance
from lofty_press.core.sandwich.stack import StackView, apply_edits
from lofty_press.demo.reliefs.library import demo_relief
from lofty_press.demo.sandwiches import SANDWICHES


@pytest.fixture(scope="module")
def judged():
    return {key: assess(sandwich, demo_relief) for key, sandwich in SANDWICHES.items()}


def links(assessment, about="verdict"):
    return {link.key: link for link in explain(assessment, about)}


def total(bars):
    return math.fsum(bar.much.value for bar in bars)


@pytest.mark.parametrize("key", SANDWICHES)
def test_layers_add_up_to_the_pile_and_who_gives_to_what_is_over_the_opening(judged, key):
    found = judged[key]
    chain = links(found)
    view = StackView(found.sandwich)
    assert total(chain["stack"].bars) == pytest.approx(sum(p.share * p.item.thickness.mm for p in view.layers))
    over = chain["opening"].bars[0].much.value
    assert over == pytest.approx(max(found.free_height - found.sandwich.press.opening.mm, 0.0), abs=1e-9)
    if "give" in chain:  # what stands over the opening is taken by frame, rollers and pile: nothing is lost
        assert total(chain["give"].bars) == pytest.approx(chain["give"].against[0].much.value, rel=0.02)
        frame = chain["give"].bars[0].much.value
        assert frame == pytest.approx(found.nip.peak_force / found.sandwich.press.frame_stiffness_n_per_mm, rel=0.1)  # Hooke's law
    assert total(chain["zone"].bars) == pytest.approx(1.0, abs=0.02)


@pytest.mark.parametrize("key", SANDWICHES)
def test_the_handle_makes_up_for_losses_and_edges(judged, key):
    found = judged[key]
    if not found.nip.bites:
        with pytest.raises(InvalidInput, match="judge this pile by"):
            explain(found, "handle")
        return
    handle = links(found, "handle")["handle"]
    steady, climb = (bar.much.value for bar in handle.bars)
    assert max(steady, climb) <= found.nip.peak_handle + 1e-9 <= steady + climb + 2e-9


def test_cracking_is_told_as_it_is_judged(judged):
    found = judged["programme-cover"]
    chain = links(found, "crack")
    assert chain["stretch"].bars[0].much.value == found.forming.crack
    assert chain["crack"].says.values["chance"].value == pytest.approx(crack_chance(found.forming), abs=0.01)
    assert links(found, "sure")["zone"].says == links(found)["zone"].says
    with pytest.raises(InvalidInput):
        explain(judged["arch-cut"], "crack")  # nothing is stretched


def test_what_can_be_tried_at_a_link_can_be_done_and_moves_its_figure(judged):
    found = judged["masked-label"]
    stack = links(found)["stack"]
    more = found.again(apply_edits(found.sandwich, stack.tries[0].in_full(found.sandwich, lambda _: [])))
    assert more.free_height > found.free_height
    assert links(more)["stack"].says != stack.says


def test_every_pile_is_explained_or_refused_by_name(judged):
    told = set()
    for found in judged.values():
        for about in ABOUT:
            try:
                chain = explain(found, about)
            except InvalidInput as error:
                assert error.field == "about"
                continue
            told.add(about)
            assert len({link.key for link in chain}) == len(chain)
            for link in chain:
                assert link.equation
                assert str(link.says).endswith(".")
                assert all(np.isfinite(bar.much.value) and bar.much.value >= 0.0 for bar in (*link.bars, *link.against))
    assert told == set(ABOUT)
