"""What the plates of a sandwich remember."""

from lofty_press.core.mechanics.plates import History
from lofty_press.core.sandwich.stack import Sandwich
from lofty_press.service.db import connection
from lofty_press.service.db.connection import Connection
from lofty_press.service.keeping.plates import repository


def kept_histories(database: connection.Database, sandwich: Sandwich) -> dict[str, History]:
    """What the plates of a sandwich remember, by their keys in it."""
    with database.reading() as transaction:
        return histories_of(transaction, sandwich)


def histories_of(connection: Connection, sandwich: Sandwich) -> dict[str, History]:
    """The same within a transaction."""
    found = {}
    for key, item in sandwich.items.items():
        life = None if item.shelf_id is None else repository.current_life(connection, item.shelf_id)
        if life is not None:
            found[key] = repository.read_wear(connection, life).history
    return found
