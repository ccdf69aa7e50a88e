"""A stand-in's end of the line: a socket of this computer that instruments' pages plug into."""

import contextlib
import socket
import threading
from collections.abc import Callable

LONGEST = 200  # bytes of an order


class Plug:
    """Listens on 127.0.0.1; what is sent goes to whoever is connected, and `told` is called with each line that comes from there."""

    def __init__(
        self, port: int, name: str, told: Callable[[str], None] = lambda _: None, joined: Callable[[], None] = lambda: None
    ) -> None:
        self._told, self._joined = told, joined
        self._clients: list[socket.socket] = []
        self._server = socket.create_server(("127.0.0.1", port))
        threading.Thread(target=self._welcome, daemon=True, name=name).start()

    @property
    def address(self) -> str:
        """What to give the page."""
        return f"socket://127.0.0.1:{self._server.getsockname()[1]}"

    @property
    def connected(self) -> bool:
        return bool(self._clients)

    def send(self, line: bytes) -> None:
        """Send some bytes to whoever is there."""
        for client in list(self._clients):
            try:
                client.sendall(line)
            except OSError:
                self._forget(client)

    def drop(self) -> None:
        """Unplug it."""
        for client in list(self._clients):
            with contextlib.suppress(OSError):
                client.shutdown(socket.SHUT_RDWR)
            self._forget(client)

    def _forget(self, client: socket.socket) -> None:
        with contextlib.suppress(ValueError):
            self._clients.remove(client)
        client.close()

    def close(self) -> None:
        """Put it away."""
        with contextlib.suppress(OSError):
            self._server.shutdown(socket.SHUT_RDWR)
        self._server.close()
        self.drop()

    def _welcome(self) -> None:
        while True:
            try:
                client, _ = self._server.accept()
            except OSError:
                return
            self._clients.append(client)
            threading.Thread(target=self._hear, args=(client,), daemon=True, name="plug").start()
            self._joined()

    def _hear(self, client: socket.socket) -> None:
        try:
            self._take_orders(client)
        finally:
            self._forget(client)

    def _take_orders(self, client: socket.socket) -> None:
        pending = b""
        while True:
            try:
                came = client.recv(256)
            except OSError:
                return
            if not came:
                return
            *whole, pending = (pending + came).replace(b"\r", b"\n").split(b"\n")
            pending = pending[-LONGEST:]
            for line in whole:
                if line.strip():
                    self._told(line.decode("ascii", "replace").strip())
