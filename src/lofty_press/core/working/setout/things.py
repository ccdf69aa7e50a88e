"""What some words name: the noun that a phrase is about, among the kinds of things and the papers."""

import re
from dataclasses import dataclass

from lofty_press.core.sandwich.stack import ITEM_KINDS, KIND_TRAITS, ItemKind
from lofty_press.core.working.setout.plain_words import ADJECTIVES, BEFORE_MORE, each_of, singular

CALLED: dict[str, ItemKind] = {
    **{kind: kind for kind in ITEM_KINDS if kind != "sheet"},
    **{word: kind for kind, traits in KIND_TRAITS.items() for word in traits.spoken},
}
MAYBE: dict[str, tuple[ItemKind, ...]] = {
    word: tuple(kind for kind, traits in KIND_TRAITS.items() if word in traits.maybe)
    for word in dict.fromkeys(word for traits in KIND_TRAITS.values() for word in traits.maybe)
}
PAPERS = each_of(
    "cardstock|card stock|card|card base|cardbase|paper|copy paper|printer paper|cover|cover stock|bristol|index|text|bond|vellum|kraft|watercolour|watercolor"
    "|watercolour paper|watercolor paper|chipboard|greyboard|grayboard|mat board|mount board|envelope|acetate|copper|copper sheet|copper foil|mirror card"
    "|foil card|photo paper|tracing paper|cold press|hot press",
    "|",
)
OTHERS = each_of(
    "bone folder|file folder|paper folder|document folder|ring folder|paper plate|dinner plate|license plate|name plate|mouse mat|mouse pad|yoga mat|door mat|bath mat"
    "|ink pad|stamp pad|note pad|die cut|embossing powder|powder|tape|glue|gun|heat gun|pen|pencil|scissor|brush|picture frame|photo frame|file|press|roller"
    "|embossing tool|embossing press|plate holder|die storage|magazine|adhesive|sponge|tweezer|trimmer|flower bed",
    "|",
)
"""What is called alike and is no part of a sandwich."""
OWN_WORDS = each_of("die platform spacer motif silicone")
GENERIC = frozenset(name for name in CALLED if " " not in name and name not in OWN_WORDS)
"""Names that other crafts use too: with a word before them that isn't known they are asked about."""
ELLIPTIC = frozenset(name for name in GENERIC if any(other.startswith(f"{name} ") for other in CALLED))
"""Names that stand for two words: "deep" for a deep folder."""
MOST_WORDS = max(len(name.split()) for name in (*CALLED, *MAYBE, *PAPERS, *OTHERS))
SPELT = (
    (r"\b3\s?-?\s?d\b", "3d"),
    (r"\bthree[- ]dimensional\b", "3d"),
    (r"\btwo[- ](?:way|sided)\b", "two-way"),
    (r"\bsteel rule\b", "steel-rule"),
)
KNOWN_WORDS = frozenset(word for name in (*CALLED, *MAYBE, *PAPERS) for word in name.split())


@dataclass(frozen=True)
class Named:
    """A noun among words: the `name`, the words `before` it and `after` it, and those from the first preposition on, `more`."""

    name: str
    before: tuple[str, ...]
    after: tuple[str, ...]
    more: tuple[str, ...]


def named_in(words: str) -> Named | None:
    """The noun that words are about: the last one that is known before any preposition, and the longest that ends there; None if none is known.

    Examples
    --------
    >>> named_in("the tan rubber mat for embossing with dies").name
    'rubber mat'
    """
    tokens = tokens_of(words)
    if other := next((name for name in OTHERS if " " in name and f" {name} " in f" {' '.join(tokens)} "), None):
        return Named(other, (), (), ())
    end = next((n for n, token in enumerate(tokens) if token in BEFORE_MORE and n > 0), len(tokens))
    own, more = tokens[:end], tuple(tokens[end:])
    if "of" in own and (whole := noun_at_the_end(own[: own.index("of")], more)) is not None:
        return whole
    return noun_at_the_end(own, more)


def noun_at_the_end(own: list[str], more: tuple[str, ...]) -> Named | None:
    """The last known noun of some words, and the longest there; words between its two may say what it is like."""
    for last in range(len(own), 0, -1):
        for first in range(max(last - MOST_WORDS, 0), last):
            name = " ".join(own[first:last])
            if not (name in CALLED or name in MAYBE or name in PAPERS or name in OTHERS):
                continue
            for further in range(first - 1, -1, -1):
                if name in ELLIPTIC and f"{name} {own[further]}" in CALLED:
                    rest = (*own[:further], *own[further + 1 : first])
                    return Named(f"{name} {own[further]}", rest, tuple(own[last:]), more)
                wider = f"{own[further]} {own[last - 1]}"
                if name not in PAPERS and wider in CALLED and (name in MAYBE or name in GENERIC or CALLED.get(name) == CALLED[wider]):
                    return Named(wider, (*own[:further], *own[further + 1 : last - 1]), tuple(own[last:]), more)
            return Named(name, tuple(own[:first]), tuple(own[last:]), more)
    return None


def tokens_of(words: str) -> list[str]:
    """The words of one thing each, in small letters, spelt as they are known here."""
    plain = spelt_alike(re.sub(r"[^\w\s'./-]", " ", words.lower()).replace("'s", " ").replace(" w/", " with "))
    found = []
    for word in plain.split():
        word = word.strip("-./'")
        for part in [word] if word in KNOWN_WORDS or singular(word) in KNOWN_WORDS or word in ADJECTIVES else word.split("-"):
            if part:
                found.append(singular(part))
    return found


def spelt_alike(words: str) -> str:
    """Words that are written in several ways in one of them."""
    for spelt, as_one in SPELT:
        words = re.sub(spelt, as_one, words, flags=re.I)
    return words


def names_a_thing(words: str) -> bool:
    """Whether some words name anything that is known."""
    return named_in(words) is not None


def names_a_paper(words: str) -> bool:
    """Whether some words name a sheet."""
    found = named_in(words)
    return found is not None and found.name in PAPERS
