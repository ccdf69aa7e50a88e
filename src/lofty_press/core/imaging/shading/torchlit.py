"""The relief of a tool from photos by a torch, held at another side in each; one without it takes out the room's own light."""

from dataclasses import replace

import numpy as np
import shapely
from shapely.geometry import Polygon

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.basics.words import Message, say, size
from lofty_press.core.imaging.photo import WEDGE, Laid, Pixels, Tool, bare_paper
from lofty_press.core.imaging.shading.moved import aside
from lofty_press.core.imaging.shading.response import CLIPPED, Response
from lofty_press.core.imaging.shading.shape import SIDE_WORDS, Shape, Side, sides_missing
from lofty_press.core.imaging.shading.shots import LEAST, SPACING, Lit, Shot, parted, shots_of
from lofty_press.core.imaging.shading.slopes import facing, slopes_of
from lofty_press.core.imaging.shading.surface import levelled
from lofty_press.core.imaging.shading.tool_on_sheet import largest
from lofty_press.core.imaging.shading.torch import PaperLight, Torch, torches_of
from lofty_press.core.sandwich.stack import KIND_TRAITS, FloatArray

USUAL, MOST = 6, 16  # photos with a torch
FITS = 0.15  # share that the paper's light may be off
LOW = 15.0  # degrees over the sheet, under which a torch only grazes it
PAPER = 0.15  # spread of a white sheet's depth by shading: a glossy tool's was twice the true one
CLEAR = 3.0  # mm round a white sheet in which its shadows may be
MOST_CELLS = 1_000_000


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
    lit, more = unmoved(lit, tool, (left, top))
    notes = [*notes, *more]
    above = KIND_TRAITS[tool.kinds[0]].mm if thickness_mm is None else thickness_mm
    missing = sides_missing(tuple(each.torch.azimuth(middle) for each in lit))
    return replace(shape_of(tool, lit, dark, response, above), notes=(*asked_for(missing, len(lit), dark is not None), *notes))


def unmoved(lit: list[Lit], tool: Tool, corner: tuple[float, float]) -> tuple[list[Lit], list[Message]]:
    """The photos in which the tool lies where it does in most, and what is to be said of the others.

    Raises
    ------
    InvalidInput
        If fewer than three are left.
    """
    off = aside([each.shot for each in lit], tool, corner)
    kept = [each for each in lit if each.shot.number not in off]
    if len(kept) < LEAST:
        raise InvalidInput(
            "photos", len(kept), say("show the tool in a different place each time; put it down once and leave it there for all of them")
        )
    notes = [
        say(
            "In photo {number} the tool is {by} from where it is in the others, so we left it out. Take that one again.",
            number=number,
            by=size(by),
        )
        for number, by in off.items()
    ]
    return kept, notes


def asked_for(missing: tuple[Side, ...], count: int, without: bool) -> tuple[Message, ...]:
    """What more photos would make better, what matters most first."""
    found = [
        say("Light from the {side} is missing: hold the flashlight there for one more photo.", side=SIDE_WORDS[side]) for side in missing
    ]
    if not missing and count < USUAL:
        found.append(say("{count} flashlight photos are enough to see it. {usual} make it better.", count=count, usual=USUAL))
    if not without:
        found.append(say("Take one without the flashlight as well. It cancels out the room's own light."))
    return tuple(found)


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
            notes.append(say("Photo {number} isn't lit by one flashlight, so we left it out.", number=shot.number))
        elif torch.elevation(middle) < LOW:
            notes.append(say("In photo {number} the flashlight only grazes the sheet. Hold it higher.", number=shot.number))
        else:
            kept.append(Lit(shot, torch))
    if len(kept) < LEAST:
        missing = [SIDE_WORDS[side] for side in sides_missing(tuple(each.torch.azimuth(middle) for each in kept))]
        raise InvalidInput(
            "photos",
            len(kept),
            say(
                (
                    "show the tool by flashlight {count} times, which isn't enough. Hold the flashlight at the {side} for the next "
                    "one; take {usual} in all"
                ),
                count=len(kept),
                usual=USUAL,
                side=missing[0] if missing else say("other side"),
            ),
        )
    return kept, response, notes


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
