"""Registers, a motif in a flap, and templates at true scale."""

import io
import math
import re
from dataclasses import replace

import pypdf
import pytest
import shapely
from hypothesis import given, settings
from hypothesis import strategies as st
from tests.core.builders import build, folder, lay, sheet_row

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.mechanics.alignment.flap import flap_outline, place_in_flap
from lofty_press.core.mechanics.alignment.register import register_of
from lofty_press.core.mechanics.feed.examine import look_at
from lofty_press.core.mechanics.feed.placing import laid, placing_of
from lofty_press.core.sandwich.relief.height_map import no_library
from lofty_press.core.sandwich.stack.view import StackView
from lofty_press.demo.sandwiches import SANDWICHES
from lofty_press.documents.printed.template import bed_template, flap_template, template_svg
from lofty_press.documents.printed.template_pdf import template_pdf


def lines_of(*rows, effect="emboss"):
    return register_of(StackView(build("Register", "midway", effect, *rows)))


class TestRegister:
    def test_card_in_the_hinge_gives_a_blank_strip_of_what_lies_in_it(self):
        """Common practice, no published source: the hinge margin has no pattern."""
        (line,) = register_of(StackView(SANDWICHES["sleeve-in-the-hinge"]))
        sheet = next(p for p in StackView(SANDWICHES["sleeve-in-the-hinge"]).layers if p.is_sheet)
        gap = (155 - sheet.item.length_mm) / 2 + sheet.layer.x_mm
        assert f"{9 - gap:.1f} mm of it is in the hinge" in line.note
        assert line.lead == pytest.approx(gap)

    @pytest.mark.parametrize("turn", [0.0, 90.0, 180.0, 37.0])
    def test_lined_up_as_told_it_is_in_register_however_the_folder_is_turned(self, turn):
        off = laid(SANDWICHES["sleeve-in-the-hinge"], replace(placing_of(StackView(SANDWICHES["sleeve-in-the-hinge"])), turn=turn))
        (line,) = register_of(StackView(off))
        there = tuple(replace(p, x_mm=line.centred[0], y_mm=line.centred[1]) if p.id == line.layer else p for p in off.layers)
        (after,) = register_of(StackView(replace(off, layers=there)))
        assert after.note == ""

    def test_a_motif_off_the_middle_is_told_by_how_much(self):
        (line,) = lines_of(lay("bed"), lay("monogram", x_mm=3, y_mm=-4), sheet_row(x_mm=0), effect="motif")
        assert line.note.startswith("5 mm off")
        assert (line.off_x, line.off_y) == pytest.approx((3, -4), abs=0.01)
        assert line.centred == pytest.approx((0, 0), abs=0.01)

    def test_two_frames_with_one_opening(self):
        rows = (lay("bed"), *folder("cable-sheave", sheet_row()), lay("frame"))
        assert [r.note for r in lines_of(*rows, lay("frame")) if r.kind == "opening"] == [""]
        (shifted,) = [r for r in lines_of(*rows, lay("frame", y_mm=2.5)) if r.kind == "opening"]
        assert "differ by up to 2.5 mm" in shifted.note

    def test_an_empty_sandwich_has_nothing_to_line_up(self):
        assert lines_of() == ()


class TestFlap:
    @settings(max_examples=12)  # a flap is one closed form; each example searches a whole flap
    @given(st.floats(60, 250), st.floats(40, 150), st.floats(1, 8))
    def test_a_disc_sits_where_the_inscribed_circle_does(self, width, depth, radius):
        """Inradius of a triangle: area over half its perimeter (Euclid IV.4)."""
        half = math.hypot(width / 2, depth)
        inradius = (width * depth / 2) / (half + width / 2)
        place = place_in_flap(flap_outline("pointed", width, depth), shapely.Point(0, 0).buffer(radius, 64))
        assert place.room == pytest.approx(inradius - radius, abs=0.12)
        assert place.from_fold == pytest.approx(inradius, abs=0.25)

    def test_the_motif_is_laid_as_its_mirror_image_with_its_top_to_the_fold(self):
        """A flap that hangs down from its fold is read from its outside by walking round it: up stays up, left and right change places."""
        hook = shapely.Polygon([(0, 0), (6, 0), (6, 2), (2, 2), (2, 10), (0, 10)])
        place = place_in_flap(flap_outline("squared", 120, 60, 80), hook)
        assert shapely.Polygon(place.motif).bounds[1] == pytest.approx(place.from_fold - 10, abs=0.02)  # its top lies nearer to the fold
        walked_round = shapely.Polygon([(-right, place.from_fold - down) for right, down in place.motif])
        assert walked_round.symmetric_difference(hook).area < 0.5

    def test_what_does_not_fit_says_by_how_much(self):
        assert place_in_flap(flap_outline("pointed", 60, 30), shapely.box(-40, -20, 40, 20)).room < 0

    @pytest.mark.parametrize(
        ("arguments", "field"),
        [
            (("pointed", 0, 50), "width"),
            (("pointed", 50, math.inf), "depth"),
            (("squared", 50, 50, 80), "tip_width"),
            (("squared", 50, 50), "tip_width"),
        ],
    )
    def test_a_flap_that_is_none_is_refused_by_field(self, arguments, field):
        with pytest.raises(InvalidInput) as refused:
            flap_outline(*arguments)
        assert refused.value.field == field


def strokes(pdf):
    """Every straight line of a PDF's page, with its ends in mm."""
    content = pypdf.PdfReader(io.BytesIO(pdf)).pages[0].get_contents().get_data().decode()
    found = re.findall(r"([\d.]+) ([\d.]+) m ([\d.]+) ([\d.]+) l S", content)
    return [tuple(float(n) * 25.4 / 72 for n in line) for line in found]


class TestTemplate:
    @pytest.mark.parametrize(("unit", "ruler"), [("mm", 100.0), ("in", 101.6)])
    def test_the_ruler_of_the_pdf_is_as_long_as_it_says(self, unit, ruler):
        """PDF 1.7 (ISO 32000): a user space unit is 1/72 inch."""
        pdf = template_pdf(bed_template(look_at(SANDWICHES["ticket-sleeve"], no_library)), unit)
        longest = max(math.hypot(x2 - x1, y2 - y1) for x1, y1, x2, y2 in strokes(pdf))
        assert longest == pytest.approx(ruler, abs=0.01)
        assert ("100 mm" if unit == "mm" else "4 in") in pypdf.PdfReader(io.BytesIO(pdf)).pages[0].extract_text()

    def test_the_svg_is_in_millimetres_and_holds_the_folder_at_its_size(self):
        svg = template_svg(bed_template(look_at(SANDWICHES["ticket-sleeve"], no_library)), "mm")
        width, height, box_width, box_height = re.search(
            r'width="([\d.]+)mm" height="([\d.]+)mm" viewBox="0 0 ([\d.]+) ([\d.]+)"', svg
        ).groups()
        assert (width, height) == (box_width, box_height)
        paths = [[tuple(map(float, p.split())) for p in d[1:].split("L")] for d in re.findall(r'class="inner" d="(M[^h"]+)"', svg)]
        sizes = {(round(max(x for x, _ in p) - min(x for x, _ in p)), round(max(y for _, y in p) - min(y for _, y in p))) for p in paths}
        assert (112, 155) in sizes

    def test_a_flap_fits_on_a_usual_page(self):
        place = place_in_flap(flap_outline("pointed", 160, 80), shapely.Point(0, 0).buffer(15))
        page = pypdf.PdfReader(io.BytesIO(template_pdf(flap_template(place), "mm"))).pages[0]
        assert (round(page.mediabox.width), round(page.mediabox.height)) in {(595, 842), (842, 595)}

    def test_an_empty_bed_has_a_template_too(self):
        empty = replace(SANDWICHES["ticket-sleeve"], layers=(), items={})
        assert template_pdf(bed_template(look_at(empty, no_library)), "mm").startswith(b"%PDF")
