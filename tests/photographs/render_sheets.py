"""Renders photographs of pressed sheets by a window: one that is right, and ones that went wrong in known places; see `render_relief.py`.

Run `python tests/photographs/render_sheets.py [NAME...]`.
"""

import json
import sys
import tempfile
from pathlib import Path

import cv2
import mitsuba as mi
import numpy as np
import trimesh
from render import HERE, photographed
from render_relief import STEP, hills, rendered

SIZE, DEPTH = (100.0, 76.0), 0.42
WIDE, HIGH = 1400, 1100
CARD = [0.55, 0.62, 0.42]
CORE = [0.9, 0.9, 0.88]
TABLE = [0.1, 0.07, 0.05]


def fade(x, start, end):
    """1 before a place, 0 after another, smooth between. [1]"""
    t = np.clip((x - start) / (end - start), 0, 1)
    return 1 - t * t * (3 - 2 * t)


# what is left of the relief at places along and up, how it is moved [mm, mm, degrees], holes and cracks as boxes [mm], and what is to be seen where
SHEETS = {
    "sheet-right": {"seen": []},
    "sheet-half-faint": {"left": lambda x, y: 0.3 + 0.7 * fade(x, -2, 2), "seen": [["faint", 0, -38, 50, 38]]},
    "sheet-blank-strip": {"left": lambda x, y: 1 - fade(y, -12, -9), "seen": [["blank", -50, -38, 50, -10]]},
    "sheet-fading": {"left": lambda x, y: 0.15 + 0.85 * fade(-x, 0, 40), "seen": [["faint", -50, -38, -20, 38]]},
    "sheet-shifted": {"moved": (2.0, -1.2, 0.0), "seen": []},
    "sheet-turned": {"moved": (0.0, 0.0, 2.0), "seen": []},
    "sheet-cut": {"hole": (10, 8, 22, 11), "seen": [["cut", 10, 8, 22, 11]]},
    "sheet-faint": {"left": lambda x, y: 0.4 + 0 * x, "seen": []},  # all over: a weaker light would look the same
    "sheet-blank-corner": {"left": lambda x, y: np.maximum(fade(x, 14, 18), fade(y, 4, 8)), "seen": [["blank", 16, 6, 50, 38]]},
    "sheet-aside-and-fading": {
        "moved": (-3.0, 1.0, 0.0),
        "left": lambda x, y: 0.2 + 0.8 * fade(y, 2, 8),
        "seen": [["faint", -50, 4, 50, 38]],
    },
    "sheet-cracked-across": {"crack": (4, -21, 27, -20), "seen": [["cracked", 4, -21, 27, -20]]},
    "sheet-cracked": {"crack": (-31, 6, -14, 7), "seen": [["cracked", -31, 6, -14, 7]]},
}


def sheet_mesh(heights, hole, path):
    """The sheet as a surface, without what was cut out."""
    nx, ny = heights.shape
    x, y = (np.arange(nx) - (nx - 1) / 2) * STEP, (np.arange(ny) - (ny - 1) / 2) * STEP
    across, up = np.meshgrid(x, y, indexing="ij")
    corner = np.arange(nx * ny).reshape(nx, ny)
    keep = np.ones((nx - 1, ny - 1), dtype=bool)
    if hole is not None:
        left, low, right, high = hole
        inside = (across > left) & (across < right) & (up > low) & (up < high)
        keep = ~inside[:-1, :-1]
    a, b, c, d = (part[keep] for part in (corner[:-1, :-1], corner[1:, :-1], corner[1:, 1:], corner[:-1, 1:]))
    faces = np.concatenate([np.column_stack([a, b, c]), np.column_stack([a, c, d])])
    points = np.column_stack([across.ravel(), up.ravel(), 0.5 + heights.ravel()])
    trimesh.Trimesh(points, faces, process=False).export(path, vertex_normal=True)
    return str(path)


def moved(heights, by):
    """Heights moved and turned, flat where they come from beyond the sheet."""
    nx, ny = heights.shape
    turn = cv2.getRotationMatrix2D(((ny - 1) / 2, (nx - 1) / 2), by[2], 1.0)
    turn[:, 2] += (by[1] / STEP, by[0] / STEP)
    return cv2.warpAffine(heights, turn, (ny, nx), flags=cv2.INTER_LINEAR)


def photo(name, folder, seed):
    """The photo."""
    about, chance = SHEETS[name], np.random.default_rng(seed)
    heights = hills(*SIZE, DEPTH)
    nx, ny = heights.shape
    x, y = np.meshgrid((np.arange(nx) - (nx - 1) / 2) * STEP, (np.arange(ny) - (ny - 1) / 2) * STEP, indexing="ij")
    if "left" in about:
        heights = heights * about["left"](x, y)
    if "moved" in about:
        heights = moved(heights, about["moved"])
    tilt, around = np.radians(5.0), chance.uniform(0, 2 * np.pi)
    eye = 165.0 * np.array([np.sin(tilt) * np.cos(around), np.sin(tilt) * np.sin(around), np.cos(tilt)])
    azimuth = chance.uniform(0, 2 * np.pi)
    down = np.array([-np.cos(azimuth) * np.cos(0.45), -np.sin(azimuth) * np.cos(0.45), -np.sin(0.45)])
    made = {
        "type": "scene",
        "integrator": {"type": "path", "max_depth": 3},
        "sensor": {
            "type": "perspective",
            "fov": 42.0,
            "fov_axis": "x",
            "to_world": mi.ScalarTransform4f().look_at(origin=eye.tolist(), target=[0, 0, 0], up=[0, 1, 0]),
            "film": {"type": "hdrfilm", "width": WIDE, "height": HIGH, "rfilter": {"type": "gaussian"}},
            "sampler": {"type": "multijitter", "sample_count": 16, "seed": seed},
        },
        "sky": {"type": "constant", "radiance": {"type": "rgb", "value": 0.13}},
        "window": {"type": "directional", "direction": down.tolist(), "irradiance": {"type": "rgb", "value": 1.4}},
        "table": {
            "type": "rectangle",
            "to_world": mi.ScalarTransform4f().scale([900, 900, 1]),
            "bsdf": {"type": "diffuse", "reflectance": {"type": "rgb", "value": TABLE}},
        },
        "sheet": {
            "type": "ply",
            "filename": sheet_mesh(heights, about.get("hole"), folder / "sheet.ply"),
            "bsdf": {"type": "twosided", "bsdf": {"type": "diffuse", "reflectance": {"type": "rgb", "value": CARD}}},
        },
    }
    if "crack" in about:
        left, low, right, high = about["crack"]
        place = mi.ScalarTransform4f().translate([(left + right) / 2, (low + high) / 2, 0.5 + DEPTH + 0.02])
        made["core"] = {
            "type": "rectangle",
            "to_world": place.scale([(right - left) / 2, 0.25, 1]),
            "bsdf": {"type": "diffuse", "reflectance": {"type": "rgb", "value": CORE}},
        }
    return photographed(rendered(made), seed, 99.5, 0.9)


def main(names):
    for n, name in enumerate(SHEETS):
        if names and name not in names:
            continue
        with tempfile.TemporaryDirectory() as scratch:
            shot = photo(name, Path(scratch), 40 + n)
        cv2.imwrite(str(HERE / f"{name}.jpg"), shot[..., ::-1], [cv2.IMWRITE_JPEG_QUALITY, 88])
        about = {"size": SIZE, "depth": DEPTH, "step": STEP, "moved": SHEETS[name].get("moved", (0, 0, 0)), "seen": SHEETS[name]["seen"]}
        (HERE / f"{name}.json").write_text(json.dumps(about) + "\n")


if __name__ == "__main__":
    main(sys.argv[1:])
