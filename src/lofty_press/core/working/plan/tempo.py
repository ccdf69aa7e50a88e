"""How fast somebody really is, learnt from what work took: for each kind of work, and for the person."""

import math
from collections.abc import Iterable
from dataclasses import dataclass

import numpy as np

from lofty_press.core.working.work import WORKS, WorkKey

PERSON, KIND, ONCE = 0.25, 0.35, 0.3
"""Standard deviations of the logarithm of a time: between people, between kinds of work of one person, and from one time to the next.
Common practice, no published source."""
FORGOTTEN = 5.0
"""So many times longer or shorter than usual, somebody forgot to say when."""
MOST = 400


@dataclass(frozen=True)
class Took:
    """What a kind of work took on so many pieces [s]; `beside` are kinds that were done to each piece in the same go."""

    work: WorkKey
    count: int
    seconds: float
    beside: tuple[WorkKey, ...] = ()


@dataclass(frozen=True)
class Tempo:
    """How many times as long as usual one kind of work takes somebody: `factor`, within a factor of exp(`spread`); `seen` how often. [1]"""

    factor: float = 1.0
    spread: float = math.hypot(PERSON, KIND)
    seen: int = 0


USUAL = Tempo()


def tempo_of(took: Iterable[Took]) -> dict[WorkKey, Tempo]:
    """What is believed of every kind of work that hands do.

    Parameters
    ----------
    took : iterable of Took
        The latest first; what is older than the first 400 is passed over, as is what was plainly forgotten.

    Returns
    -------
    dict of WorkKey to Tempo

    Notes
    -----
    The logarithm of a time over the usual one is the person's, plus the work's, plus chance, each normal around nothing: the posterior of a
    linear model with normal errors is in closed form. What one kind of work teaches of the person serves the others too.

    References
    ----------
    Gelman et al., Bayesian Data Analysis, 3rd ed., section 14.8 (from memory).
    """
    keys = [key for key, work in WORKS.items() if work.hands]
    seen = [(keys.index(one.work), math.log(one.seconds / usual(one))) for one in took if one.work in keys and plausible(one)][:MOST]
    prior = PERSON**2 * np.ones((len(keys), len(keys))) + KIND**2 * np.eye(len(keys))
    if not seen:
        return dict.fromkeys(keys, USUAL)
    which = np.array([at for at, _ in seen])
    said = np.array([value for _, value in seen])
    across = prior[:, which]
    among = prior[np.ix_(which, which)] + ONCE**2 * np.eye(len(seen))
    gain = np.linalg.solve(among, across.T).T
    mean = gain @ said
    spread = np.sqrt(np.diag(prior - gain @ across.T))
    counts = np.bincount(which, minlength=len(keys))
    return {key: Tempo(float(math.exp(mean[n])), float(spread[n]), int(counts[n])) for n, key in enumerate(keys)}


def usual(one: Took) -> float:
    """The usual time for it. [s]"""
    return sum(WORKS[key].begin + WORKS[key].each * one.count for key in (one.work, *one.beside))


def plausible(one: Took) -> bool:
    """False where somebody forgot to say that it began or ended."""
    return usual(one) > 0 and 1 / FORGOTTEN <= one.seconds / usual(one) <= FORGOTTEN
