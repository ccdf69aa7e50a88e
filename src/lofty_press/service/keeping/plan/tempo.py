"""What work took before: what jobs tell of their operations, and how runs at the press followed one another."""

import json
from collections.abc import Iterator
from pathlib import Path

from pydantic import TypeAdapter, ValidationError

from lofty_press.core.working.plan import Took
from lofty_press.documents.answers.plan.job_file import TookFile, took_of
from lofty_press.service.db.connection import Connection, Database
from lofty_press.service.db.queries import load_queries

SQL = load_queries(Path(__file__).parent)
MOST_JOBS, MOST_RUNS = 60, 200
LISTS = TypeAdapter(list[TookFile])


def took_before(database: Database) -> list[Took]:
    """What every kind of work took, the latest first."""
    with database.reading() as transaction:
        return [*from_jobs(transaction), *from_runs(transaction)]


def from_jobs(connection: Connection) -> Iterator[Took]:
    """What was said to be done while somebody followed a job; what cannot be read is passed over."""
    with connection.cursor() as cursor:
        cursor.execute(SQL["list_took"], {"most": MOST_JOBS})
        for row in cursor.fetchall():
            try:
                yield from took_of(LISTS.validate_python(json.loads(row["took"])))
            except (ValidationError, ValueError):
                continue


def from_runs(connection: Connection) -> Iterator[Took]:
    """The same pile run again soon after: from one beginning to the next goes a sheet."""
    with connection.cursor() as cursor:
        cursor.execute(SQL["list_followed"], {"most": MOST_RUNS})
        for row in cursor.fetchall():
            yield Took("cut" if row["cuts"] else "emboss", 1, float(row["seconds"]))
