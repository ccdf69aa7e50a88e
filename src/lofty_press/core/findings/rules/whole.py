"""The whole work, not its mean: what of it is not pressed as the rest is, and what keeps it from that."""

from collections.abc import Iterable

import numpy as np

from lofty_press.core.effects import dies_at_work
from lofty_press.core.findings.finding import Evidence, Finding, Severity
from lofty_press.core.stack import Placed, Remove, Set, Suggestion, covered
from lofty_press.core.verdict import Lack, Part, in_words

LOST: tuple[Lack, ...] = ("bare", "untouched")
SPOILED = 0.1  # share of the work without which it is spoiled
UNEVEN = 0.1  # share that may come out otherwise than the rest before it is worth a word
FEW = 0.3  # share under which what is right is no longer what a verdict is about
MOSTLY = 0.87  # share that needs no fraction any more
LACKS = {"bare": "meets no sheet", "untouched": "is not pressed", "faint": "comes out faint", "crushed": "is pressed too hard"}


def not_everywhere(e: Evidence) -> Iterable[Finding]:
    """A verdict that holds for a part only says so, and where."""
    v = e.verdict
    if v is None or v.zone in ("slack", "refuses"):
        return
    own = {"faint": "faint", "hard": "crushed"}.get(v.zone)
    part = next((p for p in v.shares.parts if p.lack != own and (p.lack in LOST or p.share >= UNEVEN)), None)
    if part is None:
        return
    mostly = v.zone if v.shares.right < FEW else "right"
    good = v.shares.right if mostly == "right" else 1.0 - sum(p.share for p in v.shares.parts if p.lack != own)
    how = {"right": "Right", "faint": "Faint", "hard": "Too hard"}[mostly]
    lost = v.shares.share(*LOST)
    severity: Severity = "stop" if lost >= SPOILED else "warn"
    layer, why, fix = cause(e, part)
    place = f"{part.where}, {in_words(part.share)} of the work, {LACKS[part.lack]}"
    what = f"{how} on {in_words(good)}: {place}." if good < MOSTLY else f"{how}, but {place}."
    yield Finding("not-everywhere", severity, what, why, layer, fix)


def cause(e: Evidence, part: Part) -> tuple[str | None, str, Suggestion | None]:
    """Which layer makes a part of the work different from the rest; why, and what mends it."""
    tool, sheet, need = e.view.tool, e.view.sheet, e.verdict.need if e.verdict else None
    assert tool is not None
    assert sheet is not None
    assert need is not None
    if part.lack == "bare":
        fix = over_the_work(e, sheet, "Lay it on the whole tool")
        return sheet.id, f"{tool.name} works with its whole face, and {sheet.name} does not lie on all of it.", fix
    field = e.nip.field
    rest = field.work[field.row_of] & part.whole & ~part.cells
    there = float(np.median(e.nip.pressure[part.cells]))
    told = (
        f"{there:.1f} MPa there, where the first mark takes {need.mark:.1f} MPa and a good result {need.right:.1f} to {need.hard:.1f} MPa."
    )
    for placed in e.view.layers:
        mask = covered(placed, field.x, field.y)
        inside, outside = mask[part.cells].mean(), mask[rest].mean() if rest.any() else 0.0
        if outside - inside > 0.5:
            if placed in dies_at_work(e.view):
                return placed.id, f"{placed.name} is the thicker die and carries the rollers. {told}", None
            return placed.id, f"{placed.name} does not reach there. {told}", over_the_work(e, placed, "Lay it over the whole work")
        if inside - outside > 0.5 and placed not in (tool, sheet, *dies_at_work(e.view)):
            return (
                placed.id,
                f"{placed.name} lies only there. {told}",
                over_the_work(e, placed, "Lay it over the whole work") or out(placed),
            )
    return None, f"The rollers open more there. {told}", None


def over_the_work(e: Evidence, placed: Placed, label: str) -> Suggestion | None:
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
    return Suggestion(f"Take out {placed.name}", (Remove(layer=placed.id),)) if placed.layer.role == "shim" else None


RULES = (not_everywhere,)
