"""Plans, as workers make them."""

from dataclasses import dataclass
from datetime import datetime
from typing import Literal

from lofty_press.core.basics.words import Unit
from lofty_press.core.working.plan import GRID, Took, cut_list, with_size
from lofty_press.documents.answers.plan.calendar import calendar_of
from lofty_press.documents.answers.plan.job_file import JobFile, StockFile, job_of, size_of, stocks_left, with_envelope_in, with_sizes
from lofty_press.documents.answers.plan.pages_pdf import plan_pdf
from lofty_press.documents.answers.plan.pages_svg import cut_list_svg
from lofty_press.documents.answers.plan.plan import plan_of, post_of, sizes_in
from lofty_press.service.keeping.plan.models import Resize, SizesAnswer
from lofty_press.service.work.tools import Tools


def sizes(_: Tools, job: JobFile) -> bytes:
    """Sizes and post of a job, as JSON."""
    return SizesAnswer(sizes=sizes_in(job), post=post_of(job)).model_dump_json().encode()


def resized(_: Tools, wanted: Resize) -> JobFile:
    """The job in which a piece has another size."""
    size = size_of(wanted.size, wanted.job.unit, "size")
    return with_sizes(wanted.job, with_size(job_of(wanted.job), wanted.piece, size, wanted.follows, grid=GRID[wanted.job.unit]))


def with_envelope(_: Tools, job: JobFile) -> JobFile:
    """The job with an envelope that fits."""
    return with_envelope_in(job)


def left_of(_: Tools, job: JobFile) -> list[StockFile]:
    """The stocks that a job was cut from, as they are afterwards."""
    return stocks_left(job, cut_list(job_of(job), grid=GRID[job.unit]))


def plan(_: Tools, job: JobFile, took: list[Took], now: float) -> bytes:
    """The whole plan, as JSON: `took` before, and as it stands `now`."""
    return plan_of(job, now=now, took=took).model_dump_json().encode()


@dataclass(frozen=True)
class FileWish:
    """Which file of a plan: from a point in time on, in a unit."""

    kind: Literal["pdf", "svg", "ics"]
    begin: datetime
    unit: Unit


def file_of(_: Tools, job: JobFile, wish: FileWish, took: list[Took], now: float) -> bytes:
    """The plan as pages, drawing or calendar."""
    kind, begin, unit = wish.kind, wish.begin, wish.unit
    made = plan_of(job, now=now, took=took)
    if kind == "pdf":
        return plan_pdf(made, job, unit)
    return cut_list_svg(made).encode() if kind == "svg" else calendar_of(made, begin, unit)
