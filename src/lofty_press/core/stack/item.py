"""Things that can lie in a sandwich."""

from dataclasses import dataclass
from typing import Annotated, Literal

from annotated_types import Ge, Le, Len

from lofty_press.core.materials import MaterialName
from lofty_press.core.quantities import (
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
from lofty_press.core.stock import SheetStock

PlateKind = Literal["bed", "platform", "spacer", "hard plate", "soft plate", "deep plate", "pressure mask", "frame"]
MatKind = Literal["rubber mat", "silicone sheet", "foam sheet"]
FolderKind = Literal["plain folder", "deep folder", "layered folder", "cutting folder", "two-way folder"]
ReliefKind = Literal["texture plate", "letterpress plate", "motif"]
DieKind = Literal["thin die", "steel-rule die", "strip die"]
ItemKind = Literal[PlateKind, MatKind, FolderKind, ReliefKind, DieKind, "sheet"]

FOLDERS = ("plain folder", "deep folder", "layered folder", "cutting folder", "two-way folder")
DEEP_FOLDERS = ("deep folder", "layered folder")
DIES: tuple[DieKind, ...] = ("thin die", "steel-rule die", "strip die")
RELIEFS = ("texture plate", "letterpress plate", "motif")
TOOLS = (*FOLDERS, *DIES, *RELIEFS)
MATS: tuple[MatKind, ...] = ("rubber mat", "silicone sheet", "foam sheet")
PADS = ("hard plate", "soft plate", "deep plate", "pressure mask")
PLATES = ("bed", "platform", "spacer", *PADS, "frame")


@dataclass(frozen=True, slots=True, kw_only=True)
class Thickness:
    """A thickness with its standard deviation [mm], and whether it was measured or is typical for its class."""

    __pydantic_config__ = STRICT

    mm: LayerThickness
    sd_mm: Spread = 0.05
    source: Literal["gauge", "typical"] = "typical"


@dataclass(frozen=True, slots=True, kw_only=True)
class Relief:
    """Relief of a tool.

    Parameters
    ----------
    height_mm : float
        From the ground to the highest part. [mm]
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

    height_mm: LayerThickness
    span_mm: Length
    raised_share: Share = 0.4
    hinge_margin_mm: Annotated[Number, Ge(0), Le(100)] = 0.0
    words_read: Literal["raised", "sunk"] | None = None
    map: ReliefKey | None = None


@dataclass(frozen=True, slots=True, kw_only=True)
class Blade:
    """Cutting edge of a die: how far it stands above the die's body [mm], how much of it there is [mm], the key of the map that shows
    where it runs, and whether it cuts a whole line or a row of slits."""

    __pydantic_config__ = STRICT

    height_mm: LayerThickness
    length_mm: Annotated[Number, Ge(1), Le(1_000_000)]
    map: ReliefKey | None = None
    teeth: Literal["whole", "perforating"] = "whole"


@dataclass(frozen=True, slots=True, kw_only=True)
class Ink:
    """An ink and how long it stays wet on plastic [s]."""

    __pydantic_config__ = STRICT

    name: Name
    type: Literal["pigment", "slow craft", "dye", "letterpress", "powder base"]
    open_s: Seconds = 300.0
    colour: Colour = "#1f6f63"
    shelf_id: Key | None = None
    note: Note = ""


@dataclass(frozen=True, slots=True, kw_only=True)
class Item:
    """One thing from the shelf, with all the numbers that the computation needs.

    `width_mm` is its size across the feed and `length_mm` along it, unrotated; `outline` replaces the rectangle by a polygon
    around the middle, and `windows` are holes in it. `modulus_mpa` and `shore_a` replace the material's usual stiffness. A
    folder's thickness is that of both halves closed and empty.
    """

    __pydantic_config__ = STRICT

    kind: ItemKind
    name: Name
    thickness: Thickness
    width_mm: Length
    length_mm: Length
    material: MaterialName
    modulus_mpa: Modulus | None = None
    shore_a: Annotated[Number, Ge(20), Le(90)] | None = None
    outline: Outline | None = None
    windows: Annotated[tuple[Outline, ...], Len(0, 40)] = ()
    relief: Relief | None = None
    blade: Blade | None = None
    stock: SheetStock | None = None
    scarred: Literal["no", "one face", "both faces"] = "no"
    bow_mm: Annotated[Number, Ge(0), Le(20)] = 0.0
    shelf_id: Key | None = None
    note: Note = ""
