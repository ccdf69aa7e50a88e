"""The house itself: how plainly it speaks, what a change costs, how long its tests and its first start take."""

import os
import re
import subprocess
import sys
import tempfile
import time
import venv
from pathlib import Path

from lofty_press.bench import changes
from lofty_press.bench.figure import Figure
from lofty_press.documents.texts.catalogue import catalogue
from lofty_press.documents.texts.plain_speech import too_long
from lofty_press.setup import frontend
from lofty_press.setup.paths import ROOT, WEB

NAMES = ("texts_over_25_words", "changes_places", "suite_s", "first_start_s")
UP = re.compile(rb"http://127\.0\.0\.1:\d+")
PATIENCE = 1800.0  # s


def measure(names: set[str]) -> list[Figure]:
    """The wanted figures; the three that take minutes only run where they are named."""
    figures = []
    if "texts_over_25_words" in names:
        figures.append(Figure("texts_over_25_words", float(sum(map(too_long, catalogue(WEB / "src")))), "1", 0.0))
    if "changes_places" in names:
        with tempfile.TemporaryDirectory() as scratch:
            figures += changes.measure(Path(scratch))
    if "suite_s" in names:
        figures.append(Figure("suite_s", seconds_of([str(ROOT / "lofty"), "test"], ROOT), "s", 450.0))
    if "first_start_s" in names:
        with tempfile.TemporaryDirectory() as scratch:
            bare = packages_alone(Path(scratch, "bare"))
            figures.append(Figure("first_start_s", first_start(Path(scratch, "clone")) / bare, "x", 1.2))
    return figures


def seconds_of(command: list[str], folder: Path) -> float:
    """How long a command takes, which must succeed."""
    began = time.monotonic()
    subprocess.run(command, cwd=folder, check=True, stdout=subprocess.DEVNULL, stderr=subprocess.DEVNULL, timeout=PATIENCE)
    return time.monotonic() - began


def packages_alone(folder: Path) -> float:
    """How long pip and npm take by themselves for what a start needs; Debian's packages are there already."""
    folder.mkdir()
    for name in ("package.json", "package-lock.json"):
        (folder / name).write_bytes((WEB / name).read_bytes())
    began = time.monotonic()
    venv.create(folder / "venv", with_pip=True)
    seconds_of([str(folder / "venv/bin/pip"), "install", "--require-hashes", "-r", str(ROOT / "requirements" / "base.txt")], folder)
    seconds_of([frontend.npm_program(), "ci"], folder)
    return time.monotonic() - began


def first_start(folder: Path) -> float:
    """From a fresh clone to the page's address, by README's second command."""
    subprocess.run(["git", "clone", "--quiet", str(ROOT), str(folder)], check=True)
    plain = {key: value for key, value in os.environ.items() if key not in ("PYTHONPATH", "VIRTUAL_ENV")}
    began = time.monotonic()
    with subprocess.Popen(
        [str(folder / "lofty"), "start"], cwd=folder, env=plain, stdout=subprocess.PIPE, stderr=subprocess.STDOUT
    ) as started:
        assert started.stdout is not None
        try:
            for line in started.stdout:
                if UP.search(line):
                    return time.monotonic() - began
        finally:
            started.terminate()
    print("lofty: the fresh clone did not start", file=sys.stderr)
    raise SystemExit(1)
