"""How an interface in the pile closes under pressure: a folder over its relief, a blade through a sheet, a foam until it is solid."""

from collections.abc import Iterable
from dataclasses import dataclass

import numpy as np

from lofty_press.core.sandwich.stack import FloatArray

RISES = 1e-9  # mm or MPa; laws rise by at least this from point to point, so that they can be read both ways
ENDLESS = 1e6  # MPa; beyond every press


@dataclass(frozen=True, eq=False)
class LocalLaw:
    """Closing of an interface over the pressure on it, both (n,) and rising from 0; straight between its points, and shut after the last.

    `pressure` [MPa], `closing` [mm].
    """

    pressure: FloatArray
    closing: FloatArray

    def __hash__(self) -> int:
        return hash((self.pressure.tobytes(), self.closing.tobytes()))

    def __eq__(self, other: object) -> bool:
        return isinstance(other, LocalLaw) and np.array_equal(self.pressure, other.pressure) and np.array_equal(self.closing, other.closing)

    @property
    def travel(self) -> float:
        """How far it closes in all. [mm]"""
        return float(self.closing[-1])

    def closing_at(self, pressure: FloatArray) -> FloatArray:
        """Closing under some pressures (m,). [mm]"""
        return np.asarray(np.interp(pressure, self.pressure, self.closing))

    def pressure_at(self, closing: FloatArray) -> FloatArray:
        """Pressure at some closings (m,); endless once it is shut. [MPa]"""
        return np.asarray(np.interp(closing, self.closing, self.pressure, right=ENDLESS))

    def work_at(self, pressure: FloatArray) -> FloatArray:
        """Work per area that closing it up to some pressures (m,) takes. [N/mm]"""
        steps = 0.5 * (self.pressure[1:] + self.pressure[:-1]) * np.diff(self.closing)
        whole = np.concatenate([[0.0], np.cumsum(steps)])
        n = np.clip(np.searchsorted(self.pressure, pressure, side="right") - 1, 0, self.pressure.size - 1)
        return np.asarray(
            whole[n] + 0.5 * (self.pressure[n] + np.minimum(pressure, self.pressure[-1])) * (self.closing_at(pressure) - self.closing[n])
        )

    def times(self, pressure: float) -> "LocalLaw":
        """The same closing under so many times the pressure, as where a blade is denser. [1]"""
        return LocalLaw(self.pressure * pressure, self.closing)


RIGID = LocalLaw(np.array([0.0, ENDLESS]), np.zeros(2))


def broken_line(pieces: Iterable[tuple[float, float]]) -> LocalLaw:
    """A law of pieces that each give so much per pressure [mm/MPa] until they have gone so far [mm], all in series."""
    kept = [(compliance, travel) for compliance, travel in pieces if compliance > 0 and travel > 0]
    if not kept:
        return RIGID
    full = sorted(travel / compliance for compliance, travel in kept)
    pressure = np.array([0.0, *full])
    closing = sum(np.minimum(compliance * pressure, travel) for compliance, travel in kept)
    return LocalLaw(*risen(pressure, np.asarray(closing)))


def in_series(one: LocalLaw, two: LocalLaw) -> LocalLaw:
    """Two interfaces that carry the same pressure."""
    if one.travel == 0.0 or two.travel == 0.0:
        return two if one.travel == 0.0 else one
    pressure = np.union1d(one.pressure, two.pressure)
    return LocalLaw(*risen(pressure, one.closing_at(pressure) + two.closing_at(pressure)))


def side_by_side(one: LocalLaw, two: LocalLaw) -> LocalLaw:
    """Two that are shut at the same closing and share the pressure: the one that travels less comes in later."""
    travel = max(one.travel, two.travel)
    closing = np.union1d(travel - one.travel + one.closing, travel - two.travel + two.closing)
    pressure = sum(np.interp(closing, travel - law.travel + law.closing, law.pressure) for law in (one, two))
    return LocalLaw(*risen(np.asarray(pressure), closing))


def risen(pressure: FloatArray, closing: FloatArray) -> tuple[FloatArray, FloatArray]:
    """Both made to rise from the origin."""
    steps = np.arange(pressure.size) * RISES
    return np.maximum.accumulate(pressure) + steps, np.maximum.accumulate(closing) + steps
