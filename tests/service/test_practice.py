"""Drills over HTTP: asked without their answer, marked by the computation, kept once they are over; files of a teacher and a class."""

import base64
import json

import numpy as np
import pytest

from lofty_press.core.sandwich.relief import HeightMap
from lofty_press.core.teaching.practice import drill_of, world_of
from lofty_press.demo.reliefs.library import demo_relief
from lofty_press.demo.sandwiches import SANDWICHES
from lofty_press.documents.files.sandwich_file import SANDWICH
from lofty_press.documents.kept.packed import pack_relief, unpack_relief

WHICH = {"skill": "plates", "seed": 1, "level": 0.0}
ORDER = {"skill": "order", "seed": 1, "level": 0.0}
FLAP = {"skill": "flap", "seed": 1, "level": 0.0}


def skill(http, key):
    return next(one for one in http.get("/api/practice").json()["skills"] if one["key"] == key)


@pytest.fixture(scope="module")
def world():
    """The piles that come with the program, as the service makes its drills of them."""
    return world_of(SANDWICHES.values(), demo_relief)


def test_a_choice_is_marked_kept_and_makes_the_next_one_fit(http, world):
    before = skill(http, "read")
    which = {"skill": "read", "seed": 4, "level": before["level"]}
    drill = http.post("/api/practice/drill", json=which).json()
    assert drill["form"] == "choose"
    assert "answer" not in drill
    told = http.post("/api/practice/attempt", json={"which": which, "gives_up": True}).json()
    assert (told["right"], told["over"], told["points"]) == (False, True, 0)
    again = http.post("/api/practice/attempt", json={"which": which, "choice": told["answer"], "hints": 1}).json()
    assert (again["right"], again["over"], again["points"]) == (True, True, 7)
    assert again["because"]
    after = skill(http, "read")
    assert (after["done"], after["solved"]) == (before["done"] + 1, before["solved"])  # the same drill counts once, by its first end
    assert after["due"]
    for seed in (11, 12, 13, 14):
        fresh = {**which, "seed": seed}
        solved = http.post("/api/practice/attempt", json={"which": fresh, "choice": drill_of(world, "read", seed, which["level"]).answer})
        assert solved.json()["points"] == 10
    better = skill(http, "read")
    assert (better["done"], better["solved"]) == (after["done"] + 4, after["solved"] + 4)
    assert better["ability"] > after["ability"]
    assert better["level"] > after["level"]
    assert better["ability_sd"] < after["ability_sd"]


@pytest.mark.parametrize("key", ["flap", "worn"])
def test_where_a_thing_lies_best_is_told_once_it_is_over_and_is_right(http, key):
    which = {"skill": key, "seed": 3, "level": 0.0}
    drill = http.post("/api/practice/drill", json=which).json()
    assert drill["form"] == "lay"
    assert len(drill["laying"]["sides"]) == 2
    assert "best" not in drill["laying"]
    begun = http.post("/api/practice/attempt", json={"which": which, "laid": drill["laying"]["begin"]}).json()
    assert (begun["right"], begun["over"], begun["best"]) == (False, False, None)
    assert begun["says"]
    told = http.post("/api/practice/attempt", json={"which": which, "gives_up": True}).json()
    right = http.post("/api/practice/attempt", json={"which": which, "laid": told["best"], "tries": 2}).json()
    assert (right["right"], right["over"], right["points"]) == (True, True, 8)


def test_a_pile_is_pressed_as_often_as_one_wants_and_costs_points(http):
    drill = http.post("/api/practice/drill", json=WHICH).json()
    assert drill["form"] == "build"
    before = skill(http, "plates")["done"]
    first = http.post("/api/practice/attempt", json={"which": WHICH, "built": drill["shown"]}).json()
    assert (first["right"], first["over"], first["points"], first["because"]) == (False, False, None, None)
    assert first["says"]
    assert skill(http, "plates")["done"] == before  # it goes on
    fresh = {**WHICH, "seed": 71}  # one that no other test has ended before
    told = http.post("/api/practice/attempt", json={"which": fresh, "gives_up": True, "tries": 2}).json()
    assert told["over"]
    assert told["because"]
    assert skill(http, "plates")["done"] == before + 1


def test_the_hidden_opening_of_a_strange_press_is_nowhere_on_the_wire(http):
    which = {"skill": "shim", "seed": 2, "level": 0.0}
    text = http.post("/api/practice/drill", json=which).text
    drill = http.post("/api/practice/drill", json=which).json()
    said = drill["shown"]["press"]["opening"]
    assert said["sd_mm"] == pytest.approx(0.3)
    assert "truly" not in text
    pressed = http.post("/api/practice/attempt", json={"which": which, "built": drill["shown"]}).json()
    assert set(pressed) == {"right", "over", "says", "sentence", "png", "because", "answer", "best", "points"}
    assert pressed["sentence"] is None  # it names no opening while the drill goes on
    assert not pressed["right"]


@pytest.mark.parametrize(
    ("change", "field"),
    [
        ({"which": {**WHICH, "skill": "juggling"}}, "which.skill"),
        ({"which": {**WHICH, "seed": -1}}, "which.seed"),
        ({"which": {**WHICH, "level": 9}}, "which.level"),
        ({"which": {"skill": "read", "seed": 4, "level": 0.0}, "choice": "perhaps"}, "choice"),
        ({"tries": 0}, "tries"),
        ({"hints": 5}, "hints"),
        ({}, "built"),
        ({"which": ORDER, "order": ["emboss"]}, "order"),
        ({"which": ORDER, "order": ["emboss"] * 41}, "order"),
        ({"which": FLAP}, "laid"),
        ({"which": FLAP, "laid": {"x_mm": 1e9, "y_mm": 0, "turn_deg": 0, "over": True}}, "laid.x_mm"),
        ({"which": FLAP, "laid": {"x_mm": 0, "y_mm": 0, "turn_deg": "NaN", "over": True}}, "laid.turn_deg"),
    ],
)
def test_what_is_no_answer_is_refused_by_its_field(http, change, field):
    answer = http.post("/api/practice/attempt", json={"which": WHICH, **change})
    assert answer.status_code == 422
    assert answer.json()["error"]["field"] == field


def file_of(**changed):
    meant = SANDWICH.dump_python(SANDWICHES["programme-cover"], mode="json")
    return {"name": "Lesson one", "note": "Before Tuesday.", "meant": meant, "cause": "hinge", "form": "choose", **changed}


def test_a_teachers_drill_goes_out_as_a_file_and_comes_back(http):
    text = http.post("/api/practice/given/file", json=file_of()).content
    given = http.post("/api/practice/given", content=text).json()
    assert given["file"]["name"] == "Lesson one"
    drill = given["drill"]
    assert (drill["form"], drill["which"]) == ("choose", None)
    assert drill["png"]
    marks = {
        choice["key"]: http.post("/api/practice/given/attempt", json={"file": given["file"], "choice": choice["key"]}).json()["right"]
        for choice in drill["choices"]
    }
    assert [key for key, right in marks.items() if right] == ["hinge"]
    build = http.post(
        "/api/practice/given", content=http.post("/api/practice/given/file", json=file_of(cause="plate too much", form="build")).content
    )
    built = http.post("/api/practice/given/attempt", json={"file": build.json()["file"], "built": file_of()["meant"]}).json()
    assert (built["right"], built["points"]) == (True, 10)


@pytest.mark.parametrize(
    ("change", "field"),
    [
        ({"cause": "gremlins"}, "cause"),
        ({"cause": "die turned"}, "cause"),
        ({"cause": "as laid"}, "cause"),
        ({"cause": "tape pressed", "form": "build"}, "form"),
        ({"reliefs": {"sheave": "no base64"}}, "reliefs.sheave"),
        ({"reliefs": {"sheave": "bm8gcmVsaWVm"}}, "relief"),
        ({"reliefs": [1]}, "reliefs"),
        ({"cause": "too thin", "form": "build"}, "form"),
        ({"cause": "plate too much", "form": "choose"}, "form"),
        ({"meant": SANDWICH.dump_python(SANDWICHES["two-plates"], mode="json")}, "meant"),
        ({"format": "other"}, "format"),
        ({"form": "dance"}, "form"),
        ({"surprise": 1}, "surprise"),
    ],
)
def test_a_drill_file_that_makes_no_drill_is_refused_by_its_field(http, change, field):
    answer = http.post("/api/practice/given", content=json.dumps(file_of(**change)))
    assert answer.status_code == 422
    assert answer.json()["error"]["field"] == field


def test_a_drill_whose_parts_are_gone_says_so(http):
    file = file_of()
    key = next(key for key, item in file["meant"]["items"].items() if item.get("relief"))
    file["meant"]["items"][key]["relief"]["map"] = "nowhere"
    answer = http.post("/api/practice/given", content=json.dumps(file))
    assert (answer.status_code, answer.json()["error"]["field"]) == (422, "meant.items")


def test_a_tool_that_only_its_teacher_has_travels_in_the_drill(http):
    file = file_of()
    item = next(item for item in file["meant"]["items"].values() if item.get("relief"))
    known = demo_relief(item["relief"]["map"])
    own = pack_relief(HeightMap(known.heights * np.float32(0.995), known.spacing, known.lines))
    item["relief"]["map"] = "mine"
    file["reliefs"] = {"mine": base64.b64encode(own).decode()}
    given = http.post("/api/practice/given", content=json.dumps(file)).json()
    assert given["file"]["reliefs"] == {}  # it is kept here now, under what it holds
    kept = next(item["relief"]["map"] for item in given["file"]["meant"]["items"].values() if item.get("relief"))
    assert kept not in ("mine", item["relief"]["map"])
    right = http.post("/api/practice/given/attempt", json={"file": given["file"], "choice": "hinge"}).json()
    assert right["right"]
    out = http.post("/api/practice/given/file", json=given["file"]).json()
    assert list(out["reliefs"]) == [kept]
    assert unpack_relief(base64.b64decode(out["reliefs"][kept])).heights.shape == known.heights.shape


@pytest.mark.parametrize("data", [b"", b"no json", b"[" * 100_000, b"{}", b"\xff\xfe", b"[1, 2]"])
def test_what_is_no_class_file_is_refused(http, data):
    for path in ("/api/practice/given", "/api/practice/results"):
        assert http.post(path, content=data).status_code == 422


def test_results_are_handed_in_and_tell_if_somebody_changed_them(http):
    done = [{"drill": "Lesson one", "right": True, "tries": 2, "hints": 0, "points": 8, "at": "2026-11-30T10:00:00Z"}]
    text = http.post("/api/practice/results/file", json={"who": "Edda", "done": done}).content
    read = http.post("/api/practice/results", content=text).json()
    assert (read["results"]["who"], read["as_written"]) == ("Edda", True)
    better = json.loads(text)
    better["done"][0]["points"] = 10
    read = http.post("/api/practice/results", content=json.dumps(better)).json()
    assert (read["results"]["done"][0]["points"], read["as_written"]) == (10, False)
    better["done"][0]["points"] = 99
    refused = http.post("/api/practice/results", content=json.dumps(better))
    assert (refused.status_code, refused.json()["error"]["field"]) == (422, "done.0.points")
