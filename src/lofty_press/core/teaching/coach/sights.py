"""What can be seen on a sheet that came out wrong, and how likely each is by a judgement."""

from typing import Literal, get_args

from scipy.special import ndtr

from lofty_press.core.basics.words import Message, say
from lofty_press.core.judging.assess import Assessment
from lofty_press.core.judging.verdict import crack_chance
from lofty_press.core.mechanics.nip import bite_limit
from lofty_press.core.sandwich.stack import StackView
from lofty_press.core.teaching.coach.bare import barer
from lofty_press.core.working.steps import Outcome

Sight = Literal[
    "right",
    "blank",
    "faint",
    "strip",
    "cracked",
    "torn",
    "buckled",
    "crushed",
    "not cut",
    "part not cut",
    "cut",
    "other side",
    "crooked",
    "aside",
    "double",
    "old lines",
    "edge",
    "jumped",
    "stopped",
    "no feed",
    "tape",
    "patchy",
    "smudged",
    "specks",
    "warped",
    "residue",
]
SIGHT_KEYS: tuple[Sight, ...] = get_args(Sight)

SIGHTS: dict[Sight, Message] = {
    "right": say("As it should be"),
    "blank": say("No mark at all"),
    "faint": say("Faint all over"),
    "strip": say("Part of it is faint or blank"),
    "cracked": say("Cracked on its ridges"),
    "torn": say("Torn"),
    "buckled": say("Buckled next to the pattern"),
    "crushed": say("Crushed or shiny"),
    "not cut": say("Marked, but not cut"),
    "part not cut": say("Cut only in part"),
    "cut": say("Cut where it shouldn't be"),
    "other side": say("Raised where it should be sunk"),
    "crooked": say("Crooked on the sheet"),
    "aside": say("Off its place"),
    "double": say("A double image"),
    "old lines": say("Lines of old cuts on it"),
    "edge": say("A crushed edge of a mat or folder on it"),
    "jumped": say("It jumped, or would not bite"),
    "stopped": say("It went in and got stuck"),
    "no feed": say("It wouldn't go in"),
    "tape": say("A mark of tape"),
    "patchy": say("Ink is missing in places"),
    "smudged": say("Ink where it doesn't belong"),
    "specks": say("Powder where it doesn't belong"),
    "warped": say("Warped or scorched"),
    "residue": say("A sticky or shiny mark"),
}
"""What to call it."""

OUTCOME_OF: dict[Sight, Outcome] = {
    "blank": "nothing",
    "faint": "faint",
    "cracked": "cracked",
    "torn": "cracked",
    "crushed": "crushed",
    "not cut": "not cut",
    "part not cut": "not cut",
    "cut": "cut where it should not",
    "stopped": "too hard",
    "no feed": "too hard",
    "double": "moved",
    "crooked": "moved",
    "aside": "moved",
}
"""How a run ended whose sheet shows it; all others are something else."""

STRIP, WHOLE = 0.97, 0.25
"""Shares of the work that are right: under the first a part is seen to lack something, under the second nearly all of it. [1]"""
BARE = 0.02
"""Share of the sheet that lies bare and was not meant to, from which it is seen. [1]"""


def expected(after: Assessment, meant: Assessment) -> dict[Sight, float]:
    """How likely each sight is on a sheet that is pressed in a pile.

    Parameters
    ----------
    after : Assessment
        Of the pile as it lay.
    meant : Assessment
        Of the pile as it was meant to lie.

    Returns
    -------
    dict of Sight to float
        Sums to 1. [1]

    Notes
    -----
    Zones, the chance of a good sheet, the share of the work that is right, cracks and buckles are those of the judgements; which of several sights somebody names who sees
    them all is what strikes most: that it did not go through, then a tear or crack, then what is faint.
    """
    traits = after.sandwich.effect.traits
    found: dict[Sight, float] = dict.fromkeys(SIGHT_KEYS, 0.0)
    if after.verdict is None:
        return {**found, "blank": 1.0}
    zones, good, parts = after.verdict.chances, after.verdict.good.chance, after.verdict.good.parts
    outside = min(beyond_bite(after), zones["refuses"])
    found["no feed"], found["stopped"] = outside, zones["refuses"] - outside
    crushed = zones["hard"] * (1.0 - crack_chance(after.forming))
    found["cracked"], found["torn"], found["buckled"] = parts["cracks"] + zones["hard"] - crushed, parts["tears"], parts["buckles"]
    lacking: Sight = "not cut" if traits.only_cuts else "faint"
    part: Sight = "part not cut" if traits.only_cuts else "strip"
    found["blank"] = zones["slack"]
    share = after.verdict.shares.right
    found[lacking if share < WHOLE else part] += zones["faint"]  # too little on the whole, and yet right in parts
    found["cut" if traits.blade and not traits.cuts else "crushed"] = crushed
    most = after.verdict.shares.parts[0].lack if after.verdict.shares.parts else "faint"
    where: Sight = part if share >= WHOLE or most == "bare" else "blank" if most == "untouched" else lacking
    found[where] += parts["uneven"]
    if share < STRIP and (meant.verdict is None or share < meant.verdict.shares.right - 0.01):
        found[where] += good
    elif barer(StackView(after.sandwich), StackView(meant.sandwich)) > BARE:
        found["strip"] += good
    elif other_side(after, meant):
        found["other side"] = good
    else:
        found["right"] = good
    return found


def beyond_bite(after: Assessment) -> float:
    """Chance that a pile is thicker than the rollers draw in: then it does not even begin. [1]"""
    assert after.verdict is not None
    press = after.sandwich.press
    over = after.free_height - press.opening.mm - bite_limit(press.roller_radius_mm, press.friction)
    return float(ndtr(over / max(after.verdict.spreads[3], 1e-6)))


def other_side(after: Assessment, meant: Assessment) -> bool:
    """True if the front comes out raised where it was to be sunk, or the other way round."""
    return after.orientation.front_look is not None and after.orientation.front_look != meant.orientation.front_look
