"""A cause of a spoiled sheet, as data: what it does to the pile, what is seen of it, how often it happens, and its cure."""

from collections.abc import Callable, Iterable, Mapping
from dataclasses import dataclass, field, replace
from typing import Literal

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.basics.words import Message
from lofty_press.core.sandwich.stack import Edit, Placed, Sandwich, StackView, Supply, Wish, apply_edits, nothing_on_the_shelf, resolved
from lofty_press.core.teaching.coach.felt import Felt
from lofty_press.core.teaching.coach.sights import Sight

Mishap = Callable[[StackView], Sandwich | None]
"""The pile as it lay, made from the pile as it was meant to lie; None where that cannot happen to it."""
Mend = Callable[[StackView], Iterable[Edit | Wish]]
"""What is changed of the pile as it was meant, so that it does not happen again; nothing where it is only done with more care."""


Teaches = Literal["as it lay", "as meant", "nothing"]
Trace = Literal[
    "around a piece",
    "edge of a mat",
    "in patches",
    "jumped",
    "old cuts",
    "on the ground",
    "peeled",
    "powdered wash",
    "ran out",
    "scorched",
    "shine",
    "specks",
    "tape",
    "twice",
    "uncut stripe",
    "waves",
]
"""What is left on a sheet that no rollers press; pictures of it are drawn from what it usually looks like."""


@dataclass(frozen=True)
class Cause:
    """Something that goes wrong.

    Parameters
    ----------
    key : str
    title : Message
        What people call it.
    often : float
        How often it is the cause, against the others, where it can happen; common practice, no published source. [1]
    put_in : Mishap
    why : Message
        What it does.
    tell : Message
        The cheapest look that tells it from others.
    cure : Message
    mend : Mend or None
    signs : mapping of Sight to float
        What is seen of it beyond what is computed, and how likely: a smudge is not pressed by rollers. [1]
    feels : mapping of Felt to float
        What is felt of it beyond what is computed, and how likely. [1]
    look : str
        The look that settles it, of `LOOKS`; others may be settled by the same.
    teaches : Teaches
        What a run that it spoiled tells of press and plates: what the pile tells `as it lay`; what the pile `as meant` tells, where a number is
        otherwise than believed; `nothing`, where what was seen was not pressed by the rollers.
    leaves : Trace or None
        What it leaves on the sheet that no pile presses.
    flattens : bool
        That the sheet goes through once more between flat plates.
    explains : tuple of Sight
        For what the pile as it is built lacks: which sights that explains. It is no mistake, and counts as the pile itself does.
    """

    key: str
    title: Message
    often: float
    put_in: Mishap
    why: Message
    tell: Message
    cure: Message
    mend: Mend | None = None
    signs: Mapping[Sight, float] = field(default_factory=dict)
    feels: Mapping[Felt, float] = field(default_factory=dict)
    look: str = ""
    teaches: Teaches = "as it lay"
    leaves: Trace | None = None
    flattens: bool = False
    explains: tuple[Sight, ...] = ()

    @property
    def marks(self) -> bool:
        """True if something comes of it that its pile alone does not press."""
        return self.flattens or self.leaves is not None


def edited(view: StackView, *wanted: Edit | Wish, supply: Supply = nothing_on_the_shelf) -> Sandwich | None:
    """A pile with some edits; None where they cannot be carried out."""
    try:
        return apply_edits(view.sandwich, resolved(view.sandwich, wanted, supply))
    except InvalidInput:
        return None


def with_item(view: StackView, placed: Placed, **changed: object) -> Sandwich:
    """A pile in which a thing is otherwise than it was believed to be."""
    items = {**view.sandwich.items, placed.layer.item: replace(placed.item, **changed)}  # type: ignore[arg-type]
    return replace(view.sandwich, items=items)


def with_opening(view: StackView, wider: float) -> Sandwich:
    """A pile on a press whose rollers stand further apart. [mm]"""
    press = view.sandwich.press
    return replace(view.sandwich, press=replace(press, opening=replace(press.opening, mm=press.opening.mm + wider)))


def same(view: StackView) -> Sandwich:
    """The pile as it is: what went wrong does not show in it."""
    return view.sandwich


def only(condition: Callable[[StackView], bool]) -> Mishap:
    """A mishap that leaves the pile as it is, where it can happen."""
    return lambda view: view.sandwich if condition(view) else None
