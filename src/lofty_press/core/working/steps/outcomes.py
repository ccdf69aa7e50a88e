"""What can come out of a run, and be seen on the way: asked in the words of its effect, and what it says of the pressure at the work."""

from typing import Literal

from lofty_press.core.basics.words import Message, say
from lofty_press.core.judging.verdict import Zone
from lofty_press.core.sandwich.stack import EffectKind

Outcome = Literal["right", "faint", "nothing", "crushed", "too hard", "cracked", "not cut", "cut where it should not", "moved", "other"]
Seen = Literal["too hard", "nothing", "cracked", "not cut", "cut", "moved"]

OUTCOMES: dict[Outcome, Message] = {
    "right": say("Just right"),
    "faint": say("Faint"),
    "nothing": say("Nothing happened"),
    "crushed": say("Too much: crushed or shiny"),
    "too hard": say("Too hard to turn"),
    "cracked": say("It cracked"),
    "not cut": say("Not cut through"),
    "cut where it should not": say("Cut where it shouldn't"),
    "moved": say("It moved"),
    "other": say("Something else"),
}
"""Every outcome in words that fit any effect."""

SEEN: dict[Seen, Message] = {
    "too hard": OUTCOMES["too hard"],
    "nothing": OUTCOMES["nothing"],
    "cracked": OUTCOMES["cracked"],
    "not cut": OUTCOMES["not cut"],
    "cut": say("It cut"),
    "moved": OUTCOMES["moved"],
}

RELIEF: tuple[Outcome, ...] = ("right", "faint", "nothing", "crushed", "too hard", "cracked", "moved", "other")
CUT: tuple[Outcome, ...] = ("right", "not cut", "nothing", "cut where it should not", "too hard", "moved", "other")
ASKED: dict[EffectKind, tuple[Outcome, ...]] = {
    "emboss": RELIEF,
    "cut": CUT,
    "cut and emboss": ("right", "not cut", "faint", "nothing", "crushed", "too hard", "cracked", "moved", "other"),
    "line": ("right", "faint", "nothing", "cut where it should not", "too hard", "cracked", "moved", "other"),
    "motif": RELIEF,
    "texture": RELIEF,
    "letterpress": ("right", "faint", "nothing", "crushed", "too hard", "moved", "other"),
    "metal": RELIEF,
    "emboss in die": RELIEF,
    "stencil": CUT,
}
"""What is asked at the end of a run, by its effect, in the order of the keys."""

IN_WORDS: dict[EffectKind, dict[Outcome, Message]] = {
    "cut": {"right": say("Cut clean"), "nothing": say("Hardly marked")},
    "stencil": {"right": say("Cut clean"), "nothing": say("Hardly marked")},
    "cut and emboss": {"right": say("Cut and raised"), "faint": say("Cut, the relief faint")},
    "line": {"right": say("A clear line, not cut"), "faint": say("A faint line"), "cut where it should not": SEEN["cut"]},
    "letterpress": {"right": say("Crisp"), "crushed": say("Too deep, or squeezed out"), "moved": say("It doubled")},
    "metal": {"crushed": say("Too much: flattened"), "cracked": say("It tore")},
}
"""Outcomes that have words of their own with an effect."""


def outcomes_of(kind: EffectKind) -> dict[Outcome, Message]:
    """What is asked at the end of a run of an effect, in order, in its words."""
    own = IN_WORDS.get(kind, {})
    return {outcome: own.get(outcome, OUTCOMES[outcome]) for outcome in ASKED[kind]}


def seen_of(kind: EffectKind) -> tuple[Seen, ...]:
    """What can be seen on the way with an effect, in the order of the keys."""
    asked = {"cut" if kind == "line" and outcome == "cut where it should not" else outcome for outcome in ASKED[kind]}
    return tuple(seen for seen in SEEN if seen in asked)


def zones_of(kind: EffectKind, outcome: Outcome) -> frozenset[Zone] | None:
    """The zones that fit an outcome; None where its causes are not how hard the work is pressed."""
    if kind == "line" and outcome == "cut where it should not":
        return frozenset({"hard"})
    fits: dict[Outcome, frozenset[Zone]] = {
        "right": frozenset({"right"}),
        "faint": frozenset({"faint"}),
        "nothing": frozenset({"slack"}),
        "crushed": frozenset({"hard"}),
        "not cut": frozenset({"slack", "faint"}),
        "too hard": frozenset({"hard", "refuses"}),
    }
    return fits.get(outcome)


def zones_seen(kind: EffectKind, seen: Seen) -> frozenset[Zone] | None:
    """The same of what is seen on the way, where what is faint is not told from nothing."""
    if seen == "nothing":
        return frozenset({"slack", "faint"})
    return zones_of(kind, "cut where it should not" if seen == "cut" else seen)
