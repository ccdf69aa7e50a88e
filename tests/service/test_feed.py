"""The feed and what plates remember over HTTP and on the command line, against the real database."""

import io
import json
import sys
import uuid
from concurrent.futures import ThreadPoolExecutor
from dataclasses import replace

import pypdf
import pytest
from tests.service.carried_out import after_edits

from lofty_press.cli.__main__ import main as run_command_line
from lofty_press.core.mechanics.feed.examine import examine
from lofty_press.demo.reliefs.library import demo_relief
from lofty_press.demo.sandwiches import SANDWICHES
from lofty_press.documents.answers.feed import describe_feed
from lofty_press.documents.answers.words import read_out
from lofty_press.documents.files.sandwich_file import write_sandwich
from lofty_press.service.db.connection import Database


def sandwich_named(http, name):
    found = next(s for s in http.get("/api/sandwiches").json()["sandwiches"] if s["name"] == name)
    return http.get(f"/api/sandwiches/{found['id']}").json()["sandwich"]


@pytest.fixture
def arch(http):
    """The arch cut between plates of their own: copies on the shelf that nothing has met yet, taken away afterwards."""
    sandwich = sandwich_named(http, "Station arch, cut")
    copies = []
    for key, item in sandwich["items"].items():
        if item["kind"] == "hard plate":
            copy = http.post(f"/api/shelf/{item['shelf_id']}/copy").json()
            copies.append(copy)
            sandwich["items"][key] = {**copy["item"], "shelf_id": copy["id"]}
    yield sandwich
    for copy in copies:
        http.delete(f"/api/shelf/{copy['id']}", params={"version": copy["version"]})


def press_it(http, sandwich, *, state="finished", turns=1):
    """A run that is started and ended."""
    run = http.post("/api/runs", json={"body": {"sandwich": sandwich}}).json()
    end = {"state": state, "version": run["version"], "body": {"sandwich": sandwich, "turns": turns, "result": "right"}}
    answer = http.put(f"/api/runs/{run['id']}", json=end)
    assert answer.status_code == 200
    return run["id"], end


def met(sandwich):
    """Shelf key of the plate that the arch's blade meets: the upper one."""
    return sandwich["items"][sandwich["layers"][-1]["item"]]["shelf_id"]


def plate(http, sandwich):
    return next((p for p in http.get("/api/plates").json() if p["item_id"] == met(sandwich)), None)


def test_the_feed_is_what_the_core_says(http):
    sandwich, sleeve = sandwich_named(http, "Lattice ticket sleeve"), SANDWICHES["ticket-sleeve"]
    opening = replace(sleeve.press.opening, mm=17.713)  # of no sheet that was pressed before, so that both read the quick nip
    sandwich["press"]["opening"]["mm"] = opening.mm
    answer = http.post("/api/feed", json=sandwich, params={"first": "hinge"}).json()
    same = replace(sleeve, press=replace(sleeve.press, opening=opening))
    report = read_out(describe_feed(examine(same, demo_relief, first="hinge")).model_dump(mode="json"))
    assert answer["lying"]["crank"] == report["lying"]["crank"]
    assert answer["advice"]["better"] == report["advice"]["better"]
    assert http.post("/api/feed/lying", json=sandwich).json() == answer["lying"]


def test_the_command_prints_the_same(tmp_path, monkeypatch, capsys):
    file = tmp_path / "cut.lofty.json"
    file.write_bytes(write_sandwich(SANDWICHES["arch-cut"]).encode())
    assert main(monkeypatch, "feed", str(file)) == 0
    assert json.loads(capsys.readouterr().out) == read_out(
        describe_feed(examine(SANDWICHES["arch-cut"], demo_relief)).model_dump(mode="json")
    )
    file.write_text('{"format": 1}')
    assert main(monkeypatch, "feed", str(file)) == 2
    assert json.loads(capsys.readouterr().out)["error"]["field"]
    assert main(monkeypatch, "feed", str(tmp_path / "nothing")) == 2


def test_the_full_nip_is_had_from_the_commands_that_read_one(tmp_path, monkeypatch, capsys):
    file = tmp_path / "cut.lofty.json"
    file.write_bytes(write_sandwich(SANDWICHES["arch-cut"]).encode())
    told = []
    for words in (("nip",), ("nip", "--full"), ("feed", "--full")):
        assert main(monkeypatch, *words, str(file)) == 0
        told.append(json.loads(capsys.readouterr().out))
    quick, full, fed = told
    assert (quick["full"], full["full"]) == (False, True)
    assert full["force_n"] == pytest.approx(quick["force_n"], rel=quick["force_off_by"])
    assert max(fed["lying"]["crank"]["force_n"]) == pytest.approx(full["force_n"], rel=1e-2)


def main(monkeypatch, *arguments):
    """The command line, with these arguments."""
    monkeypatch.setattr(sys, "argv", ["lofty", *arguments])
    return run_command_line()


@pytest.mark.parametrize("first", ["", "middle", "HINGE"])
def test_a_school_that_is_none_names_its_field(http, first):
    answer = http.post("/api/feed", json=sandwich_named(http, "Lattice ticket sleeve"), params={"first": first})
    assert (answer.status_code, answer.json()["error"]["field"]) == (422, "first")


def test_an_outline_of_a_hundred_thousand_points_is_refused_by_field(http):
    sandwich = sandwich_named(http, "Station arch, cut")
    sandwich["items"]["station-arch"]["outline"] = [[n / 1000, (n * 7919) % 1000 / 100] for n in range(100_000)]
    answer = http.post("/api/feed/lying", json=sandwich)
    assert answer.status_code in (413, 422)
    assert "outline" in json.dumps(answer.json()["error"]) or answer.status_code == 413


@pytest.mark.parametrize("kind", ["pdf", "svg"])
def test_templates_of_bed_and_flap(http, kind):
    sandwich = sandwich_named(http, "Envelope flap device")
    bed = http.post(f"/api/feed/template/{kind}", json=sandwich, params={"unit": "in"})
    motif = next(item for item in sandwich["items"].values() if item["kind"] == "motif")
    flap = {"shape": "pointed", "width_mm": 160, "depth_mm": 80, "motif": motif}
    drawn = http.post(f"/api/feed/flap/template/{kind}", json=flap)
    for answer in (bed, drawn):
        assert answer.status_code == 200
        if kind == "pdf":
            assert len(pypdf.PdfReader(io.BytesIO(answer.content)).pages) == 1
        else:
            assert answer.text.startswith("<?xml")
    place = http.post("/api/feed/flap", json=flap).json()
    assert 0 < place["from_fold_mm"] < 80
    wide = http.post("/api/feed/flap", json={**flap, "shape": "squared", "tip_width_mm": 400})
    assert (wide.status_code, wide.json()["error"]["field"]) == (422, "tip_width")


def test_a_run_that_ends_marks_the_plate_once(http, arch):
    assert plate(http, arch) is None
    run_id, end = press_it(http, arch)
    first = plate(http, arch)
    assert [face["marks"] for face in first["faces"]] == [0, 1]
    assert http.put(f"/api/runs/{run_id}", json=end).status_code == 200  # asked for again after a lost answer
    assert plate(http, arch) == first
    press_it(http, arch)
    second = plate(http, arch)
    assert second["faces"][1]["marks"] == 2
    assert second["faces"][1]["worst"] == pytest.approx(2 * first["faces"][1]["worst"], rel=0.05)


def test_where_the_wear_is_follows_where_it_lay(http, arch):
    press_it(http, arch)
    before = http.get(f"/api/plates/{met(arch)}/faces/back").json()
    moved = json.loads(json.dumps(arch))
    for layer in moved["layers"]:
        if layer["item"] in ("station-arch", "ridge-green"):
            layer["x_mm"] = 30.0
    press_it(http, moved)
    after = http.get(f"/api/plates/{met(arch)}/faces/back").json()
    new = [(i, j) for i, row in enumerate(after["crossed"]) for j, value in enumerate(row) if value > before["crossed"][i][j]]
    middle = sum(i for i, _ in new) / len(new)
    assert (middle + 0.5 - len(after["crossed"]) / 2) * after["cell_mm"] == pytest.approx(30, abs=8)
    assert len(after["bow_along_mm"]) == len(after["crossed"])
    assert len(after["bow_across_mm"]) == len(after["crossed"][0])
    other = http.get(f"/api/plates/{met(arch)}/faces/face").json()
    assert other["bow_across_mm"] == after["bow_across_mm"][::-1]  # the same plate, seen from its other side
    assert http.get(f"/api/plates/{met(arch)}/faces/front").status_code == 422


def test_given_up_before_the_first_turn_leaves_no_mark(http, arch):
    press_it(http, arch, state="given up", turns=0)
    assert plate(http, arch) is None
    press_it(http, arch, state="given up", turns=1)
    assert plate(http, arch)["faces"][1]["marks"] == 1


def test_ends_at_the_same_moment_all_count(http, arch):
    """Also the first ones, which begin the plate's history."""
    with ThreadPoolExecutor(4) as pool:
        list(pool.map(lambda _: press_it(http, arch), range(12)))
    assert plate(http, arch)["faces"][1]["marks"] == 12


def test_the_next_run_finds_a_fresher_place_and_can_be_laid_there(http, arch):
    assert http.post("/api/plates/next-run", json=arch).json() is None
    for _ in range(3):
        press_it(http, arch)
    found = http.post("/api/plates/next-run", json=arch).json()
    assert found["item_id"] == met(arch)
    best = found["options"][0]
    assert best["after"]["worst"] < found["as_it_lies"]["worst"]
    fresher = after_edits(arch, best["suggestion"]["edits"])
    assert http.post("/api/assess", json=fresher).status_code == 200
    press_it(http, fresher)
    faces = {face["face"]: face["marks"] for face in plate(http, arch)["faces"]}
    assert faces == ({"face": 1, "back": 3} if best["turned_over"] else {"face": 0, "back": 4})


def test_a_measured_bow_corrects_and_can_be_forgotten(http, arch):
    for _ in range(30):
        press_it(http, arch)
    modelled = plate(http, arch)["bow_mm"]
    corrected = http.put(f"/api/plates/{met(arch)}/bow", json={"measured_mm": -0.8}).json()
    assert (corrected["measured_bow_mm"], corrected["bow_mm"]) == (
        -0.8,
        pytest.approx(-0.8, abs=0.01) if abs(modelled) > 0.02 else modelled,
    )
    assert http.put(f"/api/plates/{met(arch)}/bow", json={"measured_mm": None}).json()["bow_mm"] == modelled
    wrong = http.put(f"/api/plates/{met(arch)}/bow", json={"measured_mm": 99})
    assert (wrong.status_code, wrong.json()["error"]["field"]) == (422, "measured_mm")


def test_a_retired_plate_makes_room_for_a_new_one(http, arch):
    press_it(http, arch)
    assert http.post(f"/api/plates/{met(arch)}/retire").status_code == 204
    assert plate(http, arch) is None
    assert http.post(f"/api/plates/{met(arch)}/retire").status_code == 404
    press_it(http, arch)
    fresh = plate(http, arch)
    assert (fresh["faces"][1]["marks"], fresh["past_lives"]) == (1, 1)


def test_a_note_added_to_an_old_run_does_not_mark_the_plate_that_replaced_it(http, arch):
    run_id, end = press_it(http, arch)
    http.post(f"/api/plates/{met(arch)}/retire")
    version = http.get(f"/api/runs/{run_id}").json()["version"]
    later = {**end, "version": version, "body": {**end["body"], "note": "Sharp edges."}}
    assert http.put(f"/api/runs/{run_id}", json=later).status_code == 200
    assert plate(http, arch) is None


def test_a_plate_taken_off_the_shelf_still_remembers(http, arch):
    press_it(http, arch)
    entry = next(e for e in http.get("/api/shelf").json()["entries"] if e["id"] == met(arch))
    http.delete(f"/api/shelf/{entry['id']}", params={"version": entry["version"]})
    press_it(http, arch)
    assert plate(http, arch)["faces"][1]["marks"] == 2


@pytest.mark.parametrize("gap", ["no wear kept", "wear unreadable", "a pattern lost"])
def test_a_history_with_gaps_is_answered(http, running, arch, gap):
    """What can be built anew is; what cannot is left out and counted."""
    for _ in range(3):
        press_it(http, arch)
    whole = plate(http, arch)
    with Database(running.database.settings).writing() as connection:
        cursor = connection.cursor()
        life = "SELECT id FROM plate_lives WHERE item_id = %(item)s"
        if gap == "no wear kept":
            cursor.execute(f"DELETE FROM plate_wear WHERE life_id IN ({life})", {"item": met(arch)})
        elif gap == "wear unreadable":
            cursor.execute(f"UPDATE plate_wear SET body = 'x' WHERE life_id IN ({life})", {"item": met(arch)})
        else:
            cursor.execute(f"DELETE FROM plate_wear WHERE life_id IN ({life})", {"item": met(arch)})
            query = f"UPDATE plate_marks SET pattern_id = %(lost)s WHERE life_id IN ({life}) ORDER BY id LIMIT 1"
            cursor.execute(query, {"item": met(arch), "lost": uuid.uuid4().hex})
        connection.commit()
    after = plate(http, arch)
    assert after["missing"] == (1 if gap == "a pattern lost" else 0)
    if gap != "a pattern lost":
        assert after == whole
    press_it(http, arch)
    assert plate(http, arch)["faces"][1]["marks"] == 4


def test_the_card_of_an_intricate_cut_says_by_how_much_it_is_turned(http):
    sandwich = sandwich_named(http, "Arch tracery, cut")
    sandwich["items"]["spacer"]["thickness"] = {"mm": 1.9, "sd_mm": 0.02, "source": "gauge"}
    sandwich["items"]["carriage-kraft"] |= {"width_mm": 90, "length_mm": 110}
    by = http.post("/api/feed", json=sandwich).json()["passes"]["turn_by_deg"]
    card = http.post("/api/cards", json={**sandwich, "passes": 2}).json()
    assert any(f"as one by {by:.0f}°" in step["detail"] for step in card["steps"])
