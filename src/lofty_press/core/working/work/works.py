"""Kinds of work, as data: how long each takes, and what it needs."""

from dataclasses import dataclass
from typing import Literal, get_args

from lofty_press.core.basics.words import Message, say

WorkKey = Literal[
    "trim",
    "cut",
    "ink",
    "mist",
    "soak",
    "warm",
    "emboss",
    "set",
    "powder",
    "heat",
    "cool",
    "dry flat",
    "trim down",
    "stamp",
    "colour",
    "sand",
    "wax",
    "spray",
    "dry",
    "score",
    "fold",
    "tuck",
    "glue",
    "assemble",
    "address",
]
WORK_KEYS: tuple[WorkKey, ...] = get_args(WorkKey)
"""Every kind of work, in the order in which a card usually comes by them."""
Place = Literal["press", "heat", "rack"]
Source = Literal["watched", "assumed"]
"""Where a time comes from: practitioners were watched at it (common practice, no published source), or it is this product's assumption."""


@dataclass(frozen=True)
class Work:
    """One kind of work.

    `begin` is taken once for a batch, `each` for one piece [s]; `place` is what it needs beside hands; `hands` is false for what waits alone;
    `source` says how far to trust the times, which a person's own hours replace.
    """

    key: WorkKey
    title: Message
    begin: float
    each: float
    place: Place | None = None
    hands: bool = True
    source: Source = "assumed"


WORKS: dict[WorkKey, Work] = {
    work.key: work
    for work in (
        Work("trim", say("trim to size"), 60, 20),
        Work("cut", say("cut with the die"), 0, 30, "press", source="watched"),
        Work("ink", say("ink"), 60, 25),
        Work("mist", say("mist"), 10, 5),
        Work("soak", say("soak"), 900, 0, "rack", hands=False),
        Work("warm", say("warm until soft"), 10, 30, "heat"),
        Work("emboss", say("emboss"), 0, 30, "press", source="watched"),
        Work("set", say("let it set in the closed folder"), 300, 0, "rack", hands=False),
        Work("powder", say("powder"), 20, 20),
        Work("heat", say("heat-set"), 20, 30, "heat"),
        Work("cool", say("let cool"), 60, 0, "rack", hands=False),
        Work("dry flat", say("let the damp sheet dry flat"), 600, 0, "rack", hands=False),
        Work("trim down", say("trim down after the press"), 60, 20),
        Work("stamp", say("stamp"), 60, 30),
        Work("colour", say("color"), 60, 60),
        Work("sand", say("sand the ridges"), 30, 60),
        Work("wax", say("wax or rub the ridges"), 30, 60),
        Work("spray", say("spray"), 60, 20),
        Work("dry", say("dry"), 900, 0, "rack", hands=False),
        Work("score", say("score"), 30, 15),
        Work("fold", say("fold"), 0, 10),
        Work("tuck", say("fold the tabs and tuck them"), 0, 210, source="watched"),
        Work("glue", say("glue"), 30, 30),
        Work("assemble", say("assemble"), 30, 60),
        Work("address", say("address and put in"), 0, 40, source="watched"),
    )
}
