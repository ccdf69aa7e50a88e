"""SVG outlines as blades and plateaus."""

import io
import math
from typing import Any

import defusedxml.ElementTree as SafeTree
import numpy as np
import shapely
import svgelements
from defusedxml.common import DefusedXmlException

from lofty_press.core.errors import InvalidInput
from lofty_press.core.relief.height_map import Line
from lofty_press.core.relief.raster import blade_map, plateau_map
from lofty_press.core.stack.shape import Polygon
from lofty_press.documents.reliefs.wish import ReadRelief, Wish

MOST_SEGMENTS = 20_000
MOST_BYTES = 4_000_000
MOST_ELEMENTS = 20_000
CHORD = 0.05  # mm; how far a polygon may run from its curve
MEND_GAP = 0.5  # mm; an outline open by less is closed
MM_PER_PIXEL = 25.4 / 96.0  # of CSS, which SVG's user unit follows
IGNORED = {
    "script": "scripts",
    "image": "pictures",
    "foreignObject": "foreign content",
    "style": "style sheets",
    "text": "text (turn it into outlines)",
}
OUTLINE_POINTS = 300
MOST_WINDOWS = 40

Ring = tuple[tuple[float, float], ...]
"""Points along and across the feed [mm]."""


def read_outlines(data: bytes, wish: Wish) -> ReadRelief:
    """An SVG's shapes as the runs of a blade, or as plateaus by the even-odd rule.

    Raises
    ------
    InvalidInput
        If it is no SVG, has entities or a document type, too many segments, nothing to draw, or outlines that stay open.
    """
    notes = refuse_unsafe(data)
    runs = flatten(parse(data))
    low = np.min([run.min(axis=0) for run in runs], axis=0)
    high = np.max([run.max(axis=0) for run in runs], axis=0)
    size = np.maximum(high - low, 1e-9)
    scale = wish.width_mm / size[0] if wish.width_mm else MM_PER_PIXEL
    if size.max() * scale > 2000 or size.max() * scale < 1:
        raise InvalidInput("width_mm", wish.width_mm, f"makes it {size.max() * scale:.1f} mm long; it must be 1 to 2000 mm")
    middle = (low + high) / 2
    lines = tuple(turned((run - middle) * scale, wish) for run in runs)
    length, width = (float(2 * max(abs(line[:, k]).max() for line in lines)) for k in (0, 1))
    if wish.use == "blade":
        margin = 2.0
        relief = blade_map(lines, length=length + margin, width=width + margin, height=wish.depth_mm)
        return ReadRelief(relief, notes)
    shape, mended = plateaus(lines)
    relief = plateau_map(shape, length=length + 1.0, width=width + 1.0, height=wish.depth_mm, shoulder=wish.shoulder_mm)
    windows: tuple[Ring, ...] = ()
    if wish.use == "window":
        parts = list(getattr(shape, "geoms", [shape]))
        if len(parts) > MOST_WINDOWS:
            raise InvalidInput("file", len(parts), f"has more than {MOST_WINDOWS} windows")
        windows = tuple(hull_of(part) for part in parts)
    return ReadRelief(relief, (*notes, *mended), hull_of(shape), windows)


def refuse_unsafe(data: bytes) -> tuple[str, ...]:
    """Look at the document without following anything in it; say what will be left out."""
    if len(data) > MOST_BYTES:
        raise InvalidInput("file", len(data), f"is over {MOST_BYTES // 1_000_000} MB; outlines need far less")
    try:
        tree: Any = SafeTree.parse(io.BytesIO(data), forbid_dtd=True)
    except DefusedXmlException as error:
        raise InvalidInput("file", "SVG", "has a document type or entities, which can hide harm; save it as plain SVG") from error
    except SafeTree.ParseError as error:
        raise InvalidInput("file", "SVG", f"is not well-formed ({error})") from error
    root = tree.getroot()
    if not str(root.tag).endswith("svg"):
        raise InvalidInput("file", str(root.tag), "is not an SVG")
    notes: dict[str, None] = {}
    for count, element in enumerate(root.iter()):
        if count > MOST_ELEMENTS:
            raise InvalidInput("file", "SVG", f"has over {MOST_ELEMENTS:,} elements; simplify it")
        name = str(element.tag).rsplit("}", 1)[-1]
        if name in IGNORED:
            notes[f"Left out: {IGNORED[name]}."] = None
        links = [value for key, value in element.attrib.items() if key.rsplit("}", 1)[-1] == "href"]
        if any(not link.startswith("#") for link in links):
            notes["Left out: links to other files."] = None
    return tuple(notes)


def parse(data: bytes) -> list[Any]:
    """The shapes with their transforms carried out, in user units."""
    try:
        document = svgelements.SVG.parse(io.BytesIO(data), reify=True)
        shapes = [e for e in document.elements() if isinstance(e, svgelements.Shape)]
        paths = [svgelements.Path(shape) for shape in shapes]
    except (ValueError, TypeError, AttributeError, ZeroDivisionError, RecursionError, KeyError, IndexError) as error:
        raise InvalidInput("file", "SVG", f"has shapes that cannot be read ({str(error)[:80]})") from error
    if sum(len(path) for path in paths) > MOST_SEGMENTS:
        raise InvalidInput("file", "SVG", f"has over {MOST_SEGMENTS:,} segments; simplify the outlines")
    return paths


def flatten(paths: list[Any]) -> list[Line]:
    """Every subpath as points (right, down) in user units."""
    chord = CHORD / MM_PER_PIXEL
    runs: list[Line] = []
    for path in paths:
        points: list[tuple[float, float]] = []
        for segment in path:
            if isinstance(segment, svgelements.Move):
                keep(points, runs)
                points = [(float(segment.end.x), float(segment.end.y))]
                continue
            if segment.end is None:
                continue
            if isinstance(segment, svgelements.Line | svgelements.Close):
                points.append((float(segment.end.x), float(segment.end.y)))
                continue
            length = segment.length(error=1e-3, min_depth=2)
            pieces = max(2, min(math.ceil(math.sqrt(length / chord) * 2), 400))
            points += [(float(p.x), float(p.y)) for p in (segment.point(k / pieces) for k in range(1, pieces + 1))]
        keep(points, runs)
    if not runs:
        raise InvalidInput("file", "SVG", "has no outline in it; text must be turned into outlines first")
    return runs


def keep(points: list[tuple[float, float]], runs: list[Line]) -> None:
    """Note a run if it is one."""
    if len(points) < 2:
        return
    run = np.asarray(points, dtype=np.float64)
    if not np.isfinite(run).all():
        raise InvalidInput("file", "SVG", "has points that are no numbers")
    if np.ptp(run, axis=0).max() > 0:
        runs.append(run)


def turned(run: Line, wish: Wish) -> Line:
    """A run of (right, down) points as along and across the feed, mirrored and turned as wished."""
    right, down = run[:, 0] * (-1.0 if wish.mirror else 1.0), run[:, 1]
    for _ in range(wish.quarter_turns % 4):
        right, down = down, -right
    return np.stack([down, right], axis=1)


def plateaus(lines: tuple[Line, ...]) -> tuple[Polygon, tuple[str, ...]]:
    """The area that outlines enclose by the even-odd rule, and what had to be mended."""
    notes: dict[str, None] = {}
    shape: Polygon = shapely.Polygon()
    for line in lines:
        gap = float(np.hypot(*(line[0] - line[-1])))
        if len(line) < 3 or gap > MEND_GAP:
            raise InvalidInput("file", f"{gap:.1f} mm", "has an outline that is open; close it, or use it as a blade")
        if gap > 1e-6:
            notes["An outline that was open by less than 0.5 mm was closed."] = None
        ring: Polygon = shapely.Polygon(line)
        if not ring.is_valid:
            ring = shapely.make_valid(ring)
            notes["An outline that crosses itself was taken apart where it does."] = None
        shape = shape.symmetric_difference(ring)
    shape = shape.buffer(0)
    if shape.area < 0.5:
        raise InvalidInput("file", f"{shape.area:.2f} mm2", "encloses nothing; is it drawn as lines?")
    return shape, tuple(notes)


def hull_of(shape: Polygon) -> Ring:
    """A simple outline around everything, for the bench. [mm]"""
    outer = shapely.union_all([shapely.Polygon(part.exterior) for part in getattr(shape, "geoms", [shape])])
    whole = outer if outer.geom_type == "Polygon" else outer.convex_hull
    tolerance = 0.02
    ring = whole.exterior
    while len(ring.coords) > OUTLINE_POINTS:
        tolerance *= 2
        ring = whole.simplify(tolerance).exterior
    return tuple((round(x, 3), round(y, 3)) for x, y in list(ring.coords)[:-1])
