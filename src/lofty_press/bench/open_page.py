"""The bench in a browser, with a sandwich of the press room on it."""

from typing import Any

from playwright.sync_api import Browser


def open_sandwich(browser: Browser, address: str, name: str) -> Any:
    """A new page with that sandwich, judged; `address` is the link that lets a browser in."""
    page = browser.new_page(viewport={"width": 1280, "height": 800})
    page.goto(address)
    page.get_by_test_id("sentence").wait_for()
    page.get_by_role("button", name="All sandwiches").click()
    page.get_by_role("menuitem", name=name).click()
    return page
