"""Lets in only who started the application: a key for each start, which the printed link carries and the command line finds in a private file."""

import contextlib
import json
import os
import secrets
from collections.abc import Iterator
from dataclasses import dataclass
from html import escape
from pathlib import Path

from lofty_press.service.http.security import ENTRANCE, cookie_name

KEY_FILE = "key"


@dataclass(frozen=True)
class Door:
    """The key of one start, and the private files that tell it: `page` leads a browser in without the key showing in a list of processes."""

    key: str
    port: int
    page: Path

    @classmethod
    @contextlib.contextmanager
    def opened(cls, folder: Path, port: int) -> Iterator["Door"]:
        """A new key, told in files that only the owner can read; they are gone when the application stops."""
        door = cls(kept_key(folder) or secrets.token_urlsafe(24), port, folder / "open.html")
        address = f"http://127.0.0.1:{port}"
        link = escape(door.link(address), quote=True)
        write_private(door.page, f'<!doctype html><meta http-equiv="refresh" content="0; url={link}"><a href="{link}">Lofty Press</a>')
        told = folder / "running.json"
        write_private(told, json.dumps({"address": address, "key": door.key}))
        try:
            yield door
        finally:
            for file in (told, door.page):
                file.unlink(missing_ok=True)

    def link(self, address: str) -> str:
        """The address that lets a browser in."""
        return f"{address}{ENTRANCE}?key={self.key}"

    @property
    def cookies(self) -> dict[str, str]:
        """What a browser that came in carries."""
        return {cookie_name(self.port): self.key}


@dataclass(frozen=True)
class Told:
    """Where an application runs on a folder, and its key."""

    address: str
    key: str


def running_on(folder: Path) -> Told | None:
    """The application that runs on a folder, as far as its private file tells."""
    try:
        told = json.loads((folder / "running.json").read_text())
        return Told(str(told["address"]), str(told["key"]))
    except (OSError, ValueError, KeyError, TypeError):
        return None


def kept_key(folder: Path) -> str | None:
    """A key that was laid down for every start on a folder, as by whoever starts it again and again; None as a rule."""
    try:
        return (folder / KEY_FILE).read_text().strip() or None
    except OSError:
        return None


def write_private(file: Path, text: str) -> None:
    """Write a file that only its owner can read, whole or not at all."""
    beside = file.with_suffix(".new")
    beside.unlink(missing_ok=True)
    descriptor = os.open(beside, os.O_CREAT | os.O_EXCL | os.O_WRONLY, 0o600)
    with os.fdopen(descriptor, "w") as handle:
        handle.write(text)
    beside.rename(file)
