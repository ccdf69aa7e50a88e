"""Runs out of files and into them, and two runs side by side."""

import csv
import io
import json
import uuid

import pytest

from lofty_press.core.sandwich.stack import differences
from lofty_press.demo.sandwiches import SANDWICHES
from lofty_press.service.keeping.runs.taking import MOST


@pytest.fixture
def forgotten(http):
    """Runs whose names begin so are forgotten again."""
    yield "Filed trial"
    for run in http.get("/api/runs", params={"q": "filed trial", "limit": 500}).json()["runs"]:
        http.delete(f"/api/runs/{run['id']}", params={"version": run["version"]})


def sent(http, data, take=True):
    body = data if isinstance(data, bytes) else data.encode()
    return http.post("/api/runs/file", content=body, params={"take": take}, headers={"content-type": "application/octet-stream"})


def named(http, words="filed trial"):
    return http.get("/api/runs", params={"q": words, "limit": 500}).json()["runs"]


def run_with(kept, n, **more):
    body = {"sandwich": {**kept["sandwich"], "name": f"Filed trial {n}"}, "result": "right", "left_out": True, **more}
    return {"sandwich_id": kept["id"], "state": "finished", "body": body}


def test_tags_tool_and_stock_are_found_again(http, kept, forgotten):
    for n, tags in enumerate((["gift", "100%"], ["gift wrap"], [])):
        assert http.post("/api/runs", json=run_with(kept, n, tags=tags)).status_code == 201
    filters = http.get("/api/runs/filters").json()
    assert {"gift", "gift wrap", "100%"} <= set(filters["tags"])
    told = named(http)
    tool, stock = told[0]["tool"], told[0]["stock"]
    assert tool in filters["tools"]
    assert stock in filters["stocks"]
    assert [run["name"] for run in http.get("/api/runs", params={"tag": "gift", "q": "filed"}).json()["runs"]] == ["Filed trial 0"]
    assert len(http.get("/api/runs", params={"tool": tool, "stock": stock, "q": "filed"}).json()["runs"]) == 3
    assert http.get("/api/runs", params={"tool": "No such tool", "q": "filed"}).json()["total"] == 0
    assert len(named(http, f"filed {tool.lower()[:6]}")) == 3  # by a thing that lay in it


@pytest.mark.parametrize(
    ("more", "field"),
    [
        ('"shape": 1e999', "runs"),
        ('"shape": "x"', "run 1"),
        ('"body": {"cause": "nonsense"}', "run 1"),
        ('"created_at": "9999-01-01"', "run 1, created_at"),
        ('"sandwich_id": "\\ud800"', "runs"),
        ('"state": NaN', "runs"),
    ],
)
def test_a_run_that_cannot_be_is_refused_by_its_place_and_none_is_kept(http, kept, forgotten, more, field):
    right = run_with(kept, 1)
    nonsense = json.dumps([run_with(kept, 1, cause="nonsense")])
    text = nonsense if "cause" in more else f"[{json.dumps(right)[:-1]}, {more}}}]"
    answer = sent(http, text)
    assert answer.status_code == 422, answer.text
    assert answer.json()["error"]["field"].startswith(field)
    assert named(http) == []


@pytest.mark.parametrize("tags", [[""], [" "], ["a\nb"], ["x" * 41], ["a"] * 13, "gift", [1]])
def test_tags_that_are_none_are_refused_by_name(http, kept, tags):
    answer = http.post("/api/runs", json=run_with(kept, 0, tags=tags))
    assert answer.status_code == 422
    assert "tags" in answer.json()["error"]["field"]


def test_json_goes_out_and_comes_in_once(http, kept, forgotten):
    made = http.post("/api/runs", json=run_with(kept, 1, tags=["gift"], note="two shims")).json()
    out = [run for run in http.get("/api/runs/file/json").json() if run["name"].startswith("Filed trial")]
    text = json.dumps(out)
    looked = sent(http, text, take=False).json()
    assert (looked["runs"], looked["here"], looked["taken"]) == (1, 1, False)
    http.delete(f"/api/runs/{made['id']}", params={"version": made["version"]})
    assert sent(http, text).json()["here"] == 0
    assert sent(http, text).json()["here"] == 1
    (run,) = named(http)
    assert run["id"] == made["id"]
    assert run["tags"] == ["gift"]
    back = http.get(f"/api/runs/{run['id']}").json()
    assert back["body"] == made["body"]
    assert back["created_at"][:19] == made["created_at"][:19]


def test_a_table_of_any_separator_is_read_and_its_runs_are_made_once(http, forgotten):
    """RFC 4180 for commas; semicolons, tabs and byte-order marks as spreadsheets write them (common practice, no published source)."""
    rows = [["Name", "Result", "Press", "Passes", "Note", "Tags", "Created_at", "Weather"]]
    rows += [["Filed trial sun", "Just right", "midway", "2", "=1+1", "gift, card", "2026-11-05", "dry"]]
    rows += [["Filed trial rain", "faint", "Some press", "", "", "", "2026-11-06 14:30", ""]]
    for separator, mark in ((",", ""), (";", "\ufeff"), ("\t", "")):
        out = io.StringIO()
        csv.writer(out, delimiter=separator).writerows(rows)
        answer = sent(http, mark + out.getvalue()).json()
        assert (answer["runs"], answer["unread"]) == (2, ["weather"])
    found = {run["name"]: run for run in named(http)}
    assert set(found) == {"Filed trial sun", "Filed trial rain"}
    sun = found["Filed trial sun"]
    assert (sun["result"], sun["press"], sun["note"], sun["tags"]) == ("right", "Midway", "=1+1", ["gift", "card"])
    assert sun["created_at"].startswith("2026-11-05")
    assert found["Filed trial rain"]["press"] == "Some press"


def test_what_a_spreadsheet_would_run_goes_out_as_a_text_and_comes_back(http, kept, forgotten):
    """A cell that begins with =, +, - or @ is run by spreadsheets (OWASP, CSV injection; from memory)."""
    http.post("/api/runs", json=run_with(kept, 9, note="=HYPERLINK(1)", tags=["@home"]))
    text = http.get("/api/runs/file/csv").text
    assert "'=HYPERLINK(1)" in text
    (row,) = [row for row in csv.DictReader(io.StringIO(text)) if row["name"] == "Filed trial 9"]
    assert not any((cell or "").startswith(("=", "+", "-", "@")) for cell in row.values())
    again = io.StringIO()
    writer = csv.DictWriter(again, row)
    writer.writeheader()
    writer.writerow({**row, "id": str(uuid.uuid4())})
    assert sent(http, again.getvalue()).status_code == 200
    assert {run["note"] for run in named(http)} == {"=HYPERLINK(1)"}


@pytest.mark.parametrize(
    ("text", "field"),
    [
        ("name,result\nFiled trial,splendid\n", "line 2, result"),
        ("name,result\nFiled trial,right,3\n", "line 2"),
        ("name,result,passes\nFiled trial,right,many\n", "line 2, passes"),
        ("name,result,passes\nFiled trial,right,99\n", "passes"),
        ("name,result,created_at\nFiled trial,right,last week\n", "line 2, created_at"),
        ("name,result,effect\nFiled trial,right,boil\n", "line 2, effect"),
        ("name,name,result\n", "line 1"),
        ("note\nhello\n", "line 1"),
        ("", "line 1"),
        ("name,result\n" + "Filed trial,right\n" * (MOST + 1), "runs"),
        ("[" * 100_000, "runs"),
        ("[1]", "run 1"),
        ('[{"body": {"sandwich": 3}}]', "run 1"),
        ('[{"shape": "x", "body": {}}]', "run 1"),
        ('[{"shape": 99, "body": {}}]', "shape"),
    ],
)
def test_a_file_that_cannot_be_right_is_refused_by_its_line_and_keeps_nothing(http, text, field):
    before = http.get("/api/runs").json()["total"]
    answer = sent(http, text)
    assert answer.status_code == 422, answer.text
    assert field in answer.json()["error"]["field"]
    assert http.get("/api/runs").json()["total"] == before


def test_bytes_that_are_no_text_are_refused(http):
    answer = sent(http, b"name,result\n\xff\xfe,right\n")
    assert answer.status_code == 422
    assert "UTF-8" in answer.json()["error"]["message"]


def test_two_runs_side_by_side_say_what_differed(http, kept, forgotten):
    one = http.post("/api/runs", json=run_with(kept, 1)).json()
    changed = json.loads(json.dumps(one["body"]))
    changed["sandwich"]["passes"] = 3
    changed["sandwich"]["layers"][1]["rotation_deg"] = 15.0
    sheet = next(layer for layer in changed["sandwich"]["layers"] if layer["role"] == "sheet")
    sheet["mist_age_s"] = 20.0
    other = http.post("/api/runs", json={"sandwich_id": None, "state": "finished", "body": changed}).json()
    answer = http.get("/api/runs/compared", params={"one": one["id"], "other": other["id"]}).json()
    said = json.dumps(answer["differences"])
    assert "misted instead of dry" in said
    assert "turned by 15" in said
    assert len(answer["differences"]) == 3
    assert answer["other"]["body"]["sandwich"]["passes"] == 3
    same = http.get("/api/runs/compared", params={"one": one["id"], "other": one["id"]}).json()
    assert same["differences"] == []
    assert http.get("/api/runs/compared", params={"one": one["id"], "other": "none"}).status_code == 404


@pytest.mark.parametrize("one", SANDWICHES)
def test_no_two_demo_piles_are_the_same(one):
    """A pile differs from every other, and not from itself."""
    assert differences(SANDWICHES[one], SANDWICHES[one]) == ()
    for other in SANDWICHES:
        if other != one:
            told = differences(SANDWICHES[one], SANDWICHES[other])
            assert told
            assert all(text for text in told)
