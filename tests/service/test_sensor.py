"""The room sensor through the service, and run cards that follow it."""

import time

import pytest

from lofty_press.core.basics.air import Air
from lofty_press.devices.sensor_stand_in import SensorStandIn


@pytest.fixture
def damp(http):
    """A room at 75 %."""
    stand_in = SensorStandIn(Air(23.0, 0.75), seconds=60.0)
    assert http.put("/api/devices/sensor", json={"address": stand_in.address}).status_code == 200
    until = time.monotonic() + 40.0
    while http.get("/api/devices/sensor").json()["air"] is None and time.monotonic() < until:
        time.sleep(0.05)
    yield stand_in
    http.put("/api/devices/sensor", json={"address": ""})
    stand_in.close()


def test_cards_follow_the_air_and_go_on_with_standard_air_without_a_sensor(http, kept, damp):
    found = http.get("/api/devices/sensor").json()
    assert found["air"]["humidity"] == pytest.approx(0.75, abs=0.02)
    assert found["air"]["drying"] == pytest.approx(2.0, rel=0.15)
    sandwich = kept["sandwich"]
    layers = [{**layer, "mist_age_s": 20.0} if layer["role"] == "sheet" else layer for layer in sandwich["layers"]]

    def drying():
        card = http.post("/api/cards", json={**sandwich, "layers": layers}).json()
        return sum(step["wait"]["seconds"] for step in card["steps"] if step["wait"] and step["wait"]["what"] == "drying"), card["orders"]

    slow, told = drying()
    assert any("damp" in str(order) for order in told)
    http.put("/api/devices/sensor", json={"address": ""})
    usual, _ = drying()
    assert slow == pytest.approx(2.0 * usual, rel=0.2)


def test_an_address_beyond_this_computer_is_refused_by_name(http):
    answer = http.put("/api/devices/sensor", json={"address": "http://example.org"})
    assert (answer.status_code, answer.json()["error"]["field"]) == (422, "address")
    assert http.get("/api/devices/sensor").json() == {"address": "", "state": "off", "air": None}
