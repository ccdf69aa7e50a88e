"""A newcomer with an empty shelf: from nothing to a judged sandwich, in the page alone."""

import re

from playwright.sync_api import expect
from tests.browser.patience import COMPUTED, RIGHT
from tests.browser.test_bench import add_by_key, layers

from lofty_press.runtime.serve import in_background


def put_on_shelf(page, kind, name):
    page.get_by_label("Kind of the new item").select_option(label=kind)
    page.get_by_role("textbox", name="Name of the new item").fill(name)
    page.get_by_role("button", name="Add it to the shelf").click()
    expect(page.get_by_role("listitem", name=name, exact=True)).to_be_visible()


def test_from_an_empty_shelf_to_a_judged_sandwich(browser, tmp_path):
    with in_background(tmp_path / "own", demo=False) as running:
        context = browser.new_context(viewport={"width": 1280, "height": 800})
        page = context.new_page()
        page.goto(running.link)
        expect(page.get_by_text("Set out your press room first")).to_be_visible()
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
        page.get_by_role("link", name="Bench", exact=True).click()
        page.get_by_role("button", name="Start a sandwich").click()
        expect(page.get_by_test_id("sentence")).to_contain_text("An empty bench")
        for name in ("my bed", "lower plate", "leaves", "blue card"):
            add_by_key(page, name)
        page.keyboard.press("ArrowUp")
        add_by_key(page, "upper plate")
        assert layers(page) == ["Upper plate", "Leaves", "Blue card", "Leaves", "Lower plate", "My bed"]
        expect(page.get_by_test_id("effort")).to_be_visible()
        expect(page.locator("[data-code=try-one]")).to_be_visible()  # nothing is known of this press: no single gauge reading helps enough
        context.close()


def certainty(page, pile):
    return int(re.search(r"(\d+) %", bar(page, pile).get_attribute("aria-label"))[1])


def bar(page, pile, how="A good sheet: "):
    """The bar of the chance of a good sheet."""
    return page.get_by_role("article", name=pile).get_by_role("img", name=re.compile(how))


def test_somebody_who_knows_no_number_gets_a_verdict_for_their_own_press(browser, tmp_path):
    """From nothing: a press by its looks, things as one says them, two piles that work; then a verdict that knows them."""
    with in_background(tmp_path / "own", demo=False) as running:
        context = browser.new_context(viewport={"width": 1280, "height": 800})
        page = context.new_page()
        page.goto(running.link)
        page.get_by_role("link", name="Set out your press").click()
        page.get_by_role("radio", name="Standard").click()
        page.get_by_role("textbox", name="Name of the press").fill("Kitchen press")
        page.get_by_role("button", name="Go on").click()
        page.get_by_role("button", name="One rubber mat more").click()
        page.get_by_role("button", name="Go on").click()
        page.get_by_role("textbox", name="What else you own").fill("6 plain folders, 2 deep, 3 thin dies, 80 lb cover, four frogs")
        lines = page.get_by_role("list", name="What we read in the list")
        expect(lines).to_contain_text("6 plain folder")
        expect(lines).to_contain_text("“four frogs” isn't a kind of item we know")
        page.reload()  # left in the middle, and taken up again
        expect(page.get_by_role("textbox", name="What else you own")).to_have_value(re.compile("6 plain folders"))
        page.get_by_role("button", name="Add it to the shelf").click()
        expect(page.get_by_role("article", name="A plain folder")).to_be_visible(timeout=COMPUTED)
        before = certainty(page, "A plain folder")
        page.get_by_role("article", name="A thin die that cuts card").get_by_role("button", name="works").click()
        expect(page.get_by_role("article", name="A thin die that cuts card").get_by_role("button", name="works")).to_have_attribute(
            "aria-pressed", "true"
        )
        expect(bar(page, "A plain folder", f": {before} %")).to_have_count(0)
        page.get_by_role("article", name="A plain folder").get_by_role("button", name="works").click()
        expect(bar(page, "A plain folder", ": (7[5-9]|8|9)")).to_be_visible()
        expect(page.get_by_role("article", name="A plain folder").get_by_test_id("certainty")).to_contain_text("A good sheet:")
        paper = page.get_by_role("article", name="Count paper")
        expect(paper).to_contain_text("Stack Bed, Hard plate (first), Deep plate, and add copy paper")
        sheets = paper.get_by_role("textbox", name="Sheets of copy paper")
        sheets.fill("500")
        expect(paper.get_by_text("Enter 1 to 80.")).to_be_visible()
        sheets.fill("17")
        sheets.press("Enter")
        paper.get_by_role("button", name="They took hold").click()
        expect(paper.get_by_role("button", name="Change it")).to_be_visible()
        page.get_by_role("button", name="Go on").click()
        expect(page.get_by_test_id("learnt")).to_contain_text("Kitchen press opens")
        expect(page.get_by_test_id("next-trial").first).not_to_have_text("One moment …")
        page.get_by_role("button", name="Open on the Bench").nth(1).click()
        expect(page.get_by_test_id("sentence")).to_contain_text(RIGHT)
        expect(page.get_by_test_id("learnt-here")).to_contain_text("3 runs and known piles")
        context.close()
