"""Piles and files that nobody would build on purpose: an answer or a refusal, never a crash, never NaN."""

import copy
import json
import math
from dataclasses import replace
from typing import Any

from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st
from tests.core.builders import edited
from tests.core.with_maps import assess

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.judging.offers import offers
from lofty_press.core.mechanics.feed.examine import look_at
from lofty_press.core.sandwich.relief.height_map import no_library
from lofty_press.core.sandwich.stack.check import check_sandwich
from lofty_press.core.sandwich.stack.kinds import FOLDERS
from lofty_press.demo.presses import PRESSES
from lofty_press.demo.sandwiches import SANDWICHES, SHELF, Row, build, lay
from lofty_press.demo.shelf import INKS
from lofty_press.documents.answers.assessment import describe
from lofty_press.documents.files.sandwich_file import read_sandwich, write_sandwich

MANY = settings(max_examples=60, deadline=None, suppress_health_check=[HealthCheck.too_slow])
EFFECTS = ("emboss", "cut", "cut and emboss", "line", "motif", "texture", "letterpress", "metal", "emboss in die", "stencil")
FLAT = sorted(key for key, item in SHELF.items() if item.kind not in FOLDERS)
FOLDED = sorted(key for key, item in SHELF.items() if item.kind in FOLDERS)

placement = st.fixed_dictionaries(
    {},
    optional={
        "x_mm": st.floats(-120, 120),
        "y_mm": st.floats(-80, 80),
        "rotation_deg": st.sampled_from([0.0, 15.0, 90.0, 180.0, 33.3]),
        "turned": st.booleans(),
        "mist_age_s": st.sampled_from([0.0, 40.0, 1000.0]),
        "ink": st.sampled_from(list(INKS.values())),
    },
)


@st.composite
def any_rows(draw: Any) -> list[Row]:
    """Up to ten layers in any order, with or without a folder around some of them."""
    rows: list[Row] = [
        lay(draw(st.sampled_from(FLAT)), **draw(placement), count=draw(st.integers(1, 4))) for _ in range(draw(st.integers(0, 8)))
    ]
    if draw(st.booleans()):
        key, way = draw(st.sampled_from(FOLDED)), draw(st.booleans())
        low, high = sorted(draw(st.lists(st.integers(0, len(rows)), min_size=2, max_size=2)))
        halves = ("raised", "sunk") if way else ("sunk", "raised")
        rows = [*rows[:low], lay(key, half=halves[0]), *rows[low:high], lay(key, half=halves[1]), *rows[high:]]
    return rows


def assert_finite(value: Any, path: str = "") -> None:
    """No NaN and no infinity anywhere in a document."""
    if isinstance(value, dict):
        for key, part in value.items():
            assert_finite(part, f"{path}.{key}")
    elif isinstance(value, list):
        for part in value:
            assert_finite(part, f"{path}[]")
    elif isinstance(value, float):
        assert math.isfinite(value), path


@given(rows=any_rows(), effect=st.sampled_from(EFFECTS), press=st.sampled_from(sorted(PRESSES)), passes=st.integers(1, 6))
@MANY
def test_any_pile_gets_a_whole_and_finite_answer(rows, effect, press, passes):
    sandwich = build("Any", press, effect, *rows, passes=passes)
    result = assess(sandwich)
    document = describe(result, with_map=True)
    assert_finite(document.model_dump())
    assert result.sentence
    if result.verdict is not None:
        assert abs(sum(result.verdict.chances.values()) - 1.0) < 1e-9
        assert list(result.verdict.bounds) == sorted(result.verdict.bounds)
        assert result.verdict.zone in result.verdict.chances
    assert len({(f.code, f.layer) for f in result.findings}) == len(result.findings)
    assert read_sandwich(write_sandwich(sandwich)) == sandwich


@given(rows=any_rows(), effect=st.sampled_from(EFFECTS))
@MANY
def test_every_fix_of_any_pile_leads_to_a_sandwich_that_can_be_judged(rows, effect):
    result = assess(build("Any", "midway", effect, *rows))
    for found in result.findings:
        if found.fix is not None:
            check_sandwich(edited(result.sandwich, found.fix.edits, *SHELF.values()))
    assert all(one.after.sentence for one in offers(result, lambda _: []))


leaf = st.one_of(
    st.none(), st.booleans(), st.integers(-(10**9), 10**9), st.floats(), st.text(max_size=20), st.just([]), st.just({}), st.just("x" * 5000)
)


def paths(value: Any, before: tuple[Any, ...] = ()) -> list[tuple[Any, ...]]:
    """Every place of a document."""
    found = [before] if before else []
    items = value.items() if isinstance(value, dict) else enumerate(value) if isinstance(value, list) else ()
    for key, part in items:
        found += paths(part, (*before, key))
    return found


@given(data=st.data(), name=st.sampled_from(sorted(SANDWICHES)))
@settings(max_examples=250, deadline=None, suppress_health_check=[HealthCheck.too_slow])
def test_a_damaged_file_is_read_or_refused_with_a_field_and_never_crashes(data, name):
    document = json.loads(write_sandwich(SANDWICHES[name]))
    damaged = copy.deepcopy(document)
    for _ in range(data.draw(st.integers(1, 2))):
        *way, last = data.draw(st.sampled_from(paths(damaged)))
        part = damaged
        for step in way:
            part = part[step]
        if data.draw(st.booleans()) or isinstance(part, list):
            part[last] = data.draw(leaf)
        else:
            del part[last]
    try:
        result = assess(read_sandwich(json.dumps(damaged)))
    except InvalidInput as refusal:
        assert refusal.field
        assert len(str(refusal)) < 2000
        return
    assert_finite(describe(result).model_dump())


def test_a_press_as_narrow_as_nothing_still_has_a_bed():
    """An empty bench on rollers of no width: an answer, no division by it."""
    empty = replace(SANDWICHES["arch-cut"], layers=(), press=replace(SANDWICHES["arch-cut"].press, feed_width_mm=1e-300))
    assert assess(empty).sentence
    assert look_at(empty, no_library).trace.peak == 0.0
