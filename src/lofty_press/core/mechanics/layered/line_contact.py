"""Two rollers on a layered pile, per width of roller: half widths, load, closing, and the pressure that arrives at the sheet."""

from collections.abc import Sequence
from dataclasses import dataclass
from itertools import pairwise

import numpy as np
from scipy.special import eval_chebyu

from lofty_press.core.basics.errors import InvalidInput, NoBalance
from lofty_press.core.basics.words import say, size, thickness
from lofty_press.core.mechanics.layered.basis import FARTHEST, SHAPES, tails, transforms
from lofty_press.core.mechanics.layered.layer import Layer, check_layers, compiled, packed
from lofty_press.core.mechanics.layered.line_kernel import TRIES, Universal, Waves, march
from lofty_press.core.mechanics.layered.response import faces_and_sheet
from lofty_press.core.sandwich.stack import FloatArray

LONGEST_WAVE = 0.06  # over the pile's thickness, or the widest contact: longer ones only bend it
SHORTEST_WAVE = 8.0  # over the outer layers' thickness: shorter ones see a half-space
DEEPEST_WAVE = 12.0  # over the sheet's depth: shorter ones do not reach it
FINEST = 150.0  # 1/mm; films thinner than this sees are taken with what lies under them
PANEL = 2.5  # phase that one panel of five nodes covers
GROWTH = 1.8  # of panels at long waves
MOST_CLOSED = 0.5  # share of the pile's thickness
FIRST = 0.004  # mm of closing at which tables begin
RATIO = 2.0  # of closing from one row of a table to the next
WIDER = 1.6  # than a parabola that sinks in: a contact on rubber, whose surface bulges
GAUSS = np.array(np.polynomial.legendre.leggauss(5))


@dataclass(frozen=True)
class Line:
    """State of the nip per width of roller.

    `closing` of the rollers [mm], `load` [N/mm], `sheet_peak` pressure in the middle of the sheet [MPa] and `sheet_fwhm` the width of the
    band over half of it [mm], `half_width` of the contacts above and below [mm], `roller_peak` pressure there [MPa].
    """

    closing: float
    load: float
    sheet_peak: float
    sheet_fwhm: float
    half_width: tuple[float, float]
    roller_peak: tuple[float, float]


@dataclass(frozen=True)
class LineTable:
    """States of one pile's nip over a range of closings.

    `rows` (n, 8) are as `Line` has them, upper contact first; `parts` (n, 2 SHAPES - 1) the shapes whose sum the pressures are: load, then the
    others above and below [N/mm].
    """

    rows: FloatArray
    parts: FloatArray
    radius: float

    @property
    def reaches(self) -> float:
        """Largest closing that it covers: less than was asked for where a contact changes by leaps. [mm]"""
        return float(self.rows[-1, 0]) if len(self.rows) else 0.0

    def under_rollers(self, row: int, x: FloatArray) -> tuple[FloatArray, FloatArray]:
        """Pressure above and below at distances x (n,) from the middle of the nip, in one row of the table. [mm, MPa]"""
        load, others = self.parts[row, 0], self.parts[row, 1:].reshape(2, SHAPES - 1)
        return (
            pressure_of(load, others[0], float(self.rows[row, 4]), x),
            pressure_of(load, others[1], float(self.rows[row, 5]), x),
        )

    def at(self, closing: float) -> Line:
        """State at a closing [mm]; all zero where nothing touches.

        Cubic in the logarithms, which leaves under 0.2 %; straight on beyond `reaches`, where it is no more than a guess.
        """
        if closing <= 0:
            return Line(max(closing, 0.0), 0.0, 0.0, 0.0, (0.0, 0.0), (0.0, 0.0))
        logs = np.log(self.rows)
        load, peak, width, top, bottom, p_top, p_bottom = np.exp(cubic(np.log(closing), logs[:, 0], logs[:, 1:]))
        return Line(closing, float(load), float(peak), float(width), (float(top), float(bottom)), (float(p_top), float(p_bottom)))


def pressure_of(load: float, others: FloatArray, half_width: float, x: FloatArray) -> FloatArray:
    """Sum of the shapes over one contact. [MPa]"""
    inside = np.clip(1.0 - (x / half_width) ** 2, 0.0, None)
    total = np.full(x.shape, 2.0 * load)
    for n, part in enumerate(others, start=1):
        total += (-1) ** n * part * eval_chebyu(2 * n, np.clip(x / half_width, -1.0, 1.0))
    return np.asarray(np.sqrt(inside) * total / (np.pi * half_width))


def cubic(x: float, xs: FloatArray, ys: FloatArray) -> FloatArray:
    """Lagrange's cubic through the four points around `x`, straight outside; xs (n,) rising, ys (n, m)."""
    if x <= xs[0] or x >= xs[-1]:
        i = 0 if x <= xs[0] else xs.size - 2
        slope = (ys[i + 1] - ys[i]) / (xs[i + 1] - xs[i])
        end = 0 if x <= xs[0] else xs.size - 1
        return np.asarray(ys[end] + slope * (x - xs[end]))
    i = min(max(int(np.searchsorted(xs, x)) - 2, 0), max(xs.size - 4, 0))
    near = xs[i : i + 4]
    weights = [np.prod([(x - other) / (own - other) for other in near if other != own]) for own in near]
    return np.asarray(weights @ ys[i : i + 4])


def line_table(layers: Sequence[Layer], sheet: int, radius: float, most: float) -> LineTable:
    """Table a pile's nip between two equal rigid rollers.

    Parameters
    ----------
    layers : sequence of Layer
        From the bottom up, bonded; linear, isotropic, in plane strain. Where rubber slips on its neighbours it is softer than bonded.
    sheet : int
        Index of the sheet.
    radius : float
        Radius of the rollers, > 0. [mm]
    most : float
        Largest closing that is asked for, > 0. [mm]

    Raises
    ------
    InvalidInput
        Naming what cannot be computed.
    NoBalance
        If not even a light touch can be solved.

    Notes
    -----
    Pressures under both rollers are sums of `SHAPES` shapes over two half widths; Galerkin's conditions over the contacts make the faces
    follow the rollers, taken as parabolas, and the lower half width is the one at which no edge is infinite. What the pile makes of each
    wave comes from `faces_and_sheet`; waves shorter than the outer layers see half-spaces, in closed form.

    References
    ----------
    Conditions as K. L. Johnson, Contact Mechanics, 1985, chapters 4 and 5; the form is ours.
    """
    check_layers(layers, sheet)
    if not 1.0 <= radius <= 500.0:
        raise InvalidInput("roller_radius_mm", radius, say("must be {least} to {most}", least=size(1.0), most=size(500.0)))
    if not 1e-4 <= most <= 20.0:
        raise InvalidInput("closing_mm", most, say("must be over 0 and at most {most}", most=size(20.0)))
    pile = packed(layers)
    total = float(pile[:, 0].sum())
    if most > MOST_CLOSED * total:
        raise InvalidInput(
            "closing_mm", most, say("must be at most half of the pile's {total}; closer, it's no longer elastic", total=thickness(total))
        )
    depth = float(pile[:sheet, 0].sum() + 0.5 * pile[sheet, 0])
    finest = max(SHORTEST_WAVE / min(pile[0, 0], pile[-1, 0]), DEEPEST_WAVE / min(depth, total - depth))
    widest = WIDER * float(np.sqrt(2.0 * radius * most))
    k, weight = wave_nodes(LONGEST_WAVE / max(total, widest), finest, widest, GAUSS)
    top, bottom, across, from_top, from_bottom, _ = faces_and_sheet(pile, sheet, k)
    weight = weight / np.pi
    waves = Waves(
        k,
        weight * top,
        weight * bottom,
        weight * across,
        weight * from_top,
        weight * from_bottom,
        float(top[-1] * k[-1]),
        float(bottom[-1] * k[-1]),
    )
    closings = (min(FIRST, most / 4.0), most, RATIO)
    softer_first = waves.face_top >= waves.face_bottom
    table = led_by(softer_first, waves, radius, closings, total)
    if table.reaches < most:
        other = led_by(not softer_first, waves, radius, closings, total)
        table = max(table, other, key=lambda found: found.reaches)
    if len(table.rows) < 2:
        raise NoBalance(TRIES, most)
    return table


def led_by(top: bool, waves: Waves, radius: float, closings: tuple[float, float, float], total: float) -> LineTable:
    """The table found by going along the half width of one of the contacts; the other one is solved for at each step."""
    universal = Universal(transforms(), tails())
    if top:
        return LineTable(*rising(*march(waves, universal, radius, closings, total)), radius)
    k, s_top, s_bottom, across, t_top, t_bottom, face_top, face_bottom = waves
    turned = Waves(k, s_bottom, s_top, across, t_bottom, t_top, face_bottom, face_top)
    rows, parts = rising(*march(turned, universal, radius, closings, total))
    return LineTable(
        rows[:, [0, 1, 2, 3, 5, 4, 7, 6]], np.concatenate([parts[:, :1], parts[:, SHAPES:], parts[:, 1:SHAPES]], axis=1), radius
    )


def rising(rows: FloatArray, parts: FloatArray) -> tuple[FloatArray, FloatArray]:
    """The longest run of a table (n, 8) in which closing, load and both half widths rise: a hard film on something soft may be taken at a first touch that
    is none, or leap."""
    falls = np.flatnonzero((np.diff(rows[:, [0, 1, 4, 5]], axis=0) <= 0).any(axis=1)) + 1
    edges = [0, *falls.tolist(), len(rows)]
    first, last = max(pairwise(edges), key=lambda run: run[1] - run[0])
    return rows[first:last], parts[first:last]


@compiled
def wave_nodes(low: float, finest: float, widest: float, rule: np.ndarray) -> tuple[np.ndarray, np.ndarray]:
    """Wavenumbers and their weights for integrals from zero to the finest wave that is told from a half-space's. [1/mm]

    `rule` (2, n) holds nodes and weights of one panel from -1 to 1. Below the first node everything that is integrated is flat.
    """
    high = max(min(finest, FINEST, FARTHEST / widest), 4.0 * low)
    panels, edge = 0, low
    while edge < high:
        edge = min(edge * GROWTH, edge + PANEL / widest, high)
        panels += 1
    k, weight = np.empty(1 + panels * rule.shape[1]), np.empty(1 + panels * rule.shape[1])
    k[0], weight[0] = low, low
    edge, at = low, 1
    for _ in range(panels):
        following = min(edge * GROWTH, edge + PANEL / widest, high)
        for n in range(rule.shape[1]):
            k[at] = 0.5 * (edge + following) + 0.5 * (following - edge) * rule[0, n]
            weight[at] = 0.5 * (following - edge) * rule[1, n]
            at += 1
        edge = following
    return k, weight
