"""Things that are kept with a version: whoever replaces or removes one must have seen its newest state.

Sending the same state twice succeeds twice, so that an answer that got lost can be asked for again.
"""

import json
import uuid
from collections.abc import Callable, Iterator, Mapping
from contextlib import contextmanager
from dataclasses import dataclass
from typing import Any, Generic, TypeVar

from pydantic import BaseModel, ValidationError

from lofty_press.core.basics.words import Message, say
from lofty_press.documents.answers.refusal import at_field, field_of
from lofty_press.service.db.connection import Connection
from lofty_press.service.http.errors import Conflict, NotFound, StoredUnreadable

Row = dict[str, Any]
Record = TypeVar("Record", bound=BaseModel)


@dataclass(frozen=True)
class Versioned(Generic[Record]):
    """One table of such things.

    Parameters
    ----------
    queries : mapping
        Has the statements `get`, `insert`, `update` and `delete`; all take the `id`, the last two the `version` that was seen.
    read : callable
        Makes a record of a row; may raise `StoredUnreadable`.
    gone, stale : Message
        What is said if there is none, and if somebody was there first.
    """

    queries: Mapping[str, str]
    read: Callable[[Connection, Row], Record]
    gone: Message
    stale: Message

    def find(self, connection: Connection, key: str) -> Row | None:
        """A row as it was stored, or None."""
        with connection.cursor() as cursor:
            cursor.execute(self.queries["get"], {"id": key})
            row: Row | None = cursor.fetchone()
        return row

    def row(self, connection: Connection, key: str) -> Row:
        """A row as it was stored, or `NotFound`."""
        row = self.find(connection, key)
        if row is None:
            raise NotFound(self.gone)
        return row

    def get(self, connection: Connection, key: str) -> Record:
        """One of them.

        Raises
        ------
        NotFound, StoredUnreadable
            If it is not there, or this version of the program cannot read it.
        """
        return self.read(connection, self.row(connection, key))

    def insert(self, connection: Connection, values: Row) -> str:
        """Keep a new one; returns its id, made here if the values have none."""
        values = {"id": str(uuid.uuid4()), **values}
        with connection.cursor() as cursor:
            cursor.execute(self.queries["insert"], values)
        return str(values["id"])

    def update(self, connection: Connection, key: str, values: Row, version: int) -> Record:
        """Replace one if nobody replaced it since `version`.

        Raises
        ------
        NotFound, Conflict, StoredUnreadable
            A conflict carries the newest state.
        """
        with connection.cursor() as cursor:
            changed = cursor.execute(self.queries["update"], {**values, "id": key, "version": version})
        row = self.row(connection, key)
        if not changed and not same(row, values):
            self.refuse(connection, row)
        return self.read(connection, row)

    def delete(self, connection: Connection, key: str, version: int) -> None:
        """Remove one if nobody changed it since `version`; it need not be readable.

        Raises
        ------
        NotFound, Conflict, StoredUnreadable
            A conflict carries the newest state.
        """
        with connection.cursor() as cursor:
            if not cursor.execute(self.queries["delete"], {"id": key, "version": version}):
                self.refuse(connection, self.row(connection, key))

    def refuse(self, connection: Connection, row: Row) -> None:
        """Raise the conflict, with the newest state in hand."""
        raise Conflict(self.stale, current=self.read(connection, row).model_dump(mode="json"))


def same(row: Row, values: Row) -> bool:
    """True if a row holds these values already; its body however it was spelled."""
    return all(json.loads(row[name]) == json.loads(value) if name == "body" else row[name] == value for name, value in values.items())


@contextmanager
def readable(name: str) -> Iterator[None]:
    """Turn whatever goes wrong while something stored is read into `StoredUnreadable`."""
    try:
        yield
    except ValidationError as error:
        raise StoredUnreadable(name, at_field(error), field=field_of(error)) from error
    except (ValueError, KeyError, TypeError, AttributeError) as error:
        raise StoredUnreadable(name, say("it's damaged ({reason}).", reason=str(error)[:80])) from error
