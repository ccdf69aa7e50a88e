"""The relief of a tool from photos by a torch, held at another side in each; one without it takes out the room's own light."""

from concurrent.futures import ThreadPoolExecutor
from dataclasses import dataclass, replace

import cv2
import numpy as np
import shapely
from shapely.geometry import Polygon

from lofty_press.core.errors import InvalidInput
from lofty_press.core.photo import (
    CELL,
    WEDGE,
    Flat,
    Laid,
    Pixels,
    Sheet,
    Tool,
    Values,
    bare_paper,
    from_above,
    sheet_in,
    tools_on,
)
from lofty_press.core.shading.response import CLIPPED, Response
from lofty_press.core.shading.shape import SIDE_WORDS, Shape, Side, sides_missing
from lofty_press.core.shading.slopes import facing, slopes_of
from lofty_press.core.shading.surface import levelled
from lofty_press.core.shading.torch import PaperLight, Torch, torches_of
from lofty_press.core.stack import KIND_TRAITS, BoolArray, FloatArray
from lofty_press.core.words import Message, say

SPACING = 0.2  # mm
LEAST, USUAL, MOST = 3, 6, 16  # photos with a torch
EVEN = 0.45  # of how much the light differs over the paper in the others, below which a photo was taken without a torch
FITS = 0.15  # share that the paper's light may be off
LOW = 15.0  # degrees over the sheet, under which a torch only grazes it
PAPER = (
    0.15  # spread of a white sheet's depth by shading: against photographs that a ray tracer made; a glossy tool's was twice the true one
)
CLEAR = 3.0  # mm round a white sheet in which its shadows may be
MOST_CELLS = 1_000_000
THREADS = 2
FEWER, COARSE = (
    2,
    16,
)  # cells to a side that are taken together where photos are compared; cells between places where the paper's light is worked out
UNSHADED = 6  # of ten photos in the order of their light, the one taken: shadows and highlights are at the ends
SHADOWED = 0.8  # of the paper's light, under which an edge throws a shadow there
GAP, SHADOW_WIDE = 25, 0.4  # cells over which an edge's shadow may be broken; its width [mm]
SMALLEST_SHEET = 400.0  # mm2
WHITE = 0.8  # of the lightest places' light, from which a place is bare paper


@dataclass(frozen=True)
class Shot:
    """A photo of the series: which one it is, what it shows from above, its pixel values, and those of bare paper and of the wedge's fields in it, of which the `rim` is outside the frame for tools."""

    number: int
    colors: Pixels
    values: Values
    paper: FloatArray
    wedge: FloatArray
    rim: BoolArray

    def only(self, places: BoolArray) -> "Shot":
        """The same with some places of bare paper only."""
        return replace(self, paper=self.paper[places], rim=self.rim[places])

    def white(self, response: Response) -> float:
        """Light of bare paper, the middle of what is outside the frame."""
        known = self.paper[self.rim & Response.known(self.paper)]
        return float(np.median(response.light(known))) if known.size else 1.0

    @property
    def uneven(self) -> float:
        """How much light differs over the paper, as a logarithm. [1]"""
        known = self.paper[self.rim & Response.known(self.paper)]
        return float(np.ptp(Response().log_light(np.percentile(known, (10, 90))))) if known.size > 20 else np.inf


@dataclass(frozen=True)
class Lit:
    """A photo and the torch that lit it."""

    shot: Shot
    torch: Torch


def shape_by_torch(photos: list[Pixels], *, ruler_mm: float, thickness_mm: float | None = None) -> Shape:
    """The face of the largest tool on the printed sheet.

    Parameters
    ----------
    photos : list of ndarray, each of shape (height, width, 3)
        Blue, green, red, of the same sheet with the same tool, not moved; a camera need not stand still. [0 to 255]
    ruler_mm : float
        How long the printed ruler is. [mm]
    thickness_mm : float or None
        How high the tool's face is over the sheet; None for what its kind usually has. [mm]

    Raises
    ------
    InvalidInput
        Says which photo cannot be used and why, or what is missing.

    Notes
    -----
    Each torch is found from the white paper round the tool; slopes follow from how the face answers to each, heights from the slopes.
    """
    if len(photos) > MOST + 1:
        raise InvalidInput("photos", len(photos), say("are {count}; {most} are enough", count=len(photos), most=MOST))
    found = shots_of(photos, ruler_mm)
    sheet = found[0][0]
    points = bare_paper(sheet.target) * sheet.scale
    left, top, right, bottom = sheet.window
    rim = (points[:, 0] < left) | (points[:, 0] > right) | (points[:, 1] < top) | (points[:, 1] > bottom)
    wedge = np.array([(x + WEDGE / 2, y + WEDGE / 2) for x, y, _ in sheet.target.wedge]) * sheet.scale
    dark, torchlit = parted([Shot(n, colors, v, v.over(points), v.over(wedge), rim) for n, (_, colors, v) in enumerate(found, 1)])
    middle = np.array([sheet.target.width, sheet.target.height]) / 2
    lit, response, notes = lit_by(torchlit, dark, (points, wedge), middle)
    tool = largest(lit, dark, sheet, response)
    if tool.kinds[0] == "sheet":  # white as the paper round it: only now it's known where that is bare
        bare = ~shapely.contains_xy(tool.polygon.buffer(CLEAR), points[:, 0], points[:, 1])
        shots = [each.shot for each in lit]
        room = None if dark is None else dark.only(bare)
        places = points[bare], wedge
        lit, response, more = lit_by([shot.only(bare) for shot in shots], room, places, middle, near=[each.torch for each in lit])
        notes = [*notes, *more]
    above = KIND_TRAITS[tool.kinds[0]].mm if thickness_mm is None else thickness_mm
    missing = sides_missing(tuple(each.torch.azimuth(middle) for each in lit))
    return replace(shape_of(tool, lit, dark, response, above), notes=(*asked_for(missing, len(lit), dark is not None), *notes))


def asked_for(missing: tuple[Side, ...], count: int, without: bool) -> tuple[Message, ...]:
    """What more photos would make better, what matters most first."""
    found = [say("Light from the {side} is missing: hold the torch there for one more photo.", side=SIDE_WORDS[side]) for side in missing]
    if not missing and count < USUAL:
        found.append(say("{count} photos by torch are enough to see it; {usual} make it better.", count=count, usual=USUAL))
    if not without:
        found.append(say("Take one without the torch as well: it takes the room's own light out."))
    return tuple(found)


def shots_of(photos: list[Pixels], ruler_mm: float) -> list[tuple[Sheet, Pixels, Values]]:
    """Every photo with its sheet, what that shows from above, and its light.

    Raises
    ------
    InvalidInput
        Naming the photo that shows no sheet, or another one than the first.
    """

    def shown(number: int) -> tuple[Sheet, Pixels, Values]:
        photo = photos[number - 1]
        try:
            sheet = sheet_in(photo, ruler_mm=ruler_mm)
        except InvalidInput as error:
            raise InvalidInput("photos", number, say("number {number} {reason}", number=number, reason=error.requirement)) from error
        return sheet, from_above(photo, sheet), Values.of(photo, sheet.camera, SPACING)

    with ThreadPoolExecutor(THREADS) as threads:  # most of it is done outside the interpreter
        found = list(threads.map(shown, range(1, len(photos) + 1)))
    for number, (sheet, _, _) in enumerate(found, 1):
        if sheet.target is not found[0][0].target:
            raise InvalidInput("photos", number, say("number {number} shows another printed sheet than the first", number=number))
    return found


def parted(shots: list[Shot]) -> tuple[Shot | None, list[Shot]]:
    """The photo without a torch, if there is one, and the others: its light is far more even."""
    evenest = min(shots, key=lambda shot: shot.uneven)
    others = [shot for shot in shots if shot is not evenest]
    if len(others) >= LEAST and evenest.uneven < EVEN * float(np.median([shot.uneven for shot in others])):
        return evenest, others
    return None, shots


def lit_by(
    shots: list[Shot],
    dark: Shot | None,
    places: tuple[FloatArray, FloatArray],
    middle: FloatArray,
    *,
    near: list[Torch | None] | None = None,
) -> tuple[list[Lit], Response, list[Message]]:
    """The photos whose torch was found, how the camera answers to light, and what is to be said of the others; `places` are bare paper and the wedge's fields.

    Raises
    ------
    InvalidInput
        If fewer than three are left.
    """
    papers = [PaperLight(places[0], shot.paper, None if dark is None else dark.paper) for shot in shots]
    wedges = [PaperLight(places[1], shot.wedge, None) for shot in shots]
    torches, response = torches_of(papers, wedges, middle, near=near)
    kept: list[Lit] = []
    notes: list[Message] = []
    for shot, torch in zip(shots, torches, strict=True):
        if torch is None or torch.off_by > FITS:
            notes.append(say("Photo {number} isn't lit by one torch; it is left out.", number=shot.number))
        elif torch.elevation(middle) < LOW:
            notes.append(say("In photo {number} the torch only grazes the sheet; hold it higher.", number=shot.number))
        else:
            kept.append(Lit(shot, torch))
    if len(kept) < LEAST:
        missing = [SIDE_WORDS[side] for side in sides_missing(tuple(each.torch.azimuth(middle) for each in kept))]
        raise InvalidInput(
            "photos",
            len(kept),
            say(
                "show the tool by torch {count} times, which isn't enough. Hold the torch at the {side} for the next one; take {usual} in all",
                count=len(kept),
                usual=USUAL,
                side=missing[0] if missing else say("other side"),
            ),
        )
    return kept, response, notes


def evenly_lit(lit: list[Lit], dark: Shot | None, sheet: Sheet, response: Response, *, order: int = UNSHADED) -> Flat:
    """Light of every place of the sheet over that of bare paper there: of ten photos in the `order` of their light, that one."""
    left, top, _, _ = sheet.window
    high, wide = lit[0].shot.colors.shape[:2]
    step = FEWER * CELL
    smaller = ((wide + 1) // FEWER, (high + 1) // FEWER)
    light = response.light(np.arange(256) / 255.0).astype(np.float32)
    x, y = np.meshgrid(
        left + (np.arange(0, smaller[0] + COARSE, COARSE) + 0.5) * step, top + (np.arange(0, smaller[1] + COARSE, COARSE) + 0.5) * step
    )
    points = np.column_stack([x.ravel(), y.ravel()])
    maps = np.meshgrid(*(np.arange(n, dtype=np.float32) / COARSE for n in smaller))
    shown = []
    for each in lit:
        paper = cv2.remap(each.torch.on_paper(points).reshape(x.shape).astype(np.float32), maps[0], maps[1], cv2.INTER_LINEAR)
        shown.append(light[cv2.resize(each.shot.colors, smaller, interpolation=cv2.INTER_AREA)] / paper[..., None])
    rank = order * len(shown) // 10
    share = np.partition(np.stack(shown), rank, axis=0)[rank]
    some = share[::4, ::4].reshape(-1, 3)
    share /= np.maximum(np.median(some[some.mean(axis=1) > WHITE * np.percentile(some.mean(axis=1), 95)], axis=0), 0.1)
    whole = cv2.resize(share, (wide, high), interpolation=cv2.INTER_LINEAR)
    return Flat(lit[0].shot.colors if dark is None else dark.colors, np.asarray(whole), left, top, CELL)


def largest(lit: list[Lit], dark: Shot | None, sheet: Sheet, response: Response) -> Tool:
    """The largest thing that lies wholly on the sheet; a white one is seen by its shadows.

    Raises
    ------
    InvalidInput
        If there is none.
    """
    tools = tools_on(evenly_lit(lit, dark, sheet, response), sheet.camera)
    whole = [tool for tool in tools if not tool.cut_off] or shadowed(evenly_lit(lit, dark, sheet, response, order=0))
    if not whole:
        raise InvalidInput("photos", "nothing", say("show nothing that lies wholly inside the frame on the sheet"))
    return max(whole, key=lambda tool: tool.polygon.area)


def shadowed(darkest: Flat) -> list[Tool]:
    """White sheets on the white paper, from where any torch throws a shadow of their edges; they are taken to have no hollow sides."""
    dark = (cv2.GaussianBlur(darkest.share.mean(axis=2), (0, 0), 2.0) < SHADOWED).astype(np.uint8)
    closed = cv2.morphologyEx(dark, cv2.MORPH_CLOSE, np.ones((GAP, GAP), np.uint8))
    rings, _ = cv2.findContours(closed, cv2.RETR_EXTERNAL, cv2.CHAIN_APPROX_SIMPLE)
    found = []
    high, wide = dark.shape
    for ring in rings:
        hull = cv2.convexHull(ring).reshape(-1, 2)
        if len(hull) < 4 or cv2.contourArea(hull) * darkest.cell**2 < SMALLEST_SHEET:
            continue
        cut_off = hull.min() <= 1 or hull[:, 0].max() >= wide - 2 or hull[:, 1].max() >= high - 2
        if not cut_off:
            outline = Polygon((hull + 0.5) * darkest.cell + (darkest.left, darkest.top)).buffer(-SHADOW_WIDE)
            found.append(Tool(np.asarray(outline.exterior.coords)[:-1], (), ("sheet",), False))
    return found


def shape_of(tool: Tool, lit: list[Lit], dark: Shot | None, response: Response, above: float) -> Shape:
    """The face of a tool under its torches."""
    laid = Laid.of(tool)
    spacing = max(SPACING, float(np.sqrt(laid.size[0] * laid.size[1] / (0.9 * MOST_CELLS))))
    nx, ny = (max(round(side / spacing), 8) for side in laid.size)
    along, across = np.meshgrid((np.arange(nx) - (nx - 1) / 2) * spacing, (np.arange(ny) - (ny - 1) / 2) * spacing, indexing="ij")
    places = laid.on_sheet(np.column_stack([along.ravel(), across.ravel()]))
    solid = np.column_stack([places, np.full(len(places), above)])
    inside = np.asarray(shapely.contains_xy(Polygon(tool.outline), places[:, 0], places[:, 1])).reshape(nx, ny)
    room = None if dark is None else response.light(dark.values.at(places, above)) / dark.white(response)
    light, towards, shown = [], [], []
    for each in lit:
        way, far = each.torch.towards(solid)
        arriving = np.column_stack([way[:, :2] @ laid.axes.T, way[:, 2]]) * (each.torch.strength / far**2)[:, None]
        values = each.shot.values.at(places, above)
        seen = response.light(values)
        if room is None:
            arriving[:, 2] += each.torch.room  # the room's own light, as if it came from above
        else:
            seen = np.maximum(seen - each.torch.room * room, 0.0)
        shown.append(values)
        whole = np.linalg.norm(arriving, axis=1)
        light.append(np.where(values.max(axis=1) < CLIPPED, seen.mean(axis=1) / whole, np.nan))
        towards.append(arriving / whole[:, None])
    faces = facing(np.stack(light), np.stack(towards))
    rises = [slope.reshape(nx, ny) for slope in slopes_of(faces)]
    heights = levelled(rises[0], rises[1], inside, spacing)
    middle = np.array(laid.middle)
    return Shape(
        heights=heights,
        spacing=spacing,
        inside=inside,
        face=np.median(np.stack(shown), axis=0).reshape(nx, ny, 3),
        sides=tuple(each.torch.azimuth(middle) for each in lit),
        depth_spread=PAPER if tool.kinds[0] == "sheet" else np.inf,
        notes=(),
    )
