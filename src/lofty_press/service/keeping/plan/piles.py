"""The kept sandwiches that a job names, as its plan has to know them."""

from pathlib import Path

from pydantic import ValidationError

from lofty_press.documents.answers.plan.job_file import JobFile, PileFile
from lofty_press.documents.answers.plan.piles import pile_of, piles_named
from lofty_press.documents.files.sandwich_file import SANDWICH
from lofty_press.documents.files.shapes import read_stored
from lofty_press.service.db.connection import Connection, Database
from lofty_press.service.db.queries import load_queries

SQL = load_queries(Path(__file__).parent)
MOST = 200


def with_piles(database: Database, job: JobFile) -> JobFile:
    """A job that tells of every kept sandwich that it names; one that is gone, or cannot be read, is left out."""
    names = sorted(piles_named(job))[: MOST - len(job.piles)]
    if not names:
        return job
    with database.reading() as transaction:
        found = kept_piles(transaction, names)
    return job.model_copy(update={"piles": [*job.piles, *found]})


def kept_piles(connection: Connection, names: list[str]) -> list[PileFile]:
    """Of every name the sandwich that was worked on last."""
    with connection.cursor() as cursor:
        cursor.execute(SQL["piles_named"], {"names": tuple(names)})
        rows = cursor.fetchall()
    found: dict[str, PileFile] = {}
    for row in rows:
        try:
            found[row["name"]] = pile_of(read_stored(SANDWICH, "sandwich", row["body"], row["shape"]))
        except (ValidationError, ValueError):
            continue
    return list(found.values())
