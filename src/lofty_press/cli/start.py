"""`lofty demo` and `lofty start`."""

import argparse
from pathlib import Path

from lofty_press.runtime.ending import end_as_by_ctrl_c
from lofty_press.runtime.serve import serve
from lofty_press.setup import debian, frontend
from lofty_press.setup.paths import STATE


def takes(parser: argparse.ArgumentParser) -> None:
    """Say what either command takes."""
    parser.add_argument("--port", type=int, help="port on 127.0.0.1 (otherwise a free one)")
    parser.add_argument("--folder", type=Path, help=argparse.SUPPRESS)
    parser.set_defaults(run=run)


def run(arguments: argparse.Namespace) -> int:
    """Install what is missing and serve until Ctrl-C."""
    end_as_by_ctrl_c()
    debian.ensure(debian.MARIADB)
    frontend.ensure_page()
    folder = arguments.folder or STATE / ("demo" if arguments.command == "demo" else "own")
    serve(folder, demo=arguments.command == "demo", port=arguments.port)
    return 0
