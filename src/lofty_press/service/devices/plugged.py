"""An instrument of the press room: what it is plugged into is kept among the choices, and it is heard from the first time that somebody asks."""

import contextlib
import json
from collections.abc import Callable, Collection
from threading import Lock
from typing import Generic, TypeVar

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.basics.words import say
from lofty_press.devices import Watch, check_address, socket_port
from lofty_press.service.db.connection import Database
from lofty_press.service.http.errors import ServiceError
from lofty_press.service.keeping.choices.repository import SQL

Said = TypeVar("Said")
Answer = TypeVar("Answer")


class Plugged(Generic[Said]):
    """One instrument; `name` is what its address is kept under, `own_ports` are those that this program itself listens on: none of them is an instrument."""

    def __init__(self, database: Database, name: str, watch: Watch[Said], own_ports: Collection[int] = ()) -> None:
        self.watch, self.name = watch, name
        self._database, self._own_ports = database, frozenset(own_ports)
        self._begun = False
        self._choosing = Lock()
        """Held while an address is kept and listened to, so that what is kept is what is heard."""

    def begin(self) -> None:
        """Listen to the one that was chosen before; one that may not be opened (any more) is as none."""
        if self._begun:
            return
        with self._choosing:
            if self._begun:
                return
            with self._database.reading() as connection, connection.cursor() as cursor:
                cursor.execute(SQL["list_settings"])
                kept = {row["name"]: json.loads(row["body"]) for row in cursor.fetchall()}.get(self.name)
            self._begun = True
            if isinstance(kept, str) and kept:
                with contextlib.suppress(InvalidInput):
                    self.watch.listen(self._checked(kept))

    def begin_if_possible(self) -> None:
        """The same; while the database cannot be had, the next who asks begins."""
        with contextlib.suppress(ServiceError):
            self.begin()

    def choose(self, address: str | None, answer: Callable[[], Answer]) -> Answer:
        """Listen to another one, or to none; what is answered is made before it is kept. While that fails, the one before is listened to.

        Raises
        ------
        InvalidInput
            If the address is none of this computer, or this program's own.
        """
        if address is not None:
            self._checked(address)
        with self._choosing:
            before, begun = self.watch.address, self._begun
            self._begun = True  # whoever makes the answer may ask for it
            try:
                with self._database.writing() as connection, connection.cursor() as cursor:
                    cursor.execute(SQL["put_setting"], {"name": self.name, "body": json.dumps(address or "")})
                    self.watch.listen(address)
                    told = answer()
            except BaseException:
                self.watch.listen(before)
                self._begun = begun
                raise
        return told

    def close(self) -> None:
        """Let go of it."""
        self.watch.close()

    def _checked(self, address: str) -> str:
        if socket_port(check_address(address)) in self._own_ports:
            raise InvalidInput(
                "address", address[:80], say("is a port of Lofty Press itself; use the one the instrument says it listens on")
            )
        return address
