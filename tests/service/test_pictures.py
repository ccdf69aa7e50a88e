"""Pictures of things: kept once, bare of what a camera wrote, turned; on the run card."""

import io

import numpy as np
import pypdf
import pytest
from PIL import Image

from lofty_press.siege.target import by_name


def picture(size=(90, 30), **more):
    image = Image.new("RGB", size, "#ffffff")
    image.paste("#c02010", (0, 0, size[0] // 3, size[1]))  # red on its left
    file = io.BytesIO()
    image.save(file, "JPEG", quality=95, **more)
    return file.getvalue()


def shown(http, key):
    answer = http.get(f"/api/pictures/{key}").raise_for_status()
    assert answer.headers["content-type"] == "image/jpeg"
    return Image.open(io.BytesIO(answer.content))


def test_a_picture_is_kept_once_without_place_and_camera(http):
    exif = Image.Exif()
    exif[0x010F], exif[0xA431] = "a camera", "serial 1234"
    first, again = (
        http.post("/api/pictures", content=picture(**more)).json()["id"] for more in ({"exif": exif, "comment": b"at home"}, {})
    )
    assert first == again
    kept = shown(http, first)
    assert not dict(kept.getexif())
    assert b"serial" not in http.get(f"/api/pictures/{first}").content
    assert http.get("/api/pictures/none").status_code == 404


@pytest.mark.parametrize(
    ("turns", "size", "red"), [(0, (90, 30), (15, 15)), (1, (30, 90), (15, 15)), (2, (90, 30), (75, 15)), (3, (30, 90), (15, 75))]
)
def test_it_is_turned_to_the_right(http, turns, size, red):
    key = http.post("/api/pictures", content=picture(), params={"quarter_turns": turns}).json()["id"]
    kept = shown(http, key)
    assert kept.size == size
    assert np.allclose(kept.getpixel(red), (0xC0, 0x20, 0x10), atol=12)


@pytest.mark.parametrize("content", [b"no picture", b"\xff\xd8\xff" + bytes(50), b"%PDF-1.7"])
def test_what_is_no_picture_is_refused_in_words(http, content):
    answer = http.post("/api/pictures", content=content)
    assert (answer.status_code, answer.json()["error"]["field"]) == (422, "photo")


def test_the_run_card_shows_the_tool_by_its_picture(http):
    sandwich = by_name(http, "Lattice ticket sleeve")
    key = http.post("/api/pictures", content=picture()).json()["id"]
    tool = next(name for name, item in sandwich["items"].items() if "folder" in item["kind"])

    def images(picture):
        items = {**sandwich["items"], tool: {**sandwich["items"][tool], "picture": picture}}
        page = http.post("/api/cards/pdf", json={**sandwich, "items": items}).raise_for_status()
        return [each.image for each in pypdf.PdfReader(io.BytesIO(page.content)).pages[0].images]

    (photo,) = images(key)
    assert photo.size == (30, 90)  # turned with the feed from left to right
    (relief,) = images("gone")  # a picture that is not kept here: its relief stands in
    assert relief.size != photo.size
