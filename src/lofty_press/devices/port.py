"""Where an instrument is plugged in: a serial port, or a socket of this computer."""

import re
import socket
from collections.abc import Iterator
from contextlib import contextmanager

import serial
from serial.urlhandler import protocol_socket

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.basics.words import say

BAUD = 9600  # usual for gauges; USB ones take any
PATIENCE = 0.2  # s that reading waits for a line's next letter
SOCKET = re.compile(r"socket://(127\.0\.0\.1|localhost):(\d{1,5})", re.ASCII)
SERIAL = re.compile(r"/dev/(tty(S|USB|ACM)\d{1,3}|serial/by-id/[\w.:+-]{1,120}|cu\.[\w.-]{1,60})|COM\d{1,3}", re.ASCII)
LOOP = "loop://"


def check_address(address: str) -> str:
    """An address that may be opened, else refused: nothing beyond this computer is.

    Raises
    ------
    InvalidInput
        Naming what is wrong with it.
    """
    found = SOCKET.fullmatch(address)
    if found is not None and 0 < int(found[2]) < 65536:
        return address
    if address == LOOP or SERIAL.fullmatch(address):
        return address
    raise InvalidInput("address", address[:80], say("must be a serial port, as /dev/ttyUSB0 or COM3, or socket://127.0.0.1 with a port"))


def socket_port(address: str) -> int | None:
    """Number of the port of a socket's address; None for anything else."""
    found = SOCKET.fullmatch(address)
    return None if found is None else int(found[2])


class SocketPort(protocol_socket.Serial):
    """A socket that keeps what came while it was being opened: the first words of whatever speaks as soon as somebody plugs in."""

    def reset_input_buffer(self) -> None:
        pass


def port_of(address: str) -> serial.Serial | SocketPort:
    """The port of a checked address, not open yet."""
    if socket_port(address) is None:
        return serial.serial_for_url(address, baudrate=BAUD, timeout=PATIENCE, do_not_open=True)
    port = SocketPort(None, baudrate=BAUD, timeout=PATIENCE)
    port.port = address
    return port


@contextmanager
def open_port(address: str) -> Iterator[serial.SerialBase]:
    """Open it for reading, and close it for certain.

    Raises
    ------
    InvalidInput
        As `check_address`.
    serial.SerialException
        If nothing is there.
    """
    port = port_of(check_address(address))
    line: socket.socket | None = None
    try:
        try:
            port.open()
        finally:
            line = getattr(port, "_socket", None)
        yield port
    finally:
        port.close()
        if line is not None:
            line.close()  # pyserial leaves a socket open whose other end is gone: shutting it down fails, and then it is not closed
