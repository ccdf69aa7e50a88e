"""Kinds of things: what each is, does, typically measures and is for, in one table. A new kind is its name and its entry here."""

from dataclasses import dataclass
from typing import Literal, get_args

from lofty_press.core.basics.words import Message, say
from lofty_press.core.sandwich.materials import MaterialName

PlateKind = Literal["bed", "platform", "spacer", "hard plate", "soft plate", "deep plate", "pressure mask", "frame"]
MatKind = Literal["rubber mat", "silicone sheet", "foam sheet"]
FolderKind = Literal["plain folder", "deep folder", "layered folder", "cutting folder", "two-way folder"]
ReliefKind = Literal["texture plate", "letterpress plate", "motif"]
DieKind = Literal["thin die", "steel-rule die", "strip die"]
ItemKind = Literal[PlateKind, MatKind, FolderKind, ReliefKind, DieKind, "sheet"]
EffectKind = Literal["emboss", "cut", "cut and emboss", "line", "motif", "texture", "letterpress", "metal", "emboss in die", "stencil"]
Silhouette = Literal["band", "strip", "pierced", "patterned", "plain", "shape"]
"""How a tool looks from above: a band round an opening, a long one, a sheet with openings, a face with a pattern, a bare rectangle, any other shape."""
Family = Literal["plate", "mat", "folder", "relief", "die", "sheet"]

ITEM_KINDS: tuple[ItemKind, ...] = (
    *get_args(PlateKind),
    *get_args(MatKind),
    *get_args(FolderKind),
    *get_args(ReliefKind),
    *get_args(DieKind),
    "sheet",
)

CARD, SMALL, STRIP = (112.0, 155.0), (60.0, 60.0), (60.0, 300.0)  # mm: width and length of what is made for a card, for a tag, for a border


@dataclass(frozen=True, slots=True, kw_only=True)
class KindTraits:
    """A kind of thing.

    Parameters
    ----------
    family : Family
    mm, sd : float
        Thickness as it typically is, with its standard deviation; common practice, no published source. [mm]
    material : MaterialName
    size : tuple of float
        Width and length. [mm]
    relief : tuple of float or None
        Height, finest width, raised share and blank strip at the hinge. [mm, mm, 1, mm]
    blade : tuple of float or None
        Height and length. [mm]
    window : float
        Part of it that a window takes. [1]
    base : bool
        That it carries the pile.
    pad : bool
        That it spreads the pressure over a tool, or stands behind a blade.
    deep : bool
        That its relief is deep: it goes alone under one deep plate, better damp.
    alone : bool
        That it runs without plates of a usual pile on both sides.
    made : Message or None
        How it is made at home, where people do that.
    spoken : tuple of str
        What else it is called in a list.
    maybe : tuple of str
        What else a list may mean by it, so that it is asked.
    seen : Silhouette or None
        How it looks in a photo from above; None for what nobody photographs.
    gives : EffectKind or None
        What a tool is mostly used for.
    boxed : Message or None
        What it does, for what comes in a press's box.
    usual : int
        How many come in most boxes.
    """

    family: Family
    mm: float
    sd: float
    material: MaterialName
    size: tuple[float, float] = CARD
    relief: tuple[float, float, float, float] | None = None
    blade: tuple[float, float] | None = None
    window: float = 0.0
    base: bool = False
    pad: bool = False
    deep: bool = False
    alone: bool = False
    made: Message | None = None
    spoken: tuple[str, ...] = ()
    maybe: tuple[str, ...] = ()
    seen: Silhouette | None = None
    gives: EffectKind | None = None
    boxed: Message | None = None
    usual: int = 0


def folder(
    mm: float,
    sd: float,
    relief: tuple[float, float, float, float],
    *,
    deep: bool = False,
    alone: bool = False,
    blade: tuple[float, float] | None = None,
    spoken: tuple[str, ...] = (),
) -> KindTraits:
    """A hinged folder: thickness closed and empty, its spread [mm], and its relief as of `KindTraits`."""
    gives: EffectKind = "emboss" if blade is None else "cut and emboss"
    return KindTraits(
        family="folder",
        mm=mm,
        sd=sd,
        material="folder plastic",
        relief=relief,
        blade=blade,
        deep=deep,
        alone=deep or alone,
        seen="patterned",
        gives=gives,
        spoken=spoken,
    )


KIND_TRAITS: dict[ItemKind, KindTraits] = {
    "bed": KindTraits(
        maybe=("tray",),
        spoken=("bed", "base", "base plate"),
        family="plate",
        mm=9.0,
        sd=0.1,
        material="hard plastic",
        size=(150.0, 240.0),
        base=True,
        boxed=say("the thick base everything rides on"),
        usual=1,
    ),
    "platform": KindTraits(
        maybe=("adapter", "magnetic plate", "magnetic mat", "tray"),
        spoken=("platform",),
        family="plate",
        mm=12.0,
        sd=0.15,
        material="hard plastic",
        size=(150.0, 330.0),
        base=True,
        boxed=say("a thicker base for tall dies"),
    ),
    "spacer": KindTraits(
        maybe=("shim", "adapter", "board", "metal plate"),
        spoken=("spacer", "thin plate", "spacer plate"),
        family="plate",
        mm=1.8,
        sd=0.1,
        material="hard plastic",
        boxed=say("a thin plate below thin dies"),
        usual=1,
    ),
    "hard plate": KindTraits(
        maybe=("cutting pad", "pad", "cutting mat", "embossing plate", "magnetic plate", "magnetic mat", "acrylic"),
        seen="plain",
        spoken=("plate", "cutting plate", "clear plate"),
        family="plate",
        mm=3.2,
        sd=0.08,
        material="hard plastic",
        pad=True,
        boxed=say("clear; goes above and below, and cutting scars it"),
        usual=2,
    ),
    "soft plate": KindTraits(
        maybe=("cutting pad", "pad", "embossing mat", "impression mat"),
        seen="plain",
        spoken=("impression plate",),
        family="plate",
        mm=3.0,
        sd=0.1,
        material="soft plastic",
        pad=True,
        boxed=say("a little soft; above a silicone sheet"),
    ),
    "deep plate": KindTraits(
        seen="plain",
        spoken=("thick plate",),
        family="plate",
        mm=3.85,
        sd=0.1,
        material="hard plastic",
        pad=True,
        boxed=say("the one thick plate for deep folders"),
        usual=1,
    ),
    "pressure mask": KindTraits(
        maybe=("stencil", "embossing stencil"),
        seen="pierced",
        made=say("cut a window into an old soft plate"),
        spoken=("mask",),
        family="plate",
        mm=3.0,
        sd=0.1,
        material="soft plastic",
        window=0.6,
        pad=True,
    ),
    "frame": KindTraits(
        maybe=("board",),
        seen="pierced",
        made=say("cut a pair from two glued layers of pad backing"),
        spoken=("window frame",),
        family="plate",
        mm=1.45,
        sd=0.1,
        material="paper",
        window=0.6,
    ),
    "rubber mat": KindTraits(
        maybe=("pad", "cutting mat", "embossing mat", "embossing pad", "impression mat", "thin mat", "felt", "foam mat", "mat"),
        seen="plain",
        spoken=("rubber", "rubber sheet"),
        family="mat",
        mm=2.2,
        sd=0.15,
        material="rubber",
        boxed=say("firm; lets a die press a line without cutting"),
    ),
    "silicone sheet": KindTraits(
        maybe=("mat", "sheet", "embossing mat", "embossing pad", "thin mat"),
        seen="plain",
        spoken=("silicone", "silicone mat"),
        family="mat",
        mm=1.4,
        sd=0.15,
        material="silicone",
        boxed=say("floppy; pushes the sheet into a texture"),
    ),
    "foam sheet": KindTraits(
        maybe=("sheet", "felt", "foam mat"),
        seen="plain",
        made=say("cut from craft foam"),
        spoken=("foam", "craft foam"),
        family="mat",
        mm=2.0,
        sd=0.25,
        material="foam",
        boxed=say("craft foam, a makeshift mat"),
    ),
    "plain folder": folder(2.6, 0.1, (0.45, 2.2, 0.4, 9.0), spoken=("folder", "embossing folder", "emboss folder", "plain", "thin folder")),
    "deep folder": folder(4.9, 0.15, (1.1, 4.5, 0.4, 10.0), deep=True, spoken=("deep", "three-dimensional folder", "3d folder")),
    "layered folder": folder(4.6, 0.15, (1.2, 5.0, 0.4, 10.0), deep=True, spoken=("layered",)),
    "cutting folder": folder(2.7, 0.1, (0.4, 2.2, 0.4, 9.0), blade=(0.5, 300.0), spoken=("cutting", "cut and emboss folder")),
    "two-way folder": folder(2.8, 0.1, (0.5, 2.4, 0.4, 9.0), alone=True, spoken=("two-way", "rigid folder")),
    "texture plate": KindTraits(
        maybe=("stencil", "stamp", "embossing plate", "embossing die", "embossing stencil"),
        seen="patterned",
        spoken=("texture", "pattern plate"),
        family="relief",
        mm=1.9,
        sd=0.1,
        material="hard plastic",
        relief=(0.25, 1.6, 0.5, 0.0),
        alone=True,
        gives="texture",
    ),
    "letterpress plate": KindTraits(
        maybe=("stamp", "metal plate"),
        seen="patterned",
        alone=True,
        spoken=("letterpress", "printing plate", "photopolymer plate", "polymer plate"),
        family="relief",
        mm=3.1,
        sd=0.1,
        material="photopolymer",
        relief=(0.8, 0.6, 0.12, 0.0),
        gives="letterpress",
    ),
    "motif": KindTraits(
        seen="shape", family="relief", mm=0.25, sd=0.02, material="paper", size=SMALL, relief=(0.25, 3.0, 0.9, 0.0), gives="motif"
    ),
    "thin die": KindTraits(
        maybe=("stencil", "embossing die", "dye", "wooden die"),
        seen="band",
        spoken=("die", "metal die"),
        family="die",
        mm=0.95,
        sd=0.05,
        material="steel",
        size=SMALL,
        blade=(0.5, 500.0),
        gives="cut",
    ),
    "steel-rule die": KindTraits(
        maybe=("dye", "wooden die", "wood die"),
        spoken=("steel rule die", "block die"),
        family="die",
        mm=16.0,
        sd=0.2,
        material="wood",
        blade=(2.0, 400.0),
        alone=True,
        gives="cut",
    ),
    "strip die": KindTraits(
        seen="strip",
        spoken=("border die", "strip"),
        family="die",
        mm=0.95,
        sd=0.05,
        material="steel",
        size=STRIP,
        blade=(0.5, 900.0),
        alone=True,
        gives="cut",
    ),
    "sheet": KindTraits(family="sheet", mm=0.28, sd=0.014, material="paper"),
}

FOLDERS = tuple(kind for kind, traits in KIND_TRAITS.items() if traits.family == "folder")
DEEP_FOLDERS = tuple(kind for kind, traits in KIND_TRAITS.items() if traits.family == "folder" and traits.deep)
DIES = tuple(kind for kind, traits in KIND_TRAITS.items() if traits.family == "die")
RELIEFS = tuple(kind for kind, traits in KIND_TRAITS.items() if traits.family == "relief")
TOOLS = (*FOLDERS, *DIES, *RELIEFS)
MATS = tuple(kind for kind, traits in KIND_TRAITS.items() if traits.family == "mat")
PADS = tuple(kind for kind, traits in KIND_TRAITS.items() if traits.pad)
PLATES = tuple(kind for kind, traits in KIND_TRAITS.items() if traits.family == "plate")
CLEAR_PLATES = tuple(kind for kind, traits in KIND_TRAITS.items() if traits.pad and not traits.window)
FILLS = tuple(
    kind
    for kind, traits in KIND_TRAITS.items()
    if traits.family in ("plate", "mat", "sheet") and not traits.base and not (traits.pad and traits.window)
)
"""What fills a pile up and can be taken out of it."""
BASES = tuple(kind for kind, traits in KIND_TRAITS.items() if traits.base)
"""Kinds by what they are; each follows from the table."""
