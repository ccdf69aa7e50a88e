"""Files that are made to do harm, and files that are only broken, from a seeded generator."""

import io
import json
import math
import random
import struct
import time
import zipfile
import zlib
from collections.abc import Callable
from functools import cache
from pathlib import Path
from typing import Any

import httpx
import numpy as np
import tifffile
from PIL import Image

from lofty_press.bench.figure import Figure
from lofty_press.siege.scope import Report, Scope
from lofty_press.siege.target import besieged, by_name

ROUNDS = 5000
PATIENCE = 60.0  # s
USUAL = 8  # times as many of what is quickly refused as of what uses its whole budget

Shot = tuple[str, bytes, dict[str, Any]]
"""Path, body and query of one request."""


def measure(folder: Path, scope: Scope) -> Report:
    """Send one file after the other and watch time and memory."""
    chance = random.Random(scope.seed)
    done, errors, slowest, worst = 0, 0, 0.0, ""
    with besieged(folder) as target, target.client(PATIENCE) as http:
        maker = Maker(chance, by_name(http, "Station arch, cut"))
        for _ in range(30):  # everything that is only loaded once
            send(http, maker.shot())
        rest = peak = target.memory()
        while scope.goes_on(done):
            shot = maker.shot()
            began = time.monotonic()
            status = send(http, shot)
            took = time.monotonic() - began
            if took > slowest:
                slowest, worst = took, f"{maker.last} ({took:.1f} s, {status})"
            errors += status >= 500 and status not in (503, 507)
            peak = max(peak, target.memory())
            done += 1
    figures = [
        Figure("hostile_files_peak_mb", peak - rest, "MB", 600.0),
        Figure("hostile_slowest_s", slowest, "s", 10.0),
        Figure("hostile_errors", errors, "1", 0),
    ]
    return Report(figures, {"hostile files": done, "slowest": worst, "memory at rest in MB": round(rest)})


def send(http: httpx.Client, shot: Shot) -> int:
    """Status of the answer; 599 if there was none."""
    path, body, query = shot
    try:
        return http.post(path, content=body, params=query, headers={"content-type": "application/json"}).status_code
    except httpx.HTTPError:
        return 599


@cache
def swollen_archive(files: int, manifest: str) -> bytes:
    """An archive of some files of 31 MB of blanks each; packing them takes seconds, so it is done once."""
    out = io.BytesIO()
    with zipfile.ZipFile(out, "w", zipfile.ZIP_DEFLATED) as archive:
        for n in range(files):
            archive.writestr(f"shelf/{n}.json", b" " * 31_000_000)
        archive.writestr("manifest.json", manifest)
    return out.getvalue()


class Maker:
    """Draws one file after another."""

    def __init__(self, chance: random.Random, pile: dict[str, Any]) -> None:
        self.chance, self.pile = chance, pile
        self.last = ""
        self.heavy = (self.spiky_dies, self.equal_triangles, self.stacked_triangles)
        self.ways: list[Callable[[], Shot]] = [
            self.repeated_svg,
            self.tangled_svg,
            self.huge_svg,
            self.entities,
            self.equal_triangles,
            self.stacked_triangles,
            self.endless_solid,
            self.huge_picture,
            self.mutated_picture,
            self.mutated_tiff,
            self.mutated_svg,
            self.mutated_solid,
            self.spiky_dies,
            self.mutated_sandwich,
            self.bomb,
            self.wandering_archive,
            self.deep_json,
            self.wild_table,
            self.photo,
        ]

    def shot(self) -> Shot:
        """The next one."""
        way = self.chance.choices(self.ways, [1 if way in self.heavy else USUAL for way in self.ways])[0]
        self.last = way.__name__
        return way()

    def relief(self, body: bytes, use: str = "relief") -> Shot:
        wish = {"use": use, "width_mm": self.chance.choice([20, 100, 2000]), "depth_mm": self.chance.choice([0.1, 1, 60])}
        return "/api/reliefs", body, wish

    def repeated_svg(self) -> Shot:
        """Elements that repeat elements that repeat elements."""
        depth, wide = self.chance.randint(2, 14), self.chance.randint(2, 12)
        parts = ['<g id="a0"><path d="M0 0h9v9z"/></g>']
        for n in range(depth):
            parts.append(f'<g id="a{n + 1}">' + f'<use href="#a{n}"/>' * wide + "</g>")
        if self.chance.random() < 0.2:
            parts.append('<g id="b"><use href="#b"/></g>')
        return self.relief(f'<svg xmlns="http://www.w3.org/2000/svg">{"".join(parts)}</svg>'.encode(), "plateau")

    def tangled_svg(self) -> Shot:
        """A path that crosses itself at every turn."""
        points = [(self.chance.uniform(0, 100), self.chance.uniform(0, 100)) for _ in range(self.chance.choice([50, 500, 2000]))]
        path = "M" + "L".join(f"{x:.3f} {y:.3f}" for x, y in points) + "Z"
        body = f'<svg xmlns="http://www.w3.org/2000/svg"><path d="{path}"/></svg>'
        return self.relief(body.encode(), self.chance.choice(["plateau", "blade", "window"]))

    def huge_svg(self) -> Shot:
        """Lengths and numbers beyond reason."""
        number = self.chance.choice(["1e300", "1e-300", "99999999", "NaN", "1e39", "-0"])
        paths = "".join(f'<path d="M0 0L{number} {n}C1 1 {number} 2 {n} {n}Z"/>' for n in range(self.chance.choice([1, 300])))
        return self.relief(f'<svg xmlns="http://www.w3.org/2000/svg">{paths}</svg>'.encode(), self.chance.choice(["plateau", "blade"]))

    def entities(self) -> Shot:
        """A document type with entities that grow."""
        rows = "".join(f'<!ENTITY e{n + 1} "{f"&e{n};" * 10}">' for n in range(9))
        return self.relief(f'<!DOCTYPE svg [<!ENTITY e0 "x">{rows}]><svg>&e9;</svg>'.encode(), "plateau")

    def solid(self, triangles: np.ndarray, count: int | None = None) -> bytes:
        rows = np.zeros(len(triangles), dtype=np.dtype([("n", "<3f4"), ("v", "<(3,3)f4"), ("a", "<u2")]))
        rows["v"] = triangles
        return b"\0" * 80 + struct.pack("<I", len(triangles) if count is None else count) + rows.tobytes()

    def equal_triangles(self) -> Shot:
        """The same large triangle over and over."""
        one = np.array([[[0, 0, 0], [90, 0, 1], [0, 90, 2]]], dtype=np.float32)
        return self.relief(self.solid(np.repeat(one, self.chance.choice([10, 200_000]), axis=0)))

    def stacked_triangles(self) -> Shot:
        """Many large triangles, each a little different."""
        count = self.chance.choice([1000, 120_000])
        base = np.array([[0, 0, 0], [90, 0, 1], [0, 90, 2]], dtype=np.float32)
        shifts = np.linspace(0, 5, count, dtype=np.float32)[:, None, None]
        return self.relief(self.solid(base + shifts))

    def endless_solid(self) -> Shot:
        """Corners at the end of the world."""
        far = self.chance.choice([1e20, 1e37, 3e38, float("inf"), float("nan")])
        corners = np.array([[[0, 0, 0], [far, 0, 1e-9], [0, 1e-10, 1]], [[0, 0, 0], [1, 0, 0.1], [0, 1, 0]]])
        with np.errstate(over="ignore"):
            return self.relief(self.solid(corners.astype(np.float32), self.chance.choice([None, 4_000_000_000, 0])))

    def huge_picture(self) -> Shot:
        """A picture that promises more points than there is memory for."""
        side = self.chance.choice([3000, 60_000, 2**31 - 1])

        def chunk(name: bytes, body: bytes) -> bytes:
            return struct.pack(">I", len(body)) + name + body + struct.pack(">I", zlib.crc32(name + body))

        head = chunk(b"IHDR", struct.pack(">IIBBBBB", side, side, 16, 0, 0, 0, 0))
        zeros = zlib.compress(b"\0" * self.chance.choice([1000, 20_000_000]), 9)
        return self.relief(b"\x89PNG\r\n\x1a\n" + head + chunk(b"IDAT", zeros) + chunk(b"IEND", b""))

    def picture(self, kind: str) -> bytes:
        noise = np.random.default_rng(self.chance.randrange(2**32)).integers(0, 65535, (80, 60), dtype=np.uint16)
        out = io.BytesIO()
        if kind == "tiff":
            tifffile.imwrite(out, noise, compression=self.chance.choice([None, "zlib"]))
        else:
            Image.fromarray((noise >> 8).astype(np.uint8)).save(out, kind)
        return out.getvalue()

    def broken(self, body: bytes) -> bytes:
        """The same with some bytes changed, cut off, or doubled."""
        changed = bytearray(body)
        for _ in range(self.chance.randint(1, 12)):
            place = self.chance.randrange(len(changed))
            changed[place] = self.chance.choice([0, 255, 127, self.chance.randrange(256)])
        if self.chance.random() < 0.3:
            changed = changed[: self.chance.randrange(1, len(changed))]
        if self.chance.random() < 0.1:
            changed *= 3
        return bytes(changed)

    def mutated_picture(self) -> Shot:
        return self.relief(self.broken(self.picture("PNG")))

    def mutated_tiff(self) -> Shot:
        return self.relief(self.broken(self.picture("tiff")))

    def mutated_svg(self) -> Shot:
        star = b'<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 60 60"><path d="M30 4 L37 22 L56 23 A4 4 0 1 1 14 54 Z" transform="rotate(9)"/></svg>'
        return self.relief(self.broken(star), self.chance.choice(["plateau", "blade", "window"]))

    def mutated_solid(self) -> Shot:
        grid = np.random.default_rng(self.chance.randrange(2**32)).uniform(0, 40, (60, 3, 3)).astype(np.float32)
        grid[..., 2] *= 0.05
        return self.relief(self.broken(self.solid(grid)))

    def spiky_dies(self) -> Shot:
        """Ten dies with as many spikes as an outline may have, over one another."""
        points = self.chance.choice([60, 400, 3998])
        die = next(key for key, item in self.pile["items"].items() if item["blade"])
        ring = [
            [
                round((40 if n % 2 else 3) * math.cos(math.tau * n / points), 3),
                round((40 if n % 2 else 3) * math.sin(math.tau * n / points), 3),
            ]
            for n in range(points)
        ]
        pile = json.loads(json.dumps(self.pile))
        base = next(layer for layer in pile["layers"] if layer["item"] == die)
        for n in range(self.chance.randint(1, 10)):
            pile["items"][f"die{n}"] = {**pile["items"][die], "name": f"die {n}", "outline": ring, "shelf_id": None}
            pile["layers"].insert(3, {**base, "id": f"die{n}", "item": f"die{n}", "rotation_deg": 7.3 * n, "x_mm": n})
        path = self.chance.choice(
            ["/api/assess", "/api/feed/lying", "/api/feed", "/api/impressions", "/api/cards/pdf", "/api/plates/next-run"]
        )
        return path, json.dumps(pile).encode(), {}

    def mutated_sandwich(self) -> Shot:
        """A sandwich with some values replaced by what does not belong there."""
        pile = json.loads(json.dumps(self.pile))
        for _ in range(self.chance.randint(1, 4)):
            part: Any = pile
            while True:
                keys = list(part) if isinstance(part, dict) else list(range(len(part)))
                if not keys:
                    break
                key = self.chance.choice(keys)
                if isinstance(part[key], dict | list) and self.chance.random() < 0.8:
                    part = part[key]
                    continue
                part[key] = self.chance.choice([None, -1, 0, 1e308, "x" * 300, [], {}, True, "\u0007", 59.9, "é", 1e-12])
                break
        paths = ("assess", "assess/fixes", "feed/lying", "feed", "cards", "cards/text", "cards/pdf", "impressions", "recipes/order-loss")
        more = ("feed/template/svg", "feed/template/pdf", "feed/together", "plates/next-run", "sandwiches/file")
        return f"/api/{self.chance.choice(paths + more)}", json.dumps(pile).encode(), {}

    def bomb(self) -> Shot:
        """An archive that unpacks to far more than it weighs."""
        manifest = self.chance.choice(["{}", "[", '{"format": "lofty-press-archive", "version": 1}'])
        return "/api/archive/look", swollen_archive(self.chance.choice([1, 60]), manifest), {}

    def wandering_archive(self) -> Shot:
        """An archive whose files want to be somewhere else, or that is broken."""
        out = io.BytesIO()
        with zipfile.ZipFile(out, "w") as archive:
            names = ["../../evil", "/etc/passwd", "shelf/../x.json", "shelf/....json", "runs/a.jpg", "manifest.json", "shelf/a.json"]
            for name in self.chance.sample(names, 3):
                archive.writestr(name, b'{"format": "lofty-press-archive", "version": 1, "shape": 1, "made_at": "", "files": {}}')
        body = out.getvalue()
        return "/api/archive", self.broken(body) if self.chance.random() < 0.5 else body, {}

    def deep_json(self) -> Shot:
        """Brackets without end."""
        body = self.chance.choice([b"[" * 90_000, b'{"a":' * 90_000, b'{"format": "lofty-press-shelf", "items": ' + b"[" * 50_000])
        return self.chance.choice(["/api/assess", "/api/sandwiches/file", "/api/shelf/file"]), body, {}

    def wild_table(self) -> Shot:
        """A table of things that are none."""
        cells = ["press", "item", "ink", "=1+1", '"', "9" * 400, "\0", "[" * 5000, "thickness.mm", "1e999"]
        rows = [",".join(self.chance.choice(cells) for _ in range(6)) for _ in range(self.chance.choice([3, 3000]))]
        return "/api/shelf/file", ("is,key,kind,name,thickness.mm,thickness\n" + "\n".join(rows)).encode("utf-8", "replace"), {"take": True}

    def photo(self) -> Shot:
        return self.relief(self.broken(self.picture("JPEG")))
