"""Runs the whole application: database, schema, HTTP server; and takes it all down again."""

import contextlib
import gc
import logging
import os
import shutil
import socket
import sys
import webbrowser
from collections.abc import Callable, Iterator
from dataclasses import dataclass
from importlib import import_module
from pathlib import Path
from threading import Thread
from typing import TYPE_CHECKING

import uvicorn
from fastapi import FastAPI

from lofty_press.runtime.copies import keep_copy
from lofty_press.runtime.door import Door
from lofty_press.runtime.logs import logged
from lofty_press.runtime.mariadb import MariaServer
from lofty_press.runtime.patience import PatientProtocol
from lofty_press.service.db.migrate import NewerData, migrate, pending
from lofty_press.service.settings import Settings
from lofty_press.service.work.forge import is_compiled, prepare
from lofty_press.setup.paths import DIST
from lofty_press.setup.say import give_up, say

if TYPE_CHECKING:
    import httpx

log = logging.getLogger("lofty_press")

PREFERRED_PORT = 8417
TURN = 0.001  # s; a thread that reads or stores something gives way after that, so that sixteen of them do not hold up small answers
COMPILES_WITHIN = 300.0  # s; on a new machine, once
AppFactory = Callable[[Settings], FastAPI]


@dataclass
class Running:
    """A running application: its address, the door that lets in who started it, its database server and its HTTP server."""

    address: str
    door: Door
    database: MariaServer
    server: uvicorn.Server
    listener: socket.socket
    app: FastAPI

    @property
    def link(self) -> str:
        """The address that lets a browser in."""
        return self.door.link(self.address)

    def client(self, timeout: float = 90.0) -> "httpx.Client":
        """An HTTP client that is let in, for tests and measurements."""
        import httpx  # here, since whoever starts the application to work with it needs no client

        return httpx.Client(base_url=self.address, timeout=timeout, cookies=self.door.cookies)


def listen(port: int | None) -> socket.socket:
    """A listening socket on loopback: on `port`, else on the preferred port, else on a free one."""
    if port is not None and not 0 <= port <= 65535:
        give_up(f"{port} is no port; a port is a number from 1024 to 65535. Leave --port out and a free one is found")
    reason = "is taken"
    for wanted in [port] if port is not None else [PREFERRED_PORT, 0]:
        # named as TCP, so that asyncio sends small answers at once; else each waits for the browser's late acknowledgement
        listener = socket.socket(socket.AF_INET, socket.SOCK_STREAM, socket.IPPROTO_TCP)
        listener.setsockopt(socket.SOL_SOCKET, socket.SO_REUSEADDR, 1)
        try:
            listener.bind(("127.0.0.1", wanted))
            listener.listen()
        except PermissionError:
            reason = "is kept for the system"
            listener.close()
            continue
        except OSError:
            listener.close()
            continue
        return listener
    give_up(f"port {port} {reason}; leave --port out and a free one is found")


def bring_up_to_date(database: MariaServer) -> None:
    """Bring the schema up to date; what is there is copied before, and data of a newer version is left alone."""
    try:
        waiting = pending(database.settings)
    except NewerData as error:
        give_up(str(error))
    if not waiting:
        return
    if "0001_shelf_and_sandwiches" not in waiting:
        copy = keep_copy(database, f"before-{waiting[0][:4]}")
        say(f"kept a copy of everything in {copy.relative_to(database.folder.parent)}")
    applied = migrate(database.settings)
    say(f"brought the database up to date ({applied} step{'s' if applied > 1 else ''})")


@contextlib.contextmanager
def stored(folder: Path) -> Iterator[MariaServer]:
    """The database alone, up to date."""
    database = MariaServer(folder)
    try:
        database.start()
        bring_up_to_date(database)
        yield database
    finally:
        database.stop()


@contextlib.contextmanager
def prepared(folder: Path, *, demo: bool, port: int | None = None, factory: AppFactory | None = None) -> Iterator[Running]:
    """Everything up but the HTTP server's loop; all of it is stopped on the way out."""
    listener = listen(port)
    if not is_compiled():
        say("compiling the computation for this machine (once): the first judgement waits for it, up to a minute")
    prepare()
    loading = Thread(target=import_module, args=("lofty_press.runtime.parts",), daemon=True)
    loading.start()  # reading the program takes longer than the database takes to come up
    with contextlib.closing(listener), logged(folder), stored(folder) as database:
        log.info("started with %s", folder.name)
        database.watch()
        loading.join()
        from lofty_press.runtime.parts import built_app, load_demo

        if demo and load_demo(database.settings):
            say("loaded the demo world of the Alder Ridge press room")
        bound = listener.getsockname()[1]
        address = f"http://127.0.0.1:{bound}"
        with Door.opened(folder, bound) as door, empty_folder(folder / "scratch") as scratch:
            settings = Settings(
                database=database.settings, port=bound, key=door.key, page=DIST, scratch=scratch, trouble=lambda: database.trouble
            )
            app = (factory or built_app)(settings)
            config = uvicorn.Config(
                app,
                http=PatientProtocol,
                log_config=None,
                log_level="warning",
                access_log=False,
                server_header=False,
                timeout_graceful_shutdown=1,
            )
            yield Running(address, door, database, uvicorn.Server(config), listener, app)


@contextlib.contextmanager
def empty_folder(folder: Path) -> Iterator[Path]:
    """A private folder that is empty at the start, whatever a kill left in it, and gone at the end."""
    shutil.rmtree(folder, ignore_errors=True)
    folder.mkdir(mode=0o700)
    try:
        yield folder
    finally:
        shutil.rmtree(folder, ignore_errors=True)


def serve(folder: Path, *, demo: bool, port: int | None) -> None:
    """Run until Ctrl-C."""
    sys.setswitchinterval(TURN)
    with prepared(folder, demo=demo, port=port) as running:
        gc.collect()
        gc.freeze()  # the program itself is not looked through again for what can be thrown away: that would be a tenth of a second in which nobody is answered
        print(f"\n  Lofty Press is at  {running.link}\n  This link lets in whoever has it; Ctrl-C stops it.\n", flush=True)
        if os.environ.get("DISPLAY") or os.environ.get("WAYLAND_DISPLAY"):
            webbrowser.open(running.door.page.as_uri())
        with contextlib.suppress(KeyboardInterrupt):  # the server raises it again once it has closed its connections
            running.server.run(sockets=[running.listener])
        say(farewell(running))


def farewell(running: Running) -> str:
    """The last words: what is certain about what was saved."""
    if running.database.trouble is not None or running.app.state.database.unkept:
        return "stopped. Everything that the page called saved is kept; what it showed as not saved yet is still in that browser, and is saved after the next start"
    return "stopped; everything is saved"


@contextlib.contextmanager
def in_background(folder: Path, *, demo: bool, factory: AppFactory | None = None) -> Iterator[Running]:
    """The whole application in a thread, for tests, measurements and screenshots."""
    with prepared(folder, demo=demo, port=0, factory=factory) as running:
        thread = Thread(target=running.server.run, kwargs={"sockets": [running.listener]}, daemon=True)
        thread.start()
        while not running.server.started and thread.is_alive():
            thread.join(0.02)
        if not running.server.started:
            give_up("the application did not come up; its message is above")
        running.app.state.crew.there.wait(COMPILES_WITHIN)
        try:
            yield running
        finally:
            running.server.should_exit = True
            thread.join(10)
