"""`lofty test`: every test, on a throw-away database."""

import argparse
import subprocess
import sys
from typing import Any

from lofty_press.setup import debian, frontend
from lofty_press.setup.paths import ROOT


def add_to(commands: Any) -> None:
    """Register the command."""
    parser = commands.add_parser("test", help="run every test: core, service, browser")
    parser.add_argument("arguments", nargs=argparse.REMAINDER, help="passed on to pytest")
    parser.set_defaults(run=run)


def run(arguments: argparse.Namespace) -> int:
    """Install what is missing and run pytest."""
    debian.ensure(debian.MARIADB, debian.CHROMIUM)
    frontend.ensure_page()
    return subprocess.run([sys.executable, "-m", "pytest", *arguments.arguments], cwd=ROOT).returncode
