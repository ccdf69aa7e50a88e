"""Recipes, run cards and runs over HTTP, against the real database."""

import io
import json

import numpy as np
import pypdf
import pytest
from PIL import Image
from tests.service.carried_out import after_edits

from lofty_press.documents.answers.words import read_out


@pytest.fixture
def shelf(http):
    return http.get("/api/shelf").json()["entries"]


def id_of(shelf, name):
    return next(e["id"] for e in shelf if (e["press"] or e["item"] or e["ink"])["name"] == name)


def search(http, shelf, effect="plain-relief", stock="Ridge green card", press="Midway", **wish):
    body = {"press_id": id_of(shelf, press), "wish": {"effect": effect, "stock": id_of(shelf, stock), **wish}}
    return http.post("/api/recipes/search", json=body)


def test_effects_are_listed_with_their_pictures(http):
    effects = http.get("/api/recipes/effects").json()
    assert len(effects) >= 20
    for effect in effects:
        picture = http.get(f"/api/recipes/effects/{effect['key']}/picture")
        assert picture.headers["content-type"] == "image/webp"
        assert effect["ways"]
    assert http.get("/api/recipes/effects/none/picture").status_code == 404


def test_a_wish_is_answered_from_the_shelf_with_sandwiches_that_can_be_kept_and_judged(http, shelf):
    answer = search(http, shelf).json()
    best = answer["found"][0]
    assert best["before_next"].startswith(("Ahead", "As good"))
    assert http.post("/api/assess", json=best["sandwich"]).json()["verdict"]["zone"] == "right"
    assert {item["shelf_id"] for item in best["sandwich"]["items"].values()} <= {e["id"] for e in shelf}
    kept = http.post("/api/sandwiches", json={"sandwich": best["sandwich"]}).json()
    assert kept["gone"] == []
    assert kept["sandwich"]["recipe"] == "plain-relief/two-plates"
    http.delete(f"/api/sandwiches/{kept['id']}", params={"version": kept["version"]})


def test_a_sheet_trimmed_for_the_press_stays_trimmed_when_the_sandwich_is_read_again(http, shelf):
    best = search(http, shelf, press="Foothill").json()["found"][0]["sandwich"]
    kept = http.post("/api/sandwiches", json={"sandwich": best}).json()
    sheet = next(layer["item"] for layer in best["layers"] if layer["role"] == "sheet")
    assert best["items"][sheet]["width_mm"] <= 78
    assert kept["sandwich"]["items"][sheet]["width_mm"] == best["items"][sheet]["width_mm"]
    http.delete(f"/api/sandwiches/{kept['id']}", params={"version": kept["version"]})


def test_a_thing_taken_off_the_shelf_in_the_meantime_is_named(http, shelf):
    original = next(e for e in shelf if e["item"] and e["item"]["name"] == "Ridge green card")
    copy = http.post(f"/api/shelf/{original['id']}/copy").json()
    http.delete(f"/api/shelf/{copy['id']}", params={"version": copy["version"]})
    wish = {"effect": "plain-relief", "stock": copy["id"]}
    answer = http.post("/api/recipes/search", json={"press_id": id_of(shelf, "Midway"), "wish": wish})
    assert (answer.status_code, answer.json()["error"]["field"]) == (422, "stock")
    gone = http.post("/api/recipes/search", json={"press_id": "nobody", "wish": {**wish, "stock": original["id"]}})
    assert (gone.status_code, gone.json()["error"]["field"]) == (422, "press_id")


def test_nothing_found_says_what_is_missing_and_nearly_brings_a_cutting_file(http, shelf):
    answer = search(http, shelf, effect="texture", press="Foothill").json()
    assert answer["found"] == []
    assert "Foothill takes 78 mm" in answer["missing"][0]
    near = search(http, shelf, effect="masked-relief", without=["frame", "pressure mask"]).json()
    assert near["found"] == []
    part = next(e["item"] for e in shelf if e["item"] and e["item"]["kind"] == "frame")
    svg = http.post("/api/recipes/cutting-file", json=part)
    assert svg.headers["content-type"] == "image/svg+xml"
    assert svg.text.startswith("<?xml")


def test_another_press_gets_its_own_pile(http, shelf, kept):
    answer = http.post("/api/recipes/transfer", json={"press_id": id_of(shelf, "Summit"), "sandwich": kept["sandwich"]}).json()
    assert answer["differences"]
    assert answer["recipes"]["found"][0]["sandwich"]["press"]["name"] == "Summit"


def test_the_loss_of_the_wrong_order_is_computed(http, kept):
    loss = http.post("/api/recipes/order-loss", json=kept["sandwich"]).json()
    assert 0 < loss["cut_after_mm"] < loss["cut_first_mm"]


def test_a_card_comes_as_json_text_and_pdf_with_the_same_steps(http, kept):
    card = read_out(json.loads(http.post("/api/cards", json=kept["sandwich"]).content), "in")
    text = http.post("/api/cards/text", json=kept["sandwich"], params={"unit": "in"}).text
    pdf = http.post("/api/cards/pdf", json=kept["sandwich"], params={"unit": "in"})
    read = "".join(pypdf.PdfReader(io.BytesIO(pdf.content)).pages[0].extract_text().split())
    for step in card["steps"]:
        assert "".join(step["text"].split()) in "".join(text.split())
        assert "".join(step["text"].split()) in read
    assert http.post("/api/cards/text", json=kept["sandwich"], params={"unit": "cubit"}).status_code == 422


@pytest.mark.parametrize("seen", ["too hard", "nothing", "cracked", "moved", "not cut"])
def test_trouble_is_answered_and_its_edits_can_be_carried_out(http, kept, seen):
    answer = http.post("/api/cards/trouble", json={"sandwich": kept["sandwich"], "seen": seen}).json()
    assert answer["at_once"]
    assert answer["advice"]
    for advice in answer["advice"]:
        if edits := advice["suggestion"]["edits"]:
            assert after_edits(kept["sandwich"], edits) != kept["sandwich"]


@pytest.fixture
def run(http, kept):
    record = http.post("/api/runs", json={"sandwich_id": kept["id"], "body": {"sandwich": kept["sandwich"]}}).json()
    yield record
    now = http.get(f"/api/runs/{record['id']}")
    if now.is_success:
        http.delete(f"/api/runs/{record['id']}", params={"version": now.json()["version"]})


def further(run, **body):
    return {"sandwich_id": run["sandwich_id"], "state": run["state"], "version": run["version"], "body": {**run["body"], **body}}


def test_a_run_goes_on_where_it_was_and_ends_with_what_came_out(http, run):
    second = http.put(f"/api/runs/{run['id']}", json=further(run, step=4, turns=1, wait_ends=1.9e12)).json()
    assert http.get(f"/api/runs/{run['id']}").json()["body"]["step"] == 4
    event = {"step": 4, "seen": "cracked", "did": "Mist the sheet."}
    end = {**further(second, step=9, events=[event], result="right", note="Two shims."), "state": "finished"}
    kept = http.put(f"/api/runs/{run['id']}", json=end).json()
    assert (kept["state"], kept["body"]["result"], kept["body"]["events"]) == ("finished", "right", [event])
    listed = next(r for r in http.get("/api/runs").json()["runs"] if r["id"] == run["id"])
    assert (listed["result"], listed["press"], listed["photo"]) == ("right", "Midway", False)


def test_a_lost_answer_can_be_asked_for_again_and_a_stale_step_is_a_conflict(http, run):
    first = further(run, step=1)
    assert http.put(f"/api/runs/{run['id']}", json=first).status_code == 200
    assert http.put(f"/api/runs/{run['id']}", json=first).status_code == 200
    stale = http.put(f"/api/runs/{run['id']}", json=further(run, step=3))
    assert stale.status_code == 409
    assert stale.json()["error"]["current"]["body"]["step"] == 1


def test_a_run_outlives_its_sandwich_and_its_plates(http, run, kept):
    http.delete(f"/api/sandwiches/{kept['id']}", params={"version": kept["version"]})
    again = http.get(f"/api/runs/{run['id']}").json()
    assert again["body"]["sandwich"]["items"] == kept["sandwich"]["items"]
    assert http.put(f"/api/runs/{run['id']}", json=further(again, step=2)).status_code == 200


@pytest.mark.parametrize(
    "wrong", [{"step": -1}, {"step": "two"}, {"note": "x" * 2001}, {"result": "fine"}, {"wait_ends": -1}, {"events": [{}]}]
)
def test_a_wrong_step_is_refused_and_changes_nothing(http, run, wrong):
    answer = http.put(f"/api/runs/{run['id']}", json=further(run, **wrong))
    assert answer.status_code == 422
    assert next(iter(wrong)) in answer.json()["error"]["field"]
    assert http.get(f"/api/runs/{run['id']}").json() == run


def photo(kind="JPEG"):
    file = io.BytesIO()
    Image.fromarray(np.full((90, 120, 3), 130, dtype=np.uint8)).save(file, kind)
    return file.getvalue()


def put_photo(http, run, data):
    return http.put(f"/api/runs/{run['id']}/photo", content=data, headers={"content-type": "application/octet-stream"})


def test_a_photo_is_kept_with_its_run(http, run):
    assert http.get(f"/api/runs/{run['id']}/photo").status_code == 404
    assert put_photo(http, run, photo("PNG")).status_code == 204
    kept = http.get(f"/api/runs/{run['id']}/photo")
    assert Image.open(io.BytesIO(kept.content)).format == "JPEG"
    assert http.get(f"/api/runs/{run['id']}").json()["photo"]
    assert http.delete(f"/api/runs/{run['id']}/photo").status_code == 204
    assert not http.get(f"/api/runs/{run['id']}").json()["photo"]


def test_a_photo_of_40_mb_or_of_another_type_is_refused_and_the_old_one_stays(http, run):
    put_photo(http, run, photo())
    before = http.get(f"/api/runs/{run['id']}/photo").content
    large = put_photo(http, run, b"\xff\xd8" + b"\0" * 40_000_000)
    assert large.status_code == 413
    assert "12 MB" in large.json()["error"]["message"]
    other = put_photo(http, run, b"%PDF-1.7 not a photo")
    assert (other.status_code, other.json()["error"]["field"]) == (422, "photo")
    assert http.get(f"/api/runs/{run['id']}/photo").content == before
