"""Runs the whole application: database, schema, HTTP server; and takes it all down again."""

import contextlib
import socket
from collections.abc import Callable, Iterator
from dataclasses import dataclass
from pathlib import Path
from threading import Thread

import uvicorn
from fastapi import FastAPI

from lofty_press.core.relief.height_map import Library
from lofty_press.demo.effects import picture_of
from lofty_press.demo.load import load_demo
from lofty_press.demo.reliefs.library import demo_relief
from lofty_press.runtime.mariadb import MariaServer
from lofty_press.service.app import create_app
from lofty_press.service.db.migrate import migrate
from lofty_press.service.pictures import Pictures
from lofty_press.service.settings import Settings
from lofty_press.setup.paths import DIST
from lofty_press.setup.say import say

PREFERRED_PORT = 8417
AppFactory = Callable[[Settings, Library, Pictures], FastAPI]


@dataclass
class Running:
    """A running application: its address, its database server and its HTTP server."""

    address: str
    database: MariaServer
    server: uvicorn.Server
    listener: socket.socket


def listen(port: int | None) -> socket.socket:
    """A listening socket on loopback: on `port`, else on the preferred port, else on a free one."""
    for wanted in [port] if port is not None else [PREFERRED_PORT, 0]:
        # named as TCP, so that asyncio sends small answers at once; else each waits for the browser's late acknowledgement
        listener = socket.socket(socket.AF_INET, socket.SOCK_STREAM, socket.IPPROTO_TCP)
        listener.setsockopt(socket.SOL_SOCKET, socket.SO_REUSEADDR, 1)
        try:
            listener.bind(("127.0.0.1", wanted))
            listener.listen()
        except OSError:
            listener.close()
            continue
        return listener
    raise SystemExit(f"lofty: port {port} is taken; leave --port out and a free one is found")


@contextlib.contextmanager
def prepared(folder: Path, *, demo: bool, port: int | None = None, factory: AppFactory = create_app) -> Iterator[Running]:
    """Everything up but the HTTP server's loop; all of it is stopped on the way out."""
    database = MariaServer(folder)
    listener = listen(port)
    try:
        database.start()
        database.watch()
        applied = migrate(database.settings)
        if applied:
            say(f"brought the database up to date ({applied} step{'s' if applied > 1 else ''})")
        if demo and load_demo(database.settings):
            say("loaded the demo world of the Alder Ridge press room")
        bound = listener.getsockname()[1]
        app = factory(Settings(database=database.settings, port=bound, page=DIST), demo_relief, picture_of)
        config = uvicorn.Config(app, log_level="warning", access_log=False, server_header=False, timeout_graceful_shutdown=3)
        yield Running(f"http://127.0.0.1:{bound}", database, uvicorn.Server(config), listener)
    finally:
        listener.close()
        database.stop()


def serve(folder: Path, *, demo: bool, port: int | None) -> None:
    """Run until Ctrl-C."""
    with prepared(folder, demo=demo, port=port) as running:
        print(f"\n  Lofty Press is at  {running.address}\n  Ctrl-C stops it.\n", flush=True)
        with contextlib.suppress(KeyboardInterrupt):  # the server raises it again once it has closed its connections
            running.server.run(sockets=[running.listener])
    say("stopped; everything is saved")


@contextlib.contextmanager
def in_background(folder: Path, *, demo: bool, factory: AppFactory = create_app) -> Iterator[Running]:
    """The whole application in a thread, for tests, measurements and screenshots."""
    with prepared(folder, demo=demo, port=0, factory=factory) as running:
        thread = Thread(target=running.server.run, kwargs={"sockets": [running.listener]}, daemon=True)
        thread.start()
        while not running.server.started and thread.is_alive():
            thread.join(0.02)
        try:
            yield running
        finally:
            running.server.should_exit = True
            thread.join(10)
