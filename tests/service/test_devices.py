"""Instruments through the service: chosen, heard, averaged, set to zero, unplugged."""

import time

import pytest

from lofty_press.devices.stand_in import GaugeStandIn, Jaws

URL = "/api/devices/gauge"


@pytest.fixture
def gauge():
    stand_in = GaugeStandIn(Jaws(zero=0.04, noise=0.003))
    yield stand_in
    stand_in.close()


@pytest.fixture
def heard(http, gauge):
    answer = http.put(URL, json={"address": gauge.address})
    assert answer.status_code == 200, answer.text
    asked(http, lambda found: found["state"] == "listening")
    yield answer.json()
    http.put(URL, json={"address": ""})


def asked(http, true, **params):
    """Ask until something is true of the gauge."""
    end = time.monotonic() + 40.0
    while time.monotonic() < end:
        answer = http.get(URL, params=params)
        assert answer.status_code == 200, answer.text
        if true(answer.json()):
            return answer.json()
        time.sleep(0.05)
    raise AssertionError(f"it did not come true: {answer.json()}")


def test_readings_of_one_thing_are_put_together_and_a_slip_left_out(http, gauge, heard):
    before = heard["last"]
    for mm in (3.0, 3.0, 3.6, 3.0, 3.0):
        gauge.press(mm)
    found = asked(http, lambda g: g["last"] == before + 5, after=before)
    assert found["together"]["mm"] == pytest.approx(3.04, abs=0.01)
    assert (found["together"]["count"], found["together"]["slips"]) == (4, 1)
    assert http.get(URL, params={"after": found["last"]}).json()["together"] is None


def test_its_zero_is_taken_off_every_reading(http, gauge, heard):
    gauge.press(0.0)
    shown = asked(http, lambda g: g["newest_mm"] is not None, after=heard["last"])["newest_mm"]
    zeroed = http.put(f"{URL}/zero", json={"zero_mm": shown}).json()
    gauge.press(2.5)
    found = asked(http, lambda g: g["newest_mm"] is not None, after=zeroed["last"])
    assert found["newest_mm"] == pytest.approx(2.5, abs=0.02)


def test_what_it_sends_besides_is_told_and_nothing_taken_from_it(http, gauge, heard):
    gauge.press(1.0, "garbage")
    found = asked(http, lambda g: g["unread"] is not None, after=heard["last"])
    assert found["together"] is None
    assert found["unread"]["why"] == "it isn't a number with mm or in"


def test_unplugged_it_is_sought(http, gauge, heard):
    gauge.close()
    found = asked(http, lambda g: g["state"] == "seeking")
    assert found["address"] == heard["address"]


@pytest.mark.parametrize("address", ["socket://192.168.1.1:23", "file:///etc/passwd", "/dev/sda", "x" * 300])
def test_what_is_not_plugged_into_this_computer_is_refused_by_name(http, address):
    answer = http.put(URL, json={"address": address})
    assert answer.status_code == 422
    assert "address" in answer.json()["error"]["field"]
    assert http.get(URL).json()["address"] == ""


@pytest.mark.parametrize("zero", [None, "NaN", 5.0, "0,1"])
def test_an_impossible_zero_is_refused(http, zero):
    answer = http.put(f"{URL}/zero", json={"zero_mm": zero})
    assert answer.status_code == 422
    assert "zero_mm" in answer.json()["error"]["field"]
