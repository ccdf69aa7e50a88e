"""Numbers in what people write about their things: how many, how large, how thick, how hard."""

import re
from dataclasses import dataclass

from lofty_press.core.basics.words import Message
from lofty_press.core.working.setout.counts import WEIGHED, counted, number_left
from lofty_press.core.working.setout.lengths import UNIT, lengths, without

SPELT = (
    (r"~\s*(?=\d)", "about "),
    (r"\b(\d{1,3})\s?-?ish\b", r"\1"),
    (r"\bor so\b", ""),
    (r"^(\w+(?:-\w+)?) \(\d{1,3}\)(?=\s+\w)", r"\1"),
    (rf"^(\d{{1,2}})-?(?!{UNIT}|pt|point|mil|thou|piece|pc|way|ply|pound|lb|gram|gsm|dim)(?=[a-z]{{4}})", r"\1 "),
)
CONTAINER = re.compile(r"^(?:sheets?|pieces?|peaces?|rolls?|packs?|packets?|bits?|scraps?|strips?) of\s+(?=\w)", re.I)
ROUGH = re.compile(
    r"^(?:(?:(?:my|our|his|her) \w+'s|about|around|roughly|approximately|approx\.?|maybe|perhaps|some|nearly|almost|over|at least|up to|i have|i've got|i own|i still have|we have|there's also"
    r"|there is|also|oh|well|my|our|ca\.?|~|lots? of|plenty of|(?:a |the )?(?:big |small |whole )?(?:box|pack|packet|pile|stack|bag|bunch|ream|collection) of"
    r"|one of (?:those|the|my)|the|those|these)\s+|qty\.?:?\s*(?=\d))",
    re.I,
)
SHORE = re.compile(r"\b(\d{2})\s*(?:°\s*)?shore(?:\s*a)?\b|\bshore\s*a?\s*(\d{2})\b", re.I)


@dataclass(frozen=True)
class Measures:
    """What was said in numbers, and the words that are left: a count, a size (shorter, longer) and a thickness [mm], a hardness [Shore A], and what was taken
    for granted. `unread` is a number that nothing was made of."""

    count: int | None
    words: str
    size_mm: tuple[float, float] | None
    thick_mm: float | None
    notes: tuple[Message, ...]
    shore_a: float | None = None
    unread: str = ""


def measured(words: str) -> Measures:
    """Take the numbers out of a part of a list.

    Examples
    --------
    >>> found = measured("a dozen 5x7 embossing folders")
    >>> found.count, found.words, found.size_mm
    (12, 'embossing folders', (127.0, 177.8))
    """
    rest = " ".join(words.split())
    for spelt, plain in SPELT:
        rest = " ".join(re.sub(spelt, plain, rest, flags=re.I).split())
    notes: list[Message] = []
    shore = None
    if (found := SHORE.search(rest)) is not None:
        shore, rest = float(found[1] or found[2]), without(rest, found)
    while (rough := ROUGH.match(rest)) is not None:
        rest = rest[rough.end() :]
    count, rest, counted_from = counted(rest)
    notes += [] if counted_from is None else [counted_from]
    while count is None and (rough := ROUGH.match(rest)) is not None:
        rest = rest[rough.end() :]
    sizes, thick, rest, told = lengths(rest)
    notes += told
    if count is None:
        count, rest, counted_from = counted(rest)
        notes += [] if counted_from is None else [counted_from]
    rest = CONTAINER.sub("", rest)
    return Measures(count, rest, sizes, thick, tuple(notes), shore, number_left(rest))


def told_in_numbers(words: str) -> str:
    """The words without any number, size, thickness or weight."""
    found = measured(words)
    return re.sub(r"[\d.,/-]+", " ", WEIGHED.sub(" ", found.words))
