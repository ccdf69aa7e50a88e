"""Listening to an instrument in the background, and trying again when it is unplugged."""

import threading
import time
from collections import deque
from collections.abc import Callable
from dataclasses import dataclass
from typing import Generic, Literal, TypeVar

import serial

from lofty_press.devices.lines import Lines
from lofty_press.devices.port import open_port
from lofty_press.devices.reading import Unread

State = Literal["off", "seeking", "listening"]
KEPT = 200  # lines
AGAIN = 1.0  # s between two tries to open a port


Said = TypeVar("Said")


@dataclass(frozen=True)
class Heard(Generic[Said]):
    """A line by its number in turn, and what it says."""

    number: int
    said: Said | Unread


class Watch(Generic[Said]):
    """Hears one instrument, whose lines `read` reads. They are numbered on from `number`, so that whoever asks gets each of them once; the last `kept` are at
    hand."""

    def __init__(self, read: Callable[[str], Said | Unread], number: int = 0, *, name: str = "instrument", kept: int = KEPT) -> None:
        self.address: str | None = None
        self.state: State = "off"
        self._read, self._name = read, name
        self._heard: deque[Heard[Said]] = deque(maxlen=kept)
        self._last = number
        self._port: serial.SerialBase | None = None
        self._lock = threading.Lock()
        self._ended = threading.Event()
        self._thread: threading.Thread | None = None

    def listen(self, address: str | None) -> None:
        """Hear what is plugged in there from now on; None hears nothing more."""
        self.close()
        self.address = address
        if address is None:
            return
        self._ended = threading.Event()
        self.state = "seeking"
        self._thread = threading.Thread(target=self._follow, args=(address, self._ended), daemon=True, name=self._name)
        self._thread.start()

    def close(self) -> None:
        """Let go of it."""
        self._ended.set()
        if self._thread is not None:
            self._thread.join(timeout=2.0)
        self._thread, self._port, self.state = None, None, "off"

    @property
    def last(self) -> int:
        """Number of the last line."""
        return self._last

    def send(self, line: str) -> bool:
        """Send it a line; False if it is not there."""
        port = self._port
        if port is None or self.state != "listening":
            return False
        try:
            port.write(f"{line}\n".encode("ascii"))
        except (serial.SerialException, OSError):
            return False
        return True

    def after(self, number: int) -> tuple[Heard[Said], ...]:
        """The lines after one."""
        with self._lock:
            return tuple(heard for heard in self._heard if heard.number > number)

    def _follow(self, address: str, ended: threading.Event) -> None:
        while not ended.is_set():
            try:
                with open_port(address) as port:
                    self._port, self.state = port, "listening"
                    lines = Lines(port)
                    while not ended.is_set():
                        for line in lines.take():
                            self._hear(line)
            except (serial.SerialException, OSError):
                self._port, self.state = None, "seeking"
                ended.wait(AGAIN)

    def _hear(self, line: str) -> None:
        with self._lock:
            self._last += 1
            self._heard.append(Heard(self._last, self._read(line)))


def wait_for(watch: Watch[Said], number: int, patience: float = 40.0) -> tuple[Heard[Said], ...]:
    """The lines after one, once there is any; for scripts."""
    until = time.monotonic() + patience
    while not (found := watch.after(number)) and time.monotonic() < until:
        time.sleep(0.02)
    return found
