"""What ink, tape, heat and old plates leave on a sheet. None of it is computed: each is drawn from what it usually looks like (common practice, no
published source), on the sheet that is; chance always falls the same way."""

from collections.abc import Callable, Mapping
from dataclasses import replace

import numpy as np
from scipy.ndimage import gaussian_filter, shift

from lofty_press.core.sandwich.stack import FloatArray
from lofty_press.core.teaching.coach import Trace
from lofty_press.documents.pictures.front import Front

RUN = 0.7  # mm that thick ink runs
PATCH, PATCHY = 4.0, 0.1  # mm, quantile-like level of what still takes ink
SPECKS, THUMB = 0.004, (11.0, 8.0)  # share of cells with a speck, half axes of a thumb's touch [mm]
POWDER, BROWN = "#6b5320", "#7a4a1c"
FIBERS, GLUE = "#f4efe4", "#5f6660"
SCORCH, BULGE = 13.0, 1.2  # mm
GROOVE, OLD = 0.12, 0.45  # mm deep and half wide
PIECE = 5.0  # mm, half of what was left in the die
WORN = 9.0  # mm, half of a worn stripe
MOVED = (2.4, 1.6)  # mm between two passes
KEPT = 0.7  # of a relief that is pressed again beside itself
BLUNT = 0.4  # mm over which one runs into the other
JUMP = 3.0  # mm
TAPE, TAPE_DEEP, EDGE = (34.0, 19.0), 0.12, 0.3  # mm long and wide, thick, and over which its edge falls
WAVE, WAVES = 5.0, 0.35  # mm across and high


def chance() -> np.random.Generator:
    """Chance that always falls the same way."""
    return np.random.default_rng(1926)


def clouds(front: Front, size: float) -> FloatArray:
    """Smooth noise with patches of some size [mm], of mean 0 and standard deviation 1."""
    found = gaussian_filter(chance().standard_normal(front.cover.shape), size / front.spacing)
    return np.asarray(found / max(float(found.std()), 1e-12))


def line(distance: FloatArray, half_width: float) -> FloatArray:
    """How much of a line there is, 0 to 1, at a distance from its middle. [mm]"""
    return np.asarray(np.exp(-((distance / half_width) ** 2)))


def ran_out(front: Front) -> Front:
    """Ink beyond its pattern, darker at its rim."""
    wide = gaussian_filter(front.ink, RUN / front.spacing)
    return replace(front, ink=np.clip(np.maximum(0.85 * front.ink, 1.6 * wide), 0.0, 1.0) * front.cover)


def on_the_ground(front: Front) -> Front:
    """Ink on what was to stay bare, and none on the pattern."""
    return replace(front, ink=(1.0 - front.ink) * front.tool * front.cover)


def in_patches(front: Front) -> Front:
    """Ink that came off the plate here and there."""
    return replace(front, ink=front.ink * np.clip(1.5 * (PATCHY + 0.5 * clouds(front, PATCH)), 0.05, 1.0))


def specks(front: Front) -> Front:
    """Powder all over, most of it where a thumb was."""
    down, right = front.mesh()
    long, wide = front.size
    thumb = line(np.hypot((down - 0.3 * long) / THUMB[0], (right + 0.32 * wide) / THUMB[1]), 1.0)
    dots = (chance().random(front.cover.shape) < SPECKS * (1.0 + 40.0 * thumb)).astype(float)
    return replace(front, stain=np.clip(3.0 * gaussian_filter(dots, 0.6), 0.0, 0.9), stain_colour=POWDER)


def powdered_wash(front: Front) -> Front:
    """Powder in a band of color across the sheet."""
    down, _ = front.mesh()
    band = line(down - 0.1 * front.size[0], 0.18 * front.size[0])
    dots = (chance().random(front.cover.shape) < 6.0 * SPECKS * band).astype(float)
    return replace(front, stain=np.clip(3.0 * gaussian_filter(dots, 0.6), 0.0, 0.9), stain_colour=POWDER)


def taped(front: Front) -> FloatArray:
    """Where a strip of tape was, at an edge of the sheet: how much of each cell, 0 to 1."""
    down, right = front.mesh()
    long, wide = (np.abs(axis) for axis in (down + 0.36 * front.size[0], right))
    inside = np.minimum(0.5 * TAPE[1] - long, 0.5 * TAPE[0] - wide)
    return np.asarray(np.clip(inside / EDGE + 0.5, 0.0, 1.0))


def peeled(front: Front) -> Front:
    """The top of the paper gone where tape was, fibers standing up."""
    gone = taped(front)
    rough = 0.5 * TAPE_DEEP * clouds(front, 0.6)
    return replace(front, heights=front.heights - gone * (TAPE_DEEP - rough), stain=0.6 * gone, stain_colour=FIBERS)


def shine(front: Front) -> Front:
    """A flat, darker film of glue."""
    film = taped(front)
    return replace(front, heights=front.heights * (1.0 - 0.5 * film), stain=0.35 * film, stain_colour=GLUE)


def scorched(front: Front) -> Front:
    """Brown where the heat stayed, and bent towards it."""
    down, right = front.mesh()
    long, wide = front.size
    there = line(np.hypot(down + 0.15 * long, right - 0.18 * wide), SCORCH)
    return replace(front, heights=front.heights + BULGE * there, stain=0.75 * there, stain_colour=BROWN)


def old_cuts(front: Front) -> Front:
    """Fine lines that another die once cut into the plate."""
    down, right = front.mesh()
    long, wide = front.size
    found = np.zeros_like(down)
    for along, across, reach in ((-0.22, -0.2, 0.3), (0.12, 0.16, 0.42), (0.3, -0.28, 0.2)):
        distance = np.hypot(down - along * long, right - across * wide) - reach * min(long, wide)
        found = np.maximum(found, line(distance, OLD))
    for slope, at in ((0.35, -0.1), (-0.2, 0.25)):
        found = np.maximum(found, line((right - slope * down - at * wide) / np.hypot(1.0, slope), OLD))
    return replace(front, heights=front.heights - GROOVE * found)


def uncut_stripe(front: Front) -> Front:
    """A stripe across the cut in which it did not come through."""
    down, right = front.mesh()
    worn = line(np.abs(down - 0.4 * right) / np.hypot(1.0, 0.4), WORN) > np.exp(-1.0)
    return replace(front, cut=front.cut * ~worn, heights=front.heights - GROOVE * front.cut * worn)


def around_a_piece(front: Front) -> Front:
    """A place that is not cut, with the piece that held the blade off pressed in beside it."""
    down, right = front.mesh()
    i, j = np.nonzero(front.cut > 0.5)
    n = i.size // 3
    at = (float(down[i[n], j[n]]), float(right[i[n], j[n]])) if i.size else (0.0, 0.0)
    near = np.hypot(down - at[0], right - at[1])
    raised = 0.2 * np.clip((PIECE - near) / EDGE, 0.0, 1.0)
    return replace(front, cut=front.cut * (near > 2.2 * PIECE), heights=front.heights + raised)


def edge_of_a_mat(front: Front) -> Front:
    """A straight crushed line right across."""
    down, _ = front.mesh()
    return replace(front, heights=front.heights - 2.0 * GROOVE * line(down - 0.3 * front.size[0], 2.0 * OLD))


def twice(front: Front) -> Front:
    """Everything once more beside itself."""
    by = (MOVED[0] / front.spacing, MOVED[1] / front.spacing)
    heights, cut, ink = (shift(field, by, order=1, mode="nearest") for field in (front.heights, front.cut, front.ink))
    ground = float(np.median(front.heights))
    stronger = np.abs(front.heights - ground) >= KEPT * np.abs(heights - ground)
    both = np.where(stronger, front.heights, ground + KEPT * (heights - ground))
    return replace(
        front,
        heights=gaussian_filter(both, BLUNT / front.spacing),
        cut=np.maximum(front.cut, cut),
        ink=np.maximum(front.ink, 0.7 * ink),
    )


def jumped(front: Front) -> Front:
    """A step where the tool began: what comes after it is set off, with a blank line between."""
    rows = np.nonzero(front.tool.any(axis=1) & (front.cover > 0.5).any(axis=1))[0]
    if not rows.size:
        return front
    at, by = int(rows[0] + 0.12 * rows.size), max(round(JUMP / front.spacing), 1)
    after = np.arange(front.heights.shape[0]) >= at
    blank = (np.arange(front.heights.shape[0]) >= at) & (np.arange(front.heights.shape[0]) < at + by)
    ground = float(np.median(front.heights))

    def set_off(field: FloatArray, empty: float) -> FloatArray:
        moved = np.where(after[:, None], np.roll(field, by, axis=0), field)
        return np.asarray(np.where(blank[:, None], empty, moved))

    return replace(front, heights=set_off(front.heights, ground), cut=set_off(front.cut, 0.0), ink=set_off(front.ink, 0.0))


def tape(front: Front) -> Front:
    """The outline of a piece of tape at an edge; under it less is pressed."""
    down, right = front.mesh()
    _, wide = front.size
    inside = np.minimum(TAPE[1] / 2 - np.abs(down), TAPE[0] / 2 - np.abs(right - wide / 2))
    under = np.clip(0.5 + inside / EDGE, 0.0, 1.0)
    ground = float(np.median(front.heights))
    return replace(front, heights=ground + (front.heights - ground) * (1.0 - 0.4 * under) - TAPE_DEEP * under)


def waves(front: Front) -> Front:
    """Waves beside the pattern, as a soaked sheet dries."""
    steep = gaussian_filter(np.hypot(*np.gradient(front.heights, front.spacing)), 5.0 / front.spacing)
    beside = 1.0 - np.clip(steep / max(float(np.percentile(steep, 90)), 1e-9), 0.0, 1.0)
    return replace(front, heights=front.heights + WAVES * beside * clouds(front, WAVE))


TRACES: Mapping[Trace, Callable[[Front], Front]] = {
    "around a piece": around_a_piece,
    "edge of a mat": edge_of_a_mat,
    "in patches": in_patches,
    "jumped": jumped,
    "old cuts": old_cuts,
    "on the ground": on_the_ground,
    "peeled": peeled,
    "powdered wash": powdered_wash,
    "ran out": ran_out,
    "scorched": scorched,
    "shine": shine,
    "specks": specks,
    "tape": tape,
    "twice": twice,
    "uncut stripe": uncut_stripe,
    "waves": waves,
}
"""How each is drawn on a front."""
