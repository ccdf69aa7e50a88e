"""Spoiled sheets over HTTP and at the command line."""

import base64
import io
import json
import sys

import numpy as np
import pytest
from PIL import Image
from pypdf import PdfReader
from skimage.metrics import structural_similarity

from lofty_press.cli.__main__ import main
from lofty_press.core.teaching.coach import CAUSES, lesson_of
from lofty_press.demo.sandwiches import SANDWICHES
from lofty_press.documents.files.sandwich_file import SANDWICH
from lofty_press.setup.paths import DOCS

COVER = SANDWICH.dump_python(SANDWICHES["programme-cover"], mode="json")
FILE = str(DOCS / "examples" / "programme-cover.lofty.json")


def test_causes_come_ranked_with_their_piles_and_cures(http):
    everything = http.post("/api/coach", json={"sandwich": COVER}).json()
    assert everything["seen"] is None
    assert {sight["key"] for sight in everything["sights"]} >= {"faint", "strip", "cracked", "warped"}
    found = http.post("/api/coach", json={"sandwich": COVER, "seen": "cracked"}).json()
    chances = [cause["chance"] for cause in found["causes"]]
    assert chances == sorted(chances, reverse=True)
    assert sum(chances) + found["none"] == pytest.approx(1.0, abs=0.01)
    first = found["causes"][0]
    assert first["key"] == "mist forgotten"
    assert first["pictured"]
    assert first["lay"] != COVER


@pytest.mark.parametrize(
    ("change", "field"),
    [
        ({"seen": "gone"}, "seen"),
        ({"seen": "right"}, "seen"),
        ({"seen": "strip", "at": [900.0, 0.0]}, "at"),
        ({"seen": "strip", "at": [1.0]}, "at"),
        ({"felt": "cold"}, "felt"),
        ({"picked": "as laid"}, "picked"),
        ({"settled": {"stars": True}}, "settled"),
        ({"settled": {"layers": "perhaps"}}, "settled"),
        ({"sandwich": {**COVER, "layers": COVER["layers"][:1]}}, "layers"),
    ],
)
def test_what_cannot_be_answered_is_refused_by_its_field(http, change, field):
    answer = http.post("/api/coach", json={"sandwich": COVER, **change})
    assert answer.status_code == 422
    assert answer.json()["error"]["field"].startswith(field)


def test_a_picture_what_was_felt_and_a_look_narrow_it_down(http):
    def chances(**said):
        found = http.post("/api/coach", json={"sandwich": COVER, **said}).json()
        return {cause["key"]: cause["chance"] for cause in found["causes"]}, found

    picked, _ = chances(picked="too thin", seen="faint")
    felt, found = chances(picked="too thin", seen="faint", felt="easy")
    assert felt["too thin"] > picked["too thin"] > 0.5
    first = found["causes"][0]
    assert first["cure"]["edits"]
    assert first["right"] > 0.7
    assert first["cure"]["outcome"]["zone"] == "right"
    _, two = chances(seen="other side")
    assert two["look"]["key"] == "turn over"
    settled, _ = chances(seen="other side", settled={"turn over": False})
    assert settled.get("folder turned", 0.0) < 0.5
    _, stuck = chances(seen="no feed")
    plate = next(cause for cause in stuck["causes"] if cause["key"] == "plate too much")
    assert plate["over_mm"] > 3.0  # a deep plate thicker


def test_a_run_keeps_what_went_wrong_and_teaches_by_the_pile_that_truly_lay(http):
    body = {"sandwich": COVER, "result": "faint", "cause": "hinge"}
    run = http.post("/api/runs", json={"state": "finished", "body": body}).json()
    assert run["body"]["cause"] == "hinge"
    change = {"state": "finished", "body": {**run["body"], "cause": "no such thing"}, "version": run["version"]}
    refused = http.put(f"/api/runs/{run['id']}", json=change)
    assert (refused.status_code, refused.json()["error"]["field"]) == (422, "body.cause")
    http.delete(f"/api/runs/{run['id']}", params={"version": run["version"]})
    meant = SANDWICHES["programme-cover"]
    assert lesson_of(meant, None) == meant == lesson_of(meant, "too thin") == lesson_of(meant, "of another version")
    assert lesson_of(meant, "cut after") is None
    lay = lesson_of(meant, "mist forgotten")
    sheet = next(layer for layer in lay.layers if layer.role == "sheet")
    assert sheet.mist_age_s is None


def picture(http, sandwich, **query):
    answer = http.post("/api/coach/picture", params=query, json=sandwich).json()
    body = base64.b64decode(answer["png"].removeprefix("data:image/png;base64,"))
    return np.asarray(Image.open(io.BytesIO(body)).convert("L"), dtype=float), answer


def test_a_fault_looks_otherwise_than_the_right_sheet_and_where_it_is(http):
    """Structural similarity (Wang et al. 2004; scikit-image) between the right sheet and the one that lay in the hinge: least at the hinge."""
    right, told = picture(http, COVER)
    assert right.shape == tuple(told["cells"])
    found = http.post("/api/coach", json={"sandwich": COVER}).json()["causes"]
    hinge = next(cause for cause in found if cause["key"] == "hinge")
    wrong, _ = picture(http, hinge["lay"])
    rows, columns = (min(a, b) for a, b in zip(right.shape, wrong.shape, strict=True))
    alike, where = structural_similarity(right[:rows, :columns], wrong[:rows, :columns], data_range=255.0, full=True)
    same, _ = picture(http, COVER)
    assert structural_similarity(right, same, data_range=255.0) == pytest.approx(1.0)
    assert alike < 0.9
    ahead, behind = where[: rows // 4].mean(), where[-rows // 4 :].mean()
    assert min(ahead, behind) < alike


def test_what_no_pile_presses_is_drawn_on_the_sheet_and_has_a_place_among_the_pictures(http):
    found = {cause["key"]: cause for cause in http.post("/api/coach", json={"sandwich": COVER}).json()["causes"]}
    taped = found["tape pressed"]
    assert (taped["pictured"], taped["marked"], taped["lay"]) == (True, True, COVER)
    assert (found["as laid"]["pictured"], found["hinge"]["marked"]) == (False, False)
    right, _ = picture(http, COVER)
    wrong, _ = picture(http, taped["lay"], cause="tape pressed")
    assert structural_similarity(right, wrong, data_range=255.0) < 0.999
    said = {"sandwich": COVER, "picked": "tape pressed", "seen": "tape"}
    assert http.post("/api/coach", json=said).json()["causes"][0]["key"] == "tape pressed"
    unknown = http.post("/api/coach/picture", params={"cause": "gremlins"}, json=COVER)
    assert (unknown.status_code, unknown.json()["error"]["field"]) == (422, "cause")


def test_a_sheet_that_is_known_to_have_cracked_shows_where(http):
    """The stock's torn fibres are lighter than its face; where it was stretched most, and nowhere else."""
    whole, _ = picture(http, COVER)
    cracked, _ = picture(http, COVER, cracked=True)
    lighter = cracked - whole > 20
    assert 0 < lighter.mean() < 0.05
    assert not (cracked < whole - 1).any()
    fine, _ = picture(http, COVER, fine=True)
    assert fine.shape[0] > 1.5 * whole.shape[0]


def page_of(http, **wanted):
    answer = http.post("/api/coach/sheet", json={"sandwich": COVER, **wanted})
    assert (answer.status_code, answer.headers["content-type"]) == (200, "application/pdf"), answer.text
    pages = PdfReader(io.BytesIO(answer.content)).pages
    assert len(pages) == 1
    return pages[0].extract_text(), len(pages[0].images)


def test_a_teaching_sheet_reads_back_with_both_sheets(http):
    text, pictures = page_of(http, cause="hinge")
    for told in (
        "The card was in the hinge",
        "As it should be",
        "Line the card up with the pattern's line",
        "Cable-sheave folder",
        "makers",
    ):
        assert told in text
    assert pictures == 2
    text, pictures = page_of(http, cause="plate too much")
    assert "It doesn't go through" in text
    assert pictures == 1
    text, pictures = page_of(http)
    assert "Sheave programme cover" in text
    assert pictures == 1
    text, pictures = page_of(http, other=SANDWICH.dump_python(SANDWICHES["arch-cut"], mode="json"))
    assert "Station arch, cut" in text
    assert pictures == 2


@pytest.mark.parametrize(
    ("change", "field"),
    [
        ({"cause": "gremlins"}, "cause"),
        ({"cause": "ink dried"}, "cause"),
        ({"cause": "hinge", "other": COVER}, "other"),
        ({"sandwich": {**COVER, "layers": COVER["layers"][:1]}}, "layers"),
    ],
)
def test_a_teaching_sheet_that_cannot_be_made_is_refused_by_its_field(http, change, field):
    answer = http.post("/api/coach/sheet", json={"sandwich": COVER, **change})
    assert answer.status_code == 422
    assert answer.json()["error"]["field"].startswith(field)


def told(capsys, *arguments):
    sys.argv = ["lofty", "coach", *arguments]
    code = main()
    return code, json.loads(capsys.readouterr().out)


def test_the_command_ranks_causes_and_lists_them(capsys, monkeypatch, tmp_path):
    monkeypatch.setattr(sys, "argv", sys.argv)
    code, listed = told(capsys, "--causes")
    assert (code, {cause["key"] for cause in listed["causes"]}) == (0, set(CAUSES))
    code, found = told(capsys, FILE, "--seen", "tape")
    assert (code, found["causes"][0]["key"]) == (0, "tape pressed")
    code, refused = told(capsys, FILE, "--seen", "strip", "--at", "here")
    assert (code, refused["error"]["field"]) == (2, "at")
    code, found = told(capsys, FILE, "--seen", "other side", "--felt", "as ever", "--looked", "turn over=yes")
    assert (code, found["causes"][0]["look"]["key"]) == (0, "turn over")
    code, _ = told(capsys, FILE, "--sheet", str(tmp_path / "page.pdf"), "--cause", "hinge", "--unit", "in")
    assert (code, "hinge" in PdfReader(tmp_path / "page.pdf").pages[0].extract_text()) == (0, True)
    code, refused = told(capsys, FILE, "--looked", "turn over")
    assert (code, refused["error"]["field"]) == (2, "looked")
    code, refused = told(capsys, "--seen", "strip")
    assert (code, refused["error"]["field"]) == (2, "file")
