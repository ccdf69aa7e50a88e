"""What a start, a stop, a broken connection or a second try may do to data: nothing."""

import os
import signal
import stat
import threading
import time
import uuid

import httpx
import pymysql
import pytest

from lofty_press.runtime import mariadb
from lofty_press.runtime.mariadb import MariaServer, NotStarted
from lofty_press.runtime.serve import farewell, in_background
from lofty_press.service.db.connection import Database
from lofty_press.service.db.faults import service_error
from lofty_press.service.http.errors import Busy, DatabaseAway, DiskFull


def names(http):
    return [s["name"] for s in http.get("/api/sandwiches").json()["sandwiches"]]


def pile(http):
    first = http.get("/api/sandwiches").json()["sandwiches"][0]["id"]
    return http.get(f"/api/sandwiches/{first}").json()["sandwich"]


@pytest.fixture
def database(running):
    opened = Database(running.database.settings)
    yield opened
    opened.close()


def cut_off(running, cursor):
    """End the connection of a cursor from outside."""
    cursor.execute("SELECT CONNECTION_ID() AS id")
    running.database.run_sql(f"KILL CONNECTION {cursor.fetchone()['id']};")


def test_without_its_password_file_everything_is_still_there(tmp_path):
    with in_background(tmp_path / "own", demo=True) as running, running.client() as http:
        before = names(http)
    (tmp_path / "own" / "password").unlink()
    with in_background(tmp_path / "own", demo=False) as running, running.client() as http:
        assert names(http) == before
        assert stat.S_IMODE((tmp_path / "own" / "password").stat().st_mode) == 0o600


def test_empty_half_and_unreadable_data_are_told_apart(tmp_path, capsys, monkeypatch):
    half = MariaServer(tmp_path / "half")
    (half.data / "mysql").mkdir(parents=True)
    (half.data / "notes.txt").write_text("mine")
    with pytest.raises(SystemExit):
        half.start()
    half.stop()
    assert "does not hold a whole database" in capsys.readouterr().err
    assert (half.data / "notes.txt").read_text() == "mine"
    empty = MariaServer(tmp_path / "empty")
    empty.data.mkdir(parents=True)
    assert not empty._has_data()
    (empty.data / "mysql").mkdir()
    (empty.data / "ibdata1").touch()
    monkeypatch.setattr(os, "access", lambda *_: False)
    with pytest.raises(SystemExit):
        empty._has_data()
    assert "is read-only. It was left as it is" in capsys.readouterr().err
    empty.stop()


def test_a_folder_that_cannot_be_written_is_said_in_words(tmp_path, capsys):
    (tmp_path / "file").write_text("")
    with pytest.raises(SystemExit):
        MariaServer(tmp_path / "file").start()
    assert "cannot write in file" in capsys.readouterr().err


def test_a_connection_that_breaks_inside_a_transaction_fails_all_of_it(running, database):
    """The second statement must not go through alone on a connection that was opened anew."""
    one, two = (str(uuid.uuid4()) for _ in range(2))
    insert = "INSERT INTO sandwiches (id, name, body) VALUES (%(id)s, 'half', '{}')"

    def write_both():
        with database.writing() as connection, connection.cursor() as cursor:
            cursor.execute(insert, {"id": one})
            cut_off(running, cursor)
            cursor.execute(insert, {"id": two})

    with pytest.raises(DatabaseAway) as refused:
        write_both()
    assert refused.value.detail.written == "no"
    with database.reading() as connection, connection.cursor() as cursor:
        cursor.execute("SELECT COUNT(*) AS found FROM sandwiches WHERE id IN (%(one)s, %(two)s)", {"one": one, "two": two})
        assert cursor.fetchone()["found"] == 0


def test_a_connection_that_breaks_while_committing_leaves_open_what_was_kept(running, database):
    def write():
        with database.writing() as connection, connection.cursor() as cursor:
            cut_off(running, cursor)

    with pytest.raises(DatabaseAway) as refused:
        write()
    assert refused.value.detail.written == "unknown"
    assert "Sending it again keeps it once" in refused.value.detail.message
    assert database.unkept


def test_a_reading_transaction_cannot_write(database):
    with pytest.raises(pymysql.err.Error), database.reading() as connection, connection.cursor() as cursor:
        cursor.execute("DELETE FROM sandwiches")


def test_a_second_connection_within_a_request_is_a_mistake_that_shows_at_once(database):
    with database.reading(), pytest.raises(RuntimeError, match="second connection"), database.reading():
        pass


@pytest.mark.parametrize(
    ("code", "text", "kind"),
    [
        (1114, "The table is full", DiskFull),
        (1030, "Got error 28 from storage engine", DiskFull),
        (1213, "Deadlock", Busy),
        (2006, "gone away", DatabaseAway),
    ],
)
def test_what_the_driver_says_is_put_into_words(code, text, kind):
    assert isinstance(service_error(pymysql.err.OperationalError(code, text), written="no"), kind)


@pytest.mark.parametrize("way", ["sandwiches", "shelf", "runs", "copy", "file"])
def test_a_creation_that_is_repeated_with_its_key_makes_one_thing(http, kept, way):
    requests = {
        "sandwiches": ("/api/sandwiches", {"json": {"sandwich": kept["sandwich"]}}),
        "shelf": ("/api/shelf", {"json": {"ink": {"name": "Once", "type": "dye"}}}),
        "runs": ("/api/runs", {"json": {"body": {"sandwich": kept["sandwich"]}}}),
        "copy": (f"/api/sandwiches/{kept['id']}/copy", {}),
        "file": ("/api/sandwiches/file", {"json": kept["sandwich"]}),
    }
    path, body = requests[way]
    key = {"idempotency-key": str(uuid.uuid4())}
    first, again = (http.post(path, headers=key, **body) for _ in range(2))
    assert (first.status_code, again.status_code) == (201, 201)
    assert first.json()["id"] == again.json()["id"]
    assert http.post(path, headers={"idempotency-key": str(uuid.uuid4())}, **body).json()["id"] != first.json()["id"]
    noun = path.split("/")[2]
    http.delete(f"/api/{noun}/{first.json()['id']}", params={"version": 1})


def test_a_key_stands_for_one_request_only(http):
    key = {"idempotency-key": str(uuid.uuid4())}
    assert http.post("/api/shelf", json={"ink": {"name": "One", "type": "dye"}}, headers=key).status_code == 201
    refused = http.post("/api/shelf", json={"ink": {"name": "Two", "type": "dye"}}, headers=key)
    assert (refused.status_code, refused.json()["error"]["code"]) == (422, "key-used")


def test_twins_that_arrive_together_make_one_thing(running, http):
    key, answers = {"idempotency-key": str(uuid.uuid4())}, []

    def ask():
        with running.client() as client:
            answers.append(client.post("/api/shelf", json={"ink": {"name": "Twin", "type": "dye"}}, headers=key).json()["id"])

    threads = [threading.Thread(target=ask) for _ in range(6)]
    for thread in threads:
        thread.start()
    for thread in threads:
        thread.join()
    assert len(set(answers)) == 1


def test_sixteen_runs_that_end_at_once_do_not_wait_for_one_another_for_ever(running, http):
    """Each has two passes and a blade whose map nobody knows."""
    cut = next(s for s in http.get("/api/sandwiches", params={"q": "station arch, cut"}).json()["sandwiches"])
    sandwich = http.get(f"/api/sandwiches/{cut['id']}").json()["sandwich"]
    for item in sandwich["items"].values():
        if item["blade"]:
            item["blade"]["map"] = "nobody-knows"
    sandwich["passes"] = 2
    runs = [http.post("/api/runs", json={"body": {"sandwich": sandwich}}).json() for _ in range(16)]
    statuses = []

    def end(run):
        body = {"version": 1, "state": "finished", "body": {"sandwich": sandwich, "turns": 2}}
        with running.client(60) as client:
            statuses.append(client.put(f"/api/runs/{run['id']}", json=body).status_code)

    threads = [threading.Thread(target=end, args=(run,)) for run in runs]
    for thread in threads:
        thread.start()
    assert http.get("/api/shelf").status_code == 200
    for thread in threads:
        thread.join(60)
    assert statuses == [200] * 16


def test_a_run_on_a_plate_with_an_odd_id_still_ends(http):
    cut = next(s for s in http.get("/api/sandwiches", params={"q": "station arch, cut"}).json()["sandwiches"])
    sandwich = http.get(f"/api/sandwiches/{cut['id']}").json()["sandwich"]
    for item in sandwich["items"].values():
        item["shelf_id"] = "plåt"
    run = http.post("/api/runs", json={"body": {"sandwich": sandwich}}).json()
    body = {"version": 1, "state": "finished", "body": {"sandwich": sandwich, "turns": 1}}
    assert http.put(f"/api/runs/{run['id']}", json=body).status_code == 200


def test_a_server_that_hangs_while_starting_is_ended_for_good_and_said(tmp_path, monkeypatch):
    server = MariaServer(tmp_path / "db")
    server.folder.mkdir()
    monkeypatch.setattr(MariaServer, "_command", lambda _: ["sleep", "60"])
    with pytest.raises(NotStarted, match="did not answer within"):
        server._launch(0.5)
    assert server.process.poll() is not None
    server.stop()


def test_a_full_disk_is_named_before_the_database_is_started(tmp_path, monkeypatch):
    server = MariaServer(tmp_path / "db")
    server.folder.mkdir()
    monkeypatch.setattr(mariadb, "free_room", lambda _: 1_000_000)
    with pytest.raises(NotStarted, match="the disk is full"):
        server._launch(5)
    server.stop()


def test_the_supervisor_goes_on_until_it_works(tmp_path, monkeypatch, capsys):
    with in_background(tmp_path / "db", demo=False) as running, running.client() as http:
        launch, tries, room = MariaServer._launch, [], threading.Event()
        wait, pauses = running.database.stopping.wait, []

        def paused(seconds):
            pauses.append(seconds)
            return wait(seconds)

        def in_vain(self, patience):
            tries.append((pauses[-1], patience))
            if not room.is_set():
                raise NotStarted("the disk is full: no room")
            launch(self, patience)

        monkeypatch.setattr(running.database.stopping, "wait", paused)
        while not pauses:
            time.sleep(0.05)
        monkeypatch.setattr(MariaServer, "_launch", in_vain)
        os.kill(running.database.process.pid, signal.SIGKILL)
        deadline = time.monotonic() + 60
        while len(tries) < 3 and time.monotonic() < deadline:
            time.sleep(0.05)
        refused = http.put("/api/settings/unit", json="mm")
        assert (refused.status_code, refused.json()["error"]["code"]) == (507, "disk-full")
        assert refused.json()["error"]["written"] == "no"
        assert "not saved yet" in farewell(running)
        while len(tries) < 4 and time.monotonic() < deadline:
            time.sleep(0.05)
        room.set()
        deadline = time.monotonic() + 120
        while http.put("/api/settings/unit", json="mm").status_code != 204 and time.monotonic() < deadline:
            time.sleep(0.1)
        while running.database.trouble is not None and time.monotonic() < deadline:  # it may serve before its keeper has said so
            time.sleep(0.1)
        assert farewell(running) == "stopped; everything is saved"
        _, (second, _), (third, _), (fourth, patience) = tries[:4]
        assert fourth > 1.3 * third > 1.3 * 1.3 * second  # the pauses grow
        assert patience > tries[0][1]  # and so does what a start may take
    assert "tried again until it works" in capsys.readouterr().err


def test_only_who_has_the_link_gets_in(running):
    with httpx.Client(base_url=running.address) as stranger:
        for path in ("/", "/bench", "/api/shelf", "/api/health", "/assets/anything.js", "/enter", "/enter?key=guess"):
            assert stranger.get(path).status_code == 403, path
        assert stranger.post("/api/sandwiches", json={}).json()["error"]["code"] == "not-let-in"
        assert "Open the link that it printed" in stranger.get("/").text
        let_in = stranger.get(running.link)
        assert let_in.status_code == 303
        cookie = let_in.headers["set-cookie"].lower()
        assert "httponly" in cookie
        assert "samesite=strict" in cookie
        assert stranger.get("/api/shelf").status_code == 200


def test_the_key_is_told_only_in_files_of_the_owner(running):
    for name in ("running.json", "open.html"):
        file = running.database.folder / name
        assert running.door.key in file.read_text()
        assert stat.S_IMODE(file.stat().st_mode) == 0o600
