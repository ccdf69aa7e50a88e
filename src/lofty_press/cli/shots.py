"""`lofty shots`: renews the pictures in docs/screenshots from the demo world."""

import argparse
import tempfile
from collections.abc import Callable
from pathlib import Path
from typing import Any

from lofty_press.runtime.serve import in_background
from lofty_press.setup import debian, frontend
from lofty_press.setup.paths import DOCS
from lofty_press.setup.say import say


def add_to(commands: Any) -> None:
    """Register the command."""
    parser = commands.add_parser("shots", help="renew the pictures in docs/screenshots")
    parser.set_defaults(run=run)


def choose(page: Any, name: str) -> None:
    """Open a sandwich of the demo world and wait until it is judged."""
    page.get_by_role("button", name="All sandwiches").click()
    page.get_by_role("menuitem", name=name).click()
    page.get_by_role("textbox", name="Name of the sandwich").and_(page.locator(f'[value="{name}"]')).wait_for()
    page.wait_for_timeout(700)


def nip(page: Any) -> None:
    choose(page, "Lattice with a window")
    page.keyboard.press("]")
    page.wait_for_timeout(500)


def adding(page: Any) -> None:
    choose(page, "Station arch, cut")
    page.keyboard.press("a")
    page.get_by_role("combobox", name="Find on the shelf").fill("mat")
    page.wait_for_timeout(300)


def shelf(page: Any) -> None:
    page.get_by_role("link", name="Shelf").click()
    page.get_by_role("heading", name="Presses").wait_for()


VIEWS: dict[str, Callable[[Any], None]] = {
    "bench-right": lambda page: choose(page, "Sheave programme cover"),
    "bench-jam": lambda page: choose(page, "Sheave on two plates"),
    "bench-silicone": lambda page: choose(page, "Line with silicone, hard plate above"),
    "bench-add": adding,
    "bench-nip": nip,
    "shelf": shelf,
}


def run(_: argparse.Namespace) -> int:
    """Take one picture of each main view at 1280 x 800."""
    from lofty_press.runtime.browser import chromium

    debian.ensure(debian.MARIADB, debian.CHROMIUM)
    frontend.ensure_page()
    folder = DOCS / "screenshots"
    folder.mkdir(exist_ok=True)
    with tempfile.TemporaryDirectory() as scratch, in_background(Path(scratch), demo=True) as running, chromium() as browser:
        for name, show in VIEWS.items():
            page = browser.new_page(viewport={"width": 1280, "height": 800})
            page.goto(f"{running.address}/bench")
            page.get_by_test_id("sentence").wait_for()
            show(page)
            page.screenshot(path=folder / f"{name}.png")
            page.close()
            say(f"docs/screenshots/{name}.png")
    return 0
