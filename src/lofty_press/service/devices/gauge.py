"""The thickness gauge of the press room: what it is plugged into, what it sent, and its zero."""

import json
import time

from lofty_press.devices import Average, Heard, Reading, Watch, average, check_address
from lofty_press.service.choices.routes import SQL
from lofty_press.service.db.connection import Database

NAME = "gauge"
"""Under this its address is kept among the choices."""


class Gauge:
    """Hears the gauge that was chosen, from the first time that somebody asks. Its zero is checked afresh each time that the program starts."""

    def __init__(self, database: Database) -> None:
        self.watch = Watch(time.time_ns() // 1_000_000)  # a page that is open goes on counting when the program starts anew
        self.zero_mm = 0.0
        self._database = database
        self._begun = False

    def begin(self) -> None:
        """Listen to the one that was chosen before."""
        if self._begun:
            return
        with self._database.reading() as connection, connection.cursor() as cursor:
            cursor.execute(SQL["list_settings"])
            kept = {row["name"]: json.loads(row["body"]) for row in cursor.fetchall()}.get(NAME)
        self._begun = True
        if isinstance(kept, str) and kept:
            self.watch.listen(check_address(kept))

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
            cursor.execute(SQL["put_setting"], {"name": NAME, "body": json.dumps(address or "")})
        self._begun, self.zero_mm = True, 0.0
        self.watch.listen(address)

    def since(self, number: int) -> tuple[tuple[Heard, ...], Average | None]:
        """The lines after one, and what the readings among them say together, the zero taken off."""
        heard = self.watch.after(number)
        return heard, average([h.said.mm - self.zero_mm for h in heard if isinstance(h.said, Reading)])

    def close(self) -> None:
        """Let go of it."""
        self.watch.close()
