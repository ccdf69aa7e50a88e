"""A MariaDB server of the project's own: its data directory, its password, its port, its life."""

import contextlib
import ctypes
import fcntl
import getpass
import os
import secrets
import shutil
import signal
import socket
import subprocess
import tempfile
import threading
import time
from pathlib import Path

from lofty_press.service.settings import DatabaseSettings
from lofty_press.setup.debian import find_program
from lofty_press.setup.say import give_up, say

DATABASE = "lofty_press"
ACCOUNT = "lofty_press"
READY_WITHIN = 60.0
PARENT_DEATH_SIGNAL = 1  # PR_SET_PDEATHSIG of Linux prctl(2)


def free_port() -> int:
    """A TCP port that nobody holds on loopback at this moment."""
    with socket.socket() as probe:
        probe.bind(("127.0.0.1", 0))
        return int(probe.getsockname()[1])


def _end_with_parent() -> None:
    ctypes.CDLL(None).prctl(PARENT_DEATH_SIGNAL, signal.SIGTERM)


class MariaServer:
    """One mariadbd on loopback, with its data in `folder`.

    The server listens on 127.0.0.1 and on a socket in a private folder; the application's account has a
    generated password that is kept in `folder`, readable by its owner only.
    """

    def __init__(self, folder: Path) -> None:
        self.folder = folder
        self.data = folder / "data"
        self.port = free_port()
        self.private = Path(tempfile.mkdtemp(prefix="lofty-"))
        self.socket = self.private / "db.sock"
        self.process: subprocess.Popen[bytes] | None = None
        self.stopping = threading.Event()
        self.lock: int | None = None

    @property
    def settings(self) -> DatabaseSettings:
        password = (self.folder / "password").read_text()
        return DatabaseSettings(host="127.0.0.1", port=self.port, user=ACCOUNT, password=password, name=DATABASE)

    def start(self) -> None:
        """Create the data directory if it is new, start the server and wait until it answers."""
        self.folder.mkdir(parents=True, exist_ok=True)
        self._take_lock()
        self._end_leftover()
        fresh = not (self.folder / "password").exists()
        if fresh:
            shutil.rmtree(self.data, ignore_errors=True)
            self._create_data()
        self._launch()
        if fresh:
            self._create_account()

    def watch(self) -> None:
        """Start the server again whenever it ends without having been asked to."""
        threading.Thread(target=self._keep_alive, name="mariadb-watch", daemon=True).start()

    def stop(self) -> None:
        """End the server in good order and give its folder free."""
        self.stopping.set()
        if self.process is not None and self.process.poll() is None:
            self.process.terminate()
            try:
                self.process.wait(timeout=20)
            except subprocess.TimeoutExpired:
                self.process.kill()
                self.process.wait()
        shutil.rmtree(self.private, ignore_errors=True)
        if self.lock is not None:
            os.close(self.lock)
            self.lock = None

    def _take_lock(self) -> None:
        self.lock = os.open(self.folder / "lock", os.O_CREAT | os.O_RDWR, 0o600)
        try:
            fcntl.flock(self.lock, fcntl.LOCK_EX | fcntl.LOCK_NB)
        except BlockingIOError:
            give_up(f"another lofty is already running on {self.folder}; stop it first, its data is safe")

    def _end_leftover(self) -> None:
        """End a server that outlived a launcher which was killed; we hold the lock, so it is nobody's."""
        with contextlib.suppress(FileNotFoundError, ValueError, ProcessLookupError):
            pid = int((self.folder / "mariadb.pid").read_text())
            command = Path(f"/proc/{pid}/cmdline").read_bytes().decode(errors="replace")
            if f"--datadir={self.data}" not in command:
                return
            say("ending a database server that an earlier run left behind")
            os.kill(pid, signal.SIGTERM)
            for _ in range(200):
                os.kill(pid, 0)
                time.sleep(0.1)

    def _create_data(self) -> None:
        say(f"creating a database in {self.folder.name}")
        user = getpass.getuser()
        command = [
            find_program("mariadb-install-db") or "mariadb-install-db",
            "--no-defaults",
            f"--datadir={self.data}",
            "--auth-root-authentication-method=socket",
            f"--auth-root-socket-user={user}",
            "--skip-test-db",
        ]
        if os.geteuid() == 0:
            command.append("--user=root")
        done = subprocess.run(command, capture_output=True, text=True)
        if done.returncode:
            give_up(f"MariaDB could not create its data directory: {done.stderr.strip()[-600:]}")

    def _launch(self) -> None:
        command = [
            find_program("mariadbd") or "mariadbd",
            "--no-defaults",
            f"--datadir={self.data}",
            f"--socket={self.socket}",
            f"--port={self.port}",
            "--bind-address=127.0.0.1",
            f"--pid-file={self.folder / 'mariadb.pid'}",
            f"--log-error={self.folder / 'mariadb.log'}",
            "--skip-name-resolve",
            "--character-set-server=utf8mb4",
            "--collation-server=utf8mb4_unicode_ci",
            "--innodb-buffer-pool-size=64M",
            "--innodb-flush-log-at-trx-commit=1",
            "--max-connections=40",
        ]
        if os.geteuid() == 0:
            command.append("--user=root")
        self.process = subprocess.Popen(
            command,
            stdout=subprocess.DEVNULL,
            stderr=subprocess.DEVNULL,
            start_new_session=True,  # Ctrl-C in the terminal must not reach the database before the application
            preexec_fn=_end_with_parent,
        )
        deadline = time.monotonic() + READY_WITHIN
        while time.monotonic() < deadline:
            if self.process.poll() is not None:
                give_up(f"MariaDB ended while starting; see {self.folder / 'mariadb.log'}")
            with contextlib.suppress(OSError), socket.create_connection(("127.0.0.1", self.port), timeout=0.2):
                return
            time.sleep(0.05)
        give_up(f"MariaDB did not answer within {READY_WITHIN:.0f} s; see {self.folder / 'mariadb.log'}")

    def _create_account(self) -> None:
        password = secrets.token_urlsafe(24)
        accounts = [f"'{ACCOUNT}'@'{host}'" for host in ("127.0.0.1", "localhost")]
        statements = [f"CREATE DATABASE {DATABASE} CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci;"]
        for account in accounts:
            statements.append(f"CREATE USER {account} IDENTIFIED BY '{password}';")
            statements.append(f"GRANT ALL ON {DATABASE}.* TO {account};")
        client = [find_program("mariadb") or "mariadb", "--no-defaults", f"--socket={self.socket}"]
        done = subprocess.run(client, input="\n".join(statements), capture_output=True, text=True)
        if done.returncode:
            give_up(f"MariaDB refused to create the application's account: {done.stderr.strip()[-600:]}")
        secret = self.folder / "password"
        descriptor = os.open(secret, os.O_CREAT | os.O_WRONLY | os.O_TRUNC, 0o600)
        with os.fdopen(descriptor, "w") as handle:
            handle.write(password)

    def _keep_alive(self) -> None:
        # The restarted server is a child of this thread's process, so the death signal still holds.
        while not self.stopping.wait(0.3):
            if self.process is not None and self.process.poll() is not None:
                say("the database ended unexpectedly; starting it again")
                self._launch()
