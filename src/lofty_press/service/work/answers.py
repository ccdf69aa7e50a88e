"""What workers ask the service for in the middle of a computation."""

from collections import OrderedDict
from typing import Any

from lofty_press.core.sandwich.relief import HeightMap
from lofty_press.core.sandwich.stack import Item, Sandwich
from lofty_press.service.db.connection import Database
from lofty_press.service.http.errors import ServiceError
from lofty_press.service.keeping.pictures.repository import get_picture
from lofty_press.service.keeping.reliefs.repository import get_packed
from lofty_press.service.keeping.shelf.repository import items_of_kind

MOST_AT_HAND = 40


class Answers:
    """Answers out of the database, each in a transaction of its own that ends with the answer; `piles` come with the program, to practise with."""

    def __init__(self, database: Database, piles: tuple[Sandwich, ...] = ()) -> None:
        self.database, self.piles = database, piles
        self.at_hand: OrderedDict[str, HeightMap] = OrderedDict()

    def __call__(self, about: str, key: Any) -> Any:
        if about == "relief":
            return self.relief(key)
        if about == "picture":
            return self.picture(key)
        if about == "piles":
            return self.piles
        return self.keep(*key) if about == "drawn" else self.shelf(key)

    def keep(self, key: str, drawn: HeightMap) -> None:
        """Have a relief that was drawn at hand for the next worker that needs it."""
        self.at_hand[key] = drawn
        while len(self.at_hand) > MOST_AT_HAND:
            self.at_hand.popitem(last=False)

    def relief(self, key: str) -> HeightMap | bytes | None:
        """A relief that was drawn, or a kept one as it was packed."""
        if key in self.at_hand:
            return self.at_hand[key]
        try:
            with self.database.reading() as connection:
                return get_packed(connection, key)
        except ServiceError:
            return None  # judging needs no database: what comes with the program is drawn, plain ridges stand in for the rest

    def picture(self, key: str) -> bytes | None:
        """A kept picture."""
        try:
            with self.database.reading() as connection:
                return get_picture(connection, key)
        except ServiceError:
            return None

    def shelf(self, kind: str) -> list[Item]:
        """Things of a kind; a shelf that cannot be reached supplies nothing, and typical parts take its place."""
        try:
            with self.database.reading() as connection:
                return items_of_kind(connection, kind)
        except ServiceError:
            return []
