"""Tables that take long to make, kept for the next who asks: in memory, and where whoever runs the core has a place for them."""

from collections.abc import Callable
from typing import Protocol

from lofty_press.core.sandwich.stack import FloatArray


class Store(Protocol):
    """A place that outlives the process."""

    def read(self, name: str) -> FloatArray | None: ...
    def write(self, name: str, table: FloatArray) -> None: ...


class Nowhere:
    """No such place."""

    def read(self, name: str) -> FloatArray | None:
        return None

    def write(self, name: str, table: FloatArray) -> None:
        return None


MOST = 20_000
known: dict[str, FloatArray] = {}
places: list[Store] = [Nowhere()]


def keep_in(store: Store) -> None:
    """Say where tables are kept from now on."""
    places[0] = store


def kept(name: str, make: Callable[[], FloatArray]) -> FloatArray:
    """The table of a name that says all that goes into it, made if it is nowhere yet."""
    found = known.get(name)
    if found is None:
        found = places[0].read(name)
        if found is None:
            found = make()
            places[0].write(name, found)
        if len(known) >= MOST:
            known.clear()
        known[name] = found
    return found
