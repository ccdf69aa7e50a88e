"""Units of work on MariaDB: each begins a transaction, and either all of it is kept or none."""

from collections.abc import Callable, Iterator
from contextlib import contextmanager
from datetime import UTC, datetime
from pathlib import Path
from threading import BoundedSemaphore, Lock, local
from typing import Any, Literal

import pymysql
from dbutils.pooled_db import PooledDB
from pymysql.constants import FIELD_TYPE
from pymysql.converters import conversions, convert_datetime
from pymysql.cursors import DictCursor

from lofty_press.service.db.faults import is_fault, service_error
from lofty_press.service.db.queries import load_queries
from lofty_press.service.http.errors import Busy, DatabaseAway, DiskFull
from lofty_press.service.settings import DatabaseSettings

Connection = Any  # a pooled pymysql connection; DBUtils carries no types

MOST = 12  # connections
WAITS = 6.0  # s; for a free connection, then the request is told to come again
ANSWERS_WITHIN = 20  # s; for one statement

DISK_FULL = "the disk is full"
"""What the supervisor of the server says when it has no room to start."""

SQL = load_queries(Path(__file__).parent)


def moment(text: str) -> datetime | str:
    """A stored time with its zone; the session's zone is UTC."""
    found = convert_datetime(text)
    return found.replace(tzinfo=UTC) if isinstance(found, datetime) else str(found)


CONVERSIONS = {**conversions, FIELD_TYPE.TIMESTAMP: moment, FIELD_TYPE.DATETIME: moment}


class Database:
    """Hands out transactions, the only way to the database.

    A request holds one connection at a time: asking for a second one while the first is held is a mistake of the program and is raised at
    once, since enough such requests together would wait for one another for ever.
    """

    def __init__(self, settings: DatabaseSettings, trouble: Callable[[], str | None] = lambda: None) -> None:
        """`trouble` tells why the server is away, if whoever looks after it knows."""
        self._trouble = trouble
        self._free = BoundedSemaphore(MOST)
        self._held = local()
        self._counting = Lock()
        self._writing, self._refused = 0, False
        self.writes = 0
        """How often something was written."""
        self._pool = PooledDB(
            creator=pymysql,
            maxconnections=MOST,
            blocking=False,
            ping=1,
            reset=True,
            host=settings.host,
            port=settings.port,
            user=settings.user,
            password=settings.password,
            database=settings.name,
            charset="utf8mb4",
            ssl_disabled=True,  # both ends are on this machine; reading its certificates would take 40 ms a connection
            cursorclass=DictCursor,
            conv=CONVERSIONS,
            autocommit=False,
            connect_timeout=2,
            read_timeout=ANSWERS_WITHIN,
            write_timeout=ANSWERS_WITHIN,
            init_command="SET time_zone = '+00:00'",
        )

    @contextmanager
    def reading(self) -> Iterator[Connection]:
        """A transaction that sees one state of everything and cannot write.

        Raises
        ------
        DatabaseAway, Busy
            If the server cannot be reached, or too many are asking at once.
        """
        with self._transaction("to_read") as connection:
            yield connection

    @contextmanager
    def writing(self) -> Iterator[Connection]:
        """A transaction that is kept as a whole when its block ends well, and not at all otherwise.

        Raises
        ------
        DatabaseAway, DiskFull, Busy
            Each says whether anything may have been written: only a connection that breaks while committing leaves that open.
        """
        self._count(1)
        refused = True
        try:
            with self._transaction("to_write") as connection:
                yield connection
                try:
                    connection.commit()
                except pymysql.err.Error as error:
                    raise service_error(error, written="unknown") from error
            refused = False
            self.writes += 1
        except Exception as error:
            refused = is_fault(error)
            raise
        finally:
            self._count(-1)
            self._refused = refused

    @property
    def unkept(self) -> bool:
        """True while something is being written, or when the last write was refused because the database was away."""
        return self._writing > 0 or self._refused

    def _count(self, step: int) -> None:
        with self._counting:
            self._writing += step

    @contextmanager
    def _transaction(self, purpose: Literal["to_read", "to_write"]) -> Iterator[Connection]:
        if getattr(self._held, "one", False):
            raise RuntimeError("a request asked for a second connection while it holds one")
        if not self._free.acquire(timeout=WAITS):
            raise Busy()
        self._held.one = True
        connection = None
        try:
            connection = self._pool.connection()
            with connection.cursor() as cursor:
                cursor.execute(SQL[purpose])
            connection.begin()  # from here on a broken connection ends the transaction; it is not opened anew between two statements
            yield connection
        except pymysql.err.Error as error:
            refusal = service_error(error, written="no")
            full = isinstance(refusal, DatabaseAway) and DISK_FULL in (self._trouble() or "")
            raise (DiskFull() if full else refusal) from error
        finally:
            self._held.one = False
            try:
                if connection is not None:
                    connection.close()  # back to the pool; what was not committed is rolled back
            finally:
                self._free.release()

    def close(self) -> None:
        """Close all idle connections."""
        self._pool.close()
