"""Is the pile built the way this kind of tool is run?"""

from collections.abc import Iterable

from lofty_press.core.basics.words import say, size
from lofty_press.core.judging.findings.finding import Evidence, Finding, Severity
from lofty_press.core.sandwich.stack import DEEP_FOLDERS, KIND_TRAITS, PADS, Add, Exchange, Placed, Remove, Suggestion


def surplus_pads(e: Evidence) -> list[Placed]:
    """Pads that a deep folder does without: those below it, and all but one above."""
    halves = e.view.folder_halves
    if halves is None or halves[0].kind not in DEEP_FOLDERS:
        return []
    below = [p for p in e.view.pads if p.index < halves[0].index]
    above = [p for p in e.view.pads if p.index > halves[1].index]
    return below + (above[:-1] if len(above) > 1 else [])


def two_pads_on_deep_folder(e: Evidence) -> Iterable[Finding]:
    """A deep folder is its own lower plate."""
    surplus = surplus_pads(e)
    if not surplus:
        return
    halves = e.view.folder_halves
    assert halves is not None
    keep = next((p for p in reversed(e.view.pads) if p.index > halves[1].index), None)
    edits = tuple(Remove(layer=p.id) for p in surplus)
    if keep is not None and keep.kind != "deep plate":
        fix = Suggestion(say("One deep plate instead of both"), (*edits, Exchange(layer=keep.id, kind="deep plate")))
    elif keep is None:
        fix = Suggestion(say("One deep plate on top"), (*edits, Add(kind="deep plate", at=halves[1].index + 1 - len(surplus))))
    else:
        fix = Suggestion(say("Take out the extra plate"), edits)
    severity: Severity = "stop" if not e.nip.bites else "warn"
    why = say(
        "It's {thickness} thick and stiff enough to be its own lower plate. It goes under one deep plate, alone.",
        thickness=size(halves[0].item.thickness.mm),
    )
    yield Finding("two-pads-on-deep-folder", severity, say("A deep folder needs no second plate."), why, surplus[0].id, fix)


def deep_plate_missing(e: Evidence) -> Iterable[Finding]:
    """A deep folder right under the roller, or under a thin plate."""
    halves = e.view.folder_halves
    if halves is None or halves[0].kind not in DEEP_FOLDERS or surplus_pads(e):
        return
    above = [p for p in e.view.pads if p.index > halves[1].index]
    if not above:
        fix = Suggestion(say("Put the deep plate on top"), (Add(kind="deep plate", at=halves[1].index + 1),))
        yield Finding(
            "deep-plate-missing",
            "stop",
            say("The deep folder has no plate above it."),
            say("The roller would press on the folder itself."),
            halves[1].id,
            fix,
        )
    elif above[-1].kind == "hard plate" and e.verdict is not None and e.verdict.zone in ("slack", "faint"):
        fix = Suggestion(say("Use a deep plate instead"), (Exchange(layer=above[-1].id, kind="deep plate"),))
        yield Finding(
            "deep-plate-better",
            "warn",
            say("{above} is thinner than a deep plate.", above=above[-1].name),
            say("One thicker plate brings the deep folder up to the opening."),
            above[-1].id,
            fix,
        )


def pads_missing(e: Evidence) -> Iterable[Finding]:
    """Folders and dies want a pad on both sides, blades and plastic otherwise meet the rollers or the bed."""
    tool = e.view.tool
    if tool is None or KIND_TRAITS[tool.kind].alone:
        return
    deep = tool.kind == "cutting folder" and tool.item.thickness.mm > 4
    top = (
        e.view.folder_halves[1].index
        if tool.layer.half and e.view.folder_halves
        else max(tool.index, e.view.sheet.index if e.view.sheet else 0)
    )
    # a firm mat carries the roller itself, as over an envelope; a bare tool or sheet does not
    above = any(p.index > top and p.kind in (*PADS, "frame", "rubber mat") for p in e.view.layers)
    below = any(0 < p.index < tool.index for p in (*e.view.pads, *e.view.mats))
    if not above:
        fix = Suggestion(say("Put a hard plate on top"), (Add(kind="hard plate", at=len(e.view.layers)),))
        yield Finding(
            "top-plate-missing",
            "stop",
            say("Nothing flat is between tool and upper roller."),
            say("{tool} would run against the roller itself.", tool=tool.name),
            tool.id,
            fix,
        )
    rests = e.view.sandwich.effect.kind == "emboss in die"  # the die lies on its blunt back, and nothing is cut
    if not below and not deep and not rests and tool.item.blade is not None:
        fix = Suggestion(say("Put a hard plate below"), (Add(kind="hard plate", at=tool.index),))
        yield Finding(
            "lower-plate-missing",
            "warn",
            say("No plate between tool and bed."),
            say("A blade needs a pad on both sides, or it marks the bed."),
            tool.id,
            fix,
        )


def letterpress_pads(e: Evidence) -> Iterable[Finding]:
    """A letterpress plate is run with one pad."""
    tool = e.view.tool
    if tool is not None and tool.kind == "letterpress plate" and len(e.view.pads) > 1:
        extra = e.view.pads[0]
        fix = Suggestion(say("Take out {extra}", extra=extra.name), (Remove(layer=extra.id),))
        yield Finding(
            "letterpress-two-pads",
            "advise",
            say("Letterpress usually runs under one hard plate."),
            say("The plate is thick already; a second pad only raises the pressure."),
            extra.id,
            fix,
        )


def platform_missing(e: Evidence) -> Iterable[Finding]:
    """Strip dies are thin by themselves and come up to height on a platform."""
    tool = e.view.tool
    if tool is not None and tool.kind == "strip die" and not any(p.kind == "platform" for p in e.view.layers):
        yield Finding(
            "platform-missing",
            "warn",
            say("{tool} is made for its own platform.", tool=tool.name),
            say("On its own it's too low. Pads pile up crooked under a long die."),
            tool.id,
        )


def bed_under_steel_rule(e: Evidence) -> Iterable[Finding]:
    """Steel-rule dies are tall: the usual bed makes way for them."""
    tool = e.view.tool
    bed = next((p for p in e.view.layers if p.kind == "bed"), None)
    if tool is not None and tool.kind == "steel-rule die" and bed is not None and not e.nip.bites:
        fix = Suggestion(say("Run it without the bed"), (Remove(layer=bed.id),))
        yield Finding(
            "bed-under-steel-rule",
            "stop",
            say("A steel-rule die runs without the bed."),
            say("Fold the bed back or lower it; the die rides on a plate."),
            bed.id,
            fix,
        )


def frames_in_pairs(e: Evidence) -> Iterable[Finding]:
    """Window frames take a hard plate's place only as a pair."""
    frames = [p for p in e.view.layers if p.kind == "frame"]
    if frames and sum(p.layer.count for p in frames) % 2:
        yield Finding(
            "single-frame",
            "advise",
            say("One frame alone is usually too thin."),
            say("Two frames cut with one die replace one hard plate. They thin with use, so measure them."),
            frames[0].id,
        )


RULES = (
    two_pads_on_deep_folder,
    deep_plate_missing,
    pads_missing,
    letterpress_pads,
    platform_missing,
    bed_under_steel_rule,
    frames_in_pairs,
)
