"""The same pile with its sheet damper or drier, or sent through more often: whether that helps before it is advised."""

from dataclasses import replace

from lofty_press.core.judging.findings.finding import Evidence
from lofty_press.core.judging.verdict import Verdict, judge, minded, shares_of, stretch_of
from lofty_press.core.mechanics.needs import need_of
from lofty_press.core.sandwich.stack import StackView
from lofty_press.core.sandwich.stock import working_sheet

NO_WORSE = 0.005
"""Chance of a good sheet that is no difference. [1]"""


def in_state(e: Evidence, *, mist_age_s: float | None, passes: int) -> Verdict | None:
    """The verdict in another state of the sheet, on the same curve of pressure; None where nothing is judged. Mist goes on the back."""
    sheet = e.view.sheet
    if sheet is None or sheet.item.stock is None:
        return None
    layers = tuple(
        replace(layer, mist_age_s=mist_age_s, mist_face="back") if layer.id == sheet.id else layer for layer in e.view.sandwich.layers
    )
    view = StackView(replace(e.view.sandwich, layers=layers, passes=passes))
    closing = e.closing.in_state(view, working_sheet(sheet.item.stock, mist_age_s, passes=passes))
    need = need_of(view, closing)
    if need is None:
        return None
    shares = shares_of(e.nip, need, minded(view.sandwich.effect.traits, view.sandwich.passes))
    return judge(view, need, e.sweep, shares, stretch_of(view, closing, e.sweep, None))


def as_it_is(e: Evidence) -> Verdict | None:
    """The verdict in the present state by the same estimate, to compare others with."""
    sheet = e.view.sheet
    if e.forming is None or e.forming.estimate or sheet is None:
        return e.verdict
    return in_state(e, mist_age_s=sheet.layer.mist_age_s, passes=e.view.sandwich.passes)


def no_worse(e: Evidence, *, mist_age_s: float | None, passes: int) -> bool:
    """True if a good sheet is as likely in another state, or likelier."""
    now, then = as_it_is(e), in_state(e, mist_age_s=mist_age_s, passes=passes)
    return now is not None and then is not None and then.good.chance >= now.good.chance - NO_WORSE


def nearer(e: Evidence, *, mist_age_s: float | None, passes: int) -> bool:
    """True if a sheet that is too faint is nearer to right in another state."""
    then = in_state(e, mist_age_s=mist_age_s, passes=passes)
    return e.verdict is not None and then is not None and then.bounds[1] < e.verdict.bounds[1] and then.good.chance >= e.verdict.good.chance
