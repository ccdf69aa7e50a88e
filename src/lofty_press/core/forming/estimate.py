"""A quick estimate of what forming will do, in closed form: good enough to follow a finger, and marked as an estimate."""

import math
from dataclasses import dataclass

from lofty_press.core.effects.needs import effective_relief, forming_pressure
from lofty_press.core.forming.loads import draw_in_length, flank_of
from lofty_press.core.forming.section import secant_and_tangent
from lofty_press.core.stack.view import StackView
from lofty_press.core.stock.moisture import WorkingSheet


@dataclass(frozen=True)
class FormingSummary:
    """What the findings look at: from the full computation, or estimated.

    `retained_share` is kept depth over the tool's, `crack`, `tear` and `buckle` as in the figures; None where the question does not arise.
    `estimate` tells which it is, `off_by` by what factor the crack index may be off then. `cut_share` is the share of the blade's length
    that cuts through, `uncut_mm` the length that does not [mm].
    """

    retained_share: float | None
    crack: float | None
    tear: float | None
    buckle: float | None
    cut_share: float | None
    uncut_mm: float
    estimate: bool
    off_by: float


MEAN_SQUARE = math.pi**2 / 8  # mean squared slope of a sine ramp over the square of its mean
CRACK_OFF_BY = 1.6  # factor within which nine in ten estimates lie of the full computation over the demo world; tests measure it
SHARE_OFF_BY = 0.2  # the same for the retained share, as a difference


def estimate_forming(view: StackView, state: WorkingSheet, pressure: float) -> FormingSummary | None:
    """Estimate crack index and retained share at the steepest edge of a tool.

    Notes
    -----
    The sheet rises the height h over a width l. Between matched halves l is the tool's own span; over a one-sided relief it is what
    the pressure can bridge, from the same plastic balance as `forming_pressure`. Its stretch, half of the squared slope, evens out over
    the draw-in length; its curvature is about 4 h / l^2, of which the section springs back the share secant / (1 + 12 (3/8) a^2 / t^2) with
    a^2 = h^2 / 12 the variance of a ramp.
    """
    sheet, tool = view.sheet, view.tool
    if sheet is None or tool is None or pressure <= 0 or sheet.item.stock is None:
        return None
    relief = effective_relief(tool, view.sandwich.effect.kind)
    if relief is None or view.sandwich.effect.kind == "letterpress":
        return None
    thickness, height = sheet.thickness, relief.height_mm
    bridged = math.sqrt(forming_pressure(state.yield_stress, thickness, height, 1.0) / pressure)
    width = max(bridged, relief.span_mm if tool.kind != "motif" else thickness)
    draw = max(draw_in_length(state, thickness, pressure, flank_of(tool)), width)
    strain = MEAN_SQUARE * 0.5 * (height / width) ** 2 * width / draw
    secant, _ = secant_and_tangent(4.0 * height / width**2, 2.0 * state.yield_strain / thickness, sheet.item.stock.hardening)
    kept = 1.0 - secant / (1.0 + 12.0 * 0.375 * (height**2 / 12.0) / thickness**2)
    reached = min(1.0, relief.span_mm / width) if tool.kind != "motif" else 1.0
    index = strain / state.break_strain
    if sheet.item.stock.coating != "none":
        bent = 0.5 * thickness * 4.0 * height / width**2
        index = max(index, (strain + bent) / sheet.item.stock.coating_break_strain)
    return FormingSummary(kept * reached, index, strain / state.break_strain, None, None, 0.0, True, CRACK_OFF_BY)
