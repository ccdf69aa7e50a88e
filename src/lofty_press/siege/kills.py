"""The plug is pulled, again and again, while people write: nothing that was acknowledged may be lost, nothing half-kept, nothing doubled."""

import io
import json
import random
import threading
import time
import uuid
import zipfile
from dataclasses import dataclass, field
from pathlib import Path
from typing import Any

import httpx
import numpy as np

from lofty_press.bench.figure import Figure
from lofty_press.siege.scope import Report, Scope
from lofty_press.siege.target import Target, besieged, by_name

ROUNDS = 300
WRITERS = 3
SERVER_EVERY = 12  # each so many-th kill is of the whole application
PAUSE = (0.25, 0.9)  # s between two kills
BACK_WITHIN = 60.0  # s


@dataclass
class Ledger:
    """What was acknowledged to the writers."""

    lock: threading.Lock = field(default_factory=threading.Lock)
    made: dict[str, str] = field(default_factory=dict)
    """Names of sandwiches that were made, with their ids."""
    tried: set[str] = field(default_factory=set)
    """Names that were asked for, acknowledged or not."""
    noted: dict[str, int] = field(default_factory=dict)
    """Highest note acknowledged for a sandwich."""
    ended: set[str] = field(default_factory=set)
    """Runs whose end was acknowledged."""
    paper: dict[str, int] = field(default_factory=dict)
    """Sheets of a stock that were acknowledged last."""
    answers: dict[int, int] = field(default_factory=dict)

    @property
    def acknowledged(self) -> int:
        return len(self.made) + sum(self.noted.values()) + len(self.ended) + sum(self.paper.values())


class Writer(threading.Thread):
    """Somebody who works: makes sandwiches, changes them, runs them; and repeats what was not acknowledged, as the page does."""

    def __init__(self, number: int, target: Target, ledger: Ledger, pile: dict[str, Any], stop: threading.Event) -> None:
        super().__init__(daemon=True)
        self.number = number
        self.target, self.ledger, self.pile, self.stop_now = target, ledger, pile, stop

    def run(self) -> None:
        while not self.stop_now.is_set():
            name = f"siege {uuid.uuid4()}"
            with self.ledger.lock:
                self.ledger.tried.add(name)
            made = self.ask("POST", "/api/sandwiches", {"sandwich": {**self.pile, "name": name}}, key=str(uuid.uuid4()))
            if made is None:
                continue
            with self.ledger.lock:
                self.ledger.made[name] = made["id"]
            self.change(made)
            self.press(made)
            self.count_paper()
            self.look(made)

    def change(self, made: dict[str, Any]) -> None:
        version = made["version"]
        for note in range(1, 4):
            body = {"sandwich": {**made["sandwich"], "note": str(note)}, "version": version}
            kept = self.ask("PUT", f"/api/sandwiches/{made['id']}", body)
            if kept is None:
                return
            version = kept["version"]
            with self.ledger.lock:
                self.ledger.noted[made["id"]] = note

    def press(self, made: dict[str, Any]) -> None:
        run = {"sandwich_id": made["id"], "state": "open", "body": {"sandwich": made["sandwich"]}}
        begun = self.ask("POST", "/api/runs", run, key=str(uuid.uuid4()))
        if begun is None:
            return
        end = {**run, "state": "finished", "version": begun["version"], "body": {**run["body"], "turns": 1, "result": "right"}}
        if self.ask("PUT", f"/api/runs/{begun['id']}", end) is not None:
            with self.ledger.lock:
                self.ledger.ended.add(begun["id"])

    def count_paper(self) -> None:
        """One sheet more of this writer's own stock."""
        name = f"Siege card {self.number}"
        count = self.ledger.paper.get(name, 0) + 1
        stock = {"key": "siege", "name": name, "thickness_mm": 0.3, "grammage_gsm": 250, "sheets": [{"size": "210 x 297", "count": count}]}
        if self.ask("POST", "/api/paper", {"stock": stock, "unit": "mm"}) is not None:
            with self.ledger.lock:
                self.ledger.paper[name] = count

    def look(self, made: dict[str, Any]) -> None:
        """What is only computed: the sheet, what the shelf gives for an effect, the same on another press."""
        pile, press = made["sandwich"], made["sandwich"]["press"]["shelf_id"]
        sheet = next(item["shelf_id"] for item in pile["items"].values() if item["kind"] == "sheet")
        self.ask("POST", "/api/impressions", pile)
        self.ask("POST", "/api/recipes/search", {"press_id": press, "wish": {"effect": "cut-thin", "stock": sheet}})
        self.ask("POST", "/api/recipes/transfer", {"press_id": press, "sandwich": pile})

    def ask(self, method: str, path: str, body: dict[str, Any], key: str | None = None) -> dict[str, Any] | None:
        """Ask until it is acknowledged; None when the siege ends before."""
        while not self.stop_now.is_set():
            try:
                with self.target.client(15) as http:
                    answer = http.request(method, path, json=body, headers={"idempotency-key": key} if key else {})
            except httpx.HTTPError:
                time.sleep(0.1)
                continue
            with self.ledger.lock:
                self.ledger.answers[answer.status_code] = self.ledger.answers.get(answer.status_code, 0) + 1
            if answer.is_success:
                found: dict[str, Any] = answer.json()
                return found
            if answer.status_code in (404, 422):
                return None
            if answer.status_code == 409:
                body = {**body, "version": answer.json()["error"]["current"]["version"]}
            time.sleep(0.05)
        return None


def measure(folder: Path, scope: Scope) -> Report:
    """Kill and look what is left."""
    chance = random.Random(scope.seed)
    ledger, stop = Ledger(), threading.Event()
    recovered: list[float] = []
    restarted: list[float] = []
    with besieged(folder) as target:
        with target.client() as http:
            pile = by_name(http, "Station arch, cut")
        writers = [Writer(n, target, ledger, pile, stop) for n in range(WRITERS)]
        for writer in writers:
            writer.start()
        done = 0
        while scope.goes_on(done):
            time.sleep(chance.uniform(*PAUSE))
            if done % SERVER_EVERY == SERVER_EVERY - 1:
                target.kill_server()
                restarted.append(target.start())
            else:
                target.kill_database()
                recovered.append(until_it_writes(target, pile))
            done += 1
        stop.set()
        for writer in writers:
            writer.join(40)
        until_it_writes(target, pile)
        lost, half, doubled = audit(target, ledger)
        ending = target.stop()
    unexpected = sum(count for status, count in ledger.answers.items() if status >= 500 and status not in (503, 507))
    figures = [
        Figure("lost_acknowledged", lost, "1", 0),
        Figure("half_written", half, "1", 0),
        Figure("made_twice", doubled, "1", 0),
        Figure("recover_p95_s", p95(recovered), "s", 3.0),
        Figure("restart_p95_s", p95(restarted), "s", 6.0),
        Figure("stop_s", ending, "s", 5.0),
        Figure("kill_errors", unexpected, "1", 0),
        Figure("kill_refused", sum(ledger.answers.get(status, 0) for status in (404, 422)), "1", 0),
    ]
    counts = {"kills": done, "acknowledged": ledger.acknowledged, "refused for the moment": ledger.answers.get(503, 0)}
    return Report([f for f in figures if not np.isnan(f.value)], dict(counts))


def p95(times: list[float]) -> float:
    return float(np.percentile(times, 95)) if times else float("nan")


def until_it_writes(target: Target, pile: dict[str, Any]) -> float:
    """How long until a write is acknowledged again. [s]"""
    began = time.monotonic()
    while time.monotonic() - began < BACK_WITHIN:
        try:
            with target.client(10) as http:
                if http.put("/api/settings/unit", json="mm").is_success:
                    return time.monotonic() - began
        except httpx.HTTPError:
            pass
        time.sleep(0.02)
    raise RuntimeError(f"nothing could be written for {BACK_WITHIN:.0f} s after a kill")


def audit(target: Target, ledger: Ledger) -> tuple[int, int, int]:
    """How much that was acknowledged is lost, how much is there by half, how much twice."""
    lost = half = 0
    with target.client(60) as http:
        for name, made in ledger.made.items():
            answer = http.get(f"/api/sandwiches/{made}")
            if not answer.is_success or answer.json()["sandwich"]["name"] != name:
                lost += 1
                continue
            note = answer.json()["sandwich"]["note"]
            lost += int(note or 0) < ledger.noted.get(made, 0)
        runs = [run for run in every(http, "/api/runs", "runs") if run["name"].startswith("siege ")]
        states = {run["id"]: run["state"] for run in runs}
        lost += sum(states.get(run) != "finished" for run in ledger.ended)
        sheets = {record["stock"]["name"]: record["stock"]["sheets"][0]["count"] for record in http.get("/api/paper").json()["paper"]}
        lost += sum(sheets.get(name, 0) < count for name, count in ledger.paper.items())
        marked = marks_by_run(http)
        ended = {run for run, state in states.items() if state == "finished"}
        half += sum((run in ended) != (marked.get(run, 0) > 0) for run in states)
        names = [s["name"] for s in every(http, "/api/sandwiches", "sandwiches") if s["name"].startswith("siege ")]
    doubled = len(names) - len(set(names)) + len(set(names) - ledger.tried)
    return lost, half, doubled


def marks_by_run(http: httpx.Client) -> dict[str, int]:
    """How many marks each run left, read out of the whole archive."""
    found: dict[str, int] = {}
    with zipfile.ZipFile(io.BytesIO(http.get("/api/archive").content)) as archive:
        for name in archive.namelist():
            if name.startswith("plates/") and not name.startswith("plates/patterns/"):
                for mark in json.loads(archive.read(name))["marks"]:
                    found[mark["run_id"]] = found.get(mark["run_id"], 0) + 1
    return found


def every(http: httpx.Client, path: str, noun: str) -> list[dict[str, Any]]:
    """All of a list, window by window."""
    found: list[dict[str, Any]] = []
    after: str | None = None
    while True:
        window = http.get(path, params={"limit": 500, **({"after": after} if after else {})}).json()
        found += window[noun]
        after = window["next"]
        if after is None:
            return found
