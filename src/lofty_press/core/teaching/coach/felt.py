"""What is felt at the crank, and how likely each is by a judgement."""

import math
from typing import Literal, get_args

from scipy.special import ndtr

from lofty_press.core.basics.words import Message, say
from lofty_press.core.judging.assess import Assessment

Felt = Literal["as ever", "hard", "easy", "jump", "crack"]
FELT_KEYS: tuple[Felt, ...] = get_args(Felt)

FELT: dict[Felt, Message] = {
    "as ever": say("As usual"),
    "hard": say("Harder than usual"),
    "easy": say("Easier than usual"),
    "jump": say("A jump"),
    "crack": say("A crack of plastic"),
}
"""What to call it."""

NOTICED = math.log(1.3)
"""Of the logarithm of a force: from so much more or less it is called harder or easier; common practice, no published source."""
FELT_OFF = 0.2
"""By so much (standard deviation) a force is remembered wrongly, of its logarithm; two to three times the just noticeable difference of hands (Weber
fraction of some 0.07 to 0.1 for force; value from memory)."""
CRACKS = 0.2
"""Chance that plastic is heard in a pile that is more than the press turns, where somebody forces it. [1]; common practice, no published source"""


def felt_of(after: Assessment, meant: Assessment) -> dict[Felt, float]:
    """How likely each is felt of a pile, by somebody who knows how the pile as it was meant turns.

    Returns
    -------
    dict of Felt to float
        Sums to 1. [1]

    Notes
    -----
    The peak force at the handle against that of the pile as meant, both as logarithms; a pile that refuses is hard, and where somebody
    forces it plastic is heard now and then.
    """
    refuses = after.verdict.chances["refuses"] if after.verdict is not None else float(after.curve.refuses_at < 0.0)
    more = math.log(max(force_of(after), 1e-3) / max(force_of(meant), 1e-3))
    hard = refuses + (1.0 - refuses) * float(ndtr((more - NOTICED) / FELT_OFF))
    easy = (1.0 - refuses) * float(ndtr((-more - NOTICED) / FELT_OFF))
    crack = CRACKS * refuses
    return {"as ever": (1.0 - crack) * (1.0 - hard - easy), "hard": (1.0 - crack) * hard, "easy": (1.0 - crack) * easy, "crack": crack}


def force_of(assessment: Assessment) -> float:
    """Peak force at the handle, where it goes through. [N]"""
    return assessment.nip.peak_handle
