"""How a sheet answers to being bent: elastic, then plastic from the faces inward."""

from dataclasses import dataclass

import numba
import numpy as np

from lofty_press.core.errors import InvalidInput

inline = numba.njit(cache=True, fastmath=True, error_model="numpy", inline="always")


@inline
def secant_and_tangent(curvature: float, yields: float, hardening: float) -> tuple[float, float]:
    """Moment over curvature, and slope of the moment, both as shares of the elastic stiffness [1].

    Parameters
    ----------
    curvature : float
        Equivalent curvature, >= 0. [1/mm]
    yields : float
        Curvature at which the faces begin to yield; infinite for an elastic sheet. [1/mm]
    hardening : float
        Slope of the stress-strain curve past yield over the modulus. [1]

    Notes
    -----
    A rectangular section of a material that is elastic up to its yield strain and hardens with the slope h E after it carries
    M = D [(1 - h) y (3/2 - (y / k)^2 / 2) + h k] past the yield curvature y: the elastic core shrinks as 1 / k.

    References
    ----------
    Plastic bending of a rectangular section, any strength of materials textbook; from memory.
    """
    if curvature <= yields:
        return 1.0, 1.0
    share = yields / curvature
    soft = 1.0 - hardening
    return soft * share * (1.5 - 0.5 * share * share) + hardening, soft * share * share * share + hardening


@inline
def bending_energy(curvature: float, yields: float, hardening: float) -> float:
    """Energy per area over the elastic stiffness, the integral of the moment [1/mm2]."""
    if curvature <= yields:
        return 0.5 * curvature * curvature
    ratio = curvature / yields
    return (1.0 - hardening) * yields * yields * (1.5 * ratio + 0.5 / ratio - 1.5) + 0.5 * hardening * curvature * curvature


@dataclass(frozen=True)
class Section:
    """Bending and stretching of a sheet, grain along x or y.

    `along`, `across`, `coupling` and `twist` are D11, D22, D12 and D66 of an orthotropic plate [N mm]; `reference` is the stiffness
    by which curvatures of different kinds are weighed against one another [N mm]; `yield_curvature` [1/mm]. `membrane` is
    E t / (1 - nu^2) [N/mm], `yield_strain` the in-plane strain at yield [1].
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

    def elastic(self) -> "Section":
        """The same section without a yield limit."""
        return Section(
            self.thickness,
            self.along,
            self.across,
            self.coupling,
            self.twist,
            self.reference,
            float("inf"),
            self.hardening,
            self.membrane,
            float("inf"),
        )


def plate_section(
    *,
    thickness: float,
    modulus_x: float,
    modulus_y: float,
    poisson: float,
    yield_strain: float,
    hardening: float,
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

    Raises
    ------
    InvalidInput
        If thickness or a modulus is not positive.

    Notes
    -----
    D11 = E1 t^3 / 12 (1 - nu^2) and so on, D12 = nu sqrt(D11 D22), D66 = (1 - nu) / 2 sqrt(D11 D22): the usual estimate for paper,
    whose shear modulus is seldom measured (Huber's assumption, from memory). Yield curvature 2 e / t.
    """
    if not thickness > 0 or not modulus_x > 0 or not modulus_y > 0:
        raise InvalidInput("thickness", thickness, "thickness and moduli of the sheet must be over 0")
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
    )
