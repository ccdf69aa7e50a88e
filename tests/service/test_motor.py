"""The motor press through the service: chosen, heard, told what to do, and its trace as evidence."""

import time

import pytest

from lofty_press.devices.motor_stand_in import Motor, MotorStandIn, Passage

QUICK = Motor(speed=2000.0, reports=100.0, flicker_a=0.0)


@pytest.fixture
def plugged(http):
    stand_in = MotorStandIn(Passage(lambda x: 0.5 if 50 < x < 150 else 0.0, 200.0), QUICK)
    assert http.put("/api/devices/motor", json={"address": stand_in.address}).status_code == 200
    until = time.monotonic() + 40.0
    while not stand(http)["ready"] and time.monotonic() < until:
        time.sleep(0.05)
    yield stand_in
    http.put("/api/devices/motor", json={"address": ""})
    stand_in.close()


def stand(http, **more):
    answer = http.get("/api/devices/motor", params={"limit_n": 40.0, **more})
    assert answer.status_code == 200, answer.text
    return answer.json()


def test_a_feed_is_told_and_heard_in_newtons_from_where_one_asks(http, plugged):
    before = stand(http)
    assert (before["state"], before["ready"], before["fed"]) == ("listening", True, [])
    assert http.post("/api/devices/motor/order", json={"order": "FEED"}).status_code == 204
    until = time.monotonic() + 40.0
    while stand(http, after=before["last"])["ended"] is None and time.monotonic() < until:
        time.sleep(0.05)
    found = stand(http, after=before["last"])
    assert found["ended"] == {"how": "end", "position_mm": 200.0}
    assert max(point["force_n"] for point in found["fed"]) == pytest.approx(20.0, abs=0.1)
    assert stand(http, after=found["last"])["fed"] == []


def test_a_motor_that_was_unplugged_moves_nothing_and_says_so(http):
    answer = http.post("/api/devices/motor/order", json={"order": "FEED"})
    assert answer.status_code == 409
    assert "This page moved nothing" in answer.json()["error"]["message"]
    assert http.put("/api/devices/motor", json={"address": "socket://10.0.0.1:80"}).status_code == 422
    assert stand(http)["state"] == "off"


@pytest.mark.parametrize("order", ["feed", "RUN", "", None, "?", "FEED\nSTOP"])
def test_other_orders_are_refused(http, order):
    assert http.post("/api/devices/motor/order", json={"order": order}).status_code == 422


@pytest.mark.parametrize(
    "trace",
    [
        {"position_mm": [1.0], "force_n": [], "ended": "end"},
        {"position_mm": [0.0] * 601, "force_n": [0.0] * 601, "ended": "end"},
        {"position_mm": [1.0], "force_n": [-1.0], "ended": "end"},
        {"position_mm": [1.0], "force_n": ["x"], "ended": "end"},
        {"position_mm": [1.0], "force_n": [1.0], "ended": "melted"},
    ],
)
def test_a_trace_that_is_none_is_refused_by_name(http, kept, trace):
    answer = http.post("/api/runs", json={"body": {"sandwich": kept["sandwich"], "trace": trace}})
    assert answer.status_code == 422
    assert "trace" in answer.json()["error"]["field"]
