"""An instrument of the press room: what it is plugged into is kept among the choices, and it is heard from the first time that somebody asks."""

import contextlib
import json
from typing import Generic, TypeVar

from lofty_press.core.errors import InvalidInput
from lofty_press.devices import Watch, check_address
from lofty_press.service.choices.repository import SQL
from lofty_press.service.db.connection import Database
from lofty_press.service.errors import ServiceError

Said = TypeVar("Said")


class Plugged(Generic[Said]):
    """One instrument; `name` is what its address is kept under."""

    def __init__(self, database: Database, name: str, watch: Watch[Said]) -> None:
        self.watch, self.name = watch, name
        self._database = database
        self._begun = False

    def begin(self) -> None:
        """Listen to the one that was chosen before; one that may not be opened (any more) is as none."""
        if self._begun:
            return
        with self._database.reading() as connection, connection.cursor() as cursor:
            cursor.execute(SQL["list_settings"])
            kept = {row["name"]: json.loads(row["body"]) for row in cursor.fetchall()}.get(self.name)
        self._begun = True
        if isinstance(kept, str) and kept:
            with contextlib.suppress(InvalidInput):
                self.watch.listen(check_address(kept))

    def begin_if_possible(self) -> None:
        """The same; while the database cannot be had, the next who asks begins."""
        with contextlib.suppress(ServiceError):
            self.begin()

    def choose(self, address: str | None) -> None:
        """Listen to another one, or to none.

        Raises
        ------
        InvalidInput
            If the address is none of this computer.
        """
        if address is not None:
            check_address(address)
        with self._database.writing() as connection, connection.cursor() as cursor:
            cursor.execute(SQL["put_setting"], {"name": self.name, "body": json.dumps(address or "")})
        self._begun = True
        self.watch.listen(address)

    def close(self) -> None:
        """Let go of it."""
        self.watch.close()
