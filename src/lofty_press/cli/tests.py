"""`lofty test`: every test on a throw-away database, or those of a path."""

import argparse
import subprocess
import sys
from pathlib import Path

from lofty_press.setup import debian, frontend
from lofty_press.setup.paths import ROOT

ALONE = ("tests/core", "tests/reference", "tests/documents", "src")  # Python alone
SERVED = ("tests/service",)  # the service with its database, without a browser
BUNDLED = ("tests/page",)  # Node, and the page's functions without a page


def takes(parser: argparse.ArgumentParser) -> None:
    """Say what the command takes."""
    parser.add_argument("arguments", nargs=argparse.REMAINDER, help="paths of tests, and what else pytest takes")
    parser.set_defaults(run=run)


def run(arguments: argparse.Namespace) -> int:
    """Install what is missing of what these tests need, and run pytest."""
    wanted = [place_of(word) for word in arguments.arguments if not word.startswith("-") and Path(ROOT, word.split("::")[0]).exists()]
    if not wanted or not all(within(place, *ALONE, *SERVED, *BUNDLED) for place in wanted):
        debian.ensure(debian.MARIADB, debian.CHROMIUM)
        frontend.ensure_page()
    elif any(within(place, *SERVED) for place in wanted):
        debian.ensure(debian.MARIADB)
        frontend.ensure_page()
    return subprocess.run([sys.executable, "-m", "pytest", *arguments.arguments], cwd=ROOT).returncode


def place_of(word: str) -> Path:
    """Where a test that was named lies, from the project's root."""
    return Path(ROOT, word.split("::")[0]).resolve().relative_to(ROOT)


def within(place: Path, *folders: str) -> bool:
    """True if a place lies in one of some folders."""
    return any(place.is_relative_to(folder) for folder in folders)
