"""The service's side of a merge: it looks up and writes what the worker asks for, all in one transaction."""

from collections.abc import Callable, Iterator
from contextlib import ExitStack, contextmanager
from pathlib import Path
from typing import Any

import pymysql

from lofty_press.core.basics.words import say
from lofty_press.service.db.connection import Connection, Database
from lofty_press.service.db.faults import service_error
from lofty_press.service.db.queries import load_queries
from lofty_press.service.http.errors import Refused
from lofty_press.service.work.crew import Session

SQL = load_queries(Path(__file__).parent)
CANNOT_BE = (1264, 1366, 1406, 3140, 4025)
"""The database's words for a value that does not fit its column: out of range, no such text, too long, no JSON, against a rule."""


def merging(database: Database, *, write: bool) -> Session:
    """A conversation in one transaction, begun with the worker's first question and kept when its work ends well; nothing of it is kept otherwise."""

    @contextmanager
    def session() -> Iterator[Callable[[str, Any], Any]]:
        with ExitStack() as stack:
            transaction: Connection | None = None

            def answer(about: str, asked: Any) -> Any:
                nonlocal transaction
                if transaction is None:
                    transaction = stack.enter_context(database.writing() if write else database.reading())
                query, values = asked
                return found(transaction, query, values) if about == "found" else written(transaction, query, values)

            yield answer

    return session


def found(transaction: Connection, query: str, values: dict[str, Any]) -> dict[str, Any] | None:
    """The row of a query that looks one up."""
    try:
        with transaction.cursor() as cursor:
            cursor.execute(SQL[query], values)
            row: dict[str, Any] | None = cursor.fetchone()
    except pymysql.err.Error as error:
        raise service_error(error, written="no") from error
    return row


def written(transaction: Connection, query: str, values: dict[str, Any]) -> None:
    """Carry out a query that writes.

    Raises
    ------
    Refused
        If the database cannot hold such a value; names the part.
    """
    try:
        with transaction.cursor() as cursor:
            cursor.execute(SQL[query], values)
    except pymysql.err.Error as error:
        if error.args and error.args[0] in CANNOT_BE:
            part = f"{query.removeprefix('put_')} {values.get('id', '')}"
            text = say("has something that can't be kept: {part}. Nothing was imported", part=part[:80])
            raise Refused(text, field="archive") from error
        raise service_error(error, written="no") from error
