"""The application under siege: a process of its own, started, killed and started again."""

import json
import os
import signal
import subprocess
import sys
import time
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path

import httpx

from lofty_press.runtime.door import Told, running_on
from lofty_press.runtime.ending import end_as_by_ctrl_c
from lofty_press.runtime.serve import serve
from lofty_press.service.http.security import cookie_name
from lofty_press.setup.paths import ROOT

COMES_UP = 90.0  # s


class Target:
    """One application on a folder with the demo world."""

    def __init__(self, folder: Path) -> None:
        self.folder = folder
        self.process: subprocess.Popen[bytes] | None = None

    def start(self) -> float:
        """Start it and wait until it answers; returns how long that took. [s]"""
        began = time.monotonic()
        (self.folder / "running.json").unlink(missing_ok=True)
        environment = {**os.environ, "PYTHONPATH": str(ROOT / "src")}
        environment.pop("DISPLAY", None)
        command = [sys.executable, "-m", "lofty_press.siege", str(self.folder)]
        with (self.folder / "siege.log").open("ab", buffering=0) as log:
            self.process = subprocess.Popen(command, stdout=log, stderr=log, env=environment, start_new_session=True)
        while time.monotonic() - began < COMES_UP:
            told = running_on(self.folder)
            if told is not None and self.answers(told):
                return time.monotonic() - began
            if self.process.poll() is not None:
                raise RuntimeError(f"the application ended while starting; see {self.folder / 'siege.log'}")
            time.sleep(0.05)
        raise RuntimeError("the application did not come up")

    @staticmethod
    def answers(told: Told) -> bool:
        try:
            cookies = {cookie_name(int(told.address.rsplit(":", 1)[1])): told.key}
            return httpx.get(f"{told.address}/api/sandwiches", cookies=cookies, timeout=5, verify=False).is_success
        except httpx.HTTPError:
            return False

    def told(self) -> Told:
        """Where it runs now, and its key."""
        found = running_on(self.folder)
        if found is None:
            raise httpx.ConnectError("it does not run just now")
        return found

    @contextmanager
    def client(self, timeout: float = 30.0) -> Iterator[httpx.Client]:
        """A client of where it runs now."""
        told = self.told()
        cookies = {cookie_name(int(told.address.rsplit(":", 1)[1])): told.key}
        # plain HTTP on loopback: certificates, which take long to load, are not wanted
        with httpx.Client(base_url=told.address, cookies=cookies, timeout=timeout, verify=False) as http:
            yield http

    def kill_database(self) -> None:
        """End its database server as a power cut would."""
        os.kill(int((self.folder / "mariadb.pid").read_text()), signal.SIGKILL)

    def kill_server(self) -> None:
        """End the application itself as a power cut would."""
        assert self.process is not None
        self.process.kill()
        self.process.wait()

    def stop(self) -> float:
        """End it in good order; returns how long that took. [s]"""
        began = time.monotonic()
        if self.process is not None and self.process.poll() is None:
            self.process.send_signal(signal.SIGTERM)
            try:
                self.process.wait(30)
            except subprocess.TimeoutExpired:
                self.process.kill()
        return time.monotonic() - began

    def memory(self) -> float:
        """Resident memory of the application and its workers together, without its database. [MB]"""
        assert self.process is not None
        pids, parents = [self.process.pid], children()
        for pid in pids:
            pids += parents.get(pid, [])
        return sum(resident(pid) for pid in pids if not is_database(pid)) / 1e6


def children() -> dict[int, list[int]]:
    """Processes by their parents."""
    found: dict[int, list[int]] = {}
    for stat in Path("/proc").glob("[0-9]*/stat"):
        try:
            text = stat.read_text()
            found.setdefault(int(text.rsplit(")", 1)[1].split()[1]), []).append(int(stat.parent.name))
        except (OSError, ValueError, IndexError):
            continue
    return found


def resident(pid: int) -> float:
    """Memory that a process holds for itself, and its share of what it has in common with others. [bytes]"""
    try:
        rows = Path(f"/proc/{pid}/smaps_rollup").read_text().splitlines()
        return 1024.0 * next(int(row.split()[1]) for row in rows if row.startswith("Pss:"))
    except (OSError, StopIteration, ValueError):
        return 0.0


def is_database(pid: int) -> bool:
    try:
        return b"mariadbd" in Path(f"/proc/{pid}/cmdline").read_bytes()
    except OSError:
        return True


@contextmanager
def besieged(folder: Path) -> Iterator[Target]:
    """A started application, stopped on the way out whatever happened."""
    folder.mkdir(parents=True, exist_ok=True)
    target = Target(folder)
    target.start()
    try:
        yield target
    finally:
        target.stop()


def by_name(http: httpx.Client, name: str) -> dict[str, object]:
    """A sandwich of the demo world, as it is kept."""
    found = http.get("/api/sandwiches", params={"q": name}).json()["sandwiches"][0]
    sandwich: dict[str, object] = http.get(f"/api/sandwiches/{found['id']}").json()["sandwich"]
    return sandwich


def plain(content: object) -> str:
    return json.dumps(content, sort_keys=True)


def run_target(folder: Path) -> None:
    """The process itself."""
    end_as_by_ctrl_c()
    serve(folder, demo=True, port=0)
