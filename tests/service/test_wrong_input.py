"""Input that used to be answered with a server error, or taken for what it is not."""

import socket
import time
import xml.etree.ElementTree as Tree

import pytest
from tests.service.test_data_is_kept import pile

from lofty_press.runtime import patience
from lofty_press.service.http import security


@pytest.fixture
def broken(http):
    """A sandwich one of whose layers names nothing."""
    sandwich = pile(http)
    sandwich["layers"][0]["item"] = "nowhere"
    return sandwich


@pytest.mark.parametrize(
    "path", ["recipes/order-loss", "cards", "cards/text", "cards/pdf", "impressions", "feed", "feed/together", "plates/next-run"]
)
@pytest.mark.parametrize("passes", [1, 2])
def test_a_layer_that_names_nothing_is_refused_by_field(http, broken, path, passes):
    answer = http.post(f"/api/{path}", json={**broken, "passes": passes})
    assert answer.status_code == 422
    assert answer.json()["error"]["field"] == "layers.0.item"


def test_odd_outlines_in_a_flap_are_refused(http):
    motif = {"kind": "motif", "name": "M", "thickness": {"mm": 0.3}, "width_mm": 20, "length_mm": 20, "material": "paper"}
    motif["relief"] = {"height_mm": 0.3, "span_mm": 0.5}
    flap = {"width_mm": 80, "depth_mm": 40}
    odd = [[[0, 0], [0, 0], [0, 0]], [[0, 0], [10, 10], [10, 0], [0, 10]], [[0, 0], [9, 0], [0, 0]]]
    for outline in odd:
        for path in ("flap", "flap/template/svg", "flap/template/pdf"):
            answer = http.post(f"/api/feed/{path}", json={**flap, "motif": {**motif, "outline": outline}})
            assert answer.status_code == 422, (path, outline)
            assert "outline" in answer.json()["error"]["field"]
    window = {**motif, "windows": [[[-30, -30], [30, -30], [30, 30], [-30, 30]]]}
    for path in ("flap", "flap/template/svg"):
        assert http.post(f"/api/feed/{path}", json={**flap, "motif": window}).status_code == 422


@pytest.mark.parametrize(("value", "ok"), [(9, True), (9.5, True), ("9.0", False), (True, False), (None, False), ([9], False)])
def test_a_number_is_a_number(http, value, ok):
    sandwich = pile(http)
    key = next(iter(sandwich["items"]))
    sandwich["items"][key]["width_mm"] = value
    assert (http.post("/api/assess", json=sandwich).status_code == 200) == ok
    assert http.post("/api/feed/flap", json={"width_mm": "80", "depth_mm": 40, "motif": {}}).status_code == 422


def test_control_characters_stay_out_of_names_and_drawings_stay_well_formed(http):
    item = {
        "kind": "frame",
        "name": 'A <frame> & "more" \u00e9\U0001f600',
        "thickness": {"mm": 1},
        "width_mm": 90,
        "length_mm": 90,
        "material": "paper",
    }
    drawn = http.post("/api/recipes/cutting-file", json=item)
    assert Tree.fromstring(drawn.text).tag.endswith("svg")
    for bad in ("a\u0007b", "a\nb", "a\u0000", "\ufffe"):
        answer = http.post("/api/recipes/cutting-file", json={**item, "name": bad})
        assert answer.status_code == 422
        assert "control characters" in answer.json()["error"]["message"]


def test_colours_are_colours_and_a_folder_needs_its_relief(http):
    assert http.post("/api/shelf", json={"ink": {"name": "I", "type": "dye", "colour": "red"}}).json()["error"]["field"].endswith("colour")
    folder = {
        "kind": "plain folder",
        "name": "F",
        "thickness": {"mm": 2.5},
        "width_mm": 100,
        "length_mm": 100,
        "material": "folder plastic",
    }
    assert http.post("/api/shelf", json={"item": folder}).json()["error"]["field"] == "item.relief"


def test_a_large_body_that_does_not_say_so_is_too_large(http):
    def pieces():
        for _ in range(500):
            yield b"[" * 100_000

    answer = http.post("/api/assess", content=pieces(), headers={"content-type": "application/json"})
    assert answer.status_code == 413
    assert answer.json()["error"]["code"] == "too-large"


def test_400_is_in_the_document(http):
    description = http.get("/api/openapi.json").json()
    for path, methods in description["paths"].items():
        for method, operation in methods.items():
            if path != "/api/health":
                assert "400" in operation["responses"], (method, path)


def test_slow_sockets_are_closed(running, monkeypatch):
    monkeypatch.setattr(patience, "PATIENCE", 1.0)
    monkeypatch.setattr(patience, "LOOKS", 0.2)
    monkeypatch.setattr(security, "SLOWEST", 1.0)
    port = running.door.port
    cookie = "; ".join(f"{name}={value}" for name, value in running.door.cookies.items())
    head = f"POST /api/assess HTTP/1.1\r\nHost: 127.0.0.1:{port}\r\nCookie: {cookie}\r\n"
    for rest in ("", "Content-Len", "Content-Type: application/json\r\nContent-Length: 99\r\n\r\n{"):
        with socket.create_connection(("127.0.0.1", port)) as line:
            line.settimeout(10)
            line.sendall((head + rest).encode() if rest else b"")
            began = time.monotonic()
            said = b""
            try:
                while piece := line.recv(4096):
                    said += piece
            except ConnectionResetError:
                pass
            assert time.monotonic() - began < 8
            assert b"408" in said or not said


def test_lists_go_on_where_the_last_window_ended_and_find_words(http, kept):
    whole = http.get("/api/shelf", params={"limit": 500}).json()
    found, after = [], None
    while True:
        page = http.get("/api/shelf", params={"limit": 7, **({"after": after} if after else {})}).json()
        found += [entry["id"] for entry in page["entries"]]
        after = page["next"]
        if after is None:
            break
    assert found == [entry["id"] for entry in whole["entries"]]
    assert whole["total"] == len(found)
    hits = http.get("/api/shelf", params={"q": "HARD west"}).json()
    assert [entry["name"] for entry in hits["entries"]] == ["Hard plate, west"]
    assert http.get("/api/shelf", params={"q": "100%"}).json()["total"] == 0
    assert http.get("/api/shelf", params={"category": "ink"}).json()["total"] < whole["total"]
    for bad in ("nonsense", "W10=", "WzEsIDIsIDNd"):
        for noun in ("shelf", "sandwiches", "runs"):
            assert http.get(f"/api/{noun}", params={"after": bad}).json()["error"]["field"] == "after"
    sandwiches = http.get("/api/sandwiches", params={"q": "lattice"}).json()["sandwiches"]
    assert all("attice" in s["name"] for s in sandwiches)
    assert sandwiches[0]["id"] == kept["id"]  # last worked on first
