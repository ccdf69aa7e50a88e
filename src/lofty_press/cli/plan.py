"""`lofty plan FILE`: sizes, cut list, order and timetable of a job file, as JSON; without database or web."""

import argparse
import sys
from datetime import datetime, timedelta
from pathlib import Path

from lofty_press.cli.assess_file import print_document, refuse
from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.basics.words import say
from lofty_press.documents.answers.plan.calendar import calendar_of
from lofty_press.documents.answers.plan.job_file import LARGEST, read_job
from lofty_press.documents.answers.plan.pages_pdf import plan_pdf
from lofty_press.documents.answers.plan.pages_svg import cut_list_svg
from lofty_press.documents.answers.plan.plan import plan_of


def takes(parser: argparse.ArgumentParser) -> None:
    """Say what the command takes."""
    parser.add_argument("file", metavar="FILE", help="a job as JSON, or - for standard input; see docs/file-formats.md")
    parser.add_argument(
        "--pdf", type=Path, metavar="OUT", help="write card, shopping list, cuts by stop and order as pages of letter or A4"
    )
    parser.add_argument("--svg", type=Path, metavar="OUT", help="write the cut sheets as a drawing")
    parser.add_argument("--ics", type=Path, metavar="OUT", help="write the timetable as a calendar")
    parser.add_argument("--begin", metavar="WHEN", help="when the work begins, as 2026-12-05T13:00; the next full hour unless given")
    parser.set_defaults(run=run)


def run(arguments: argparse.Namespace) -> int:
    """Plan and print."""
    try:
        begin = begins(arguments.begin)
        if arguments.file == "-":
            data = sys.stdin.buffer.read(LARGEST + 1)
        else:
            with open(arguments.file, "rb") as handle:
                data = handle.read(LARGEST + 1)
        file = read_job(data)
        plan = plan_of(file)
    except InvalidInput as error:
        return refuse("invalid", str(error), error.field)
    except OSError as error:
        return refuse("file", f"cannot read {arguments.file}: {error.strerror}", "file")
    try:
        if arguments.pdf:
            arguments.pdf.write_bytes(plan_pdf(plan, file, file.unit))
        if arguments.svg:
            arguments.svg.write_text(cut_list_svg(plan))
        if arguments.ics:
            arguments.ics.write_bytes(calendar_of(plan, begin, file.unit))
    except OSError as error:
        return refuse("file", f"cannot write {error.filename}: {error.strerror}", "out")
    print_document(plan)
    return 0


def begins(text: str | None) -> datetime:
    """When the work begins, in local time.

    Raises
    ------
    InvalidInput
        If it is no point in time.
    """
    if text is None:
        return datetime.now().replace(minute=0, second=0, microsecond=0) + timedelta(hours=1)
    try:
        return datetime.fromisoformat(text)
    except ValueError as error:
        raise InvalidInput("begin", text[:40], say("must be a date and time, such as 2026-12-05T13:00")) from error
