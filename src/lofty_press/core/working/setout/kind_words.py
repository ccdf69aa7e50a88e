"""Which kind of thing some words call, how sure that is, and what to ask where it is not."""

import difflib
import re
from dataclasses import dataclass

from lofty_press.core.sandwich.stack import FOLDERS, KIND_TRAITS, PLATES, ItemKind
from lofty_press.core.working.setout.plain_words import ADJECTIVES, FILLERS, singular
from lofty_press.core.working.setout.things import CALLED, GENERIC, KNOWN_WORDS, MAYBE, OTHERS, PAPERS, Named, named_in

DEEP = frozenset({"3d", "deep", "dimensional", "raised"})
CLEAR = frozenset({"acrylic", "clear", "see-through", "transparent"})
TEXTURED = frozenset({"textured", "patterned", "texture", "pattern"})
BLOCK = frozenset({"thick", "chunky", "wooden", "wood"})
CUTS = re.compile(r"\bcuts?\b.*\bemboss|\bemboss\w*\b.*\bcuts?\b", re.I)
SET = frozenset({"set", "piece", "pc", "kit", "nesting", "nested"})
OPEN_ENDED = frozenset({"for", "that", "which"})
NEAR = 0.75  # of its letters that a word has in common with a known one, from which it is a slip of the keys
SHORTEST = 4  # letters of a word that may be a slip


@dataclass(frozen=True)
class Called:
    """What words call: `kinds` of things that they may be, `sure` where there is but one. `name` is what is written of it beyond its kind, empty without;
    `papers` are what the words may mean where they are misspelt and a paper."""

    kinds: tuple[ItemKind, ...] = ()
    sure: bool = False
    name: str = ""
    papers: tuple[str, ...] = ()


def kind_called(words: str) -> Called | None:
    """The kind that words call; None if they call none that is known, and a `Called` without kinds if they call something else.

    Examples
    --------
    >>> kind_called("3D embossing folders").kinds
    ('deep folder',)
    >>> kind_called("cutting pad").sure
    False
    """
    found = named_in(words)
    if found is None:
        return slip_of_the_keys(words)
    if found.name in OTHERS or found.name in PAPERS:
        return Called()
    unknown = [word for word in found.before if not says_nothing(word)] + [
        word for word in found.after if not says_nothing(word) or len(word) == 1
    ]
    sure = (not unknown or not (found.name in GENERIC or set(unknown) & set(found.after))) and not goes_on(found)
    if found.name in MAYBE and found.name not in CALLED:
        return Called(MAYBE[found.name], False)
    kind = CALLED[found.name]
    looks = {*found.before, *found.after}
    if kind == "plain folder":
        if CUTS.search(words):
            return Called(("cutting folder", "plain folder"), False)
        if looks & DEEP and "layered" not in looks:
            return Called(("deep folder",) if sure else ("deep folder", "layered folder"), sure, name_of(words, found))
    flat = kind in PLATES and not KIND_TRAITS[kind].window
    if flat and looks & TEXTURED:
        return Called(("texture plate",), True, name_of(words, found))
    if flat and kind != "hard plate" and looks & CLEAR and found.name != kind:
        return Called(("hard plate", kind), False)
    last = found.name.split()[-1]
    others = [CALLED[other] for word in looks if (other := f"{word} {last}") in CALLED and CALLED[other] != kind]
    if others:
        return Called((kind, *dict.fromkeys(others)), False)
    if kind == "thin die" and looks & BLOCK:
        return Called(("thin die", "steel-rule die"), False)
    if not sure and (slip := slip_of_the_keys(words)) is not None:
        return slip
    if not sure:
        return Called(alike(kind, found), False)
    return Called((kind,), True, name_of(words, found))


def says_nothing(word: str) -> bool:
    """Whether a word leaves the kind of thing as it is."""
    return word in ADJECTIVES or word in FILLERS or word in DEEP or word in SET


def goes_on(found: Named) -> bool:
    """Whether a name that other crafts use too goes on with what it is for."""
    return (
        found.name in GENERIC
        and bool(found.more)
        and found.more[0] in OPEN_ENDED
        and not {"came", "i", "we", "never"} & set(found.more[:3])
    )


def alike(kind: ItemKind, found: Named) -> tuple[ItemKind, ...]:
    """A kind and others that end with the same word, to be asked between."""
    last = found.name.split()[-1]
    others = [other for other in dict.fromkeys(CALLED.values()) if other != kind and other.split()[-1] == last]
    if found.name == "deep":
        others = ["layered folder"]
    return (kind, *others[:3])


def slip_of_the_keys(words: str) -> Called | None:
    """What is meant where a word or two are misspelt: always to be asked."""
    tokens = words.lower().split()
    mended = [nearest(token) for token in tokens]
    if mended == tokens:
        return None
    phrase = " ".join(mended)
    found = named_in(phrase)
    if found is None or found.name in OTHERS:
        return None
    if found.name in PAPERS:
        return Called(papers=(phrase,))
    if found.name in CALLED:
        kind = CALLED[found.name]
        return Called(("deep folder",) if kind in FOLDERS and DEEP & {*found.before} else (kind,))
    return Called(MAYBE[found.name])


def nearest(token: str) -> str:
    """A word as it is known, where it is nearly that: a letter too much, too few or another, or two exchanged."""
    word = singular(token)
    if len(word) < SHORTEST - 1 or word in KNOWN_WORDS or word in ADJECTIVES or word in FILLERS:
        return token
    if swapped := next((known for known in KNOWN_WORDS if len(known) == len(word) and sorted(known) == sorted(word)), None):
        return swapped
    joined = next((known for known in (*CALLED, *PAPERS) if " " in known and known.replace(" ", "") == word), None)
    if joined is not None:
        return joined
    close = difflib.get_close_matches(word, KNOWN_WORDS, n=1, cutoff=NEAR) if len(word) >= SHORTEST else []
    return close[0] if close else token


def name_of(words: str, found: Named) -> str:
    """What somebody wrote of a thing beyond its kind, as a name of one; empty where that says nothing."""
    own = [word for word in (*found.before, *found.after) if word not in FILLERS and word not in SET]
    if not any(tells_apart(word, found.name) for word in own):
        return ""
    written = [word for word in re.sub(r"[^\w\s'.&/-]", " ", words).split() if singular(word.lower().strip("-./'")) not in FILLERS | SET]
    count = len(own) + len(found.name.split())
    text = " ".join([*written[: count - 1], singular(written[count - 1]) if written[count - 1 : count] else ""]).strip()
    return text[:1].upper() + text[1:100]


def tells_apart(word: str, name: str) -> bool:
    """Whether a word says more of a thing than its kind does."""
    return word not in DEEP | CLEAR | TEXTURED and word not in (
        "thin",
        "metal",
        "plain",
        "plastic",
        "steel",
        "assorted",
        "different",
        "various",
        "old",
        "new",
    )
