"""The next run on a plate that has been used: what it would do, and how it would better lie."""

import math
from collections.abc import Mapping
from dataclasses import dataclass

from shapely import affinity

from lofty_press.core.basics.words import say
from lofty_press.core.mechanics.feed import Placing, Setting, laying, placing_of, room_of
from lofty_press.core.mechanics.plates.condition import Cleanness, cleanness, no_longer_cuts, share_on
from lofty_press.core.mechanics.plates.mark import FACES, Face, Mark, face_met, marks_of, pattern_of, place_on
from lofty_press.core.mechanics.plates.propose import Box, History, Proposal, after, propose
from lofty_press.core.mechanics.plates.wear import Laid
from lofty_press.core.sandwich.stack import Placed, Polygon, Sandwich, StackView, Suggestion, TurnOver, apply_edits


@dataclass(frozen=True)
class Option:
    """One way to lay the next run, the sandwich so laid, its place in plain figures, and what of the plate's state it would leave."""

    suggestion: Suggestion
    sandwich: Sandwich
    placing: Placing
    proposal: Proposal
    turned_over: bool


@dataclass(frozen=True)
class NextRun:
    """The plate that the blade meets, and the choice of places on it.

    `as_it_lies` is what this run would leave if nothing is changed. `dull` is the share of the blade that would come down where the plate
    no longer cuts; `clean` says how scars would print, None for a sheet that does not show them.
    """

    plate: Placed
    face: Face
    mark: Mark
    as_it_lies: Proposal
    options: tuple[Option, ...]
    dull: float
    clean: Cleanness | None


def next_run(sandwich: Sandwich, setting: Setting, histories: Mapping[str, History], *, margin: float | None) -> NextRun | None:
    """Look where the next run of a sandwich should lie.

    Parameters
    ----------
    sandwich : Sandwich
    setting : Setting
    histories : mapping of str to History
        Of plates by their key in the sandwich's items; one that is not there is new.
    margin : float or None
        Thickness that the pile can lose before it gets faint, None if not known. [mm]

    Returns
    -------
    NextRun or None
        None where no blade reaches a plate.
    """
    mark = next(iter(marks_of(sandwich, setting)), None)
    if mark is None:
        return None
    view = StackView(sandwich)
    plate = next(p for p in view.layers if p.id == mark.layer)
    die = next(p for p in view.layers if p.id == mark.die)
    history = histories.get(mark.item)
    if history is None or placing_of(view) is None:
        return None
    pattern = pattern_of(die.item, setting.library)
    now = after(history, mark.face, pattern, mark.depth, mark.turn, mark.x, mark.y)
    found = propose(
        history,
        pattern,
        mark.depth,
        turns=(mark.turn, mark.turn + 180.0),
        faces=FACES,
        room=lambda turn: room_for(view, plate, die, half_turned=turn != mark.turn),
    )
    options = tuple(option_of(sandwich, plate, die, proposal, mark.face) for proposal in found if proposal.cost < now.cost)
    wear = history.of(mark.face)
    dull = 0.0
    if margin is not None:
        worn = no_longer_cuts(wear, margin)
        dull = share_on(worn, pattern, Laid(mark.x, mark.y, mark.turn, mark.depth))
    return NextRun(plate, mark.face, mark, now, options, dull, print_of(view, plate, die, history))


def room_for(view: StackView, plate: Placed, die: Placed, *, half_turned: bool) -> Box:
    """Where a die's middle may lie so that it stays on every plate and its sheet passes the press: lowest and highest along and across, seen
    from the face that meets it. [mm]"""
    room, half = room_of(view), view.press.feed_width_mm / 2
    work = reach_around(die, die, half_turned)
    sheet = work if view.sheet is None else reach_around(view.sheet, die, half_turned)
    low = room.low_x - work[0], max(room.low_y - work[1], -half - sheet[1])
    high = room.high_x - work[2], min(room.high_y - work[3], half - sheet[3])
    corners = [place_on(plate, die, *corner) for corner in (low, high)]
    (x0, x1), (y0, y1) = (sorted(c[k] for c in corners) for k in (0, 1))
    return x0, x1, y0, y1


def reach_around(thing: Placed, die: Placed, half_turned: bool) -> Box:
    """Bounds of a thing that moves with a die, around the die's middle; half turned with it. [mm]"""
    x, y = die.layer.x_mm, die.layer.y_mm
    low_x, low_y, high_x, high_y = thing.bounds
    around = (low_x - x, low_y - y, high_x - x, high_y - y)
    return (-around[2], -around[3], -around[0], -around[1]) if half_turned else around


def option_of(sandwich: Sandwich, plate: Placed, die: Placed, proposal: Proposal, face_now: Face) -> Option:
    """A proposal as a sandwich: the plate turned over if its other face is to be used, the work laid there."""
    away = die.index < plate.index
    across, turn = (-proposal.y, -proposal.turn) if away else (proposal.y, proposal.turn)
    angle = math.radians(plate.layer.rotation_deg)
    x = plate.layer.x_mm + math.cos(angle) * proposal.x - math.sin(angle) * across
    y = plate.layer.y_mm + math.sin(angle) * proposal.x + math.cos(angle) * across
    over = proposal.face != face_now
    lead = placing_of(StackView(sandwich))
    assert lead is not None
    # the work is laid by its tool, which is the die here unless a relief leads
    placing = Placing(round(x + lead.x - die.layer.x_mm, 2), round(y + lead.y - die.layer.y_mm, 2), plate.layer.rotation_deg + turn)
    edits = (*laying(StackView(sandwich), placing), *((TurnOver(layer=plate.id),) if over else ()))
    after_it = apply_edits(sandwich, edits)
    there = placing_of(StackView(after_it))
    assert there is not None
    return Option(Suggestion(say("Use the fresher place"), edits), after_it, there, proposal, over)


def print_of(view: StackView, plate: Placed, die: Placed, history: History) -> Cleanness | None:
    """How a plate's scars would print on a sheet that shows them; only if the sheet lies on that plate."""
    sheet = view.sheet
    if sheet is None or sheet.item.stock is None or not sheet.item.stock.shows_scars or abs(sheet.index - plate.index) != 1:
        return None
    face = face_met(plate, sheet)
    return cleanness(history.of(face), seen_on(plate, sheet, face), seen_on(plate, die, face))


def seen_on(plate: Placed, thing: Placed, face: Face) -> Polygon:
    """Outline of a thing in a plate's coordinates, seen from one of its faces. [mm]"""
    shape = affinity.translate(thing.polygon, -plate.layer.x_mm, -plate.layer.y_mm)
    shape = affinity.rotate(shape, -plate.layer.rotation_deg, origin=(0, 0))
    return affinity.scale(shape, 1.0, -1.0, origin=(0, 0)) if thing.index < plate.index else shape
