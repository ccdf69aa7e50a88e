"""From evidence to belief: expectation propagation, each piece of evidence as the normal factor that does to the belief what it does.

A pile that was tried knows five quantities only (its thickness, its stock's need, its press's grip and stiffness, its mats' stiffness), so that what it
teaches is an integral over these, done by quadrature; the rest of the belief follows by correlation. It is the same every time, and the same whatever
the order.

References
----------
T. P. Minka, Expectation propagation for approximate Bayesian inference, 2001 (from memory).
"""

from collections.abc import Callable, Iterable
from dataclasses import dataclass
from functools import lru_cache, reduce

import numpy as np

from lofty_press.core.dialin.belief import Belief
from lofty_press.core.dialin.evidence import Evidence, Measured, Tried
from lofty_press.core.dialin.response import QUANTITIES, Response
from lofty_press.core.stack import FloatArray, Sandwich

NODES = {"thickness": 31, "need": 9, "grip": 3, "frame": 5, "soft": 5}
SWEEPS, SETTLED = 20, 1e-3  # of a standard deviation
AGAIN = 16  # older piles that a new one has looked at once more
LEAST_SD = 1e-6
STEP = 0.8  # of each factor's change; less than all of it keeps them from swinging

Respond = Callable[[Sandwich], Response | None]


@dataclass(frozen=True, eq=False)
class Factor:
    """What one tried pile adds to the belief over its quantities: precision (5, 5) and precision times mean (5,)."""

    precision: FloatArray
    shift: FloatArray


NOTHING = Factor(np.zeros((len(QUANTITIES), len(QUANTITIES))), np.zeros(len(QUANTITIES)))


@dataclass(frozen=True, eq=False)
class Lesson:
    """A tried pile in the belief: its response, its factor, and the chance that all else gave to what was seen [1]."""

    tried: Tried
    response: Response
    factor: Factor
    chance: float


@dataclass(frozen=True, eq=False)
class Learnt:
    """A belief with what it was learnt from."""

    before: Belief
    belief: Belief
    measured: tuple[Measured, ...]
    lessons: tuple[Lesson, ...]

    def without(self, key: str) -> "Learnt":
        """The same with one piece of evidence left out."""
        evidence: list[Evidence] = [*self.measured, *(lesson.tried for lesson in self.lessons)]
        known = {lesson.tried.key: lesson.response for lesson in self.lessons}
        return learn(self.before, [e for e in evidence if e.key != key], lambda s: None, known)


def learn(before: Belief, evidence: Iterable[Evidence], respond: Respond, known: dict[str, Response] | None = None) -> Learnt:
    """What a room's belief becomes.

    Parameters
    ----------
    before : Belief
    evidence : iterable
    respond : callable
        The response of a sandwich; None for one that cannot be judged, which teaches nothing.
    known : dict, optional
        Responses of evidence, by its key, that are at hand already.
    """
    measured, lessons, known = [], [], known or {}
    belief = before
    for piece in evidence:
        if isinstance(piece, Measured):
            belief = belief.measured({piece.of: 1.0}, piece.by, max(piece.sd, LEAST_SD))
            measured.append(piece)
        else:
            response = known.get(piece.key) or respond(piece.sandwich)
            if response is not None:
                lessons.append(Lesson(piece, response, NOTHING, 1.0))
    for sweep in range(SWEEPS):
        last = belief.mean
        for n, lesson in enumerate(lessons):
            belief, lessons[n] = taught(belief, lesson, STEP if sweep else 1.0)
        if np.all(np.abs(belief.mean - last) <= SETTLED * np.sqrt(np.diag(before.cov))):
            break
    return Learnt(before, belief, tuple(measured), tuple(lessons))


def one_more(learnt: Learnt, tried: Tried, response: Response) -> Learnt:
    """The same with one more tried pile; those that it moves most are looked at once more."""
    lessons = [*learnt.lessons, Lesson(tried, response, NOTHING, 1.0)]
    belief, lessons[-1] = taught(learnt.belief, lessons[-1])
    moved = [float(np.abs(lesson.response.rows(belief)[:2] @ (belief.mean - learnt.belief.mean)).sum()) for lesson in learnt.lessons]
    for n in [*np.argsort(moved)[::-1][:AGAIN].tolist(), len(lessons) - 1]:
        belief, lessons[n] = taught(belief, lessons[n])
    return Learnt(learnt.before, belief, learnt.measured, tuple(lessons))


def taught(belief: Belief, lesson: Lesson, step: float = 1.0) -> tuple[Belief, Lesson]:
    """The belief with a lesson's factor renewed, or taken a part of the way there."""
    rows = lesson.response.rows(belief)
    through = belief.cov @ rows.T
    cov = rows @ through + LEAST_SD**2 * np.eye(len(QUANTITIES))
    precision = np.linalg.inv(cov)
    apart = precision - lesson.factor.precision
    if np.linalg.eigvalsh(apart)[0] <= 0.0:
        return belief, lesson
    apart_shift = precision @ (rows @ belief.mean) - lesson.factor.shift
    apart_cov: FloatArray = np.asarray(np.linalg.inv(apart), dtype=np.float64)
    chance, mean_seen, cov_seen = seen_through(lesson, apart_cov @ apart_shift, apart_cov)
    seen = np.linalg.inv(cov_seen)
    wanted = Factor(seen - apart, seen @ mean_seen - apart_shift)
    old = lesson.factor
    factor = Factor(old.precision + step * (wanted.precision - old.precision), old.shift + step * (wanted.shift - old.shift))
    new_cov = np.linalg.inv(apart + factor.precision)
    gain = through @ precision
    mean = belief.mean + gain @ (new_cov @ (apart_shift + factor.shift) - rows @ belief.mean)
    whole = belief.cov + gain @ (new_cov - cov) @ gain.T
    return Belief(belief.keys, mean, 0.5 * (whole + whole.T)), Lesson(lesson.tried, lesson.response, factor, chance)


def seen_through(lesson: Lesson, mean: FloatArray, cov: FloatArray) -> tuple[float, FloatArray, FloatArray]:
    """Chance of what was seen where the quantities are normal, and their mean (5,) and covariance (5, 5) once it was seen."""
    points, weights = grid(mean, cov)
    weights = weights * np.exp(lesson.response.log_chance(lesson.tried.seen, points))
    chance = float(weights.sum())
    share = weights / max(chance, 1e-300)
    found = share @ points
    apart = points - found
    return chance, found, (apart * share[:, None]).T @ apart + LEAST_SD**2 * np.eye(len(QUANTITIES))


def grid(mean: FloatArray, cov: FloatArray) -> tuple[FloatArray, FloatArray]:
    """Points (m, 5) and weights (m,) of a normal distribution of the quantities, closest along the thickness, equal frames and mats one after the
    other; what is known for certain takes one point."""
    order = [QUANTITIES.index(name) for name in ("frame", "soft", "grip", "need", "thickness")]
    half = np.linalg.cholesky(cov[np.ix_(order, order)])
    rules = [hermite(NODES[QUANTITIES[k]] if half[n, n] > 2.0 * LEAST_SD else 1) for n, k in enumerate(order)]
    at = np.stack(np.meshgrid(*(nodes for nodes, _ in rules), indexing="ij"), axis=-1).reshape(-1, len(order))
    weights = reduce(np.multiply.outer, (weights for _, weights in rules)).ravel()
    points = np.empty(at.shape)
    points[:, order] = at @ half.T + mean[order]
    return points, np.asarray(weights)


@lru_cache
def hermite(count: int) -> tuple[FloatArray, FloatArray]:
    """Nodes (n,) and weights (n,) of a standard normal distribution (Gauss-Hermite)."""
    nodes, weights = np.polynomial.hermite_e.hermegauss(count)
    return nodes, weights / weights.sum()
