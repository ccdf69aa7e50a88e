"""Jobs in the database; neither commits nor knows HTTP."""

from pathlib import Path

from lofty_press.core.basics.words import say
from lofty_press.documents.answers.plan.job_file import JOB, JobFile
from lofty_press.documents.files.shapes import SHAPE, read_stored
from lofty_press.service.db.connection import Connection
from lofty_press.service.db.queries import load_queries
from lofty_press.service.db.versioned import Row, Versioned, readable
from lofty_press.service.keeping.plan.models import MOST_LISTED, JobList, JobRecord, JobSummary

SQL = load_queries(Path(__file__).parent)


def list_all(connection: Connection) -> JobList:
    """The jobs, last worked on first."""
    with connection.cursor() as cursor:
        cursor.execute(SQL["list_all"], {"most": MOST_LISTED})
        return JobList(jobs=[JobSummary(**row) for row in cursor.fetchall()])


def record_of(_: Connection, row: Row) -> JobRecord:
    """A row as a job, or `StoredUnreadable`."""
    with readable(row["name"]):
        job = read_stored(JOB, "job", row["body"], row["shape"])
    return JobRecord(id=row["id"], version=row["version"], job=job)


def values_of(job: JobFile) -> Row:
    """What is stored of a job."""
    return {"name": job.name, "body": job.model_dump_json(), "shape": SHAPE}


kept = Versioned(
    queries=SQL,
    read=record_of,
    gone=say("This plan is gone; somebody deleted it."),
    stale=say("This plan has been changed somewhere else."),
)
