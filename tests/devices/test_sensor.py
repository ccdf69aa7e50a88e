"""A room sensor: its lines, its stand-in, and run cards in its air."""

import time

import pytest
from hypothesis import given
from hypothesis import strategies as st
from tests.core.with_maps import assess

from lofty_press.core.basics.air import Air
from lofty_press.core.working.steps import about, in_the_room, write_card
from lofty_press.demo.sandwiches import SANDWICHES
from lofty_press.devices import Unread, Watch, read_air
from lofty_press.devices.sensor_stand_in import SensorStandIn
from lofty_press.devices.watch import wait_for


@pytest.mark.parametrize(
    ("line", "air"),
    [
        ("21.4 C 48.2 %", Air(21.4, 0.482)),
        ("T=21,4 RH=48", Air(21.4, 0.48)),
        ("68 F, 50 %RH", Air(20.0, 0.5)),
        ("-3 C 80%", Air(-3.0, 0.8)),
    ],
)
def test_lines_of_a_sensor_are_read(line, air):
    """68 degrees Fahrenheit are 20 degrees Celsius, by definition."""
    assert read_air(line) == air


@pytest.mark.parametrize("line", ["", "21 C", "99 C 20 %", "20 C 120 %", "20 C -3 %", "NaN C 50 %", "twenty", "x" * 400])
def test_what_is_no_air_is_told_why(line):
    found = read_air(line)
    assert isinstance(found, Unread)
    assert found.why
    assert len(found.line) <= 40


@given(st.text(max_size=120))
def test_no_text_breaks_the_reader(text):
    assert read_air(text) is not None


def test_the_stand_in_says_how_the_air_is_and_goes_on_after_garbage():
    stand_in, watch = SensorStandIn(Air(19.0, 0.3), seconds=60.0), Watch(read_air, name="room sensor")
    watch.listen(stand_in.address)
    until = time.monotonic() + 40.0
    while watch.state != "listening" and time.monotonic() < until:
        time.sleep(0.01)
    stand_in.say()  # what it said while the port was opened may be thrown away
    first = wait_for(watch, 0)[0]
    assert first.said.temperature == pytest.approx(19.0, abs=0.3)
    assert first.said.humidity == pytest.approx(0.3, abs=0.02)
    for trouble, kind in (("garbage", Unread), ("half", (Unread, Air)), (None, Air)):
        stand_in.trouble = trouble
        before = watch.last
        stand_in.say()
        assert isinstance(wait_for(watch, before)[-1].said, kind)
    watch.close()
    stand_in.close()


def waits(card):
    return [step.wait.seconds for step in card.steps if step.wait is not None and step.wait.what == "drying"]


def test_what_dries_takes_as_long_as_the_air_lets_it():
    card = write_card(assess(SANDWICHES["programme-cover"]))
    assert waits(card)
    damp = in_the_room(card, Air(23.0, 0.75))
    assert waits(damp) == [pytest.approx(2.0 * seconds, abs=1.0) for seconds in waits(card)]
    assert [step.text for step in damp.steps] == [step.text for step in card.steps]


def test_dry_and_damp_rooms_are_told_and_usual_ones_are_not():
    assert "cracks sooner" in about(Air(22.0, 0.25))
    assert "as slowly" in about(Air(22.0, 0.75))
    assert about(Air(22.0, 0.5)) is None
    card = write_card(assess(SANDWICHES["ticket-sleeve"]))
    assert in_the_room(card, Air(22.0, 0.5)).orders == card.orders
    assert len(in_the_room(card, Air(22.0, 0.25)).orders) == len(card.orders) + 1
