"""Jobs as files, and plans as JSON, calendar, drawing and pages: read back by other libraries."""

import io
import json
import sys
from datetime import datetime, timedelta

import icalendar
import jsonschema
import pytest
from defusedxml import ElementTree
from pypdf import PdfReader

from lofty_press.cli.__main__ import main
from lofty_press.core.basics.errors import InvalidInput
from lofty_press.demo.jobs import COVERS, JOBS
from lofty_press.documents.answers.plan.calendar import calendar_of
from lofty_press.documents.answers.plan.job_file import LARGEST, job_schema, read_job, write_job
from lofty_press.documents.answers.plan.pages_pdf import plan_pdf
from lofty_press.documents.answers.plan.pages_svg import cut_list_svg
from lofty_press.documents.answers.plan.plan import plan_of
from lofty_press.setup.paths import DOCS

POINTS = 72 / 25.4  # in a millimetre


@pytest.fixture(scope="module")
def plan():
    return plan_of(COVERS)


def test_sixty_covers_are_planned_whole(plan):
    sizes = {size.key: (size.width_mm / 25.4, size.height_mm / 25.4) for size in plan.sizes}
    assert sizes["base"] == pytest.approx((4.25, 5.5))
    assert sizes["layer"] == pytest.approx((4, 5.25))
    assert plan.sizes[0].cut_width_mm == pytest.approx(8.5 * 25.4)
    assert plan.sizes[0].scores_mm == pytest.approx([107.95])
    assert plan.cut_list.whole == plan.cut_list.least  # no cut list has fewer sheets
    cut = {key: sum(s.count * sum(p.key == key for p in s.pieces) for s in plan.cut_list.sheets) for key in sizes}
    assert cut == {"base": 60, "layer": 60, "panel": 63, "name": 63}
    starts = {slot.key: slot.start_s for slot in plan.schedule.slots}
    assert (
        starts["panel: mist + emboss"]
        < starts["panel: dry flat"]
        < starts["panel: glue"]
        < starts["base: assemble"]
        < starts["base: address"]
    )
    assert plan.schedule.length_s <= 1.05 * plan.schedule.bound_s
    assert str(plan.post.envelope) == "US A2 envelope"


@pytest.mark.parametrize("name", JOBS)
def test_a_job_comes_back_as_it_went_out(name):
    text = write_job(JOBS[name])
    assert read_job(text.encode()) == JOBS[name]
    jsonschema.validate(json.loads(text), job_schema())


def changed(**fields):
    return json.dumps({**json.loads(write_job(COVERS)), **fields}).encode()


def with_piece(n, **fields):
    pieces = json.loads(write_job(COVERS))["pieces"]
    pieces[n] |= fields
    return changed(pieces=pieces)


@pytest.mark.parametrize(
    ("data", "field"),
    [
        (b"no json", "file"),
        (b"[" * 100_000, "file"),
        (b" " * (LARGEST + 1), "file"),
        (changed(format="other"), "format"),
        (changed(count=0), "count"),
        (changed(count=20_000), "count"),
        (changed(pieces=[]), "pieces"),
        (changed(surprise=1), "surprise"),
        (changed(wanted=[{"first": "panel: glue", "then": "panel: trim"}]), "wanted"),
        (with_piece(1, border="3 5/7"), "pieces.layer.border"),
        (with_piece(1, border="3"), "pieces.layer.border"),
        (with_piece(1, border="-1/8"), "pieces.layer.border"),
        (with_piece(0, size="4 1/4"), "pieces.base.size"),
        (with_piece(0, size="40 x 50"), "pieces.base.size"),
        (with_piece(0, stock="velvet"), "pieces.base.stock"),
        (with_piece(1, on="nothing"), "pieces.layer.on"),
        (with_piece(1, works=["fly"]), "pieces.1.works.0"),
    ],
)
def test_bad_input_is_refused_by_its_field(data, field):
    with pytest.raises(InvalidInput) as refused:
        plan_of(read_job(data), seconds=0.5)
    assert refused.value.field == field


def test_the_calendar_reads_back(plan):
    """By icalendar: an event for each operation, at its time, without overlap of the one pair of hands."""
    begin = datetime(2026, 12, 5, 13, 0)
    read = icalendar.Calendar.from_ical(calendar_of(plan, begin, "in"))
    events = sorted(read.walk("VEVENT"), key=lambda event: event.decoded("dtstart"))
    assert len(events) == len(plan.schedule.slots)
    assert events[0].decoded("dtstart") == begin
    assert max(e.decoded("dtend") for e in events) == begin + timedelta(seconds=plan.schedule.length_s)
    assert len({str(event["uid"]) for event in events}) == len(events)
    assert {str(e["location"]) for e in events if "location" in e} == {"Midway"}


@pytest.mark.parametrize(("unit", "paper"), [("in", (8.5 * 25.4, 11 * 25.4)), ("mm", (210, 297))])
def test_the_plan_is_printed_on_paper_that_people_have_in_typefaces_that_ship_with_it(plan, unit, paper):
    """By pypdf: pages in points, 1/72 in each; A4 by ISO 216, letter by ANSI Y14.1."""
    reader = PdfReader(io.BytesIO(plan_pdf(plan, COVERS, unit)))
    fonts = set()
    for page in reader.pages:
        assert (float(page.mediabox.width), float(page.mediabox.height)) == pytest.approx([side * POINTS for side in paper], abs=0.6)
        fonts |= {str(font.get_object()["/BaseFont"]).partition("+")[2] for font in page["/Resources"]["/Font"].values()}
    assert {"InstrumentSans", "InstrumentSansBold", "BricolageGrotesqueBold"} <= fonts
    told = "".join(page.extract_text() for page in reader.pages)
    assert "Sixty programme covers" in told
    assert "Carriage kraft: 30 sheets of" in told
    assert "Sheave panel, mist, emboss, piece by piece × 63 · Midway: Sheave programme cover" in told
    if unit == "in":
        assert "8 1/2 in x 5 1/2 in, score at 4 1/4 in" in told
        assert "5 1/2 in\ncut 1" in told


def test_the_drawing_holds_every_piece_and_cut(plan):
    root = ElementTree.fromstring(cut_list_svg(plan))
    shapes = [element for element in root.iter() if element.get("class")]
    count = {name: sum(element.get("class") == name for element in shapes) for name in ("piece", "cut", "tag", "sheet")}
    assert count["piece"] == sum(len(sheet.pieces) for sheet in plan.cut_list.sheets)
    assert count["cut"] == count["tag"] == sum(len(sheet.cuts) for sheet in plan.cut_list.sheets)
    assert root.get("width").endswith("mm")


def test_the_command_prints_the_plan_and_writes_its_files(tmp_path, monkeypatch, capsys):
    out = [tmp_path / f"plan.{kind}" for kind in ("pdf", "svg", "ics")]
    file = DOCS / "examples" / "programme-covers.job.json"
    words = [str(file), "--pdf", str(out[0]), "--svg", str(out[1]), "--ics", str(out[2]), "--begin", "2026-12-05T13:00"]
    monkeypatch.setattr(sys, "argv", ["lofty", "plan", *words])
    assert main() == 0
    assert json.loads(capsys.readouterr().out)["cut_list"]["proven"]
    assert [path.read_bytes()[:5] for path in out] == [b"%PDF-", b"<?xml", b"BEGIN"]
    for wrong, field in (
        (["nowhere.json"], "file"),
        ([str(file), "--begin", "soon"], "begin"),
        ([str(file), "--pdf", str(tmp_path)], "out"),
    ):
        monkeypatch.setattr(sys, "argv", ["lofty", "plan", *wrong])
        assert main() == 2
        assert json.loads(capsys.readouterr().out)["error"]["field"] == field
