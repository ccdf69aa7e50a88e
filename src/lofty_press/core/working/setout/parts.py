"""The parts of a list: cut at commas, lines and "and", with what only tells more of a thing put back to it."""

import re

from lofty_press.core.working.setout.counts import WEIGHED
from lofty_press.core.working.setout.measures import told_in_numbers
from lofty_press.core.working.setout.plain_words import ADJECTIVES, FILLERS, singular
from lofty_press.core.working.setout.things import ELLIPTIC, names_a_paper, names_a_thing

BREAKS = re.compile(r"\s*(?:([\n;])|(?<!\d),|,(?!\d)|\s[+/&](?=\s)|\bplus\b|\band\b(?!\s+emboss))\s*", re.I)
JOINED = re.compile(r"\b(cut)(?:s|ting)?(?:\s*(?:&|\+|n|'n'|and|-and-)\s*)(emboss)(?:ing|es)?\b", re.I)
BETWEEN = re.compile(r"\bbetween\s+(\w+)\s+and\s+(\w+)", re.I)
HUNDREDS = re.compile(r"\bhundred and ", re.I)
BULLET = re.compile(r"^(?:[-*•·▪–—]\s+|\[[ xX]?\]\s*|\d{1,3}[.)]\s+)")
BRACKETS = re.compile(r"\((?!\s*\d{1,3}\s*\))([^()]*)\)")
LONGEST = 60  # characters that say more of a thing
A_SET = re.compile(r"\bsets?\s*$", re.I)
COUNTED = re.compile(r"^\d{1,3}\s+\S")
ONLY_MORE = {"each", "all", "them", "these", "those", "both", "sheet", "pack", "piece", "pc", "qty", "spare", "assorted", "different"}


def parts_of(text: str) -> list[str]:
    """The parts of a list, each about one sort of thing.

    Examples
    --------
    >>> parts_of("bed, spacer and two hard plates")
    ['bed', 'spacer', 'two hard plates']
    >>> parts_of("A4 cardstock, 250 g/m2; one hard plate, clear, 3.0 mm")
    ['A4 cardstock 250 g/m2', 'one hard plate clear 3.0 mm']
    """
    text = BETWEEN.sub(r"\1 to \2", HUNDREDS.sub("hundred ", JOINED.sub(r"\1 and \2", text)))
    pieces = BREAKS.split(text)
    found: list[str] = []
    apart = True  # whether what comes begins a line of its own
    for words, breaks in zip(pieces[::2], [*pieces[1::2], None], strict=True):
        plain = BRACKETS.sub(r" \1 ", BULLET.sub("", " ".join(words.split())))
        plain = " ".join(plain.split()).strip(" .")
        if plain:
            if found and not apart and (only_tells_more(plain, found[-1]) or (A_SET.search(found[-1]) and COUNTED.match(plain))):
                found[-1] = plain if A_SET.search(found[-1]) and COUNTED.match(plain) else f"{found[-1]} {plain}"
            elif (found and not apart and plain.lower() in ELLIPTIC) or (found and not apart and only_describes(found[-1])):
                found[-1] = f"{found[-1]} {plain}"
            else:
                found.append(plain)
            apart = False
        apart = apart or breaks is not None
    return found


def only_tells_more(words: str, before: str) -> bool:
    """Whether a part names no thing, only how many, how large, how thick, how heavy or of what look the one before it is; a weight is a paper's, once."""
    if len(words) > LONGEST or names_a_thing(words):
        return False
    if WEIGHED.search(words) and (WEIGHED.search(before) or not names_a_paper(before)):
        return False
    left = [singular(word) for word in re.findall(r"[^\W\d_]+", told_in_numbers(words).lower())]
    return all(word in ADJECTIVES or word in FILLERS or word in ONLY_MORE for word in left)


def only_describes(words: str) -> bool:
    """Whether a part is a look alone, so that the thing comes after it: "black" in "black and white card"."""
    return all(singular(word) in ADJECTIVES for word in words.lower().split())
