"""`lofty test`: every test on a throw-away database, or those of a path."""

import argparse
import shutil
import subprocess
import sys
import tempfile
from pathlib import Path

from lofty_press.setup import debian, frontend
from lofty_press.setup.paths import ROOT

ALONE = ("tests/core", "tests/reference", "tests/documents", "src")  # Python alone
SERVED = ("tests/service",)  # the service with its database, without a browser
BUNDLED = ("tests/page",)  # Node, and the page's functions without a page

PYTEST = (sys.executable, "-m", "pytest")
NOTHING_CHOSEN = 5  # pytest's exit code where an option leaves no test
BEHIND = ("nice", "-n", "10")  # a page that is waited for goes before a computation that is not


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
    if wanted:
        return subprocess.run([*PYTEST, *arguments.arguments], cwd=ROOT).returncode
    return in_two_rows(*arguments.arguments)


def in_two_rows(*options: str) -> int:
    """Every test: those of the application in front, and behind them, on what the machine has left, those that need none.

    What the second row prints is shown when the first has ended.
    """
    folders = [folder.relative_to(ROOT) for folder in sorted(Path(ROOT, "tests").iterdir()) if any(folder.glob("**/test_*.py"))]
    front = [str(folder) for folder in folders if not within(folder, *ALONE, *BUNDLED)]
    back = [str(folder) for folder in folders if within(folder, *ALONE, *BUNDLED)] + ["src/lofty_press/core"]
    with tempfile.TemporaryFile() as printed:
        beside = subprocess.Popen(
            [*BEHIND, *PYTEST, *back, "-o", "cache_dir=.pytest_cache/behind", *options], cwd=ROOT, stdout=printed, stderr=subprocess.STDOUT
        )
        try:
            first = subprocess.run([*PYTEST, *front, *options], cwd=ROOT).returncode
            second = beside.wait()
        finally:
            beside.kill()
            printed.seek(0)
            shutil.copyfileobj(printed, sys.stdout.buffer)
    failed = [code for code in (first, second) if code not in (0, NOTHING_CHOSEN)]
    return failed[0] if failed else min(first, second)


def place_of(word: str) -> Path:
    """Where a test that was named lies, from the project's root."""
    return Path(ROOT, word.split("::")[0]).resolve().relative_to(ROOT)


def within(place: Path, *folders: str) -> bool:
    """True if a place lies in one of some folders."""
    return any(place.is_relative_to(folder) for folder in folders)
