"""`lofty shots`: renews the pictures in docs/screenshots from the demo world."""

import argparse
import tempfile
from collections.abc import Callable
from pathlib import Path
from typing import Any

from lofty_press.runtime.serve import in_background
from lofty_press.setup import debian, frontend
from lofty_press.setup.paths import DOCS, ROOT
from lofty_press.setup.say import say


def takes(parser: argparse.ArgumentParser) -> None:
    """Say what the command takes."""
    parser.set_defaults(run=run)


def choose(page: Any, name: str) -> None:
    """Open a sandwich of the demo world and wait until it is judged."""
    page.get_by_role("button", name="All sandwiches").click()
    page.get_by_role("menuitem", name=name).click()
    page.get_by_role("textbox", name="Name of the sandwich").and_(page.locator(f'[value="{name}"]')).wait_for()
    page.wait_for_timeout(700)


def nip(page: Any) -> None:
    choose(page, "Lattice with a window")
    page.get_by_role("tab", name="Pressure").click()
    page.wait_for_timeout(500)


def coach(page: Any) -> None:
    choose(page, "Sheave programme cover")
    page.get_by_role("tab", name="What went wrong").click()
    for picture in page.get_by_test_id("coach").locator("figure:has-text('hinge') img, figure:has-text('crooked') img").all():
        picture.wait_for(timeout=60_000)
    page.wait_for_timeout(4000)


def practice(page: Any) -> None:
    page.goto(page.url.split("/bench")[0] + "/coach")
    page.get_by_role("link", name="A strange press").click()
    page.get_by_test_id("task").wait_for()
    page.wait_for_timeout(1000)
    page.keyboard.press("+")
    page.keyboard.press("p")
    page.get_by_test_id("came").get_by_text("one sheet").wait_for()
    page.wait_for_timeout(500)


def feed(page: Any, name: str, part: str) -> None:
    """The bed from above, worked out."""
    choose(page, name)
    page.get_by_role("tab", name="Feed").click()
    page.get_by_role("radio", name="Lay it").click()
    page.get_by_test_id("feed-advice").wait_for()
    page.get_by_role("radio", name=part).click()
    page.wait_for_timeout(1200)


def impression(page: Any, name: str, *, show: str = "light") -> None:
    """A sandwich's pressed sheet, fully computed."""
    choose(page, name)
    page.get_by_role("tab", name="Pressed sheet").click()
    page.locator("[data-testid=run][data-stage=full]").wait_for(timeout=120_000)
    page.get_by_role("radio", name=show, exact=True).click()
    page.wait_for_timeout(1500)


STAR = """<svg xmlns="http://www.w3.org/2000/svg" width="40mm" height="40mm" viewBox="0 0 60 60">
<path d="M30 4 L37 22 L56 23 L41 35 L46 54 L30 43 L14 54 L19 35 L4 23 L23 22 Z M30 25 a6 6 0 1 0 0.1 0 Z"/></svg>"""


def recipes(page: Any) -> None:
    page.get_by_role("link", name="Recipes", exact=True).click()
    page.get_by_role("list", name="Effects").wait_for()
    page.wait_for_load_state("networkidle")


def recipe(page: Any, effect: str) -> None:
    recipes(page)
    page.get_by_role("button", name=effect).click()
    page.get_by_test_id("answer").wait_for()
    page.wait_for_timeout(2500)


def steps(page: Any) -> None:
    choose(page, "Arch tracery, cut")
    page.get_by_role("tab", name="Steps").click()
    page.get_by_test_id("run-card").wait_for()
    page.wait_for_timeout(300)


def at_press(page: Any, presses: int) -> None:
    choose(page, "Sheave programme cover")
    page.get_by_role("tab", name="Steps").click()
    page.get_by_role("button", name="Go to the press").click()
    page.get_by_test_id("step").wait_for()
    for _ in range(presses):
        page.keyboard.press("Space")
        page.wait_for_timeout(150)
    page.wait_for_timeout(400)


def runs(page: Any) -> None:
    """After those at the press, so that there are some."""
    choose(page, "Sheave programme cover")
    page.get_by_role("tab", name="History").click()
    page.get_by_test_id("next-trial").wait_for(timeout=60_000)
    page.wait_for_timeout(800)


def shelf(page: Any) -> None:
    page.get_by_role("link", name="Shelf", exact=True).click()
    page.get_by_role("heading", name="Presses").wait_for()


def plan(page: Any, look: str = "Card") -> None:
    page.get_by_role("link", name="Plan", exact=True).click()
    page.get_by_role("link", name="Sixty programme covers").click()
    page.get_by_role("radio", name=look, exact=True).click()
    if look == "Sheets":
        page.get_by_role("img", name="Cuts of").first.wait_for()
    page.locator("[data-relief] image").first.wait_for(timeout=60_000)
    page.wait_for_timeout(1500)


def plan_at_work(page: Any) -> None:
    plan(page, "Order")
    page.get_by_role("link", name="Start working").click()
    page.get_by_test_id("operation").wait_for()
    page.keyboard.press("Space")
    page.get_by_test_id("running").wait_for()
    page.wait_for_timeout(600)


def logbook(page: Any) -> None:
    page.get_by_role("link", name="Logbook", exact=True).click()
    page.get_by_text("Sheave programme cover").first.wait_for()


def shelf_photo(page: Any) -> None:
    """A photo of twelve dies, read."""
    page.get_by_role("link", name="Shelf", exact=True).click()
    page.get_by_role("link", name="Photograph tools").click()
    page.get_by_test_id("tools-photo").set_input_files(str(ROOT / "tests" / "photographs" / "dies-above.jpg"))
    page.get_by_test_id("outline-0").wait_for(timeout=60_000)


def set_out(page: Any) -> None:
    """Somebody new, with one pile told of; comes last, for it fills the shelf and teaches."""
    page.goto(page.url.split("/bench")[0] + "/set-out")
    page.get_by_role("button", name="Go on").click()
    page.get_by_role("button", name="Go on").click()
    page.get_by_role("textbox", name="What else you own").fill("6 plain folders, 2 deep, 11 thin dies, 80 lb cover")
    page.get_by_text("11 thin die").wait_for()
    page.get_by_role("button", name="Add it to the shelf").click()
    page.get_by_role("article", name="A plain folder").get_by_role("button", name="works").click(timeout=30_000)
    page.get_by_role("button", name="works", pressed=True).wait_for()
    page.wait_for_timeout(2500)
    told = page.get_by_role("button", name="Close")
    if told.count():  # it goes by itself after a while
        told.click()
    page.wait_for_timeout(300)


VIEWS: dict[str, Callable[[Any], None]] = {
    "bench-right": lambda page: choose(page, "Sheave programme cover"),
    "bench-nip": nip,
    "feed": lambda page: feed(page, "Station arch, cut", "Lay it"),
    "feed-plates": lambda page: feed(page, "Station arch, cut", "Plates"),
    "impression": lambda page: impression(page, "Sheave programme cover"),
    "coach": coach,
    "practice": practice,
    "recipes": recipes,
    "recipes-line": lambda page: recipe(page, "A die's outline pressed"),
    "plan": plan,
    "plan-sheets": lambda page: plan(page, "Sheets"),
    "plan-at-work": plan_at_work,
    "steps": steps,
    "press-step": lambda page: at_press(page, 10),
    "bench-runs": runs,
    "logbook": logbook,
    "shelf": shelf,
    "shelf-photo": shelf_photo,
    "set-out": set_out,
}


def run(_: argparse.Namespace) -> int:
    """Take one picture of each main view at 1280 x 800."""
    from lofty_press.runtime.browser import chromium

    debian.ensure(debian.MARIADB, debian.CHROMIUM)
    frontend.ensure_page()
    folder = DOCS / "screenshots"
    folder.mkdir(exist_ok=True)
    with tempfile.TemporaryDirectory() as scratch, in_background(Path(scratch), demo=True) as running, chromium() as browser:
        with running.client() as http:
            http.put("/api/settings/tour", json="").raise_for_status()
        for name, show in VIEWS.items():
            page = browser.new_page(viewport={"width": 1280, "height": 800})
            page.goto(running.link)
            page.get_by_test_id("sentence").wait_for()
            show(page)
            page.screenshot(path=folder / f"{name}.png")
            page.close()
            say(f"docs/screenshots/{name}.png")
    return 0
