"""What speaks against a sandwich, in one currency: the share of sheets that come out spoiled, and bother valued in it.

Two parts are what is missing from the chance of a good sheet: not right (too little or too much pressure, somewhere or everywhere), and broken. The rest are
rates at which bother is traded against spoiled sheets; they are choices, common practice with no published source, written down once, here.
"""

import math
from dataclasses import dataclass, fields

import numpy as np

from lofty_press.core.judging.assess import Assessment
from lofty_press.core.judging.findings import LONG_EDGE, TRAITS
from lofty_press.core.mechanics.effects import is_intricate
from lofty_press.core.sandwich.stack import DIES, EFFECT_TRAITS, PADS, Drive, FloatArray, Item
from lofty_press.core.working.recipes.effect import Feed, Way
from lofty_press.core.working.recipes.pile import Candidate, Pile

FLAT = 0.1  # a relief that springs back altogether is worth a tenth of a spoiled sheet less
HEAVY = 0.05  # a handle twice as heavy as is easy
LAYER = 0.004  # each further layer to find, measure and line up
POKED = 0.05  # a cut piece that has to be poked out of a tight die, which tears one now and then
SHIM = 0.002  # each further sheet of the same shim
PASS = 0.01  # each further pass
MIST = 0.008  # misting, and drying afterwards
GRABS = 0.02  # a long straight blade that meets the rollers at once
TURNED: dict[Feed, float] = {"straight": 0.0, "hinge first": 0.0, "open edge first": 0.002, "turned 15°": 0.002, "turned 45°": 0.005}
SCARRED = {"no": 0.0, "one face": 0.003, "both faces": 0.008}
ANVIL = {"no": 0.004, "one face": 0.001, "both faces": 0.008}  # under a blade a clean face is spoiled, a scarred one is not
BOWED = 0.02  # each millimetre that a plate stands hollow
WARNED = 0.2  # a warning that none of the other parts covers


@dataclass(frozen=True, slots=True, kw_only=True)
class Cost:
    """What speaks against a sandwich [spoiled sheets a sheet]."""

    wrong: float
    cracked: float
    flat: float
    effort: float
    wear: float
    layers: float
    passes: float
    mist: float
    feed: float
    warnings: float = 0.0

    @property
    def total(self) -> float:
        return math.fsum(getattr(self, f.name) for f in fields(self))


def flat_cost(retained: float | None) -> float:
    """What springing back costs."""
    return 0.0 if retained is None else FLAT * (1.0 - min(max(retained, 0.0), 1.0))


def effort_cost(handle: float, drive: Drive) -> float:
    """What a heavy handle costs; a motor does not mind. `handle` is the peak force [N]."""
    return float(effort_costs(np.array(handle), drive))


def effort_costs(handle: FloatArray, drive: Drive) -> FloatArray:
    """The same for many forces at once, of any shape [N]."""
    if drive.kind == "motor":
        return np.zeros(handle.shape)
    return np.asarray(HEAVY * np.maximum(handle / drive.comfort_n - 1.0, 0.0))


def wear_cost(item: Item, *, anvil: bool) -> float:
    """What the state of a plate costs."""
    if item.kind not in PADS:
        return 0.0
    return (ANVIL if anvil else SCARRED)[item.scarred] + BOWED * item.bow_mm


def feed_cost(tool: Item, feed: Feed) -> float:
    """What a way into the press costs: a long straight blade grabs when it goes in square, turning takes care."""
    edge = tool.blade is not None and tool.kind in DIES and tool.outline is None and feed == "straight" and tool.width_mm >= LONG_EDGE
    return TURNED[feed] + GRABS * edge


def fixed_cost(pile: Pile) -> tuple[float, float, float]:
    """Costs of passes, mist and feed: what does not depend on pressure or plates."""
    return PASS * (pile.passes - 1), MIST * pile.misted, feed_cost(pile.tool.item, pile.feed)


def holds_fast(tool: Item) -> bool:
    """True for a die with so much blade that the cut piece sits tight in it."""
    return tool.blade is not None and is_intricate(tool)


def freeing_cost(way: Way, candidate: Candidate) -> float:
    """What it costs to poke a tight piece out, where nothing was laid in that frees it."""
    tool = next(laid.what.item for slot, laid in zip(way.slots, candidate, strict=True) if slot.is_tool and laid)
    bare = any(slot.wanted == "tight" and laid is None for slot, laid in zip(way.slots, candidate, strict=True))
    return POKED * (bare and holds_fast(tool))


def layer_cost(count: int) -> float:
    """What one more layer of some equal sheets costs."""
    return LAYER + SHIM * (count - 1)


def cost_of(pile: Pile, assessment: Assessment) -> Cost:
    """What speaks against a pile once it was judged in full."""
    v = assessment.verdict
    broken = 0.0 if v is None else v.good.breaks
    forming = assessment.forming
    warnings = sum(f.severity == "warn" and not TRAITS[f.code].costed for f in assessment.findings)
    passes, mist, feed = fixed_cost(pile)
    laid = [(slot, thing) for slot, thing in zip(pile.way.slots, pile.candidate, strict=True) if thing and not slot.is_tool]
    cuts = EFFECT_TRAITS[pile.effect.kind].only_cuts
    return Cost(
        wrong=1.0 if v is None else 1.0 - v.good.chance - broken,
        cracked=broken,
        flat=flat_cost(forming.retained_share if forming else None),
        effort=effort_cost(assessment.nip.peak_handle, assessment.sandwich.press.drive),
        wear=math.fsum(wear_cost(thing.what.item, anvil=cuts) for _, thing in laid),
        layers=math.fsum(layer_cost(thing.count) for slot, thing in laid if slot.role != "sheet") + freeing_cost(pile.way, pile.candidate),
        passes=passes,
        mist=mist,
        feed=feed,
        warnings=WARNED * warnings,
    )
