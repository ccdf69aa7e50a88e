"""One right request of every route that takes a body, made of the demo world: what mutated and heavy ones are made from."""

import io
import json
from dataclasses import dataclass, field
from typing import Any

import httpx
from PIL import Image

from lofty_press.demo.jobs import COVERS
from lofty_press.service.http.own_work import OWN_WORK
from lofty_press.siege.photo_sheet import as_png, scanned_sheet, sheet_on_a_table
from lofty_press.siege.scans import PER_INCH, four_scans
from lofty_press.siege.target import by_name

STAR = b'<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 60 60"><path d="M30 4 L37 22 L56 23 L30 43 Z"/></svg>'
RUNS = b"name,result,press,effect,passes,turns,note,tags,created_at\nOne,right,Midway,emboss,1,1,,a,2026-11-05\nTwo,faint,,cut,2,2,x,,\n"


CORRECTED = {
    "outline_on_sheet": [[20, 20], [80, 20], [80, 100], [20, 100]],
    "windows_on_sheet": [[[25, 25], [75, 25], [75, 95], [25, 95]]],
    "seen_from": [100, 130, 420],
    "taken_as_mm": 0.95,
    "thickness_mm": 1.2,
    "along": "middle",
    "without": [],
}
"""A rectangular die on the photo sheet."""


@dataclass(frozen=True)
class Sample:
    """One request: what the route is called, where it goes, and its body as JSON or as bytes."""

    operation: str
    method: str
    path: str
    document: Any = None
    content: bytes = b""
    query: dict[str, Any] = field(default_factory=dict)

    def sent(self, body: bytes | None = None) -> dict[str, Any]:
        """The request as a client takes it, with another body if one is given."""
        whole = (self.content or json.dumps(self.document).encode()) if body is None else body
        kind = "application/json" if OWN_WORK[self.operation].way == "reads" else "application/octet-stream"
        return {"method": self.method, "url": self.path, "content": whole, "params": self.query, "headers": {"content-type": kind}}


def samples(http: httpx.Client) -> list[Sample]:
    """A right request of every route with a body. Some keep something; none is meant for data that anybody needs."""
    pile = by_name(http, "Station arch, cut")
    folder = by_name(http, "Lattice ticket sleeve")
    return [
        *of_piles(pile),
        *of_shelf(http, pile),
        *of_sandwiches(http, pile),
        *of_runs(http, pile),
        *of_plans(http),
        *of_practice(http, folder),
        *of_the_room(http, pile, folder),
        *of_devices(),
    ]


def of_piles(pile: dict[str, Any]) -> list[Sample]:
    """Whatever is worked out of a sandwich alone."""
    ways = {
        "assess": "assess",
        "listFixes": "assess/fixes",
        "explainVerdict": "assess/why",
        "runCard": "cards",
        "runCardText": "cards/text",
        "runCardPdf": "cards/pdf",
        "feed": "feed",
        "lying": "feed/lying",
        "feedTemplate": "feed/template/svg",
        "together": "feed/together",
        "pressSheet": "impressions",
        "coachPicture": "coach/picture",
        "nextRun": "plates/next-run",
        "orderLoss": "recipes/order-loss",
        "nextTrial": "room/next",
    }
    motif = {"kind": "motif", "name": "M", "thickness": {"mm": 0.3}, "width_mm": 20, "length_mm": 20, "material": "paper"}
    flap = {"width_mm": 80, "depth_mm": 40, "motif": {**motif, "relief": {"height_mm": 0.3, "span_mm": 0.5}}}
    frame = {"kind": "frame", "name": "F", "thickness": {"mm": 1}, "width_mm": 90, "length_mm": 90, "material": "paper"}
    return [
        *(Sample(operation, "POST", f"/api/{path}", pile) for operation, path in ways.items()),
        Sample("trouble", "POST", "/api/cards/trouble", {"sandwich": pile, "seen": "not cut"}),
        Sample("coach", "POST", "/api/coach", {"sandwich": pile, "seen": "not cut", "at": [0, 0], "settled": {}}),
        Sample("teachingSheet", "POST", "/api/coach/sheet", {"sandwich": pile}),
        Sample("flap", "POST", "/api/feed/flap", flap),
        Sample("flapTemplate", "POST", "/api/feed/flap/template/pdf", flap),
        Sample("cuttingFile", "POST", "/api/recipes/cutting-file", frame),
    ]


def of_shelf(http: httpx.Client, pile: dict[str, Any]) -> list[Sample]:
    """Things, reliefs and lists."""
    item = {**next(iter(pile["items"].values())), "shelf_id": None}
    made = http.post("/api/shelf", json={"item": item}).json()
    return [
        Sample("addToShelf", "POST", "/api/shelf", {"item": item}),
        Sample("changeShelfEntry", "PUT", f"/api/shelf/{made['id']}", {"item": item, "version": made["version"]}),
        Sample("importShelf", "POST", "/api/shelf/file", content=http.get("/api/shelf/file/json").content, query={"take": False}),
        Sample("importShelf", "POST", "/api/shelf/file", content=http.get("/api/shelf/file/csv").content, query={"take": False}),
        Sample("shapeOfTool", "POST", "/api/photos/shape", CORRECTED),
        Sample("keepPicture", "POST", "/api/pictures", content=photo()),
        Sample("readRelief", "POST", "/api/reliefs", content=STAR, query={"use": "blade", "width_mm": 40}),
        Sample("reliefInPhotos", "POST", "/api/photos/relief", content=four_scans(), query={"way": "scans", "per_inch": PER_INCH}),
        Sample("toolsInPhoto", "POST", "/api/photos/tools", content=as_png(scanned_sheet())),
        Sample("readList", "POST", "/api/setout/list", {"text": "6 plain folders, 2 deep, 80 lb cover"}),
        Sample("setOut", "POST", "/api/setout", {"text": "1 bed", "press": {"name": "P", "size": "pocket", "drive": "hand"}}),
        Sample("listInFile", "POST", "/api/setout/file", content=b'[{"count": 2, "what": "thin dies"}, "1 bed"]'),
    ]


def of_sandwiches(http: httpx.Client, pile: dict[str, Any]) -> list[Sample]:
    """Sandwiches that are kept, and their files."""
    made = http.post("/api/sandwiches", json={"sandwich": pile}).json()
    return [
        Sample("makeSandwich", "POST", "/api/sandwiches", {"sandwich": pile}),
        Sample("changeSandwich", "PUT", f"/api/sandwiches/{made['id']}", {"sandwich": pile, "version": made["version"]}),
        Sample("importSandwich", "POST", "/api/sandwiches/file", content=http.get(f"/api/sandwiches/{made['id']}/file").content),
    ]


def of_runs(http: httpx.Client, pile: dict[str, Any]) -> list[Sample]:
    """Runs, their photos and their files."""
    body = {"sandwich": pile, "events": [{"step": 1, "seen": "not cut", "did": ""}], "tags": ["a"]}
    run = {"sandwich_id": None, "state": "open", "body": body}
    begun = http.post("/api/runs", json=run).json()
    ended = {**run, "state": "finished", "version": begun["version"], "body": {**body, "result": "right", "turns": 1}}
    return [
        Sample("startRun", "POST", "/api/runs", run),
        Sample("changeRun", "PUT", f"/api/runs/{begun['id']}", ended),
        Sample("keepRunPhoto", "PUT", f"/api/runs/{begun['id']}/photo", content=photo()),
        Sample("importRuns", "POST", "/api/runs/file", content=http.get("/api/runs/file/json").content, query={"take": True}),
        Sample("importRuns", "POST", "/api/runs/file", content=RUNS, query={"take": True}),
    ]


def of_plans(http: httpx.Client) -> list[Sample]:
    """Jobs, and the paper that they are cut from."""
    job = json.loads(COVERS.model_dump_json())
    kept = http.post("/api/jobs", json={"job": job}).json()
    stock = job["stocks"][0]
    paper = http.post("/api/paper", json={"stock": stock, "unit": "in"}).json()
    return [
        Sample("planJob", "POST", "/api/jobs/plan", {**job, "count": 4}),
        Sample("sizesOfJob", "POST", "/api/jobs/sizes", job),
        Sample("resizePiece", "POST", "/api/jobs/resize", {"job": job, "piece": "panel", "size": "3 x 4", "follows": "borders"}),
        Sample("envelopeForJob", "POST", "/api/jobs/envelope", job),
        Sample("makeJob", "POST", "/api/jobs", {"job": job}),
        Sample("beginJob", "POST", "/api/jobs/begin", {"format": "us-a2", "fold": "side", "unit": "in", "count": 6}),
        Sample("changeJob", "PUT", f"/api/jobs/{kept['id']}", {"job": job, "version": kept["version"]}),
        Sample("putJobAway", "POST", f"/api/jobs/{kept['id']}/put-away", {"version": 900}),
        Sample("keepPaper", "POST", "/api/paper", {"stock": stock, "unit": "in"}),
        Sample("changePaper", "PUT", f"/api/paper/{paper['id']}", {"stock": stock, "unit": "in", "version": paper["version"]}),
    ]


def of_practice(http: httpx.Client, pile: dict[str, Any]) -> list[Sample]:
    """Drills and a class's files."""
    which = {"skill": "read", "seed": 3, "level": 0.0}
    drill = {"format": "lofty-press-drill", "version": 1, "name": "D", "meant": pile, "cause": "hinge", "form": "choose"}
    done = {"drill": "D", "right": True, "tries": 1, "hints": 0, "points": 10, "at": "2026-11-30T10:00:00Z"}
    results = {"who": "W", "done": [done]}
    spot = {"x_mm": 0, "y_mm": 0, "turn_deg": 0, "over": False}
    return [
        Sample("makeDrill", "POST", "/api/practice/drill", which),
        Sample(
            "answerDrill", "POST", "/api/practice/attempt", {"which": which, "choice": "x", "order": ["a"], "laid": spot, "built": pile}
        ),
        Sample("answerGivenDrill", "POST", "/api/practice/given/attempt", {"file": drill, "choice": "x"}),
        Sample("writeGivenDrill", "POST", "/api/practice/given/file", drill),
        Sample("readGivenDrill", "POST", "/api/practice/given", content=json.dumps(drill).encode()),
        Sample("writeResults", "POST", "/api/practice/results/file", results),
        Sample("readResults", "POST", "/api/practice/results", content=http.post("/api/practice/results/file", json=results).content),
    ]


def of_the_room(http: httpx.Client, pile: dict[str, Any], folder: dict[str, Any]) -> list[Sample]:
    """Recipes, other presses, plates, settings, and everything at once."""
    entries = http.get("/api/shelf", params={"limit": 500}).json()["entries"]
    press = next(entry["id"] for entry in entries if entry["press"])
    stock = next(entry["id"] for entry in entries if entry["item"] and entry["item"]["kind"] == "sheet")
    green = next(entry["id"] for entry in entries if entry["name"] == "Ridge green card")
    tool = next(entry["item"] for entry in entries if entry["name"] == "Rail-lattice folder")
    effect = http.get("/api/recipes/effects").json()[0]["key"]
    pressed = http.post("/api/impressions", json=folder).json()["key"]
    card = next(item for item in folder["items"].values() if item.get("stock"))
    photo = as_png(sheet_on_a_table(card["length_mm"], card["width_mm"]))
    plate = http.get("/api/plates").json()[0]["item_id"]
    archive = http.get("/api/archive").content
    return [
        Sample("searchRecipes", "POST", "/api/recipes/search", {"press_id": press, "wish": {"effect": effect, "stock": stock}}),
        Sample(
            "depthOfTool",
            "POST",
            "/api/recipes/depth",
            {"press_id": press, "tool": tool, "stock": green, "depth_mm": 0.3, "spread_mm": 0.03},
        ),
        Sample("readSheetPhoto", "POST", f"/api/impressions/{pressed}/photo", content=photo),
        Sample("transferSandwich", "POST", "/api/recipes/transfer", {"press_id": press, "sandwich": folder}),
        Sample("measureBow", "PUT", f"/api/plates/{plate}/bow", {"measured_mm": 0.4}),
        Sample("keepSetting", "PUT", "/api/settings/unit", "mm"),
        Sample("lookAtArchive", "POST", "/api/archive/look", content=archive),
        Sample("restore", "POST", "/api/archive", content=archive),
    ]


def of_devices() -> list[Sample]:
    """Instruments."""
    return [
        Sample("chooseGauge", "PUT", "/api/devices/gauge", {"address": ""}),
        Sample("zeroGauge", "PUT", "/api/devices/gauge/zero", {"zero_mm": 0.01}),
        Sample("chooseMotor", "PUT", "/api/devices/motor", {"address": ""}),
        Sample("orderMotor", "POST", "/api/devices/motor/order", {"order": "STOP"}),
        Sample("chooseSensor", "PUT", "/api/devices/sensor", {"address": ""}),
    ]


def photo() -> bytes:
    """A small photo."""
    file = io.BytesIO()
    Image.new("RGB", (64, 48), "#876").save(file, "JPEG")
    return file.getvalue()
