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
from typing import NoReturn

from lofty_press.service.db.connection import DISK_FULL
from lofty_press.service.settings import DatabaseSettings
from lofty_press.setup.debian import find_program
from lofty_press.setup.say import give_up, say

DATABASE = "lofty_press"
ACCOUNT = "lofty_press"
FIRST_START = (8.0, 16.0, 40.0)  # s that a start may take, try by try, before the command gives up
PATIENCE = (1.6, 3.0, 6.0, 12.0, 25.0, 60.0)  # s; the same after a crash: a start takes under one, and now and then one hangs for ever
PAUSES = (0.3, 0.3, 0.6, 1.2, 2.5, 5.0, 10.0, 20.0)  # s between two tries to bring it back
LONGEST_PATH = 90  # characters; a socket's whole path may have 107
STOPS_WITHIN = 3.0  # s; after that it is killed, which loses nothing that was committed
ROOM = 48_000_000  # bytes of free disk under which a start is not tried
PARENT_DEATH_SIGNAL = 1  # PR_SET_PDEATHSIG of Linux prctl(2)


class NotStarted(Exception):
    """The server did not come up; says why."""


def free_port() -> int:
    """A TCP port that nobody holds on loopback at this moment."""
    with socket.socket() as probe:
        probe.bind(("127.0.0.1", 0))
        return int(probe.getsockname()[1])


def _end_with_parent() -> None:
    ctypes.CDLL(None).prctl(PARENT_DEATH_SIGNAL, signal.SIGTERM)


class MariaServer:
    """One mariadbd on loopback, with its data in `folder`.

    The server listens on 127.0.0.1 and on a socket in a private folder; the application's account has a generated password that is kept in
    `folder`, readable by its owner only. Data is made once, aside, and put in place as a whole; a start never removes any.
    """

    def __init__(self, folder: Path) -> None:
        self.folder = folder
        self.data = folder / "data"
        self.secret = folder / "password"
        self.port = free_port()
        own = (folder / "run").absolute()
        self.private = own if len(str(own)) < LONGEST_PATH else Path(tempfile.gettempdir()) / f"lofty-{secrets.token_hex(8)}"
        self.socket = self.private / "db.sock"
        self.process: subprocess.Popen[bytes] | None = None
        self.stopping = threading.Event()
        self.watcher: threading.Thread | None = None
        self.lock: int | None = None
        self.trouble: str | None = None
        """Why the server is away just now, in words; None while it runs."""

    @property
    def settings(self) -> DatabaseSettings:
        return DatabaseSettings(host="127.0.0.1", port=self.port, user=ACCOUNT, password=self.secret.read_text(), name=DATABASE)

    def start(self) -> None:
        """Create the data directory if there is none, start the server and wait until it answers."""
        self._take_folder()
        self._end_leftover()
        shutil.rmtree(self.private, ignore_errors=True)  # what a kill left there
        self.private.mkdir(mode=0o700)
        if not self._has_data():
            self._create_data()
        for patience in FIRST_START:
            try:
                self._launch(patience)
                break
            except NotStarted as error:
                if patience == FIRST_START[-1]:
                    give_up(str(error))
                say(f"{error}; trying again")
        if not self._has_password():
            self._create_account()

    def watch(self) -> None:
        """Start the server again whenever it ends without having been asked to."""
        self.watcher = threading.Thread(target=self._keep_alive, name="mariadb-watch", daemon=True)
        self.watcher.start()

    def stop(self) -> None:
        """End the server in good order and give its folder free."""
        self.stopping.set()
        if self.watcher is not None:
            self.watcher.join(5)  # it may be just about to start one more
        self._end(STOPS_WITHIN)
        if self.lock is not None:  # else the folder is another's, who goes on
            shutil.rmtree(self.private, ignore_errors=True)
            os.close(self.lock)
            self.lock = None

    def run_sql(self, statements: str, *, database: str | None = None) -> str:
        """Carry out statements as the database's own administrator, through the private socket, and return what it prints."""
        client = [find_program("mariadb") or "mariadb", "--no-defaults", f"--socket={self.socket}", "--batch"]
        done = subprocess.run([*client, *([database] if database else [])], input=statements, capture_output=True, text=True)
        if done.returncode:
            give_up(f"MariaDB refused: {done.stderr.strip()[-600:]}")
        return done.stdout

    def _take_folder(self) -> None:
        try:
            self.folder.mkdir(parents=True, exist_ok=True)
            lock = os.open(self.folder / "lock", os.O_CREAT | os.O_RDWR, 0o600)
        except OSError as error:
            give_up(f"cannot write in {self.folder.name} ({error.strerror}); nothing was changed. Is the folder yours, and not read-only?")
        try:
            fcntl.flock(lock, fcntl.LOCK_EX | fcntl.LOCK_NB)
        except BlockingIOError:
            os.close(lock)
            give_up(f"another lofty is already running on {self.folder}; stop it first, its data is safe")
        self.lock = lock

    def _has_data(self) -> bool:
        """True if there is data, False if there was none yet; anything between is said and left alone."""
        try:
            there = {path.name for path in self.data.iterdir()}
        except FileNotFoundError:
            return False
        except OSError as error:
            self._refuse_data(f"cannot be read ({error.strerror})")
        if not there:
            return False
        if "mysql" not in there or "ibdata1" not in there:
            self._refuse_data("does not hold a whole database")
        if not os.access(self.data, os.W_OK) or not os.access(self.data / "ibdata1", os.W_OK):
            self._refuse_data("is read-only")
        return True

    def _refuse_data(self, why: str) -> NoReturn:
        give_up(
            f"the data in {self.data} {why}. It was left as it is. Make it readable and writable, or move the folder "
            f"{self.folder} away and start again: then restore a backup, or one of the copies in {self.folder / 'copies'}"
        )

    def _has_password(self) -> bool:
        try:
            return bool(self.secret.read_text().strip())
        except FileNotFoundError:
            return False
        except OSError as error:
            give_up(
                f"the password in {self.secret} cannot be read ({error.strerror}); nothing was changed. Make it readable, or remove it."
            )

    def _end_leftover(self) -> None:
        """End a server that outlived a launcher which was killed; we hold the lock, so it is nobody's."""
        with contextlib.suppress(FileNotFoundError, ValueError, ProcessLookupError):
            pid = int((self.folder / "mariadb.pid").read_text())
            command = Path(f"/proc/{pid}/cmdline").read_bytes().decode(errors="replace")
            if f"--datadir={self.data}" not in command:
                return
            say("ending a database server that an earlier run left behind")
            for way in (signal.SIGTERM, signal.SIGKILL):
                os.kill(pid, way)
                deadline = time.monotonic() + 10
                while works(pid) and time.monotonic() < deadline:
                    time.sleep(0.05)
            if works(pid):
                give_up(
                    f"a database server of an earlier run (process {pid}) cannot be ended; end it by hand and start again. The data is safe"
                )

    def _create_data(self) -> None:
        say(f"creating a database in {self.folder.name}")
        made = self.folder / "data.new"
        shutil.rmtree(made, ignore_errors=True)  # half of an earlier try; never what is in use
        command = [
            find_program("mariadb-install-db") or "mariadb-install-db",
            "--no-defaults",
            f"--datadir={made}",
            "--auth-root-authentication-method=socket",
            f"--auth-root-socket-user={getpass.getuser()}",
            "--skip-test-db",
        ]
        if os.geteuid() == 0:
            command.append("--user=root")
        done = subprocess.run(command, capture_output=True, text=True)
        if done.returncode:
            give_up(f"MariaDB could not create its data directory: {done.stderr.strip()[-600:]}{self._room_words()}")
        with contextlib.suppress(FileNotFoundError):
            self.data.rmdir()
        made.rename(self.data)

    def _command(self) -> list[str]:
        command = [
            find_program("mariadbd") or "mariadbd",
            "--no-defaults",
            f"--datadir={self.data}",
            f"--tmpdir={self.private}",
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
            "--innodb-lock-wait-timeout=10",
            "--max-connections=40",
        ]
        return [*command, "--user=root"] if os.geteuid() == 0 else command

    def _launch(self, patience: float) -> None:
        """Start the server and wait until it answers, as long as there is `patience` [s].

        Raises
        ------
        NotStarted
            If it ended, or did not answer in time: then it was ended for good, so that two never run on the same data.
        """
        if free_room(self.folder) < ROOM:
            raise NotStarted(f"{DISK_FULL}: the database needs {ROOM // 1_000_000} MB free to start. Make room; nothing is lost")
        self.process = subprocess.Popen(
            self._command(),
            stdout=subprocess.DEVNULL,
            stderr=subprocess.DEVNULL,
            start_new_session=True,  # Ctrl-C in the terminal must not reach the database before the application
            preexec_fn=_end_with_parent,
        )
        deadline = time.monotonic() + patience
        while time.monotonic() < deadline and not self.stopping.is_set():
            if self.process.poll() is not None:
                raise NotStarted(f"MariaDB ended while starting; see {self.folder / 'mariadb.log'}{self._room_words()}")
            if greets(self.port):
                self.trouble = None
                return
            time.sleep(0.03)
        self._end(0.0)
        raise NotStarted(f"MariaDB did not answer within {patience:g} s; see {self.folder / 'mariadb.log'}{self._room_words()}")

    def _room_words(self) -> str:
        room = free_room(self.folder)
        return f" (the disk is nearly full: {room // 1_000_000} MB left)" if room < 3 * ROOM else ""

    def _end(self, patience: float) -> None:
        """End the process, in good order if it does so within `patience` [s], else for good."""
        if self.process is None or self.process.poll() is not None:
            return
        if patience > 0:
            self.process.terminate()
            with contextlib.suppress(subprocess.TimeoutExpired):
                self.process.wait(timeout=patience)
                return
        self.process.kill()
        self.process.wait()

    def _create_account(self) -> None:
        """Make the application's account, or give it a new password where the file with the old one is gone: the data stays as it is."""
        password = secrets.token_urlsafe(24)
        statements = [f"CREATE DATABASE IF NOT EXISTS {DATABASE} CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci;"]
        for host in ("127.0.0.1", "localhost"):
            account = f"'{ACCOUNT}'@'{host}'"
            statements.append(f"CREATE USER IF NOT EXISTS {account} IDENTIFIED BY '{password}';")
            statements.append(f"ALTER USER {account} IDENTIFIED BY '{password}';")
            statements.append(f"GRANT ALL ON {DATABASE}.* TO {account};")
        if self.run_sql(f"SHOW DATABASES LIKE '{DATABASE}';").strip():
            say("the password of the database was missing; it has a new one, the data is as it was")
        self.run_sql("\n".join(statements))
        beside = self.folder / "password.new"
        descriptor = os.open(beside, os.O_CREAT | os.O_WRONLY | os.O_TRUNC, 0o600)
        with os.fdopen(descriptor, "w") as handle:
            handle.write(password)
            handle.flush()
            os.fsync(handle.fileno())
        beside.rename(self.secret)

    def _keep_alive(self) -> None:
        """Bring the server back for as long as it takes, with growing pauses. It stays a child of this process, so it ends with it."""
        tries = 0
        while not self.stopping.wait(PAUSES[min(tries, len(PAUSES) - 1)]):
            if self.process is not None and self.process.poll() is None:
                tries = 0
                continue
            if self.trouble is None:
                say("the database ended unexpectedly; starting it again")
            try:
                self._launch(PATIENCE[min(tries, len(PATIENCE) - 1)])
                say("the database is back")
                tries = 0
            except (NotStarted, OSError) as error:
                tries += 1
                if self.trouble != str(error) and not self.stopping.is_set():
                    say(f"{error}; it is tried again until it works")
                self.trouble = str(error)


def free_room(folder: Path) -> int:
    """Free space on the disk that a folder is on. [bytes]"""
    return shutil.disk_usage(folder).free


def works(pid: int) -> bool:
    """True while a process is there and not merely waiting to be counted out."""
    try:
        return Path(f"/proc/{pid}/stat").read_text().rsplit(")", 1)[1].split()[0] not in ("Z", "X")
    except (OSError, IndexError):
        return False


def greets(port: int) -> bool:
    """True if a database server answers at a port on loopback: it speaks first, so a mere open port is not enough."""
    try:
        with socket.create_connection(("127.0.0.1", port), timeout=0.3) as line:
            line.settimeout(1.0)
            return len(line.recv(5)) > 0
    except OSError:
        return False
