"""What forming does to a sheet, in the few figures that judgements look at."""

import math
from dataclasses import dataclass, replace

import numpy as np

from lofty_press.core.mechanics.effects import effective_relief
from lofty_press.core.mechanics.forming.closing import Closing
from lofty_press.core.mechanics.nip import Exact, Nip, blade_loads, cut_share
from lofty_press.core.sandwich.stack import StackView
from lofty_press.core.sandwich.stock import creep_gain

CRACK_OFF_BY = 1.6  # factor within which nine in ten lie of the full computation over the demo world; tests measure it
SHARE_OFF_BY = 0.15  # the same for the retained share, as a difference


NINE_IN_TEN = 1.645  # standard deviations to either side that hold nine in ten
STRETCH_BY_DEPTH = (
    2.0  # power of a relief's height with which it stretches a sheet that spans it: 1 by bending, 2 as a membrane; the careful one
)


@dataclass(frozen=True)
class FormingSummary:
    """What the findings look at: from the full computation, or from a piece of the tool's relief.

    `retained_share` is kept depth over the tool's, `crack`, `tear` and `buckle` as in the figures; None where the question does not arise.
    `estimate` tells which it is, `off_by` by what factor the crack index may be off, nine times in ten. `cut_share` is the share of the blade's length
    that cuts through, `uncut_mm` the length that does not [mm]. `nip` is the full nip that the computation began with.
    """

    retained_share: float | None
    crack: float | None
    tear: float | None
    buckle: float | None
    cut_share: float | None
    uncut_mm: float
    estimate: bool
    off_by: float
    nip: Exact | None = None


def full_nip(formed: FormingSummary | None) -> Exact | None:
    """The full nip that a computation of the sheet began with, if there was one."""
    return None if formed is None else formed.nip


def cut_at(nip: Nip, closing: Closing, passes: int) -> FormingSummary | None:
    """What of a die's blade goes through the sheet, from the nip's own load on it; None where no die cuts."""
    blade = closing.blade
    loads = np.zeros(0) if blade is None else creep_gain(passes) * blade_loads(nip, blade)
    if blade is None or not loads.size or nip.field.blades is None:
        return None
    share = cut_share(loads, blade)
    return FormingSummary(None, None, None, None, share, float((1.0 - share) * nip.field.blades.weights.sum()), True, 1.0)


def summary_at(view: StackView, closing: Closing, pressure: float) -> FormingSummary | None:
    """What a pressure [MPa] makes of the sheet, from the table of its formation; None where nothing is formed."""
    formed, state, sheet = closing.formation, closing.state, view.sheet
    if formed is None or state is None or sheet is None or sheet.item.stock is None or pressure <= 0:
        return None
    stock, tool = sheet.item.stock, view.tool
    pressure = closing.on_the_relief(pressure)
    above = tool is not None and tool.index > sheet.index
    grain = sheet.layer.rotation_deg - (tool.layer.rotation_deg if tool is not None else 0.0)
    index, tear = formed.share_of_break(pressure, state, -grain if above else grain)
    if stock.coating != "none":
        away = formed.front if above == sheet.layer.turned else formed.back  # the front looks away from a tool below it, unless turned over
        faces = (away,) if stock.coating == "front" else (formed.front, formed.back)
        index = max(index, *(formed.at(pressure, face) / stock.coating_break_strain for face in faces))
    kept = formed.at(pressure, formed.kept) * min(pressure / float(formed.pressure[0]), 1.0)
    estimated = FormingSummary(kept, index, tear, None, None, 0.0, True, CRACK_OFF_BY if math.isfinite(index) else 1.0)
    return as_deep_as_known(estimated, view)


def as_deep_as_known(formed: FormingSummary, view: StackView) -> FormingSummary:
    """The same with what is unknown of the relief's height in the factor by which the crack index may be off."""
    tool, kind = view.tool, view.sandwich.effect.kind
    relief = None if tool is None else effective_relief(tool, kind)
    if relief is None or not relief.sd_mm or not formed.crack:
        return formed
    by_depth = NINE_IN_TEN * STRETCH_BY_DEPTH * relief.sd_mm / relief.height_mm
    return replace(formed, off_by=math.exp(math.hypot(math.log(formed.off_by), by_depth)))
