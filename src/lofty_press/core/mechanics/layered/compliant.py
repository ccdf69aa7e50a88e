"""A pile with an interface at its sheet that gives under pressure: its nip in a cross-section along the feed, whatever law the interface has."""

from collections.abc import Callable
from dataclasses import dataclass
from functools import lru_cache
from typing import Any

import numpy as np
from numpy.typing import NDArray
from scipy.interpolate import PchipInterpolator
from scipy.special import j1

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.mechanics.layered.layer import Layer, packed
from lofty_press.core.mechanics.layered.line_contact import MOST_CLOSED, line_table
from lofty_press.core.mechanics.layered.response import faces_and_sheet
from lofty_press.core.mechanics.layered.section_kernel import BAND, FORCE, MIDDLE, Law, Rollers, close_section
from lofty_press.core.sandwich.stack import FloatArray

BEYOND = "cannot be computed as a pile: its layers differ too much in thickness or stiffness"
FARTHEST_CLOSED = 19.0  # mm
BEYOND_ALL = 20.0  # logarithm of a load that no press knows
NODES = 97  # of a curve, evenly over the root of the closing
EVERY = 4  # of them an interface is solved for; cubics go between
CHANNELS = 8
LOAD, PRESSURE, HALF, PEAK_ABOVE, PEAK_BELOW, WORK, STORED, WIDTH = range(CHANNELS)
ROLLERS = [LOAD, HALF, PEAK_ABOVE, PEAK_BELOW]  # follow the load alone, whatever the interface does
GROWS = np.array([1.25, 0.6, 0.6, 0.6, 0.6, 0.0])  # powers of the closing with which a rigid pile's columns go on: as `rigid_columns`
UNBALANCED = 0.03  # of the pressure in the middle; more is no answer
PLACES = 44  # along one half of a cross-section
FINEST, COARSEST, PER_BAND = 0.2, 2.0, 6.5  # mm; and places over the band's width
SHUT = 1000.0  # MPa/mm; a closed interface gives 0.005 mm under 5 MPa, for it has to be told from an open one by finite numbers


@dataclass(frozen=True, eq=False)
class Curve:
    """State of the nip over its closing.

    `values` (NODES, CHANNELS) at closings (n step)^2: load per width [N/mm], pressure at the sheet [MPa], mean half width of both contacts [mm],
    peak under the upper and the lower roller [MPa], work per area that the interface took [N/mm], work per width that closing the rollers
    took [N], and the width of the band over half of the pressure at the sheet [mm].
    """

    step: float
    values: FloatArray

    @property
    def closing(self) -> FloatArray:
        """[mm]"""
        return np.asarray((np.arange(NODES) * self.step) ** 2, dtype=np.float64)

    def at(self, closing: float) -> FloatArray:
        """All channels at one closing [mm]; straight on after the last node."""
        place = np.sqrt(max(closing, 0.0)) / self.step
        n = min(int(place), NODES - 2)
        return np.asarray(self.values[n] + (place - n) * (self.values[n + 1] - self.values[n]))

    def band(self, pressure: float) -> float:
        """Width of the band at a pressure at the sheet [MPa]. [mm]"""
        return float(np.interp(pressure, self.values[1:, PRESSURE], self.values[1:, WIDTH]))


@dataclass(frozen=True, eq=False)
class Section:
    """Half of a cross-section along the feed, mirrored in the middle of the nip: `spacing` of its places [mm]; `stiffness` (n, n), the pressure
    at a place per opening of the interface at another [MPa/mm]; and `transfer` (n,), the pressure there per load of the rollers [1/mm]."""

    spacing: float
    stiffness: FloatArray
    transfer: FloatArray


@dataclass(frozen=True, eq=False)
class Compliant:
    """A pile as it is with its interface shut, `rigid`, up to a closing of `most` [mm], and its cross-section."""

    rigid: Curve
    section: Section
    most: float

    def curve(self, pressure: FloatArray, closing: FloatArray, work_of: Callable[[FloatArray], FloatArray]) -> Curve:
        """The nip with an interface in the sheet.

        Parameters
        ----------
        pressure, closing : ndarray, shape (m,)
            The interface's law: its closing [mm] over the pressure on it [MPa], both from 0; straight between, and shut after the last.
        work_of : callable
            Work per area that the interface takes up to some pressures.

        Returns
        -------
        Curve
            Over the closing from where the open interface is first touched.

        Notes
        -----
        In the cross-section K c + P(c) = q t for the closing c of the interface at each place, K its stiffness against opening, t the transfer
        of the rollers' load q; P never pulls. The rollers' load is the rigid pile's at the closing that the interface leaves, d - t . c. All are
        the gradient of one convex energy, closed by Newton's method with a line search.
        """
        if closing[-1] <= 0.0:
            return self.rigid
        reach = np.sqrt(self.most)
        solved = np.arange(0, NODES, EVERY)
        step = reach / (NODES - 1)
        states, residual = close_section(
            self.section.stiffness,
            self.section.transfer,
            self.section.spacing,
            Rollers(np.ascontiguousarray(self.rigid.values[:, LOAD]), float(self.rigid.step)),
            (solved[1:] * step) ** 2,
            Law(*softened(pressure, closing), SHUT),
        )
        if not residual < UNBALANCED:
            raise InvalidInput("layers", residual, BEYOND)
        values = np.zeros((NODES, CHANNELS))
        between = PchipInterpolator(solved, np.concatenate([np.zeros((1, states.shape[1])), states]), axis=0)(np.arange(NODES))
        values[:, LOAD], values[:, PRESSURE], values[1:, WIDTH] = between[:, FORCE], between[:, MIDDLE], between[1:, BAND]
        values[: EVERY + 1, WIDTH] = states[0, BAND]
        loads = self.rigid.values[:, LOAD]
        for channel in ROLLERS[1:]:
            values[:, channel] = np.interp(values[:, LOAD], loads, self.rigid.values[:, channel])
        values[:, [LOAD, PRESSURE]] = np.maximum.accumulate(values[:, [LOAD, PRESSURE]], axis=0)
        values[1:, WORK] = work_of(values[1:, PRESSURE])
        values[:, STORED] = trapezoids(values[:, LOAD], (np.arange(NODES) * step) ** 2)
        return Curve(float(step), values)


def softened(pressure: FloatArray, closing: FloatArray) -> tuple[FloatArray, FloatArray]:
    """A law whose slope is nowhere over that of a shut interface."""
    least = np.diff(pressure) / SHUT
    steps = np.maximum(np.diff(closing), least)
    return np.ascontiguousarray(pressure, dtype=np.float64), np.concatenate([[0.0], np.cumsum(steps)])


@lru_cache(maxsize=2048)
def compliant(layers: tuple[Layer, ...], sheet: int, radius: float, most: float) -> Compliant:
    """Table a pile and its cross-section; kept for the next who asks.

    Parameters
    ----------
    layers, sheet, radius, most
        As `line_table` takes them; `most` is held to what that can compute.

    Raises
    ------
    InvalidInput
        Naming what cannot be computed.
    """
    total = sum(layer.thickness for layer in layers)
    most = min(most, 0.98 * MOST_CLOSED * total, FARTHEST_CLOSED)
    try:
        table = line_table(layers, sheet, radius, most)
    except (np.linalg.LinAlgError, ArithmeticError, ValueError) as error:
        raise InvalidInput("layers", total, BEYOND) from error
    if len(table.rows) < 2 or not np.isfinite(table.rows).all():
        raise InvalidInput("layers", total, BEYOND)
    most = min(most, table.reaches)  # a table may end early, where a contact changes by leaps
    rigid = rigid_curve(table.rows, most)
    return Compliant(rigid, section_of(layers, sheet, *rigid.values[NODES // 2, [WIDTH, HALF]]), most)


def rigid_curve(rows: FloatArray, most: float) -> Curve:
    """A table's rows as a curve; before the first and after the last as a pile of constant stiffness goes on."""
    logs = np.log(rows)
    half_width = np.logaddexp(logs[:, 4], logs[:, 5]) - np.log(2.0)
    known = np.stack([logs[:, 1], logs[:, 2], half_width, logs[:, 6], logs[:, 7], logs[:, 3]])
    step = np.sqrt(most) / (NODES - 1)
    closing = (np.arange(NODES) * step) ** 2
    wanted = np.log(np.maximum(closing[1:], 1e-12))
    inside = np.clip(wanted, logs[0, 0], logs[-1, 0])
    found = (PchipInterpolator(logs[:, 0], known, axis=1) if len(rows) > 2 else lambda x: straight(x, logs[:, 0], known))(inside)
    found = found + GROWS[:, None] * (wanted - inside)
    values = np.zeros((NODES, CHANNELS))
    values[1:, [LOAD, PRESSURE, HALF, PEAK_ABOVE, PEAK_BELOW, WIDTH]] = np.exp(np.clip(found, -BEYOND_ALL, BEYOND_ALL)).T
    values[:, [LOAD, PRESSURE]] = np.maximum.accumulate(values[:, [LOAD, PRESSURE]], axis=0)
    values[0, WIDTH] = values[1, WIDTH]
    values[:, STORED] = trapezoids(values[:, LOAD], closing)
    return Curve(float(step), values)


def section_of(layers: tuple[Layer, ...], sheet: int, band: float, half_width: float) -> Section:
    """The operators of half a cross-section, on places that tell the band's width; the rollers press over a usual half width. [mm]"""
    spacing = float(np.clip(band / PER_BAND, FINEST, COARSEST))
    k = np.pi * np.arange(1, PLACES) / (PLACES * spacing)
    *_, from_top, from_bottom, jump = faces_and_sheet(packed(layers), sheet, k)
    waves = waves_at(PLACES)
    scaled = np.sqrt(2.0 / PLACES) * waves
    stiffness = (scaled * np.maximum(jump, 0.0)) @ scaled.T
    transfer = (1.0 + 2.0 * waves @ ((from_top + from_bottom) * hertzian(k * half_width))) / (2.0 * PLACES * spacing)
    return Section(spacing, np.ascontiguousarray(stiffness), np.ascontiguousarray(transfer))


def hertzian(t: NDArray[Any]) -> FloatArray:
    """Transform of a Hertzian pressure of load one over t = k a. [1]"""
    t = np.maximum(np.abs(t), 1e-9)
    return np.asarray(2.0 * j1(t) / t)


@lru_cache(maxsize=4)
def waves_at(places: int) -> FloatArray:
    """Cosines whose period is twice the section, without the even one, at its places (places, places - 1). [1]"""
    return np.asarray(np.cos(np.pi * (np.arange(places)[:, None] + 0.5) * np.arange(1, places) / places))


def straight(x: FloatArray, xs: FloatArray, ys: FloatArray) -> FloatArray:
    """Rows ys (m, n) over rising xs (n,) at x (k,), straight between and beyond: (m, k)."""
    n = np.clip(np.searchsorted(xs, x) - 1, 0, xs.size - 2)
    share = (x - xs[n]) / (xs[n + 1] - xs[n])
    return np.asarray(ys[:, n] * (1.0 - share) + ys[:, n + 1] * share)


def trapezoids(load: FloatArray, closing: FloatArray) -> FloatArray:
    """What closing under a load took up to each of its points (n,): trapezoids."""
    return np.concatenate([[0.0], np.cumsum(0.5 * (load[1:] + load[:-1]) * np.diff(closing))])
