"""`lofty nip`: what the layered model finds for a sandwich's bare pile, or for bare lists of layers, as JSON."""

import argparse
from typing import Any

from lofty_press.cli.assess_file import print_or_refuse, read_bytes
from lofty_press.core.nip.bare_pile import bare_pile
from lofty_press.core.stack.check import check_sandwich
from lofty_press.core.stack.view import StackView
from lofty_press.documents.nip_piles import NipDocument, describe_bare_pile, find_nips, read_piles
from lofty_press.documents.sandwich_file import read_sandwich


def add_to(commands: Any) -> None:
    """Register the command."""
    parser = commands.add_parser("nip", help="loads and pressures in bare piles of layers; prints JSON, needs neither database nor web")
    given = parser.add_mutually_exclusive_group(required=True)
    given.add_argument("file", nargs="?", help="a sandwich file, or - for standard input: its bare pile in the middle of the work")
    given.add_argument("--piles", metavar="FILE", help="a file of layer lists and closings, or - for standard input")
    parser.set_defaults(run=run)


def run(arguments: argparse.Namespace) -> int:
    """Print what was found, or the refusal."""
    if arguments.piles is not None:
        return print_or_refuse(lambda: find_nips(read_piles(read_bytes(arguments.piles))), arguments.piles)
    return print_or_refuse(lambda: of_sandwich(read_bytes(arguments.file)), arguments.file)


def of_sandwich(text: bytes) -> NipDocument:
    """The bare pile of a sandwich file."""
    sandwich = read_sandwich(text)
    check_sandwich(sandwich)
    view = StackView(sandwich)
    return describe_bare_pile(bare_pile(view), view.press.roller_radius_mm)
