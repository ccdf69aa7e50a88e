"""`lofty feed`: a sandwich file in, how it goes between the rollers as JSON out."""

import argparse

from lofty_press.cli.assess_file import full_or_quick, offer_full, print_or_refuse, read_bytes
from lofty_press.core.mechanics.feed import examine
from lofty_press.demo.reliefs.library import with_own
from lofty_press.documents.answers.feed import FeedDocument, describe_feed
from lofty_press.documents.files.sandwich_file import read_sandwich_file


def takes(parser: argparse.ArgumentParser) -> None:
    """Say what the command takes."""
    parser.add_argument("file", help="a sandwich file, or - for standard input")
    parser.add_argument("--first", choices=("hinge", "open edge", "either"), default="either", help="what of a folder goes in first")
    words = ("with the feed", "along the rollers", "either")
    parser.add_argument("--words", choices=words, default="either", help="how lines of words are to run")
    offer_full(parser)
    parser.set_defaults(run=run)


def run(arguments: argparse.Namespace) -> int:
    """Print the report, or the refusal."""

    def report() -> FeedDocument:
        content = read_sandwich_file(read_bytes(arguments.file))
        library = with_own(content.reliefs)
        exact = full_or_quick(arguments, content.sandwich, library)
        return describe_feed(examine(content.sandwich, library, exact, first=arguments.first, words=arguments.words))

    return print_or_refuse(report, arguments.file)
