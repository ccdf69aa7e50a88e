"""`lofty backup` and `lofty restore`: everything out, everything in, whether the application runs or not."""

import argparse
import json
import tempfile
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path

import httpx

from lofty_press.documents.answers.words import read_out
from lofty_press.runtime.copies import is_copy, put_back
from lofty_press.runtime.door import Told, running_on
from lofty_press.runtime.mariadb import MariaServer
from lofty_press.runtime.serve import bring_up_to_date, in_background, stored
from lofty_press.service.http.security import cookie_name
from lofty_press.setup import debian
from lofty_press.setup.paths import STATE
from lofty_press.setup.say import give_up, say

SLOW = 900.0  # s


def takes(parser: argparse.ArgumentParser) -> None:
    """Say what either command takes."""
    if parser.prog.endswith("backup"):
        parser.add_argument("file", type=Path, help="the archive to write; must not be there yet")
        parser.set_defaults(run=backup)
    else:
        parser.add_argument("file", type=Path, help="an archive from backup, or a copy from .lofty/own/copies")
        parser.add_argument("--look", action="store_true", help="only say what it holds beside what is here")
        parser.add_argument("--take", action="store_true", help="where both differ, take the archive's; otherwise yours stays")
        parser.set_defaults(run=restore)
    parser.add_argument("--demo", action="store_true", help="the demo world's data in place of your own")
    parser.add_argument("--folder", type=Path, help=argparse.SUPPRESS)


def folder_of(arguments: argparse.Namespace) -> Path:
    folder: Path = arguments.folder or STATE / ("demo" if arguments.demo else "own")
    return folder


def told_of(folder: Path) -> Told | None:
    """The application that runs on a folder, if it answers."""
    told = running_on(folder)
    if told is None:
        return None
    try:
        with let_in(told) as http:
            return told if http.get("/api/health", timeout=5).is_success else None
    except httpx.TransportError:
        return None


def let_in(told: Told) -> httpx.Client:
    return httpx.Client(base_url=told.address, timeout=SLOW, cookies={cookie_name(int(told.address.rsplit(":", 1)[1])): told.key})


@contextmanager
def reached(folder: Path) -> Iterator[httpx.Client]:
    """The application on a folder over HTTP: the one that runs, else one that is started for this."""
    told = told_of(folder)
    if told is not None:
        with let_in(told) as http:
            yield http
        return
    with in_background(folder, demo=False) as running, running.client(SLOW) as http:
        yield http


def backup(arguments: argparse.Namespace) -> int:
    """Write the archive beside its place and then put it there whole."""
    target: Path = arguments.file
    if target.exists():
        give_up(f"{target} is there already; nothing was written. Choose another name")
    debian.ensure(debian.MARIADB)
    try:
        with tempfile.NamedTemporaryFile(dir=target.absolute().parent, prefix=".lofty-", delete=False) as beside:
            path = Path(beside.name)
            try:
                with reached(folder_of(arguments)) as http, http.stream("GET", "/api/archive") as answer:
                    if not answer.is_success:
                        give_up(words(answer.read()))
                    for piece in answer.iter_bytes():
                        beside.write(piece)
                beside.flush()
                path.rename(target)
            finally:
                path.unlink(missing_ok=True)
    except OSError as error:
        give_up(f"cannot write {target} ({error.strerror}); nothing was left behind")
    say(f"everything is in {target} ({target.stat().st_size / 1e6:.1f} MB)")
    return 0


def restore(arguments: argparse.Namespace) -> int:
    """Take an archive in and print what came of it as JSON."""
    source, folder = arguments.file, folder_of(arguments)
    if not source.is_file():
        give_up(f"there is no file {source}")
    debian.ensure(debian.MARIADB)
    if is_copy(source):
        return restore_copy(source, folder)
    way = "/api/archive/look" if arguments.look else "/api/archive"
    with reached(folder) as http, source.open("rb") as handle:
        answer = http.post(way, content=handle, params={"clashes": "take" if arguments.take else "keep"})
    if not answer.is_success:
        give_up(words(answer.content))
    found = read_out(answer.json())
    print(json.dumps(found, ensure_ascii=False, indent=2))
    if found["clashing"] and not arguments.take:
        say(f"{found['clashing']} things differ from what is here; yours stayed. --take takes the archive's")
    if found["unread"]:
        say(f"{found['unread']} things cannot be read by this version; they are kept as they were stored")
    return 0


def restore_copy(source: Path, folder: Path) -> int:
    """Put a dated copy back, into a folder without data."""
    if (folder / "data").exists():
        give_up(f"a dated copy goes into an empty place only: move {folder} away first, then run this again. Nothing was changed")
    server = MariaServer(folder)
    try:
        server.start()
        put_back(server, source)
        bring_up_to_date(server)
    finally:
        server.stop()
    with stored(folder):
        say(f"put back {source.name}")
    return 0


def words(body: bytes) -> str:
    """The message of a refusal, with what it is about."""
    try:
        error = read_out(json.loads(body)["error"])
        return " ".join(str(part) for part in (error.get("field"), error["message"]) if part)
    except (ValueError, KeyError, TypeError, AttributeError):
        return "Lofty Press refused without saying why"
