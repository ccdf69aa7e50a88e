"""What workers ask the service for in the middle of a computation."""

from typing import Any

from lofty_press.core.stack.item import Item
from lofty_press.service.db.connection import Database
from lofty_press.service.errors import ServiceError
from lofty_press.service.reliefs.repository import get_packed
from lofty_press.service.shelf.repository import items_of_kind


class Answers:
    """Answers out of the database, each in a transaction of its own that ends with the answer."""

    def __init__(self, database: Database) -> None:
        self.database = database

    def __call__(self, about: str, key: Any) -> Any:
        return self.relief(key) if about == "relief" else self.shelf(key)

    def relief(self, key: str) -> bytes | None:
        """A kept relief as it was packed."""
        with self.database.reading() as connection:
            return get_packed(connection, key)

    def shelf(self, kind: str) -> list[Item]:
        """Things of a kind; a shelf that cannot be reached supplies nothing, and typical parts take its place."""
        try:
            with self.database.reading() as connection:
                return items_of_kind(connection, kind)
        except ServiceError:
            return []
