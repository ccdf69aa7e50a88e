"""Debian's headless Chromium, driven by Playwright, kept away from every network but loopback."""

import contextlib
import os
from collections.abc import Iterator

from playwright.sync_api import Browser, sync_playwright

from lofty_press.setup.debian import find_program

QUIET = [
    "--disable-dev-shm-usage",
    "--disable-background-networking",
    "--disable-component-update",
    "--disable-sync",
    "--no-first-run",
    "--host-resolver-rules=MAP * ~NOTFOUND , EXCLUDE 127.0.0.1",
]


@contextlib.contextmanager
def chromium() -> Iterator[Browser]:
    """A running browser."""
    arguments = [*QUIET, "--no-sandbox"] if os.geteuid() == 0 else QUIET
    with sync_playwright() as playwright:
        browser = playwright.chromium.launch(executable_path=find_program("chromium"), args=arguments)
        yield browser
        browser.close()
