"""A page of the running application in a real browser; any console error or request elsewhere fails the test."""

from collections.abc import Callable, Iterator

import pytest
from playwright.sync_api import Browser, Page, expect
from tests.browser.patience import PATIENCE

from lofty_press.runtime.browser import chromium
from lofty_press.runtime.serve import Running

SIZE = {"width": 1280, "height": 800}
LOADING = "Failed to load resource"  # what the browser logs of an answer that is no success; the answers themselves are looked at
CALLED_OFF = "net::ERR_ABORTED"  # a question that the page no longer waits for

expect.set_options(timeout=PATIENCE)


@pytest.fixture(scope="session")
def browser() -> Iterator[Browser]:
    with chromium() as started:
        yield started


@pytest.fixture
def open_page(browser: Browser, running: Running, request: pytest.FixtureRequest) -> Iterator[Callable[[str], Page]]:
    """Opens pages, each in a fresh context unless one is given, and watches what they do.

    Nothing may fail unseen: an answer that is no success, a request that gets none, an error in the console. A test that provokes some says
    so: `@pytest.mark.provokes(409, "offline")`.
    """
    allowed = {what for mark in request.node.iter_markers("provokes") for what in mark.args}
    problems: list[str] = []
    contexts = []

    for owner in {"kept", "begun", "label", "run"} & set(request.fixturenames):
        request.getfixturevalue(owner)  # what they made is removed after every page that shows it is closed
    with running.client() as http:
        http.put("/api/settings/unit", json="mm").raise_for_status()  # another test may have left it in inches
        http.put("/api/settings/tour", json="").raise_for_status()

    def open_at(path: str, beside: Page | None = None) -> Page:
        context = beside.context if beside else browser.new_context(viewport=SIZE, accept_downloads=True)
        contexts.append(context)
        context.set_default_timeout(PATIENCE)
        page = context.new_page()
        page.on("console", lambda m: problems.append(m.text) if m.type == "error" and LOADING not in m.text else None)
        page.on("response", lambda r: problems.append(f"{r.status} {r.url}") if r.status >= 400 and r.status not in allowed else None)
        page.on(
            "requestfailed",
            lambda r: None if r.failure == CALLED_OFF or "offline" in allowed else problems.append(f"{r.failure} {r.url}"),
        )
        page.on("pageerror", lambda e: problems.append(str(e)))
        page.on(
            "request", lambda r: None if r.url.startswith((running.address, "blob:", "data:")) else problems.append(f"request to {r.url}")
        )
        context.add_cookies([{"name": name, "value": value, "url": running.address} for name, value in running.door.cookies.items()])
        page.goto(running.address + path)
        return page

    yield open_at
    for context in contexts:
        context.close()
    assert problems == []


@pytest.fixture
def bench(open_page, kept) -> Page:
    """The bench with a fresh copy of the lattice sleeve on it, judged and saved."""
    page = open_page(f"/bench/{kept['id']}")
    expect(page.get_by_test_id("sentence")).to_contain_text("Rail-lattice")
    return page
