"""The thickness gauge of the press room: what it sent, and its zero."""

import time
from collections.abc import Callable, Collection

from lofty_press.devices import Average, Heard, Reading, Watch, average, read
from lofty_press.service.db.connection import Database
from lofty_press.service.devices.plugged import Answer, Plugged


class Gauge(Plugged[Reading]):
    """Its zero is checked afresh each time that the program starts."""

    def __init__(self, database: Database, own_ports: Collection[int] = ()) -> None:
        # a page that is open goes on counting when the program starts anew
        super().__init__(database, "gauge", Watch(read, time.time_ns() // 1_000_000, name="gauge"), own_ports)
        self.zero_mm = 0.0

    def choose(self, address: str | None, answer: Callable[[], Answer]) -> Answer:
        """Listen to another one, or to none; its zero is yet to be checked."""

        def unchecked() -> Answer:
            self.zero_mm = 0.0
            return answer()

        return super().choose(address, unchecked)

    def since(self, number: int) -> tuple[tuple[Heard[Reading], ...], Average | None]:
        """The lines after one, and what the readings among them say together, the zero taken off."""
        heard = self.watch.after(number)
        return heard, average([h.said.mm - self.zero_mm for h in heard if isinstance(h.said, Reading)])
