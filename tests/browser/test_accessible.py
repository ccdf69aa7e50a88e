"""Every view by the rules of WCAG 2.2 A and AA, as axe-core checks them; twice as large; and with the keyboard alone."""

import re
from pathlib import Path

from playwright.sync_api import Page, expect
from tests.browser.patience import COMPUTED

AXE = Path(__file__).resolve().parents[2] / "web" / "node_modules" / "axe-core" / "axe.min.js"
# text and name of a thing have the same words; this rule, an experiment of its makers, would have them with the same commas
LEFT_OUT = {"label-content-name-mismatch": {"enabled": False}}
RULES = ["wcag2a", "wcag2aa", "wcag21a", "wcag21aa", "wcag22aa"]
LOOKS = {
    "Verdict": "effort",
    "Pressed sheet": "pressed-sheet",
    "Feed": "at-the-line",
    "Pressure": "pressure-map",
    "What went wrong": "coach",
    "Steps": "run-card",
    "History": "next-trial",
}
PLACES = (
    "/recipes",
    "/recipes/plain-relief",
    "/plan",
    "/press",
    "/logbook",
    "/coach",
    "/coach/practice/read",
    "/coach/practice/shim",
    "/coach/practice/flap",
    "/coach/practice/order",
    "/shelf",
    "/set-out",
)
DESK, HAND, TWICE = {"width": 1280, "height": 800}, {"width": 390, "height": 844}, {"width": 640, "height": 400}


def serious(page: Page) -> list[str]:
    """What axe-core finds that keeps people out, by rule and place."""
    page.evaluate(AXE.read_text())
    found = page.evaluate("([runOnly, rules]) => axe.run(document, { runOnly, rules, resultTypes: ['violations'] })", [RULES, LEFT_OUT])
    return [
        f"{rule['id']}: {node['target']} {node.get('failureSummary', '')[:200]}"
        for rule in found["violations"]
        if rule["impact"] in ("serious", "critical")
        for node in rule["nodes"][:4]
    ]


def keeps_out(page: Page) -> list[str]:
    """The same on a desk and in the hand, and what is wider than twice as large leaves room for: 200 % of 1280 by 800 is 640 by 400."""
    found = []
    for size in (DESK, HAND):
        page.set_viewport_size(size)
        found += [f"{size['width']}: {one}" for one in serious(page)]
    page.set_viewport_size(TWICE)
    width = page.evaluate("document.documentElement.scrollWidth")
    return found if width <= TWICE["width"] else [*found, f"{width} wide"]


def test_no_place_keeps_anybody_out(open_page, http):
    """The places, one after the other."""
    plan = http.get("/api/jobs").json()["jobs"][0]["id"]
    for path in (*PLACES, f"/plan/{plan}", f"/plan/{plan}/work"):
        page = open_page(path)
        expect(page.get_by_role("heading", level=1).first).to_be_visible()
        page.wait_for_load_state("networkidle", timeout=COMPUTED)
        assert keeps_out(page) == [], path
        page.close()


def test_no_look_keeps_anybody_out(bench):
    for look, there in LOOKS.items():
        bench.set_viewport_size(DESK)
        bench.get_by_role("tab", name=look, exact=True).click()
        expect(bench.get_by_test_id(there).first).to_be_visible(timeout=COMPUTED)
        assert keeps_out(bench) == [], look


def test_the_main_job_by_keyboard_alone(open_page):
    """From the list of sandwiches to a mended pile without a pointer."""
    page = open_page("/bench")
    expect(page.get_by_test_id("sentence")).to_be_visible()
    page.keyboard.press("s")
    expect(page.get_by_role("textbox", name="Find a sandwich")).to_be_focused()
    page.keyboard.type("sheave on two")
    expect(page.get_by_role("menuitem", name=re.compile("Sheave programme"))).to_have_count(0)
    page.keyboard.press("Enter")
    expect(page.get_by_test_id("sentence")).to_contain_text("Won't feed")
    expect(page.get_by_test_id("after-fix").first).to_be_visible()
    page.keyboard.press("f")
    expect(page.get_by_test_id("sentence")).not_to_contain_text("Won't feed")
    page.keyboard.press("u")
    expect(page.get_by_test_id("sentence")).to_contain_text("Won't feed")
