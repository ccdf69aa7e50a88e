"""Instruments beside the press, and the stand-ins for them: a text line at a time over a serial port or a loopback socket."""

from lofty_press.devices.average import Average, average
from lofty_press.devices.lines import Lines
from lofty_press.devices.motor import ORDERS, At, Ended, Ending, Hello, Order, force_of, read_motor
from lofty_press.devices.port import check_address, open_port, socket_port
from lofty_press.devices.reading import Reading, Unread, read
from lofty_press.devices.sensor import read_air
from lofty_press.devices.watch import Heard, State, Watch

__all__ = [
    "ORDERS",
    "At",
    "Average",
    "Ended",
    "Ending",
    "Heard",
    "Hello",
    "Lines",
    "Order",
    "Reading",
    "State",
    "Unread",
    "Watch",
    "average",
    "check_address",
    "force_of",
    "open_port",
    "read",
    "read_air",
    "read_motor",
    "socket_port",
]
