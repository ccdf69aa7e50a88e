"""Everything out, everything in: the same on the other side, merged by identity, and refused whole where it is not right."""

import hashlib
import io
import json
import subprocess
import sys
import zipfile

import pytest

from lofty_press.cli.__main__ import main as run_command_line
from lofty_press.documents.files.archive.manifest import NAMES, kind_of
from lofty_press.documents.files.shapes import SHAPE
from lofty_press.runtime.serve import in_background
from lofty_press.service.http.own_work import OWN_WORK
from lofty_press.setup.paths import ROOT
from lofty_press.siege.archive import answers, work_a_little


@pytest.fixture(scope="module")
def other(tmp_path_factory):
    """A second application with nothing in it."""
    with in_background(tmp_path_factory.mktemp("other"), demo=False) as running:
        yield running


@pytest.fixture
def archive(http):
    work_a_little(http)
    return http.get("/api/archive").content


def opened(data):
    with zipfile.ZipFile(io.BytesIO(data)) as file:
        return {name: file.read(name) for name in file.namelist()}


def packed(files, *, manifest=None):
    """An archive of these files, with a manifest that fits them unless one is given."""
    told = {
        name: {"sha256": hashlib.sha256(body).hexdigest(), "bytes": len(body)} for name, body in files.items() if name != "manifest.json"
    }
    right = {"format": "lofty-press-archive", "version": 1, "shape": SHAPE, "made_at": "2026-11-26T00:00:00+00:00", "files": told}
    out = io.BytesIO()
    with zipfile.ZipFile(out, "w", zipfile.ZIP_DEFLATED) as file:
        for name, body in files.items():
            if name != "manifest.json":
                file.writestr(name, body)
        file.writestr("manifest.json", json.dumps({**right, **(manifest or {})}))
    return out.getvalue()


def test_a_restored_place_answers_the_same(http, other, archive):
    before = answers(http)
    with other.client(120) as there:
        look = there.post("/api/archive/look", content=archive).json()
        assert not look["taken"]
        assert look["clashing"] == 0
        assert there.get("/api/sandwiches").json()["total"] == 0
        taken = there.post("/api/archive", content=archive).json()
        assert taken["new"] == look["new"]
        after = answers(there)
        assert {path for path in before if before[path] != after.get(path)} == set()
        again = there.post("/api/archive", content=archive).json()
        assert (again["new"], again["clashing"]) == ({}, 0)
        assert again["same"]["sandwiches"] == taken["new"]["sandwiches"]


def test_what_differs_stays_unless_it_is_asked_for(http, other, archive):
    with other.client(120) as there:
        there.post("/api/archive", content=archive)
        summary = there.get("/api/sandwiches").json()["sandwiches"][0]
        address = f"/api/sandwiches/{summary['id']}"
        record = there.get(address).json()
        there.put(address, json={"sandwich": {**record["sandwich"], "note": "changed here"}, "version": record["version"]})
        look = there.post("/api/archive/look", content=archive).json()
        assert [clash["id"] for clash in look["clashes"] if clash["kind"] == "sandwiches"] == [summary["id"]]
        there.post("/api/archive", content=archive)
        assert there.get(address).json()["sandwich"]["note"] == "changed here"
        there.post("/api/archive", content=archive, params={"clashes": "take"})
        assert there.get(address).json()["sandwich"]["note"] == record["sandwich"]["note"]


def test_an_archive_is_open(archive):
    files = opened(archive)
    assert {kind_of(name)[0] for name in files if name != "manifest.json"} >= {
        "shelf",
        "sandwiches",
        "jobs",
        "paper",
        "practice",
        "reliefs",
        "heights",
        "outlines",
        "runs",
        "photos",
        "pictures",
        "plates",
        "patterns",
    }
    manifest = json.loads(files["manifest.json"])
    assert set(manifest["files"]) == set(files) - {"manifest.json"}
    for name, body in files.items():
        if name != "manifest.json":
            assert manifest["files"][name]["sha256"] == hashlib.sha256(body).hexdigest()
    assert files[next(n for n in files if n.endswith(".jpg"))][:3] == b"\xff\xd8\xff"
    assert files[next(n for n in files if n.endswith(".tif"))][:2] == b"II"
    assert len(NAMES) == 13


def spoiled(archive):
    """Archives that must not be taken in, by what is wrong with each."""
    files = opened(archive)
    one = next(name for name in files if name.startswith("sandwiches/"))
    jpg = next(name for name in files if name.startswith("runs/") and name.endswith(".jpg"))
    run = jpg.replace(".jpg", ".json")
    tif = next(name for name in files if name.endswith(".tif"))
    yield "cut off", archive[: len(archive) // 2]
    yield "no zip", b"not an archive at all"
    yield "changed", packed({**files, one: files[one] + b" "}, manifest={"files": json.loads(files["manifest.json"])["files"]})
    yield "newer", packed(files, manifest={"version": 2})
    yield "newer shape", packed(files, manifest={"shape": SHAPE + 1})
    yield "foreign", packed(files, manifest={"format": "other"})
    yield "beside", packed({**files, "readme.txt": b"hello"})
    yield "elsewhere", packed({**files, "../evil.json": b"{}"})
    yield "dots", packed({**files, "shelf/...json": b"{}"})
    yield "isn't named", packed(files, manifest={"files": {}})
    yield "missing", packed({n: b for n, b in files.items() if n != one}, manifest={"files": json.loads(files["manifest.json"])["files"]})
    yield "no row", packed({**files, one: b'{"name": "x"}'})
    yield "no photo", packed({**files, jpg: b"\xff\xd8\xffnothing"})
    yield "photo of nobody", packed({n: b for n, b in files.items() if n != run})
    yield "no heights", packed({**files, tif: b"II*\0broken"})
    yield "a moment that is none", packed(files, manifest={"made_at": "\ud800"})
    yield "no moment", packed(files, manifest={"made_at": "yesterday"})
    yield "long id", packed({**{n: b for n, b in files.items() if n != one}, "sandwiches/" + "x" * 37 + ".json": files[one]})
    yield "half a character", packed({**files, one: files[one].replace(b'"name": "', b'"name": "\\ud800', 1)})
    yield "beyond numbers", packed({**files, one: files[one].replace(b'"version": 1,', b'"version": 1e999,', 1)})
    yield "wrong time", packed({**files, one: files[one].replace(b'"created_at": "2026', b'"created_at": "9026')})
    bomb = io.BytesIO()
    with zipfile.ZipFile(bomb, "w", zipfile.ZIP_DEFLATED, compresslevel=1) as file:
        for n in range(65):
            file.writestr(f"shelf/{n}.json", b" " * 31_000_000)
    assert len(bomb.getvalue()) < OWN_WORK["restore"].most
    yield "bomb", bomb.getvalue()


def test_what_is_not_right_is_refused_whole(http, other, archive):
    for what, data in spoiled(archive):
        with other.client(60) as there:
            before = there.get("/api/sandwiches").json()["total"], there.get("/api/shelf").json()["total"]
            answer = there.post("/api/archive", content=data)
            assert answer.status_code == 422, what
            assert answer.json()["error"]["field"] == "archive", (what, answer.text)
            assert (there.get("/api/sandwiches").json()["total"], there.get("/api/shelf").json()["total"]) == before, what
    assert list((other.database.folder / "scratch").iterdir()) == []


def test_what_this_version_cannot_read_is_said_and_kept_as_it_was(http, other, archive):
    """A backup of something that could not be read comes back the same, and nobody is surprised by it later."""
    files = opened(archive)
    one = next(name for name in files if name.startswith("sandwiches/"))
    row = json.loads(files[one])
    row["body"], row["name"] = {}, "Of another time"
    data = packed({"sandwiches/0-unread.json": json.dumps(row).encode()})
    with other.client(60) as there:
        for way in ("/look", ""):
            told = there.post(f"/api/archive{way}", content=data).json()
            assert told["unread"] == 1
            (part,) = told["unreadable"]
            assert (part["kind"], part["id"], part["name"]) == ("sandwiches", "0-unread", "Of another time")
            assert part["why"]
        assert json.loads(there.get("/api/sandwiches/0-unread/raw").json()["body"]) == {}
        assert there.get("/api/sandwiches/0-unread").status_code == 409
        assert there.post("/api/archive/look", content=archive).json()["unread"] == 0
        assert there.delete("/api/sandwiches/0-unread", params={"version": row["version"]}).status_code in (204, 409)


def test_a_setting_that_differs_is_asked_about_and_one_that_is_the_same_is_not_new(http, other, archive):
    with other.client(60) as there:
        there.post("/api/archive", content=archive, params={"clashes": "take"})
        theirs = json.loads(opened(archive)["settings.json"])["unit"]
        there.put("/api/settings/unit", json="mm" if theirs == "in" else "in")
        look = there.post("/api/archive/look", content=archive).json()
        assert [clash["name"] for clash in look["clashes"] if clash["kind"] == "settings"] == ["Unit of length"]
        there.post("/api/archive", content=archive)
        assert there.get("/api/settings").json()["unit"] != theirs
        there.post("/api/archive", content=archive, params={"clashes": "take"})
        assert there.get("/api/settings").json()["unit"] == theirs


def test_the_service_reads_nothing_of_an_archive_itself(other, archive, monkeypatch):
    def read_here(*_):
        raise AssertionError("the service looked into it")

    for module in (
        "lofty_press.documents.files.archive.read",
        "lofty_press.service.keeping.archive.look_through",
        "lofty_press.service.keeping.archive.restore",
    ):
        monkeypatch.setattr(f"{module}.open_archive" if "restore" not in module else f"{module}.look_through", read_here)
    with other.client(60) as there:
        assert there.post("/api/archive", content=archive).status_code == 200  # workers are processes of their own


def test_the_same_key_in_two_files_stands_for_two_reliefs(http, kept):
    star, bar = (
        http.post("/api/reliefs", content=shape, params={"use": "plateau", "width_mm": 40, "keep": True}).json()["id"]
        for shape in (
            b'<svg xmlns="http://www.w3.org/2000/svg"><path d="M0 0h9v9h-9z"/></svg>',
            b'<svg xmlns="http://www.w3.org/2000/svg"><path d="M0 0h9v3h-9z"/></svg>',
        )
    )
    taken = []
    for relief in (star, bar):
        sandwich = json.loads(json.dumps(kept["sandwich"]))
        item = next(item for item in sandwich["items"].values() if item["relief"])
        item["relief"]["map"], item["shelf_id"] = relief, None
        record = http.post("/api/sandwiches", json={"sandwich": sandwich}).json()
        text = http.get(f"/api/sandwiches/{record['id']}/file").text.replace(relief, "mine")
        made = http.post("/api/sandwiches/file", content=text).json()
        taken.append(next(item["relief"]["map"] for item in made["sandwich"]["items"].values() if item["relief"]))
    assert taken == [star, bar]


@pytest.mark.parametrize("kind", ["json", "csv"])
def test_the_shelf_goes_out_and_comes_in(http, other, kind):
    text = http.get(f"/api/shelf/file/{kind}").content
    with other.client(60) as there:
        before = there.get("/api/shelf").json()["total"]
        shown = there.post("/api/shelf/file", content=text).json()
        assert not shown["taken"]
        assert there.get("/api/shelf").json()["total"] == before
        taken = there.post("/api/shelf/file", content=text, params={"take": True}).json()
        count = taken["presses"] + taken["items"] + taken["inks"]
        assert there.get("/api/shelf").json()["total"] == before + count
        if before == 0:
            assert there.get(f"/api/shelf/file/{kind}").content == text


@pytest.mark.parametrize(
    ("text", "field"),
    [
        (b"name,kind\nx,y\n", "line 1"),
        (b"is,kind,name,thickness.mm\nitem,hard plate,Plate,thick\n", "line 2, thickness.mm"),
        (b"is,name,opening.mm\npress,P,17\nchair,Q,3\n", "line 3"),
        (b"is,name,type,colour\nink,I,dye,red\n", "line 2, colour"),
        (b"is,kind,name,thickness.mm,width_mm,length_mm,material\nitem,plain folder,F,2.5,100,100,folder plastic\n", "line 2.relief"),
        (b"\xff\xfe\0", "shelf"),
        (b'{"format": "other"}', "format"),
    ],
)
def test_a_wrong_table_names_line_and_column_and_puts_nothing_on_the_shelf(http, text, field):
    before = http.get("/api/shelf").json()["total"]
    answer = http.post("/api/shelf/file", content=text, params={"take": True})
    assert answer.status_code == 422
    assert answer.json()["error"]["field"] == field
    assert http.get("/api/shelf").json()["total"] == before


def test_every_run_can_be_listed_and_leaves_as_a_file(http, kept):
    for _ in range(7):
        http.post("/api/runs", json={"body": {"sandwich": kept["sandwich"]}})
    first = http.get("/api/runs", params={"limit": 3}).json()
    second = http.get("/api/runs", params={"limit": 3, "after": first["next"]}).json()
    assert len({run["id"] for run in (*first["runs"], *second["runs"])}) == 6
    total = first["total"]
    assert len(http.get("/api/runs/file/json").json()) == total
    rows = http.get("/api/runs/file/csv").text.strip().split("\r\n")
    assert len(rows) == total + 1
    assert first["runs"][0]["created_at"].endswith("Z")


def test_backup_and_restore_by_command(tmp_path, monkeypatch, capsys, running):
    """While it runs and while it does not; from one folder into another."""
    monkeypatch.setattr("lofty_press.setup.debian.ensure", lambda *_: None)
    file = tmp_path / "all.zip"
    assert command(monkeypatch, "backup", str(file), "--folder", str(running.database.folder)) == 0
    with pytest.raises(SystemExit):
        command(monkeypatch, "backup", str(file), "--folder", str(running.database.folder))
    assert "is there already" in capsys.readouterr().err
    assert command(monkeypatch, "restore", str(file), "--folder", str(tmp_path / "new")) == 0
    assert json.loads(capsys.readouterr().out)["taken"]
    again = tmp_path / "again.zip"
    assert command(monkeypatch, "backup", str(again), "--folder", str(tmp_path / "new")) == 0
    strip = {name: body for name, body in opened(again.read_bytes()).items() if name != "manifest.json"}
    assert strip == {name: body for name, body in opened(file.read_bytes()).items() if name != "manifest.json"}
    file.write_bytes(b"broken")
    with pytest.raises(SystemExit):
        command(monkeypatch, "restore", str(file), "--folder", str(running.database.folder))
    assert "isn't a whole archive" in capsys.readouterr().err
    assert [path.name for path in tmp_path.iterdir() if path.name.startswith(".lofty-")] == []


def command(monkeypatch, *arguments):
    monkeypatch.setattr(sys, "argv", ["lofty", *arguments])
    return run_command_line()


def test_a_port_that_is_none_gets_words(tmp_path):
    script = "import sys; from pathlib import Path; from lofty_press.runtime.serve import serve; serve(Path(sys.argv[1]), demo=False, port=99999)"
    done = subprocess.run(
        [sys.executable, "-c", script, str(tmp_path / "x")], capture_output=True, text=True, env={"PYTHONPATH": str(ROOT / "src")}
    )
    assert done.returncode == 1
    assert "99999 is no port" in done.stderr
    assert "Traceback" not in done.stderr
