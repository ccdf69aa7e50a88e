"""Runs found again: by words, outcome and sandwich."""

import pytest


@pytest.fixture
def runs(http, kept):
    """Three ended runs of one sandwich and one of none."""
    made = []
    for n, (result, note, of) in enumerate(
        [("right", "with two shims", True), ("faint", "100% kraft", True), ("cracked", "", True), ("right", "", False)]
    ):
        body = {"sandwich": {**kept["sandwich"], "name": f"Logbook trial {n}"}, "result": result, "note": note, "left_out": True}
        answer = http.post("/api/runs", json={"sandwich_id": kept["id"] if of else None, "state": "finished", "body": body})
        assert answer.status_code == 201, answer.text
        made.append(answer.json())
    yield made
    for run in made:
        http.delete(f"/api/runs/{run['id']}", params={"version": run["version"]})


def found(http, **sought):
    answer = http.get("/api/runs", params={"state": "ended", **sought})
    assert answer.status_code == 200, answer.text
    page = answer.json()
    assert page["total"] >= len(page["runs"])
    return [run["name"] for run in page["runs"] if run["name"].startswith("Logbook trial")]


def test_by_words_outcome_and_sandwich(http, kept, runs):
    assert len(found(http, q="logbook")) == 4
    assert found(http, q="logbook trial 1 midway") == ["Logbook trial 1"]
    assert sorted(found(http, q="logbook", result="right")) == ["Logbook trial 0", "Logbook trial 3"]
    assert len(found(http, sandwich=kept["id"])) == 3
    assert found(http, q="logbook cracked") == ["Logbook trial 2"]
    assert found(http, q="logbook %") == ["Logbook trial 1"]  # a sign is a sign and not a wild card
    assert found(http, q="logbook t_ial") == []


def test_notes_and_what_was_known_before_are_told(http, runs):
    told = {run["name"]: run for run in http.get("/api/runs", params={"q": "logbook"}).json()["runs"]}
    assert told["Logbook trial 0"]["note"] == "with two shims"
    assert not any(run["known"] for run in told.values())


@pytest.mark.parametrize("sought", [{"result": "splendid"}, {"sandwich": "x" * 65}, {"q": "x" * 121}, {"sandwich": "ü"}])
def test_what_cannot_be_sought_is_refused_by_name(http, sought):
    answer = http.get("/api/runs", params=sought)
    assert answer.status_code == 422
    assert next(iter(sought)) in answer.json()["error"]["field"]
