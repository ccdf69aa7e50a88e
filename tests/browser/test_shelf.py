"""The shelf: things by picture, every kind made new, every field reached."""

import re

from playwright.sync_api import expect
from tests.browser.on_the_shelf import details, taken_off, unfolded
from tests.browser.test_first_use import put_on_shelf


def test_kinds_that_are_seldom_owned_can_be_made_new_with_typical_figures(open_page, http):
    """Every kind's typical figures are judged sound in tests/page; here those that have windows, two halves or a body of their own."""
    page = open_page("/shelf")
    for kind in ("pressure mask", "plain folder", "two-way folder", "steel-rule die", "sheet", "ink"):
        put_on_shelf(page, kind, f"New {kind}")
        made = next(e for e in http.get("/api/shelf", params={"q": f"New {kind}"}).json()["entries"] if e["name"] == f"New {kind}")
        assert kind in ((made["item"] or {}).get("kind"), "ink")
        expect(unfolded(page, f"New {kind}").get_by_role("textbox", name=re.compile("^note of"))).to_be_visible()
        taken_off(page, f"New {kind}")


def test_every_figure_of_a_stock_is_reached_and_an_empty_one_can_be_filled_and_emptied(open_page, http):
    page = open_page("/shelf")
    put_on_shelf(page, "sheet", "Odd board")
    form = unfolded(page, "Odd board")

    def kept():
        return next(e for e in http.get("/api/shelf", params={"q": "Odd board"}).json()["entries"])["item"]

    def typed(label, text, shown):
        field = form.get_by_role("textbox", name=label, exact=True)
        field.fill(text)
        with page.expect_response(lambda answer: answer.request.method == "PUT"):
            field.press("Enter")
        expect(field).to_have_value(shown)

    typed("hardness, Shore A of Odd board", "62", "62")
    typed("hardens with of Odd board", "25", "25 %")
    typed("across over along, at break of Odd board", "2,5", "2.5")
    typed("Mist fades in of Odd board", "500", "500 s")
    assert (kept()["shore_a"], kept()["stock"]["hardening"], kept()["stock"]["break_ratio"]) == (62, 0.25, 2.5)
    typed("hardness, Shore A of Odd board", "", "")
    assert kept()["shore_a"] is None
    with page.expect_response(lambda answer: answer.request.method == "PUT"):
        form.get_by_role("button", name="Without answer to mist").click()
    assert kept()["stock"]["mist"] is None
    form.get_by_role("textbox", name="weight of Odd board").fill("0")
    expect(form.get_by_role("alert")).to_contain_text("Enter")
    page.keyboard.press("Escape")
    taken_off(page, "Odd board")


def test_arrow_keys_lead_from_thickness_to_thickness(open_page):
    page = open_page("/shelf")
    first = page.get_by_role("textbox", name="Thickness of Foothill", exact=True)
    first.focus()
    page.keyboard.press("ArrowDown")
    expect(page.get_by_role("textbox", name="Thickness of Midway", exact=True)).to_be_focused()
    page.keyboard.press("ArrowUp")
    expect(first).to_be_focused()


def test_what_passes_a_press_and_carries_a_tool_is_found(open_page):
    page = open_page("/shelf")
    page.get_by_role("tab", name="Plates").click()
    page.get_by_label("What fits through this press").select_option(label="Foothill")
    expect(page.get_by_role("listitem", name="Pocket hard plate", exact=True)).to_be_visible()
    expect(page.get_by_role("listitem", name="Hard plate, east", exact=True)).to_have_count(0)
    page.get_by_label("What fits through this press").select_option(label="any press")
    page.get_by_label("What fits this tool").select_option(label="Rail-lattice folder")
    expect(page.get_by_role("listitem", name="Hard plate, east", exact=True)).to_be_visible()
    expect(page.get_by_role("listitem", name="Pocket hard plate", exact=True)).to_have_count(0)


def test_a_thing_shows_what_it_looks_like(open_page):
    page = open_page("/shelf")
    page.get_by_role("tab", name="Tools").click()
    tile = page.get_by_role("listitem", name="Rail-lattice folder", exact=True)
    expect(tile.locator("img")).to_have_js_property("complete", True)
    page.wait_for_function("(img) => img.naturalWidth > 50", arg=tile.locator("img").element_handle())
    expect(details(page, "Rail-lattice folder").get_by_role("img", name="Relief of Rail-lattice folder")).to_be_visible()
