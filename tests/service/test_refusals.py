"""Bad input and strangers: a clear error that names the field, and nothing stored."""

import copy
import json
import socket

import httpx
import pymysql
import pytest

from lofty_press.service.http.own_work import DOCUMENT


def damaged(sandwich, path, value):
    """A copy with one value replaced; the text "delete" takes the key away."""
    changed = copy.deepcopy(sandwich)
    *way, last = path
    part = changed
    for step in way:
        part = part[step]
    if value == "delete":
        del part[last]
    else:
        part[last] = value
    return changed


LAYER = {"id": "x", "item": "bed"}
BAD = [
    (("items", "bed", "thickness", "mm"), 0, "items.bed.thickness.mm"),
    (("items", "bed", "thickness", "mm"), -3.0, "items.bed.thickness.mm"),
    (("items", "bed", "thickness", "mm"), 400, "items.bed.thickness.mm"),
    (("items", "bed", "thickness", "mm"), float("nan"), "items.bed.thickness.mm"),
    (("items", "bed", "thickness", "mm"), float("inf"), "items.bed.thickness.mm"),
    (("items", "bed", "thickness", "mm"), "thick", "items.bed.thickness.mm"),
    (("items", "bed", "thickness", "inch"), 0.3, "items.bed.thickness.inch"),
    (("items", "bed", "kind"), "anvil", "items.bed.kind"),
    (("press",), "delete", "press"),
    (("press",), None, "press"),
    (("layers",), [{**LAYER, "id": f"l{n}"} for n in range(60)], "layers"),
    (("layers",), "delete", "layers"),
    (("layers", 0, "colour"), "red", "layers.0.colour"),
    (("layers", 0, "item"), "nowhere", "layers.0.item"),
    (("version",), 2, "version"),
    (("format",), "something-else", "format"),
    (("passes",), 0, "passes"),
    (("name",), "", "name"),
    (("surprise",), 1, "surprise"),
]


@pytest.mark.parametrize(("path", "value", "field"), BAD, ids=[f"{'.'.join(map(str, p))}={str(v)[:12]}" for p, v, _ in BAD])
def test_a_bad_sandwich_is_refused_with_its_field_and_nothing_is_stored(http, kept, path, value, field):
    bad = json.dumps(damaged(kept["sandwich"], path, value))
    headers = {"content-type": "application/json"}
    count = len(http.get("/api/sandwiches").json()["sandwiches"])
    judged = http.post("/api/assess", content=bad, headers=headers)
    assert judged.status_code == 422
    assert judged.json()["error"]["field"] == field
    made = http.post("/api/sandwiches", content=f'{{"sandwich": {bad}}}', headers=headers)
    assert made.status_code == 422
    assert made.json()["error"]["field"] in (field, f"sandwich.{field}")
    assert len(http.get("/api/sandwiches").json()["sandwiches"]) == count


@pytest.mark.parametrize(
    ("content", "code"), [(b"{not json", 422), (b"", 422), (b"[1, 2]", 422), (b"\xff\xfe\x00", 400), (b"[" * 50_000, 400)]
)
def test_what_is_not_a_sandwich_at_all_is_refused(http, content, code):
    answer = http.post("/api/assess", content=content, headers={"content-type": "application/json"})
    assert answer.status_code == code
    assert answer.json()["error"]["message"]


def test_an_unfinished_pile_is_judged_and_not_refused(http, kept):
    bare = damaged(kept["sandwich"], ("layers",), kept["sandwich"]["layers"][:1])
    answer = http.post("/api/assess", json=bare)
    assert answer.status_code == 200
    assert answer.json()["verdict"] is None
    assert "sheet-missing" in [f["code"] for f in answer.json()["findings"]]


def test_a_huge_body_is_refused_whether_it_admits_its_size_or_not(http):
    big = b"x" * (DOCUMENT.most + 10)
    assert http.post("/api/assess", content=big).status_code == 413

    def piecemeal():
        for _ in range(60):
            yield b"y" * 100_000

    try:
        answer = http.post("/api/assess", content=piecemeal())
        assert answer.status_code in (400, 413)
    except httpx.WriteError:
        pass  # the server closed the door while we were still pushing: as good an answer
    assert http.get("/api/health").status_code == 200


def test_what_other_programs_left_beside_the_key_locks_nobody_out(running):
    """Cookies know no ports: whatever else runs on this host sets its own (RFC 6265, section 8.5; from memory)."""
    ((name, key),) = running.door.cookies.items()
    beside = ['a={"x":1}', "b=1, 2; c", "=;;d==", 'e="half', f"not-{name}=none", "\u00e9=\u00e9"]
    with httpx.Client(base_url=running.address) as http:
        for other in beside:
            for line in (f"{other}; {name}={key}", f"{name}={key}; {other}"):
                assert http.get("/api/health", headers={"cookie": line.encode()}).status_code == 200, line
        for wrong in (f"{name}={key}x", f"{name}=", f"{name}", f"x{name}={key}", f"{name}={key[:-1]}"):
            assert http.get("/api/health", headers={"cookie": wrong}).status_code == 403, wrong


@pytest.mark.parametrize("host", ["example.invalid", "127.0.0.1:1", "localhost", ""])
def test_another_host_header_is_refused(http, host):
    answer = http.get("/api/shelf", headers={"host": host})
    assert answer.status_code == 421
    assert answer.json()["error"]["code"] == "wrong-host"


def test_another_origin_is_refused_and_our_own_is_not(http, running):
    for origin in ("http://example.invalid", "null", running.address.replace("http", "https")):
        assert http.post("/api/assess", json={}, headers={"origin": origin}).status_code == 403
    assert http.get("/api/shelf", headers={"origin": running.address}).status_code == 200


@pytest.mark.parametrize("path", ["/", "/bench/anything", "/api/shelf", "/api/none"])
def test_every_answer_carries_a_strict_policy(http, path):
    answer = http.get(path)
    policy = answer.headers["content-security-policy"]
    assert "default-src 'none'" in policy
    assert "unsafe" not in policy
    assert answer.headers["x-content-type-options"] == "nosniff"
    assert "x-style-nonce" not in answer.headers


def test_the_pages_style_nonce_is_new_each_time_and_head_is_answered(http):
    first, second = (http.get("/").headers["content-security-policy"] for _ in range(2))
    assert first != second
    assert http.head("/bench").status_code == 200


def test_unknown_addresses_of_the_api_say_so_in_json(http):
    answer = http.get("/api/nothing-here")
    assert answer.status_code == 404
    assert answer.json()["error"]["code"] == "not-found"


def test_only_loopback_listens(running):
    """Every socket of the application and of its database is bound to 127.0.0.1."""
    ports = {int(running.address.rsplit(":", 1)[1]), running.database.port}
    listening = []
    for table in ("/proc/net/tcp", "/proc/net/tcp6"):
        with open(table) as handle:
            rows = [line.split() for line in handle.readlines()[1:]]
        listening += [row[1].split(":") for row in rows if row[3] == "0A"]
    found = {(address, int(port, 16)) for address, port in listening if int(port, 16) in ports}
    assert found == {("0100007F", port) for port in ports}


def test_the_database_wants_its_password(running):
    settings = running.database.settings
    for user, password in (("root", ""), (settings.user, ""), (settings.user, "guess")):
        with pytest.raises(pymysql.err.OperationalError):
            pymysql.connect(host="127.0.0.1", port=settings.port, user=user, password=password)
    assert (running.database.folder / "password").stat().st_mode & 0o077 == 0


def test_sql_in_a_name_stays_a_name(http, kept):
    name = "'; DROP TABLE sandwiches; -- %s %(id)s"
    changed = {**kept["sandwich"], "name": name}
    http.put(f"/api/sandwiches/{kept['id']}", json={"sandwich": changed, "version": 1})
    assert name in [s["name"] for s in http.get("/api/sandwiches").json()["sandwiches"]]


def test_a_taken_port_is_no_obstacle(capsys):
    from lofty_press.runtime.serve import PREFERRED_PORT, listen

    first, second = listen(None), listen(None)
    try:
        assert first.getsockname()[1] != second.getsockname()[1]
        assert {s.getsockname()[0] for s in (first, second)} == {"127.0.0.1"}
    finally:
        first.close()
        second.close()
    with socket.socket() as holder:
        holder.bind(("127.0.0.1", 0))
        holder.listen()
        with pytest.raises(SystemExit):
            listen(holder.getsockname()[1])
        assert "is taken" in capsys.readouterr().err
    assert PREFERRED_PORT > 1024
