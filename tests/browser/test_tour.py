"""A newcomer's first piece of work: taken once, or skipped, and never in the way again."""

import pytest
from playwright.sync_api import expect
from tests.browser.patience import COMPUTED, RIGHT


@pytest.fixture
def offered(http):
    """The tour is offered, as the demo world offers it at first."""
    guided = next(s for s in http.get("/api/sandwiches").json()["sandwiches"] if s["name"] == "Sheave on two plates")

    def offer():
        http.put("/api/settings/tour", json=guided["id"]).raise_for_status()

    yield offer
    http.put("/api/settings/tour", json="").raise_for_status()
    for made in http.get("/api/sandwiches").json()["sandwiches"]:
        if made["name"] == "Sheave on two plates, copy":
            version = http.get(f"/api/sandwiches/{made['id']}").json()["version"]
            http.delete(f"/api/sandwiches/{made['id']}", params={"version": version})


def test_a_deep_folder_that_will_not_feed_is_mended_pressed_and_seen(http, open_page, offered):
    page = open_page("/shelf")
    offered()
    page.reload()
    tour = page.get_by_test_id("tour")
    tour.get_by_role("button", name="Start: three minutes").click()
    expect(tour).to_contain_text("1 of 4")
    expect(page.get_by_test_id("sentence")).to_contain_text("Won't feed", timeout=COMPUTED)
    page.keyboard.press("f")  # the first call's mend
    expect(tour).to_contain_text("2 of 4", timeout=COMPUTED)
    expect(page.get_by_test_id("sentence")).to_contain_text(RIGHT, timeout=COMPUTED)
    # elsewhere it waits, and leads back
    page.get_by_role("link", name="Shelf", exact=True).click()
    tour.get_by_role("link", name="Back to it").click()
    page.get_by_role("tab", name="Pressed sheet").click()
    expect(tour).to_contain_text("3 of 4")
    page.reload()
    page.get_by_role("tab", name="Pressed sheet").click()
    tour.get_by_role("button", name="I see it").click(timeout=COMPUTED)
    expect(tour).to_contain_text("4 of 4")
    tour.get_by_role("button", name="Done").click()
    expect(tour).to_have_count(0)
    page.reload()
    expect(page.get_by_role("tab", name="Pressed sheet")).to_be_visible()
    expect(tour).to_have_count(0)
    assert http.get("/api/settings").json()["tour"] == ""


def test_it_is_skipped_for_ever(http, open_page, offered):
    page = open_page("/bench")
    offered()
    page.reload()
    page.get_by_test_id("tour").get_by_role("button", name="Skip, and don't show again").click()
    expect(page.get_by_test_id("tour")).to_have_count(0)
    page.reload()
    expect(page.get_by_role("tab", name="Verdict")).to_be_visible()
    expect(page.get_by_test_id("tour")).to_have_count(0)
    assert http.get("/api/settings").json()["tour"] == ""
