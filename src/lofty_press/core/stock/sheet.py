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


@dataclass(frozen=True, slots=True, kw_only=True)
class MistResponse:
    """How a light mist changes a sheet, and for how long.

    `yield_factor` and `break_factor` multiply the yield strain and the strain at break just after misting, `modulus_factor` the
    in-plane modulus; the effect fades exponentially with `fades_s` [s].
    """

    __pydantic_config__ = STRICT

    yield_factor: Factor = 0.6
    break_factor: Factor = 1.5
    modulus_factor: Factor = 0.75
    fades_s: Seconds = 120.0


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
    shear_strength_mpa : float
        Stress that a blade must overcome over the thickness to part the sheet. [MPa]
    hardening : float
        Slope of the stress-strain curve past yield over the modulus: about a tenth for paper, less for soft metal. [1]
    coating_break_strain : float
        Strain at which a coating shows its core. [1]
    """

    __pydantic_config__ = STRICT

    grammage_gsm: Grammage
    modulus_along_mpa: Modulus
    modulus_across_mpa: Modulus
    thickness_modulus_mpa: Modulus = 60.0
    yield_strain: Strain = 0.006
    break_strain: Strain = 0.035
    shear_strength_mpa: Modulus = 45.0
    hardening: Annotated[Number, Ge(0.005), Le(1)] = 0.1
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
