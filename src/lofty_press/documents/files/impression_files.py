"""The pressed sheet as files for other programs: height map, picture, profile, solid."""

import csv
import io
import json
from typing import Any, Literal

import numpy as np
import tifffile
from PIL import Image

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.basics.words import say
from lofty_press.core.sandwich.relief import hillshade
from lofty_press.core.sandwich.stack import BoolArray, FloatArray

FileKind = Literal["tiff", "png", "stl", "csv"]
EXAGGERATION = 1.6  # of slopes in the picture
STL_MOST = 300  # cells along the longer side of the solid


def height_tiff(heights: FloatArray, sheet: BoolArray, spacing: float, name: str) -> bytes:
    """Heights as a 16-bit TIFF; its description tells the scale, so that height [mm] = lowest + value * step.

    Rows run along the feed, columns across. Value 0 is kept for what is not sheet.
    """
    inside = heights[sheet]
    low, high = (float(inside.min()), float(inside.max())) if inside.size else (0.0, 0.0)
    step = max((high - low) / 65534, 1e-9)
    values = np.where(sheet, np.round((heights - low) / step) + 1, 0).astype(np.uint16)
    scale = {"name": name, "unit": "mm", "cell_mm": spacing, "lowest_mm": low - step, "step_mm": step, "nothing": 0}
    file = io.BytesIO()
    per_cm = 10.0 / spacing
    tifffile.imwrite(
        file,
        values,
        photometric="minisblack",
        compression="zlib",
        description=json.dumps(scale),
        resolution=(per_cm, per_cm),
        resolutionunit=3,
        metadata=None,
    )
    return file.getvalue()


def shaded_png(heights: FloatArray, sheet: BoolArray, spacing: float, colour: str, *, azimuth: float, altitude: float) -> bytes:
    """The sheet in its own colour under a lamp."""
    light = hillshade(heights, spacing, azimuth=azimuth, altitude=altitude, exaggeration=EXAGGERATION)
    flat = np.sin(np.radians(altitude))
    tone = np.clip(0.35 + 0.65 * light / max(float(flat), 0.1), 0.0, 1.35)[..., None]
    paper = np.array([int(colour[k : k + 2], 16) for k in (1, 3, 5)])
    pixels = np.clip(paper * tone, 0, 255)
    rgba = np.concatenate([pixels, np.where(sheet, 255, 0)[..., None]], axis=2).astype(np.uint8)
    file = io.BytesIO()
    Image.fromarray(rgba, "RGBA").save(file, "PNG", dpi=(25.4 / spacing, 25.4 / spacing))
    return file.getvalue()


def grey_png(light: FloatArray) -> bytes:
    """A field from 0 to 1 as a grey picture."""
    file = io.BytesIO()
    Image.fromarray((np.clip(light, 0.0, 1.0) * 255).astype(np.uint8), "L").save(file, "PNG")
    return file.getvalue()


def profile_csv(distance: FloatArray, columns: dict[str, FloatArray]) -> str:
    """Heights along a probe line, one row a point; all in mm."""
    file = io.StringIO()
    writer = csv.writer(file, lineterminator="\n")
    writer.writerow(["along_mm", *(f"{name}_mm" for name in columns)])
    for n, place in enumerate(distance):
        writer.writerow([f"{place:.3f}", *(f"{values[n]:.5f}" for values in columns.values())])
    return file.getvalue()


def sheet_stl(upper: FloatArray, lower: FloatArray, sheet: BoolArray, spacing: float, thickness: float) -> bytes:
    """The pressed sheet as a closed solid in binary STL, both faces and the edge. [mm]

    Raises
    ------
    InvalidInput
        If there is no sheet.
    """
    import trimesh  # here, since it takes half a second to load and only workers write files

    step = max(1, -(-max(sheet.shape) // STL_MOST))
    inside = sheet[::step, ::step]
    if not inside.any():
        raise InvalidInput("sheet", "empty", say("there is no sheet to write"))
    top, bottom = upper[::step, ::step] + thickness / 2, lower[::step, ::step] - thickness / 2
    cells = inside[:-1, :-1] & inside[1:, :-1] & inside[:-1, 1:] & inside[1:, 1:]
    i, j = np.nonzero(cells)
    x, y = np.arange(inside.shape[0]) * spacing * step, np.arange(inside.shape[1]) * spacing * step

    def point(a: np.ndarray, b: np.ndarray, z: FloatArray) -> FloatArray:
        return np.stack([x[a], y[b], z[a, b]], axis=1)

    quads = [
        [point(i, j, top), point(i + 1, j, top), point(i + 1, j + 1, top), point(i, j + 1, top)],
        [point(i, j, bottom), point(i, j + 1, bottom), point(i + 1, j + 1, bottom), point(i + 1, j, bottom)],
    ]
    grown = np.pad(cells, 1)
    sides = (((-1, 0), (0, 0), (0, 1)), ((1, 0), (1, 1), (1, 0)), ((0, -1), (1, 0), (0, 0)), ((0, 1), (0, 1), (1, 1)))
    for (di, dj), (ai, aj), (bi, bj) in sides:
        edge = cells & ~grown[1 + di : grown.shape[0] - 1 + di, 1 + dj : grown.shape[1] - 1 + dj]
        p, q = np.nonzero(edge)
        quads.append([point(p + ai, q + aj, top), point(p + bi, q + bj, top), point(p + bi, q + bj, bottom), point(p + ai, q + aj, bottom)])
    corners = [np.concatenate([quad[k] for quad in quads]) for k in range(4)]
    triangles = np.concatenate([np.stack([corners[0], corners[1], corners[2]], 1), np.stack([corners[0], corners[2], corners[3]], 1)])
    corners_in_turn = np.arange(3 * len(triangles)).reshape(-1, 3)
    solid = trimesh.Trimesh(triangles.reshape(-1, 3), corners_in_turn, process=False)
    stl: Any = solid.export(file_type="stl")
    return bytes(stl)
