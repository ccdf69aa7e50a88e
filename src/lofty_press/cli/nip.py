"""`lofty nip`: what the layered model finds for a sandwich, or for bare lists of layers, as JSON."""

import argparse

from lofty_press.cli.assess_file import full_or_quick, offer_full, print_or_refuse, read_bytes
from lofty_press.core.judging.assess import assess
from lofty_press.demo.reliefs.library import with_own
from lofty_press.documents.files.nip_piles import NipDocument, describe_nip, find_nips, read_piles
from lofty_press.documents.files.sandwich_file import read_sandwich_file


def takes(parser: argparse.ArgumentParser) -> None:
    """Say what the command takes."""
    given = parser.add_mutually_exclusive_group(required=True)
    given.add_argument(
        "file", nargs="?", help="a sandwich file, or - for standard input: in the middle of its work and where it gets least"
    )
    given.add_argument("--piles", metavar="FILE", help="a file of layer lists and closings, or - for standard input")
    offer_full(parser)
    parser.set_defaults(run=run)


def run(arguments: argparse.Namespace) -> int:
    """Print what was found, or the refusal."""
    if arguments.piles is not None:
        return print_or_refuse(lambda: find_nips(read_piles(read_bytes(arguments.piles))), arguments.piles)
    return print_or_refuse(lambda: of_sandwich(arguments), arguments.file)


def of_sandwich(arguments: argparse.Namespace) -> NipDocument:
    """The nip of a sandwich file."""
    content = read_sandwich_file(read_bytes(arguments.file))
    library = with_own(content.reliefs)
    return describe_nip(assess(content.sandwich, library, exact=full_or_quick(arguments, content.sandwich, library)))
