"""A list of things as people write it: "6 plain folders, 2 deep, 11 thin dies, 1 rubber mat, 80 lb cover"."""

import re
from dataclasses import dataclass, replace

from lofty_press.core.setout.kind_words import kind_called
from lofty_press.core.setout.measures import Measures, measured
from lofty_press.core.setout.stocks import stock_called
from lofty_press.core.stack import Item, ItemKind, Thickness, typical_thing
from lofty_press.core.words import Message, say

MOST_OF_ONE = 60
MOST_THINGS = 400
LONGEST = 20_000  # characters
SMALLEST, LARGEST = 5.0, 2000.0  # mm
ORDINALS = ["First", "Second", "Third", "Fourth", "Fifth", "Sixth", "Seventh", "Eighth", "Ninth", "Tenth", "Eleventh", "Twelfth"]
PARTS = re.compile(r"[,;\n]|\band\b(?! emboss)")


@dataclass(frozen=True)
class Line:
    """What one part of a list came to: the things, or what is wrong with it. `number` counts the list's parts from 1.

    `notes` say what was taken for granted. Where it is not sure what the words call, there are no things yet: `asked` are the words, `kinds` what they may be.
    """

    number: int
    text: str
    items: tuple[Item, ...]
    problem: Message | None = None
    notes: tuple[Message, ...] = ()
    asked: str = ""
    kinds: tuple[ItemKind, ...] = ()


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
    found = measured(words)
    stock, assumed = stock_called(found.words)
    if stock is None:
        stock, assumed = stock_called(words)
    if stock is not None:
        notes = (*(() if found.thick_mm is not None else found.notes), *(() if assumed is None else (assumed,)))
        return Line(number, words, (of_size(stock, found),), notes=notes)
    called = kind_called(found.words)
    if called is None:
        return Line(number, words, (), say("is no kind of thing that is known here; say plain folder, thin die, hard plate, 80 lb cover …"))
    if not called.sure:
        return Line(number, words, (), asked=found.words, kinds=called.kinds)
    count = 1 if found.count is None else found.count
    if not 1 <= count <= MOST_OF_ONE:
        return Line(number, words, (), say("one part of the list can be 1 to {most} things", most=MOST_OF_ONE))
    kind = called.kinds[0]
    names = [kind.capitalize()] if count == 1 else [f"{ordinal(n)} {kind}" for n in range(1, count + 1)]
    typical = of_size(typical_thing(kind), found)
    return Line(number, words, tuple(replace(typical, name=name) for name in names), notes=found.notes)


def of_size(item: Item, found: Measures) -> Item:
    """A thing with the size and the thickness that were said."""
    if found.size_mm is not None and found.size_mm[0] >= SMALLEST and found.size_mm[1] <= LARGEST:
        item = replace(item, width_mm=found.size_mm[0], length_mm=found.size_mm[1])
    if found.thick_mm is not None:
        item = replace(item, thickness=Thickness(mm=found.thick_mm, sd_mm=max(0.05, 0.03 * found.thick_mm)))
    return item


def ordinal(n: int) -> str:
    """First, second ... to tell things apart that are alike."""
    return (
        ORDINALS[n - 1] if n <= len(ORDINALS) else f"{n}{'st' if n % 10 == 1 else 'nd' if n % 10 == 2 else 'rd' if n % 10 == 3 else 'th'}"
    )
