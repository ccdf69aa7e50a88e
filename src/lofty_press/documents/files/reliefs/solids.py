"""STL solids as height maps, seen from above."""

import io
from typing import Any

import numpy as np
from numpy.typing import NDArray

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.basics.words import say, size
from lofty_press.core.sandwich.relief import heights_from_above
from lofty_press.documents.files.reliefs.wish import ReadRelief, Wish

MOST_TRIANGLES = 1_500_000
SMALLEST, LARGEST = 1.0, 2000.0  # mm
STEEPEST = 0.4  # height over the shorter side, over which a solid is no relief
COVERED = 0.5  # share of its rectangle that a relief covers


def refuse_size(data: bytes) -> None:
    """Refuse a file whose size and number of triangles do not go together, before any of it is read."""
    is_text = data.lstrip()[:5] == b"solid"
    count = data.count(b"vertex") / 3 if is_text else int.from_bytes(data[80:84], "little")
    if not is_text and 84 <= len(data) < 84 + 50 * count:
        raise InvalidInput("file", "STL", say("is cut short: it has fewer triangles than it says"))
    if count > MOST_TRIANGLES:
        raise InvalidInput("file", "STL", say("has over {most} triangles; make it coarser", most=MOST_TRIANGLES))
    if not is_text and len(data) > max(84, 84 + 50 * count + 4096):
        raise InvalidInput("file", "STL", say("has far more bytes than triangles. Is it another kind of file?"))


def triangles_in(data: bytes) -> NDArray[np.float64]:
    """Corners of the triangles of an STL file, each of them once; shape (n, 3, 3). [mm]"""
    import trimesh  # here, since it takes half a second to load and only workers read files

    try:
        mesh: Any = trimesh.load(io.BytesIO(data), file_type="stl", process=False)
        triangles = np.asarray(mesh.triangles, dtype=np.float64)
    except Exception as error:  # trimesh raises many kinds for damaged files
        raise InvalidInput("file", "STL", say("can't be read as STL ({reason})", reason=str(error)[:80])) from error
    if not 0 < len(triangles) <= MOST_TRIANGLES or not np.isfinite(triangles).all():
        raise InvalidInput("file", len(triangles), say("must hold triangles with finite corners"))
    return np.asarray(np.unique(triangles.reshape(-1, 9), axis=0).reshape(-1, 3, 3))  # the same one again adds nothing but work


def read_solid(data: bytes, wish: Wish) -> ReadRelief:
    """The upper surface of a solid; its lowest seen point is the ground. Lengths in mm, unless a width is wished.

    Raises
    ------
    InvalidInput
        If it is no STL, too large, empty, or not a relief.
    """
    refuse_size(data)
    triangles = triangles_in(data)
    low, high = triangles.reshape(-1, 3).min(axis=0), triangles.reshape(-1, 3).max(axis=0)
    extent = high - low
    if extent[:2].min() <= 0 or extent[2] <= 0:
        raise InvalidInput("file", "STL", say("is flat or has no area seen from above"))
    if extent[2] > STEEPEST * extent[:2].min():
        raise InvalidInput("file", f"{extent[2]:.0f} mm high", say("isn't a relief but a body. Lay it flat, relief up"))
    scale = wish.width_mm / extent[0] if wish.width_mm else 1.0
    if not (extent[:2].min() * scale >= SMALLEST and extent[:2].max() * scale <= LARGEST):
        seen = f"{extent[0] * scale:.3g} by {extent[1] * scale:.3g} mm"
        raise InvalidInput(
            "width_mm",
            seen,
            say(
                "makes it too large or too small; a tool has {smallest} to {largest} each way",
                smallest=size(SMALLEST),
                largest=size(LARGEST),
            ),
        )
    points = (triangles - (low + high) / 2) * scale
    if wish.mirror:
        points[..., 0] *= -1
    along, across, up = -points[..., 1], points[..., 0], points[..., 2]
    for _ in range(wish.quarter_turns % 4):
        along, across = -across, along
    relief, share = heights_from_above(np.stack([along, across, up], axis=-1))
    if share < COVERED:
        raise InvalidInput("file", f"{share:.0%} covered", say("isn't a relief: most of its rectangle is open"))
    return ReadRelief(relief, ())
