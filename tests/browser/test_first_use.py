"""A newcomer with an empty shelf: from nothing to a judged sandwich, in the page alone."""

from playwright.sync_api import expect
from tests.browser.test_bench import add_by_key, layers

from lofty_press.runtime.serve import in_background


def put_on_shelf(page, kind, name):
    page.get_by_label("Kind of the new thing").select_option(label=kind)
    page.get_by_role("textbox", name="Name of the new thing").fill(name)
    page.get_by_role("button", name="Put it on the shelf").click()
    expect(page.get_by_role("listitem", name=name, exact=True)).to_be_visible()


def test_from_an_empty_shelf_to_a_judged_sandwich(browser, tmp_path):
    with in_background(tmp_path / "own", demo=False) as running:
        context = browser.new_context(viewport={"width": 1280, "height": 800})
        page = context.new_page()
        page.goto(running.link)
        expect(page.get_by_text("First write down your press")).to_be_visible()
        page.get_by_role("link", name="Go to the shelf").click()
        expect(page.get_by_text("An empty shelf")).to_be_visible()
        things = [
            ("press", "My press"),
            ("bed", "My bed"),
            ("hard plate", "Upper plate"),
            ("hard plate", "Lower plate"),
            ("plain folder", "Leaves"),
            ("sheet", "Blue card"),
        ]
        for kind, name in things:
            put_on_shelf(page, kind, name)
        page.get_by_role("link", name="Bench").click()
        page.get_by_role("button", name="Start a sandwich").click()
        expect(page.get_by_test_id("sentence")).to_contain_text("An empty bench")
        for name in ("my bed", "lower plate", "leaves", "blue card"):
            add_by_key(page, name)
        page.keyboard.press("ArrowUp")
        add_by_key(page, "upper plate")
        assert layers(page) == ["Upper plate", "Leaves", "Blue card", "Leaves", "Lower plate", "My bed"]
        expect(page.get_by_test_id("pressure")).to_be_visible()
        expect(page.locator("[data-code=measure]")).to_be_visible()  # typical thicknesses only: it asks for better ones
        context.close()
