"""A motor press: what its lines say, what it is told, and a stand-in that jams as the model says and misbehaves when it is told to."""

import time
from dataclasses import replace

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from lofty_press.core.judging.assess import assess
from lofty_press.core.judging.dialin import peak_of
from lofty_press.demo.presses import PRESSES
from lofty_press.demo.reliefs.library import demo_relief
from lofty_press.demo.sandwiches import SANDWICHES
from lofty_press.devices import At, Ended, Hello, Unread, Watch, force_of, read_motor
from lofty_press.devices.motor_stand_in import Motor, MotorStandIn, Passage
from lofty_press.devices.passage import passage_of
from lofty_press.devices.watch import wait_for

QUICK = Motor(speed=4000.0, reports=200.0, flicker_a=0.0)


@pytest.mark.parametrize(
    ("line", "said"),
    [
        ("MOTOR idle 0.40 A limit 2.50 A", Hello(0.4, 2.5)),
        ("AT 12,5 mm 0.84 A", At(12.5, 0.84)),
        ("at 3 MM 1 a", At(3.0, 1.0)),
        ("JAM 41.0 mm", Ended("jam", 41.0)),
        ("end 312 mm", Ended("end", 312.0)),
    ],
)
def test_lines_of_a_motor_are_read(line, said):
    assert read_motor(line) == said


@pytest.mark.parametrize(
    "line",
    [
        "",
        "AT mm A",
        "AT NaN mm 1 A",
        "AT 1e9 mm 1 A",
        "AT 99999 mm 1 A",
        "MOTOR idle 3 A limit 2 A",
        "MOTOR idle 1 A limit 999 A",
        "FEED",
        "x" * 300,
    ],
)
def test_what_is_no_line_of_a_motor_is_told_why(line):
    found = read_motor(line)
    assert isinstance(found, Unread)
    assert found.why
    assert len(found.line) <= 40


@given(st.text(max_size=200))
def test_no_text_breaks_the_reader(text):
    assert read_motor(text) is not None


def test_the_current_over_idle_is_the_force():
    """A motor's torque goes with its current (any textbook on electric drives; from memory)."""
    motor = Hello(0.5, 2.5)
    assert force_of(0.5, motor, 40.0) == 0.0
    assert force_of(0.1, motor, 40.0) == 0.0
    assert force_of(1.5, motor, 40.0) == pytest.approx(20.0)
    assert force_of(2.5, motor, 40.0) == pytest.approx(40.0)


def greeted(watch):
    """Hears a motor's greeting; asks for it, since what comes while a port is opened is thrown away."""
    until = time.monotonic() + 40.0
    while watch.state != "listening" and time.monotonic() < until:
        time.sleep(0.01)
    assert watch.send("?")
    assert wait_for(watch, 0)


def fed(passage, motor=QUICK, trouble=None):
    """What is heard of one feed, up to its end."""
    stand_in, watch = MotorStandIn(passage, motor), Watch(read_motor, name="motor", kept=4000)
    stand_in.trouble = trouble
    watch.listen(stand_in.address)
    greeted(watch)
    assert watch.send("FEED")
    until = time.monotonic() + 40.0
    heard = []
    while time.monotonic() < until and not any(isinstance(s, Ended) for s in heard):
        heard = [h.said for h in watch.after(0)]
        time.sleep(0.01)
    watch.close()
    stand_in.close()
    return heard


def test_a_feed_is_heard_from_end_to_end():
    heard = fed(Passage(lambda x: 0.5 if 50 < x < 150 else 0.0, 200.0))
    assert heard[0] == Hello(0.4, 2.5)
    points = [s for s in heard if isinstance(s, At)]
    assert [p.position_mm for p in points] == sorted(p.position_mm for p in points)
    assert max(p.current_a for p in points) == pytest.approx(0.4 + 0.5 * 2.1)
    assert heard[-1] == Ended("end", 200.0)


def test_it_stops_at_its_limit_and_jams_where_it_is_not_drawn_in():
    assert fed(Passage(lambda x: 2.0 if x > 100 else 0.1, 300.0))[-1].how == "limit"
    jammed = fed(Passage(lambda x: 0.1, 300.0, jams_at=60.0))[-1]
    assert jammed.how == "jam"
    assert jammed.position_mm == pytest.approx(60.0, abs=20.0)


def test_garbage_and_half_lines_lose_nothing_but_themselves():
    for trouble in ("garbage", "half"):
        heard = fed(Passage(lambda x: 0.1, 200.0), trouble=trouble)
        assert any(isinstance(s, Unread) for s in heard)
        assert isinstance(heard[-1], Ended)


def test_it_stops_when_it_is_told_to_and_goes_back():
    stand_in, watch = MotorStandIn(Passage(lambda x: 0.1, 1000.0), replace(QUICK, speed=100.0)), Watch(read_motor, name="motor")
    watch.listen(stand_in.address)
    greeted(watch)
    watch.send("FEED")
    wait_for(watch, watch.last + 3)
    watch.send("STOP")
    until = time.monotonic() + 40.0
    while not any(isinstance(h.said, Ended) for h in watch.after(0)) and time.monotonic() < until:
        time.sleep(0.01)
    ended = next(h.said for h in watch.after(0) if isinstance(h.said, Ended))
    assert ended.how == "stopped"
    assert ended.position_mm < 500.0
    watch.send("BACK")
    until = time.monotonic() + 40.0
    while stand_in.position != 0.0 and time.monotonic() < until:
        time.sleep(0.01)
    assert stand_in.position == 0.0
    watch.close()
    stand_in.close()


def test_a_motor_that_is_not_there_is_told_nothing():
    watch = Watch(read_motor, name="motor")
    assert not watch.send("FEED")
    watch.listen("socket://127.0.0.1:9")
    assert not watch.send("FEED")
    watch.close()


def on_summit(key):
    return replace(SANDWICHES[key], press=PRESSES["summit"])


def test_the_passage_of_a_sandwich_is_its_computed_load():
    """The stand-in's peak is the verdict's, and a pile that is not drawn in jams where it first meets the rollers."""
    pile = SANDWICHES["ticket-sleeve"]
    passage = passage_of(pile, demo_relief)
    along = np.linspace(0.0, passage.length, 2000)
    peak = max(passage.load(x) for x in along) * pile.press.drive.limit_n
    assert peak == pytest.approx(assess(pile, demo_relief).nip.peak_handle, rel=0.02)
    assert passage.jams_at is None
    assert max(passage_of(pile, demo_relief, thicker=0.1).load(x) for x in along) > max(passage.load(x) for x in along)
    jams = passage_of(SANDWICHES["two-plates"], demo_relief)
    assert 0.0 <= jams.jams_at < jams.length


def test_a_trace_gives_its_peak_back_through_its_flicker():
    rng = np.random.default_rng(3)
    clean = 30.0 * np.exp(-(((np.arange(200) - 100) / 30.0) ** 2))
    peak, sd = peak_of((clean + 0.4 * rng.standard_normal(200)).tolist())
    assert peak == pytest.approx(30.0, abs=3 * 0.4)
    assert 0.2 < sd < 0.8
    spiked = clean.copy()
    spiked[20] = 200.0
    assert peak_of(spiked.tolist())[0] == pytest.approx(30.0, abs=0.1)
    assert peak_of([1.0] * 4) is None
