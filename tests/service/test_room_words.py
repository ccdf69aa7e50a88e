"""What was learnt and what to try next, in words; without database or web."""

import numpy as np
import pytest

from lofty_press.core.basics.words import say
from lofty_press.core.judging.dialin import Learnt, Next, Response, Shape, Shims, Trial, Tried, believed_before, learn, plates_of, unlike
from lofty_press.core.judging.verdict import ZONES
from lofty_press.core.sandwich.stack import Drive, Press, Thickness
from lofty_press.demo.sandwiches import SANDWICHES
from lofty_press.service.keeping.room.describe import describe_next, describe_room, from_there, shims_words
from lofty_press.service.keeping.room.evidence import seen_in
from lofty_press.service.keeping.room.jobs import Standing
from lofty_press.service.keeping.room.models import Feeler
from lofty_press.service.keeping.runs.models import RunBody

SLEEVE = SANDWICHES["ticket-sleeve"]
PRESS = Press(name="Mine", opening=Thickness(mm=17.7, sd_mm=0.25), shelf_id="p", drive=Drive())
CHANCES = dict.fromkeys(ZONES, 0.2)
STANDING = Standing(CHANCES, None, None)


@pytest.mark.parametrize(
    ("count", "to_do", "after"),
    [
        (0, "Leave the pile as is.", "leave it at that"),
        (1, "Add one shim.", "one shim more"),
        (3, "Add 3 shims.", "3 shims more"),
        (-1, "Take one shim out.", "one shim less"),
        (-2, "Take 2 shims out.", "2 shims less"),
    ],
)
def test_shims_are_told_as_something_to_do(count, to_do, after):
    assert str(shims_words(Shims(count, 0.5))) == to_do
    assert str(from_there(count)) == after


def test_a_trial_tells_only_what_may_be_seen_and_goes_on_from_there():
    means = {zone: Shims(1, 0.5) for zone in ZONES} | {"faint": Shims(2, 0.8)}
    seen = {"slack": 0.01, "faint": 0.3, "right": 0.6, "hard": 0.02, "refuses": 0.07}
    told = describe_next(SLEEVE, STANDING, Next(Shims(1, 0.6), Trial("try", None, 1, 0.7, 0.05, means, seen)))
    assert str(told.words) == "Try one sheet of scrap. Add one shim."
    assert [str(line) for line in told.why] == [
        "If it comes out faint, one shim more. A good sheet then: likely, 8 in 10.",
        "If it comes out right, leave it at that. A good sheet then: could go either way, 5 in 10.",
        "If it won't go through, leave it at that. A good sheet then: could go either way, 5 in 10.",
    ]
    assert told.shims == 1


def test_a_gauge_is_put_on_a_thing_by_its_name():
    trial = Trial("measure", "opening:p", 0, 0.8, 0.02, {}, {})
    told = describe_next(SLEEVE, STANDING, Next(Shims(0, 0.6), trial))
    assert str(told.words) == f"Measure the opening of {SLEEVE.press.name} first. A good sheet then: likely, 8 in 10."
    assert told.measure == "opening:p"


def test_paper_is_counted_on_the_plates_alone():
    plates = plates_of(SLEEVE)
    found = Next(Shims(0, 0.6), Trial("count", None, 0, 0.8, 0.03, {}, {}))
    told = describe_next(SLEEVE, STANDING, found, Feeler(sandwich=plates, sheets=21))
    assert "about 21 sheets" in str(told.words)
    assert told.count.sandwich == plates
    assert (told.measure, told.shims) == (None, None)


@pytest.mark.parametrize(("right", "words"), [(0.97, "You know enough to press"), (0.5, "Try it on scrap"), (0.1, "No number of shims")])
def test_enough_is_enough_and_too_little_is_said(right, words):
    assert words in str(describe_next(SLEEVE, STANDING, Next(Shims(0, right), None)).words)


@pytest.mark.parametrize(
    ("key", "words"),
    [
        ("opening:p", "Mine doesn't open 17.70 mm"),
        ("frame:p", "Mine is stiffer or softer than such presses"),
        ("grip:p", "Mine grips better or worse"),
        ("kind:hard plate", "every hard plate is thicker or thinner"),
        ("soft:rubber", "the rubber is harder or softer than usual"),
        ("thing:gone", ""),
    ],
)
def test_what_may_be_off_is_named(key, words):
    assert words in str(unlike(key, {"p": PRESS}, {}))


def test_a_press_that_nothing_was_learnt_of_is_not_told():
    before = believed_before([PRESS], [])
    assert describe_room(Learnt(before, before, (), ()), {"p": PRESS}, {}).presses == []
    added = np.linspace(-1.0, 1.0, 50)
    response = Response({"opening:p": -1.0}, {}, {}, added, Shape(4.0 * (added + 0.4), np.log([2.0, 6.0, 40.0]), 9.0, 0.6), 0.5)
    learnt = learn(before, [Tried("a", SLEEVE, frozenset({"right"}))], lambda _: response)
    (told,) = describe_room(learnt, {"p": PRESS}, {}).presses
    assert told.sd_mm < told.before_sd_mm
    assert str(told.source) == "from one run or known pile"


@pytest.mark.parametrize(
    ("result", "effort", "left_out", "zones"),
    [
        ("right", None, False, {"right"}),
        ("right", "hard", False, {"right", "hard"}),
        ("right", "easy", True, None),
        ("faint", "hard", False, {"faint"}),
        ("too hard", None, False, {"hard", "refuses"}),
        ("cracked", None, False, None),
        ("moved", None, False, None),
        ("crushed", None, False, {"hard"}),
        ("cut where it should not", None, False, None),
        (None, None, False, None),
    ],
)
def test_what_came_out_fits_these_zones(result, effort, left_out, zones):
    body = RunBody(sandwich=SLEEVE, result=result, effort=effort, left_out=left_out)
    assert seen_in(body) == (None if zones is None else frozenset(zones))


def test_a_line_that_cut_was_pressed_too_hard():
    line = RunBody(sandwich=SANDWICHES["arch-line"], result="cut where it should not")
    assert seen_in(line) == {"hard"}


@pytest.mark.parametrize(("more", "words"), [(True, "thicker than 3.20 mm"), (False, "thinner than 3.20 mm"), (None, "isn't 3.20 mm")])
def test_a_thing_that_may_be_off_is_said_to_be_thicker_or_thinner(more, words):
    plate = next(item for item in SLEEVE.items.values() if item.name == "Hard plate, west")
    assert words in str(unlike("thing:w", {}, {"w": plate}, more))
    assert unlike("thing:other", {}, {"w": plate}, more) == ""
    for key in ("opening:p", "frame:p", "grip:p", "kind:hard plate", "soft:rubber"):
        assert len({str(unlike(key, {"p": PRESS}, {}, way)) for way in (True, False, None)}) == 3


def test_a_pile_that_will_not_go_through_is_not_left_as_it_is():
    chances = dict(zip(ZONES, (0.0, 0.0, 0.18, 0.1, 0.72), strict=True))
    told = describe_next(SLEEVE, Standing(chances, None, None), Next(Shims(0, 0.18), None))
    assert str(told.words).startswith("Don't press this pile: it's too thick.")
    assert told.shims is None


def test_what_is_wrong_whatever_the_sheet_may_be_is_mended_first():
    wrong = say("The blade points away from the sheet.")
    told = describe_next(SLEEVE, Standing(CHANCES, None, wrong), Next(Shims(0, 0.95), None))
    assert str(told.words) == "Fix this first. The blade points away from the sheet."
    assert told.good is None
