"""What a text claims, as data: of two that exclude one another a person is shown one."""

from collections.abc import Iterable, Mapping
from itertools import combinations
from typing import Literal

Claim = Literal[
    "feeds",
    "will not feed",
    "turns easily",
    "turns hard",
    "will not turn",
    "no mark",
    "faint",
    "right",
    "too hard",
    "uneven",
    "holds",
    "may break",
    "breaks",
    "cuts",
    "cuts in part",
    "does not cut",
    "lines",
    "wrong side",
    "wants thickness",
    "wants less",
    "room for shims",
    "not one sheet more",
    "wants damp",
    "wants dry",
    "wants more passes",
    "wants fewer passes",
    "passes enough",
]

ANYTHING_DONE: frozenset[Claim] = frozenset(
    {"faint", "right", "too hard", "uneven", "breaks", "may break", "cuts", "cuts in part", "lines"}
)
"""What only a sheet shows that was pressed."""
APART: tuple[tuple[frozenset[Claim], frozenset[Claim]], ...] = (
    (frozenset({"will not feed"}), frozenset({"feeds", "turns easily", "turns hard", "will not turn", "right", "wants thickness"})),
    (frozenset({"will not turn"}), frozenset({"turns easily", "turns hard", "right", "wants thickness"})),
    (frozenset({"turns easily"}), frozenset({"turns hard"})),
    (frozenset({"no mark"}), ANYTHING_DONE),
    (frozenset({"faint"}), frozenset({"right", "too hard", "cuts"})),
    (frozenset({"right"}), frozenset({"too hard", "uneven", "breaks", "may break", "does not cut", "cuts in part", "wrong side"})),
    (frozenset({"too hard"}), frozenset({"wants thickness"})),
    (frozenset({"holds"}), frozenset({"breaks", "may break"})),
    (frozenset({"breaks"}), frozenset({"may break"})),
    (frozenset({"cuts"}), frozenset({"does not cut", "cuts in part", "lines"})),
    (frozenset({"wants thickness"}), frozenset({"wants less", "not one sheet more"})),
    (frozenset({"room for shims"}), frozenset({"not one sheet more"})),
    (frozenset({"wants damp"}), frozenset({"wants dry"})),
    (frozenset({"wants more passes"}), frozenset({"wants fewer passes", "passes enough"})),
)
"""Claims of the first kind exclude each of the second."""

CLAIMS: Mapping[str, tuple[Claim, ...]] = {
    "cracks": ("breaks",),
    "cut-in-places": ("cuts in part",),
    "blade-too-low": ("does not cut",),
    "deep-and-dry": ("wants damp",),
    "dry-at-a-mask": ("wants damp",),
    "faint": ("faint",),
    "front-comes-out-wrong": ("wrong side",),
    "handle-heavy": ("turns hard",),
    "handle-too-heavy": ("will not turn", "wants less"),
    "ink-meets-no-sheet": ("wrong side",),
    "intricate-die": ("wants more passes",),
    "mat-where-cut": ("does not cut",),
    "mist-does-nothing": ("wants dry",),
    "mist-has-gone": ("wants damp",),
    "motor-overloaded": ("will not turn", "wants less"),
    "needless-passes": ("wants fewer passes",),
    "not-everywhere": ("uneven",),
    "part-cut": ("does not cut",),
    "pressed-too-hard": ("too hard", "wants less"),
    "sheet-off-the-tool": ("no mark",),
    "slack": ("no mark",),
    "tears": ("breaks",),
    "too-thick-to-feed": ("will not feed", "wants less"),
    "words-mirrored": ("wrong side",),
}
"""What a finding claims whenever it is there; what it claims besides stands on itself (`Finding.says`)."""


def exclude(one: Claim, other: Claim) -> bool:
    """True if not both can be so."""
    return any((one in first and other in second) or (other in first and one in second) for first, second in APART)


def clashes(claims: Iterable[tuple[str, Claim]]) -> list[tuple[tuple[str, Claim], tuple[str, Claim]]]:
    """The pairs of some claims, each with where it is said, that exclude one another."""
    return [(one, other) for one, other in combinations(claims, 2) if exclude(one[1], other[1])]
