"""The relief of a tool from scans, the tool turned by a quarter between them: a scanner's lamp always shines from the same side."""

import math
from dataclasses import dataclass
from typing import Any

import cv2
import numpy as np
from numpy.typing import NDArray
from scipy.ndimage import map_coordinates
from scipy.optimize import least_squares

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.basics.words import say
from lofty_press.core.imaging.photo import GAMMA, Pixels
from lofty_press.core.imaging.shading.shape import Shape
from lofty_press.core.imaging.shading.slopes import facing, slopes_of
from lofty_press.core.imaging.shading.surface import levelled
from lofty_press.core.sandwich.stack import FloatArray

TURNS = 4
SPACING = 0.2  # mm
SMALLEST = 12.0  # mm, the shorter side of what is looked for
DIFFERS = 0.14  # of the lid's light, from which a place is not the lid
AROUND = 4  # cells round a tool
ALL_BUT_ONE = 2.5  # of four scans that cover a place of the tool: each throws a shadow beyond another side of it
SEEN = 0.03  # of the lid's light, that a tool's two sides differ by where its shadow is seen
SAME = 0.06  # share that a tool's sides may differ between scans
LIVELY = 2.0, 1.0, 0.6  # mm over which a face's liveliness is evened out while scans are laid over each other
GLINT = 0.25  # of the lid's light, over which a place is no livelier
FINE = 0.3, 3  # mm over which scans are evened out, and every how-many-th cell is looked at, at the end
ALIKE = 0.45  # correlation between the places where two scans are lively, under which they aren't of one tool turned by quarters
TAN = 1.0  # rise over run of the lamp's light: makers' scanners have 35 to 55 degrees


@dataclass(frozen=True)
class Grid:
    """Cells of `SPACING` over a tool, from its middle."""

    nx: int
    ny: int

    def places(self, step: int, inset: int = 0) -> FloatArray:
        """Places (n, 2) of every `step`-th cell, some cells off its edges. [cell]"""
        u, v = (np.arange(inset, n - inset, step) - (n - 1) / 2 for n in (self.nx, self.ny))
        along, across = np.meshgrid(u, v, indexing="ij")
        return np.column_stack([along.ravel(), across.ravel()])


@dataclass(frozen=True)
class Scan:
    """A scan in cells of `SPACING`: light over the lid's (ny, nx), where it is covered (ny, nx), and the box round the tool: middle, sides, turn [cell, degree]."""

    light: FloatArray
    covered: FloatArray
    middle: tuple[float, float]
    sides: tuple[float, float]
    turn: float


def shape_by_scans(scans: list[Pixels], *, per_mm: float) -> Shape:
    """The face of a tool from four scans.

    Parameters
    ----------
    scans : list of ndarray, each of shape (height, width, 3)
        Blue, green, red; the tool face down under a white lid, turned by a quarter to the right each time. [0 to 255]
    per_mm : float
        Pixels in a millimetre. [1/mm]

    Raises
    ------
    InvalidInput
        Says which scan shows no tool, another one, or one that wasn't turned.

    Notes
    -----
    Under a lamp at an elevation e, opposite scans differ by the slope along its light: tan e (I_2 - I_0) / (I_2 + I_0). Four scans of a matte face obey
    I_0 + I_2 = I_1 + I_3; they are laid over each other by that. Slopes are right up to one number, since scanners differ: the depth must come from a caliper.

    References
    ----------
    Woodham, "Photometric method for determining surface orientation from multiple images", Optical Engineering 19, 1980.
    """
    if len(scans) != TURNS:
        raise InvalidInput(
            "photos", len(scans), say("are {count} scans; send four, the tool turned by a quarter between them", count=len(scans))
        )
    found = [scan_of(scan, number, per_mm) for number, scan in enumerate(scans, 1)]
    longer, shorter = max(found[0].sides), min(found[0].sides)
    for number, scan in enumerate(found[1:], 2):
        if abs(max(scan.sides) / longer - 1) > SAME or abs(min(scan.sides) / shorter - 1) > SAME:
            raise InvalidInput(
                "photos", number, say("number {number} shows a different tool than the first, or only part of it", number=number)
            )
    grid = Grid(round(longer) + 2 * AROUND, round(shorter) + 2 * AROUND)
    poses, alike = laid_over(found, grid)
    same = next((n for n in range(1, TURNS) if any(np.array_equal(found[n].light, scan.light) for scan in found[:n])), None)
    if same is not None:
        raise InvalidInput("photos", same + 1, say("number {number} was sent twice; turn the tool and scan it again", number=same + 1))
    if alike < ALIKE:
        raise InvalidInput(
            "photos", "turned", say("don't match each other; turn the tool by a quarter, always the same way, after each scan")
        )
    return shape_from(found, poses, grid)


def scan_of(scan: Pixels, number: int, per_mm: float) -> Scan:
    """A scan in cells of `SPACING`, and the tool in it.

    Raises
    ------
    InvalidInput
        If there is none, or it goes over the scan's edge.
    """
    scale = 1.0 / (SPACING * per_mm)
    colors = np.asarray(cv2.resize(scan, None, fx=scale, fy=scale, interpolation=cv2.INTER_AREA), dtype=np.uint8)
    linear = ((np.arange(256) / 255.0) ** GAMMA).astype(np.float32)[colors]
    lid = np.percentile(linear.reshape(-1, 3), 90, axis=0)
    share = cv2.GaussianBlur(linear / np.maximum(lid, 1e-3), (0, 0), 1.0)
    differs = (np.abs(share - 1.0).max(axis=2) > DIFFERS).astype(np.uint8)
    closed = cv2.morphologyEx(differs, cv2.MORPH_CLOSE, np.ones((15, 15), np.uint8))
    rings, _ = cv2.findContours(closed, cv2.RETR_EXTERNAL, cv2.CHAIN_APPROX_NONE)
    ring = max(rings, key=cv2.contourArea, default=None)
    box = None if ring is None else cv2.minAreaRect(ring)
    if ring is None or box is None or min(box[1]) * SPACING < SMALLEST:
        raise InvalidInput("photos", number, say("number {number} shows no tool under the lid", number=number))
    x, y, wide, high = cv2.boundingRect(ring)
    if x <= 1 or y <= 1 or x + wide >= closed.shape[1] - 1 or y + high >= closed.shape[0] - 1:
        raise InvalidInput("photos", number, say("number {number} cuts the tool off; move it inside the glass", number=number))
    covered = np.zeros(closed.shape, dtype=np.uint8)
    cv2.drawContours(covered, [ring], -1, 1, -1)
    # a box's turn is that of its longer side
    turn = box[2] if box[1][0] >= box[1][1] else box[2] + 90.0
    return Scan(
        share.mean(axis=2),
        covered.astype(np.float32),
        (float(box[0][0]), float(box[0][1])),
        (float(box[1][0]), float(box[1][1])),
        float(turn),
    )


def laid_over(scans: list[Scan], grid: Grid) -> tuple[FloatArray, float]:
    """Poses (4, 3) of a tool's grid in its scans, column and row [cell] and turn [rad], and the least correlation between the places where two are lively. [1]

    Notes
    -----
    Whether it was turned to the left or to the right is seen from where its face is lively, which no lamp changes.
    """
    lively = [lively_places(scan, LIVELY[0]) for scan in scans]
    places = grid.places(4, inset=AROUND + 8)
    ways = []
    for way in (1.0, -1.0):
        # the box of a turned tool says its turn up to a half; which half follows from the quarters it was turned by
        wanted = [scans[0].turn + 90.0 * way * n for n in range(TURNS)]
        turns = [scan.turn + 180.0 * round((turn - scan.turn) / 180.0) for scan, turn in zip(scans, wanted, strict=True)]
        poses = np.array([[*scan.middle, math.radians(turn)] for scan, turn in zip(scans, turns, strict=True)])
        seen = [looked(image, pose, places) for image, pose in zip(lively, poses, strict=True)]
        ways.append((float(np.corrcoef(np.stack(seen)).sum()), poses))
    poses = max(ways, key=lambda way: way[0])[1]
    for over in LIVELY:
        poses = by_liveliness(scans, poses, grid, over)
    poses = refined(scans, poses, grid, *FINE)
    seen = [looked(lively_places(scan, LIVELY[1]), pose, places) for scan, pose in zip(scans, poses, strict=True)]
    return poses, float(np.corrcoef(np.stack(seen)).min())


def lively_places(scan: Scan, over: float) -> FloatArray:
    """How much light changes at places of a scan, evened out over so many mm."""
    cells = over / SPACING
    change = np.abs(scan.light - cv2.GaussianBlur(scan.light, (0, 0), 2 * cells))
    return np.asarray(cv2.GaussianBlur(np.minimum(change, GLINT), (0, 0), cells))


def by_liveliness(scans: list[Scan], poses: FloatArray, grid: Grid, over: float) -> FloatArray:
    """Poses moved until the places where faces are lively, over so many mm, agree best with the first scan's."""
    cells = over / SPACING
    lively = [
        cv2.GaussianBlur(np.minimum(np.abs(s.light - cv2.GaussianBlur(s.light, (0, 0), 2 * cells)), GLINT), (0, 0), cells) for s in scans
    ]
    places = grid.places(4, inset=AROUND + 8)
    first = standard(looked(lively[0], poses[0], places))
    moved = [poses[0]]
    for image, pose in zip(lively[1:], poses[1:], strict=True):

        def misfit(values: FloatArray, image: NDArray[Any] = image, pose: FloatArray = pose) -> FloatArray:
            return standard(looked(image, pose + values * (1.0, 1.0, 0.01), places)) - first

        moved.append(pose + least_squares(misfit, np.zeros(3), diff_step=0.05, x_scale=2.0, max_nfev=40).x * (1.0, 1.0, 0.01))
    return np.array(moved)


def standard(values: FloatArray) -> FloatArray:
    """Values less their mean, over their spread."""
    return np.asarray((values - values.mean()) / max(float(values.std()), 1e-9))


def refined(scans: list[Scan], poses: FloatArray, grid: Grid, blur: float, step: int) -> FloatArray:
    """Poses moved until what opposite scans add up to is the same."""
    even = [np.asarray(cv2.GaussianBlur(scan.light, (0, 0), blur / SPACING)) for scan in scans]
    places = grid.places(step, inset=AROUND + 8)

    def misfit(values: FloatArray) -> FloatArray:
        moved = np.vstack([poses[:1], poses[1:] + values.reshape(3, 3) * (1.0, 1.0, 0.01)])
        light = [looked(image, pose, places) for image, pose in zip(even, moved, strict=True)]
        light = [np.minimum(each / float(np.median(each)), 1.0 + GLINT) for each in light]
        return np.asarray((light[0] + light[2] - light[1] - light[3]) / 4.0)

    found = least_squares(misfit, np.zeros(9), loss="soft_l1", f_scale=0.02, diff_step=0.02, x_scale=2.0, max_nfev=30)
    return np.vstack([poses[:1], poses[1:] + found.x.reshape(3, 3) * (1.0, 1.0, 0.01)])


def looked(image: NDArray[Any], pose: FloatArray, places: FloatArray) -> FloatArray:
    """An image at places (n, 2) of a tool's grid."""
    column, row, turn = pose
    x = column + math.cos(turn) * places[:, 0] - math.sin(turn) * places[:, 1]
    y = row + math.sin(turn) * places[:, 0] + math.cos(turn) * places[:, 1]
    return np.asarray(map_coordinates(image, [y, x], order=1, mode="nearest"))


def lamp_of(scans: list[Scan]) -> tuple[float, bool]:
    """Where the lamp is on the glass, 90 below and -90 above [degree], and whether that was seen: a tool throws its shadow on the lid away from it."""
    above, below = [], []
    for scan in scans:
        x, _, wide, _ = cv2.boundingRect(scan.covered.astype(np.uint8))
        middle = slice(x + wide // 3, x + 2 * wide // 3)
        columns = scan.covered[:, middle] > 0
        first, last = columns.argmax(axis=0), scan.covered.shape[0] - 1 - columns[::-1].argmax(axis=0)
        at = np.arange(middle.start, middle.stop)
        above.append(np.mean([scan.light[first + n, at].mean() for n in range(2, 6)]))
        below.append(np.mean([scan.light[last - n, at].mean() for n in range(2, 6)]))
    differ = float(np.mean(above) - np.mean(below))
    return (90.0 if differ < 0 else -90.0), abs(differ) > SEEN


def shape_from(scans: list[Scan], poses: FloatArray, grid: Grid) -> Shape:
    """The face of a tool from its scans."""
    places = grid.places(1)
    covered = sum(looked(scan.covered, pose, places) for scan, pose in zip(scans, poses, strict=True))
    inside = np.asarray(covered > ALL_BUT_ONE).reshape(grid.nx, grid.ny)
    box = tuple(slice(int(at[0]), int(at[-1]) + 1) for at in (np.flatnonzero(inside.any(axis=axis)) for axis in (1, 0)))
    side, seen = lamp_of(scans)
    light, towards = [], []
    for scan, pose in zip(scans, poses, strict=True):
        own = looked(scan.light, pose, places)
        light.append(own / float(np.median(own[inside.ravel()])))
        angle = math.radians(side) - pose[2]
        towards.append(np.tile(np.array([math.cos(angle), math.sin(angle), TAN]) / math.hypot(1.0, TAN), (len(places), 1)))
    faces = facing(np.stack(light), np.stack(towards))
    rises = [slope.reshape(grid.nx, grid.ny) for slope in slopes_of(faces)]
    heights = levelled(rises[0], rises[1], inside, SPACING)
    notes = (
        () if seen else (say("We can't see which side the scanner's lamp is on. If raised parts look sunk, turn the relief inside out."),)
    )
    picture = np.median(np.stack(light), axis=0).reshape(grid.nx, grid.ny)
    face = np.clip(picture / max(float(np.percentile(picture[inside], 98)), 1e-6), 0.0, 1.0) ** (1 / GAMMA)
    return Shape(
        heights=heights[box][:, ::-1],
        spacing=SPACING,
        inside=inside[box][:, ::-1],
        face=np.repeat(face[box][:, ::-1, None], 3, axis=2),
        sides=tuple(90.0 * n for n in range(TURNS)),
        depth_spread=np.inf,
        notes=notes,
    )
