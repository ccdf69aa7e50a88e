"""Things that can lie in a sandwich."""

from dataclasses import dataclass
from typing import Annotated, Literal

from annotated_types import Ge, Le, Len

from lofty_press.core.basics.quantities import (
    STRICT,
    Colour,
    Key,
    LayerThickness,
    Length,
    Modulus,
    Name,
    Note,
    Number,
    Outline,
    ReliefKey,
    Seconds,
    Share,
    Spread,
)
from lofty_press.core.basics.words import APART, Asked, say
from lofty_press.core.sandwich.materials import MaterialName
from lofty_press.core.sandwich.stack.kinds import ItemKind
from lofty_press.core.sandwich.stock import SheetStock


@dataclass(frozen=True, slots=True, kw_only=True)
class Thickness:
    """A thickness with its standard deviation [mm], and whether it was measured or is typical for its class."""

    __pydantic_config__ = STRICT

    mm: Annotated[
        LayerThickness, Asked(say("thickness"), "thickness", help=say("Measured with a caliper, or what is typical for its class."))
    ]
    sd_mm: Annotated[
        Spread,
        Asked(
            say("give or take"), "thickness", help=say("How far off it may be: a hundredth of a millimeter with a gauge, a tenth by eye.")
        ),
    ] = 0.05
    source: Annotated[Literal["gauge", "typical"], Asked(say("known from"))] = "typical"


@dataclass(frozen=True, slots=True, kw_only=True)
class Relief:
    """Relief of a tool.

    Parameters
    ----------
    height_mm : float
        From the ground to the highest part. [mm]
    sd_mm : float
        Standard deviation of the height. [mm]
    span_mm : float
        Width over which the sheet has to go from ground to height at the finest detail. [mm]
    raised_share : float
        Share of the area that stands up. [1]
    hinge_margin_mm : float
        Strip along the hinge that has no relief. [mm]
    words_read : {"raised", "sunk"} or None
        On which side of the finished sheet its words read the right way round; None without words.
    map : str or None
        Key of the height map that shows it; None where there are only these figures.
    """

    __pydantic_config__ = STRICT

    height_mm: Annotated[LayerThickness, Asked(say("relief height"), "thickness", help=say("From the ground to the highest part."))]
    span_mm: Annotated[
        Length,
        Asked(
            say("finest width"),
            "size",
            help=say("Width over which the sheet goes from the ground to the height, where the pattern is finest."),
            rare=True,
        ),
    ]
    sd_mm: Annotated[
        Spread,
        Asked(
            say("give or take"),
            "thickness",
            help=say("How far off the height may be: a twentieth of a millimeter with a caliper, a quarter of it by eye."),
            rare=True,
        ),
    ] = 0.0
    raised_share: Annotated[Share, Asked(say("raised share"), "share", help=say("How much of the pattern is raised."), rare=True)] = 0.4
    hinge_margin_mm: Annotated[
        Number, Ge(0), Le(100), Asked(say("blank along the hinge"), "size", help=say("A strip without a pattern."))
    ] = 0.0
    words_read: Annotated[
        Literal["raised", "sunk"] | None,
        Asked(say("words read on its"), help=say("From which side of the finished sheet you read them; empty without words.")),
    ] = None
    map: Annotated[ReliefKey | None, APART] = None


@dataclass(frozen=True, slots=True, kw_only=True)
class Blade:
    """Cutting edge of a die: how far it stands above the die's body [mm], how much of it there is [mm], the key of the map that shows
    where it runs, and whether it cuts a whole line or a row of slits."""

    __pydantic_config__ = STRICT

    height_mm: Annotated[LayerThickness, Asked(say("blade height"), "thickness", help=say("How far it sticks out of the die's body."))]
    length_mm: Annotated[
        Number,
        Ge(1),
        Le(1_000_000),
        Asked(say("length of blade"), "size", help=say("All of it together. An outline from a file gives it exactly.")),
    ]
    map: Annotated[ReliefKey | None, APART] = None
    teeth: Annotated[Literal["whole", "perforating"], Asked(say("cuts"))] = "whole"


@dataclass(frozen=True, slots=True, kw_only=True)
class Ink:
    """An ink and how long it stays wet on plastic [s]."""

    __pydantic_config__ = STRICT

    name: Annotated[Name, APART]
    type: Annotated[
        Literal["pigment", "slow craft", "dye", "letterpress", "powder base"],
        Asked(say("type"), help=say("Pigment and slow craft inks stay open on plastic; dye dries at once.")),
    ]
    open_s: Annotated[Seconds, Asked(say("stays open"), "seconds", help=say("How long it stays wet on plastic."))] = 300.0
    colour: Annotated[Colour, Asked(say("color"))] = "#1f6f63"
    shelf_id: Annotated[Key | None, APART] = None
    note: Annotated[Note, Asked(say("note"))] = ""


@dataclass(frozen=True, slots=True, kw_only=True)
class Item:
    """One thing from the shelf, with all the numbers that the computation needs.

    `width_mm` is its size across the feed and `length_mm` along it, unrotated; `outline` replaces the rectangle by a polygon
    around the middle, and `windows` are holes in it. `modulus_mpa` and `shore_a` replace the material's usual stiffness;
    the first is Young's of a mat or a foam, and of anything else what a wide piece shows between two plates, which cannot spread. A
    folder's thickness is that of both halves closed and empty. `picture` is the key of the picture that shows it, `photo` that of the whole photo it was found in.
    """

    __pydantic_config__ = STRICT

    kind: Annotated[ItemKind, APART]
    name: Annotated[Name, APART]
    thickness: Annotated[Thickness, Asked(say("thickness"))]
    width_mm: Annotated[Length, Asked(say("across the feed"), "size", help=say("Unturned, the way it goes into the press."))]
    length_mm: Annotated[Length, Asked(say("along the feed"), "size")]
    material: Annotated[MaterialName, Asked(say("made of"))]
    modulus_mpa: Annotated[
        Modulus | None, Asked(say("stiffness, if known"), "modulus", help=say("Empty: what is usual for its material."), rare=True)
    ] = None
    shore_a: Annotated[
        Annotated[Number, Ge(20), Le(90)] | None,
        Asked(say("hardness, Shore A"), "number", help=say("Printed on better mats; empty: what is usual."), rare=True),
    ] = None
    outline: Annotated[Outline | None, APART] = None
    windows: Annotated[tuple[Outline, ...], Len(0, 40), APART] = ()
    relief: Annotated[Relief | None, Asked(say("relief"))] = None
    blade: Annotated[Blade | None, Asked(say("blade"))] = None
    stock: Annotated[SheetStock | None, Asked(say("stock"))] = None
    picture: Annotated[ReliefKey | None, APART] = None
    photo: Annotated[ReliefKey | None, APART] = None
    scarred: Annotated[
        Literal["no", "one face", "both faces"], Asked(say("scarred on"), help=say("A scarred face prints into shiny card."))
    ] = "no"
    bow_mm: Annotated[Number, Ge(0), Le(20), Asked(say("bow"), "size", help=say("Laid on a flat table, at its middle."))] = 0.0
    shelf_id: Annotated[Key | None, APART] = None
    note: Annotated[Note, Asked(say("note"))] = ""
