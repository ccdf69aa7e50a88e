"""Suggestions: something to do about a sandwich, as data that anybody can carry out."""

from dataclasses import dataclass

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.basics.words import Message
from lofty_press.core.sandwich.stack.edits import Edit, Wish
from lofty_press.core.sandwich.stack.sandwich import Sandwich
from lofty_press.core.sandwich.stack.supply import Supply, resolved


@dataclass(frozen=True)
class Suggestion:
    """What to call it, and what carries it out; nothing where it is done by hand alone."""

    label: Message
    edits: tuple[Edit | Wish, ...] = ()

    def in_full(self, sandwich: Sandwich, supply: Supply) -> "tuple[Edit, ...] | None":
        """Its edits with things from the shelf in place of wishes; None where it cannot be carried out."""
        try:
            return resolved(sandwich, self.edits, supply)
        except InvalidInput:
            return None
