"""Dated copies of a whole database, made before its schema changes; the oldest make room for the newest."""

import gzip
import os
import subprocess
from datetime import UTC, datetime
from pathlib import Path

from lofty_press.runtime.mariadb import DATABASE, MariaServer
from lofty_press.setup.debian import find_program
from lofty_press.setup.say import give_up

MOST = 6
COMPUTED = ("impression_fields", "impressions", "plate_wear")
"""Tables whose rows are computed anew when they are missing; a copy holds them empty."""
MARK = b"-- Lofty Press copy"


def keep_copy(server: MariaServer, why: str) -> Path:
    """Copy everything into `copies/`, whole or not at all, and let the oldest copies go."""
    folder = server.folder / "copies"
    folder.mkdir(mode=0o700, exist_ok=True)
    moment = datetime.now(UTC).strftime("%Y-%m-%dT%H-%M-%SZ")
    target, beside = folder / f"{moment}-{why}.sql.gz", folder / "copy.new"
    kept = [f"--ignore-table={DATABASE}.{table}" for table in COMPUTED]
    with gzip.open(beside, "wb", compresslevel=4) as out:
        out.write(MARK + b"\n")
        out.write(dumped(server, "--single-transaction", "--skip-comments", "--hex-blob", *kept, DATABASE))
        there = [table for table in COMPUTED if server.run_sql(f"SHOW TABLES LIKE '{table}';", database=DATABASE).strip()]
        if there:
            out.write(dumped(server, "--skip-comments", "--no-data", DATABASE, *there))
    with beside.open("rb") as done:
        os.fsync(done.fileno())
    beside.rename(target)
    for old in sorted(folder.glob("*.sql.gz"))[:-MOST]:
        old.unlink()
    return target


def dumped(server: MariaServer, *arguments: str) -> bytes:
    program = find_program("mariadb-dump") or "mariadb-dump"
    done = subprocess.run([program, "--no-defaults", f"--socket={server.socket}", *arguments], capture_output=True)
    if done.returncode:
        give_up(f"the data could not be copied ({done.stderr.decode(errors='replace').strip()[-400:]}), so nothing was changed")
    return done.stdout


def is_copy(file: Path) -> bool:
    """True if a file is a copy made by `keep_copy`."""
    try:
        with gzip.open(file) as handle:
            return handle.read(len(MARK)) == MARK
    except OSError:
        return False


def put_back(server: MariaServer, file: Path) -> None:
    """Fill an empty database from a copy."""
    with gzip.open(file) as handle:
        server.run_sql(handle.read().decode(), database=DATABASE)
