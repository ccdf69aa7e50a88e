"""Finds reliefs for the computation: kept ones once from the database, then from memory."""

from collections import OrderedDict
from threading import Lock

from lofty_press.core.relief.height_map import HeightMap, Library
from lofty_press.service.db.connection import Pool
from lofty_press.service.reliefs import repository

MOST = 24


class ReliefLibrary:
    """A `Library` over what comes with the program and the database, with the latest reliefs at hand."""

    def __init__(self, pool: Pool, built_in: Library) -> None:
        self.pool, self.built_in = pool, built_in
        self.lock = Lock()
        self.kept: OrderedDict[str, HeightMap] = OrderedDict()

    def __call__(self, key: str) -> HeightMap | None:
        with self.lock:
            if key in self.kept:
                self.kept.move_to_end(key)
                return self.kept[key]
        found = self.built_in(key)
        if found is None:
            with self.pool.connection() as connection:
                found = repository.get_relief(connection, key)
        if found is not None:
            with self.lock:
                self.kept[key] = found
                while len(self.kept) > MOST:
                    self.kept.popitem(last=False)
        return found
