"""A tool's relief comes from photographs: what is missing is said, the relief shows beside the photo, and the tool has it afterwards."""

import pytest
from playwright.sync_api import expect
from tests.core.imaging.photo.photographs import FOLDER

TOOL = "Rail-lattice folder"


def files(name, numbers):
    return [str(FOLDER / f"{name}-{n}.jpg") for n in numbers]


@pytest.fixture
def dialog(open_page):
    page = open_page("/shelf")
    page.get_by_role("button", name=f"More of {TOOL}").click()
    page.get_by_role("button", name="Photograph its relief").click()
    return page


def entry(http):
    found = http.get("/api/shelf", params={"q": TOOL, "limit": 50}).json()["entries"]
    return next(each for each in found if each["name"] == TOOL)


def test_four_scans_become_the_tool_s_relief(dialog, http):
    before = entry(http)
    dialog.get_by_role("tab", name="On a flatbed scanner").click()
    dialog.get_by_test_id("relief-photos").set_input_files(files("scans-matte", range(4)))
    expect(dialog.get_by_alt_text("Its relief under a lamp")).to_be_visible(timeout=40_000)
    dialog.get_by_role("button", name="Use this relief").click()
    expect(dialog.get_by_alt_text("The relief as read, hinge on top")).to_be_visible(timeout=20_000)
    depth = dialog.get_by_label("Depth of the relief")
    depth.fill("0.8")
    depth.press("Enter")
    take = dialog.get_by_role("button", name="Use this relief")
    expect(take).to_be_enabled(timeout=20_000)
    take.click()
    expect(dialog.get_by_role("dialog")).to_have_count(0, timeout=20_000)
    dialog.wait_for_timeout(600)
    after = entry(http)
    relief = after["item"]["relief"]
    assert relief["height_mm"] == pytest.approx(0.8)
    assert relief["map"] != before["item"]["relief"]["map"]
    assert (after["item"]["length_mm"], after["item"]["width_mm"]) == pytest.approx((84, 60), abs=1.5)
    item = before["item"]
    http.put(f"/api/shelf/{after['id']}", json={"item": item, "version": after["version"]}).raise_for_status()


@pytest.mark.provokes(422)
def test_too_few_photos_say_where_to_hold_the_torch(dialog):
    dialog.get_by_test_id("relief-photos").set_input_files(files("relief-plastic", (1,)))
    expect(dialog.get_by_role("alert")).to_contain_text("Hold the flashlight at the", timeout=40_000)
    dialog.get_by_role("button", name="Start over").click()
    expect(dialog.get_by_role("alert")).to_have_count(0)
