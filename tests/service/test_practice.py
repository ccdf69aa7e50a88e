"""Drills over HTTP: asked without their answer, marked by the computation, kept once they are over."""

import pytest

WHICH = {"skill": "plates", "seed": 1, "level": 0.0}


def skill(http, key):
    return next(one for one in http.get("/api/practice").json()["skills"] if one["key"] == key)


def test_a_choice_is_marked_kept_and_makes_the_next_one_fit(http):
    before = skill(http, "read")
    which = {"skill": "read", "seed": 4, "level": before["level"]}
    drill = http.post("/api/practice/drill", json=which).json()
    assert drill["form"] == "choose"
    assert "answer" not in drill
    told = http.post("/api/practice/attempt", json={"which": which, "gives_up": True}).json()
    assert (told["right"], told["over"], told["points"]) == (False, True, 0)
    right = http.post("/api/practice/attempt", json={"which": which, "choice": told["answer"], "hints": 1}).json()
    assert (right["right"], right["over"], right["points"]) == (True, True, 7)
    assert right["because"]
    after = skill(http, "read")
    assert (after["done"], after["solved"]) == (before["done"] + 2, before["solved"] + 1)
    assert after["due"]
    for _ in range(3):
        http.post("/api/practice/attempt", json={"which": which, "choice": told["answer"]})
    better = skill(http, "read")
    assert better["ability"] > after["ability"]
    assert better["level"] > after["level"]
    assert better["ability_sd"] < after["ability_sd"]


def test_a_pile_is_pressed_as_often_as_one_wants_and_costs_points(http):
    drill = http.post("/api/practice/drill", json=WHICH).json()
    assert drill["form"] == "build"
    before = skill(http, "plates")["done"]
    first = http.post("/api/practice/attempt", json={"which": WHICH, "built": drill["shown"]}).json()
    assert (first["right"], first["over"], first["points"], first["because"]) == (False, False, None, None)
    assert first["seen"]
    assert skill(http, "plates")["done"] == before  # it goes on
    told = http.post("/api/practice/attempt", json={"which": WHICH, "gives_up": True, "tries": 2}).json()
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
    assert set(pressed) == {"right", "over", "seen", "sentence", "png", "because", "answer", "points"}
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
    ],
)
def test_what_is_no_answer_is_refused_by_its_field(http, change, field):
    answer = http.post("/api/practice/attempt", json={"which": WHICH, **change})
    assert answer.status_code == 422
    assert answer.json()["error"]["field"] == field
