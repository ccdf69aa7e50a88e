"""The upper surface of a solid as a height map."""

import math

import numba
import numpy as np
from numpy.typing import NDArray

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.basics.words import say
from lofty_press.core.sandwich.relief.height_map import LARGEST, HeightMap
from lofty_press.core.sandwich.stack import FloatArray

SPACING = 0.2
MOST_LOOKS = 1e9  # cells under all triangles together; a relief of one surface has at most a few million


@numba.njit(cache=True, error_model="numpy", nogil=True)
def highest(triangles: np.ndarray, x0: float, y0: float, spacing: float, out: np.ndarray) -> None:
    """Highest point of any triangle over every cell centre into `out`, which starts at minus infinity."""
    nx, ny = out.shape
    for t in range(triangles.shape[0]):
        ax, ay, az = triangles[t, 0, 0], triangles[t, 0, 1], triangles[t, 0, 2]
        bx, by, bz = triangles[t, 1, 0], triangles[t, 1, 1], triangles[t, 1, 2]
        cx, cy, cz = triangles[t, 2, 0], triangles[t, 2, 1], triangles[t, 2, 2]
        area = (bx - ax) * (cy - ay) - (cx - ax) * (by - ay)
        if area == 0.0:
            continue
        i0 = max(math.ceil((min(ax, bx, cx) - x0) / spacing - 1e-9), 0)
        i1 = min(math.floor((max(ax, bx, cx) - x0) / spacing + 1e-9), nx - 1)
        j0 = max(math.ceil((min(ay, by, cy) - y0) / spacing - 1e-9), 0)
        j1 = min(math.floor((max(ay, by, cy) - y0) / spacing + 1e-9), ny - 1)
        for i in range(i0, i1 + 1):
            x = x0 + i * spacing
            for j in range(j0, j1 + 1):
                y = y0 + j * spacing
                u = ((bx - x) * (cy - y) - (cx - x) * (by - y)) / area
                v = ((cx - x) * (ay - y) - (ax - x) * (cy - y)) / area
                w = 1.0 - u - v
                if u >= -1e-9 and v >= -1e-9 and w >= -1e-9:
                    z = u * az + v * bz + w * cz
                    if z > out[i, j]:
                        out[i, j] = z


def heights_from_above(triangles: FloatArray) -> tuple[HeightMap, float]:
    """Height map of a solid.

    Parameters
    ----------
    triangles : ndarray, shape (n, 3, 3)
        Corners along the feed, across it and up, around the middle. [mm]

    Returns
    -------
    relief : HeightMap
        Heights over the lowest point that is seen; 0 where nothing is.
    share : float
        Share of the rectangle that is covered. [1]

    Raises
    ------
    InvalidInput
        If triangles lie over one another so much that looking at all of them would take minutes.
    """
    low, high = triangles.reshape(-1, 3).min(axis=0), triangles.reshape(-1, 3).max(axis=0)
    size = high - low
    spacing = max(SPACING, math.sqrt(size[0] * size[1] / LARGEST))
    nx, ny = (max(round(float(s) / spacing), 2) for s in size[:2])
    reach = np.ptp(triangles[..., :2], axis=1) / spacing + 1.0
    work = float((reach[:, 0] * reach[:, 1]).sum())
    if work > MOST_LOOKS:
        raise InvalidInput(
            "file", f"{len(triangles):,} triangles", say("has too many large triangles on top of each other; keep its outer surface only")
        )
    middle = (low + high) / 2
    top: NDArray[np.float64] = np.full((nx, ny), -np.inf)
    x0, y0 = (float(middle[k] - (n - 1) / 2 * spacing) for k, n in ((0, nx), (1, ny)))
    highest(np.ascontiguousarray(triangles), x0, y0, spacing, top)
    seen = np.isfinite(top)
    ground = float(top[seen].min()) if seen.any() else 0.0
    heights = np.where(seen, top - ground, 0.0)
    return HeightMap(heights.astype(np.float32), spacing), float(seen.mean())
