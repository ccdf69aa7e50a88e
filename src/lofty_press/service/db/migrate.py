"""Brings the schema up to date; the migrations are its only source.

Migrations that have landed are frozen: `migrations.json` holds the hash of each, and `./lofty check` compares.
"""

import hashlib
import json
from pathlib import Path
from typing import Any
from urllib.parse import quote

from yoyo import get_backend, read_migrations

from lofty_press.service.settings import DatabaseSettings

MIGRATIONS = Path(__file__).with_name("migrations")
FROZEN = Path(__file__).with_name("migrations.json")


class NewerData(Exception):
    """The database was written by a newer version of the program."""


def backend_of(settings: DatabaseSettings) -> Any:
    address = f"{settings.host}:{settings.port}/{settings.name}"
    return get_backend(f"mysql://{settings.user}:{quote(settings.password)}@{address}?ssl_disabled=1")


def pending(settings: DatabaseSettings) -> list[str]:
    """Names of the migrations that are not applied yet; looks only, and writes nothing but yoyo's own empty tables.

    Raises
    ------
    NewerData
        If the database has migrations that this program does not know.
    """
    backend = backend_of(settings)
    known = read_migrations(str(MIGRATIONS))
    applied = applied_names(backend)
    newer = sorted(applied - {migration.id for migration in known})
    if newer:
        raise NewerData(f"this data was written by a newer Lofty Press ({newer[-1]}); it was left as it is. Start the newer version on it")
    return [migration.id for migration in known if migration.id not in applied]


def applied_names(backend: Any) -> set[str]:
    """Names of the migrations that a database has."""
    tables = {row[0] for row in backend.execute("SHOW TABLES LIKE '\\_yoyo\\_migration'").fetchall()}
    if not tables:
        return set()
    found = {str(row[0]) for row in backend.execute("SELECT migration_id FROM _yoyo_migration").fetchall()}
    backend.rollback()
    return found


def migrate(settings: DatabaseSettings) -> int:
    """Apply every migration that is not applied yet and return how many that were.

    Whoever calls holds the folder of the database for itself: a lock that is found is that of a process which was killed, and is cleared.
    """
    backend = backend_of(settings)
    backend.break_lock()
    with backend.lock():
        waiting = backend.to_apply(read_migrations(str(MIGRATIONS)))
        backend.apply_migrations(waiting)
    return len(waiting)


def hashes() -> dict[str, str]:
    """The hash of each migration as it is now."""
    return {path.name: hashlib.sha256(path.read_bytes()).hexdigest() for path in sorted(MIGRATIONS.glob("*.sql"))}


def changed_migrations() -> list[str]:
    """Names of migrations that differ from what was frozen, or are not frozen yet."""
    frozen: dict[str, str] = json.loads(FROZEN.read_text())
    now = hashes()
    return sorted(name for name in frozen.keys() | now.keys() if frozen.get(name) != now.get(name))


def freeze_new() -> None:
    """Freeze migrations that are new; those that are frozen stay as they were."""
    frozen: dict[str, str] = json.loads(FROZEN.read_text()) if FROZEN.exists() else {}
    FROZEN.write_text(json.dumps({**hashes(), **frozen}, indent=1, sort_keys=True) + "\n")
