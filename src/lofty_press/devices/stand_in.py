"""A stand-in for a thickness gauge, on a socket of this computer: sends what lies between its jaws when its button is pressed."""

import contextlib
import random
import socket
import threading
from dataclasses import dataclass
from typing import Literal

Trouble = Literal["garbage", "half", "silence", "unplug"]
TROUBLES: tuple[Trouble, ...] = ("garbage", "half", "silence", "unplug")
MM = 25.4  # in an inch


@dataclass(frozen=True)
class Jaws:
    """What it does to a thickness: its zero error and its noise [mm], one reading of so many that slips, and the unit that it sends."""

    zero: float = 0.0
    noise: float = 0.005
    slips: float = 0.0
    unit: Literal["mm", "in"] = "mm"


class GaugeStandIn:
    """Listens on 127.0.0.1; `press` sends a reading to whoever is connected."""

    def __init__(self, jaws: Jaws | None = None, *, port: int = 0, seed: int = 1) -> None:
        self.jaws = jaws or Jaws()
        self._chance = random.Random(seed)
        self._clients: list[socket.socket] = []
        self._server = socket.create_server(("127.0.0.1", port))
        self._thread = threading.Thread(target=self._welcome, daemon=True, name="gauge stand-in")
        self._thread.start()

    @property
    def address(self) -> str:
        """What to give the page."""
        return f"socket://127.0.0.1:{self._server.getsockname()[1]}"

    @property
    def connected(self) -> bool:
        return bool(self._clients)

    def press(self, thickness: float, trouble: Trouble | None = None) -> None:
        """Press its button with something of a thickness between the jaws [mm]; or let it misbehave."""
        if trouble == "silence":
            return
        if trouble == "unplug":
            self._drop()
            return
        line = self.line(thickness)
        self._send({"garbage": b"\xff\x00ER\x07R 0x3f\r\n", "half": line[: len(line) // 2]}.get(trouble or "", line))

    def line(self, thickness: float) -> bytes:
        """The line of one reading."""
        found = thickness + self.jaws.zero + self._chance.gauss(0.0, self.jaws.noise)
        if self._chance.random() < self.jaws.slips:
            found += self._chance.uniform(0.2, 0.8)  # the jaws stand askew
        text = f"{found:+.3f} mm" if self.jaws.unit == "mm" else f"{found / MM:+.4f} in"
        return f"{text}\r\n".encode()

    def close(self) -> None:
        """Put it away."""
        with contextlib.suppress(OSError):
            self._server.shutdown(socket.SHUT_RDWR)
        self._server.close()
        self._drop()

    def _welcome(self) -> None:
        while True:
            try:
                client, _ = self._server.accept()
            except OSError:
                return
            self._clients.append(client)

    def _send(self, line: bytes) -> None:
        for client in list(self._clients):
            try:
                client.sendall(line)
            except OSError:
                self._clients.remove(client)

    def _drop(self) -> None:
        while self._clients:
            client = self._clients.pop()
            with contextlib.suppress(OSError):
                client.shutdown(socket.SHUT_RDWR)
            client.close()
