"""`lofty assess`: a sandwich file in, its assessment as JSON out."""

import argparse
import json
import sys
from collections.abc import Callable
from pathlib import Path

from pydantic import BaseModel

from lofty_press.core.basics.errors import InvalidInput, NoBalance
from lofty_press.core.judging.assess import assess
from lofty_press.core.judging.explain import ABOUT
from lofty_press.core.mechanics.forming import roll
from lofty_press.core.mechanics.nip import Exact
from lofty_press.core.sandwich.relief import Library
from lofty_press.core.sandwich.stack import Sandwich
from lofty_press.demo.reliefs.library import with_own
from lofty_press.documents.answers.assessment import describe_with_fixes
from lofty_press.documents.answers.explanation import explained
from lofty_press.documents.answers.words import read_out
from lofty_press.documents.files.sandwich_file import LARGEST_FILE, read_sandwich_file


def takes(parser: argparse.ArgumentParser) -> None:
    """Say what the command takes."""
    parser.add_argument("file", help="a sandwich file, or - for standard input")
    parser.add_argument("--map", action="store_true", help="with the pressure at every point")
    parser.add_argument("--why", choices=ABOUT, help="in place of it: why it says so, from the measures on")
    offer_full(parser)
    parser.set_defaults(run=run)


def offer_full(parser: argparse.ArgumentParser) -> None:
    """Offer the full nip in place of the quick one."""
    parser.add_argument("--full", action="store_true", help="roll it through in full, place by place: some seconds in place of a moment")


def full_or_quick(arguments: argparse.Namespace, sandwich: Sandwich, library: Library) -> Exact | None:
    """The full nip if it was asked for.

    Raises
    ------
    InvalidInput, NoBalance
        As `roll` and `Rolled.settled`.
    """
    return roll(sandwich, library).settled() if arguments.full else None


def read_bytes(name: str) -> bytes:
    """Contents of the file or of standard input, never more than one byte over the limit."""
    if name == "-":
        return sys.stdin.buffer.read(LARGEST_FILE + 1)
    with Path(name).open("rb") as handle:
        return handle.read(LARGEST_FILE + 1)


def run(arguments: argparse.Namespace) -> int:
    """Print the assessment, or the refusal."""

    def judgement() -> BaseModel:
        content = read_sandwich_file(read_bytes(arguments.file))
        library = with_own(content.reliefs)
        exact = full_or_quick(arguments, content.sandwich, library)
        found = assess(content.sandwich, library, exact=exact)
        return explained(found, arguments.why) if arguments.why else describe_with_fixes(found, with_map=arguments.map)

    return print_or_refuse(judgement, arguments.file)


def print_or_refuse(work: Callable[[], BaseModel], file: str) -> int:
    """Print what comes of working on a file, or the refusal as JSON with exit code 2."""
    try:
        document = work()
    except InvalidInput as error:
        return refuse("invalid", str(error), error.field)
    except NoBalance as error:
        return refuse("no-balance", str(error), None)
    except OSError as error:
        return refuse("file", f"cannot read {file}: {error.strerror}", "file")
    print_document(document)
    return 0


def print_document(document: BaseModel) -> None:
    """A document as JSON, its texts in words."""
    print(json.dumps(read_out(document.model_dump(mode="json")), ensure_ascii=False, indent=2))


def refuse(code: str, message: str, field: str | None) -> int:
    print(json.dumps({"error": {"code": code, "message": message, "field": field}}, ensure_ascii=False))
    return 2
