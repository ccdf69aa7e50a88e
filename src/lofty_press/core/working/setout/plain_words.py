"""Ordinary words of a list: looks and sizes that change nothing of a thing's kind, and words that say nothing of it."""


def each_of(text: str, between: str | None = None) -> frozenset[str]:
    """The words of a text, or what stands between some sign."""
    return frozenset(text.split(between))


COLOURS = each_of(
    "red orange yellow green blue purple violet pink brown black white gray grey teal navy tan beige ivory cream gold golden silver bronze copper rose magenta"
    " turquoise maroon lime mint coral lilac lavender charcoal natural rainbow coloured colored colorful"
)
LOOKS = each_of(
    "clear transparent see-through acrylic plastic smooth matte matt shiny glossy pearlescent metallic mirror glitter textured patterned assorted mixed various"
    " scratched scratched-up worn bent curved warped broken cracked dirty clean sticky floppy stiff rigid bendy soft hard thin thick heavy light"
)
SIZES = each_of(
    "big large huge small little tiny mini wide narrow long short square round rectangular oval standard full half letter size sized inch"
)
WEAR = each_of(
    "old new used spare extra second-hand original plain usual normal regular different own same good best favourite favorite leftover loose single"
)
ADJECTIVES = COLOURS | LOOKS | SIZES | WEAR
FILLERS = each_of(
    "a an the my our your his her its some of i we have got own there is are also oh well plus maybe perhaps probably about around nearly almost really very quite"
    " still just only those these that this them each which came with it in total so far yet lots lot bunch bit ve s approx roughly please thanks ok then"
)
BEFORE_MORE = each_of("with w from for that which in on under to by at made bought cut off came has having without who where")
"""Words after which no more of the thing's own name follows."""


def singular(word: str) -> str:
    """A word of one thing.

    Examples
    --------
    >>> [singular(word) for word in ("dies", "glass", "matches", "plates", "ones")]
    ['die', 'glass', 'match', 'plate', 'ones']
    """
    if word.endswith(("ches", "shes")):
        return word[:-2]
    if word == "ones":
        return word
    return word[:-1] if word.endswith("s") and not word.endswith("ss") and len(word) > 2 else word
