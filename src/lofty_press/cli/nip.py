"""`lofty nip`: bare piles in, the nip that the model finds for them out, as JSON."""

import argparse
from typing import Any

from lofty_press.cli.assess_file import print_or_refuse, read_bytes
from lofty_press.documents.nip_piles import find_nips, read_piles


def add_to(commands: Any) -> None:
    """Register the command."""
    parser = commands.add_parser("nip", help="loads and pressures in bare piles of layers; prints JSON, needs neither database nor web")
    parser.add_argument("--piles", required=True, metavar="FILE", help="a file of layer lists and closings, or - for standard input")
    parser.set_defaults(run=run)


def run(arguments: argparse.Namespace) -> int:
    """Print what was found, or the refusal."""
    return print_or_refuse(lambda: find_nips(read_piles(read_bytes(arguments.piles))), arguments.piles)
