"""A thickness gauge at the shelf: its button fills the thickness in hand."""

import re

import pytest
from playwright.sync_api import expect
from tests.browser.on_the_shelf import taken_off
from tests.browser.test_first_use import put_on_shelf

from lofty_press.devices.stand_in import GaugeStandIn, Jaws


@pytest.fixture
def gauge(http):
    stand_in = GaugeStandIn(Jaws(noise=0.002))
    yield stand_in
    http.put("/api/devices/gauge", json={"address": ""})
    stand_in.close()


def test_pressing_its_button_measures_the_thing_in_hand(open_page, http, gauge):
    page = open_page("/shelf")
    put_on_shelf(page, "hard plate", "Plate to measure")
    page.get_by_role("button", name="Plug in a gauge…").click()
    page.get_by_label("Where the gauge is plugged in").fill(gauge.address)
    page.keyboard.press("Enter")
    line = page.get_by_role("group", name="Thickness gauge")
    expect(line).to_contain_text("The gauge answers.")
    thickness = page.get_by_role("textbox", name="Thickness of Plate to measure")
    thickness.focus()
    for mm in (2.94, 2.94, 3.6, 2.94):
        gauge.press(mm)
    expect(thickness).to_have_value(re.compile(r"^2\.9[34]"))
    expect(page.get_by_text("1 too far off, left out.")).to_be_visible()
    with page.expect_response(lambda answer: answer.request.method == "PUT" and "/api/shelf/" in answer.url):
        thickness.press("Enter")
    kept = next(e for e in http.get("/api/shelf", params={"q": "Plate to measure"}).json()["entries"])["item"]["thickness"]
    assert kept["mm"] == pytest.approx(2.94, abs=0.01)
    assert (kept["source"], kept["sd_mm"] < 0.01) == ("gauge", True)
    expect(page.get_by_role("button", name="Plate to measure is measured")).to_be_visible()
    gauge.press(0.0, "garbage")
    expect(line).to_contain_text("That was ignored")
    gauge.press(0.0, "unplug")
    gauge.close()
    expect(line).to_contain_text("No gauge answers at")
    page.get_by_role("button", name="Unplug the gauge").click()
    expect(page.get_by_role("button", name="Plug in a gauge…")).to_be_visible()
    taken_off(page, "Plate to measure")
