"""Relief files of every kind, good and bad: read, mended with a word about it, or refused with the reason."""

import io
import struct
import zlib

import numpy as np
import pytest
import shapely
import tifffile
import trimesh
from PIL import Image

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.documents.files.reliefs.read import read_relief
from lofty_press.documents.files.reliefs.wish import Wish
from lofty_press.documents.kept.packed import pack, pack_relief, unpack, unpack_relief

SVG = '<svg xmlns="http://www.w3.org/2000/svg" width="50mm" height="40mm" viewBox="0 0 50 40">{}</svg>'
FRAME = '<path d="M5 5h40v30h-40z M15 15v10h20v-10z"/>'


def svg(body: str) -> bytes:
    return SVG.format(body).encode()


def png(values: np.ndarray) -> bytes:
    file = io.BytesIO()
    Image.fromarray(values).save(file, "PNG")
    return file.getvalue()


def tiff(values: np.ndarray) -> bytes:
    file = io.BytesIO()
    tifffile.imwrite(file, values)
    return file.getvalue()


def slope(rows: int = 60, columns: int = 40) -> np.ndarray:
    return np.linspace(0, 1, columns)[None, :] * np.ones((rows, 1))


def png_header(width: int, height: int) -> bytes:
    head = struct.pack(">IIBBBBB", width, height, 8, 0, 0, 0, 0)
    chunk = lambda kind, data: struct.pack(">I", len(data)) + kind + data + struct.pack(">I", zlib.crc32(kind + data))  # noqa: E731
    return b"\x89PNG\r\n\x1a\n" + chunk(b"IHDR", head) + chunk(b"IDAT", zlib.compress(b"\0" * 1000)) + chunk(b"IEND", b"")


@pytest.mark.parametrize(
    "data", [png((slope() * 65535).astype(np.uint16)), tiff((slope() * 65535).astype(np.uint16)), tiff(slope().astype(np.float32))]
)
def test_a_picture_becomes_heights_in_its_size(data):
    read = read_relief(data, Wish("relief", width_mm=20, depth_mm=0.8))
    assert read.relief.spacing == pytest.approx(0.5)
    assert read.relief.size == pytest.approx((30.0, 20.0))
    assert read.relief.heights[30] == pytest.approx(0.8 * np.linspace(0, 1, 40), abs=1e-3)


def test_wishes_turn_mirror_and_invert():
    data = png((slope() * 65535).astype(np.uint16))
    plain = read_relief(data, Wish("relief", width_mm=20)).relief.heights
    assert read_relief(data, Wish("relief", width_mm=20, mirror=True)).relief.heights == pytest.approx(plain[:, ::-1])
    assert read_relief(data, Wish("relief", width_mm=20, invert=True)).relief.heights == pytest.approx(0.5 - plain, abs=1e-4)
    assert read_relief(data, Wish("relief", width_mm=20, quarter_turns=1)).relief.heights == pytest.approx(np.rot90(plain))


def test_eight_bits_and_colour_are_taken_with_a_word_about_it():
    assert "8 bits" in read_relief(png((slope() * 255).astype(np.uint8)), Wish("relief", width_mm=20)).notes[0]
    colour = np.stack([(slope() * 255).astype(np.uint8)] * 3, axis=2)
    assert "Color" in read_relief(png(colour), Wish("relief", width_mm=20)).notes[0]


def test_outlines_become_a_plateau_with_its_hole_and_a_blade_of_their_length():
    plateau = read_relief(svg(FRAME), Wish("plateau", depth_mm=0.25, shoulder_mm=0.1)).relief
    area = float((plateau.heights > 0.12).sum()) * plateau.spacing**2
    assert area == pytest.approx(40 * 30 - 20 * 10, rel=0.02)
    assert plateau.heights.max() == pytest.approx(0.25)
    blade = read_relief(svg(FRAME), Wish("blade", depth_mm=0.5)).relief
    assert blade.blade_length == pytest.approx(2 * (40 + 30) + 2 * (20 + 10), rel=1e-3)


def test_curves_are_followed_and_size_is_as_wished():
    """Against shapely's own circle."""
    read = read_relief(svg('<circle cx="25" cy="20" r="9"/>'), Wish("blade", width_mm=36))
    assert read.relief.blade_length == pytest.approx(shapely.Point(0, 0).buffer(18, 256).length, rel=2e-3)


def test_what_is_crooked_is_mended_and_told():
    bow = read_relief(svg('<path d="M5 5 L45 35 L45 5 L5 35 Z"/>'), Wish("plateau"))
    assert any("crosses itself" in note for note in bow.notes)
    nearly = read_relief(svg('<path d="M5 5h40v30h-40V5.3"/>'), Wish("plateau"))
    assert any("closed" in note for note in nearly.notes)
    extra = read_relief(svg(FRAME + '<script>alert(1)</script><image href="http://127.0.0.1/x.png"/>'), Wish("plateau"))
    assert {"Left out: scripts.", "Left out: links to other files."} <= set(extra.notes)


def test_a_solid_becomes_heights_over_its_lowest_seen_point():
    dome = trimesh.creation.icosphere(subdivisions=4, radius=10).apply_scale([1.0, 1.0, 0.1])
    read = read_relief(dome.export(file_type="stl"), Wish("relief"))
    nx, ny = read.relief.heights.shape
    assert read.relief.size == pytest.approx((20.0, 20.0), abs=0.3)
    assert read.relief.heights[nx // 2, ny // 2] == pytest.approx(1.0, abs=0.02)


ENTITY = (
    b'<!DOCTYPE svg [<!ENTITY a "aaaaaaaaaa"><!ENTITY b "&a;&a;&a;&a;">]><svg xmlns="http://www.w3.org/2000/svg"><text>&b;</text></svg>'
)
OUTSIDE = b'<!DOCTYPE svg [<!ENTITY x SYSTEM "file:///etc/passwd">]><svg xmlns="http://www.w3.org/2000/svg"><text>&x;</text></svg>'
MANY = svg('<path d="M0 0' + " L1 1 L2 0" * 30_000 + '"/>')
HOLED = slope().astype(np.float32)
HOLED[3, 3] = np.nan
BODY = trimesh.creation.box((10, 10, 10)).export(file_type="stl")
BAD = {
    "nothing": (b"", "relief", "empty"),
    "unknown": (b"what is this", "relief", "isn't a PNG"),
    "huge picture": (png_header(30_000, 30_000), "relief", "too many points"),
    "bomb": (png_header(4000, 4000), "relief", "damaged"),
    "cut short": (png(np.random.default_rng(1).integers(0, 255, (60, 40), dtype=np.uint8))[:900], "relief", "damaged"),
    "all one gray": (png(np.full((40, 40), 7, np.uint8)), "relief", "one gray"),
    "NaN": (tiff(HOLED), "relief", "aren't numbers"),
    "cut TIFF": (tiff(slope().astype(np.float32))[:60], "relief", "damaged"),
    "entities": (ENTITY, "plateau", "entities"),
    "outside": (OUTSIDE, "plateau", "entities"),
    "isn't well-formed": (b"<svg", "plateau", "well-formed"),
    "not SVG": (b"<html></html>", "plateau", "isn't an SVG"),
    "many segments": (MANY, "plateau", "segments"),
    "open": (svg('<path d="M5 5h40v30"/>'), "plateau", "open"),
    "no outline": (svg("<g/>"), "plateau", "no outline"),
    "heights of outlines": (svg(FRAME), "relief", "no heights"),
    "blade of a picture": (png((slope() * 255).astype(np.uint8)), "blade", "SVG"),
    "a body": (BODY, "relief", "isn't a relief"),
    "cut STL": (BODY[:-30], "relief", "cut short"),
    "flat STL": (trimesh.Trimesh([[0, 0, 0], [9, 0, 0], [0, 9, 0]], [[0, 1, 2]]).export(file_type="stl"), "relief", "flat"),
}


@pytest.mark.parametrize("case", BAD)
def test_what_cannot_be_read_is_refused_with_the_reason(case):
    data, use, words = BAD[case]
    with pytest.raises(InvalidInput, match=words):
        read_relief(data, Wish(use, width_mm=40))


@pytest.mark.parametrize(
    ("wish", "field"),
    [(Wish("relief", depth_mm=0), "depth_mm"), (Wish("relief", width_mm=0.2), "width_mm"), (Wish("relief", width_mm=1e9), "width_mm")],
)
def test_sizes_that_no_tool_has_are_refused_by_name(wish, field):
    with pytest.raises(InvalidInput) as refused:
        read_relief(png((slope() * 255).astype(np.uint8)), wish)
    assert refused.value.field == field


def test_a_packed_relief_comes_back_and_a_broken_one_does_not():
    relief = read_relief(svg(FRAME), Wish("blade", depth_mm=0.5)).relief
    again = unpack_relief(pack_relief(relief))
    assert again.heights == pytest.approx(relief.heights, abs=1e-5)
    assert again.blade_length == pytest.approx(relief.blade_length, rel=1e-4)
    assert unpack(pack(relief.heights, spacing=0.2)).about == {"spacing": 0.2}
    bomb = zlib.compress(b"\0" * 60_000_000)
    for broken in (b"", b"nonsense", pack_relief(relief)[:50], bomb):
        with pytest.raises(InvalidInput):
            unpack_relief(broken)
