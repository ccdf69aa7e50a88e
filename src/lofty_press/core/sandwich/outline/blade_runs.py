"""Where a blade runs: in its die, and on the bed."""

from collections.abc import Sequence

import numpy as np

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.basics.words import number, say
from lofty_press.core.sandwich.relief import Library, Line
from lofty_press.core.sandwich.stack import DIES, FloatArray, Item, Placed, item_polygon, rings_of

STEP = 0.5  # mm
LONGEST = 100_000.0  # mm


def blade_lines(item: Item, library: Library) -> tuple[tuple[Line, ...], bool]:
    """Runs of a blade [mm], and whether they come from a map; without one, the blade is taken to follow the die's outline."""
    assert item.blade is not None
    found = library(item.blade.map) if item.blade.map else None
    if found is not None and found.lines:
        return found.lines, True
    shape = item_polygon(item).buffer(-min(1.0, 0.1 * min(item.width_mm, item.length_mm)))
    return rings_of(shape), False


def blade_runs(placed: Placed, library: Library) -> tuple[list[Line], bool]:
    """Runs of a placed blade on the bed [mm], and whether they come from a map."""
    lines, drawn = blade_lines(placed.item, library)
    return [on_the_bed(line, placed) for line in lines], drawn


def on_the_bed(points: FloatArray, placed: Placed) -> FloatArray:
    """Points (n, 2) of a thing as seen from its face, on the bed seen from above. [mm]"""
    down = placed.active_side == "down" if placed.kind in DIES else placed.layer.half == "sunk"
    turn = np.deg2rad(placed.layer.rotation_deg)
    rotation = np.array([[np.cos(turn), np.sin(turn)], [-np.sin(turn), np.cos(turn)]])
    flip = np.array([1.0, -1.0 if down else 1.0])
    return np.asarray((points * flip) @ rotation + (placed.layer.x_mm, placed.layer.y_mm))


def walk(lines: Sequence[Line]) -> FloatArray:
    """Points (n, 2) along runs, half a millimetre apart from the start of the first to the end of the last. [mm]

    Raises
    ------
    InvalidInput
        If the runs are longer than any die's, so that following them would take for ever.
    """
    steps = [np.hypot(*np.diff(line, axis=0).T) for line in lines]
    starts = np.concatenate([[0.0], np.cumsum([step.sum() for step in steps])])
    if starts[-1] > LONGEST:
        raise InvalidInput(
            "outline",
            f"{starts[-1] / 1000:.0f} m of blade",
            say("a blade may run over {longest} m at most; make it simpler", longest=number(LONGEST / 1000, 0)),
        )
    along = np.concatenate([start + np.concatenate([[0.0], np.cumsum(step)]) for start, step in zip(starts, steps, strict=False)])
    at = np.arange(STEP / 2, max(starts[-1], STEP), STEP)
    points = np.concatenate(list(lines))
    return np.stack([np.interp(at, along, points[:, k]) for k in (0, 1)], axis=1)
