"""How many, in what people write: digits, words, dozens, pairs, ranges, sets."""

import re

from text_to_num import text2num

from lofty_press.core.basics.words import Message, say
from lofty_press.core.working.setout.lengths import LENGTH, SIZE, is_count_of, without

EACH = {"pair": 2, "couple": 2, "dozen": 12}
SETS = ("set", "sets", "kit", "kits")
MOST_IN_A_NUMBER = 5  # words
FEW = 3  # what "a few" is counted as
RANGE = re.compile(r"^(\d{1,3})\s*(?:-|–|to|or)\s*(\d{1,3})\s+(?=[^\W\d])", re.I)
WEIGHT = re.compile(r"^\d+(?:[.,]\d+)?\s*(?:#|lbs?\b|pounds?\b|gsm\b|g\b|g/)", re.I)
WEIGHED = re.compile(r"\d+(?:[.,]\d+)?\s*(?:#|lbs?\b\.?|pounds?\b|gsm\b|g/?m2?²?|g/sm|g\b)", re.I)
OF_THEM = r"(?:pcs?\b\.?|pieces?\b|off\b|nos?\b\.?|nr\b\.?|ea\b\.?|each\b|pkgs?\b\.?|packs?\b|units?\b)"
DIGITS = re.compile(rf"^(\d{{1,20}})\s*(?:(?:x|×)(?=\s)|-(?=\s))?\s*{OF_THEM}?\s+(?=[^\W\d]|\d+\s*[x×.,/-]?\s*[\dd])", re.I)
TRAILING = re.compile(
    rf"\s*(?:\((\d{{1,3}})\)|[:=x×]\s*(\d{{1,3}})|(?:\.{{2,}}|[-–—])\s*(\d{{1,3}})|\bqty\.?:?\s*(\d{{1,3}})|\b(\d{{1,3}})\s*{OF_THEM})$",
    re.I,
)
MANY = re.compile(r"^(.*[a-z](?<!s)s)\s+(\d{1,2})$", re.I)
SET_OF = re.compile(r"(?:\b(?:a|one|the)\s+)?\bsets?\s+of\s+(\w+)(?:\s+(?=\w))?|\b(\d{1,3})[\s-]*(?:piece|pc)s?\b(?=.*\bset\b)", re.I)
COUNTED_ALONE = re.compile(r"\b(\w+) of (?:them|these|those|each)\b", re.I)


def counted(words: str) -> tuple[int | None, str, Message | None]:
    """How many, the words after it, and what was taken for granted; a size, a thickness or a weight is no count."""
    if (found := SET_OF.search(words)) is not None and (number := number_of((found[1] or found[2]).lower())) is not None:
        sets = number_of(words[: found.start()].strip().lower()) if words[: found.start()].strip() else 1
        if sets is not None:
            return sets * number, words[found.end() :], None
        return number, without(words, found), None
    if (found := COUNTED_ALONE.search(words)) is not None and (number := number_of(found[1].lower())) is not None:
        return number, without(words, found), None
    if (found := RANGE.match(words)) is not None:
        low, high = sorted((int(found[1]), int(found[2])))
        return low, words[found.end() :], say("{low} to {high}: counted as {low}.", low=low, high=high)
    if (found := DIGITS.match(words)) is not None and not any(other.match(words) for other in (LENGTH, SIZE, WEIGHT)):
        number, after = int(found[1]), words[found.end() :]
        first, _, left = after.partition(" ")
        if first.lower() in SETS:
            return None, words, None
        each = EACH.get(first.lower().removesuffix("s"))
        return (number * each, dropped_of(left.split()), None) if each and left else (number, dropped_of(after.split()), None)
    if (found := MANY.match(words)) is not None:
        return int(found[2]), found[1], None
    count, rest = spelled_out(words)
    before, _, last = words.rpartition(" ")
    if (
        count is None
        and before
        and last.lower() not in ("one", "a", "single", "both")
        and not last.isdigit()
        and (number := number_of(last.lower()))
    ):
        return number, before, None
    if count is None and (found := TRAILING.search(words)) is not None and not LENGTH.search(words[found.start() :]):
        sized = SIZE.search(words)
        if sized is None or not sized[0].endswith(found[0].strip()) or is_count_of(sized):
            return int(next(each for each in found.groups() if each)), words[: found.start()], None
    return count, rest, None


def spelled_out(words: str) -> tuple[int | None, str]:
    """A number in words at the beginning: "two dozen", "half a dozen", "a couple of", "twenty-five"."""
    rest = words.split()
    plain = [word.lower() for word in rest]
    if plain[:3] == ["half", "a", "dozen"]:
        return 6, dropped_of(rest[3:])
    if plain[:2] == ["a", "few"] and len(rest) > 2:
        return FEW, dropped_of(rest[2:])
    if len(plain) <= MOST_IN_A_NUMBER and not any(word.isdigit() for word in plain) and (number := number_of(" ".join(plain))) is not None:
        return number, ""
    for many in range(min(len(rest) - 1, MOST_IN_A_NUMBER), 0, -1):
        number = None if any(word[0].isdigit() for word in plain[:many]) else number_of(" ".join(plain[:many]))
        if number is None or plain[many] in SETS:
            continue
        rest, plain = rest[many:], plain[many:]
        each = EACH.get(plain[0].removesuffix("s")) if len(rest) > 1 else None
        if each:
            number, rest = number * each, rest[1:]
        if rest and WEIGHED.match(f"{number} {' '.join(rest)}"):
            return None, f"{number} {' '.join(rest)}"
        return number, dropped_of(rest)
    if len(rest) > 1 and (each := EACH.get(plain[0].removesuffix("s"))):
        return each, dropped_of(rest[1:])
    return None, words


def number_of(words: str) -> int | None:
    """Words as a number, up to the thousands; None if they are none.

    Examples
    --------
    >>> number_of("twenty-five"), number_of("one hundred and ten"), number_of("a"), number_of("folder")
    (25, 110, 1, None)
    """
    if words.isdigit():
        return int(words[:9])
    also = {"a": 1, "an": 1, "single": 1, "both": 2, "no": 0, "zero": 0, "none": 0, "dozen": 12, "pair": 2, "couple": 2, "few": FEW}
    if words in also:
        return also[words]
    try:
        return int(text2num(words, "en"))
    except ValueError:
        return None


def number_left(words: str) -> str:
    """A number that is still there when everything that is understood was taken out; empty without."""
    rest = WEIGHED.sub(" ", words)
    words_left: list[str] = re.findall(r"[\w'-]+", rest.lower())
    for word in words_left:
        if re.fullmatch(r"\d+(?:[.,]\d+)?", word):
            return word
        if word not in ("a", "an", "single", "both", "pair", "ones", "one", "no") and number_of(word) is not None:
            return word
    return ""


def dropped_of(rest: list[str]) -> str:
    """Words without a leading "of" or "different"."""
    while len(rest) > 1 and rest[0].lower() in ("of", "different", "various", "assorted", "the", "my", "really", "very", "those"):
        rest = rest[1:]
    return " ".join(rest)
