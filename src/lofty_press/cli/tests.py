"""`lofty test`: every test on a throw-away database, or those of a path."""

import argparse
import os
import subprocess
import sys
import tempfile
from pathlib import Path

from lofty_press.setup import debian, frontend
from lofty_press.setup.paths import ROOT

COMPUTED = ("tests/core",)  # the computation, which is the most of it
ALONE = (*COMPUTED, "tests/reference", "tests/documents", "src")  # Python alone
SERVED = ("tests/service",)  # the service with its database, without a browser
BUNDLED = ("tests/page",)  # Node, and the page's functions without a page

SLOW = ("tests/siege", "tests/core/judging/dialin", "tests/documents")  # where tests are marked as a siege

PYTEST = (sys.executable, "-m", "pytest")
ONE_THREAD = {"OPENBLAS_NUM_THREADS": "1", "OMP_NUM_THREADS": "1"}
"""Rows beside one another keep every core busy; threads of a row's own would spin while they wait for one (a third of the work in tests/core/mechanics/forming)."""
NOTHING_CHOSEN = 5  # pytest's exit code where an option leaves no test
ROWS = (("tests/browser",), SERVED, ("tests/siege", "tests/reference", "tests/documents", "src", *BUNDLED), COMPUTED)
"""Tests that run one after the other; the rows beside one another, each on what those before it leave of the machine: a page that is waited for goes
before a computation that is not."""
STANDS_BACK = (0, 3, 12, 19)
"""By which each row stands back, as nice(2) has it. Workers stand back by up to 10 more, and have to get their turn beside the other rows."""


def takes(parser: argparse.ArgumentParser) -> None:
    """Say what the command takes."""
    parser.add_argument("--siege", action="store_true", help="only the tests that take minutes, which a bare `test` leaves out")
    parser.add_argument("arguments", nargs=argparse.REMAINDER, help="paths of tests, and what else pytest takes")
    parser.set_defaults(run=run)


def run(arguments: argparse.Namespace) -> int:
    """Install what is missing of what these tests need, and run pytest."""
    if arguments.siege:
        arguments.arguments = ["-m", "siege", *(arguments.arguments or SLOW)]
    wanted = [place_of(word) for word in arguments.arguments if not word.startswith("-") and Path(ROOT, word.split("::")[0]).exists()]
    if not wanted or not all(within(place, *ALONE, *SERVED, *BUNDLED) for place in wanted):
        debian.ensure(debian.MARIADB, debian.CHROMIUM)
        frontend.ensure_page()
    elif any(within(place, *SERVED) for place in wanted):
        debian.ensure(debian.MARIADB)
        frontend.ensure_page()
    if wanted:
        return subprocess.run([*PYTEST, *arguments.arguments], cwd=ROOT, env={**ONE_THREAD, **os.environ}).returncode
    print("lofty: the tests that take minutes are left out; run them with ./lofty test --siege", flush=True)
    return in_rows("-m", "not siege", *arguments.arguments)


def in_rows(*options: str) -> int:
    """Every test; what the other rows print is shown when the first has ended."""
    with tempfile.TemporaryDirectory() as scratch:
        printed = [Path(scratch, str(n)) for n in range(len(ROWS))]
        started = []
        environment = {**ONE_THREAD, **os.environ}
        try:
            for n, row in enumerate(ROWS):
                command = ["nice", "-n", str(STANDS_BACK[n]), *PYTEST, *folders_of(row), "-o", f"cache_dir=.pytest_cache/{n}", *options]
                with printed[n].open("wb") as file:
                    started.append(
                        subprocess.Popen(
                            command, cwd=ROOT, env=environment, stdout=file if n else None, stderr=subprocess.STDOUT if n else None
                        )
                    )
            codes = [process.wait() for process in started]
        finally:
            for process in started:
                process.kill()
            for told in printed:
                print(told.read_text(errors="replace") if told.exists() else "", end="", flush=True)
    failed = [code for code in codes if code not in (0, NOTHING_CHOSEN)]
    return failed[0] if failed else min(codes)


def folders_of(row: tuple[str, ...]) -> list[str]:
    """The folders of a row that hold tests; those that no row names stand in the second, which has the whole service."""
    folders = [path.relative_to(ROOT) for path in sorted(Path(ROOT, "tests").iterdir()) if any(path.glob("**/test_*.py"))]
    named = [str(folder) for folder in folders if within(folder, *row)]
    if row == ROWS[1]:
        named += [str(folder) for folder in folders if not any(within(folder, *other) for other in ROWS)]
    return named + (["src/lofty_press/core"] if "src" in row else [])


def place_of(word: str) -> Path:
    """Where a test that was named lies, from the project's root."""
    return Path(ROOT, word.split("::")[0]).resolve().relative_to(ROOT)


def within(place: Path, *folders: str) -> bool:
    """True if a place lies in one of some folders."""
    return any(place.is_relative_to(folder) for folder in folders)
