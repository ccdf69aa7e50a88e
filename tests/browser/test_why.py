"""Any verdict can be asked why."""

import re

import pytest
from playwright.sync_api import expect
from tests.browser.patience import COMPUTED


@pytest.fixture
def cover(http, open_page):
    """The bench with a copy of the programme cover."""
    kept = next(s for s in http.get("/api/sandwiches").json()["sandwiches"] if s["name"] == "Sheave programme cover")
    copy = http.post(f"/api/sandwiches/{kept['id']}/copy").json()
    yield open_page(f"/bench/{copy['id']}")
    version = http.get(f"/api/sandwiches/{copy['id']}").json()["version"]
    http.delete(f"/api/sandwiches/{copy['id']}", params={"version": version})


def test_a_verdict_is_explained_link_by_link_and_a_link_can_be_changed(cover):
    page = cover
    page.get_by_role("button", name="Why?").click()
    chain = page.get_by_role("list", name="Why").get_by_role("listitem")
    expect(chain.first).to_contain_text("The pile is 18.03 mm at its thickest", timeout=COMPUTED)
    expect(chain.nth(-2)).to_contain_text("Most likely: right.")
    expect(chain.last).to_contain_text("A good sheet")
    # three levels
    expect(page.get_by_text("The layers add up")).to_have_count(0)
    page.get_by_role("radio", name="why", exact=True).click()
    expect(page.get_by_text("The layers add up")).to_be_visible()
    page.get_by_role("radio", name="the equation").click()
    expect(chain.nth(1)).to_contain_text("μ² R")
    # a part of the drawing is a layer of the pile
    chain.first.get_by_role("button", name=re.compile("Deep plate")).click()
    expect(page.get_by_text("along").first).to_be_visible()
    # a link is a place to change something and see
    page.get_by_role("radio", name="what to do").click()
    chain.first.get_by_role("button", name="One paper shim more").click()
    expect(chain.first).to_contain_text(re.compile(r"The pile is 18\.1\d mm at its thickest"), timeout=COMPUTED)
    page.keyboard.press("u")
    expect(chain.first).to_contain_text("The pile is 18.03 mm at its thickest", timeout=COMPUTED)
    page.get_by_role("radio", name="the handle").click()
    expect(chain.last).to_contain_text("The handle takes")
    page.get_by_role("button", name="Enough").click()
    expect(page.get_by_test_id("why")).to_have_count(0)
