"""Which kind of thing some words call, how sure that is, and what to ask where it is not."""

import difflib
import re
from dataclasses import dataclass

from lofty_press.core.stack import ITEM_KINDS, KIND_TRAITS, ItemKind

ALSO: dict[str, ItemKind] = {word: kind for kind, traits in KIND_TRAITS.items() for word in traits.spoken}
CALLED: dict[str, ItemKind] = {**{kind: kind for kind in ITEM_KINDS if kind != "sheet"}, **ALSO}
MOST_WORDS = max(len(name.split()) for name in CALLED)
DEEP = re.compile(r"\b(?:3\s?-?d|three[- ]dimensional|dimensional|deep|extra deep)\b", re.I)
CLEAR = re.compile(r"\b(?:acrylic|clear|see[- ]through|transparent|perspex)\b", re.I)
TEXTURED = re.compile(r"\b(?:textured?|patterned?)\b", re.I)
MAYBE: dict[str, tuple[ItemKind, ...]] = {
    word: tuple(kind for kind, traits in KIND_TRAITS.items() if word in traits.maybe)
    for word in dict.fromkeys(word for traits in KIND_TRAITS.values() for word in traits.maybe)
}
NEAR = 0.8  # of its letters that a word has in common with a known one, from which it is a slip of the keys
FOLDERISH = ("folder", "embossing folder", "thin folder", "plain folder", "ones", "one")


@dataclass(frozen=True)
class Called:
    """A kind that words call; `sure` is false where it is to be asked, with the other `kinds` that it may be."""

    kinds: tuple[ItemKind, ...]
    sure: bool


def kind_called(words: str) -> Called | None:
    """The kind that words call; None if they call none that is known.

    Examples
    --------
    >>> kind_called("3D embossing folders").kinds
    ('deep folder', 'layered folder')
    >>> kind_called("cutting pad").sure
    False
    """
    plain = singular(re.sub(r"[^\w\s-]", " ", words.lower()).strip())
    last = plain.split()[-MOST_WORDS:]
    endings = [plain, *(" ".join(last[k:]) for k in range(len(last)))]
    deep = bool(DEEP.search(plain))
    if deep and any(end in FOLDERISH for end in endings):
        return Called(("deep folder", "layered folder"), not plain.endswith(("ones", " one")))
    if TEXTURED.search(plain) and plain.endswith("plate"):
        return Called(("texture plate",), True)
    if CLEAR.search(plain) and plain.endswith("plate"):
        return Called(("hard plate",), True)
    for end in endings:
        if end in MAYBE:
            return Called(MAYBE[end], False)
        if end in CALLED:
            return Called((CALLED[end],), True)
    for end in endings:
        if near := difflib.get_close_matches(end, CALLED, n=2, cutoff=NEAR):
            return Called(tuple(dict.fromkeys(CALLED[name] for name in near)), False)
    return None


def singular(words: str) -> str:
    """The same of one."""
    if words.endswith("ches") or words.endswith("shes"):
        return words[:-2]
    if words == "ones":
        return words
    if words.endswith("s") and not words.endswith("ss"):
        return words[:-1]
    return words
