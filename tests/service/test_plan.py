"""Jobs over HTTP: kept, changed, planned, taken out as files."""

import io
import json
import time

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


def test_a_card_begins_from_a_recipe_with_its_work_in_its_order(http):
    """Common practice, no published source: the die is inked and pressed, then comes the powder, then heat."""
    start = {"format": "us-a2", "fold": "side", "unit": "in", "count": 6, "effect": "inked-die-powder"}
    record = http.post("/api/jobs/begin", json=start).json()
    assert piece(record["job"], "layer")["runs"][0]["effect"] == "inked-die-powder"
    slots = http.post("/api/jobs/plan", json=record["job"]).json()["schedule"]["slots"]
    keys = [slot["key"] for slot in slots if slot["piece"] == "layer"]
    assert keys == ["layer: trim", "layer: ink + emboss + powder", "layer: heat", "layer: cool", "layer: glue"]
    http.delete(f"/api/jobs/{record['id']}", params={"version": 1})
    refused = http.post("/api/jobs/begin", json={**start, "effect": "gilding"}).json()
    assert refused["error"]["field"] == "effect"


def test_a_pile_that_is_kept_says_what_it_is_for_and_what_its_change_takes(http):
    """The older form: a piece names its sandwich and lists the works of its recipe; the recipe's order stands above that of the list."""
    job = small()
    job["pieces"][0] |= {"works": ["trim", "emboss", "ink", "glue"], "pile": "Timetable, inked"}
    slots = http.post("/api/jobs/plan", json=job).json()["schedule"]["slots"]
    pressed = next(slot for slot in slots if slot["place"] == "press")
    assert pressed["works"] == ["ink", "emboss"]
    assert pressed["start_s"] - pressed["begin_s"] < 120  # plate by plate, each a few seconds


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
    assert {slot["place"] for slot in plan["schedule"]["slots"]} == {"hands", "press", "rack"}
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
    for none in ("soon", "9999-12-31T23:00", "0001-01-01"):  # a calendar counts on from it, and there is no year 10000 for it
        assert http.get(address, params={"kind": "ics", "begin": none}).json()["error"]["field"] == "begin"


def small(**changes):
    """A job of one card out of one stock of ten sheets, with an ink that dries."""
    sheets = [{"size": "8 1/2 x 11", "count": 10, "grain": "upright"}]
    stock = {"key": "s", "name": "Test card", "thickness_mm": 0.3, "grammage_gsm": 250.0, "sheets": sheets}
    works = ["trim", "ink", "dry", "glue"]
    base = {"key": "base", "name": "Base", "kind": "base", "size": "4 x 5", "stock": "s", "works": works}
    return {
        "format": "lofty-press-job",
        "version": 1,
        "name": "Small",
        "unit": "in",
        "count": 12,
        "pieces": [base],
        "stocks": [stock],
        **changes,
    }


@pytest.fixture
def one(http):
    """A kept job, and no paper of its stock afterwards."""
    record = http.post("/api/jobs", json={"job": small()}).json()
    yield record
    version = http.get(f"/api/jobs/{record['id']}").json()["version"]
    http.delete(f"/api/jobs/{record['id']}", params={"version": version})
    for paper in paper_of(http):
        http.delete(f"/api/paper/{paper['id']}", params={"version": paper["version"]})


def paper_of(http):
    """What there is of the small job's stock."""
    return [paper for paper in http.get("/api/paper").json()["paper"] if paper["stock"]["name"] == "Test card"]


def test_what_is_left_is_put_away_once_and_the_next_job_begins_with_it(http, one):
    address = f"/api/jobs/{one['id']}"
    late = http.post(f"{address}/put-away", json={"version": 7})
    assert late.status_code == 409
    assert paper_of(http) == []  # neither was kept
    done = http.post(f"{address}/put-away", json={"version": 1}).json()
    assert (done["job"]["put_away"], done["version"]) == (True, 2)
    (paper,) = paper_of(http)
    whole, *offcuts = paper["stock"]["sheets"]
    assert (whole["count"], whole["size"], whole["offcut"]) == (7, "8 1/2 in x 11 in", False)  # four of 4 x 5 from each
    assert offcuts
    assert all(sheets["offcut"] and sheets["count"] % 3 == 0 and " in" in sheets["size"] for sheets in offcuts)
    again = http.post(f"{address}/put-away", json={"version": 2})
    assert (again.status_code, again.json()["error"]["field"]) == (422, "put_away")
    begun = http.post("/api/jobs/begin", json={"format": "a6", "fold": "side", "unit": "mm", "count": 2}).json()
    try:
        first = next(stock for stock in begun["job"]["stocks"] if stock["name"] == "Test card")
        assert first["sheets"][0] == {"size": "8 1/2 in x 11 in", "count": 7, "grain": "upright", "offcut": False}  # ruled in millimetres
        assert http.post("/api/jobs/plan", json=begun["job"]).json()["cut_list"]["buy"] == {}
    finally:
        http.delete(f"/api/jobs/{begun['id']}", params={"version": begun["version"]})


def test_paper_is_counted_anew_and_refused_by_its_field(http, one):
    stock = small()["stocks"][0]
    kept = http.post("/api/paper", json={"stock": stock, "unit": "in"}).json()
    assert http.post("/api/paper", json={"stock": stock, "unit": "in"}).json()["id"] == kept["id"]
    fewer = {**kept["stock"], "sheets": [{**kept["stock"]["sheets"][0], "count": 2}]}
    changed = http.put(f"/api/paper/{kept['id']}", json={"stock": fewer, "version": kept["version"] + 7})
    assert changed.status_code == 409
    newest = paper_of(http)[0]
    changed = http.put(f"/api/paper/{kept['id']}", json={"stock": fewer, "version": newest["version"]}).json()
    assert changed["stock"]["sheets"] == [{"size": "8 1/2 in x 11 in", "count": 2, "grain": "upright", "offcut": False}]
    odd = {**stock, "sheets": [{"size": "a sheet"}]}
    refused = http.post("/api/paper", json={"stock": odd, "unit": "in"})
    assert (refused.status_code, refused.json()["error"]["field"]) == (422, "stocks.s.sheets.0.size")


def test_hours_follow_what_work_took_and_what_is_going_on(http, one):
    usual = http.post("/api/jobs/plan", json=small()).json()["schedule"]
    assert usual["tempo"] == []
    took = [{"key": "base: trim", "count": 12, "seconds": 2 * (60 + 12 * 20)}] * 20
    change = {"job": small(took=took), "version": 1}
    http.put(f"/api/jobs/{one['id']}", json=change)
    slow = http.post("/api/jobs/plan", json=small()).json()["schedule"]
    trim = next(each for each in slow["tempo"] if each["work"] == "trim")
    assert 1.8 < trim["factor"] < 2.0
    assert trim["seen"] == 20
    assert slow["length_s"] > usual["length_s"]
    going = http.post("/api/jobs/plan", json=small(begun={"base: trim": time.time() - 300})).json()["schedule"]
    slot = next(each for each in going["slots"] if each["key"] == "base: trim")
    assert slot["going"]
    assert (slot["begin_s"], slot["planned_s"]) == (0, next(s for s in slow["slots"] if s["work"] == "trim")["planned_s"])
    assert slot["end_s"] == pytest.approx(slot["planned_s"] - 300, abs=5)


def test_an_envelope_that_fits_is_added_with_its_liner(http):
    plain = {**BODY, "pieces": BODY["pieces"][:2]}
    made = http.post("/api/jobs/envelope", json=plain).json()
    assert [each["kind"] for each in made["pieces"][2:]] == ["envelope", "liner"]
    sizes = {s["key"]: s for s in http.post("/api/jobs/sizes", json=made).json()["sizes"]}
    assert sizes["envelope"]["crossing_mm"][0] == pytest.approx(19.05)
    assert sizes["envelope"]["width_mm"] >= sizes["base"]["height_mm"]
    twice = http.post("/api/jobs/envelope", json=made)
    assert (twice.status_code, twice.json()["error"]["field"]) == (422, "pieces")


def test_a_card_begins_from_a_size_as_people_write_it(http):
    wanted = {"format": "10,5cm x 14.8 cm", "fold": "top", "unit": "mm", "count": 3}
    record = http.post("/api/jobs/begin", json=wanted).json()
    try:
        assert record["job"]["name"] == "Card"
        size = http.post("/api/jobs/sizes", json=record["job"]).json()["sizes"][0]
        assert (size["width_mm"], size["height_mm"], size["cut_height_mm"]) == (105, 148, 296)
    finally:
        http.delete(f"/api/jobs/{record['id']}", params={"version": record["version"]})
    for size in ("10 x 2 yd", "-4 x 5", "4 5/7 x 5 in", "0 x 5"):
        refused = http.post("/api/jobs/begin", json={**wanted, "format": size})
        assert (refused.status_code, refused.json()["error"]["field"]) == (422, "format"), size
