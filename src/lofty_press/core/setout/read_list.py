"""A list of things as people write it: "6 plain folders, 2 deep, 11 thin dies, 1 rubber mat, 80 lb cover"."""

import re
from dataclasses import dataclass, replace

from lofty_press.core.setout.stocks import stock_of
from lofty_press.core.stack import ITEM_KINDS, KIND_TRAITS, Item, ItemKind, typical_thing
from lofty_press.core.words import Message, say

MOST_OF_ONE = 60
MOST_THINGS = 400
LONGEST = 20_000  # characters
NUMBERS = ["no", "one", "two", "three", "four", "five", "six", "seven", "eight", "nine", "ten", "eleven", "twelve"]
ORDINALS = ["First", "Second", "Third", "Fourth", "Fifth", "Sixth", "Seventh", "Eighth", "Ninth", "Tenth", "Eleventh", "Twelfth"]
ALSO: dict[str, ItemKind] = {word: kind for kind, traits in KIND_TRAITS.items() for word in traits.spoken}
CALLED: dict[str, ItemKind] = {**{kind: kind for kind in ITEM_KINDS if kind != "sheet"}, **ALSO}
MOST_WORDS = max(len(name.split()) for name in CALLED)
PARTS = re.compile(r"[,;\n]|\band\b(?! emboss)")
COUNT = re.compile(r"^(?:(\d{1,20})\s*(?:x|×)?|(" + "|".join(NUMBERS) + r"|an?))\s+(?=\D)", re.IGNORECASE)


@dataclass(frozen=True)
class Line:
    """What one part of a list came to: the things, or what is wrong with it. `number` counts the list's parts from 1."""

    number: int
    text: str
    items: tuple[Item, ...]
    problem: Message | None = None


def read_list(text: str) -> tuple[Line, ...]:
    """Read a list; every part is answered, and none stops the others.

    Parameters
    ----------
    text : str
        Parts by commas, semicolons or lines.
    """
    lines: list[Line] = []
    total = 0
    for part in PARTS.split(text[:LONGEST]):
        words = " ".join(part.split()).strip(" .")
        if not words:
            continue
        line = read_part(len(lines) + 1, words)
        total += len(line.items)
        if total > MOST_THINGS:
            return (
                *lines,
                Line(
                    line.number, words, (), say("is more than {most} things in one list; put the rest into a second one", most=MOST_THINGS)
                ),
            )
        lines.append(line)
    if len(text) > LONGEST:
        lines.append(
            Line(
                len(lines) + 1, "…", (), say("the list is longer than {most} characters; what comes after that was not read", most=LONGEST)
            )
        )
    return tuple(lines)


def read_part(number: int, words: str) -> Line:
    """One part of a list."""
    if words[0] in "=+@-" or "\x00" in words:
        return Line(number, words[:80], (), say("is not a thing"))
    stock = stock_of(words)
    if stock is not None:
        return Line(number, words, (stock,))
    count, rest = counted(words)
    if count is None:
        stock = stock_of(rest)
        if stock is not None:
            return Line(number, words, (stock,))
        count = 1
    else:
        stock = stock_of(rest)
        if stock is not None:
            return Line(number, words, (stock,))
    kind = kind_of(rest)
    if kind is None:
        return Line(number, words, (), say("is no kind of thing that is known here; say plain folder, thin die, hard plate, 80 lb cover …"))
    if not 1 <= count <= MOST_OF_ONE:
        return Line(number, words, (), say("one part of the list can be 1 to {most} things", most=MOST_OF_ONE))
    names = [kind.capitalize()] if count == 1 else [f"{ordinal(n)} {kind}" for n in range(1, count + 1)]
    return Line(number, words, tuple(replace(typical_thing(kind), name=name) for name in names))


def ordinal(n: int) -> str:
    """First, second ... to tell things apart that are alike."""
    return (
        ORDINALS[n - 1] if n <= len(ORDINALS) else f"{n}{'st' if n % 10 == 1 else 'nd' if n % 10 == 2 else 'rd' if n % 10 == 3 else 'th'}"
    )


def counted(words: str) -> tuple[int | None, str]:
    """How many, and of what; None where no number is said."""
    found = COUNT.match(words)
    if found is None:
        return None, words
    digits, word = found.groups()
    rest = words[found.end() :]
    if digits:
        return int(digits), rest
    return (1 if word.lower() in ("a", "an") else NUMBERS.index(word.lower())), rest


def kind_of(words: str) -> ItemKind | None:
    """The kind that some words call: singular or plural, with a word more before it."""
    plain = words.lower().strip()
    last = singular(plain).split()[-MOST_WORDS:]
    for name in (plain, *(" ".join(last[k:]) for k in range(len(last)))):
        if name in CALLED:
            return CALLED[name]
    return None


def singular(words: str) -> str:
    """The same of one."""
    if words.endswith("ches") or words.endswith("shes"):
        return words[:-2]
    if words.endswith("s") and not words.endswith("ss"):
        return words[:-1]
    return words
