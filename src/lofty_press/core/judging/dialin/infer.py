"""From evidence to belief: expectation propagation, each piece of evidence as the normal factor that does to the belief what it does.

A pile that was tried knows five quantities only (its thickness, its stock's need, its press's grip and stiffness, its mats' stiffness), so that what it
teaches is an integral over these, done by quadrature; the rest of the belief follows by correlation. It is the same every time, and the same whatever
the order.

References
----------
T. P. Minka, Expectation propagation for approximate Bayesian inference, 2001 (from memory).
"""

from collections.abc import Callable, Iterable
from dataclasses import dataclass, replace
from functools import lru_cache, reduce

import numpy as np

from lofty_press.core.judging.dialin.belief import Belief
from lofty_press.core.judging.dialin.cracking import Held, taught_by_sheets
from lofty_press.core.judging.dialin.evidence import Cracked, Evidence, Measured, Traced, Tried
from lofty_press.core.judging.dialin.response import QUANTITIES, Response
from lofty_press.core.judging.dialin.traced import read_from
from lofty_press.core.sandwich.stack import FloatArray, Sandwich

Nodes = tuple[int, int, int, int, int]
FINE: Nodes = (31, 7, 3, 5, 21)  # along thickness, need, grip, frame and mats
COARSE: Nodes = (21, 5, 3, 3, 7)
FEW = 12  # piles up to which each is looked at finely: among more, none counts for so much
SWEEPS = 5, 20  # over all piles: at least and at most
LOOKS = 2000  # at piles in all, between these
SETTLED = {FINE: 1e-3, COARSE: 2e-2}  # of a standard deviation
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

    split: tuple[tuple[Cracked, Response], ...] = ()

    @property
    def pieces(self) -> int:
        """How many pieces of evidence taught something; those that are `split` are sheets that cracked."""
        return len(self.measured) + len(self.lessons) + len(self.split)

    def without(self, key: str) -> "Learnt":
        """The same with one piece of evidence left out."""
        evidence: list[Evidence] = [*self.measured, *(lesson.tried for lesson in self.lessons), *(cracked for cracked, _ in self.split)]
        known = {lesson.tried.key: lesson.response for lesson in self.lessons} | {cracked.key: response for cracked, response in self.split}
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
    sheets: list[Held] = []
    split: list[tuple[Cracked, Response]] = []
    for piece in evidence:
        if isinstance(piece, Measured):
            belief = belief.measured(piece.of, piece.by, max(piece.sd, LEAST_SD))
            measured.append(piece)
        elif isinstance(piece, Traced):
            felt = respond(piece.sandwich)
            reading = None if felt is None else read_from(piece, felt)
            if reading is not None:
                belief = belief.measured(reading.of, reading.by, max(reading.sd, LEAST_SD))
                measured.append(reading)
        elif isinstance(piece, Cracked):
            response = known.get(piece.key) or respond(piece.sandwich)
            sheets += held(response, cracked=True)
            if response is not None and response.crack is not None:
                split.append((piece, response))
        else:
            response = known.get(piece.key) or respond(piece.sandwich)
            sheets += held(response, cracked=False)
            if response is not None:
                lessons.append(Lesson(piece, aged(response, piece), NOTHING, 1.0))
    nodes = nodes_for(len(lessons))
    for sweep in range(min(max(LOOKS // max(len(lessons), 1), SWEEPS[0]), SWEEPS[1])):
        last = belief.mean
        for n, lesson in enumerate(lessons):
            belief, lessons[n] = taught(belief, lesson, STEP if sweep else 1.0, nodes)
        if np.all(np.abs(belief.mean - last) <= SETTLED[nodes] * np.sqrt(np.diag(before.cov))):
            break
    return Learnt(before, taught_by_sheets(belief, sheets), tuple(measured), tuple(lessons), tuple(split))


def held(response: Response | None, *, cracked: bool) -> list[Held]:
    """What a sheet tells of how much its stock bears."""
    return [] if response is None or response.crack is None else [Held(*response.crack, cracked)]


def aged(response: Response, tried: Tried) -> Response:
    """A pile's response as it was, seen from today."""
    return response if response.drift == tried.drift else replace(response, drift=tried.drift)


def one_more(learnt: Learnt, tried: Tried, response: Response) -> Learnt:
    """The same with one more tried pile; those that it moves most are looked at once more."""
    lessons = [*learnt.lessons, Lesson(tried, aged(response, tried), NOTHING, 1.0)]
    nodes = nodes_for(len(lessons))
    belief, lessons[-1] = taught(learnt.belief, lessons[-1], 1.0, nodes)
    moved = [float(np.abs(lesson.response.rows(belief)[:2] @ (belief.mean - learnt.belief.mean)).sum()) for lesson in learnt.lessons]
    for n in [*np.argsort(moved)[::-1][:AGAIN].tolist(), len(lessons) - 1]:
        belief, lessons[n] = taught(belief, lessons[n], 1.0, nodes)
    return Learnt(learnt.before, belief, learnt.measured, tuple(lessons), learnt.split)


def nodes_for(piles: int) -> Nodes:
    """How closely each of so many piles is looked at."""
    return FINE if piles <= FEW else COARSE


def taught(belief: Belief, lesson: Lesson, step: float = 1.0, nodes: Nodes = COARSE) -> tuple[Belief, Lesson]:
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
    chance, mean_seen, cov_seen = seen_through(lesson, apart_cov @ apart_shift, apart_cov, nodes)
    seen = np.linalg.inv(cov_seen)
    wanted = Factor(seen - apart, seen @ mean_seen - apart_shift)
    old = lesson.factor
    factor = Factor(old.precision + step * (wanted.precision - old.precision), old.shift + step * (wanted.shift - old.shift))
    new_cov = np.linalg.inv(apart + factor.precision)
    gain = through @ precision
    mean = belief.mean + gain @ (new_cov @ (apart_shift + factor.shift) - rows @ belief.mean)
    whole = belief.cov + gain @ (new_cov - cov) @ gain.T
    return Belief(belief.keys, mean, 0.5 * (whole + whole.T)), Lesson(lesson.tried, lesson.response, factor, chance)


def seen_through(lesson: Lesson, mean: FloatArray, cov: FloatArray, nodes: Nodes) -> tuple[float, FloatArray, FloatArray]:
    """Chance of what was seen where the quantities are normal, and their mean (5,) and covariance (5, 5) once it was seen."""
    half, rule = standardised(cov, nodes)
    weights = rule.weights * lesson.response.chance_noted(lesson.tried.seen, rule.points @ half.T + mean)
    chance = float(weights.sum())
    moments = weights @ rule.moments / max(chance, 1e-300)
    count = len(QUANTITIES)
    found, squares = moments[:count], moments[count:].reshape(count, count)
    return chance, mean + half @ found, half @ (squares - np.outer(found, found)) @ half.T + LEAST_SD**2 * np.eye(count)


def grid(mean: FloatArray, cov: FloatArray, nodes: Nodes = COARSE) -> tuple[FloatArray, FloatArray]:
    """Points (m, 5) and weights (m,) of a normal distribution of the quantities."""
    half, rule = standardised(cov, nodes)
    return rule.points @ half.T + mean, rule.weights


def standardised(cov: FloatArray, nodes: Nodes) -> tuple[FloatArray, "Rule"]:
    """A root of a covariance (5, 5), so that the thickness, which is looked at most closely, varies by itself; and the points for it. What is known for
    certain takes one."""
    half: FloatArray = np.asarray(np.linalg.cholesky(cov[::-1, ::-1]), dtype=np.float64)[::-1, ::-1]
    return half, rule_of(tuple(count if half[k, k] > 2.0 * LEAST_SD else 1 for k, count in enumerate(nodes)))


@dataclass(frozen=True, eq=False)
class Rule:
    """Points (m, 5) and weights (m,) of independent standard normal quantities, with `moments` (m, 30): the points and all their products."""

    points: FloatArray
    weights: FloatArray
    moments: FloatArray


@lru_cache(maxsize=32)
def rule_of(counts: tuple[int, ...]) -> Rule:
    """The rule with so many nodes along each quantity (Gauss-Hermite)."""
    rules = [np.polynomial.hermite_e.hermegauss(count) for count in counts]
    points = np.stack(np.meshgrid(*(nodes for nodes, _ in rules), indexing="ij"), axis=-1).reshape(-1, len(counts))
    weights = reduce(np.multiply.outer, (weights / weights.sum() for _, weights in rules)).ravel()
    products = (points[:, :, None] * points[:, None, :]).reshape(len(points), -1)
    return Rule(points, weights, np.concatenate([points, products], axis=1))
