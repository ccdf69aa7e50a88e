"""A list of things as people write it: "6 plain folders, 2 deep, 11 thin dies, 1 rubber mat, 80 lb cover"."""

import re
from dataclasses import dataclass, replace

from lofty_press.core.basics.words import Message, say
from lofty_press.core.sandwich.stack import MATS, Item, Thickness, typical_thing
from lofty_press.core.working.setout.kind_words import Called, kind_called
from lofty_press.core.working.setout.measures import Measures, measured
from lofty_press.core.working.setout.parts import parts_of
from lofty_press.core.working.setout.stocks import Paper, stock_called
from lofty_press.core.working.setout.things import named_in, spelt_alike
from lofty_press.core.working.setout.twins import told_apart

MOST_OF_ONE = 60
MOST_THINGS = 400
LONGEST = 20_000  # characters
LONGEST_PART = 300
TOO_THICK = 4.0  # times its usual thickness, from which a length is no thickness
TITLED = re.compile(r"^(.{3,60}?)(?:\s*[:–—]|\s+-)\s+([^\d]{2,80})$")
TURNED = re.compile(r"^([^\d:]{3,40}):\s+(\d{1,3}\s+[^\d]{3,80})$")
OF_THOSE = re.compile(r"\bof which\b|\bof (?:them|those|these) (?:is|are|were)\b", re.I)
VAGUE = re.compile(r"^(?:some|several|many|numerous|lots|loads|tons|plenty|most|any|more|other)\b", re.I)
PLURAL = re.compile(r"\b(?:dies|folders|plates|mats|masks|frames|motifs|spacers|beds|platforms)\b", re.I)
SETS = re.compile(r"\b(?:sets?|kits?)\b", re.I)
SMALLEST, LARGEST = 5.0, 2000.0  # mm


@dataclass(frozen=True)
class Line:
    """What one part of a list came to: the things, or what is wrong with it. `number` counts the list's parts from 1.

    `notes` say what was taken for granted. Where it is not sure what the words call, there are no things yet: `asked` are the words, `choices` what they may be called
    instead.
    """

    number: int
    text: str
    items: tuple[Item, ...]
    problem: Message | None = None
    notes: tuple[Message, ...] = ()
    asked: str = ""
    choices: tuple[str, ...] = ()


def read_list(text: str) -> tuple[Line, ...]:
    """Read a list; every part is answered, and none stops the others.

    Parameters
    ----------
    text : str
        Parts by commas, semicolons or lines.
    """
    lines: list[Line] = []
    total = 0
    for words in parts_of(text[:LONGEST]):
        line = read_part(len(lines) + 1, words)
        total += len(line.items)
        if total > MOST_THINGS:
            return (
                *lines,
                Line(
                    line.number, words, (), say("is more than {most} items in one list; put the rest into a second one", most=MOST_THINGS)
                ),
            )
        lines.append(line)
    if len(text) > LONGEST:
        lines.append(Line(len(lines) + 1, "…", (), say("the list is longer than {most} characters; the rest wasn't read", most=LONGEST)))
    return tuple(lines)


def read_part(number: int, words: str) -> Line:
    """One part of a list."""
    if words[0] in "=+@-" or "\x00" in words:
        return Line(number, words[:80], (), say("isn't an item"))
    if len(words) > LONGEST_PART:
        return Line(number, f"{words[:80]} …", (), say("is too long for one item; put a comma or a line between items"))
    if OF_THOSE.search(words):
        return Line(number, words, (), say("says more about the part before it; write those apart, as in 7 plain folders, 3 deep folders"))
    found = measured(TURNED.sub(r"\2 \1", spelt_alike(words)))
    named = named_in(found.words)
    paper = stock_called(found.words, named, found.thick_mm, found.count)
    if paper is None and named is None:
        paper = stock_called(words, None)
    if paper is not None:
        return of_paper(number, words, paper, found)
    called = called_by(found.words)
    problem = problem_of(words, called, found)
    if problem is not None:
        return Line(number, words, (), problem)
    assert called is not None
    if not called.sure:
        return Line(number, words, (), asked=found.words, choices=called.papers or called.kinds)
    return of_items(number, words, called, found)


def called_by(words: str) -> Called | None:
    """The kind that words call; where they begin with a kind, what follows is its name: "folder: ivy"."""
    called, title = kind_called(words), TITLED.match(words)
    if title is None or (called is not None and called.sure) or named_in(title[2]) is not None:
        return called
    headed = kind_called(title[1])
    if headed is None or not headed.sure:
        return called
    return replace(headed, name=f"{title[2][:1].upper()}{title[2][1:]}"[:100])


def problem_of(words: str, called: Called | None, found: Measures) -> Message | None:
    """Why a part of a list can't be put on the shelf; None if it can, or if its kind is to be asked for."""
    if VAGUE.match(words) and found.count is None and called is not None and called.kinds:
        return say("doesn't say how many; say 12 thin dies")
    if called is None or not (called.kinds or called.papers):
        return say("isn't a kind of item we know; say plain folder, thin die, hard plate, 80 lb cover …")
    if found.count is None and SETS.search(found.words):
        return say("is a set; say how many there are in it, as in set of 6 dies")
    if found.unread and called.sure:
        return say("has a number we don't understand, {number}; say how many as in 3 thin dies", number=found.unread)
    if called.sure and found.count is not None and not 1 <= found.count <= MOST_OF_ONE:
        return say("one part of the list can be 1 to {most} items", most=MOST_OF_ONE)
    return None


def of_items(number: int, words: str, called: Called, found: Measures) -> Line:
    """A part of a list that calls a kind, as many items as it says."""
    count = 1 if found.count is None else found.count
    kind = called.kinds[0]
    name = called.name or kind.capitalize()
    names = [name] if count == 1 else [told_apart(name, n) for n in range(1, count + 1)]
    typical, notes = of_size(typical_thing(kind), found)
    if found.count is None and PLURAL.search(found.words):
        notes = (*notes, say("You didn't say how many: counted as 1."))
    return Line(number, words, tuple(replace(typical, name=each) for each in names), notes=notes)


def of_paper(number: int, words: str, paper: Paper, found: Measures) -> Line:
    """A part of a list that calls a paper."""
    if paper.item is None:
        return Line(number, words, (), paper.problem, asked=found.words if paper.asked else "", choices=paper.asked)
    item, notes = of_size(paper.item, found)
    return Line(number, words, (item,), notes=(*notes, *(() if paper.note is None else (paper.note,))))


def of_size(item: Item, found: Measures) -> tuple[Item, tuple[Message, ...]]:
    """A thing with the size, the thickness and the hardness that were said, and what was taken for granted: a length that no such thing is thick is its size."""
    size, thick, notes = found.size_mm, found.thick_mm, found.notes
    if thick is not None and size is None and thick > TOO_THICK * item.thickness.mm and item.kind != "sheet":
        size, thick, notes = (thick, thick), None, ()
    if size is not None and size[0] >= SMALLEST and size[1] <= LARGEST:
        wide = item.width_mm if item.kind == "strip die" and size[0] == size[1] else size[0]
        item = replace(item, width_mm=wide, length_mm=size[1])
    if thick is not None:
        item = replace(item, thickness=Thickness(mm=thick, sd_mm=max(0.05, 0.03 * thick)))
    if found.shore_a is not None and item.kind in MATS:
        item = replace(item, shore_a=min(max(found.shore_a, 20.0), 90.0))
    return item, notes
