"""`lofty coach`: a sandwich file and what was seen on its sheet in, ranked causes with their cures as JSON out."""

import argparse
from pathlib import Path

from pydantic import BaseModel

from lofty_press.cli.assess_file import print_document, print_or_refuse, read_bytes
from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.basics.words import say
from lofty_press.core.teaching.coach import FELT_KEYS, SIGHT_KEYS, Said, scene_of
from lofty_press.demo.reliefs.library import with_own
from lofty_press.documents.answers.coach import KnownCauses, coached, known_causes
from lofty_press.documents.files.sandwich_file import read_sandwich_file
from lofty_press.documents.printed.lesson import lesson_on


def takes(parser: argparse.ArgumentParser) -> None:
    """Say what the command takes."""
    parser.add_argument("file", nargs="?", help="a sandwich file, or - for standard input")
    parser.add_argument("--seen", choices=[sight for sight in SIGHT_KEYS if sight != "right"], help="what was seen on the sheet")
    parser.add_argument("--at", metavar="X,Y", help="where: along the feed and across it from the middle of the bed, in mm")
    parser.add_argument("--felt", choices=FELT_KEYS, help="what was felt at the crank")
    parser.add_argument("--picked", metavar="CAUSE", help="the cause whose picture resembles the sheet")
    parser.add_argument("--looked", metavar="LOOK=yes|no", action="append", default=[], help="a look that was taken, and whether it was so")
    parser.add_argument("--sheet", metavar="PDF", help="write a page to teach with, of the sandwich or of one --cause")
    parser.add_argument("--cause", help="which cause the page is of, by its key")
    parser.add_argument("--unit", choices=("mm", "in"), default="mm", help="of the page's lengths")
    parser.add_argument("--causes", action="store_true", help="list all causes that are known")
    parser.set_defaults(run=run)


def run(arguments: argparse.Namespace) -> int:
    """Print the causes, or the refusal."""
    if arguments.causes:
        print_document(KnownCauses(causes=known_causes()))
        return 0

    def report() -> BaseModel:
        if arguments.file is None:
            raise InvalidInput("file", None, say("is needed: a sandwich file, or - for standard input"))
        at = None if arguments.at is None else place_of(arguments.at)
        content = read_sandwich_file(read_bytes(arguments.file))
        if arguments.sheet is not None:
            from lofty_press.documents.printed.teaching_sheet import teaching_pdf  # takes a second to load

            lesson = lesson_on(content.sandwich, arguments.cause, None, with_own(content.reliefs))
            Path(arguments.sheet).write_bytes(teaching_pdf(lesson, arguments.unit))
        settled = dict(looked_of(text) for text in arguments.looked)
        said = Said(seen=arguments.seen, at=at, felt=arguments.felt, picked=arguments.picked, settled=settled)
        return coached(scene_of(content.sandwich, with_own(content.reliefs)), said)

    return print_or_refuse(report, arguments.file or "")


def place_of(text: str) -> tuple[float, float]:
    """A place as it is typed.

    Raises
    ------
    InvalidInput
        If it is none.
    """
    try:
        along, across = (float(part) for part in text.split(","))
    except ValueError as error:
        raise InvalidInput("at", text[:60], say("must be two numbers with a comma between, such as 12,-30")) from error
    return along, across


def looked_of(text: str) -> tuple[str, bool]:
    """A look as it is typed, with whether it was so.

    Raises
    ------
    InvalidInput
        If it is none.
    """
    look, _, so = text.partition("=")
    if so not in ("yes", "no"):
        raise InvalidInput("looked", text[:60], say("must be a check and yes or no, such as layers=no"))
    return look, so == "yes"
