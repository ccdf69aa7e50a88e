"""Kinds of things: one table says what each is, and everything else follows from it."""

import pytest

from lofty_press.bench.kinds import lists_of_kinds
from lofty_press.core.mechanics.effects import is_soft
from lofty_press.core.sandwich.stack import (
    BASES,
    CLEAR_PLATES,
    DIES,
    EFFECT_TRAITS,
    FILLS,
    FOLDERS,
    ITEM_KINDS,
    KIND_TRAITS,
    MATS,
    PADS,
    PLATES,
    RELIEFS,
    TOOLS,
    Placed,
    check_item,
    typical_thing,
)


def test_every_kind_is_in_the_table_and_in_one_family():
    assert list(KIND_TRAITS) == list(dict.fromkeys(KIND_TRAITS))
    assert set(KIND_TRAITS) == set(ITEM_KINDS)
    assert sorted((*PLATES, *MATS, *FOLDERS, *RELIEFS, *DIES, "sheet")) == sorted(ITEM_KINDS)
    assert set(BASES) < set(PLATES)
    assert set(CLEAR_PLATES) < set(PADS) < set(PLATES)
    assert not set(FILLS) & {*TOOLS, *BASES}


def test_nobody_lists_kinds_by_hand_besides():
    assert list(lists_of_kinds()) == []


@pytest.mark.parametrize("kind", ITEM_KINDS)
def test_a_typical_thing_of_a_kind_is_what_its_traits_say(kind):
    traits, thing = KIND_TRAITS[kind], typical_thing(kind)
    check_item("item", thing)
    assert (thing.thickness.mm, thing.thickness.sd_mm, thing.material) == (traits.mm, traits.sd, traits.material)
    assert (thing.relief is not None, thing.blade is not None) == (traits.relief is not None, traits.blade is not None)
    assert is_soft(Placed(0, None, thing)) == (traits.family == "mat")
    if traits.blade is not None:
        assert traits.gives in ("cut", "cut and emboss")


@pytest.mark.parametrize("kind", TOOLS)
def test_what_a_tool_mostly_gives_is_an_effect_that_takes_it(kind):
    gives = KIND_TRAITS[kind].gives
    assert kind in EFFECT_TRAITS[gives].tools


def test_no_word_of_a_list_means_two_kinds():
    words = [word for traits in KIND_TRAITS.values() for word in traits.spoken]
    assert len(words) == len(set(words))
