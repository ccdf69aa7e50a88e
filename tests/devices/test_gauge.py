"""A thickness gauge: what its lines say, several readings together, and a stand-in that misbehaves."""

import math
import time

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.devices import Lines, Reading, Unread, Watch, average, check_address, read
from lofty_press.devices.lines import LONGEST
from lofty_press.devices.stand_in import GaugeStandIn, Jaws
from lofty_press.devices.watch import KEPT, wait_for


@pytest.mark.parametrize(
    ("line", "mm"),
    [
        ("+3.020 mm", 3.02),
        ("3,02", 3.02),
        ("0.119in", 0.119 * 25.4),
        ("-0.004 MM", -0.004),
        ('.5"', None),
        ("0.5 inch", 12.7),
        ("  2.6  ", 2.6),
    ],
)
def test_a_line_is_read_with_its_sign_and_unit(line, mm):
    """An inch is 25.4 mm (international inch, 1959)."""
    found = read(line)
    assert (found.mm == pytest.approx(mm)) if mm is not None else isinstance(found, Unread)


@pytest.mark.parametrize("line", ["NaN", "inf mm", "1e3", "3.0.2", "ERR 7", "", "3 mm 4", "999 mm", "=1+1", "３.０", "3 cm", "x" * 500])
def test_what_is_no_thickness_is_told_why(line):
    found = read(line)
    assert isinstance(found, Unread)
    assert len(found.line) <= 40
    assert found.why


@given(st.binary(max_size=600), st.integers(1, 50))
def test_any_bytes_make_lines_of_bounded_length_and_none_is_lost(noise, piece):
    """Cut into pieces anywhere; a good line after the noise arrives whole."""
    sent = noise + b"\n+3.020 mm\r\n"

    class Source:
        def __init__(self):
            self.left = sent

        @property
        def in_waiting(self):
            return min(len(self.left), piece)

        def read(self, size=1):
            taken, self.left = self.left[:size], self.left[size:]
            return taken

    source = Source()
    lines, found = Lines(source), []
    while source.left:
        found += list(lines.take())
    assert found[-1] == "+3.020 mm"
    assert all(len(line) <= LONGEST for line in found)


@given(st.lists(st.floats(2.98, 3.02), min_size=3, max_size=12))
def test_readings_that_agree_are_their_mean(readings):
    found = average(readings)
    assert found.mm == pytest.approx(np.mean(readings))
    assert (found.count, found.slips) == (len(readings), 0)
    assert 0.005 <= found.sd_mm <= 0.02


def test_a_slip_is_left_out_and_counted():
    found = average([3.01, 3.02, 3.55, 3.02, 3.00])
    assert found.mm == pytest.approx(3.0125)
    assert (found.count, found.slips) == (4, 1)


def test_of_two_readings_that_differ_neither_is_a_slip():
    """Nobody can say which of the two it is: the mean is as uncertain as they differ."""
    found = average([3.0, 3.5])
    assert found.slips == 0
    assert found.sd_mm == pytest.approx(0.25, rel=0.01)


def test_more_readings_are_worth_more_up_to_half_of_what_a_gauge_scatters():
    noise = np.random.default_rng(1).normal(3.0, 0.012, 400)
    spreads = [average(list(noise[:n])).sd_mm for n in (3, 12, 400)]
    assert spreads[0] > spreads[2] == 0.005


def test_no_reading_says_nothing():
    assert average([]) is None


@pytest.mark.parametrize("address", ["socket://127.0.0.1:7777", "socket://localhost:1", "loop://", "/dev/ttyUSB0", "/dev/ttyACM12", "COM3"])
def test_ports_of_this_computer_are_taken(address):
    assert check_address(address) == address


@pytest.mark.parametrize(
    "address",
    [
        "socket://10.0.0.1:80",
        "socket://127.0.0.1:0",
        "socket://127.0.0.1:99999",
        "socket://127.0.0.1.example:80",
        "/etc/passwd",
        "/dev/sda",
        "rfc2217://127.0.0.1:1",
        "spy:///dev/ttyUSB0?file=/tmp/x",
        "/dev/ttyUSB0\n",
        "alt://loop",
        "",
        "/dev/../etc/passwd",
    ],
)
def test_anything_else_is_refused_by_name(address):
    with pytest.raises(InvalidInput) as refused:
        check_address(address)
    assert refused.value.field == "address"


@pytest.fixture
def gauge():
    stand_in = GaugeStandIn(Jaws(noise=0.004))
    yield stand_in
    stand_in.close()


@pytest.fixture
def watch(gauge):
    listening = Watch(read)
    listening.listen(gauge.address)
    until(lambda: gauge.connected and listening.state == "listening")  # what comes while a port is opened is thrown away
    yield listening
    listening.close()


def until(true, patience=40.0):
    end = time.monotonic() + patience
    while not true():
        assert time.monotonic() < end, "it did not happen in time"
        time.sleep(0.01)


def test_the_stand_in_is_heard(gauge, watch):
    gauge.press(3.02)
    (heard,) = wait_for(watch, 0)
    assert heard.number == 1
    assert heard.said.mm == pytest.approx(3.02, abs=0.03)
    assert watch.after(1) == ()


def test_garbage_and_half_lines_spoil_no_reading_after_them(gauge, watch):
    gauge.press(3.0, "garbage")
    gauge.press(3.0, "silence")
    gauge.press(2.5)
    until(lambda: watch.last == 2)
    first, second = watch.after(0)
    assert isinstance(first.said, Unread)
    assert second.said.mm == pytest.approx(2.5, abs=0.03)
    gauge.press(2.5, "half")  # the next line runs on from it, and is not taken for a thickness
    gauge.press(2.5)
    until(lambda: watch.last == 3)
    assert isinstance(watch.after(2)[0].said, Unread)


def test_unplugged_in_the_middle_it_is_found_again_and_nothing_is_lost(gauge, watch):
    gauge.press(3.0)
    until(lambda: watch.last == 1)
    gauge.press(0.0, "unplug")
    until(lambda: watch.state == "seeking")
    until(lambda: gauge.connected and watch.state == "listening")
    gauge.press(2.0)
    until(lambda: watch.last == 2)
    assert [round(heard.said.mm) for heard in watch.after(0)] == [3, 2]


def test_a_gauge_that_sends_without_end_is_kept_to_its_last_lines(gauge, watch):
    for _ in range(KEPT + 50):
        gauge.press(1.0)
    until(lambda: watch.last == KEPT + 50)
    heard = watch.after(0)
    assert len(heard) == KEPT
    assert heard[-1].number == KEPT + 50


def test_nobody_there_is_sought_until_somebody_comes():
    gone = GaugeStandIn()
    address = gone.address
    gone.close()
    watch = Watch(read)
    watch.listen(address)
    until(lambda: watch.state == "seeking")
    back = GaugeStandIn(port=int(address.rsplit(":", 1)[1]))
    until(lambda: watch.state == "listening")
    watch.close()
    back.close()
    assert watch.state == "off"


def test_a_gauge_in_inches_says_the_same():
    stand_in = GaugeStandIn(Jaws(noise=0.0, unit="in"))
    assert isinstance(read(stand_in.line(3.0).decode().strip()), Reading)
    assert math.isclose(read(stand_in.line(3.0).decode().strip()).mm, 3.0, abs_tol=2e-3)
    stand_in.close()
