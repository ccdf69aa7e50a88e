"""Who and what there is to work with."""

from dataclasses import dataclass

SET_UP = 180
"""Taking one pile apart and building the next. [s]; common practice, no published source."""


@dataclass(frozen=True)
class PressPlace:
    """A press: the piles that it takes, None for all, and how long it takes to change them [s]."""

    key: str
    name: str
    piles: frozenset[str] | None = None
    set_up: int = SET_UP

    def takes(self, pile: str | None) -> bool:
        """True if a pile goes through it."""
        return self.piles is None or pile is None or pile in self.piles


@dataclass(frozen=True)
class Shop:
    """Pairs of hands, presses, heat tools, and what the drying racks hold [pieces]."""

    hands: int = 1
    presses: tuple[PressPlace, ...] = (PressPlace("press", "press"),)
    heat_tools: int = 1
    rack: int = 400
