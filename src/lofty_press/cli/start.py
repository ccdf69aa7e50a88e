"""`lofty demo` and `lofty start`."""

import argparse
from typing import Any

from lofty_press.runtime.ending import end_as_by_ctrl_c
from lofty_press.runtime.serve import serve
from lofty_press.setup import debian, frontend
from lofty_press.setup.paths import STATE


def add_to(commands: Any) -> None:
    """Register both commands."""
    for name, text in (("demo", "run with the demo world, on its own database"), ("start", "run with your own data, which is kept")):
        parser = commands.add_parser(name, help=text)
        parser.add_argument("--port", type=int, help="port on 127.0.0.1 (otherwise a free one)")
        parser.set_defaults(run=run)


def run(arguments: argparse.Namespace) -> int:
    """Install what is missing and serve until Ctrl-C."""
    end_as_by_ctrl_c()
    debian.ensure(debian.MARIADB)
    frontend.ensure_page()
    folder = STATE / ("demo" if arguments.command == "demo" else "own")
    serve(folder, demo=arguments.command == "demo", port=arguments.port)
    return 0
