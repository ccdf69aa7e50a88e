"""Every documented route, asked wrongly: refused in the one shape, and nothing changes."""

import json
import re

import pytest

from lofty_press.demo.jobs import COVERS
from lofty_press.setup.paths import DOCS

DESCRIPTION = json.loads((DOCS / "openapi.json").read_text())
ROUTES = [(method, path) for path, methods in DESCRIPTION["paths"].items() for method in methods]
QUERIES = {"profile": {"x0": 0, "y0": 0, "x1": 9, "y1": 9}, "fields": {"names": "upper"}, "file": {"kind": "pdf"}}
NOT_THINGS = ("template", "/file/{kind}", "/settings/")
NAMES = {"name": "upper", "kind": "tiff", "key": "none", "face": "back"}
NOBODY = "00000000-0000-0000-0000-000000000000"


def contents(http):
    """What the database holds, for comparing."""
    return http.get("/api/shelf").json()["entries"], http.get("/api/sandwiches").json()["sandwiches"]


@pytest.mark.parametrize(("method", "path"), [r for r in ROUTES if "{" in r[1] and not any(part in r[1] for part in NOT_THINGS)])
def test_what_is_not_there_is_not_found(http, kept, method, path):
    address = re.sub(r"\{(\w+)\}", lambda part: NAMES.get(part[1], NOBODY), path)
    body = None
    if method == "put" and "runs" in path:
        body = {"version": 1, "body": {"sandwich": kept["sandwich"]}}
    elif method == "put" and "jobs" in path:
        body = {"version": 1, "job": json.loads(COVERS.model_dump_json())}
    elif method == "put" and "paper" in path:
        body = {"version": 1, "stock": json.loads(COVERS.stocks[0].model_dump_json())}
    elif path.endswith("/put-away"):
        body = {"version": 1}
    elif path.endswith("/bow"):
        body = {"measured_mm": 0.5}
    elif method == "put":
        body = {"version": 1, "sandwich": kept["sandwich"]} if "sandwich" in path else {"version": 1, "ink": {"name": "x", "type": "dye"}}
    query = {"version": 1} if method == "delete" else QUERIES.get(path.rsplit("/", 1)[1])
    answer = http.request(method, address, json=body, params=query)
    assert answer.status_code == 404
    assert answer.json()["error"]["code"] == "not-found"


@pytest.mark.parametrize(
    ("method", "path"), [r for r in ROUTES if r[0] in ("post", "put") and not r[1].endswith(("/copy", "/photo", "/retire", "/setout/file"))]
)  # in Set out any text is a list
@pytest.mark.parametrize("body", [None, [], "text", 7, {}, {"unknown": 1}])
def test_a_body_of_another_shape_is_refused_and_changes_nothing(http, method, path, body):
    before = contents(http)
    address = re.sub(r"\{\w+\}", NOBODY, path)
    answer = http.request(method, address, json=body)
    assert answer.status_code == 422
    assert set(answer.json()["error"]) <= {"code", "message", "field", "got"}
    assert contents(http) == before


@pytest.mark.parametrize("version", ["", "0", "-1", "one", "1.5", str(10**30)])
def test_a_version_that_is_none_is_refused(http, kept, version):
    answer = http.delete(f"/api/sandwiches/{kept['id']}", params={"version": version})
    assert answer.status_code in (409, 422)
    assert http.get(f"/api/sandwiches/{kept['id']}").status_code == 200


@pytest.mark.parametrize("strange", ["../../etc/passwd", "%00", "'; --", "x" * 3000, "é", "%F0%9F%90%87"])
def test_a_strange_id_is_just_not_found(http, strange):
    answer = http.get(f"/api/sandwiches/{strange}")
    assert answer.status_code in (404, 200) if strange.startswith("..") else answer.status_code == 404
