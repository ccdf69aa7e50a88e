"""A spoiled sheet: found by its picture, told by its place, and mended."""

import re

import pytest
from playwright.sync_api import expect
from tests.browser.patience import COMPUTED


@pytest.fixture
def spoiled(http, open_page):
    """The bench with a copy of the programme cover and its Coach look."""
    cover = next(s for s in http.get("/api/sandwiches").json()["sandwiches"] if s["name"] == "Sheave programme cover")
    copy = http.post(f"/api/sandwiches/{cover['id']}/copy").json()
    page = open_page(f"/bench/{copy['id']}")
    page.get_by_role("tab", name="Coach").click()
    expect(page.get_by_test_id("coach")).to_be_visible(timeout=COMPUTED)
    yield page
    page.goto("about:blank")
    version = http.get(f"/api/sandwiches/{copy['id']}").json()["version"]
    http.delete(f"/api/sandwiches/{copy['id']}", params={"version": version})


def test_a_mistake_is_picked_by_its_picture_and_its_place(spoiled):
    page = spoiled
    causes = page.get_by_role("list", name="Causes").get_by_role("listitem")
    hinge = page.get_by_role("button", name="The card lay in the hinge")
    expect(hinge.locator("img")).to_be_visible(timeout=COMPUTED)
    hinge.click()
    expect(page.get_by_role("button", name="A part is faint or blank")).to_have_attribute("aria-pressed", "true")
    expect(causes.first).to_be_visible()
    sheet = page.get_by_role("button", name="Touch the place that is wrong")
    box = sheet.bounding_box()
    sheet.click(position={"x": box["width"] / 2, "y": box["height"] * 0.08})
    expect(page.get_by_test_id("pointed")).to_be_visible()
    expect(causes.first).to_contain_text("The card lay in the hinge")
    expect(causes.first).to_contain_text("Lay the card against the line of the pattern")
    before = page.get_by_test_id("pointed").bounding_box()["y"]
    for _ in range(3):
        sheet.press("ArrowDown")
    assert page.get_by_test_id("pointed").bounding_box()["y"] > before
    page.get_by_role("button", name="Not only at that place").click()
    expect(page.get_by_test_id("pointed")).to_have_count(0)


def test_a_crack_is_explained_and_its_cure_is_an_edit_that_can_be_undone(spoiled):
    page = spoiled
    page.get_by_role("button", name="Cracked on its ridges").click()
    causes = page.get_by_role("list", name="Causes").get_by_role("listitem")
    expect(causes.first).to_contain_text("The mist was forgotten")
    dried = causes.filter(has_text="The mist had dried")
    expect(dried).to_contain_text("Firm, and right")
    expect(page.get_by_text(re.compile("misted 20 s ago"))).to_be_visible()
    dried.get_by_role("button", name="Do it").click()
    expect(page.get_by_text(re.compile("misted 10 s ago"))).to_be_visible()
    page.keyboard.press("u")
    expect(page.get_by_text(re.compile("misted 20 s ago"))).to_be_visible()
