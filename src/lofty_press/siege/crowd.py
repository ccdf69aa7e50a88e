"""Many heavy requests at once, and somebody who asks a little thing beside them: nobody waits behind what is not theirs."""

import json
import math
import threading
import time
from collections.abc import Callable
from pathlib import Path
from typing import Any

import httpx
import numpy as np

from lofty_press.bench.figure import Figure
from lofty_press.bench.large_job import large_job
from lofty_press.setup.say import say
from lofty_press.siege.hostile import swollen_archive
from lofty_press.siege.samples import Sample, samples
from lofty_press.siege.scope import Report, Scope
from lofty_press.siege.target import Target, besieged, by_name

ROUNDS = 1
AT_ONCE = 16
PIECES = 80
LARGEST = 1_900_000  # bytes
QUIET = 0.004  # s between two small requests


def measure(folder: Path, scope: Scope) -> Report:
    """Sixteen of each heavy request while health is asked, then two large plans while small things are asked."""
    worst, slowest, answered = "", 0.0, 0
    with besieged(folder) as target:
        with target.client(60) as http:
            right = samples(http)
            heavy = heavy_requests(right, by_name(http, "Station arch, cut"))
        for name, sample in heavy:
            times = beside(target, [sample] * AT_ONCE, asks_health)
            answered += len(times)
            say(f"  {name}: {1000 * max(times, default=0.0):.0f} ms")
            if times and max(times) > slowest:
                slowest, worst = max(times), name
        small = [sample for sample in right if sample.operation in ("keepRunPhoto", "changeRun", "assess", "sizesOfJob", "runCard")]
        plans = [Sample("planJob", "POST", "/api/jobs/plan", large_job(PIECES, scope.seed + n)) for n in range(2)]
        waits = beside(target, plans, lambda http, n: http.request(**small[n % len(small)].sent()))
    figures = [
        Figure("health_beside_heavy_ms", 1000 * slowest, "ms", 200.0),
        Figure("small_beside_plans_p95_s", float(np.percentile(waits, 95)), "s", 1.0),
    ]
    counts: dict[str, float | str] = {"heavy requests": AT_ONCE * len(heavy), "healths": answered, "slowest beside": worst}
    return Report(figures, {**counts, "small requests beside plans": len(waits)})


def beside(target: Target, heavy: list[Sample], small: Callable[[httpx.Client, int], httpx.Response]) -> list[float]:
    """How long each small request took while heavy ones, each from a client of its own, were being answered. [s]"""
    threads = [threading.Thread(target=send, args=(target, sample), daemon=True) for sample in heavy]
    times: list[float] = []
    with target.client(60) as http:
        small(http, 0)
        for thread in threads:
            thread.start()
        while any(thread.is_alive() for thread in threads):
            began = time.monotonic()
            small(http, len(times))
            times.append(time.monotonic() - began)
            time.sleep(QUIET)
    return times


def asks_health(http: httpx.Client, _: int) -> httpx.Response:
    """The smallest request that there is."""
    return http.get("/api/health")


def send(target: Target, sample: Sample) -> None:
    """One heavy request; what it is answered does not matter here."""
    try:
        with target.client(120) as http:
            http.request(**sample.sent())
    except httpx.HTTPError:
        pass


def heavy_requests(right: list[Sample], pile: dict[str, Any]) -> list[tuple[str, Sample]]:
    """The heaviest that fits through the door: right and large, wrong in a million places, endless lists, swollen files."""
    large = {**pile, "items": {**pile["items"], **many_dies(pile)}}
    found = [
        (f"{sample.operation}, large and right", replaced(sample, large))
        for sample in right
        if sample.operation in ("assess", "pressSheet", "runCard", "nextRun", "coachPicture")
    ]
    keep = next(sample for sample in right if sample.operation == "makeSandwich")
    found.append(("keep a large one", replaced(keep, {"sandwich": large})))
    ways = ((b'{"layers":[', b"{},", b"{}]}"), (b"[", b"[],", b"[]]"))
    wrong = [begin + part * count + end for begin, part, end in ways for count in (LARGEST // 3, 70_000)]
    for sample in right:
        if not sample.content and sample.operation in ("assess", "startRun", "planJob", "searchRecipes", "writeResults"):
            found += [(f"{sample.operation}, wrong all over", replaced(sample, None, body)) for body in wrong]
    words = json.dumps({"text": "no such thing anywhere " * 12_000}).encode()
    many = json.dumps({"text": "6 plain folders, 2 deep, " * 11_000}).encode()
    found += [(f"a list {n}", Sample("readList", "POST", "/api/setout/list", content=body)) for n, body in enumerate((words, many))]
    found.append(("a file of lists", Sample("listInFile", "POST", "/api/setout/file", content=b"[" + b'"a",' * 240_000 + b'"a"]')))
    found.append(("runs of nothing", Sample("importRuns", "POST", "/api/runs/file", content=b"[" + b"[]," * 4_000_000 + b"[]]")))
    found.append(("a shelf of nothing", Sample("importShelf", "POST", "/api/shelf/file", content=b"[" * 8_000_000)))
    found.append(("a swollen archive", Sample("lookAtArchive", "POST", "/api/archive/look", content=swollen_archive(4, "{}"))))
    return found


def replaced(sample: Sample, document: Any, content: bytes = b"") -> Sample:
    """The same request with another body, as bytes: whoever measures has no time to write it."""
    return Sample(sample.operation, sample.method, sample.path, None, content or json.dumps(document).encode(), sample.query)


def many_dies(pile: dict[str, Any]) -> dict[str, Any]:
    """Dies with as many corners as an outline may have."""
    die = next(item for item in pile["items"].values() if item["blade"])
    ring = [[round(r * math.cos(a), 3), round(r * math.sin(a), 3)] for a, r in spikes(3998)]
    return {f"die {n}": {**die, "outline": ring, "shelf_id": None} for n in range(11)}


def spikes(points: int) -> list[tuple[float, float]]:
    """Angle and radius of a star's corners. [rad, mm]"""
    return [(math.tau * n / points, 40.0 if n % 2 else 30.0) for n in range(points)]
