"""The whole work, not its mean: what of it is not pressed as the rest is, and what keeps it from that."""

from collections.abc import Iterable

import numpy as np

from lofty_press.core.basics.words import Message, say
from lofty_press.core.judging.findings.finding import Evidence, Finding, Severity
from lofty_press.core.judging.findings.near_limit import beyond, part_of
from lofty_press.core.judging.verdict import Lack, Part, in_words
from lofty_press.core.mechanics.effects import dies_at_work
from lofty_press.core.mechanics.needs import Need
from lofty_press.core.sandwich.stack import Placed, Remove, Set, Suggestion, covered

WEAK: tuple[Lack, ...] = ("untouched", "faint")
LOST: tuple[Lack, ...] = ("bare", "untouched")
SPOILED = 0.1  # share of the work without which it is spoiled
FEW = 0.3  # share under which what is right is no longer what a verdict is about
MOSTLY = 0.87  # share that needs no fraction any more
LACKS: dict[Lack, Message] = {
    "bare": say("has no sheet on it"),
    "untouched": say("doesn't get pressed"),
    "faint": say("comes out faint"),
    "crushed": say("gets pressed too hard"),
}


def not_everywhere(e: Evidence) -> Iterable[Finding]:
    """A verdict that holds for a part only says so, and where."""
    v = e.verdict
    if v is None or v.zone in ("slack", "refuses"):
        return
    own = {"faint": "faint", "hard": "crushed"}.get(v.zone)
    others = [p for p in v.shares.parts if p.lack != own]
    weak = sum(p.share for p in others if p.lack in WEAK)
    part = next((p for p in others if p.lack == "bare" or (weak if p.lack in WEAK else p.share) >= v.shares.minded), None)
    if part is None:
        return
    mostly = v.zone if v.shares.right < FEW else "right"
    good = v.shares.right if mostly == "right" else 1.0 - sum(p.share for p in v.shares.parts if p.lack != own)
    how = {"right": say("Right"), "faint": say("Faint"), "hard": say("Too hard")}[mostly]
    lost = v.shares.share(*LOST)
    severity: Severity = "stop" if lost >= SPOILED else "warn"
    layer, why, fix = cause(e, part)
    place = say("{where}, {part} of the work, {lacks}", where=part.where, part=in_words(part.share), lacks=LACKS[part.lack])
    what = (
        say("{how} on {good}: {place}.", how=how, good=in_words(good), place=place)
        if good < MOSTLY
        else say("{how}, but {place}.", how=how, place=place)
    )
    yield Finding("not-everywhere", severity, what, why, layer, fix)


def against(there: float, need: Need) -> Message:
    """A pressure somewhere [MPa] against what the work needs there."""
    if there < need.mark:
        return say("It gets {part} there of the pressure that leaves a first mark.", part=part_of(there, need.mark))
    if there < need.right:
        return say("It gets {part} there of the pressure it needs.", part=part_of(there, need.right))
    if there > need.hard:
        return say("It gets {more} more pressure there than it can take.", more=beyond(there, need.hard))
    return say("It gets enough pressure there.")


def cause(e: Evidence, part: Part) -> tuple[str | None, Message, Suggestion | None]:
    """Which layer makes a part of the work different from the rest; why, and what mends it."""
    tool, sheet, need = e.view.tool, e.view.sheet, e.verdict.need if e.verdict else None
    assert tool is not None
    assert sheet is not None
    assert need is not None
    if part.lack == "bare":
        fix = over_the_work(e, sheet, say("Lay it on the whole tool"))
        return (
            sheet.id,
            say("{tool} works with its whole face, and {sheet} doesn't cover all of it.", tool=tool.name, sheet=sheet.name),
            fix,
        )
    field = e.nip.field
    rest = field.work[field.row_of] & part.whole & ~part.cells
    there = float(np.median(e.nip.pressure[part.cells]))
    told = against(there, need)
    for placed in e.view.layers:
        mask = covered(placed, field.x, field.y)
        inside, outside = mask[part.cells].mean(), mask[rest].mean() if rest.any() else 0.0
        if outside - inside > 0.5:
            if placed in dies_at_work(e.view):
                return placed.id, say("{placed} is the thicker die and takes the load. {told}", placed=placed.name, told=told), None
            return (
                placed.id,
                say("{placed} doesn't reach there. {told}", placed=placed.name, told=told),
                over_the_work(e, placed, say("Put it over the whole work")),
            )
        if inside - outside > 0.5 and placed not in (tool, sheet, *dies_at_work(e.view)):
            return (
                placed.id,
                say("{placed} is only there. {told}", placed=placed.name, told=told),
                over_the_work(e, placed, say("Put it over the whole work")) or out(placed),
            )
    return None, say("The rollers are farther apart there. {told}", told=told), None


def over_the_work(e: Evidence, placed: Placed, label: Message) -> Suggestion | None:
    """Lay a layer so that it covers everything that works; None if it is too small for that, or lies so already."""
    working = dies_at_work(e.view) or ((e.view.tool,) if e.view.tool else ())
    low_x, low_y = (min(p.bounds[n] for p in working) for n in (0, 1))
    high_x, high_y = (max(p.bounds[n] for p in working) for n in (2, 3))
    own = placed.bounds
    if own[2] - own[0] < high_x - low_x or own[3] - own[1] < high_y - low_y:
        return None
    x, y = round((low_x + high_x) / 2, 1), round((low_y + high_y) / 2, 1)
    if (placed.layer.x_mm, placed.layer.y_mm) == (x, y):
        return None
    return Suggestion(label, (Set(layer=placed.id, x_mm=x, y_mm=y),))


def out(placed: Placed) -> Suggestion | None:
    """Without a shim that is too small for the work it is at least even."""
    return Suggestion(say("Take out {placed}", placed=placed.name), (Remove(layer=placed.id),)) if placed.layer.role == "shim" else None


RULES = (not_everywhere,)
