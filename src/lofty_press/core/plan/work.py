"""What is done to a piece, as data: how long it takes, what it needs, and what must come before what."""

from dataclasses import dataclass
from typing import Literal, get_args

from lofty_press.core.words import Message, say

WorkKey = Literal[
    "trim",
    "trim down",
    "score",
    "cut",
    "mist",
    "emboss",
    "ink",
    "powder",
    "heat",
    "colour",
    "spray",
    "dry",
    "glue",
    "fold",
    "assemble",
    "address",
]
WORK_KEYS: tuple[WorkKey, ...] = get_args(WorkKey)
Place = Literal["press", "heat", "rack"]


@dataclass(frozen=True)
class Work:
    """One kind of work.

    `begin` is taken once for a batch, `each` for one piece [s]; `place` is what it needs beside hands; `hands` is false for what waits alone.
    Times are common practice, no published source; a person's own runs replace them.
    """

    key: WorkKey
    title: Message
    begin: float
    each: float
    place: Place | None = None
    hands: bool = True


WORKS: dict[WorkKey, Work] = {
    work.key: work
    for work in (
        Work("trim", say("trim to size"), 60, 25),
        Work("trim down", say("trim down after the press"), 60, 25),
        Work("score", say("score"), 60, 15),
        Work("cut", say("cut with the die"), 0, 45, "press"),
        Work("mist", say("mist"), 20, 5),
        Work("emboss", say("emboss"), 0, 45, "press"),
        Work("ink", say("ink"), 60, 25),
        Work("powder", say("powder"), 30, 20),
        Work("heat", say("heat-set"), 30, 40, "heat"),
        Work("colour", say("colour"), 60, 60),
        Work("spray", say("spray"), 60, 20),
        Work("dry", say("dry"), 900, 0, "rack", hands=False),
        Work("glue", say("glue"), 30, 30),
        Work("fold", say("fold and tuck"), 0, 30),
        Work("assemble", say("assemble"), 30, 90),
        Work("address", say("address and put in"), 0, 40),
    )
}


@dataclass(frozen=True)
class Rule:
    """Of one piece, `first` is done before `then`, and why; `within` is how soon after it [s], None if it may wait."""

    first: WorkKey
    then: WorkKey
    why: Message
    within: float | None = None


RULES: tuple[Rule, ...] = (
    Rule("trim", "score", say("A score is measured from a trimmed edge.")),
    Rule("cut", "emboss", say("Cutting an embossed piece flattens it: cut first, then the relief locates it.")),
    Rule("heat", "emboss", say("Heat warps card and flattens its relief: set the background before embossing.")),
    Rule("ink", "powder", say("Powder holds on wet ink only: at once after the ink."), within=120),
    Rule("powder", "heat", say("Loose powder falls off: melt it before the piece goes anywhere.")),
    Rule("ink", "dry", say("Ink needs its time before anything touches it.")),
    Rule("colour", "dry", say("Colour needs its time before anything touches it.")),
    Rule("spray", "dry", say("What was sprayed needs its time, with air.")),
    Rule("dry", "glue", say("Glue does not hold on what is still wet.")),
    Rule("dry", "fold", say("Wet ink prints on the panel it is folded against.")),
    Rule("mist", "emboss", say("The mist dries while you work: press before it has faded."), within=300),
    Rule("trim", "cut", say("The sheet must go between the rollers first of all.")),
    Rule("trim", "emboss", say("The sheet must go between the rollers first of all.")),
    Rule("trim", "ink", say("Ink on an edge that is trimmed off is wasted, and a wet sheet smears in the trimmer.")),
    Rule("emboss", "colour", say("The ridges that are coloured have to be there.")),
    Rule("emboss", "trim down", say("What was left over for the press comes off after it.")),
    Rule("trim down", "score", say("A score is measured from a trimmed edge.")),
    Rule("trim down", "glue", say("A layer is trimmed before it lies on another.")),
    Rule("emboss", "glue", say("Pressing a layered piece again squeezes its glue and its foam.")),
    Rule("cut", "glue", say("Pressing a layered piece again squeezes its glue and its foam.")),
    Rule("score", "fold", say("Card cracks where it is folded without a score.")),
    Rule("heat", "glue", say("Heat loosens glue and melts foam.")),
    Rule("glue", "assemble", say("The pieces are put on one another while the glue takes.")),
    Rule("fold", "assemble", say("The card is folded before layers stiffen it.")),
    Rule("assemble", "address", say("The card goes into its envelope when it is done.")),
)
"""Order of work; common practice, no published source."""
