"""Run cards on paper, cutting files, photos, shelf files."""

import io
import json
import struct
import zlib
from dataclasses import replace

import numpy as np
import pypdf
import pytest
from PIL import Image
from svgelements import SVG, Path

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.judging.assess import assess
from lofty_press.core.working.recipes.catalogue import EFFECTS
from lofty_press.core.working.steps.write import write_card
from lofty_press.demo.effects import SHOWN, example_of
from lofty_press.demo.presses import PRESSES
from lofty_press.demo.reliefs.library import demo_relief
from lofty_press.demo.sandwiches import SANDWICHES, SHELF
from lofty_press.demo.shelf import INKS
from lofty_press.documents.answers.order_loss import order_loss
from lofty_press.documents.answers.run_card import card_text
from lofty_press.documents.files.cutting_file import cutting_svg
from lofty_press.documents.files.shelf_file import ShelfFile, read_shelf_file, write_shelf_file
from lofty_press.documents.photos.photo import KEPT_SIDE, read_photo
from lofty_press.documents.pictures.effect_picture import effect_picture
from lofty_press.documents.pictures.shipped_pictures import picture_of
from lofty_press.documents.printed.run_card_pdf import run_card_pdf


def flat(text):
    return "".join(text.split())


@pytest.mark.parametrize("key", ["programme-cover", "tracery-cut", "copper-plaque", "two-plates", "timetable-print"])
def test_the_pdf_is_one_page_of_a4_and_holds_every_step(key):
    """A4 is 210 x 297 mm (ISO 216); read back by a reader of its own."""
    card = write_card(assess(SANDWICHES[key]))
    pages = pypdf.PdfReader(io.BytesIO(run_card_pdf(card, SANDWICHES[key]))).pages
    assert len(pages) == 1
    box = pages[0].mediabox
    assert (float(box.width) / 72 * 25.4, float(box.height) / 72 * 25.4) == (pytest.approx(210, abs=0.1), pytest.approx(297, abs=0.1))
    read = flat(pages[0].extract_text())
    for step in card.steps:
        assert flat(step.text) in read
        assert all(flat(care) in read for care in step.care)
    for item in SANDWICHES[key].items.values():
        assert flat(item.name) in read


def test_a_name_that_the_font_lacks_or_that_looks_like_markup_does_no_harm():
    odd = replace(SANDWICHES["ticket-sleeve"], name="Ярлык <b>&amp; 標籤 " + "x" * 90)
    read = pypdf.PdfReader(io.BytesIO(run_card_pdf(write_card(assess(odd)), odd))).pages[0].extract_text()
    assert "<b>" in read


def test_the_text_numbers_the_steps_through():
    card = write_card(assess(SANDWICHES["programme-cover"]))
    lines = card_text(card).splitlines()
    numbers = [int(line.split(".")[0]) for line in lines if line[:3].strip(" .").isdigit() and line[2:4] == ". "]
    assert numbers == list(range(1, len(card.steps) + 1))
    assert max(map(len, lines)) <= 78


def test_a_cutting_file_is_true_to_scale():
    frame = SHELF["frame"]
    svg = cutting_svg(frame)
    shapes = [p for p in SVG.parse(io.StringIO(svg), ppi=25.4).elements() if isinstance(p, Path)]
    sizes = sorted((round(b[2] - b[0], 2), round(b[3] - b[1], 2)) for b in (p.bbox() for p in shapes))
    assert (frame.width_mm, frame.length_mm) in sizes
    assert (64.0, 92.0) in sizes
    assert any(wide == 50.0 for wide, _ in sizes)  # the ruler


def picture(size, kind="JPEG", **more):
    file = io.BytesIO()
    Image.fromarray(np.random.default_rng(3).integers(0, 255, (size[1], size[0], 3), dtype=np.uint8)).save(file, kind, **more)
    return file.getvalue()


def test_a_photo_is_made_smaller_upright_and_rid_of_what_the_camera_wrote():
    exif = Image.Exif()
    exif[0x0112] = 6  # Orientation: turn a quarter clockwise (Exif 2.3, from memory)
    exif[0x010F] = "Camera"
    kept = Image.open(io.BytesIO(read_photo(picture((2400, 1200), exif=exif))))
    assert kept.size == (KEPT_SIDE // 2, KEPT_SIDE)
    assert dict(kept.getexif()) == {}


def test_nothing_that_a_program_wrote_beside_the_pixels_is_kept():
    """Comments, colour profiles, XMP: the markers of JPEG's application and comment segments (ITU-T T.81, B.2.4.5 and B.2.4.6; from memory)."""
    xmp = b"http://ns.adobe.com/xap/1.0/\0<x:xmpmeta>here</x:xmpmeta>"
    data = picture((60, 40), comment=b"taken at home", icc_profile=b"x" * 200, xmp=xmp)
    assert b"taken at home" in data
    kept = read_photo(data)
    assert b"taken at home" not in kept
    assert b"xmpmeta" not in kept
    segments = {
        kept[at + 1]
        for at in range(len(kept) - 1)
        if (kept[at] == 0xFF and 0xE1 <= kept[at + 1] <= 0xEF) or kept[at : at + 2] == b"\xff\xfe"
    }
    assert segments == set()


@pytest.mark.parametrize("kind", ["PNG", "WEBP"])
def test_other_photo_types_are_kept_as_jpeg(kind):
    assert Image.open(io.BytesIO(read_photo(picture((60, 40), kind)))).format == "JPEG"


@pytest.mark.parametrize("data", [b"", b"not a picture", b"GIF89a" + b"\0" * 50, picture((80, 80))[:300], b"\0" * 12_000_001])
def test_what_is_no_photo_is_refused_by_name(data):
    with pytest.raises(InvalidInput) as refusal:
        read_photo(data)
    assert refusal.value.field == "photo"


def test_a_bomb_of_pixels_is_refused_before_it_is_unpacked():
    file = io.BytesIO()
    Image.new("1", (30, 30)).save(file, "PNG")
    small = file.getvalue()
    header = b"IHDR" + struct.pack(">II", 30_000, 30_000) + small[24:29]  # PNG, ISO/IEC 15948, 11.2.2
    bomb = small[:12] + header + struct.pack(">I", zlib.crc32(header)) + small[33:]
    with pytest.raises(Image.DecompressionBombError):
        Image.open(io.BytesIO(bomb))
    with pytest.raises(InvalidInput, match="million pixels"):
        read_photo(bomb)


def test_a_shelf_file_comes_back_the_same():
    shelf = ShelfFile(presses=PRESSES, items=SHELF, inks=INKS)
    assert read_shelf_file(write_shelf_file(shelf).encode()) == shelf


@pytest.mark.parametrize(
    ("change", "field"),
    [
        (lambda s: s.update(format="x"), "format"),
        (lambda s: s.update(version=2), "version"),
        (lambda s: s["items"]["bed"]["thickness"].update(mm=-1), "items.bed.thickness.mm"),
        (lambda s: s["items"]["rail-lattice"].update(relief=None), "items.rail-lattice.relief"),
        (lambda s: s.pop("presses"), "presses"),
    ],
)
def test_a_wrong_shelf_file_names_the_field(change, field):
    content = json.loads(write_shelf_file(ShelfFile(presses=PRESSES, items=SHELF, inks=INKS)))
    change(content)
    with pytest.raises(InvalidInput) as refusal:
        read_shelf_file(json.dumps(content).encode())
    assert refusal.value.field == field


def test_every_effect_has_its_picture():
    assert set(SHOWN) == set(EFFECTS)
    for key in EFFECTS:
        assert Image.open(io.BytesIO(picture_of(key))).size == (488, 360)
    assert picture_of("../shelf") is None


@pytest.mark.siege
@pytest.mark.parametrize("key", ["masked-relief", "die-line"])
def test_the_pictures_that_ship_are_what_the_computation_gives(key):
    fresh, shipped = (
        np.asarray(Image.open(io.BytesIO(data)).convert("L"), dtype=float)
        for data in (effect_picture(example_of(key), demo_relief), picture_of(key))
    )
    assert np.abs(fresh - shipped).mean() < 4.0


def test_cutting_afterwards_costs_relief():
    """Common practice, no published source: cut first, then emboss."""
    loss = order_loss(SANDWICHES["ticket-sleeve"], demo_relief)
    assert 0.1 < loss.kept_share < 0.95
    assert loss.cut_after_mm == pytest.approx(loss.kept_share * loss.cut_first_mm, abs=2e-3)
    with pytest.raises(InvalidInput):
        order_loss(SANDWICHES["arch-cut"], demo_relief)
