"""The distinct piles under the rollers, each with its curves: which layers lie over one another, and what they do when they are closed."""

from dataclasses import dataclass
from functools import lru_cache

import numpy as np

from lofty_press.core.mechanics.effects import BladeContact
from lofty_press.core.mechanics.layered import CHANNELS, NODES, Compliant, Curve, Layer, compliant
from lofty_press.core.mechanics.nip.local_law import RIGID, LocalLaw, broken_line, in_series, side_by_side
from lofty_press.core.mechanics.nip.strip import bite_limit
from lofty_press.core.sandwich.stack import FloatArray, Placed, StackView

FOAM_STIFFENING = 20.0  # solid foam over soft foam: order of magnitude, from memory
BEYOND = 1.2  # of what the rollers draw in: as far as curves are asked for
ROOM = 0.25  # mm; curves are made for whole multiples of this, so that they serve again
DENSER = 1.6  # from one curve of a blade's density to the next


@dataclass(frozen=True)
class Interface:
    """What the sheet and its tool do between the two halves of the pile: the `law` of closing over the relief, evenly spread, and by how much
    it `opens` the pile where it works [mm]."""

    law: LocalLaw = RIGID
    opens: float = 0.0


@dataclass(frozen=True, eq=False)
class Curves:
    """Curves of piles (n,): `values` (CHANNELS, n, NODES) at steps (n,) of the root of the closing, and the `loss` of each: the share of what
    is stored in it that does not come back (n,) [1]. The first is of a pile that the rollers never touch."""

    values: FloatArray
    steps: FloatArray
    loss: FloatArray


@dataclass(frozen=True)
class Pile:
    """One pile: layers from the bottom up, the index of its sheet, the law of its interface and what each layer loses."""

    layers: tuple[Layer, ...]
    sheet: int
    law: LocalLaw
    losses: tuple[float, ...]


NEVER = Curve(1.0, np.zeros((NODES, CHANNELS)))


def as_layer(placed: Placed) -> Layer:
    """A layer's isotropic elastic constants. A foam is as stiff as it is when solid: how it closes until then is a law of its own."""
    stiffens = FOAM_STIFFENING if placed.material.family == "foam" else 1.0
    return Layer("", placed.thickness, placed.young * stiffens, placed.material.poisson)


def foam_law(placed: Placed) -> LocalLaw:
    """How a foam gives until it is solid."""
    soft, thickness = placed.young, placed.thickness
    return broken_line([(thickness * (1 / soft - 1 / (soft * FOAM_STIFFENING)), placed.material.collapse * thickness)])


def blade_law(blade: BladeContact) -> LocalLaw:
    """How a blade of its die's mean density closes the pile: through the sheet, and on into what lies behind it."""
    return broken_line([(blade.compliance, blade.travel), (blade.scar_compliance, blade.scar_travel)])


def pile_of(view: StackView, present: tuple[Placed, ...], blade: BladeContact | None, interface: Interface | None) -> Pile:
    """The pile that some layers make; with an `interface` where the tool works on the sheet there."""
    sheet = view.sheet
    index = next((n for n, p in enumerate(present) if p is sheet), None)
    if index is None:  # beside the sheet: what is pressed there nobody asks, only the load counts
        index = max(sum(sheet is not None and p.index < sheet.index for p in present) - 1, 0)
    law = RIGID
    if interface is not None:
        law = interface.law
        if blade is not None:
            law = side_by_side(law, blade_law(blade)) if law.travel > 0 else blade_law(blade)
    for placed in present:
        if placed.material.family == "foam":
            law = in_series(law, foam_law(placed))
    layers = tuple(as_layer(p) for p in present)
    return Pile(layers, index, law, tuple(p.material.loss for p in present))


def closest(view: StackView, travel: float) -> float:
    """As far as a pile's curves must reach: what the rollers draw in, and what its interface gives. [mm]"""
    wanted = BEYOND * bite_limit(view.press.roller_radius_mm, view.press.friction) + travel
    return float(np.ceil(wanted / ROOM) * ROOM)


def table_of(view: StackView, pile: Pile) -> Compliant:
    """The pile's table, without its law."""
    travel = min(pile.law.travel, 0.3 * sum(layer.thickness for layer in pile.layers))
    return compliant(pile.layers, pile.sheet, view.press.roller_radius_mm, closest(view, travel))


@lru_cache(maxsize=4096)
def curve_under(table: Compliant, law: LocalLaw) -> Curve:
    """A table's curve with a law; kept for the next who asks."""
    return table.curve(law.pressure, law.closing, law.work_at)
