"""Databases of every shape that was ever released come up with all that was in them; newer ones are left alone."""

import gzip
import json
from pathlib import Path

import pytest

from lofty_press.documents.files.shapes import SHAPE, current
from lofty_press.runtime.copies import MOST, keep_copy, put_back
from lofty_press.runtime.mariadb import MariaServer
from lofty_press.runtime.serve import bring_up_to_date, in_background
from lofty_press.service.db import migrate
from lofty_press.setup.paths import DOCS
from lofty_press.siege.kills import every
from lofty_press.siege.samples import of_piles

NEWEST = max(migrate.hashes()).removesuffix(".sql")
DATABASES = sorted(Path(__file__).with_name("databases").glob("*.sql.gz"))

ASKED: set[str] = set()
"""Piles of old databases that every computation has answered for."""


def filled(folder, file):
    """A database as it was then, not brought up to date."""
    server = MariaServer(folder)
    server.start()
    put_back(server, file)
    return server


@pytest.mark.parametrize("file", DATABASES, ids=lambda file: file.name.split(".")[0])
def test_a_database_of_then_is_read_and_worked_on_now(tmp_path, file):
    """The dumps were made by the program as it was at each of these stages, from its demo world."""
    old = gzip.decompress(file.read_bytes()).decode()
    filled(tmp_path / "db", file).stop()
    with in_background(tmp_path / "db", demo=False) as running, running.client() as http:
        sandwiches = every(http, "/api/sandwiches", "sandwiches")
        assert len(sandwiches) == 4
        for summary in sandwiches:
            record = http.get(f"/api/sandwiches/{summary['id']}").json()
            assert record["sandwich"]["name"] == summary["name"]
            judged = http.post("/api/assess", json=record["sandwich"])
            assert judged.status_code == 200, judged.text
            assert judged.json()["sentence"]
            change = {"sandwich": {**record["sandwich"], "note": "now"}, "version": record["version"]}
            assert http.put(f"/api/sandwiches/{summary['id']}", json=change).status_code == 200
        entries = every(http, "/api/shelf", "entries")
        assert len(entries) > 40
        assert [e["name"] for e in entries if e["unreadable"]] == []
        assert [(path, status) for path, status in every_reading_route(http) if status != 200] == []
        pile = http.get(f"/api/sandwiches/{sandwiches[0]['id']}").json()["sandwich"]
        if (read := json.dumps(pile, sort_keys=True)) not in ASKED:  # where two stages kept the same pile, it is asked about once
            ASKED.add(read)
            ask_everything(http, pile)
        runs = every(http, "/api/runs", "runs")
        assert len(runs) == (2 if "CREATE TABLE `runs`" in old else 0)
        assert all(http.get(f"/api/runs/{run['id']}").json()["body"]["note"] == "as it was then" for run in runs)
        plates = http.get("/api/plates").json()
        assert sum(face["marks"] for plate in plates for face in plate["faces"]) == len(marks_in(old))
    copies = list((tmp_path / "db" / "copies").glob("*.sql.gz"))
    assert len(copies) == (0 if NEWEST in old else 1)  # made before the schema changed


def ask_everything(http, pile):
    """Each computation that takes a pile answers for one that was stored long ago."""
    asked = [(sample.operation, http.request(**sample.sent())) for sample in of_piles(pile)]
    assert len(asked) > 15
    assert [(name, answer.status_code) for name, answer in asked if answer.status_code not in (200, 204, 422)] == []
    assert {name for name, answer in asked if answer.status_code == 422} <= {"orderLoss"}  # a pile without relief has none to lose


def every_reading_route(http):
    """Address and status of each route that only reads, of the first of everything that there is."""
    ids = {
        "entry_id": every(http, "/api/shelf", "entries"),
        "sandwich_id": every(http, "/api/sandwiches", "sandwiches"),
        "run_id": every(http, "/api/runs", "runs"),
        "job_id": http.get("/api/jobs").json()["jobs"],
        "item_id": [{"id": plate["item_id"]} for plate in http.get("/api/plates").json()],
    }
    press = next(entry["id"] for entry in ids["entry_id"] if entry["press"])
    runs = [run["id"] for run in ids["run_id"]]
    queries = {
        "/api/devices/motor": {"limit_n": 40},
        "/api/room/piles": {"press_id": press},
        "/api/runs/compared": {"one": runs[0], "other": runs[-1]} if runs else None,
        "/api/jobs/{job_id}/file": {"kind": "pdf"},
    }
    for path, methods in json.loads((DOCS / "openapi.json").read_text())["paths"].items():
        if "get" not in methods or any(part in path for part in ("/impressions/", "/reliefs/", "/pictures/", "/photo", "/effects/{")):
            continue  # pressed sheets, reliefs and photos are not in the dumps
        query = queries.get(path, {})
        address = path.replace("{kind}", "json").replace("{face}", "back")
        for name, found in ids.items():
            if f"{{{name}}}" in address:
                address = address.replace(f"{{{name}}}", found[0]["id"]) if found else ""
        if address and query is not None:
            yield path, http.get(address, params=query).status_code


def marks_in(dump):
    """Rows of the table of marks in a dump."""
    start = dump.find("INSERT INTO `plate_marks` VALUES")
    return [] if start < 0 else dump[start : dump.index(";", start)].split("\n(")[1:]


def test_the_oldest_kept_a_field_by_the_name_that_another_replaced():
    by_pass = next(file for file in DATABASES if "by-pass" in file.name)
    assert b"pass_number" in gzip.decompress(by_pass.read_bytes())
    first = next(file for file in DATABASES if "first" in file.name)
    assert b"holds_cut_piece" in gzip.decompress(first.read_bytes())


def test_data_of_a_newer_program_is_refused_before_anything_is_written(tmp_path, capsys):
    with in_background(tmp_path / "db", demo=False):
        pass
    server = MariaServer(tmp_path / "db")
    server.start()
    try:
        server.run_sql("UPDATE _yoyo_migration SET migration_id = '0999_later' WHERE migration_id LIKE '0005%';", database="lofty_press")
        before = server.run_sql("SHOW TABLES; SELECT * FROM _yoyo_migration;", database="lofty_press")
        with pytest.raises(SystemExit):
            bring_up_to_date(server)
        assert "newer Lofty Press (0999_later)" in capsys.readouterr().err
        assert server.run_sql("SHOW TABLES; SELECT * FROM _yoyo_migration;", database="lofty_press") == before
    finally:
        server.stop()


def test_a_lock_that_a_killed_migration_left_is_cleared(tmp_path):
    server = filled(tmp_path / "db", DATABASES[0])
    try:
        server.run_sql("INSERT INTO yoyo_lock (locked, ctime, pid) VALUES (1, NOW(), 999999);", database="lofty_press")
        bring_up_to_date(server)
        assert migrate.pending(server.settings) == []
    finally:
        server.stop()


def test_of_the_dated_copies_the_newest_stay(tmp_path):
    server = filled(tmp_path / "db", DATABASES[0])
    try:
        for number in range(MOST + 2):
            keep_copy(server, f"test-{number}")
    finally:
        server.stop()
    assert sorted(file.name.split("test-")[1][0] for file in (tmp_path / "db" / "copies").iterdir()) == [str(n) for n in range(2, MOST + 2)]


def test_migrations_that_have_landed_are_frozen(monkeypatch, tmp_path):
    assert migrate.changed_migrations() == []
    changed = tmp_path / "migrations.json"
    changed.write_text(json.dumps({**json.loads(migrate.FROZEN.read_text()), "0002_reliefs_and_impressions.sql": "0" * 64}))
    monkeypatch.setattr(migrate, "FROZEN", changed)
    assert migrate.changed_migrations() == ["0002_reliefs_and_impressions.sql"]


def test_a_body_is_converted_step_by_step_and_a_newer_one_is_refused():
    old = {"name": "A\u0007 name", "lead": "hinge", "items": {"a": {"blade": {"loose": True}}}, "layers": [{"holds_cut_piece": False}]}
    assert current("sandwich", old, 0) == {"name": "A  name", "items": {"a": {"blade": {}}}, "layers": [{}]}
    assert current("sandwich", {"lead": 1}, SHAPE) == {"lead": 1}
    with pytest.raises(ValueError, match="newer version"):
        current("sandwich", {}, SHAPE + 1)
