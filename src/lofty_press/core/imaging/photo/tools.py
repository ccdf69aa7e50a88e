"""What lies on a printed sheet: outlines and openings in true size, and which kind of tool each may be."""

import math
from dataclasses import dataclass

import cv2
import numpy as np
import shapely
from numpy.typing import NDArray
from shapely.geometry import Polygon

from lofty_press.core.imaging.photo.camera import Camera
from lofty_press.core.imaging.photo.edges import covered, off_the_paper, pale, sharpened, without_shadows
from lofty_press.core.imaging.photo.flat import Flat
from lofty_press.core.sandwich.stack import KIND_TRAITS, FloatArray, ItemKind, Silhouette

SMALLEST, OPENING = 40.0, 1.5  # mm2 of a tool, and of an opening in one
SIMPLE = 0.03  # mm that a point of an outline may be left out by
RECTANGLE = 0.94  # of the smallest box round it that fills it
BAND = 0.62  # of what a tool encloses that it covers: less is a die's band
HOLLOW = 0.99  # of its hull's area, under which a band's outline goes in somewhere
NECK, BROAD = 0.12, 0.25  # of a side of its square, under which a part is a neck; of its area that a broad part has
MENDED = 0.01  # of its area that an outline may lose when small loops are taken out of it
LONG = 3.2  # times its width, from which it is a strip
LARGE = 90.0  # mm along the longer side, from which a rectangle is a folder or a plate
PATTERNED = 0.035  # spread of light over it, of paper's, from which it has a relief to be seen
METAL = 0.12  # spread of its colors under which it is gray


@dataclass(frozen=True)
class Tool:
    """Something that lies on the sheet.

    `outline` and `windows` are rings (n, 2) on the sheet [mm]; `kinds` may be what it is, the likeliest first; `cut_off` says that it sticks out of the window.
    """

    outline: FloatArray
    windows: tuple[FloatArray, ...]
    kinds: tuple[ItemKind, ...]
    cut_off: bool

    @property
    def polygon(self) -> Polygon:
        """It as an area of the sheet. [mm]"""
        return Polygon(self.outline, self.windows)

    @property
    def size(self) -> tuple[float, float]:
        """Across and down. [mm]"""
        left, top, right, bottom = self.polygon.bounds
        return right - left, bottom - top


def tools_on(flat: Flat, camera: Camera) -> tuple[Tool, ...]:
    """Find everything that lies in the window, from the upper left on; edges are brought down to the sheet by the thickness that the likeliest kind has."""
    differs = without_shadows(flat.share, off_the_paper(flat.share))
    clear = covered(differs)
    mask = (clear | pale(differs, clear, flat.cell)).astype(np.uint8)
    rings, family = cv2.findContours(mask, cv2.RETR_CCOMP, cv2.CHAIN_APPROX_NONE)
    if family is None:
        return ()
    found = []
    holes_of: dict[int, list[NDArray[np.int32]]] = {}
    for ring, (*_, parent) in zip(rings, family[0], strict=True):
        if parent != -1 and cv2.contourArea(ring) * flat.cell**2 > OPENING:
            holes_of.setdefault(int(parent), []).append(np.asarray(ring, dtype=np.int32))
    for n, ring in enumerate(rings):
        if family[0][n][3] != -1 or cv2.contourArea(ring) * flat.cell**2 < SMALLEST:
            continue
        holes = holes_of.get(n, [])
        outline = on_sheet(sharpened(ring.reshape(-1, 2).astype(np.float64), differs), flat)
        windows = tuple(on_sheet(sharpened(hole.reshape(-1, 2).astype(np.float64), differs), flat) for hole in holes)
        kinds = kinds_of(Polygon(outline, windows), flat, np.asarray(ring, dtype=np.int32))
        columns, rows = ring[:, 0, 0], ring[:, 0, 1]
        cut_off = columns.min() <= 1 or rows.min() <= 1 or columns.max() >= mask.shape[1] - 2 or rows.max() >= mask.shape[0] - 2
        above = KIND_TRAITS[kinds[0]].mm
        edge, openings = mended(
            simple(lowered(outline, camera.place, above)), tuple(simple(lowered(w, camera.place, above, opening=True)) for w in windows)
        )
        found.append(Tool(edge, openings, kinds, bool(cut_off)))
    return tuple(sorted(found, key=lambda tool: (round(tool.polygon.bounds[1] / 20.0), tool.polygon.bounds[0])))


def may_be_two(tool: Tool) -> bool:
    """Whether what looks like one thing may be two that touch or lie over one another: two broad parts with a narrow neck, or bands that cross."""
    shape = tool.polygon
    filled = Polygon(shape.exterior)
    if shape.area < BAND * filled.area:
        return len(tool.windows) >= 3 and filled.area < HOLLOW * filled.convex_hull.area
    reach = NECK * math.sqrt(filled.area)
    parts = getattr(filled.buffer(-reach), "geoms", ())
    broad = [part for part in parts if part.buffer(reach).area > BROAD * filled.area]
    return len(broad) >= 2


def on_sheet(ring: FloatArray, flat: Flat) -> FloatArray:
    """A ring of cells in mm of the sheet."""
    return np.asarray((ring + 0.5) * flat.cell + (flat.left, flat.top))


def lowered(ring: FloatArray, seen_from: FloatArray, above: float, was: float = 0.0, *, opening: bool = False) -> FloatArray:
    """A ring as it stands over the sheet, from where a camera sees its edges; from where it was brought down already by another thickness, `was`. [mm]

    Notes
    -----
    A wall that faces away from the foot of the camera hides behind the upper edge, which is seen farther out by z / (H - z); of one that faces it the lower edge is
    the outermost, which is where it looks. `ring` runs either way round; round an `opening` the wall faces inward.
    """
    x, y, high = seen_from
    foot = np.array([x, y])
    along = np.roll(ring, -1, axis=0) - np.roll(ring, 1, axis=0)
    turn = 1.0 if shapely.is_ccw(shapely.linearrings(ring)) != opening else -1.0
    outward = turn * np.column_stack([along[:, 1], -along[:, 0]])
    away = np.sum(outward * (ring - foot), axis=1) > 0
    return np.asarray(np.where(away[:, None], foot + (ring - foot) * (high - above) / (high - was), ring))


def mended(outline: FloatArray, windows: tuple[FloatArray, ...]) -> tuple[FloatArray, tuple[FloatArray, ...]]:
    """The same rings without the small loops that edges make where one begins to hide the other; as they are where more than those would change.

    Source: a polygon's even-odd area by a buffer of nothing, as GEOS has it.
    """
    shape = Polygon(outline, windows)
    if shape.is_valid:
        return outline, windows
    clean = shape.buffer(0)
    whole = max(getattr(clean, "geoms", [clean]), key=lambda part: part.area)
    if abs(whole.area - abs(shape.area)) > MENDED * whole.area:
        return outline, windows
    return np.asarray(whole.exterior.coords[:-1]), tuple(np.asarray(hole.coords[:-1]) for hole in whole.interiors)


def simple(ring: FloatArray) -> FloatArray:
    """The same ring with fewer points."""
    return np.asarray(shapely.get_coordinates(Polygon(ring).simplify(SIMPLE).exterior)[:-1])


def kinds_of(shape: Polygon, flat: Flat, ring: NDArray[np.int32]) -> tuple[ItemKind, ...]:
    """What kinds of tool something may be, the likeliest first."""
    return tuple(kind for look in looks_of(shape, flat, ring) for kind, traits in KIND_TRAITS.items() if traits.seen == look)


def looks_of(shape: Polygon, flat: Flat, ring: NDArray[np.int32]) -> tuple[Silhouette, ...]:
    """How something looks from above, the likeliest first: by its size, how much of what it encloses it covers, and how its face looks."""
    inside = np.zeros(flat.share.shape[:2], dtype=np.uint8)
    cv2.drawContours(inside, [ring], -1, 1, -1)
    face = flat.share[cv2.erode(inside, np.ones((15, 15), np.uint8)) > 0]
    if face.size < 30:
        return "band", "shape"
    patterned = float(np.std(face.mean(axis=1))) > PATTERNED
    gray = float(np.mean(np.ptp(face, axis=1))) < METAL
    filled = Polygon(shape.exterior).area
    upright = shape.minimum_rotated_rectangle
    corners = np.array(upright.exterior.coords)
    shorter, longer = sorted(np.hypot(*np.diff(corners[:3], axis=0).T))
    if shape.area < BAND * filled:
        return ("band", "pierced") if gray or longer < LARGE else ("pierced", "band")
    if longer > LONG * shorter:
        return "strip", "band"
    if filled > RECTANGLE * upright.area and longer > LARGE:
        if shape.interiors and shape.area < 0.9 * filled:
            return "pierced", "patterned"
        return ("patterned", "plain") if patterned else ("plain", "patterned")
    return ("band", "shape") if gray else ("shape", "band")
