"""Shading and files against independent readers."""

import io
import json

import numpy as np
import pytest
import tifffile
import trimesh
from PIL import Image

from lofty_press.core.sandwich.relief.picture import hillshade
from lofty_press.documents.files.impression_files import height_tiff, shaded_png, sheet_stl

H = 0.2
PLACE = np.arange(80) * H
HILL = 0.6 * np.exp(-((PLACE[:, None] - 7) ** 2 + (PLACE[None, :] - 9) ** 2) / 8)
SHEET = np.ones(HILL.shape, dtype=bool)


@pytest.mark.parametrize(("azimuth", "altitude"), [(0, 45), (90, 30), (225, 60), (310, 15)])
def test_shading_agrees_with_the_normals_of_a_triangle_mesh(azimuth, altitude):
    """trimesh's vertex normals of the same surface, and Lambert's law by a plain scalar product."""
    n = HILL.shape[0]
    x, y = np.meshgrid(PLACE, PLACE, indexing="ij")
    k = np.arange(n * n).reshape(n, n)
    one = np.stack([k[:-1, :-1], k[1:, :-1], k[1:, 1:]], -1).reshape(-1, 3)
    two = np.stack([k[:-1, :-1], k[1:, 1:], k[:-1, 1:]], -1).reshape(-1, 3)
    surface = trimesh.Trimesh(np.stack([x, y, HILL], -1).reshape(-1, 3), np.concatenate([one, two]), process=False)
    a, h = np.radians(azimuth), np.radians(altitude)
    lamp = np.array([np.cos(h) * np.cos(a), np.cos(h) * np.sin(a), np.sin(h)])
    expected = np.clip(surface.vertex_normals @ lamp, 0, 1).reshape(n, n)
    light = hillshade(HILL, H, azimuth=azimuth, altitude=altitude)
    assert light[2:-2, 2:-2] == pytest.approx(expected[2:-2, 2:-2], abs=0.01)


def test_a_height_map_reads_back_with_its_scale():
    with tifffile.TiffFile(io.BytesIO(height_tiff(HILL, SHEET, H, "hill"))) as file:
        page = file.pages[0]
        values, scale = page.asarray(), json.loads(page.description)
    assert values.dtype == np.uint16
    assert scale["lowest_mm"] + scale["step_mm"] * values == pytest.approx(HILL, abs=2e-5)
    assert page.resolution[0] * H / 10 == pytest.approx(1.0, rel=1e-3)


def test_the_solid_is_closed_and_as_heavy_as_the_sheet():
    solid = trimesh.load(io.BytesIO(sheet_stl(HILL, HILL, SHEET, H, 0.3)), file_type="stl")
    assert solid.is_watertight
    assert solid.volume == pytest.approx(0.3 * (79 * H) ** 2, rel=1e-3)


def test_the_picture_is_the_sheets_colour_where_it_is_flat():
    picture = Image.open(io.BytesIO(shaded_png(np.zeros((30, 20)), np.ones((30, 20), bool), H, "#6f9a80", azimuth=225, altitude=45)))
    assert picture.size == (20, 30)
    assert picture.getpixel((10, 15)) == (0x6F, 0x9A, 0x80, 255)
