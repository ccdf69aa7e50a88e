"""`./lofty target` and `./lofty photo`, and the same over HTTP: the sheet out, a photo in, drawings in true size out."""

import argparse
import io
import json

import numpy as np
import pypdf
import pytest
import svgelements
from PIL import Image
from tests.core.imaging.photo.photographs import FOLDER

from lofty_press.cli import photo, target
from lofty_press.core.imaging.photo import METRIC
from lofty_press.documents.photos.photo_pixels import MEASURED_SIDE, photo_pixels
from lofty_press.siege.photo_sheet import as_png, scanned_sheet


def test_the_sheet_is_a_page_of_its_paper(tmp_path, http, capsys):
    """ISO 216: A4 is 210 x 297 mm."""
    assert target.run(argparse.Namespace(out=tmp_path / "sheet.pdf", paper="A4")) == 0
    page = pypdf.PdfReader(tmp_path / "sheet.pdf").pages[0]
    np.testing.assert_allclose([float(side) / 72 * 25.4 for side in page.mediabox[2:]], (210, 297), atol=0.1)
    assert "100 mm" in page.extract_text()
    letter = http.get("/api/photos/sheet", params={"paper": "letter"})
    assert letter.headers["content-type"] == "application/pdf"
    assert float(pypdf.PdfReader(io.BytesIO(letter.content)).pages[0].mediabox[2]) == pytest.approx(612, abs=0.1)
    assert http.get("/api/photos/sheet", params={"paper": "napkin"}).status_code == 422


def test_a_photo_becomes_drawings_in_millimetres(tmp_path, capsys):
    """Measured with a general SVG library."""
    assert photo.run(argparse.Namespace(files=[str(FOLDER / "stencils.jpg")], out=tmp_path, ruler=100.0, relief=False)) == 0
    tools = json.loads(capsys.readouterr().out)["photos"][0]["tools"]
    assert len(tools) == 3
    for n, tool in enumerate(tools, 1):
        drawn = svgelements.SVG.parse(str(tmp_path / f"stencils-{n}.svg"), ppi=25.4)
        left, top, right, bottom = drawn.bbox()
        assert (bottom - top, right - left) == pytest.approx((tool["length_mm"], tool["width_mm"]), abs=0.3)
        assert (tmp_path / f"stencils-{n}.jpg").read_bytes()[:2] == b"\xff\xd8"


def test_a_file_that_shows_no_sheet_is_refused_as_data(tmp_path, capsys):
    Image.new("RGB", (300, 400), "white").save(tmp_path / "blank.png")
    assert photo.run(argparse.Namespace(files=[str(tmp_path / "blank.png")], out=tmp_path, ruler=100.0, relief=False)) == 2
    assert json.loads(capsys.readouterr().out)["error"]["field"] == "photo"
    assert photo.run(argparse.Namespace(files=[str(tmp_path / "none.jpg")], out=tmp_path, ruler=100.0, relief=False)) == 2


def test_the_service_answers_with_the_same_tools(http):
    answer = http.post("/api/photos/tools", content=as_png(scanned_sheet()), headers={"content-type": "application/octet-stream"})
    (tool,) = answer.raise_for_status().json()["tools"]
    assert (tool["length_mm"], tool["width_mm"]) == pytest.approx((40, 40), abs=0.3)
    assert tool["picture"].startswith("data:image/jpeg;base64,")
    assert answer.json()["paper"] == METRIC.paper


@pytest.mark.parametrize(
    ("content", "words"),
    [(b"", "must be a JPEG"), (b"\xff\xd8\xff\xe0 no more", "is damaged"), (as_png(np.full((40, 40), 90, np.uint8)), "markers")],
)
def test_what_is_no_photo_of_the_sheet_is_refused(http, content, words):
    answer = http.post("/api/photos/tools", content=content, headers={"content-type": "application/octet-stream"})
    assert answer.status_code == 422
    assert answer.json()["error"]["field"] == "photo"
    assert words in answer.text


def test_a_bomb_of_pixels_is_refused_before_it_is_unpacked(http):
    out = io.BytesIO()
    Image.new("1", (20_000, 10_000)).save(out, "PNG")
    answer = http.post("/api/photos/tools", content=out.getvalue(), headers={"content-type": "application/octet-stream"})
    assert answer.status_code == 422
    assert "million pixels" in answer.text


def test_phones_formats_are_read_upright_and_no_larger_than_is_measured():
    exif = Image.Exif()
    exif[0x0112] = 6  # a quarter turn
    turned, phone = io.BytesIO(), io.BytesIO()
    Image.new("RGB", (5000, 100), "white").save(turned, "JPEG", exif=exif)
    assert photo_pixels(turned.getvalue()).shape[:2] == (MEASURED_SIDE, 84)
    Image.new("RGB", (320, 240), "white").save(phone, "HEIF")
    assert photo_pixels(phone.getvalue()).shape[:2] == (240, 320)
