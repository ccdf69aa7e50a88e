"""A blade against a sheet: what it takes to cut, what the layers behind allow."""

import math
from dataclasses import dataclass
from typing import Literal

import numpy as np
from numpy.typing import NDArray

from lofty_press.core.mechanics.effects.bridging import Bridge, Strip, bridge
from lofty_press.core.mechanics.effects.state import state_of_sheet
from lofty_press.core.sandwich.materials import confined_modulus
from lofty_press.core.sandwich.stack import DIES, FloatArray, Item, Placed, StackView, item_polygon
from lofty_press.core.sandwich.stock import WorkingSheet, working_sheet

BladeState = Literal["untouched", "line", "part cut", "cut"]
BLADE_STATES: tuple[BladeState, ...] = ("untouched", "line", "part cut", "cut")
LINE_SHARE = 0.05  # of the load that cuts through, from which a blade leaves a line
SCORE_SHARE = 0.5  # of it, from which a blade begins to part fibres; assumption, no published source
INTRICATE = 0.18  # mm of blade per mm2 of die above which people call a die intricate; common practice, no published source
SILICONE_TEAR = 15.0  # N/mm, tear strength of soft silicone rubber, order of magnitude from memory
SKIN = 0.2  # of a sheet's thickness that is left and parts when the piece is pushed out; common practice, no published source
AGAIN = 1.0 / 3.0  # of a sheet's thickness that a blade has to go in for a second pass to part it; see `parts`
PINCHED = 0.3  # share of a soft sheet's thickness that the blade sinks in before it pinches it through; assumption, no published source


@dataclass(frozen=True)
class BladeContact:
    """A blade meeting the sheet.

    Parameters
    ----------
    backing : {"hard", "soft", "none"}
        What lies behind the sheet.
    density : float
        Blade length over die area. [1/mm]
    cut_load, score_load : float
        Line load that cuts through the sheet in as many passes as it goes through, and at which it begins to be cut. [N/mm]
    bottom_load : float
        Line load at which the die's body comes to lie on the sheet. [N/mm]
    bridge : Bridge or None
        How the sheet sinks into something soft behind it, and goes on bearing on the blade once the body lies on it.
    compliance, travel : float
        What the blade adds to the pile while it goes through the sheet: give per pressure until used up. [mm/MPa, mm]
    scar_compliance, scar_travel : float
        What it adds by biting into the plate behind, until the die's body lies on the sheet. [mm/MPa, mm]
    """

    die: Placed
    behind: Placed | None
    backing: Literal["hard", "soft", "none"]
    density: float
    cut_load: float
    score_load: float
    bottom_load: float
    bridge: Bridge | None
    sheet_thickness: float
    compliance: float
    travel: float
    scar_compliance: float
    scar_travel: float

    @property
    def too_low(self) -> bool:
        """True if the die's body lies on the sheet before the blade is through, whatever presses it."""
        return self.backing == "hard" and self.bottom_load < self.cut_load

    @property
    def low(self) -> bool:
        """True for a blade that is lower than the sheet is thick: what it cuts all the same is less certain."""
        return self.backing == "hard" and self.die.item.blade is not None and self.die.item.blade.height_mm < self.sheet_thickness

    @property
    def helped_by_passes(self) -> bool:
        """True for a blade that is too low for one pass and not for more."""
        return self.too_low and self.die.item.blade is not None and parts(self.die.item.blade.height_mm / self.sheet_thickness, 2)

    @property
    def intricate(self) -> bool:
        return self.density > INTRICATE

    def states(self, load: FloatArray) -> NDArray[np.int8]:
        """What loads along the blade (n,) [N/mm] make of the sheet there, as places in `BLADE_STATES`."""
        begins = (LINE_SHARE * self.cut_load, self.score_load, self.cut_load)
        return np.searchsorted(begins, load, side="right").astype(np.int8)

    def loads(self, pressure: FloatArray) -> FloatArray:
        """Load on each mm of blade at some nip pressures (n,) [MPa]: all of it, until the die's body lies on the sheet too. [N/mm]"""
        if self.bridge is None:
            return np.minimum(pressure / self.density, self.bottom_load)
        return np.asarray(np.interp(pressure, self.bridge.pressure(self.density), self.bridge.load))

    def line_load(self, pressure: float) -> float:
        """The same at one pressure."""
        return float(self.loads(np.array([pressure]))[0])

    def pressure_for(self, load: float) -> float:
        """Nip pressure at which each mm of blade bears a load [N/mm]; infinite where it never does. [MPa]"""
        if self.bridge is None:
            return load * self.density if load <= self.bottom_load else math.inf
        return float(np.interp(load, self.bridge.load, self.bridge.pressure(self.density), right=math.inf))

    @property
    def bottoms_at(self) -> float:
        """Nip pressure at which the die's body comes to lie on the sheet. [MPa]"""
        return self.pressure_for(self.bottom_load)

    def depth_share(self, pressure: float) -> float:
        """Share of the sheet's thickness that is cut, 0 to 1."""
        load = self.line_load(pressure)
        return min(max((load - self.score_load) / (self.cut_load - self.score_load), 0.0), 1.0)


def blade_density(placed: Placed) -> float:
    """Blade length per area of the die. [1/mm]"""
    assert placed.item.blade is not None
    return float(placed.item.blade.length_mm / item_polygon(placed.item).area)


def is_intricate(item: Item) -> bool:
    """True for a die with so much blade that one pass hardly cuts it and the piece sits tight."""
    assert item.blade is not None
    return float(item.blade.length_mm / item_polygon(item).area) > INTRICATE


def blade_contact(view: StackView) -> BladeContact | None:
    """The blade that faces the sheet, or None where no blade does."""
    sheet = view.sheet
    die = next((p for p in view.tools if p.item.blade is not None), None)
    if sheet is None or die is None or sheet.item.stock is None:
        return None
    if die.kind in DIES and not blade_faces(die, sheet):
        return None
    assert die.item.blade is not None
    density = blade_density(die)
    behind = backing_of(view, die, sheet)
    through = sheets_before(view, die, sheet, behind)
    thickness = sum(p.thickness for p in through)
    cut_load = sum(p.item.stock.shear_strength_mpa * p.thickness for p in through if p.item.stock is not None)
    score_load = SCORE_SHARE * cut_load
    if behind is None or not is_soft(behind):
        hardness = behind.material.hardness if behind is not None else 1.0
        scar = 1.0 / (density * 2.0 * hardness)  # a 90 degree edge sinks so that load = 2 H depth
        deep = min(die.item.blade.height_mm / thickness, 1.0)  # a lower blade stops in the sheet, when the die's body lies on it
        bottom_load = 1e9 if deep == 1.0 else score_load + deep * (cut_load - score_load)
        return BladeContact(
            die,
            behind,
            "hard" if behind else "none",
            density,
            min(cut_load, bottom_load) if parts(deep, view.sandwich.passes) else cut_load,
            score_load,
            bottom_load,
            None,
            thickness,
            thickness / (density * cut_load),
            deep * thickness,
            scar,
            max(die.item.blade.height_mm - thickness, 0.0),
        )
    state, height = state_of_sheet(view), die.item.blade.height_mm
    assert state is not None
    sunk, dry = (
        bridge(strip_of(view, behind, as_it_is, height, (score_load, cut_load, thickness)))
        for as_it_is in (state, working_sheet(sheet.item.stock, None))
    )
    bottom = float(sunk.load[sunk.touches])
    give = height / float(dry.pressure(density)[dry.touches])  # a mist moves that by some per cent, less than the nip is known to
    return BladeContact(die, behind, "soft", density, cut_load, score_load, bottom, sunk, thickness, give, height, 0.0, 0.0)


def parts(deep: float, passes: int) -> bool:
    """True for a sheet that is parted although a blade goes into it by a share of its thickness only, `deep` [1].

    Notes
    -----
    What is left is a thinner sheet. The second time the blade stands in its own cut, and all that it bears when the die's body lies on the sheet,
    (1 + deep) / 2 of what the whole takes, meets what is left, 1 - deep: it parts where the blade is a third of the sheet or more. A thin skin parts by hand.
    That board which thin dies do not reach through is cut in two or three passes, and a folded card at once, is common practice, no published source.
    """
    return deep >= 1.0 - SKIN or (passes > 1 and deep >= AGAIN)


def strip_of(view: StackView, mat: Placed, state: WorkingSheet, height: float, cutting: tuple[float, float, float]) -> Strip:
    """The sheet and all stock that gives way with it, between a blade of some height [mm] and a mat; `cutting` are the loads between which the blade goes
    through, and how far that is [N/mm, N/mm, mm]."""
    sheet, (score, cut, through) = view.sheet, cutting
    assert sheet is not None
    assert sheet.item.stock is not None
    stock, bending = sheet.item.stock, bending_before(view, sheet, mat)
    yields = 2.0 * state.yield_strain / sheet.thickness
    breaks = 2.0 * math.sqrt(state.break_along * state.break_across) / sheet.thickness  # its fibres bear no more past that
    return Strip(
        bending=bending * state.slackening,
        yields=yields,
        hardening=stock.hardening,
        saturates=max(min(stock.saturates * yields, breaks), yields),
        foundation=mat_foundation(mat, bending)[0],
        body=sheet.young / sheet.thickness,
        height=height,
        score=score,
        entry=through / (cut - score),
    )


def dies_at_work(view: StackView) -> tuple[Placed, ...]:
    """Every die whose blade faces the sheet: one, or several side by side or one inside the other."""
    sheet = view.sheet
    return () if sheet is None else tuple(p for p in view.tools if p.kind in DIES and p.item.blade is not None and blade_faces(p, sheet))


def blade_faces(die: Placed, sheet: Placed) -> bool:
    """True if the blade points at the sheet."""
    return (sheet.index > die.index) == (die.active_side == "up")


def backing_of(view: StackView, die: Placed, sheet: Placed) -> Placed | None:
    """The layer behind the sheet as the blade sees it; a folder's own halves stand between."""
    if die.kind not in DIES:
        halves = view.folder_halves
        return view.layers[halves[1].index + 1] if halves and halves[1].index + 1 < len(view.layers) else None
    side = view.neighbours(sheet, "up" if sheet.index > die.index else "down")
    met = next((p for p in side if not (p.kind == "sheet" and p.layer.role == "sheet")), None)
    bed = next((p for p in side if p.kind != "sheet"), None)
    return bed if bed is not None and is_soft(bed) else met  # loose stock on a mat gives way with it


def sheets_before(view: StackView, die: Placed, sheet: Placed, behind: Placed | None) -> tuple[Placed, ...]:
    """Every worked sheet that a blade has to go through before it meets what lies behind: mostly one."""
    if die.kind not in DIES:
        return (sheet,)
    side = view.neighbours(die, "up" if sheet.index > die.index else "down")
    upto = side[: side.index(behind)] if behind in side else side
    return tuple(
        p
        for p in upto
        if p.item.stock is not None and (p.is_sheet or die.index < p.index < sheet.index or sheet.index < p.index < die.index)
    )


def is_soft(placed: Placed) -> bool:
    return placed.material.family in ("elastomer", "foam")


def mat_foundation(mat: Placed, bending: float) -> tuple[float, float]:
    """Foundation modulus of a mat under a sheet, and the sheet's reciprocal length on it [N/mm3, 1/mm].

    The mat is confined by the width that the sheet spreads a line load over, about 1 / b on either side, which is found together
    with the modulus. `bending` is the sheet's plate stiffness [N mm]. Under a line load q it goes down by q b / 2k (Hetenyi, 1946).
    """
    modulus = float(mat.young)
    b = 1.0
    for _ in range(12):
        foundation = modulus / mat.thickness
        b = (foundation / (4.0 * bending)) ** 0.25
        if mat.material.family == "elastomer":
            modulus = confined_modulus(mat.young, min(1.0 / (b * mat.thickness), 3.0))
    return foundation, b


def bending_before(view: StackView, sheet: Placed, mat: Placed) -> float:
    """Plate stiffness of the sheet and of all stock between it and a mat: they slide on one another, so that it adds up. [N mm]"""
    low, high = sorted((sheet.index, mat.index))
    return sheet.bending_stiffness + sum(p.bending_stiffness for p in view.layers[low + 1 : high] if p.item.stock is not None)
