"""The disk runs full under writing clients: said as such, nothing acknowledged is lost, and it goes on by itself once there is room."""

import os
import subprocess
import time
import uuid
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path
from typing import Any

import httpx

from lofty_press.bench.figure import Figure
from lofty_press.siege.kills import until_it_writes
from lofty_press.siege.scope import Report, Scope
from lofty_press.siege.target import Target, besieged, by_name

ROUNDS = 3
SIZE = 420  # MB; a fresh database takes about 150
WAITS = 40.0  # s for the first refusal


@contextmanager
def small_disk(folder: Path) -> Iterator[Path | None]:
    """A file system of its own that is soon full; None where this user may not mount one."""
    folder.mkdir(parents=True, exist_ok=True)
    mount = ["mount", "-t", "tmpfs", "-o", f"size={SIZE}m,mode=0700", "none", str(folder)]
    if os.geteuid() != 0 or subprocess.run(mount, capture_output=True).returncode:
        yield None
        return
    try:
        yield folder
    finally:
        subprocess.run(["umount", "-l", str(folder)], capture_output=True)


def measure(folder: Path, scope: Scope) -> Report:
    """Fill, write, make room, look."""
    with small_disk(folder / "disk") as disk:
        if disk is None:
            return Report([], {"full disk": "left out: only root may mount a small file system"})
        with besieged(disk / "data") as target:
            return rounds(target, disk, scope)


def rounds(target: Target, disk: Path, scope: Scope) -> Report:
    kept: dict[str, str] = {}
    said, done = 0, 0
    recovered: list[float] = []
    with target.client() as http:
        pile = by_name(http, "Lattice ticket sleeve")
    while scope.goes_on(done):
        done += 1
        ballast = disk / "ballast"
        fill(ballast)
        said += write_until_refused(target, pile, kept)
        ballast.unlink()
        recovered.append(until_it_writes(target, pile))
    with target.client() as http:
        lost = sum(not http.get(f"/api/sandwiches/{made}").is_success for made in kept.values())
    figures = [
        Figure("full_disk_lost", lost, "1", 0),
        Figure("full_disk_said", said / done, "1", 1.0, at_least=True),
        Figure("full_disk_recover_s", max(recovered), "s", 30.0),
    ]
    return Report(figures, {"full disks": done, "acknowledged": len(kept)})


def fill(ballast: Path) -> None:
    """Leave no room at all."""
    with ballast.open("wb", buffering=0) as handle:
        for size in (1_000_000, 4096):
            try:
                while True:
                    handle.write(b"\0" * size)
            except OSError:
                continue


def write_until_refused(target: Target, pile: dict[str, Any], kept: dict[str, str]) -> bool:
    """Make sandwiches until one is refused because the disk is full; True if that is what was said."""
    note = "x" * 1900
    began = time.monotonic()
    while time.monotonic() - began < WAITS:
        name = f"siege {uuid.uuid4()}"
        try:
            with target.client(25) as http:
                answer = http.post("/api/sandwiches", json={"sandwich": {**pile, "name": name, "note": note}})
        except httpx.HTTPError:
            continue
        if answer.is_success:
            kept[name] = answer.json()["id"]
        elif answer.status_code == 507:
            return bool(answer.json()["error"]["code"] == "disk-full")
        elif answer.status_code != 503:
            return False
    return False
