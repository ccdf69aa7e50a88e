"""The page carries edits out as the core does: any sandwich, any edits, one answer."""

import json
from functools import cache

from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st
from tests.core.builders import SHELF
from tests.service.carried_out import EDITS

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.sandwich.stack.apply import apply_edits
from lofty_press.core.sandwich.stack.check import check_sandwich
from lofty_press.core.sandwich.stack.edits import (
    Lay,
    Move,
    Put,
    Refresh,
    Remove,
    Rename,
    Set,
    SetEffect,
    SetPasses,
    Swap,
    Trim,
    TurnOver,
    UsePress,
)
from lofty_press.demo.presses import PRESSES
from lofty_press.demo.sandwiches import SANDWICHES
from lofty_press.demo.shelf import INKS
from lofty_press.documents.files.sandwich_file import SANDWICH

NAMES = st.sampled_from(list(SANDWICHES))
AS_MANY = 60  # asked of Node at once
place = st.integers(-3000, 3000).map(lambda n: n / 10)
turn = st.integers(-720, 720).map(lambda n: n / 2)


def plain(sandwich):
    return json.loads(SANDWICH.dump_json(sandwich))


@cache
def edits_of(name):
    """Any edit of a sandwich, of layers that it has not as well."""
    sandwich = SANDWICHES[name]
    layers = st.sampled_from([*(layer.id for layer in sandwich.layers), "l99"])
    items = st.sampled_from(list(SHELF.values()))
    at = st.integers(0, 12)
    sizes = st.integers(10, 300).map(float)
    maybe = lambda values: st.none() | values  # noqa: E731
    return st.one_of(
        st.builds(Remove, layer=layers),
        st.builds(TurnOver, layer=layers),
        st.builds(Move, layer=layers, to=at),
        st.builds(Put, item=items, at=at, count=st.integers(1, 12), role=maybe(st.sampled_from(["sheet", "shim", "backing"]))),
        st.builds(Swap, layer=layers, item=items),
        st.builds(Lay, layers=st.lists(layers, min_size=1, max_size=4).map(tuple), lead=layers, x_mm=place, y_mm=place, rotation_deg=turn),
        st.builds(
            Set,
            layer=layers,
            count=maybe(st.integers(1, 12)),
            x_mm=maybe(place),
            rotation_deg=maybe(turn),
            role=maybe(st.just("shim")),
            mist_age_s=maybe(st.integers(0, 900).map(float)),
            mist_face=maybe(st.just("front")),
            ink=maybe(st.sampled_from(list(INKS.values()))),
            dry=st.booleans(),
            no_ink=st.booleans(),
        ),
        st.builds(Trim, layer=layers, width_mm=sizes, length_mm=sizes),
        st.builds(SetPasses, passes=st.integers(1, 20)),
        st.builds(SetEffect, kind=maybe(st.just("cut")), front=maybe(st.just("sunk"))),
        st.builds(Rename, name=st.just("Renamed")),
        st.builds(UsePress, press=st.sampled_from(list(PRESSES.values()))),
        st.builds(Refresh, item=maybe(items), press=maybe(st.sampled_from(list(PRESSES.values())))),
    )


def carried_out(sandwich, edits):
    try:
        return plain(apply_edits(sandwich, edits))
    except InvalidInput:
        return "refused"


@given(data=st.data())
@settings(max_examples=8, deadline=None, suppress_health_check=[HealthCheck.function_scoped_fixture, HealthCheck.too_slow])
def test_page_and_core_come_to_the_same_sandwich(ask, data):
    cases = []
    for _ in range(AS_MANY):
        name = data.draw(NAMES)
        cases.append((SANDWICHES[name], data.draw(st.lists(edits_of(name), min_size=1, max_size=5))))
    told = ask("applyEdits", *([plain(sandwich), json.loads(EDITS.dump_json(edits))] for sandwich, edits in cases))
    for (sandwich, edits), on_the_page in zip(cases, told, strict=True):
        assert ("refused" if "refused" in on_the_page else on_the_page) == carried_out(sandwich, edits), edits


@given(data=st.data())
@settings(max_examples=200, deadline=None)
def test_what_edits_lead_to_is_a_sandwich(data):
    """Folders stay whole and apart, ids differ, items are there; whatever is asked for."""
    name = data.draw(NAMES)
    sandwich = SANDWICHES[name]
    edits = data.draw(st.lists(edits_of(name), min_size=1, max_size=6))
    try:
        after = apply_edits(sandwich, edits)
    except InvalidInput:
        return
    check_sandwich(after)
    assert {layer.item for layer in after.layers} == set(after.items)


def test_trimming_the_sheet_leaves_shims_of_the_same_card_alone():
    sleeve = SANDWICHES["ticket-sleeve"]
    sheet = next(layer for layer in sleeve.layers if layer.role == "sheet")
    shimmed = apply_edits(sleeve, [Put(item=sleeve.items[sheet.item], at=1, role="shim"), Trim(layer=sheet.id, width_mm=50, length_mm=60)])
    sizes = {layer.role: (shimmed.items[layer.item].width_mm, shimmed.items[layer.item].length_mm) for layer in shimmed.layers}
    whole = sleeve.items[sheet.item]
    assert sizes["sheet"] == (50, 60)
    assert sizes["shim"] == (whole.width_mm, whole.length_mm)


def test_a_folder_moves_on_the_bed_with_both_halves():
    sleeve = SANDWICHES["ticket-sleeve"]
    half = next(layer for layer in sleeve.layers if layer.half == "raised")
    after = apply_edits(sleeve, [Set(layer=half.id, y_mm=40.0), Lay(layers=(half.id,), lead=half.id, x_mm=0, y_mm=0, rotation_deg=90)])
    assert [(layer.y_mm, layer.rotation_deg) for layer in after.layers if layer.half] == [(0.0, 90.0), (0.0, 90.0)]
