"""Everything out, and into an empty place: every route then answers the same."""

import json
from pathlib import Path
from typing import Any

import httpx

from lofty_press.bench.figure import Figure
from lofty_press.runtime.serve import in_background
from lofty_press.siege.kills import every
from lofty_press.siege.samples import photo
from lofty_press.siege.scope import Report, Scope
from lofty_press.siege.target import by_name

STAR = b'<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 60 60"><path d="M30 4 L37 22 L56 23 L30 43 Z"/></svg>'


def measure(folder: Path, scope: Scope) -> Report:
    """Save, restore elsewhere, compare."""
    with in_background(folder / "one", demo=True) as running, running.client(120) as http:
        work_a_little(http)
        archive = http.get("/api/archive").content
        before = answers(http)
    with in_background(folder / "two", demo=False) as running, running.client(300) as http:
        http.post("/api/archive", content=archive).raise_for_status()
        after = answers(http)
        again = http.post("/api/archive", content=archive).json()
    differing = [path for path in before if before[path] != after.get(path)]
    same = (
        not differing
        and len(before) == len(after)
        and again["clashing"] == 0
        and not any(again["new"].get(k) for k in ("runs", "sandwiches"))
    )
    counts: dict[str, float | str] = {"routes compared": len(before), "archive in kB": round(len(archive) / 1000)}
    if differing:
        counts["first differences"] = ", ".join(differing[:5])
    return Report([Figure("backup_restore_same", float(same), "1", 1.0, at_least=True)], counts)


def work_a_little(http: httpx.Client) -> None:
    """Have something of every sort: a relief, a run with a photo, a thing with a picture, a mark, a bow, a drill, a setting."""
    pile = by_name(http, "Station arch, cut")
    http.post("/api/reliefs", content=STAR, params={"use": "blade", "width_mm": 40, "keep": True, "name": "Star"}).raise_for_status()
    run = http.post("/api/runs", json={"body": {"sandwich": pile}}).json()
    end = {"state": "finished", "version": 1, "body": {"sandwich": pile, "turns": 1, "result": "right", "note": "Kept."}}
    http.put(f"/api/runs/{run['id']}", json=end).raise_for_status()
    http.put(f"/api/runs/{run['id']}/photo", content=photo()).raise_for_status()
    shown = http.post("/api/pictures", content=photo()).raise_for_status().json()["id"]
    thing = next(each for each in http.get("/api/shelf").json()["entries"] if each["item"])
    changed = {"item": {**thing["item"], "picture": shown}, "version": thing["version"]}
    http.put(f"/api/shelf/{thing['id']}", json=changed).raise_for_status()
    plate = http.get("/api/plates").json()[0]["item_id"]
    http.put(f"/api/plates/{plate}/bow", json={"measured_mm": 0.4}).raise_for_status()
    which = {"skill": "plates", "seed": 1, "level": 0.0}
    http.post("/api/practice/attempt", json={"which": which, "gives_up": True}).raise_for_status()
    http.put("/api/settings/unit", json="in").raise_for_status()


def answers(http: httpx.Client) -> dict[str, Any]:
    """What every reading route says, of everything there is."""
    paths = [
        "/api/settings",
        "/api/practice",
        "/api/paper",
        "/api/plates",
        "/api/shelf/file/json",
        "/api/shelf/file/csv",
        "/api/runs/file/json",
        "/api/runs/file/csv",
    ]
    for entry in every(http, "/api/shelf", "entries"):
        paths += [f"/api/shelf/{entry['id']}{more}" for more in ("", "/raw")]
        paths += [f"/api/pictures/{entry['item']['picture']}"] if (entry["item"] or {}).get("picture") else []
    for sandwich in every(http, "/api/sandwiches", "sandwiches"):
        paths += [f"/api/sandwiches/{sandwich['id']}{more}" for more in ("", "/file", "/raw")]
    for run in every(http, "/api/runs", "runs"):
        paths += [f"/api/runs/{run['id']}{more}" for more in ("", "/photo")]
    for plate in http.get("/api/plates").json():
        paths += [f"/api/plates/{plate['item_id']}/faces/{face}" for face in ("face", "back")]
    found: dict[str, Any] = {path: http.get(path).content for path in paths}
    for noun, part in (("shelf", "entries"), ("sandwiches", "sandwiches"), ("runs", "runs")):
        found[f"/api/{noun}"] = json.dumps(every(http, f"/api/{noun}", part))
    return found
