"""Shelf and sandwiches against the real database: kept, changed, copied, deleted, and never lost in silence."""

import copy
import json

import pytest
from tests.service.carried_out import after_edits

from lofty_press.cli.keeping import words


def shelf_entry(http, name):
    (entry,) = [e for e in http.get("/api/shelf").json()["entries"] if (e.get("item") or e.get("press") or e.get("ink"))["name"] == name]
    return entry


def test_the_demo_world_is_there(http):
    shelf = http.get("/api/shelf").json()["entries"]
    counts = {category: sum(e["category"] == category for e in shelf) for category in ("press", "plate", "mat", "tool", "stock", "ink")}
    assert counts["press"] == 3
    assert counts["stock"] == 19
    assert counts["plate"] + counts["mat"] + counts["tool"] >= 30
    assert len(http.get("/api/sandwiches").json()["sandwiches"]) >= 10


def test_a_sandwich_is_kept_changed_and_deleted(http, kept):
    changed = copy.deepcopy(kept["sandwich"])
    changed["passes"] = 2
    answer = http.put(f"/api/sandwiches/{kept['id']}", json={"sandwich": changed, "version": kept["version"]})
    assert answer.status_code == 200
    assert answer.json()["version"] == kept["version"] + 1
    assert http.get(f"/api/sandwiches/{kept['id']}").json()["sandwich"] == changed
    assert http.delete(f"/api/sandwiches/{kept['id']}", params={"version": 2}).status_code == 204
    gone = http.get(f"/api/sandwiches/{kept['id']}")
    assert gone.status_code == 404
    assert gone.json()["error"]["code"] == "not-found"


def test_a_stale_write_is_a_conflict_that_brings_the_newest_state(http, kept):
    mine, theirs = copy.deepcopy(kept["sandwich"]), copy.deepcopy(kept["sandwich"])
    mine["passes"], theirs["passes"] = 2, 3
    address = f"/api/sandwiches/{kept['id']}"
    assert http.put(address, json={"sandwich": theirs, "version": 1}).status_code == 200
    refused = http.put(address, json={"sandwich": mine, "version": 1})
    assert refused.status_code == 409
    assert refused.json()["error"]["current"]["sandwich"]["passes"] == 3
    assert http.get(address).json()["sandwich"]["passes"] == 3
    assert http.delete(address, params={"version": 1}).status_code == 409


def test_sending_the_same_state_again_succeeds_again(http, kept):
    """An answer that got lost on the way can be asked for once more."""
    changed = {**kept["sandwich"], "note": "twice"}
    address = f"/api/sandwiches/{kept['id']}"
    first, again = (http.put(address, json={"sandwich": changed, "version": 1}) for _ in range(2))
    assert (first.status_code, again.status_code) == (200, 200)
    assert first.json()["version"] == again.json()["version"] == 2


def test_a_thickness_corrected_on_the_shelf_holds_in_every_sandwich(http, kept):
    entry = shelf_entry(http, "Rail-lattice folder")
    item = {**entry["item"], "thickness": {"mm": 2.71, "sd_mm": 0.01, "source": "gauge"}}
    corrected = http.put(f"/api/shelf/{entry['id']}", json={"item": item, "version": entry["version"]}).json()
    found = http.get(f"/api/sandwiches/{kept['id']}").json()["sandwich"]["items"]["rail-lattice"]
    assert found["thickness"] == {"mm": 2.71, "sd_mm": 0.01, "source": "gauge"}
    stale = http.put(f"/api/shelf/{entry['id']}", json={"item": entry["item"], "version": entry["version"]})
    assert stale.status_code == 409
    http.put(f"/api/shelf/{entry['id']}", json={"item": entry["item"], "version": corrected["version"]})


def test_a_sandwich_outlives_what_was_taken_off_the_shelf(http, kept):
    original = shelf_entry(http, "Hard plate, west")
    double = http.post(f"/api/shelf/{original['id']}/copy")
    assert double.status_code == 201
    own = double.json()
    sandwich = copy.deepcopy(kept["sandwich"])
    sandwich["items"]["hard-b"] = own["item"]
    http.put(f"/api/sandwiches/{kept['id']}", json={"sandwich": sandwich, "version": 1})
    assert http.delete(f"/api/shelf/{own['id']}", params={"version": 1}).status_code == 204
    record = http.get(f"/api/sandwiches/{kept['id']}").json()
    assert record["gone"] == ["hard-b"]
    assert record["sandwich"]["items"]["hard-b"]["thickness"] == own["item"]["thickness"]
    assert http.post("/api/assess", json=record["sandwich"]).status_code == 200


def test_new_things_of_each_sort_can_be_put_on_the_shelf(http):
    ink = http.post("/api/shelf", json={"ink": {"name": "Test ink", "type": "pigment"}})
    press = http.post("/api/shelf", json={"press": {"name": "Test press", "opening": {"mm": 17.5}}})
    assert (ink.json()["category"], press.json()["category"]) == ("ink", "press")
    for answer in (ink, press):
        assert http.delete(f"/api/shelf/{answer.json()['id']}", params={"version": 1}).status_code == 204


@pytest.mark.parametrize("body", [{}, {"ink": {"name": "x", "type": "dye"}, "press": {"name": "p", "opening": {"mm": 17}}}])
def test_the_shelf_takes_exactly_one_thing_at_a_time(http, body):
    before = len(http.get("/api/shelf").json()["entries"])
    assert http.post("/api/shelf", json=body).status_code == 422
    assert len(http.get("/api/shelf").json()["entries"]) == before


def test_fixes_are_previewed_with_things_from_the_shelf(http):
    wrong = next(s for s in http.get("/api/sandwiches").json()["sandwiches"] if s["name"] == "Sheave on two plates")
    sandwich = http.get(f"/api/sandwiches/{wrong['id']}").json()["sandwich"]
    previews = http.post("/api/assess/fixes", json=sandwich).json()
    fix = next(p["fix"] for p in previews if p["code"] == "two-pads-on-deep-folder")
    assert fix["outcome"]["zone"] == "right"
    assert fix["outcome"]["good"]["chance"] > 0.5
    mended = after_edits(sandwich, fix["edits"])
    names = [mended["items"][layer["item"]]["name"] for layer in mended["layers"]]
    assert names[-1] == "Deep plate"
    assert http.post("/api/assess", json=mended).json()["verdict"]["zone"] == "right"


@pytest.mark.parametrize(("name", "value", "status"), [("unit", "in", 204), ("unit", "cm", 422), ("unit", "", 422), ("tour", "", 204)])
def test_a_choice_is_one_that_there_is(http, name, value, status):
    before = http.get("/api/settings").json()
    answer = http.put(f"/api/settings/{name}", json=value)
    assert answer.status_code == status
    if status == 422:
        assert answer.json()["error"]["field"] == name
        assert http.get("/api/settings").json() == before
    http.put("/api/settings/unit", json=before.get("unit", "mm"))


def test_a_refusal_is_a_sentence_on_the_command_line_too():
    """As it travels: a template and what fills it."""
    told = {
        "error": {"code": "invalid", "message": {"say": "has over {most} files", "fill": {"most": "3"}}, "field": "archive", "got": "4"}
    }
    assert words(json.dumps(told).encode()) == "archive has over 3 files"
    assert words(b"<html>") == "Lofty Press refused without saying why"
    assert words(b"[]") == "Lofty Press refused without saying why"
