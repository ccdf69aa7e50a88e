"""`lofty dev`: the page with hot reload beside a service that begins anew when its code changes."""

import argparse
import os
import secrets
import signal
import subprocess
import sys
import time
from pathlib import Path

from lofty_press.runtime.door import KEY_FILE, write_private
from lofty_press.runtime.ending import end_as_by_ctrl_c
from lofty_press.setup import debian, frontend
from lofty_press.setup.paths import ROOT, STATE, WEB
from lofty_press.setup.say import say

SOURCES = ROOT / "src"
SERVICE_PORT, PAGE_PORT = 8418, 5173
LOOKED = 0.5  # s between looks at the sources
PATIENCE = 15.0  # s for a service to end


def takes(parser: argparse.ArgumentParser) -> None:
    """Say what the command takes."""
    parser.add_argument("--port", type=int, default=PAGE_PORT, help=f"the page's port on 127.0.0.1 (default {PAGE_PORT})")
    parser.add_argument("--service-port", type=int, default=SERVICE_PORT, help=f"the service's (default {SERVICE_PORT})")
    parser.set_defaults(run=run)


def run(arguments: argparse.Namespace) -> int:
    """Serve both until Ctrl-C, on a demo world of its own."""
    end_as_by_ctrl_c()
    debian.ensure(debian.MARIADB)
    frontend.ensure_page()
    folder = STATE / "dev"
    folder.mkdir(mode=0o700, exist_ok=True)
    key = secrets.token_urlsafe(24)
    write_private(folder / KEY_FILE, key)  # one for all the services of this run, so that the browser stays let in
    page = begin_page(arguments.port, arguments.service_port)
    service = begin_service(arguments.service_port)
    print(
        f"\n  The page is at  http://127.0.0.1:{arguments.port}/enter?key={key}\n  Both follow what you change; Ctrl-C stops them.\n",
        flush=True,
    )
    seen = newest(SOURCES)
    try:
        while page.poll() is None:
            time.sleep(LOOKED)
            now = newest(SOURCES)
            if now != seen:
                seen = now
                say("the code changed; the service begins anew")
                end(service)
                service = begin_service(arguments.service_port)
            elif service.poll() is not None and service.returncode:
                say("the service ended; it begins anew when its code changes")
                while newest(SOURCES) == seen and page.poll() is None:
                    time.sleep(LOOKED)
    except KeyboardInterrupt:
        say("stopped")
    finally:
        end(service)
        end(page)
        (folder / KEY_FILE).unlink(missing_ok=True)
    return 0


def begin_page(port: int, service_port: int) -> subprocess.Popen[bytes]:
    """The page's development server, which hands requests on to the service as if they came from its own page."""
    vite = str(WEB / "node_modules" / ".bin" / "vite")
    environment = {**os.environ, "LOFTY_SERVICE": f"http://127.0.0.1:{service_port}"}
    return subprocess.Popen([vite, "--host", "127.0.0.1", "--port", str(port), "--strictPort"], cwd=WEB, env=environment)


def begin_service(port: int) -> subprocess.Popen[bytes]:
    """The service on the demo world that is kept for this."""
    command = [sys.executable, "-m", "lofty_press.cli", "demo", "--port", str(port), "--folder", str(STATE / "dev")]
    return subprocess.Popen(command, cwd=ROOT, env={**os.environ, "DISPLAY": "", "WAYLAND_DISPLAY": ""}, start_new_session=True)


def end(process: subprocess.Popen[bytes]) -> None:
    """End a process in good order, or by force if it takes too long."""
    if process.poll() is None:
        process.send_signal(signal.SIGTERM)
        try:
            process.wait(PATIENCE)
        except subprocess.TimeoutExpired:
            process.kill()
            process.wait()


def newest(folder: Path) -> int:
    """A number that changes whenever a source does."""
    return max((file.stat().st_mtime_ns for file in folder.rglob("*.py")), default=0)
