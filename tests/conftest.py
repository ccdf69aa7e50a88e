"""One running application for the whole test run: real MariaDB in a throw-away folder, real HTTP, the built page."""

import json
import os
from collections.abc import Iterator
from typing import Any

import httpx
import pytest
from hypothesis import settings

from lofty_press.documents.answers.words import read_out
from lofty_press.documents.kept.kept_tables import keep_tables
from lofty_press.runtime.serve import Running, in_background
from lofty_press.setup.paths import TABLES

keep_tables(TABLES)


def read_aloud(response: httpx.Response, **given: Any) -> Any:
    """An answer as its metric reader reads it: every text in words."""
    return read_out(json.loads(response.content, **given))


httpx.Response.json = read_aloud

# a busy machine is no failure; the same examples each time, so a change is judged by what it changes
settings.register_profile("lofty", deadline=None, derandomize=True, max_examples=int(os.environ.get("LOFTY_EXAMPLES", "40")))
settings.load_profile("lofty")


@pytest.fixture(scope="session")
def running(tmp_path_factory: pytest.TempPathFactory) -> Iterator[Running]:
    """The application with the demo world, on a database of its own."""
    with in_background(tmp_path_factory.mktemp("database"), demo=True) as application:
        yield application


@pytest.fixture
def http(running: Running) -> Iterator[httpx.Client]:
    """A client of the running application."""
    with running.client() as client:
        yield client


@pytest.fixture
def kept(http: httpx.Client) -> Iterator[dict]:
    """A fresh copy of the lattice sleeve, deleted afterwards."""
    original = next(s for s in http.get("/api/sandwiches").json()["sandwiches"] if s["name"] == "Lattice ticket sleeve")
    record = http.post(f"/api/sandwiches/{original['id']}/copy").json()
    yield record
    now = http.get(f"/api/sandwiches/{record['id']}")
    if now.is_success:
        http.delete(f"/api/sandwiches/{record['id']}", params={"version": now.json()["version"]})
