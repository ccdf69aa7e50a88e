"""Listening to an instrument in the background, and trying again when it is unplugged."""

import threading
import time
from collections import deque
from collections.abc import Callable
from dataclasses import dataclass, field
from typing import Generic, Literal, TypeVar

import serial

from lofty_press.devices.lines import Lines
from lofty_press.devices.port import open_port
from lofty_press.devices.reading import Unread

State = Literal["off", "seeking", "listening"]
KEPT = 200  # lines
AGAIN = 1.0  # s between two tries to open a port
LETS_GO = 2.0  # s that an ended listener is waited for; it looks up every `PATIENCE` of the port


Said = TypeVar("Said")


@dataclass(frozen=True)
class Heard(Generic[Said]):
    """A line by its number in turn, and what it says."""

    number: int
    said: Said | Unread


@dataclass(eq=False)
class Listener:
    """One thread that hears one address, and what it found; whoever ends it leaves the next one nothing of it."""

    address: str
    state: State = "seeking"
    port: serial.SerialBase | None = None
    ended: threading.Event = field(default_factory=threading.Event)
    thread: threading.Thread | None = None


class Watch(Generic[Said]):
    """Hears one instrument, whose lines `read` reads. They are numbered on from `number`, so that whoever asks gets each of them once; the last `kept` are at
    hand. Every method may be called from any thread: of several who choose an address at once the last one's is heard, and never two."""

    def __init__(self, read: Callable[[str], Said | Unread], number: int = 0, *, name: str = "instrument", kept: int = KEPT) -> None:
        self._read, self._name = read, name
        self._heard: deque[Heard[Said]] = deque(maxlen=kept)
        self._last = number
        self._lines_lock = threading.Lock()
        self._choosing = threading.Lock()
        """Held by whoever ends the listener and begins another, so that none is begun that nobody ends."""
        self._listener: Listener | None = None

    @property
    def address(self) -> str | None:
        """What is heard, or sought."""
        listener = self._listener
        return None if listener is None else listener.address

    @property
    def state(self) -> State:
        """Whether anything is heard."""
        listener = self._listener
        return "off" if listener is None else listener.state

    def listen(self, address: str | None) -> None:
        """Hear what is plugged in there from now on; None hears nothing more."""
        with self._choosing:
            self._end()
            if address is None:
                return
            listener = Listener(address)
            listener.thread = threading.Thread(target=self._follow, args=(listener,), daemon=True, name=self._name)
            self._listener = listener
            listener.thread.start()

    def close(self) -> None:
        """Let go of it."""
        self.listen(None)

    def _end(self) -> None:
        listener, self._listener = self._listener, None
        if listener is not None and listener.thread is not None:
            listener.ended.set()
            listener.thread.join(timeout=LETS_GO)

    @property
    def last(self) -> int:
        """Number of the last line."""
        return self._last

    def send(self, line: str) -> bool:
        """Send it a line; False if it is not there."""
        listener = self._listener
        port = None if listener is None else listener.port
        if port is None:
            return False
        try:
            port.write(f"{line}\n".encode("ascii"))
        except (serial.SerialException, OSError):
            return False
        return True

    def after(self, number: int) -> tuple[Heard[Said], ...]:
        """The lines after one."""
        with self._lines_lock:
            return tuple(heard for heard in self._heard if heard.number > number)

    def _follow(self, listener: Listener) -> None:
        while not listener.ended.is_set():
            try:
                with open_port(listener.address) as port:
                    listener.port, listener.state = port, "listening"
                    lines = Lines(port)
                    while not listener.ended.is_set():
                        for line in lines.take():
                            self._hear(line)
            except (serial.SerialException, OSError):
                listener.port, listener.state = None, "seeking"
                listener.ended.wait(AGAIN)

    def _hear(self, line: str) -> None:
        with self._lines_lock:
            self._last += 1
            self._heard.append(Heard(self._last, self._read(line)))


def wait_for(watch: Watch[Said], number: int, patience: float = 40.0) -> tuple[Heard[Said], ...]:
    """The lines after one, once there is any; for scripts."""
    until = time.monotonic() + patience
    while not (found := watch.after(number)) and time.monotonic() < until:
        time.sleep(0.02)
    return found
