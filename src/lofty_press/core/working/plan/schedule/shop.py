"""Who and what there is to work with."""

from collections.abc import Mapping
from dataclasses import dataclass, field

SET_UP = 45
"""Changing a pile of which nothing is known. [s]; practitioners were seen to take 15 to 60 (common practice, no published source)"""
LAYER = 8
"""Taking one plate, mat or folder off, or laying it on. [s]; this product's assumption, such that two or three of them take what was seen"""
NOTHING_ON = "\0"
"""Stands for the pile of a press that has none."""


@dataclass(frozen=True)
class PressPlace:
    """A press: the piles that it takes, None for all, and how long it takes to change one of which nothing is known [s]."""

    key: str
    name: str
    piles: frozenset[str] | None = None
    set_up: int = SET_UP

    def takes(self, pile: str | None) -> bool:
        """True if a pile goes through it."""
        return self.piles is None or pile is None or pile in self.piles


@dataclass(frozen=True)
class Shop:
    """Pairs of hands, presses, heat tools, and what the drying racks hold [pieces]; `layers` of piles from below, where they are known."""

    hands: int = 1
    presses: tuple[PressPlace, ...] = (PressPlace("press", "press"),)
    heat_tools: int = 1
    rack: int = 400
    layers: Mapping[str, tuple[str, ...]] = field(default_factory=dict)

    def change(self, press: PressPlace, before: str | None, then: str | None) -> int:
        """How long it takes from one pile to another on a press: what both have from below stays, all above is moved. [s]

        The sheet is no part of it: it is laid in with every run. `before` is `NOTHING_ON` for a press with nothing on it.
        """
        if before == then:
            return 0
        new, old = self.layers.get(then or ""), () if before == NOTHING_ON else self.layers.get(before or "")
        if new is None or old is None:
            return press.set_up
        alike = next((n for n, (a, b) in enumerate(zip(old, new, strict=False)) if a != b), min(len(old), len(new)))
        return LAYER * (len(old) + len(new) - 2 * alike)

    def longest_change(self, piles: set[str | None]) -> int:
        """No change between these piles takes longer on any press. [s]"""
        befores = {NOTHING_ON, *piles}
        return max((self.change(press, a, b) for press in self.presses for a in befores for b in piles if press.takes(b)), default=0)

    def least_change(self, pile: str | None, piles: set[str | None]) -> int:
        """No change to a pile, from another or from nothing, takes less on any press that takes it. [s]"""
        befores = {NOTHING_ON, *piles} - {pile}
        return min((self.change(press, a, pile) for press in self.presses if press.takes(pile) for a in befores), default=0)
