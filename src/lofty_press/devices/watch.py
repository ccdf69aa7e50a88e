"""Listening to an instrument in the background, and trying again when it is unplugged."""

import threading
import time
from collections import deque
from dataclasses import dataclass
from typing import Literal

import serial

from lofty_press.devices.lines import Lines
from lofty_press.devices.port import open_port
from lofty_press.devices.reading import Reading, Unread, read

State = Literal["off", "seeking", "listening"]
KEPT = 200  # lines
AGAIN = 1.0  # s between two tries to open a port


@dataclass(frozen=True)
class Heard:
    """A line by its number in turn, and what it says."""

    number: int
    said: Reading | Unread


class Watch:
    """Hears one instrument. Its lines are numbered on from `number`, so that whoever asks gets each of them once; the last `KEPT` are at hand."""

    def __init__(self, number: int = 0) -> None:
        self.address: str | None = None
        self.state: State = "off"
        self._heard: deque[Heard] = deque(maxlen=KEPT)
        self._last = number
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
        self._thread = threading.Thread(target=self._follow, args=(address, self._ended), daemon=True, name="gauge")
        self._thread.start()

    def close(self) -> None:
        """Let go of it."""
        self._ended.set()
        if self._thread is not None:
            self._thread.join(timeout=2.0)
        self._thread, self.state = None, "off"

    @property
    def last(self) -> int:
        """Number of the last line."""
        return self._last

    def after(self, number: int) -> tuple[Heard, ...]:
        """The lines after one."""
        with self._lock:
            return tuple(heard for heard in self._heard if heard.number > number)

    def _follow(self, address: str, ended: threading.Event) -> None:
        while not ended.is_set():
            try:
                with open_port(address) as port:
                    self.state = "listening"
                    lines = Lines(port)
                    while not ended.is_set():
                        for line in lines.take():
                            self._hear(line)
            except (serial.SerialException, OSError):
                self.state = "seeking"
                ended.wait(AGAIN)

    def _hear(self, line: str) -> None:
        with self._lock:
            self._last += 1
            self._heard.append(Heard(self._last, read(line)))


def wait_for(watch: Watch, number: int, patience: float = 5.0) -> tuple[Heard, ...]:
    """The lines after one, once there is any; for scripts."""
    until = time.monotonic() + patience
    while not (found := watch.after(number)) and time.monotonic() < until:
        time.sleep(0.02)
    return found
