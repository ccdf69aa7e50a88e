"""Where the layers lie: inside the press, over one another, square to the rollers."""

from collections.abc import Iterable
from dataclasses import replace

from lofty_press.core.basics.words import area, say, size
from lofty_press.core.judging.findings.finding import Evidence, Finding, Severity
from lofty_press.core.mechanics.effects import dies_at_work
from lofty_press.core.mechanics.feed import laying, placing_of, work_layers
from lofty_press.core.sandwich.outline import tool_overlaps
from lofty_press.core.sandwich.stack import MATS, PLATES, Lay, Move, Placed, Remove, Set, StackView, Suggestion

SLACK = 0.5  # mm
LEAST_SHIFT = 1.0  # mm
LONG_EDGE = 90.0  # mm of straight edge that meets the rollers at once; common practice, no published source


def wider_than_press(e: Evidence) -> Iterable[Finding]:
    """Everything has to pass between the side frames."""
    limit = e.view.press.feed_width_mm / 2
    for placed in e.view.layers:
        if placed.layer.half and placed.layer.half == "sunk":
            continue
        _, low, _, high = placed.bounds
        if high - low > 2 * limit + SLACK:
            why = say(
                "It's {high} across; {press} takes {limit}. Turn it, trim it, or use a wider press.",
                high=size(high - low),
                press=e.view.press.name,
                limit=size(2 * limit),
            )
            turn = Suggestion(say("Turn it by 90°"), (Set(layer=placed.id, rotation_deg=(placed.layer.rotation_deg + 90) % 360),))
            low_x, _, high_x, _ = placed.bounds
            yield Finding(
                "wider-than-press",
                "stop",
                say("{placed} is wider than the press.", placed=placed.name),
                why,
                placed.id,
                turn if high_x - low_x <= 2 * limit and not placed.layer.half else None,
            )
        elif high > limit + SLACK or low < -limit - SLACK:
            fix = Suggestion(say("Move it to the middle"), to_the_middle(e.view, placed))
            yield Finding(
                "outside-the-press",
                "stop",
                say("{placed} runs into the side of the press.", placed=placed.name),
                say("Part of it is outside the width that passes."),
                placed.id,
                fix,
            )


def to_the_middle(view: StackView, placed: Placed) -> tuple[Set | Lay, ...]:
    """Edits that bring a layer to the middle of the rollers; what belongs together, a folder's halves, sheet and all dies, goes as one."""
    together = work_layers(view)
    if placed.id not in together:
        return (Set(layer=placed.id, y_mm=0.0),)
    working = dies_at_work(view) or ((view.tool,) if view.tool is not None else (placed,))
    shift = -(min(p.bounds[1] for p in working) + max(p.bounds[3] for p in working)) / 2
    if abs(shift) < LEAST_SHIFT:  # the work is in the middle, and this one is not: it goes there by itself
        return (Set(layer=placed.id, y_mm=0.0),)
    now = placing_of(view)
    return () if now is None else laying(view, replace(now, y=now.y + shift))


def tools_overlap(e: Evidence) -> Iterable[Finding]:
    """Two tools on top of one another damage both."""
    for overlap in tool_overlaps(e.view):
        one, two = overlap.one, overlap.two
        fix = Suggestion(say("Take out {two}", two=two.name), (Remove(layer=two.id),))
        why = say(
            "They share {area}: dies and press get damaged. Put them side by side; use every other size of a nested set.",
            area=area(overlap.area / 100),
        )
        yield Finding("tools-overlap", "stop", say("{one} and {two} overlap.", one=one.name, two=two.name), why, two.id, fix)


def sticks_out(e: Evidence) -> Iterable[Finding]:
    """Nothing sticks out over the plate that carries it."""
    plates = [p for p in e.view.layers if p.kind in PLATES and p.kind not in ("frame", "pressure mask")]
    for placed in e.view.layers:
        if placed.kind in PLATES or (placed.is_sheet and placed.item.stock is None):
            continue
        if placed.layer.half == "sunk" or placed.layer.role in ("shim", "backing"):
            continue
        carrier = next((p for p in reversed(plates) if p.index < placed.index), None)
        if carrier is not None and hangs_over(placed, carrier) > SLACK:
            beyond = hangs_over(placed, carrier)
            severity: Severity = "warn" if placed.kind in MATS or placed.item.blade is None else "stop"
            fix = (
                Suggestion(say("Square it up"), (Set(layer=placed.id, x_mm=carrier.layer.x_mm, y_mm=carrier.layer.y_mm),))
                if hangs_over(placed, carrier, squared=True) <= SLACK
                else None
            )
            yield Finding(
                "sticks-out",
                severity,
                say("{placed} sticks out {beyond} past {carrier}.", placed=placed.name, beyond=size(beyond), carrier=carrier.name),
                say("The edge gets crushed where the roller steps down, and a blade reaches past the plate."),
                placed.id,
                fix,
            )


def hangs_over(placed: Placed, carrier: Placed, *, squared: bool = False) -> float:
    """How far a layer reaches beyond another in any direction [mm]; `squared` asks for it lying in the middle."""
    low_x, low_y, high_x, high_y = placed.bounds
    if squared:
        dx, dy = carrier.layer.x_mm - placed.layer.x_mm, carrier.layer.y_mm - placed.layer.y_mm
        low_x, high_x, low_y, high_y = low_x + dx, high_x + dx, low_y + dy, high_y + dy
    to_x, to_y, from_x, from_y = carrier.bounds
    return float(max(to_x - low_x, to_y - low_y, high_x - from_x, high_y - from_y))


def long_straight_edge(e: Evidence) -> Iterable[Finding]:
    """A long straight edge meets the rollers at once: it jumps or does not bite."""
    tool = e.view.tool
    if (
        tool is None
        or tool.item.blade is None
        or tool.item.outline is not None
        or tool.layer.half is not None
        or tool.layer.rotation_deg % 90
    ):
        return
    across = tool.item.width_mm if tool.layer.rotation_deg % 180 == 0 else tool.item.length_mm
    if across >= LONG_EDGE:
        fix = Suggestion(say("Turn it by 15°"), turned_together(e.view, 15.0))
        why = say(
            (
                "{across} of straight blade meet the rollers at once. Turned 10 to 45 degrees, the load comes on bit by bit. Some "
                "leave it straight and crank slowly."
            ),
            across=size(across),
        )
        yield Finding("long-straight-edge", "advise", say("{tool} jerks when it goes in square.", tool=tool.name), why, tool.id, fix)


def turned_together(view: StackView, degrees: float) -> tuple[Lay, ...]:
    """Edits that turn die, sheet and masks as one."""
    now = placing_of(view)
    assert now is not None
    return laying(view, replace(now, turn=now.turn + degrees))


def bowed_plate(e: Evidence) -> Iterable[Finding]:
    """A bowed plate presses in the middle or at the ends only."""
    for placed in e.view.layers:
        if placed.item.bow_mm > 0.5:
            why = say(
                "It's {bow} hollow. Turn it over so the rollers flatten it, and move the work around.",
                bow=size(placed.item.bow_mm),
            )
            yield Finding("plate-bowed", "advise", say("{placed} is bowed.", placed=placed.name), why, placed.id)


def sheet_off_the_tool(e: Evidence) -> Iterable[Finding]:
    """The part of the sheet that the tool does not cover stays as it is."""
    sheet, tool = e.view.sheet, e.view.tool
    if sheet is None or tool is None or sheet.polygon.intersects(tool.polygon):
        return
    fix = Suggestion(say("Lay it on the tool"), (Set(layer=sheet.id, x_mm=tool.layer.x_mm, y_mm=tool.layer.y_mm),))
    yield Finding(
        "sheet-off-the-tool",
        "stop",
        say("{sheet} isn't on {tool}.", sheet=sheet.name, tool=tool.name),
        say("Nothing would happen to it."),
        sheet.id,
        fix,
    )


def sheet_apart_from_tool(e: Evidence) -> Iterable[Finding]:
    """The tool only works on a sheet that it touches: inside the folder, or next to the die or relief but for other paper."""
    sheet, tool = e.view.sheet, e.view.tool
    if sheet is None or tool is None:
        return
    if tool.layer.half is not None:
        if e.view.in_folder(sheet):
            return
        layer, label = sheet.id, say("Put it into the folder")
        what, why = (
            say("{sheet} is outside {tool}.", sheet=sheet.name, tool=tool.name),
            say("Only what's between its halves takes the pattern."),
        )
    else:
        low, high = sorted((sheet.index, tool.index))
        between = next((p for p in e.view.layers[low + 1 : high] if p.material.family != "paper"), None)
        if between is None:
            return
        layer, label = between.id, say("Lay the sheet on the tool")
        what, why = (
            say("{between} is between {tool} and the sheet.", between=between.name, tool=tool.name),
            say("The tool presses into that, and the sheet stays as is."),
        )
    to = tool.index + (1 if sheet.index > tool.index else 0)
    yield Finding("sheet-apart", "stop", what, why, layer, Suggestion(label, (Move(layer=sheet.id, to=to),)))


RULES = (wider_than_press, tools_overlap, sticks_out, long_straight_edge, bowed_plate, sheet_off_the_tool, sheet_apart_from_tool)
