"""A drill: a pile that something is asked of, and what is known of it that is not shown."""

from collections.abc import Callable, Iterable, Sequence
from dataclasses import dataclass, field, replace
from random import Random
from typing import Literal

from lofty_press.core.basics.errors import InvalidInput, NoBalance
from lofty_press.core.basics.words import Message
from lofty_press.core.judging.assess import Assessment, assess
from lofty_press.core.sandwich.relief import Library
from lofty_press.core.sandwich.stack import Sandwich, Set, StackView, apply_edits
from lofty_press.core.teaching.coach import Scene, expected, scene_of
from lofty_press.core.teaching.practice.place import Laying

SURELY, LIKELY = 0.7, 0.5
"""Chances that a sheet is right: of a pile that drills are made of, and of one that solves a drill. [1]"""
WHOLE = 0.9
"""Share of the work that has to be right. [1]"""
GivenForm = Literal["choose", "build"]
Form = Literal["choose", "build", "order", "lay"]
"""One of a few answers, a pile that is changed until it is right, things that are put in order, or one that is laid in its place."""


@dataclass(frozen=True)
class Choice:
    """An answer that may be given."""

    key: str
    title: Message


@dataclass(frozen=True, eq=False)
class Steps:
    """Things that are to be put in order, as they are shown; `breaks` says what is wrong with an order of all of them, None if nothing is."""

    shown: tuple[Choice, ...]
    breaks: Callable[[Sequence[str]], Message | None]


@dataclass(frozen=True, eq=False)
class Drill:
    """Something to practise with.

    Parameters
    ----------
    task : Message
    shown : Sandwich or None
        The pile that is asked of, or that is begun with; None where it is about none.
    meant : Assessment or None
        The pile that it was made of, which is right.
    difficulty : float
        In logits: what somebody of this ability solves every second time.
    hint : Message
    because : Message
        Why the answer is what it is.
    choices : tuple of Choice
        None of them where a pile is built.
    answer : str or None
        The right choice.
    picture : Sandwich or None
        The pile whose sheet is shown with the task.
    mistake : str or None
        The cause that left something on that sheet.
    truly : callable
        The pile that is pressed in truth where another is shown: a press has its hidden opening.
    steps : Steps or None
        What is put in order.
    laying : Laying or None
        What is laid, and on what.
    """

    task: Message
    shown: Sandwich | None
    meant: Assessment | None
    difficulty: float
    hint: Message
    because: Message
    choices: tuple[Choice, ...] = ()
    answer: str | None = None
    picture: Sandwich | None = None
    mistake: str | None = None
    truly: Callable[[Sandwich], Sandwich] = lambda sandwich: sandwich
    steps: Steps | None = None
    laying: Laying | None = None

    @property
    def form(self) -> Form:
        """What is done to answer it."""
        if self.laying is not None:
            return "lay"
        return "order" if self.steps is not None else "choose" if self.choices else "build"


@dataclass(frozen=True, eq=False)
class World:
    """What drills are made of: piles that come out right, and the reliefs of their tools."""

    piles: Sequence[Assessment]
    library: Library
    scenes: dict[int, Scene] = field(default_factory=dict, repr=False)
    dry: dict[tuple[int, int], float] = field(default_factory=dict, repr=False)

    def scene(self, n: int) -> Scene:
        """Every mistake put into one of the piles; made once.

        Raises
        ------
        InvalidInput, NoBalance
            As `scene_of`.
        """
        if n not in self.scenes:
            self.scenes[n] = scene_of(self.piles[n].sandwich, self.library)
        return self.scenes[n]

    def stretched(self, n: int, passes: int) -> float:
        """How far the sheet of one of the piles is stretched in so many passes when it is pressed dry, over what it bears; 0 where that cannot be judged.
        Computed once. [1]"""
        if (n, passes) not in self.dry:
            self.dry[n, passes] = self.stretch_of(n, passes)
        return self.dry[n, passes]

    def stretch_of(self, n: int, passes: int) -> float:
        """The same, computed."""
        sheet = StackView(self.piles[n].sandwich).sheet
        if sheet is None:
            return 0.0
        dry = replace(apply_edits(self.piles[n].sandwich, (Set(layer=sheet.id, dry=True),)), passes=passes)
        try:
            forming = assess(dry, self.library).forming
        except (InvalidInput, NoBalance):
            return 0.0
        return (forming.crack or 0.0) if forming is not None else 0.0


def world_of(sandwiches: Iterable[Sandwich], library: Library) -> World:
    """The world of those sandwiches that come out right, and surely so."""
    judged = [assess(sandwich, library) for sandwich in sandwiches]
    return World([a for a in judged if is_right(a, a) and expected(a, a)["right"] > SURELY], library)


def is_right(judged: Assessment, meant: Assessment) -> bool:
    """True if a pile's sheet comes out right, likelier than not, on all of its work."""
    verdict = judged.verdict
    if verdict is None or verdict.zone != "right" or verdict.shares.right < WHOLE:
        return False
    return expected(judged, meant)["right"] >= LIKELY


TYPICAL = "Typical "


def as_of_the_room(sandwich: Sandwich) -> Sandwich:
    """A pile in which what stands in for a missing thing is named like any other: its name would tell what was put in."""
    items = {
        key: replace(item, name=item.name.removeprefix(TYPICAL).capitalize()) if item.name.startswith(TYPICAL) else item
        for key, item in sandwich.items.items()
    }
    return replace(sandwich, items=items)


Maker = Callable[[World, Random], Drill | None]
"""Makes one drill by chance; None where what was drawn makes none."""


@dataclass(frozen=True)
class Skill:
    """Something that can be practised: what it is called, what it is about, and how its drills are made."""

    key: str
    title: Message
    about: Message
    make: Maker
