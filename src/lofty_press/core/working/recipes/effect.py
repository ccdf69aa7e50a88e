"""What an effect is, as data: the layers it takes, what must hold, what is done before and after."""

from dataclasses import dataclass, field
from typing import Literal

from lofty_press.core.basics.words import NOTHING, Message
from lofty_press.core.sandwich.stack import TOOLS, EffectKind, ItemKind
from lofty_press.core.sandwich.stock import Finish
from lofty_press.core.working.work import WorkKey

Look = Literal["raised", "sunk"]
Feed = Literal["hinge first", "open edge first", "straight", "turned 15°", "turned 45°"]
Holds = Literal[
    "right pressure", "hard behind the blade", "soft behind the blade", "no blade at the sheet", "silicone spared", "sheet whole"
]
Teeth = Literal["whole", "perforating"]


@dataclass(frozen=True, slots=True, kw_only=True)
class Task:
    """Something to do by hand before or after the pass.

    Parameters
    ----------
    text : Message
    wait_s, wait_for : float, str or None
        How long to wait then [s], and what for.
    care : Message
        What to mind.
    work : WorkKey or None
        The kind of work that it is, where a plan gives it time of its own; what is part of building the pile has none.
    within_s : float or None
        How soon after what comes before it. [s]
    only : {"damp", "inked"} or None
        Only for a sheet that was misted, or where something is inked.
    """

    text: Message
    wait_s: float = 0.0
    wait_for: Literal["drying", "heat", "soaking", "cooling"] | None = None
    care: Message = NOTHING
    work: WorkKey | None = None
    within_s: float | None = None
    only: Literal["damp", "inked"] | None = None

    def asked(self, *, damp: bool, inked: bool) -> bool:
        """True if it is to be done with a sheet that is misted or not, and something inked or not."""
        return {None: True, "damp": damp, "inked": inked}[self.only]


@dataclass(frozen=True, slots=True, kw_only=True)
class Slot:
    """A place in the pile.

    Parameters
    ----------
    part : str
        What lies here is for, in a few words.
    kinds : tuple of ItemKind
        What may lie here.
    least, most : int
        How many equal ones; 0 means that it may be left out. [1]
    half : {"raised", "sunk"} or None
        Which half of the folder that the other slot of the same tool holds.
    turned : bool
        Upside down.
    role : {"sheet", "shim", "backing"} or None
        What a sheet of stock is here for.
    inked : bool
        Takes the ink that was wished for.
    thinner_mm, thicker_mm : float
        Only things thinner, thicker than this. [mm]
    finishes : tuple of str
        Only stock of such a finish; empty for any.
    wanted : {"always", "tight"} or None
        Laid in wherever the shelf has it, though the pile works without: always, or with a die that holds the cut piece fast.
    teeth : {"whole", "perforating"} or None
        Only dies with such a blade.
    is_tool : bool
        Worked out: True where folder, die or plate with a relief lies.
    """

    part: Message
    kinds: tuple[ItemKind, ...]
    least: int = 1
    most: int = 1
    half: Look | None = None
    turned: bool = False
    role: Literal["sheet", "shim", "backing"] | None = None
    inked: bool = False
    thinner_mm: float = 100.0
    thicker_mm: float = 0.0
    finishes: tuple[Finish, ...] = ()
    wanted: Literal["always", "tight"] | None = None
    teeth: Teeth | None = None
    is_tool: bool = field(init=False)

    def __post_init__(self) -> None:
        object.__setattr__(self, "is_tool", any(kind in TOOLS for kind in self.kinds))


@dataclass(frozen=True, slots=True, kw_only=True)
class Way:
    """One way of building an effect, bottom to top, as one school of the craft does it, and what that school gains.

    `passes` and `mist` list what the school leaves open; `front` is the look that this way is for, None if the sheet can lie either
    way; `feeds` the ways into the press, the usual one first; `run_s` how long a run with its loading takes [s], where that is not the usual.
    """

    key: str
    title: Message
    gains: Message
    slots: tuple[Slot, ...]
    passes: tuple[int, ...] = (1,)
    mist: tuple[bool, ...] = (False, True)
    front: Look | None = None
    feeds: tuple[Feed, ...] = ("straight",)
    prepare: tuple[Task, ...] = ()
    finish: tuple[Task, ...] = ()
    run_s: float | None = None


@dataclass(frozen=True, slots=True, kw_only=True)
class Effect:
    """An effect as people wish for it.

    `kind` is the mechanics behind it, `holds` what must hold for it to work, `looks` the looks of the front that it can give, `inks` the
    types of ink that it can be run with, `finishes` the stocks that it asks for, by finish; empty for any;
    `sheet_under_mm` how thin the sheet is that it is usually done in, such as that of an envelope; `run_s` is as of a way; `bare` is true where
    it is done without ink as well; `orders` are keys of the rules that speak of the runs beside it.
    """

    key: str
    title: Message
    says: Message
    kind: EffectKind
    ways: tuple[Way, ...]
    holds: tuple[Holds, ...] = ("right pressure", "sheet whole")
    looks: tuple[Look, ...] = ()
    inks: tuple[str, ...] = ()
    finishes: tuple[str, ...] = ()
    cored: bool = False
    sheet_under_mm: float | None = None
    prepare: tuple[Task, ...] = ()
    look: tuple[Message, ...] = ()
    finish: tuple[Task, ...] = ()
    orders: tuple[str, ...] = ()
    run_s: float | None = None
    bare: bool = False

    def way(self, key: str) -> Way:
        """The way with a key."""
        return next(way for way in self.ways if way.key == key)
