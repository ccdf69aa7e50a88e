"""Plain speech: which of the program's texts nobody at a craft table would say."""

import re
from collections import defaultdict
from collections.abc import Iterable
from pathlib import Path

LONGEST = 25
"""Words of a sentence that somebody reads with glue on their fingers."""

TURNS = (
    r"\blies\b",
    r"\bstands? over\b",
    r"\banew\b",
    r"\botherwise\b",
    r"\bin place of\b",
    r"\bby all that is known\b",
    r"\bat hand\b",
    r"\bas it lies\b",
    r"\bholds? for\b",
    r"\bcomes? of\b",
    r"\bis none of\b",
    r"\bso that\b",
    r"\bgives? way\b",
    r"\blay it so\b",
    r"\bbeside\b",
    r"\bor else\b",
)
"""Archaic or translated turns, as patterns."""

BRITISH = re.compile(
    r"\w*(?:colour|centre\b|centred|fibre|grey\b|millimetre|kilometre|centimetre|neighbour|favour|mould|organis|recognis|practis|towards\b)\w*",
    re.I,
)
ROW = re.compile(r"^\| (?P<word>[^|]+) \| (?P<meaning>[^|]+) \|(?P<avoid>[^|]*)\|$", re.MULTILINE)
HOLE = re.compile(r"\{[^}]*\}")
SENTENCE = re.compile(r"(?<=[.!?:;])\s+")


def glossary(path: Path) -> dict[str, list[str]]:
    """Each word of the glossary with the words that are not said instead."""
    rows = [row for row in ROW.finditer(path.read_text()) if set(row["word"]) - set("- ")]
    return {row["word"]: [word.strip() for word in row["avoid"].split(",") if word.strip()] for row in rows[1:]}


def too_long(text: str) -> bool:
    """True if a sentence of a text has more words than somebody reads in one breath."""
    return any(len(sentence.split()) > LONGEST for sentence in SENTENCE.split(text))


def stiff(texts: Iterable[str], words: dict[str, list[str]]) -> list[str]:
    """What is wrong with some texts, a line each: turns, British spelling, curly apostrophes, long sentences, second names for one thing."""
    faults = []
    names = {other: word for word, others in words.items() for other in others}
    patterns = [(re.compile(turn, re.IGNORECASE), "a turn that nobody says") for turn in TURNS]
    patterns += [(re.compile(rf"\b{re.escape(other)}\b", re.IGNORECASE), f"say {word!r}") for other, word in names.items()]
    patterns += [(BRITISH, "American spelling"), (re.compile("\u2019"), "an apostrophe as it is typed")]
    for text in texts:
        said = HOLE.sub("{}", text)
        faults += [f"{text!r}: {match[0]!r}, {why}" for pattern, why in patterns if (match := pattern.search(said))]
        if too_long(text):
            faults.append(f"{text!r}: over {LONGEST} words")
    return faults


def twins(texts: Iterable[str]) -> list[list[str]]:
    """Texts that say the same and differ only in contractions or quotes."""
    alike = defaultdict(list)
    for text in texts:
        plain = re.sub(r"n['’]t\b", " not", text).replace("cannot", "can not").rstrip(".!?… ")
        plain = re.sub(r"['’]s\b", " is", plain.casefold())
        alike[plain].append(text)
    return [same for same in alike.values() if len({text.casefold().rstrip(".?… ") for text in same}) > 1]
