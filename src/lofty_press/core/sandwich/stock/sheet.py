"""What a sheet is made of and how it bears being pressed."""

import math
from dataclasses import dataclass
from typing import Annotated, Literal

from annotated_types import Ge, Le

from lofty_press.core.basics.quantities import STRICT, Colour, Factor, Grammage, Modulus, Number, Seconds, Share, Strain
from lofty_press.core.basics.words import Asked, say

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

    yield_factor: Annotated[
        Factor,
        Asked(
            say("Yield strain when damp (× dry)"),
            "number",
            help=say("Strain where it starts to keep a shape, just after misting, over the dry sheet's."),
            rare=True,
        ),
    ] = 0.6
    break_factor: Annotated[
        Factor,
        Asked(
            say("Stretch at break when damp (× dry)"),
            "number",
            help=say("Strain at break just after misting, over the dry sheet's."),
            rare=True,
        ),
    ] = 1.5
    modulus_factor: Annotated[
        Factor,
        Asked(say("Stiffness when damp (× dry)"), "number", help=say("Stiffness just after misting, over the dry sheet's."), rare=True),
    ] = 0.75
    fades_s: Annotated[
        Seconds, Asked(say("Mist fades in"), "seconds", help=say("After this time about a third of the softening is left."), rare=True)
    ] = 360.0


@dataclass(frozen=True, slots=True, kw_only=True)
class ShapeSet:
    """How a sheet keeps a shape that it is held in while it dries or cools, as soaked leather and warmed foam do.

    At a constant strain `share` of the stress relaxes within `hold_s` [s]: what springs back when the tool opens is the rest of it. Opened at
    once, such a sheet springs back in full.

    References
    ----------
    Stress relaxation, any text on viscoelasticity. Leather dried under strain keeps 60 to 80 % of it (value from memory).
    """

    __pydantic_config__ = STRICT

    share: Annotated[
        Share,
        Asked(say("springs back less, by"), "share", help=say("How much of the spring-back is gone when it stays in the closed tool.")),
    ] = 0.7
    hold_s: Annotated[
        Seconds, Asked(say("stays closed for"), "seconds", help=say("How long it stays in the closed tool, under a weight."))
    ] = 3600.0
    by: Annotated[Literal["drying", "cooling"], Asked(say("sets by"))] = "drying"


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

    grammage_gsm: Annotated[
        Grammage, Asked(say("weight"), "grammage", help=say("Printed on the pack: gsm, or g/m². Weigh ten sheets if it is not."))
    ]
    modulus_along_mpa: Annotated[
        Modulus,
        Asked(
            say("stiffness with the grain"),
            "modulus",
            help=say("Young's modulus in the sheet's plane; card has 4000 to 6000 MPa."),
            rare=True,
        ),
    ]
    modulus_across_mpa: Annotated[
        Modulus, Asked(say("stiffness across the grain"), "modulus", help=say("About half of that with the grain, for card."), rare=True)
    ]
    thickness_modulus_mpa: Annotated[
        Modulus, Asked(say("stiffness through the thickness"), "modulus", help=say("How hard the sheet is to squeeze thinner."), rare=True)
    ] = 60.0
    yield_strain: Annotated[
        Strain, Asked(say("starts to keep a shape at"), "share", help=say("Stretch where it starts to keep a shape."), rare=True)
    ] = 0.006
    break_strain: Annotated[
        Strain, Asked(say("breaks at"), "share", help=say("Stretch at which it tears, between both directions."), rare=True)
    ] = 0.033
    break_ratio: Annotated[
        Factor | None,
        Asked(
            say("across over along, at break"),
            "number",
            help=say("Left empty, it follows from the stiffnesses: the stiffer way breaks sooner."),
            rare=True,
        ),
    ] = None
    shear_strength_mpa: Annotated[
        Modulus,
        Asked(say("resists a blade with"), "modulus", help=say("What a blade has to overcome over the sheet's thickness."), rare=True),
    ] = 45.0
    hardening: Annotated[
        Number,
        Ge(0.005),
        Le(1),
        Asked(say("hardens with"), "share", help=say("Slope past the point where it keeps a shape, over the slope before it."), rare=True),
    ] = 0.2
    saturation_strain: Annotated[
        Strain | None,
        Asked(say("stops hardening at"), "share", help=say("For soft metals; empty for anything that breaks first."), rare=True),
    ] = None
    coating: Annotated[Coating, Asked(say("coating"), help=say("Coated faces shed mist and show cracks."))] = "none"
    coating_break_strain: Annotated[
        Strain, Asked(say("coating cracks at"), "share", help=say("Stretch at which a coating shows its core."), rare=True)
    ] = 0.08
    finish: Annotated[Finish, Asked(say("finish"))] = "plain"
    core_colour: Annotated[Colour | None, Asked(say("color of its core"), help=say("What shows where the face is sanded or cracked."))] = (
        None
    )
    face_colour: Annotated[Colour, Asked(say("color of its face"))] = "#e9e2d0"
    shows_scars: Annotated[bool, Asked(say("shows every scar"), help=say("A mirror or foil face prints every mark of a worn plate."))] = (
        False
    )
    mist: Annotated[MistResponse | None, Asked(say("answer to mist"), help=say("Empty if it takes up no water."), rare=True)] = (
        MistResponse()
    )
    sets: Annotated[
        ShapeSet | None,
        Asked(
            say("sets in the tool"), help=say("For leather and foam, which keep the shape they dry or cool in. Empty for paper."), rare=True
        ),
    ] = None

    @property
    def modulus(self) -> float:
        """In-plane modulus without regard to direction: geometric mean of both. [MPa]"""
        return math.sqrt(self.modulus_along_mpa * self.modulus_across_mpa)

    @property
    def relaxed(self) -> float:
        """Share of the stress that is gone when the tool opens. [1]"""
        return 0.0 if self.sets is None else self.sets.share

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
