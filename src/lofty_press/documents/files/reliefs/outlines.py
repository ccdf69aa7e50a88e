"""SVG outlines as blades and plateaus."""

import io
import math
from typing import Any

import defusedxml.ElementTree as SafeTree
import numpy as np
import shapely
import svgelements
from defusedxml.common import DefusedXmlException

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.basics.words import Message, number, say, size
from lofty_press.core.sandwich.relief import Line, blade_map, plateau_map
from lofty_press.core.sandwich.stack import Polygon
from lofty_press.documents.files.reliefs.wish import ReadRelief, Wish
from lofty_press.documents.kept.packed import MOST_POINTS

MOST_SEGMENTS = 20_000
MOST_BYTES = 4_000_000
MOST_ELEMENTS = 20_000
DEEPEST_NESTING = 100
MOST_CROSSINGS = 4_000
LONGEST_BLADE = 100_000.0  # mm
FARTHEST = 1e6  # user units
CHORD = 0.05  # mm; how far a polygon may run from its curve
MEND_GAP = 0.5  # mm; an outline open by less is closed
MM_PER_PIXEL = 25.4 / 96.0  # of CSS, which SVG's user unit follows
IGNORED = {
    "script": say("scripts"),
    "image": say("pictures"),
    "foreignObject": say("foreign content"),
    "style": say("style sheets"),
    "text": say("text (turn it into outlines)"),
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
    extent = np.maximum(high - low, 1e-9)
    scale = wish.width_mm / extent[0] if wish.width_mm else MM_PER_PIXEL
    if extent.max() * scale > 2000 or extent.max() * scale < 1:
        raise InvalidInput(
            "width_mm",
            wish.width_mm,
            say(
                "makes it {longest} long; it must be {least} to {most}",
                least=size(1.0),
                most=size(2000.0),
                longest=size(extent.max() * scale),
            ),
        )
    middle = (low + high) / 2
    lines = tuple(turned((run - middle) * scale, wish) for run in runs)
    if sum(len(line) for line in lines) > MOST_POINTS:
        raise InvalidInput("file", "SVG", say("has outlines of over {most} points; simplify them", most=MOST_POINTS))
    whole = float(sum(np.hypot(*np.diff(line, axis=0).T).sum() for line in lines))
    if whole > LONGEST_BLADE:
        raise InvalidInput(
            "file",
            f"{whole / 1000:.0f} m",
            say("has outlines of over {longest_blade} m together; no tool has that much", longest_blade=number(LONGEST_BLADE / 1000, 0)),
        )
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
            raise InvalidInput("file", len(parts), say("has more than {most} windows", most=MOST_WINDOWS))
        windows = tuple(hull_of(part) for part in parts)
    return ReadRelief(relief, (*notes, *mended), hull_of(shape), windows)


def refuse_unsafe(data: bytes) -> tuple[Message, ...]:
    """Look at the document without following anything in it; say what will be left out."""
    if len(data) > MOST_BYTES:
        raise InvalidInput("file", len(data), say("is over {most} MB; outlines need far less", most=MOST_BYTES // 1_000_000))
    try:
        tree: Any = SafeTree.parse(io.BytesIO(data), forbid_dtd=True)
    except DefusedXmlException as error:
        raise InvalidInput("file", "SVG", say("has a document type or entities, which can hide harm; save it as plain SVG")) from error
    except SafeTree.ParseError as error:
        raise InvalidInput("file", "SVG", say("isn't well-formed ({reason})", reason=str(error))) from error
    root = tree.getroot()
    if not str(root.tag).endswith("svg"):
        raise InvalidInput("file", str(root.tag), say("isn't an SVG"))
    notes: dict[Message, None] = {}
    if drawn_elements(root) > MOST_ELEMENTS:
        raise InvalidInput("file", "SVG", say("draws over {most} elements, repeated ones counted; simplify it", most=MOST_ELEMENTS))
    for element in root.iter():
        name = str(element.tag).rsplit("}", 1)[-1]
        if name in IGNORED:
            notes[say("Left out: {ignored}.", ignored=IGNORED[name])] = None
        links = [value for key, value in element.attrib.items() if key.rsplit("}", 1)[-1] == "href"]
        if any(not link.startswith("#") for link in links):
            notes[say("Left out: links to other files.")] = None
    return tuple(notes)


def drawn_elements(root: Any) -> int:
    """How many elements a drawing has once every repetition (`use`) is carried out, counted without carrying any out.

    Raises
    ------
    InvalidInput
        If an element repeats itself, or elements lie too deep in one another.
    """
    named = {element.get("id"): element for element in root.iter() if element.get("id")}
    counts: dict[Any, int] = {}
    open_ones: set[Any] = set()

    def count(element: Any, depth: int) -> int:
        if element in counts:
            return counts[element]
        if element in open_ones or depth > DEEPEST_NESTING:
            raise InvalidInput("file", "SVG", say("has an element that repeats itself, or elements nested without end"))
        open_ones.add(element)
        total = 1 + sum(count(child, depth + 1) for child in element)
        if str(element.tag).endswith("use"):
            link = next((value for key, value in element.attrib.items() if key.rsplit("}", 1)[-1] == "href"), "")
            target = named.get(link[1:]) if link.startswith("#") else None
            total += 0 if target is None else count(target, depth + 1)
        open_ones.discard(element)
        counts[element] = min(total, 10 * MOST_ELEMENTS)  # enough to refuse; the true number may have thousands of digits
        return counts[element]

    return count(root, 0)


def parse(data: bytes) -> list[Any]:
    """The shapes with their transforms carried out, in user units."""
    try:
        document = svgelements.SVG.parse(io.BytesIO(data), reify=True)
        shapes = [e for e in document.elements() if isinstance(e, svgelements.Shape)]
        paths = [svgelements.Path(shape) for shape in shapes]
    except (ValueError, TypeError, AttributeError, ZeroDivisionError, RecursionError, KeyError, IndexError) as error:
        raise InvalidInput("file", "SVG", say("has shapes that can't be read ({reason})", reason=str(error)[:80])) from error
    if sum(len(path) for path in paths) > MOST_SEGMENTS:
        raise InvalidInput("file", "SVG", say("has over {most} segments; simplify the outlines", most=MOST_SEGMENTS))
    for path in paths:
        for segment in path:
            corners = [getattr(segment, name, None) for name in ("start", "control", "control1", "control2", "end")]
            if not all(abs(corner.x) < FARTHEST and abs(corner.y) < FARTHEST for corner in corners if corner is not None):
                raise InvalidInput("file", "SVG", say("has points that aren't numbers, or are kilometers away"))
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
        raise InvalidInput("file", "SVG", say("has no outline in it; turn text into outlines first"))
    return runs


def keep(points: list[tuple[float, float]], runs: list[Line]) -> None:
    """Note a run if it is one."""
    if len(points) < 2:
        return
    run = np.asarray(points, dtype=np.float64)
    if not np.isfinite(run).all():
        raise InvalidInput("file", "SVG", say("has points that aren't numbers"))
    if np.ptp(run, axis=0).max() > 0:
        runs.append(run)


def turned(run: Line, wish: Wish) -> Line:
    """A run of (right, down) points as along and across the feed, mirrored and turned as wished."""
    right, down = run[:, 0] * (-1.0 if wish.mirror else 1.0), run[:, 1]
    for _ in range(wish.quarter_turns % 4):
        right, down = down, -right
    return np.stack([down, right], axis=1)


def plateaus(lines: tuple[Line, ...]) -> tuple[Polygon, tuple[Message, ...]]:
    """The area that outlines enclose by the even-odd rule, and what had to be mended."""
    notes: dict[Message, None] = {}
    refuse_tangle(lines)
    shape: Polygon = shapely.Polygon()
    for line in lines:
        gap = float(np.hypot(*(line[0] - line[-1])))
        if len(line) < 3 or gap > MEND_GAP:
            raise InvalidInput("file", f"{gap:.1f} mm", say("has an outline that is open; close it, or use it as a blade"))
        if gap > 1e-6:
            notes[say("An outline that was open by less than {gap} was closed.", gap=size(0.5))] = None
        ring: Polygon = shapely.Polygon(line)
        if not ring.is_valid:
            ring = shapely.make_valid(ring)
            notes[say("An outline that crosses itself was split where it does.")] = None
        shape = shape.symmetric_difference(ring)
    shape = shape.buffer(0)
    if shape.area < 0.5:
        raise InvalidInput("file", f"{shape.area:.2f} mm2", say("encloses nothing; is it drawn as lines?"))
    return shape, tuple(notes)


def refuse_tangle(lines: tuple[Line, ...]) -> None:
    """Refuse outlines that cross themselves and one another too often, by counting before any area is built.

    Raises
    ------
    InvalidInput
        If there are more than `MOST_CROSSINGS` places where two pieces meet that do not follow one another.
    """
    pieces = np.concatenate([np.stack([line[:-1], line[1:]], axis=1) for line in lines])
    segments = shapely.linestrings(pieces)
    tree = shapely.STRtree(segments)
    met = 0
    for start in range(0, len(segments), 200):
        one, other = tree.query(segments[start : start + 200], predicate="intersects")
        met += int(np.sum(np.abs(one + start - other) > 1)) // 2
        if met > MOST_CROSSINGS + len(lines):
            raise InvalidInput("file", "SVG", say("has outlines that cross in over {most} places; untangle them", most=MOST_CROSSINGS))


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
