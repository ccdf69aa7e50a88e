"""Clients that send a little and then nothing: they are let go, and nobody else has to wait for them."""

import socket
import time
from pathlib import Path

from lofty_press.bench.figure import Figure
from lofty_press.siege.scope import Report, Scope
from lofty_press.siege.target import Target, besieged

ROUNDS = 1
SOCKETS = 60
LET_GO = 45.0  # s


def measure(folder: Path, scope: Scope) -> Report:
    """Open many, send half a request on each, and ask something properly meanwhile."""
    with besieged(folder) as target:
        lines = [opened(target, n) for n in range(SOCKETS)]
        slowest = 0.0
        began = time.monotonic()
        while time.monotonic() - began < LET_GO and any(still_open(line) for line in lines):
            asked = time.monotonic()
            with target.client() as http:
                http.get("/api/shelf").raise_for_status()
            slowest = max(slowest, time.monotonic() - asked)
            time.sleep(0.5)
        left = sum(still_open(line) for line in lines)
        for line in lines:
            line.close()
    figures = [Figure("slow_sockets_left", left, "1", 0), Figure("beside_slow_sockets_s", slowest, "s", 2.0)]
    return Report(figures, {"slow sockets": SOCKETS})


def opened(target: Target, number: int) -> socket.socket:
    """A socket with half a request on it: half a head, or a head that promises a body."""
    told = target.told()
    port = int(told.address.rsplit(":", 1)[1])
    line = socket.create_connection(("127.0.0.1", port), timeout=5)
    head = f"POST /api/assess HTTP/1.1\r\nHost: 127.0.0.1:{port}\r\nCookie: lofty-{port}={told.key}\r\n"
    rest = "Content-Type: application/json\r\nContent-Length: 900\r\n\r\n{" if number % 2 else "Content-Ty"
    line.sendall((head + rest).encode())
    line.setblocking(False)
    return line


def still_open(line: socket.socket) -> bool:
    """True while the other end has not hung up."""
    try:
        while line.recv(4096):
            pass  # its last words
        return False
    except BlockingIOError:
        return True
    except OSError:
        return False
