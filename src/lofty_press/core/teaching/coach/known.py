"""What is known of this press room beyond what usually happens: the marks of its plates."""

from collections.abc import Mapping
from dataclasses import dataclass, field

from lofty_press.core.mechanics.plates import BOW_SEEN, NextRun
from lofty_press.core.sandwich.stack import Suggestion

USUAL = 0.1
"""Share of a blade that comes down in old cuts, or of a sheet's bare part that lies over scars, on a plate of which nothing is known; common practice, no
published source"""
MOST, LEAST = 5.0, 0.2
"""Between these a known plate makes a cause more or less frequent than usual. [1]"""


@dataclass(frozen=True)
class Known:
    """By how much more `often` than usual a cause happens here [1], and `cures` that only this room knows; both by the cause's key."""

    often: Mapping[str, float] = field(default_factory=dict)
    cures: Mapping[str, Suggestion] = field(default_factory=dict)


def known_of(plate: NextRun | None) -> Known:
    """What a plate that has been cut on makes more or less likely.

    Parameters
    ----------
    plate : NextRun or None
        What the run met on its plate; None where no blade met one whose history is kept.

    Notes
    -----
    A worn place in proportion to the share of the blade that comes down where the plate no longer cuts, scars to the share of what lies bare that they
    cover, a bow to its height against the one from which it is seen; each between a fifth and five times as usual.
    """
    if plate is None:
        return Known()
    often = {"worn place": within(plate.dull / USUAL), "bowed": within(abs(plate.as_it_lies.bow) / BOW_SEEN)}
    if plate.clean is not None:
        often["scarred"] = within(plate.clean.printed / USUAL)
    cures = dict.fromkeys(often, plate.options[0].suggestion) if plate.options else {}
    return Known(often, cures)


def within(factor: float) -> float:
    """A factor between the least and the most. [1]"""
    return min(max(factor, LEAST), MOST)
