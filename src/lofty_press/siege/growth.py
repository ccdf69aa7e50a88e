"""Long lists: what a list costs with a hundred times as much in it."""

import json
import time
import uuid
from pathlib import Path

import numpy as np

from lofty_press.bench.figure import Figure
from lofty_press.documents.files.shapes import SHAPE
from lofty_press.runtime.serve import Running, in_background
from lofty_press.service.keeping.sandwiches.repository import SQL
from lofty_press.siege.scope import Report, Scope
from lofty_press.siege.target import by_name

FEW, MANY = 50, 5000
TIMES = 15


def measure(folder: Path, scope: Scope) -> Report:
    """The list that the page opens with, and the menu's search, over 50 and over 5000 sandwiches."""
    with in_background(folder, demo=True) as running:
        fill(running, FEW)
        few = cost(running)
        fill(running, MANY)
        many = cost(running)
    return Report(
        [Figure("list_growth_5000", many / few, "x", 3.0)], {"list of 50 in ms": round(few, 2), "list of 5000 in ms": round(many, 2)}
    )


def fill(running: Running, wanted: int) -> None:
    """Have so many sandwiches."""
    with running.client() as http:
        pile = by_name(http, "Lattice ticket sleeve")
        there = http.get("/api/sandwiches").json()["total"]
    with running.app.state.database.writing() as connection, connection.cursor() as cursor:
        for number in range(there, wanted):
            name = f"Sleeve number {number}"
            body = json.dumps({**pile, "name": name})
            cursor.execute(SQL["insert"], {"id": str(uuid.uuid4()), "name": name, "body": body, "shape": SHAPE})


def cost(running: Running) -> float:
    """Median time of a list and a search together. [ms]"""
    times = []
    with running.client() as http:
        for _ in range(TIMES):
            began = time.perf_counter()
            http.get("/api/sandwiches").raise_for_status()
            http.get("/api/sandwiches", params={"q": "sleeve ticket"}).raise_for_status()
            times.append((time.perf_counter() - began) * 1000)
    return float(np.median(times))
