"""Zones, margins, certainty, and what to measure."""

from dataclasses import replace

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st
from tests.core.builders import build, folder, judged, lay, sheet_row, with_item, zone
from tests.core.with_maps import assess

from lofty_press.core.judging.verdict.zones import ZONES, expected_certainty, zone_chances
from lofty_press.core.sandwich.stack.item import Thickness
from lofty_press.demo.sandwiches import SANDWICHES

SLEEVE = SANDWICHES["ticket-sleeve"]


def grown(sandwich, added, key="hard-a"):
    item = sandwich.items[key]
    return with_item(sandwich, key, thickness=replace(item.thickness, mm=item.thickness.mm + added))


@pytest.mark.parametrize("name", ["ticket-sleeve", "programme-cover", "arch-cut", "arch-line", "envelope-device"])
def test_the_borders_are_where_the_verdict_really_changes(name):
    """The borders come from a sweep; a full judgement just before and just after each must differ. The sheet's own strength
    is what the borders are about, so the added thickness goes into a plate."""
    sandwich = SANDWICHES[name]
    key = next(k for k in ("deep", "hard-a", "soft") if k in sandwich.items)
    bounds = assess(sandwich).verdict.bounds
    for index, border in enumerate(bounds):
        if not -0.8 < border < 0.8 or (index and border - bounds[index - 1] < 0.06):
            continue
        before, after = grown(sandwich, border - 0.03, key), grown(sandwich, border + 0.03, key)
        assert ZONES.index(zone(assess(before))) < ZONES.index(zone(assess(after))), f"border {index} of {name}"


def test_the_margin_in_sheets_is_true_when_the_sheets_are_put_in():
    shimmed = judged(
        "emboss", lay("bed"), lay("hard-a"), *folder("rail-lattice", sheet_row()), lay("hard-b"), lay("mail-envelope", role="shim")
    )
    margin = shimmed.verdict.margin
    assert margin.shim == "Mail-car envelope"
    for added, expected in ((margin.sheets_more - 1, "right"), (margin.sheets_more, margin.more_is)):
        again = judged(
            "emboss",
            lay("bed"),
            lay("hard-a"),
            *folder("rail-lattice", sheet_row()),
            lay("hard-b"),
            lay("mail-envelope", role="shim", count=1 + added),
        )
        assert zone(again) == expected


def test_chances_add_up_and_certainty_falls_with_the_spread():
    bounds = (-0.2, -0.1, 0.5, 0.9)
    for spread in (0.0, 0.05, 0.3):
        assert sum(zone_chances(bounds, (spread,) * 4).values()) == pytest.approx(1.0)
    assert (
        zone_chances(bounds, (0.02,) * 4)["right"] > zone_chances(bounds, (0.1,) * 4)["right"] > zone_chances(bounds, (0.5,) * 4)["right"]
    )


def test_certainty_agrees_with_drawing_thicknesses_at_random():
    """Independent check of the propagation: 150 whole judgements with thicknesses drawn from their distributions."""
    draw = np.random.default_rng(4)
    sandwich = with_item(SLEEVE, "rail-lattice", thickness=Thickness(mm=2.55, sd_mm=0.08))
    sure = assess(sandwich).verdict.chances["right"]
    hits = 0
    for _ in range(150):
        varied = sandwich
        for key, item in sandwich.items.items():
            varied = with_item(varied, key, thickness=replace(item.thickness, mm=item.thickness.mm + draw.normal(0, item.thickness.sd_mm)))
        opening = varied.press.opening
        varied = replace(varied, press=replace(varied.press, opening=replace(opening, mm=opening.mm + draw.normal(0, opening.sd_mm))))
        hits += zone(assess(varied)) == "right"
    assert hits / 150 == pytest.approx(sure, abs=0.13)  # three standard deviations of 150 draws


def test_the_promised_certainty_is_what_measuring_brings_on_average():
    """Whole judgements for each possible outcome of the gauge, weighted by Gauss-Hermite quadrature."""
    before = assess(SLEEVE).verdict
    named = before.measure[0]
    key = next(layer.item for layer in SLEEVE.layers if layer.id == named.what)
    known = SLEEVE.items[key].thickness
    nodes, weights = np.polynomial.hermite_e.hermegauss(7)
    sure = []
    for node in nodes:
        measured = replace(known, mm=known.mm + node * known.sd_mm, sd_mm=0.01, source="gauge")
        sure.append(max(assess(with_item(SLEEVE, key, thickness=measured)).verdict.chances.values()))
    assert named.sure_after == pytest.approx(np.dot(sure, weights) / weights.sum(), abs=0.05)
    assert named.sure_after > before.sure


@given(known=st.floats(1e-4, 0.05), part=st.floats(0, 0.05), more=st.floats(0, 0.05))
def test_measuring_more_never_makes_one_less_sure_on_average(known, part, more):
    bounds = (-0.15, -0.06, 0.4, 0.9)
    total = known + part + more
    resolved = np.array([0.0, part, part + more])
    nothing, some, most = expected_certainty(bounds, total - resolved, resolved)
    assert nothing == pytest.approx(max(zone_chances(bounds, (total**0.5,) * 4).values()), abs=1e-6)
    assert nothing <= some + 0.02  # the quadrature's own error where the likeliest zone changes
    assert some <= most + 0.02


def test_a_sure_verdict_asks_for_no_measuring():
    assert assess(SANDWICHES["programme-cover"]).verdict.measure == ()


def test_thickness_counts_once_for_each_time_a_thing_lies_there():
    one = build(
        "T", "midway", "emboss", lay("bed"), *folder("rail-lattice", sheet_row()), lay("hard-b"), lay("pad-back", role="shim", count=1)
    )
    four = build(
        "T", "midway", "emboss", lay("bed"), *folder("rail-lattice", sheet_row()), lay("hard-b"), lay("pad-back", role="shim", count=4)
    )
    assert assess(four).verdict.spread > assess(one).verdict.spread
