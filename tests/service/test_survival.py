"""The database killed in the middle of saving: what was acknowledged is there, what was not is refused in words."""

import os
import signal
import threading
import time

import httpx
import pymysql

from lofty_press.runtime.serve import in_background


def test_nothing_acknowledged_is_lost_when_the_database_is_killed(tmp_path):
    with in_background(tmp_path / "db", demo=True) as running, running.client() as http:
        first = http.get("/api/sandwiches").json()["sandwiches"][0]["id"]
        sandwich = http.get(f"/api/sandwiches/{first}").json()["sandwich"]
        acknowledged: list[int] = []
        refusals: list[httpx.Response] = []
        stop = threading.Event()

        def save_again_and_again():
            version, note = 1, 0
            with running.client() as client:
                while not stop.is_set():
                    note += 1
                    answer = client.put(f"/api/sandwiches/{first}", json={"sandwich": {**sandwich, "note": str(note)}, "version": version})
                    if answer.status_code == 200:
                        version = answer.json()["version"]
                        acknowledged.append(note)
                    elif answer.status_code == 409:
                        version = answer.json()["error"]["current"]["version"]
                    else:
                        refusals.append(answer)
                        time.sleep(0.1)

        worker = threading.Thread(target=save_again_and_again)
        worker.start()
        for _ in range(2):
            time.sleep(0.7)
            os.kill(running.database.process.pid, signal.SIGKILL)
            time.sleep(2.0)
        stop.set()
        worker.join()
        assert len(acknowledged) > 10
        assert {(r.status_code, r.json()["error"]["code"]) for r in refusals} <= {(503, "database-away")}
        stored = int(http.get(f"/api/sandwiches/{first}").json()["sandwich"]["note"])
        # a write whose acknowledgement was cut off may have landed; one that was acknowledged must have
        assert stored >= acknowledged[-1]


def test_a_second_start_on_the_same_folder_keeps_everything_and_loads_nothing_twice(tmp_path):
    for _ in range(2):
        with in_background(tmp_path / "db", demo=True) as running, running.client() as http:
            assert len(http.get("/api/sandwiches").json()["sandwiches"]) == 14


def test_what_another_version_stored_is_named_and_left_alone(running, http, kept):
    """A stored field that this version does not know is a plain refusal with the thing's name, not a crash."""
    settings = running.database.settings
    connection = pymysql.connect(
        host=settings.host, port=settings.port, user=settings.user, password=settings.password, database=settings.name
    )
    with connection, connection.cursor() as cursor:
        cursor.execute("UPDATE sandwiches SET body = JSON_INSERT(body, '$.surprise', 1) WHERE id = %(id)s", {"id": kept["id"]})
        connection.commit()
    answer = http.get(f"/api/sandwiches/{kept['id']}")
    assert answer.json()["error"]["code"] == "stored-unreadable"
    assert answer.json()["error"]["field"] == "surprise"
    assert len(http.get("/api/sandwiches").json()["sandwiches"]) > 10
    assert http.delete(f"/api/sandwiches/{kept['id']}", params={"version": 1}).status_code == 204
