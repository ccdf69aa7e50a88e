"""`lofty siege`: attacks the whole application from outside and says what held."""

import argparse
import json
import sys
import tempfile
from importlib import import_module
from pathlib import Path

from lofty_press.bench.figure import Figure
from lofty_press.runtime.ending import end_as_by_ctrl_c
from lofty_press.setup import debian, frontend
from lofty_press.setup.say import say

NAMES = ("kills", "disk", "slow", "hostile", "requests", "crowd", "soak", "growth", "archive")


def takes(parser: argparse.ArgumentParser) -> None:
    """Say what the command takes."""
    parser.add_argument("--minutes", type=float, metavar="N", help="how long in all; without it each siege does its full number of rounds")
    parser.add_argument("--only", nargs="+", choices=NAMES, metavar="NAME", default=NAMES, help=", ".join(NAMES))
    parser.add_argument("--seed", type=int, default=1926, help="decides everything that is chance")
    parser.add_argument("--json", action="store_true", help="print the figures as JSON, in the form of bench --json")
    parser.set_defaults(run=run)


def run(arguments: argparse.Namespace) -> int:
    """Lay the sieges one after another and print their figures."""
    from lofty_press.siege.scope import Scope

    end_as_by_ctrl_c()
    debian.ensure(debian.MARIADB)
    frontend.ensure_page()
    figures: list[Figure] = []
    counts: dict[str, float | str] = {}
    seconds = None if arguments.minutes is None else 60 * arguments.minutes / len(arguments.only)
    for name in arguments.only:
        say(f"siege: {name}")
        siege = import_module(f"lofty_press.siege.{name}")
        scope = Scope(arguments.seed, seconds, getattr(siege, "ROUNDS", None))
        with tempfile.TemporaryDirectory(prefix="lofty-siege-") as scratch:
            report = siege.measure(Path(scratch) / "ground", scope)
        figures += report.figures
        counts |= report.counts
        say("; ".join(f"{name}: {value}" for name, value in report.counts.items()))
    if arguments.json:
        rows = [{"name": f.name, "value": round(f.value, 4), "unit": f.unit, "limit": f.limit, "at_least": f.at_least} for f in figures]
        print(json.dumps({"figures": rows, "counts": counts}))
    else:
        for f in figures:
            limit = "" if f.limit is None else f"{'at least' if f.at_least else 'limit'} {f.limit:g}"
            print(f"{f.name:30} {f.value:10.3f} {f.unit:4} {limit:12} {'' if f.kept else 'NOT KEPT'}")
    sys.stdout.flush()
    return 0 if all(f.kept for f in figures) else 1
