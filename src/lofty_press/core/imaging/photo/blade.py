"""Where the blade of a photographed die runs: along the middle of its band."""

import numpy as np
import shapely
from scipy.ndimage import gaussian_filter1d
from skimage.morphology import skeletonize

from lofty_press.core.imaging.photo.tools import Tool
from lofty_press.core.sandwich.stack import FloatArray

CELL = 0.1  # mm
SPUR = 1.5  # of a band's width: branches shorter than this are corners of the band and no blade
SMOOTH = 3.0  # cells along a run, over which its steps are evened out
BLADE_SIMPLE = 0.05  # mm that a point of a run may be left out by
NEIGHBOURS = ((-1, -1), (-1, 0), (-1, 1), (0, -1), (0, 1), (1, -1), (1, 0), (1, 1))
Cell = tuple[int, int]


def blade_of(tool: Tool) -> tuple[FloatArray, ...]:
    """Runs (n, 2) of the blade on the sheet; along the outline where the tool has no band. [mm]

    Notes
    -----
    The skeleton of the band, from one end or crossing to the next; branches that only reach into a corner are left out.
    """
    shape = tool.polygon
    if not tool.windows:
        return (closed(tool.outline),)
    left, top, right, bottom = shape.bounds
    x = np.arange(left - CELL, right + 2 * CELL, CELL)
    y = np.arange(top - CELL, bottom + 2 * CELL, CELL)
    across, down = np.meshgrid(x, y)
    bones = np.asarray(skeletonize(shapely.contains_xy(shape, across, down)))  # type: ignore[no-untyped-call]
    width = 2.0 * shape.area / max(shape.length, 1e-9)
    runs = [np.column_stack([x[run[:, 1]], y[run[:, 0]]]) for run in walks(bones)]
    kept = [run for run in runs if is_closed(run) or length_of(run) > SPUR * width]
    smooth = [gaussian_filter1d(run, SMOOTH, axis=0, mode="wrap" if is_closed(run) else "nearest") for run in kept]
    return tuple(np.asarray(shapely.get_coordinates(shapely.LineString(run).simplify(BLADE_SIMPLE))) for run in smooth)


def closed(ring: FloatArray) -> FloatArray:
    """A ring with its first point once more at its end."""
    return np.vstack([ring, ring[:1]])


def is_closed(run: FloatArray) -> bool:
    """True for a run that ends where it began."""
    return len(run) > 3 and float(np.hypot(*(run[0] - run[-1]))) < 3 * CELL


def length_of(run: FloatArray) -> float:
    """Length of a run. [mm]"""
    return float(np.hypot(*np.diff(run, axis=0).T).sum())


def walks(bones: FloatArray) -> list[FloatArray]:
    """Lines one cell wide as runs of rows and columns, each from an end or a crossing to the next, and rings."""
    cells: set[Cell] = {(int(r), int(c)) for r, c in zip(*np.nonzero(bones), strict=True)}

    def beside(cell: Cell) -> list[Cell]:
        near = [(cell[0] + r, cell[1] + c) for r, c in NEIGHBOURS]
        straight = {each for each in near if each in cells and (each[0] == cell[0] or each[1] == cell[1])}
        # a cell across a corner counts only where no straight step leads there
        return [
            each
            for each in near
            if each in cells and (each in straight or not any((each[0], cell[1]) == s or (cell[0], each[1]) == s for s in straight))
        ]

    nodes = {cell for cell in cells if len(beside(cell)) != 2}
    found: list[FloatArray] = []
    walked: set[frozenset[Cell]] = set()
    inner: set[Cell] = set()
    for start in [*sorted(nodes), *sorted(cells - nodes)]:
        if start in inner:
            continue
        for step in beside(start):
            if frozenset((start, step)) in walked or (start not in nodes and start in inner):
                continue
            run = [start, step]
            walked.add(frozenset((start, step)))
            while run[-1] not in nodes and run[-1] != start:
                inner.add(run[-1])
                ahead = [each for each in beside(run[-1]) if each != run[-2] and frozenset((run[-1], each)) not in walked]
                if not ahead:
                    break
                walked.add(frozenset((run[-1], ahead[0])))
                run.append(ahead[0])
            if start not in nodes:
                inner.add(start)
            found.append(np.array(run))
    return found
