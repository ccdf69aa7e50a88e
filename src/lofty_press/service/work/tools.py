"""What a computation in a worker may use besides its arguments."""

from collections import OrderedDict
from collections.abc import Callable
from dataclasses import dataclass
from typing import Any

from lofty_press.core.sandwich.relief import HeightMap, Library
from lofty_press.core.sandwich.stack import Item, Supply
from lofty_press.documents.kept.packed import unpack_relief

MOST_RELIEFS = 24


@dataclass
class Tools:
    """A worker's side: `ask` puts a question to the service and waits for the answer, `tell` sends something on the way.

    Reliefs are kept by their key, which their content decides, so one that is at hand is never out of date.
    """

    built_in: Library
    ask: Callable[[str, Any], Any]
    tell: Callable[[Any], None]
    reliefs: OrderedDict[str, HeightMap]

    def library(self, key: str) -> HeightMap | None:
        """A relief by its key: one that the service has at hand, else one that comes with the program."""
        if key in self.reliefs:
            self.reliefs.move_to_end(key)
            return self.reliefs[key]
        told = self.ask("relief", key)
        found: HeightMap | None = unpack_relief(told) if isinstance(told, bytes) else told
        if found is None and (found := self.built_in(key)) is not None:
            self.ask("drawn", (key, found))  # drawing one takes seconds; the other workers need not
        if found is not None:
            self.reliefs[key] = found
            while len(self.reliefs) > MOST_RELIEFS:
                self.reliefs.popitem(last=False)
        return found

    @property
    def supply(self) -> Supply:
        """Lists things for a fix from the shelf, a kind at a time."""
        known: dict[str, list[Item]] = {}

        def of_kind(kind: str) -> list[Item]:
            if kind not in known:
                known[kind] = self.ask("shelf", kind)
            return known[kind]

        return of_kind


Job = Callable[..., Any]
"""A function at the top of a module whose first argument is the worker's `Tools`; everything else goes to it and comes back by pickle."""
