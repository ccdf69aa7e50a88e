"""Jobs over HTTP: kept, changed, planned, taken out as files."""

import io
import json

import icalendar
import pytest
from pypdf import PdfReader

from lofty_press.demo.jobs import COVERS

BODY = json.loads(COVERS.model_dump_json())


@pytest.fixture
def job(http):
    """A fresh copy of the covers."""
    record = http.post("/api/jobs", json={"job": BODY}).json()
    yield record
    now = http.get(f"/api/jobs/{record['id']}")
    if now.is_success:
        http.delete(f"/api/jobs/{record['id']}", params={"version": now.json()["version"]})


def piece(job, key):
    return next(piece for piece in job["pieces"] if piece["key"] == key)


def test_the_press_rooms_job_is_there_and_a_new_one_is_kept_changed_and_deleted(http, job):
    listed = http.get("/api/jobs").json()["jobs"]
    assert [(each["name"], each["count"]) for each in listed] == [("Sixty programme covers", 60)] * 2
    address = f"/api/jobs/{job['id']}"
    assert http.get(address).json() == job
    changed = http.put(address, json={"job": {**job["job"], "count": 40}, "version": 1}).json()
    assert (changed["version"], changed["job"]["count"]) == (2, 40)
    late = http.put(address, json={"job": {**job["job"], "count": 20}, "version": 1})
    assert late.status_code == 409
    assert late.json()["error"]["code"] == "conflict"
    assert json.loads(json.loads(http.get(f"{address}/raw").content)["body"])["count"] == 40
    assert http.delete(address, params={"version": 2}).status_code == 204
    assert http.get(address).status_code == 404


def test_a_card_begins_from_a_format_with_what_is_on_the_shelf(http):
    formats = {each["key"]: each for each in http.get("/api/jobs/formats").json()["formats"]}
    assert (formats["us-a2"]["width_mm"], formats["us-a2"]["use"]) == (107.95, "card")
    record = http.post("/api/jobs/begin", json={"format": "a6", "fold": "side", "unit": "mm", "count": 12}).json()
    try:
        assert [each["key"] for each in record["job"]["pieces"]] == ["base", "layer"]
        assert len(record["job"]["stocks"]) > 3
        plan = http.post("/api/jobs/plan", json=record["job"]).json()
        assert [(s["width_mm"], s["height_mm"]) for s in plan["sizes"]] == [(105, 148), (99, 142)]
        assert plan["sizes"][0]["cut_width_mm"] == 210
    finally:
        http.delete(f"/api/jobs/{record['id']}", params={"version": record["version"]})
    refused = http.post("/api/jobs/begin", json={"format": "dl", "fold": "side", "unit": "mm", "count": 12})
    assert (refused.status_code, refused.json()["error"]["field"]) == (422, "format")


def test_one_size_changes_and_borders_or_all_sizes_follow(http):
    wanted = {"job": BODY, "piece": "layer", "size": "3 3/4 x 5", "follows": "borders"}
    narrower = http.post("/api/jobs/resize", json=wanted).json()
    assert piece(narrower, "layer")["border"] == "1/4"
    assert piece(narrower, "base")["size"] == "us-a2"  # what did not change stays as it was written
    grown = http.post("/api/jobs/resize", json={**wanted, "size": "5 x 7", "follows": "sizes"}).json()
    assert (piece(grown, "base")["size"], piece(grown, "layer")["size"]) == (None, "5 x 7")
    sizes = {s["key"]: (s["width_mm"] / 25.4, s["height_mm"] / 25.4) for s in http.post("/api/jobs/sizes", json=grown).json()["sizes"]}
    assert sizes["base"] == pytest.approx((5.25, 7.25))
    odd = http.post("/api/jobs/resize", json={**wanted, "size": "3 63/64 x 5"}).json()
    assert piece(odd, "layer")["border"] == {"left": "1/8", "right": "9/64", "top": "1/4", "bottom": "1/4"}


def test_the_whole_plan_comes_in_one_answer(http):
    plan = http.post("/api/jobs/plan", json=BODY).json()
    assert plan["cut_list"]["whole"] == plan["cut_list"]["least"]
    assert plan["schedule"]["bound_s"] <= plan["schedule"]["length_s"]
    assert {slot["place"] for slot in plan["schedule"]["slots"]} == {"hands", "press", "heat"}
    assert all(pair["why"] for pair in plan["order"])


@pytest.mark.parametrize(
    ("change", "field"),
    [
        ({"pieces": [{**BODY["pieces"][0], "size": "3 5/7 x 4"}]}, "pieces.base.size"),
        ({"pieces": [BODY["pieces"][0], {**BODY["pieces"][1], "border": "3"}]}, "pieces.layer.border"),
        ({"wanted": [{"first": "panel: glue", "then": "panel: trim"}]}, "wanted"),
        ({"count": 0}, "count"),
    ],
)
def test_what_cannot_be_planned_is_refused_by_its_field(http, change, field):
    answer = http.post("/api/jobs/plan", json={**BODY, **change})
    assert (answer.status_code, answer.json()["error"]["field"]) == (422, field)


def test_a_plan_goes_out_as_pages_drawing_and_calendar(http, job):
    address = f"/api/jobs/{job['id']}/file"
    pages = PdfReader(io.BytesIO(http.get(address, params={"kind": "pdf", "unit": "in"}).content))
    assert "Sixty programme covers" in pages.pages[0].extract_text()
    assert http.get(address, params={"kind": "svg"}).headers["content-type"].startswith("image/svg+xml")
    calendar = http.get(address, params={"kind": "ics", "begin": "2026-12-05T13:00"})
    events = icalendar.Calendar.from_ical(calendar.content).walk("VEVENT")
    assert min(event.decoded("dtstart") for event in events).isoformat() == "2026-12-05T13:00:00"
    assert http.get(address, params={"kind": "ics", "begin": "soon"}).json()["error"]["field"] == "begin"
