"""What sheet, tool and blade really meet: a relief with nothing that gives behind it, halves that cannot close, a blade on another tool."""

from collections.abc import Iterable

from lofty_press.core.basics.words import say, term, thickness
from lofty_press.core.judging.findings.finding import Evidence, Finding, Severity
from lofty_press.core.mechanics.effects import is_soft
from lofty_press.core.sandwich.stack import DIES, TOOLS, Add, ItemKind, Move, Placed, Remove, StackView, Suggestion

SOFT_NEEDED: dict[str, ItemKind] = {
    "motif": "rubber mat",
    "texture": "silicone sheet",
    "metal": "silicone sheet",
    "emboss in die": "rubber mat",
}
"""Effects of a relief without a counterpart, and what usually gives way behind the sheet."""
CLOSED = 0.2  # share of the relief's height by which a folder's halves may be held apart and still work into one another
OPEN = 0.5  # share from which a pattern can no longer be expected
METAL = 300.0  # MPa of indentation hardness; over it a blade's edge turns before what it meets is dented


def behind_the_sheet(view: StackView) -> Placed | None:
    """The first thing on the far side of the sheet as its tool sees it; paper only passes the pressure on."""
    sheet, tool = view.sheet, view.tool
    if sheet is None or tool is None:
        return None
    far = view.neighbours(sheet, "up" if sheet.index > tool.index else "down")
    return next((p for p in far if p.material.family != "paper"), None)


def nothing_gives_way(e: Evidence) -> Iterable[Finding]:
    """A relief without a counterpart shapes the sheet only where the sheet can go: into something soft."""
    sheet, tool, kind = e.view.sheet, e.view.tool, SOFT_NEEDED.get(e.view.sandwich.effect.kind)
    if sheet is None or tool is None or kind is None or tool.layer.half is not None:
        return
    behind = behind_the_sheet(e.view)
    if behind is not None and is_soft(behind):
        return
    at = sheet.index + 1 if sheet.index > tool.index else sheet.index
    mat = next((p for p in e.view.mats), None)
    fix = (
        Suggestion(say("Put {mat} behind the sheet", mat=mat.name), (Move(layer=mat.id, to=at - (mat.index < at)),))
        if mat
        else Suggestion(say("Put a {kind} behind it", kind=term(kind)), (Add(kind=kind, at=at),))
    )
    meets = behind.name if behind is not None else say("only the roller")
    why = say(
        "{meets} behind the sheet presses it flat against {tool}, so it can't follow the relief. A mat there lets the relief rise.",
        meets=meets,
        tool=tool.name,
    )
    yield Finding("nothing-gives-way", "stop", say("Nothing soft behind the sheet: no relief."), why, sheet.id, fix)


def halves_held_apart(e: Evidence) -> Iterable[Finding]:
    """What lies in a folder beside the sheet keeps its halves from working into one another."""
    halves, sheet = e.view.folder_halves, e.view.sheet
    if halves is None or sheet is None or halves[0].item.relief is None or not e.view.in_folder(sheet):
        return
    seated = DIES if halves[0].kind == "cutting folder" else ()
    between = [p for p in e.view.layers[halves[0].index + 1 : halves[1].index] if p is not sheet and p.kind not in (*seated, "motif")]
    apart = sum(p.thickness for p in between) + (sheet.layer.count - 1) * sheet.item.thickness.mm
    height = halves[0].item.relief.height_mm
    if apart <= CLOSED * height:
        return
    severity: Severity = "stop" if apart > OPEN * height or any(p.material.family != "paper" for p in between) else "warn"
    thickest = max(between, key=lambda p: p.thickness, default=sheet)
    why = say(
        "More than one sheet, {apart}, is between halves whose relief is {height} high. They close that much less.",
        apart=thickness(apart),
        height=thickness(height),
    )
    fix = Suggestion(say("Take out {thickest}", thickest=thickest.name), (Remove(layer=thickest.id),)) if thickest is not sheet else None
    yield Finding(
        "halves-held-apart",
        severity,
        say("{thickest} holds the halves of {halves} apart.", thickest=thickest.name, halves=halves[0].name),
        why,
        thickest.id,
        fix,
    )


def blade_meets_tool(e: Evidence) -> Iterable[Finding]:
    """Behind the sheet a blade may meet a plate or a mat; another tool or metal spoils its edge."""
    blade = e.blade
    if blade is None or blade.behind is None or blade.die.kind not in DIES:
        return
    behind = blade.behind
    if behind.kind in TOOLS or behind.material.hardness >= METAL:
        why = say("Edge and whatever it hits both get damaged. Only a hard plate, or a mat for a line, belongs behind the sheet.")
        yield Finding("blade-meets-tool", "stop", say("The blade runs into {behind}.", behind=behind.name), why, behind.id)


RULES = (nothing_gives_way, halves_held_apart, blade_meets_tool)
