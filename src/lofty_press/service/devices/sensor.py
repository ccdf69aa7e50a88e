"""The room sensor: how the air was when it was last heard."""

import time
from collections.abc import Collection

from lofty_press.core.basics.air import Air
from lofty_press.devices import Watch, read_air
from lofty_press.service.db.connection import Database
from lofty_press.service.devices.plugged import Plugged

STALE = 1800.0  # s after which what was heard is no longer how the air is


class Sensor(Plugged[Air]):
    """Remembers what it said last."""

    def __init__(self, database: Database, own_ports: Collection[int] = ()) -> None:
        super().__init__(database, "sensor", Watch(read_air, time.time_ns() // 1_000_000, name="room sensor"), own_ports)
        self._seen = 0
        self._air: Air | None = None
        self._heard_at = 0.0

    @property
    def air(self) -> Air | None:
        """The air as it is now, as far as that is known."""
        self.begin_if_possible()
        for heard in self.watch.after(self._seen):
            self._seen = heard.number
            if isinstance(heard.said, Air):
                self._air, self._heard_at = heard.said, time.monotonic()
        return self._air if time.monotonic() - self._heard_at < STALE and self.watch.state != "off" else None
