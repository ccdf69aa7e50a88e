"""Pooled connections to MariaDB."""

from collections.abc import Iterator
from contextlib import contextmanager
from typing import Any

import pymysql
from dbutils.pooled_db import PooledDB
from pymysql.cursors import DictCursor

from lofty_press.service.errors import DatabaseAway
from lofty_press.service.settings import DatabaseSettings

Connection = Any  # a pooled pymysql connection; DBUtils carries no types

AWAY = (2002, 2003, 2006, 2013, 2014, 1053, 1927)  # client and server codes that mean "no server at the other end"


class Pool:
    """Hands out connections and turns a missing server into `DatabaseAway`."""

    def __init__(self, settings: DatabaseSettings) -> None:
        self._pool = PooledDB(
            creator=pymysql,
            maxconnections=12,
            blocking=True,
            ping=1,
            reset=True,
            host=settings.host,
            port=settings.port,
            user=settings.user,
            password=settings.password,
            database=settings.name,
            charset="utf8mb4",
            cursorclass=DictCursor,
            autocommit=False,
            connect_timeout=2,
            read_timeout=20,
            write_timeout=20,
        )

    @contextmanager
    def connection(self) -> Iterator[Connection]:
        """A connection for one request; what was not committed is rolled back.

        Raises
        ------
        DatabaseAway
            If the server cannot be reached or goes away during the work.
        """
        try:
            connection = self._pool.connection()
        except pymysql.err.OperationalError as error:
            raise DatabaseAway from error
        try:
            yield connection
        except (pymysql.err.OperationalError, pymysql.err.InterfaceError) as error:
            if isinstance(error, pymysql.err.InterfaceError) or error.args[0] in AWAY:
                raise DatabaseAway from error
            raise
        finally:
            connection.close()

    def close(self) -> None:
        """Close all idle connections."""
        self._pool.close()
