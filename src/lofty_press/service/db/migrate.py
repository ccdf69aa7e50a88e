"""Brings the schema up to date; the migrations are its only source."""

from pathlib import Path
from urllib.parse import quote

from yoyo import get_backend, read_migrations

from lofty_press.service.settings import DatabaseSettings

MIGRATIONS = Path(__file__).with_name("migrations")


def migrate(settings: DatabaseSettings) -> int:
    """Apply every migration that is not applied yet and return how many that were."""
    address = f"{settings.host}:{settings.port}/{settings.name}"
    backend = get_backend(f"mysql://{settings.user}:{quote(settings.password)}@{address}")
    with backend.lock():
        pending = backend.to_apply(read_migrations(str(MIGRATIONS)))
        backend.apply_migrations(pending)
    return len(pending)
