"""The tool of a series: the sheet as in even light, put together from all photos, and the largest thing on it."""

import cv2
import numpy as np
from shapely.geometry import Polygon

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.basics.words import say
from lofty_press.core.imaging.photo import CELL, Flat, Sheet, Tool, tools_on
from lofty_press.core.imaging.shading.response import Response
from lofty_press.core.imaging.shading.shots import Lit, Shot

FEWER = 2  # cells to a side that are taken together where photos are compared
COARSE = 16  # of those between places where the paper's light is worked out
UNSHADED = 6  # of ten photos in the order of their light, the one taken: shadows and highlights are at the ends
SHADOWED = 0.8  # of the paper's light, under which an edge throws a shadow there
GAP, SHADOW_WIDE = 25, 0.4  # cells over which an edge's shadow may be broken; its width [mm]
SMALLEST_SHEET = 400.0  # mm2
WHITE = 0.8  # of the lightest places' light, from which a place is bare paper


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
        raise InvalidInput("photos", "nothing", say("show nothing that's entirely inside the frame on the sheet"))
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
