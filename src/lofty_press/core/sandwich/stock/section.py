"""How a sheet answers to being bent: elastic, then plastic from the faces inward."""

import math
from dataclasses import dataclass, replace

import numba
import numpy as np
from numpy.typing import NDArray

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.basics.words import say

FloatArray = NDArray[np.float64]

inline = numba.njit(cache=True, fastmath=True, error_model="numpy", inline="always")


@inline
def ideal_section(curvature: float, yields: float) -> tuple[float, float]:
    """Secant and tangent [1] of a section that is elastic up to its yield curvature [1/mm] and ideally plastic past it."""
    if curvature <= yields:
        return 1.0, 1.0
    share = yields / curvature
    return share * (1.5 - 0.5 * share * share), share * share * share


@inline
def ideal_energy(curvature: float, yields: float) -> float:
    """Energy per area of such a section over the elastic stiffness, the integral of the moment. [1/mm2]"""
    if curvature <= yields:
        return 0.5 * curvature * curvature
    ratio = curvature / yields
    return yields * yields * (1.5 * ratio + 0.5 / ratio - 1.5)


@inline
def secant_and_tangent(curvature: float, yields: float, hardening: float, saturates: float) -> tuple[float, float]:
    """Moment over curvature, and slope of the moment, both as shares of the elastic stiffness [1].

    Parameters
    ----------
    curvature : float
        Equivalent curvature, >= 0. [1/mm]
    yields : float
        Curvature at which the faces begin to yield; infinite for an elastic sheet. [1/mm]
    hardening : float
        Slope of the stress-strain curve past yield over the modulus. [1]
    saturates : float
        Curvature at which the faces stop hardening. [1/mm]

    Notes
    -----
    A material that hardens with the slope h E between its yield strain and the one at which it is saturated is two ideally plastic ones side by
    side: a share 1 - h that yields at the first, and a share h that yields at the second. Of each a rectangular section carries
    M = D y (3/2 - (y / k)^2 / 2) past its yield curvature y: the elastic core shrinks as 1 / k.

    References
    ----------
    Plastic bending of a rectangular section, any strength of materials textbook; from memory.
    """
    first, first_slope = ideal_section(curvature, yields)
    later, later_slope = ideal_section(curvature, saturates)
    return (1.0 - hardening) * first + hardening * later, (1.0 - hardening) * first_slope + hardening * later_slope


@inline
def bending_energy(curvature: float, yields: float, hardening: float, saturates: float) -> float:
    """Energy per area over the elastic stiffness, the integral of the moment [1/mm2]."""
    return (1.0 - hardening) * ideal_energy(curvature, yields) + hardening * ideal_energy(curvature, saturates)


@dataclass(frozen=True)
class Section:
    """Bending and stretching of a sheet, grain along x or y.

    `along`, `across`, `coupling` and `twist` are D11, D22, D12 and D66 of an orthotropic plate [N mm]; `reference` is the stiffness
    by which curvatures of different kinds are weighed against one another [N mm]; `yield_curvature` [1/mm]. `membrane` is
    E t / (1 - nu^2) [N/mm], `yield_strain` the in-plane strain at yield, `saturates` how many times that it bears before it hardens no more [1],
    `relaxed` the share of the stress that is gone before the sheet is let go [1].
    """

    thickness: float
    along: float
    across: float
    coupling: float
    twist: float
    reference: float
    yield_curvature: float
    hardening: float
    membrane: float
    yield_strain: float
    saturates: float
    relaxed: float = 0.0

    def lasting(self, strain: FloatArray) -> FloatArray:
        """What of an in-plane stretch stays when its tension is gone: all but the stress over the modulus. [1]"""
        stretched = np.maximum(strain, 0.0)
        first, later = np.minimum(stretched, self.yield_strain), np.minimum(stretched, self.saturates * self.yield_strain)
        elastic = (1.0 - self.hardening) * first + self.hardening * later
        return np.asarray(stretched - (1.0 - self.relaxed) * elastic)

    def elastic(self) -> "Section":
        """The same section without a yield limit."""
        return replace(self, yield_curvature=math.inf, yield_strain=math.inf)


def plate_section(
    *,
    thickness: float,
    modulus_x: float,
    modulus_y: float,
    poisson: float,
    yield_strain: float,
    hardening: float,
    saturates: float = math.inf,
) -> Section:
    """Section of a sheet from its in-plane constants.

    Parameters
    ----------
    thickness : float
        Thickness, > 0. [mm]
    modulus_x, modulus_y : float
        Young's modulus along the grid's axes, > 0. [MPa]
    poisson : float
        Poisson's ratio as the geometric mean of both directions, 0 <= poisson < 1. [1]
    yield_strain : float
        Strain at which the sheet yields; infinite for an elastic one. [1]
    hardening : float
        Slope past yield over the modulus. [1]
    saturates : float
        Strain at which it hardens no more, over the one at yield. [1]

    Raises
    ------
    InvalidInput
        If thickness or a modulus is not positive.

    Notes
    -----
    D11 = E1 t^3 / 12 (1 - nu^2) and so on, D12 = nu sqrt(D11 D22), D66 = (1 - nu) / 2 sqrt(D11 D22): the usual estimate for paper,
    whose shear modulus is seldom measured (Huber's assumption, from memory). Yield curvature 2 e / t. Since yield is told from the elastic
    energy, a sheet yields along and across at strains that are as the square root of the moduli, inverted: 1.4 for card of 2 to 1.
    """
    if not thickness > 0 or not modulus_x > 0 or not modulus_y > 0:
        raise InvalidInput("thickness", thickness, say("thickness and moduli of the sheet must be over 0"))
    scale = thickness**3 / (12.0 * (1.0 - poisson**2))
    mean = float(np.sqrt(modulus_x * modulus_y))
    return Section(
        thickness=thickness,
        along=modulus_x * scale,
        across=modulus_y * scale,
        coupling=poisson * mean * scale,
        twist=0.5 * (1.0 - poisson) * mean * scale,
        reference=mean * scale,
        yield_curvature=2.0 * yield_strain / thickness,
        hardening=hardening,
        membrane=mean * thickness / (1.0 - poisson**2),
        yield_strain=yield_strain,
        saturates=saturates,
    )
