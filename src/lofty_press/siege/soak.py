"""Everyday work for a long time: no error, and no growth once everything is loaded."""

import random
import time
from pathlib import Path
from typing import Any

import httpx

from lofty_press.bench.figure import Figure
from lofty_press.siege.scope import Report, Scope
from lofty_press.siege.target import besieged, by_name

SECONDS = 600.0
SETTLES = 0.2  # share of the time after which growth counts; two of ten minutes


def measure(folder: Path, scope: Scope) -> Report:
    """Work like a page, again and again."""
    chance = random.Random(scope.seed)
    whole = scope.seconds or SECONDS
    errors = done = 0
    with besieged(folder) as target, target.client(60) as http:
        piles = [by_name(http, name) for name in ("Lattice ticket sleeve", "Station arch, cut", "Sheave programme cover")]
        began = time.monotonic()
        settled, latest = None, 0.0
        while time.monotonic() - began < whole:
            status = ask(http, chance, chance.choice(piles), done)
            errors += status >= 400 and status != 422
            done += 1
            if done % 50 == 0:
                latest = target.memory()
                if settled is None and time.monotonic() - began > SETTLES * whole:
                    settled = latest
    figures = [Figure("soak_errors", errors, "1", 0), Figure("soak_growth_mb", latest - (settled or latest), "MB", 60.0)]
    return Report(figures, {"soak requests": done, "memory at the end in MB": round(latest)})


def ask(http: httpx.Client, chance: random.Random, pile: dict[str, Any], number: int) -> int:
    """One thing that a page asks; every sandwich is a little different from all before."""
    layers = [{**layer, "x_mm": round(chance.uniform(-3, 3), 3)} if layer["half"] is None else layer for layer in pile["layers"]]
    fresh = {**pile, "layers": layers}
    way = number % 10
    if way == 9:
        made = http.post("/api/sandwiches", json={"sandwich": {**fresh, "name": f"soak {number}"}})
        if not made.is_success:
            return made.status_code
        return http.delete(f"/api/sandwiches/{made.json()['id']}", params={"version": made.json()["version"]}).status_code
    paths = ("assess", "assess", "assess/fixes", "feed/lying", "cards", "impressions", "plates/next-run", "feed/together")
    if way == 8:
        return http.get(chance.choice(["/api/shelf", "/api/sandwiches", "/api/runs", "/api/plates"])).status_code
    return http.post(f"/api/{paths[way]}", json=fresh).status_code
