"""Pressed sheets and reliefs over HTTP, kept in the real database."""

import base64
import io
import json
import time
from contextlib import closing
from types import SimpleNamespace

import httpx
import numpy as np
import pytest
import tifffile
from PIL import Image

from lofty_press.core.basics.errors import NotSettled
from lofty_press.core.mechanics.forming.rolled import Rolled
from lofty_press.demo.reliefs.library import demo_relief
from lofty_press.demo.sandwiches import SANDWICHES
from lofty_press.documents.files.sandwich_file import SANDWICH, read_sandwich_file
from lofty_press.documents.kept.impression_key import impression_key
from lofty_press.documents.kept.packed import unpack
from lofty_press.service.db.connection import Database
from lofty_press.service.keeping.impressions import jobs, repository
from lofty_press.service.keeping.impressions.runs import unsettled_words

STAR = b"""<svg xmlns="http://www.w3.org/2000/svg" width="40mm" height="40mm" viewBox="0 0 60 60">
<path d="M30 4 L37 22 L56 23 L41 35 L46 54 L30 43 L14 54 L19 35 L4 23 L23 22 Z"/></svg>"""


def wait_for(http: httpx.Client, key: str, *, seconds: float = 240) -> dict:
    deadline = time.monotonic() + seconds
    while time.monotonic() < deadline:
        answer = http.get(f"/api/impressions/{key}").json()
        if answer["state"] not in ("waiting", "running"):
            return answer
        time.sleep(0.1)
    raise AssertionError("the run did not end")


def variant(sandwich: dict, shift: float) -> dict:
    """The same pile with its sheet in another place, so that nothing is kept of it yet."""
    layers = [{**layer, "x_mm": shift} if layer["role"] == "sheet" else layer for layer in sandwich["layers"]]
    return {**sandwich, "layers": layers}


def test_a_coarse_sheet_at_once_and_the_full_one_after_it_is_kept_and_used_again(http, kept):
    sandwich = variant(kept["sandwich"], 5.11)
    first = http.post("/api/impressions", json=sandwich, params={"tab": "t1"}).json()
    assert first["stage"] == "coarse"
    assert first["state"] in ("waiting", "running")
    assert first["result"]["panel"]["spacing_mm"] == pytest.approx(0.8)
    before = http.post("/api/assess", json=sandwich).json()["forming"]
    assert before["estimate"] is True
    done = wait_for(http, first["key"])
    assert (done["state"], done["stage"]) == ("done", "full")
    assert done["result"]["panel"]["spacing_mm"] == pytest.approx(0.2)
    figures = done["result"]["figures"]
    assert figures["solver"]["residual"] <= 1e-3
    after = http.post("/api/assess", json=sandwich).json()["forming"]
    assert after["estimate"] is False
    assert after["crack_index"] == figures["crack_index"]
    again = http.post("/api/impressions", json={**sandwich, "name": "Another name", "note": "n"}, params={"tab": "t2"}).json()
    assert (again["key"], again["state"], again["stage"]) == (done["key"], "done", "full")


def test_fields_and_files_of_a_sheet_agree(http, kept):
    key = http.post("/api/impressions", json=variant(kept["sandwich"], 5.12), params={"tab": "t3"}).json()["key"]
    panel = wait_for(http, key)["result"]["panel"]
    upper = unpack(http.get(f"/api/impressions/{key}/fields/upper").content).values
    assert list(upper.shape) == panel["cells"]
    with tifffile.TiffFile(io.BytesIO(http.get(f"/api/impressions/{key}/files/tiff").content)) as file:
        values, scale = file.pages[0].asarray(), json.loads(file.pages[0].description)
    inside = values > 0
    assert scale["lowest_mm"] + scale["step_mm"] * values[inside] == pytest.approx(upper[inside], abs=1e-4)
    picture = f"/api/impressions/{key}/files/png"
    assert http.get(picture, params={"face": "back"}).content[:4] == b"\x89PNG"
    red = np.asarray(Image.open(io.BytesIO(http.get(picture, params={"colour": "#c03020"}).content)).convert("RGB"), dtype=float)
    middle = red[red.shape[0] // 2, red.shape[1] // 2]
    assert middle[0] > 2 * middle[1]  # in the paper that is asked for
    assert http.get(picture, params={"colour": "red"}).status_code == 422
    assert len(http.get(f"/api/impressions/{key}/files/stl").content) > 1000
    rows = http.get(f"/api/impressions/{key}/profile", params={"x0": 0, "y0": -30, "x1": 0, "y1": 30}).text.splitlines()
    assert rows[0] == "along_mm,tool_mm,pressed_mm,released_mm"
    released = np.array([float(row.split(",")[3]) for row in rows[1:]])
    assert np.ptp(released) > 0.1
    assert http.get(f"/api/impressions/{key}/profile", params={"x0": 1, "y0": 1, "x1": 1, "y1": 1}).status_code == 422


def test_a_newer_wish_of_the_same_tab_stops_the_older_one_and_a_run_can_be_stopped_by_hand(http, kept):
    first, second = (
        http.post("/api/impressions", json=variant(kept["sandwich"], x), params={"tab": "t4"}).json()["key"] for x in (5.13, 5.14)
    )
    assert wait_for(http, first)["state"] in ("stopped", "done")
    assert http.delete(f"/api/impressions/{second}/run").status_code == 204
    stopped = wait_for(http, second)
    assert stopped["state"] in ("stopped", "done")
    assert stopped["result"] is not None


def test_what_nobody_looked_at_longest_goes_first(http, kept, running, monkeypatch):
    """One sheet, kept under three keys: what goes is a matter of when each was looked at."""
    monkeypatch.setattr(repository, "MOST", 2)
    made = http.post("/api/impressions", json=variant(kept["sandwich"], 5.11), params={"tab": "t5"}).json()["key"]
    wait_for(http, made)
    keys = [f"{n:032x}" for n in range(3)]
    with closing(Database(running.database.settings)) as database:
        with database.reading() as connection:
            one = repository.get_impression(connection, made)
            fields = {name: repository.get_field(connection, made, name) for name in one.fields}
        sheet = SimpleNamespace(figures=one.figures, panel=one.panel, fields=fields)
        for key, looked_at in ((keys[0], None), (keys[1], keys[0]), (keys[2], None)):
            with database.writing() as connection:
                repository.keep_impression(connection, key, sheet)
            time.sleep(0.005)  # moments are kept to the millisecond
            if looked_at is not None:
                with database.writing() as connection:
                    repository.mark_used(connection, looked_at)
        with database.reading() as connection:
            left = [key for key in keys if repository.get_impression(connection, key) is not None]
    assert left == [keys[0], keys[2]]


def test_what_cannot_be_pressed_is_refused_in_words(http):
    two = next(s for s in http.get("/api/sandwiches").json()["sandwiches"] if s["name"] == "Sheave on two plates")
    sandwich = http.get(f"/api/sandwiches/{two['id']}").json()["sandwich"]
    answer = http.post("/api/impressions", json=sandwich)
    assert answer.status_code == 422
    assert "take a layer out" in answer.json()["error"]["message"]


def test_names_do_not_change_the_key_and_thicknesses_do(kept):
    sandwich = SANDWICH.validate_python(kept["sandwich"])
    body = SANDWICH.dump_python(sandwich, mode="json")
    renamed = SANDWICH.validate_python(
        {**body, "name": "x", "layers": [{**layer, "id": f"n{n}"} for n, layer in enumerate(body["layers"])]}
    )
    assert impression_key(renamed) == impression_key(sandwich)
    assert impression_key(SANDWICH.validate_python({**body, "passes": 4})) != impression_key(sandwich)
    item = {**body["items"]["hard-a"], "thickness": {**body["items"]["hard-a"]["thickness"], "mm": 3.01}}
    assert impression_key(SANDWICH.validate_python({**body, "items": {**body["items"], "hard-a": item}})) != impression_key(sandwich)


def test_a_relief_is_shown_first_and_kept_only_when_wished(http):
    wish = {"use": "plateau", "width_mm": 40, "depth_mm": 0.25}
    shown = http.post("/api/reliefs", content=STAR, params=wish).json()
    assert shown["id"] is None
    assert shown["picture"].startswith("data:image/png;base64,")
    assert base64.b64decode(shown["picture"].split(",")[1])[:4] == b"\x89PNG"
    kept = http.post("/api/reliefs", content=STAR, params={**wish, "keep": True, "name": "Star"}).json()
    assert http.post("/api/reliefs", content=STAR, params={**wish, "keep": True}).json()["id"] == kept["id"]
    assert http.get(f"/api/reliefs/{kept['id']}/picture").headers["content-type"] == "image/png"
    assert http.get("/api/reliefs/alder-monogram/picture").status_code == 200
    assert http.get("/api/reliefs/unknown/picture").status_code == 404


@pytest.mark.parametrize(
    ("data", "wish", "field"),
    [(b"", {}, "file"), (b"nonsense", {}, "file"), (STAR, {"use": "relief"}, "use"), (STAR, {"depth_mm": -1}, "depth_mm")],
)
def test_a_bad_relief_names_the_field(http, data, wish, field):
    answer = http.post("/api/reliefs", content=data, params={"keep": True, **wish})
    assert answer.status_code == 422
    assert answer.json()["error"]["field"].endswith(field)


def test_a_file_that_is_too_large_is_refused_before_it_is_read(http):
    answer = http.post("/api/reliefs", content=b"\0" * 25_000_000)
    assert answer.status_code == 413
    assert "24 MB" in answer.json()["error"]["message"]


def test_a_sandwich_travels_with_the_reliefs_of_its_tools(http, kept):
    star = http.post("/api/reliefs", content=STAR, params={"use": "plateau", "width_mm": 40, "keep": True}).json()["id"]
    sandwich = json.loads(json.dumps(kept["sandwich"]))
    sandwich["items"]["rail-lattice"] = {**sandwich["items"]["rail-lattice"], "shelf_id": None}
    sandwich["items"]["rail-lattice"]["relief"]["map"] = star
    record = http.post("/api/sandwiches", json={"sandwich": sandwich}).json()
    text = http.get(f"/api/sandwiches/{record['id']}/file").content
    content = read_sandwich_file(text)
    assert set(content.reliefs) == {star}
    taken = http.post("/api/sandwiches/file", content=text).json()
    assert taken["sandwich"]["items"]["rail-lattice"]["relief"]["map"] == star
    broken = json.loads(text)
    broken["reliefs"][star] = "not base64!"
    before = len(http.get("/api/sandwiches").json()["sandwiches"])
    answer = http.post("/api/sandwiches/file", content=json.dumps(broken))
    assert answer.status_code == 422
    assert star in answer.json()["error"]["field"]
    assert len(http.get("/api/sandwiches").json()["sandwiches"]) == before
    for one in (record, taken):
        http.delete(f"/api/sandwiches/{one['id']}", params={"version": one["version"]})


def test_a_nip_that_does_not_settle_is_told_and_nothing_of_it_shown(monkeypatch):
    monkeypatch.setattr(jobs, "roll", lambda *_, **__: Rolled(None, converged=False, unbalanced=0.02))
    found = jobs.full(SimpleNamespace(library=demo_relief, tell=lambda _: None), SANDWICHES["arch-cut"])
    assert found == jobs.Unsettled("nip", 0.02)
    assert "(0.02 of it was left)" in unsettled_words(found)
    with pytest.raises(NotSettled, match=r"0\.02 of its"):
        Rolled(None, converged=False, unbalanced=0.02).settled()
