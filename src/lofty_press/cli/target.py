"""`lofty target`: the sheet to photograph tools on."""

import argparse
from pathlib import Path

from lofty_press.cli.assess_file import refuse
from lofty_press.core.imaging.photo import TARGETS
from lofty_press.documents.printed.target_pdf import target_pdf


def takes(parser: argparse.ArgumentParser) -> None:
    """Say what the command takes."""
    parser.add_argument("out", type=Path, metavar="OUT.pdf", help="where the page is written")
    parser.add_argument("--paper", choices=tuple(TARGETS), default="A4")
    parser.set_defaults(run=run)


def run(arguments: argparse.Namespace) -> int:
    """Write the sheet."""
    try:
        arguments.out.write_bytes(target_pdf(TARGETS[arguments.paper], "in" if arguments.paper == "letter" else "mm"))
    except OSError as error:
        return refuse("file", f"cannot write {arguments.out}: {error.strerror}", "out")
    print(f"{arguments.out}: print it at 100 %, on white matte paper")
    return 0
