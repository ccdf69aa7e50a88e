"""What is answered is written before it is kept: where it cannot be written, nothing is kept."""

import fastapi.routing
import pytest

from lofty_press.service.http import dependencies
from lofty_press.siege.samples import samples

KEPT_ANSWERS = {
    "addToShelf",
    "beginJob",
    "changeJob",
    "changePaper",
    "changeRun",
    "changeSandwich",
    "changeShelfEntry",
    "chooseGauge",
    "chooseMotor",
    "chooseSensor",
    "importRuns",
    "importSandwich",
    "importShelf",
    "keepPaper",
    "makeJob",
    "makeSandwich",
    "measureBow",
    "readRelief",
    "setOut",
    "startRun",
}
"""Routes that keep something and answer with more than a status; those whose answer a worker writes have it before they keep anything."""
TAKE = {"importRuns", "importShelf"}
KEEP = {"readRelief"}


class Unsayable(Exception):
    """Stands for whatever a serialiser may stumble over."""


def stumbles(*_, **__):
    raise Unsayable


@pytest.mark.provokes(500)
def test_nothing_is_kept_that_could_not_be_answered(apart, monkeypatch):
    database = apart.app.state.database
    with apart.client() as http:
        right = [sample for sample in samples(http) if sample.operation in KEPT_ANSWERS]
        assert {sample.operation for sample in right} == KEPT_ANSWERS
        with monkeypatch.context() as broken:
            broken.setattr(dependencies, "json_answer", stumbles)
            broken.setattr(fastapi.routing, "serialize_response", stumbles)
            for sample in right:
                before = database.writes
                query = {
                    **sample.query,
                    **({"take": True} if sample.operation in TAKE else {}),
                    **({"keep": True} if sample.operation in KEEP else {}),
                }
                with apart.client() as alone:  # a server that stumbled hangs up
                    answer = alone.request(**{**sample.sent(), "params": query})
                assert answer.status_code == 500, sample.operation
                assert database.writes == before, sample.operation
        kept = 0
        for sample in right:
            before = database.writes
            assert http.request(**sample.sent()).status_code < 500, sample.operation
            kept += database.writes > before
        assert kept >= 15  # the same requests are kept when they can be answered


def test_an_instrument_that_cannot_be_answered_for_is_not_chosen(apart, monkeypatch):
    with apart.client() as http:
        http.put("/api/devices/sensor", json={"address": "loop://"})
        monkeypatch.setattr(dependencies, "json_answer", stumbles)
        with apart.client() as alone:
            assert alone.put("/api/devices/sensor", json={"address": ""}).status_code == 500
        monkeypatch.undo()
        assert http.get("/api/devices/sensor").json()["address"] == "loop://"
        http.put("/api/devices/sensor", json={"address": ""})
