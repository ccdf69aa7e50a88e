"""A spoiled sheet: found by its picture, told by its place, and mended."""

import re

import pytest
from playwright.sync_api import expect
from pypdf import PdfReader
from tests.browser.patience import COMPUTED, RIGHT
from tests.browser.sheet_photo import sheet_photo


@pytest.fixture
def spoiled(http, open_page):
    """The bench with a copy of the programme cover and its Coach look."""
    cover = next(s for s in http.get("/api/sandwiches").json()["sandwiches"] if s["name"] == "Sheave programme cover")
    copy = http.post(f"/api/sandwiches/{cover['id']}/copy").json()
    page = open_page(f"/bench/{copy['id']}")
    page.get_by_role("tab", name="What went wrong").click()
    expect(page.get_by_test_id("coach")).to_be_visible(timeout=COMPUTED)
    yield page
    page.goto("about:blank")
    version = http.get(f"/api/sandwiches/{copy['id']}").json()["version"]
    http.delete(f"/api/sandwiches/{copy['id']}", params={"version": version})


def test_a_mistake_is_picked_by_its_picture_and_its_place(spoiled):
    page = spoiled
    causes = page.get_by_role("list", name="Causes").get_by_role("listitem")
    hinge = page.get_by_role("button", name="The card was in the hinge", exact=True)
    expect(hinge.locator("img")).to_be_visible(timeout=COMPUTED)
    hinge.click()
    expect(page.get_by_role("button", name="Part of it is faint or blank")).to_have_attribute("aria-pressed", "true")
    expect(causes.first).to_be_visible()
    sheet = page.get_by_role("button", name="Touch the spot that's wrong")
    box = sheet.bounding_box()
    sheet.click(position={"x": box["width"] / 2, "y": box["height"] * 0.08})
    expect(page.get_by_test_id("pointed")).to_be_visible()
    expect(causes.first).to_contain_text("The card was in the hinge")
    expect(causes.first).to_contain_text("Line the card up with the pattern's line")
    before = page.get_by_test_id("pointed").bounding_box()["y"]
    for _ in range(3):
        sheet.press("ArrowDown")
    assert page.get_by_test_id("pointed").bounding_box()["y"] > before
    with page.expect_download() as saved:
        causes.first.get_by_role("button", name="PDF").click()
    text = PdfReader(saved.value.path()).pages[0].extract_text()
    assert "The card was in the hinge" in text
    assert "As it should be" in text
    page.get_by_role("button", name="Not only there").click()
    expect(page.get_by_test_id("pointed")).to_have_count(0)


def test_a_crack_is_explained_and_its_cure_is_an_edit_that_can_be_undone(spoiled):
    page = spoiled
    page.get_by_role("button", name="Cracked on its ridges").click()
    causes = page.get_by_role("list", name="Causes").get_by_role("listitem")
    expect(causes.first).to_contain_text("The mist was forgotten")
    dried = causes.filter(has_text="The mist had dried")
    expect(dried).to_contain_text(RIGHT)
    expect(page.get_by_text(re.compile("misted 20 s ago"))).to_be_visible()
    dried.get_by_role("button", name="Change the pile").click()
    expect(page.get_by_text(re.compile("misted 10 s ago"))).to_be_visible()
    page.keyboard.press("u")
    expect(page.get_by_text(re.compile("misted 20 s ago"))).to_be_visible()


def test_what_went_wrong_with_a_run_is_found_by_what_was_felt_and_goes_into_its_entry(http, open_page):
    cover = next(s for s in http.get("/api/sandwiches").json()["sandwiches"] if s["name"] == "Sheave programme cover")
    sandwich = http.get(f"/api/sandwiches/{cover['id']}").json()["sandwich"]
    run = http.post("/api/runs", json={"state": "finished", "body": {"sandwich": sandwich, "result": "faint"}}).json()
    page = open_page("/coach")
    page.get_by_role("list", name="Spoiled sheets").get_by_role("link", name="Sheave programme cover").first.click()
    # how the run ended is begun with
    expect(page.get_by_role("button", name="Faint all over")).to_have_attribute("aria-pressed", "true", timeout=COMPUTED)
    page.get_by_role("button", name="Easier than usual").click()
    causes = page.get_by_role("list", name="Causes").get_by_role("listitem")
    expect(causes.first).to_contain_text("The rollers are farther apart than we thought")
    causes.first.get_by_role("button", name="It was this").click()
    expect(causes.first.get_by_role("button", name="Logged as the cause")).to_be_visible()
    kept = http.get(f"/api/runs/{run['id']}").json()
    assert (kept["body"]["cause"], kept["body"]["effort"]) == ("too thin", "light")
    page.get_by_role("button", name="Undo").click()
    expect(causes.first.get_by_role("button", name="It was this")).to_be_visible()
    kept = http.get(f"/api/runs/{run['id']}").json()
    assert (kept["body"]["cause"], kept["body"]["effort"]) == (None, None)
    # its cure becomes a pile on the bench
    causes.first.get_by_role("button", name="Change the pile").click()
    page.wait_for_url(re.compile("/bench/"))
    expect(page.get_by_text(RIGHT).first).to_be_visible(timeout=COMPUTED)
    made = page.url.rsplit("/", 1)[1]
    page.goto("about:blank")
    http.delete(f"/api/sandwiches/{made}", params={"version": http.get(f"/api/sandwiches/{made}").json()["version"]})
    http.delete(f"/api/runs/{run['id']}", params={"version": kept["version"]})


def test_none_of_these_leads_to_looks_that_bring_a_cause_forward(spoiled):
    page = spoiled
    page.get_by_role("button", name="None of these").click()
    looks = page.get_by_role("list", name="Checks").get_by_role("listitem")
    expect(looks.first).to_be_visible()
    layers = looks.filter(has_text="Count the layers you took apart")
    layers.get_by_role("button", name="Yes").click()
    causes = page.get_by_role("list", name="Causes").get_by_role("listitem")
    expect(causes.first).to_contain_text(re.compile("plate|spacer|mat"))
    page.get_by_role("button", name="Start over").click()
    expect(causes).to_have_count(0)


def test_a_photo_says_what_was_seen_and_where(spoiled, http):
    page = spoiled
    kept = http.get(f"/api/sandwiches/{page.url.rsplit('/', 1)[1].split('?')[0]}").json()
    page.get_by_test_id("coach-photo").set_input_files(sheet_photo(http, kept["sandwich"], blank_from=0.6))
    page.get_by_role("button", name="Log that").click(timeout=COMPUTED)
    expect(page.get_by_role("button", name="Part of it is faint or blank")).to_have_attribute("aria-pressed", "true")
    pointed, sheet = (
        page.get_by_test_id("pointed").bounding_box(),
        page.get_by_role("button", name="Touch the spot that's wrong").bounding_box(),
    )
    assert pointed["y"] > sheet["y"] + 0.6 * sheet["height"]
