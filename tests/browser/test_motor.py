"""A motor press fed by the page: its trace is drawn as it goes and kept with the run; it is stopped, and it jams."""

import re
import time

import pytest
from playwright.sync_api import expect

from lofty_press.core.basics.air import Air
from lofty_press.devices.motor_stand_in import Motor, MotorStandIn, Passage
from lofty_press.devices.sensor_stand_in import SensorStandIn

QUICK = Motor(speed=400.0, reports=40.0, flicker_a=0.01)


@pytest.fixture
def run(http, kept):
    """A run of the lattice sleeve on the motor press, at its pass."""
    presses = http.get("/api/shelf", params={"category": "press"}).json()["entries"]
    summit = next(entry["press"] for entry in presses if entry["press"]["drive"]["kind"] == "motor")
    sandwich = {**kept["sandwich"], "press": summit, "name": "Sleeve by motor"}
    steps = http.post("/api/cards", json=sandwich).json()["steps"]
    step = next(n for n, step in enumerate(steps) if step["turn"])
    made = http.post("/api/runs", json={"sandwich_id": kept["id"], "body": {"sandwich": sandwich, "step": step, "left_out": True}}).json()
    yield made["id"]
    now = http.get(f"/api/runs/{made['id']}").json()
    http.delete(f"/api/runs/{made['id']}", params={"version": now["version"]})
    http.put("/api/devices/motor", json={"address": ""})


@pytest.fixture
def press(run, open_page):
    """The page at that pass, and what plugs a stand-in in."""
    page = open_page(f"/press/{run}")
    stand_ins = []

    def plug(passage, motor=QUICK):
        stand_in = MotorStandIn(passage, motor)
        stand_ins.append(stand_in)
        page.get_by_role("button", name="Let this page feed a motor press").click()
        field = page.get_by_label("Where the motor press is plugged in")
        field.fill(stand_in.address)
        field.press("Enter")
        expect(page.get_by_role("button", name="Feed it")).to_be_visible()
        return stand_in

    yield page, plug
    for stand_in in stand_ins:
        stand_in.close()


def test_a_pass_is_fed_drawn_and_kept_with_the_run(press, run, http):
    page, plug = press
    plug(Passage(lambda x: 0.5 if 60 < x < 200 else 0.02, 260.0))
    page.keyboard.press("f")
    expect(page.get_by_text("Keep fingers, sleeves and hair away.")).to_be_visible()
    expect(page.get_by_role("button", name="Done, next")).to_be_disabled()
    expect(page.get_by_text(re.compile(r"Fed through; at most (19|20|21) N"))).to_be_visible()
    expect(page.get_by_role("img", name=re.compile("measured peak (19|20|21) newton"))).to_be_visible()
    until = time.monotonic() + 40.0
    while http.get(f"/api/runs/{run}").json()["body"]["trace"] is None and time.monotonic() < until:
        time.sleep(0.1)
    trace = http.get(f"/api/runs/{run}").json()["body"]["trace"]
    assert trace["ended"] == "end"
    assert max(trace["force_n"]) == pytest.approx(20.0, abs=1.5)  # half of what Summit's motor stops at


def test_the_space_bar_stops_it(press):
    page, plug = press
    stand_in = plug(Passage(lambda x: 0.1, 5000.0))
    page.keyboard.press("f")
    expect(page.get_by_role("button", name="Stop")).to_be_visible()
    page.keyboard.press("Space")
    expect(page.get_by_text("Stopped. Unplug it before you reach in.")).to_be_visible()
    assert stand_in.position < 5000.0


def test_a_jam_leads_to_what_to_do_about_it(press):
    page, plug = press
    plug(Passage(lambda x: 0.1, 300.0, jams_at=80.0))
    page.keyboard.press("f")
    expect(page.get_by_role("alert")).to_contain_text("Stop. Don't force it.")


def test_a_motor_that_falls_silent_is_said_to_be_lost(press):
    page, plug = press
    stand_in = plug(Passage(lambda x: 0.1, 5000.0))
    page.keyboard.press("f")
    expect(page.get_by_role("img", name=re.compile("measured peak"))).to_be_visible()
    stand_in.trouble = "silence"
    expect(page.get_by_text("We've lost the motor. Switch it off at the press.")).to_be_visible()


@pytest.mark.provokes(422)
def test_an_address_beyond_this_computer_is_refused(press):
    page, _ = press
    page.get_by_role("button", name="Let this page feed a motor press").click()
    field = page.get_by_label("Where the motor press is plugged in")
    field.fill("socket://10.0.0.1:80")
    field.press("Enter")
    expect(page.get_by_text("must be a serial port")).to_be_visible()


def test_the_rooms_air_is_told_at_the_press(open_page, http):
    sensor = SensorStandIn(Air(22.0, 0.25), seconds=1.0)
    page = open_page("/press")
    page.get_by_role("button", name="Plug in a room sensor…").click()
    field = page.get_by_label("Where the room sensor is plugged in")
    field.fill(sensor.address)
    field.press("Enter")
    group = page.get_by_role("group", name="Room sensor")
    expect(group).to_contain_text(re.compile(r"2[12]\.\d °C, 2[456] %"))
    expect(group).to_contain_text("cracks sooner")
    page.get_by_role("button", name="Unplug the sensor").click()
    expect(page.get_by_role("button", name="Plug in a room sensor…")).to_be_visible()
    sensor.close()
