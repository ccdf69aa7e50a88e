"""What a sheet is made of and how it bears being pressed."""

import math
from dataclasses import dataclass
from typing import Annotated, Literal

from annotated_types import Ge, Le

from lofty_press.core.quantities import STRICT, Colour, Factor, Grammage, Modulus, Number, Seconds, Strain

Finish = Literal[
    "plain",
    "foil",
    "mirror",
    "metallic",
    "glitter",
    "vellum",
    "watercolour",
    "kraft",
    "chipboard",
    "glossy",
    "waxed",
    "film",
    "sheet metal",
    "leather",
    "foam",
]
Coating = Literal["none", "front", "both"]

STIFFER_BREAKS_SOONER = math.log(5.0 / 2.2) / math.log(2.0)  # power of the moduli's ratio


@dataclass(frozen=True, slots=True, kw_only=True)
class MistResponse:
    """How a light mist changes a sheet, and for how long.

    `yield_factor` and `break_factor` multiply the yield strain and the strain at break just after misting, `modulus_factor` the
    in-plane modulus; the effect fades exponentially with `fades_s` [s]: 10 g/m2 leave at first at some 0.1 kg/m2 in an hour, six minutes' worth
    (order of magnitude, from memory).
    """

    __pydantic_config__ = STRICT

    yield_factor: Factor = 0.6
    break_factor: Factor = 1.5
    modulus_factor: Factor = 0.75
    fades_s: Seconds = 360.0


@dataclass(frozen=True, slots=True, kw_only=True)
class SheetStock:
    """Mechanical description of a sheet stock; its thickness belongs to the item that carries it.

    Parameters
    ----------
    grammage_gsm : float
        Mass per area. [g/m2]
    modulus_along_mpa, modulus_across_mpa : float
        In-plane Young's modulus with and across the grain. [MPa]
    thickness_modulus_mpa : float
        Modulus through the thickness. [MPa]
    yield_strain, break_strain : float
        In-plane strain at the onset of lasting deformation and at break, geometric mean of both directions. [1]
    break_ratio : float or None
        Strain at break across the grain over that along it; None if nobody measured it: see `breaks_apart`. [1]
    shear_strength_mpa : float
        Stress that a blade must overcome over the thickness to part the sheet. [MPa]
    hardening : float
        Slope of the stress-strain curve past yield over the modulus: about a fifth for paper, less for soft metal. [1]
    saturation_strain : float or None
        Strain from which it hardens no more, as soft metals do; None for what breaks before. [1]
    coating_break_strain : float
        Strain at which a coating shows its core. [1]
    """

    __pydantic_config__ = STRICT

    grammage_gsm: Grammage
    modulus_along_mpa: Modulus
    modulus_across_mpa: Modulus
    thickness_modulus_mpa: Modulus = 60.0
    yield_strain: Strain = 0.006
    break_strain: Strain = 0.033
    break_ratio: Factor | None = None
    shear_strength_mpa: Modulus = 45.0
    hardening: Annotated[Number, Ge(0.005), Le(1)] = 0.2
    saturation_strain: Strain | None = None
    coating: Coating = "none"
    coating_break_strain: Strain = 0.08
    finish: Finish = "plain"
    core_colour: Colour | None = None
    face_colour: Colour = "#e9e2d0"
    shows_scars: bool = False
    mist: MistResponse | None = MistResponse()

    @property
    def modulus(self) -> float:
        """In-plane modulus without regard to direction: geometric mean of both. [MPa]"""
        return math.sqrt(self.modulus_along_mpa * self.modulus_across_mpa)

    @property
    def saturates(self) -> float:
        """Strain from which it hardens no more, over the strain at yield. [1]"""
        return math.inf if self.saturation_strain is None else self.saturation_strain / self.yield_strain

    @property
    def breaks_apart(self) -> float:
        """Strain at break across the grain over that along it. [1]

        Notes
        -----
        What is stiffer breaks sooner. Unless it was measured, the moduli's ratio to the power that leads from 2 : 1 to 5 % across and 2.2 % along,
        typical for card (from memory).
        """
        if self.break_ratio is not None:
            return self.break_ratio
        return float((self.modulus_along_mpa / self.modulus_across_mpa) ** STIFFER_BREAKS_SOONER)
