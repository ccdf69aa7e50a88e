"""The motor press of the press room: where it feeds, what it draws, how a feed ended; and telling it to feed, stop and go back."""

import time
from collections.abc import Collection

from lofty_press.core.basics.words import say
from lofty_press.devices import Hello, Order, Watch, read_motor
from lofty_press.devices.motor import Said
from lofty_press.service.db.connection import Database
from lofty_press.service.devices.plugged import Plugged
from lofty_press.service.http.errors import ServiceError

KEPT = 4000  # lines; some minutes of feeding


class NotHeard(ServiceError):
    """The motor does not answer."""

    status = 409
    code = "not-heard"


class Motor(Plugged[Said]):
    """It says who it is whenever it is plugged in; that is remembered as long as it is heard."""

    def __init__(self, database: Database, own_ports: Collection[int] = ()) -> None:
        super().__init__(database, "motor", Watch(read_motor, time.time_ns() // 1_000_000, name="motor", kept=KEPT), own_ports)

    @property
    def hello(self) -> Hello | None:
        """Who it is; None if it is not heard, or has not said it."""
        if self.watch.state != "listening":
            return None
        said = [heard.said for heard in self.watch.after(0) if isinstance(heard.said, Hello)]
        if not said:
            self.watch.send("?")
        return said[-1] if said else None

    def order(self, order: Order) -> None:
        """Tell it what to do.

        Raises
        ------
        NotHeard
            If it is not there; nothing moves then.
        """
        if not self.watch.send(order):
            raise NotHeard(say("No motor press answers. This page moved nothing; use its own switch, and check its plug."))
