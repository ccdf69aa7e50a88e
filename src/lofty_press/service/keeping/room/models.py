"""What was learnt of a press room, as it travels over HTTP."""

from pydantic import BaseModel

from lofty_press.core.judging.verdict import Zone
from lofty_press.core.sandwich.stack import Sandwich
from lofty_press.documents.answers.good import GoodDocument
from lofty_press.documents.answers.words import Words


class Believed(BaseModel):
    """A figure that is believed: of what, its mean and standard deviation [mm], the same before anything was seen, and where it comes from."""

    id: str
    name: str
    mm: float
    sd_mm: float
    before_sd_mm: float
    source: Words


class Contradiction(BaseModel):
    """A run that all else makes unlikely, by a `chance` [1], and what would have to be otherwise."""

    run_id: str
    chance: float
    words: Words


class RoomDocument(BaseModel):
    """What is believed of a room: how many runs and known piles it was learnt from, presses and things whose figures became surer, and what
    contradicts the rest."""

    runs: int
    presses: list[Believed]
    things: list[Believed]
    contradictions: list[Contradiction]


class KnownPile(BaseModel):
    """A pile that somebody may know, the chance of each zone and of a good sheet by what is believed now, and what is `wrong` with it whatever the sheet
    may be."""

    key: str
    title: Words
    sandwich: Sandwich
    chances: dict[Zone, float]
    good: GoodDocument | None
    wrong: Words | None


class Feeler(BaseModel):
    """A pile of plates on which copy paper is counted until the rollers just take hold, and how many sheets that is likely to be, about."""

    sandwich: Sandwich
    sheets: int


class PilesDocument(BaseModel):
    """The usual piles of what is on the shelf, and the plates to count paper on; None where none leave room for it."""

    piles: list[KnownPile]
    feeler: Feeler | None


class NextDocument(BaseModel):
    """What to find out about a pile, in words; its chances as it is, and that of a good sheet at the best number of shims [1]. Of `shims` to try with, a thing to `measure` by its
    place on the shelf, and plates to `count` paper on there is one, or none."""

    chances: dict[Zone, float]
    good: GoodDocument | None
    best_shims: int
    best_good: float
    words: Words
    why: list[Words]
    shims: int | None
    measure: str | None
    count: Feeler | None = None
