"""What the service's own process does with what is sent to it: what its line in the table says, and no more."""

import json

import pytest

from lofty_press.service.http import bodies, dependencies
from lofty_press.service.http.bodies import FEW, MOST, WITHOUT_BODY, document_of
from lofty_press.service.http.errors import Busy
from lofty_press.service.http.own_work import OWN_WORK
from lofty_press.setup.paths import DOCS
from lofty_press.siege.samples import samples

DESCRIPTION = json.loads((DOCS / "openapi.json").read_text())
WITH_BODY = {
    operation["operationId"]
    for methods in DESCRIPTION["paths"].values()
    for method, operation in methods.items()
    if method in ("post", "put")
} - set(WITHOUT_BODY)
BUSY = {
    "importSandwich",
    "importShelf",
    "importRuns",
    "readRelief",
    "toolsInPhoto",
    "listInFile",
    "readGivenDrill",
    "readResults",
    "lookAtArchive",
    "restore",
}


@pytest.fixture
def http(apart):
    with apart.client() as client:
        yield client


@pytest.fixture(scope="module")
def right(apart):
    with apart.client() as http:
        return samples(http)


def test_every_route_with_a_body_has_its_line_and_every_line_a_route():
    assert set(OWN_WORK) == WITH_BODY


def test_there_is_a_right_request_of_every_route_with_a_body(right):
    assert {sample.operation for sample in right} == WITH_BODY


def test_each_line_fits_what_its_route_takes(apart):
    seen = 0
    for noun in apart.app.routes:
        for route in getattr(getattr(noun, "original_router", None), "routes", ()):
            own = OWN_WORK.get(route.operation_id)
            if own is None:
                continue
            seen += 1
            described = DESCRIPTION["paths"][route.path]["put" if "PUT" in route.methods else "post"]["requestBody"]["content"]
            takes_document = document_of(route) is not None or route.operation_id == "keepSetting"
            assert (own.way == "reads") == takes_document, route.operation_id
            assert ("application/json" in described) or own.way != "reads", route.operation_id
    assert seen == len(OWN_WORK)


def test_what_is_large_and_wrong_is_met_by_a_worker_and_not_read_here(http, right, monkeypatch):
    """Two megabytes of empty objects are a million faults."""
    here = []
    read_here = bodies.read_here
    monkeypatch.setattr(bodies, "read_here", lambda kind, body: here.append(len(body)) or read_here(kind, body))
    documents = [sample for sample in right if OWN_WORK[sample.operation].way == "reads" and sample.operation != "keepSetting"]
    assert len(documents) > 40
    for sample in documents:
        wrong = b'{"layers":[' + b"{}," * (FEW + 10) + b'{}],"items":{},"text":[]}'
        answer = http.request(**sample.sent(wrong))
        assert answer.status_code == 422, sample.operation
        assert here == [], sample.operation
        assert http.request(**sample.sent(b'{"layers":[' + b"{}," * MOST + b"{}]}")).status_code in (413, 422)
        assert here == [], sample.operation


@pytest.mark.parametrize("spelled", ["Application/JSON", "application/merge+json", "application/JSON; charset=utf-8"])
def test_however_json_is_spelled_a_large_one_is_met_by_a_worker(http, monkeypatch, spelled):
    here = []
    read_here = bodies.read_here
    monkeypatch.setattr(bodies, "read_here", lambda kind, body: here.append(len(body)) or read_here(kind, body))
    monkeypatch.setattr("json.loads", lambda *_, **__: pytest.fail("it was read here"))
    wrong = b'{"layers":[' + b"{}," * (FEW + 10) + b"{}]}"
    assert http.post("/api/assess", content=wrong, headers={"content-type": spelled}).status_code == 422
    assert here == []


def test_files_are_handed_on_unread(http, right, monkeypatch):
    """With no worker to be had nothing can be said about what is in them, since nobody has looked."""
    given = []

    def nobody(self, job, *arguments, **_):
        given.append(arguments)
        raise Busy()

    monkeypatch.setattr(dependencies.Workers, "do", nobody)
    asked = [sample for sample in right if sample.operation in BUSY]
    assert {sample.operation for sample in asked} == BUSY
    for sample in asked:
        answer = http.request(**sample.sent(b"\xff\x00 anything at all, [[[[ <svg> PK"))
        assert answer.status_code == 503, sample.operation
    assert len(given) == len(asked)


def test_a_large_right_document_is_read_as_a_small_one_is(http, kept):
    ring = [[20 + (n % 2) + n / 1000, n / 100] for n in range(FEW)]
    sandwich = json.loads(json.dumps(kept["sandwich"]))
    item = next(item for item in sandwich["items"].values() if item["kind"] == "sheet")
    item["shelf_id"], item["outline"] = None, [[0, 0], *ring, [0, 25]]
    assert len(json.dumps(sandwich)) > 5 * FEW
    answer = http.put(f"/api/sandwiches/{kept['id']}", json={"sandwich": sandwich, "version": kept["version"]})
    assert answer.status_code == 200, answer.text
    assert next(item for item in answer.json()["sandwich"]["items"].values() if item["kind"] == "sheet")["outline"] == item["outline"]


@pytest.mark.parametrize("token", ["NaN", "1e999", "-1e999", '"\\ud800"', "1" + "0" * 400])
def test_numbers_that_are_none_and_half_characters_are_refused_by_field(http, kept, token):
    text = json.dumps(kept["sandwich"])
    broken = text.replace('"passes": 1', f'"passes": {token}') if '"passes": 1' in text else text
    assert broken != text
    answer = http.post("/api/assess", content=broken, headers={"content-type": "application/json"})
    assert answer.status_code in (400, 422)
    assert answer.json()["error"]["message"]
