"""Sheets that are owned, in the database; neither commits nor knows HTTP."""

import logging
from pathlib import Path

from lofty_press.core.basics.words import say
from lofty_press.documents.answers.plan.job_file import STOCK, StockFile
from lofty_press.documents.files.shapes import SHAPE, read_stored
from lofty_press.service.db.connection import Connection
from lofty_press.service.db.queries import load_queries
from lofty_press.service.db.versioned import Row, Versioned, readable
from lofty_press.service.http.errors import StoredUnreadable
from lofty_press.service.keeping.paper.models import PaperList, PaperRecord

log = logging.getLogger("lofty_press")
SQL = load_queries(Path(__file__).parent)
MOST_LISTED = 500


def list_all(connection: Connection) -> PaperList:
    """All stocks, by name; one that cannot be read is logged and left out."""
    found = []
    with connection.cursor() as cursor:
        cursor.execute(SQL["list_all"], {"most": MOST_LISTED})
        for row in cursor.fetchall():
            try:
                found.append(record_of(connection, row))
            except StoredUnreadable as error:
                log.warning("paper %s: %s", row["id"], error)
    return PaperList(paper=found)


def record_of(_: Connection, row: Row) -> PaperRecord:
    """A row as a stock, or `StoredUnreadable`."""
    with readable(row["name"]):
        stock = read_stored(STOCK, "paper", row["body"], row["shape"])
    return PaperRecord(id=row["id"], version=row["version"], stock=stock)


def values_of(stock: StockFile) -> Row:
    """What is stored of a stock."""
    return {"name": stock.name, "body": stock.model_dump_json(), "shape": SHAPE}


def keep(connection: Connection, stock: StockFile) -> str:
    """Keep a stock in place of the one with its name, if there is one; returns its id."""
    with connection.cursor() as cursor:
        cursor.execute(SQL["named"], {"name": stock.name})
        row = cursor.fetchone()
    if row is None:
        return kept.insert(connection, values_of(stock))
    kept.update(connection, row["id"], values_of(stock), row["version"])
    return str(row["id"])


kept = Versioned(
    queries=SQL,
    read=record_of,
    gone=say("This paper is gone; somebody took it out."),
    stale=say("This paper has been changed somewhere else."),
)
