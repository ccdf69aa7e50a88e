"""Renders series of photographs of reliefs, a torch or a scanner's lamp at another side in each, beside the true heights; see `render.py`.

Run `python tests/photographs/render_relief.py [NAME...]`. The shapes are drawn here: nothing of the product makes them.
"""

import json
import sys
import tempfile
from pathlib import Path

import cv2
import mitsuba as mi
import numpy as np
import trimesh
from render import HERE, photographed, plastic, texture
from scipy.ndimage import gaussian_filter

from lofty_press.core.imaging.photo import METRIC

WIDE, HIGH = 1134, 1512
SAMPLES = 12
STEP = 0.2  # mm of the true heights
MATTE = {"type": "diffuse", "reflectance": {"type": "rgb", "value": [0.45, 0.4, 0.34]}}
PAPER = {"type": "diffuse", "reflectance": {"type": "rgb", "value": [0.84, 0.84, 0.82]}}
GLOSSY = plastic(0.25, 0.42, 0.5)
METAL = {
    "type": "blendbsdf",
    "weight": 0.5,
    "a": {"type": "diffuse", "reflectance": {"type": "rgb", "value": [0.35, 0.35, 0.36]}},
    "b": {"type": "roughconductor", "material": "Al", "alpha": 0.45},
}


def hills(long, wide, depth, border=7.0):
    """Rings, domes, leaning ridges and a hook on flat ground: heights along x and up y. [mm]"""
    x = np.arange(-long / 2, long / 2 + STEP / 2, STEP)
    y = np.arange(-wide / 2, wide / 2 + STEP / 2, STEP)
    across, up = np.meshgrid(x, y, indexing="ij")
    ring = np.hypot(across + 0.22 * long, up - 0.1 * wide)
    found = ridge(ring - 11.0, 1.6) + dome(ring, 5.0)
    for n in range(5):
        found = np.maximum(found, ridge(0.8 * (across - 6.0 - 6.5 * n) + 0.6 * up, 1.3) * (up > -0.1 * wide) * (across > -2))
    for n in range(4):
        found = np.maximum(found, 0.8 * dome(np.hypot(across - 4.0 - 8.0 * n, up + 0.3 * wide), 3.2))
    stem = np.hypot(across + 0.2 * long, np.clip(up + 0.3 * wide, -99, 0))
    hook = np.minimum(stem, np.abs(up + 0.36 * wide) + 99 * (across > -2))
    found = np.maximum(found, ridge(hook, 1.4))
    inside = np.minimum(long / 2 - np.abs(across), wide / 2 - np.abs(up))
    fade = np.clip((inside - border) / 1.5, 0, 1)
    fade = fade * fade * (3 - 2 * fade)
    rounded = gaussian_filter(np.clip(found, 0, 1), 0.5 / STEP) * fade
    return depth * rounded / rounded.max()


def ridge(away, half):
    """A rounded ridge along a line. [1]"""
    return 0.5 * (1 + np.cos(np.pi * np.clip(np.abs(away) / half, 0, 1)))


def dome(away, radius):
    """A dome. [1]"""
    return np.clip(1 - (away / radius) ** 2, 0, 1) ** 0.8


# length and width, depth, thickness below the pattern [mm], what it is made of, torches (none: a scanner), the room's own light
SERIES = {
    "relief-matte": {"size": (84, 60), "depth": 0.8, "body": 2.5, "finish": MATTE, "torches": 6, "room": 0.05, "seed": 11},
    "relief-plastic": {"size": (84, 60), "depth": 0.6, "body": 1.4, "finish": GLOSSY, "torches": 6, "room": 0.08, "seed": 12},
    "relief-metal": {"size": (84, 60), "depth": 0.5, "body": 1.0, "finish": METAL, "torches": 6, "room": 0.03, "seed": 13},
    "relief-sheet": {"size": (100, 76), "depth": 0.42, "body": 0.3, "finish": PAPER, "torches": 4, "room": 0.04, "seed": 14},
    "scans-plastic": {"size": (84, 60), "depth": 0.6, "body": 1.4, "finish": GLOSSY, "torches": 0, "room": 0.0, "seed": 15},
    "scans-matte": {"size": (84, 60), "depth": 0.8, "body": 2.5, "finish": MATTE, "torches": 0, "room": 0.0, "seed": 16},
}


def top_mesh(heights, base, path):
    """The upper side as a smooth surface."""
    nx, ny = heights.shape
    x = (np.arange(nx) - (nx - 1) / 2) * STEP
    y = (np.arange(ny) - (ny - 1) / 2) * STEP
    across, up = np.meshgrid(x, y, indexing="ij")
    corner = np.arange(nx * ny).reshape(nx, ny)
    a, b, c, d = corner[:-1, :-1].ravel(), corner[1:, :-1].ravel(), corner[1:, 1:].ravel(), corner[:-1, 1:].ravel()
    faces = np.concatenate([np.column_stack([a, b, c]), np.column_stack([a, c, d])])
    points = np.column_stack([across.ravel(), up.ravel(), base + heights.ravel()])
    trimesh.Trimesh(points, faces, process=False).export(path, vertex_normal=True)
    return str(path)


def tool(series, heights, place, turn, folder):
    """The tool's meshes, at a place of the scene and turned. [mm, degrees]"""
    to = mi.ScalarTransform4f().translate([float(place[0]), float(place[1]), 0.0]).rotate([0, 0, 1], turn)
    long, wide = series["size"]
    body = mi.ScalarTransform4f().scale([long / 2, wide / 2, (series["body"] - 0.01) / 2]).translate([0, 0, 1])
    finish = {"type": "twosided", "bsdf": series["finish"]}
    return {
        "top": {"type": "ply", "filename": top_mesh(heights, series["body"], folder / "top.ply"), "to_world": to, "bsdf": finish},
        "body": {"type": "cube", "to_world": to @ body, "bsdf": finish},
    }


def torch_photo(name, shot, folder):
    """One photo; `shot` 0 is the one without the torch."""
    series, chance = SERIES[name], np.random.default_rng((SERIES[name]["seed"], shot))
    middle = np.array([METRIC.width / 2, -METRIC.height / 2, 0.0])
    tilt, around = np.radians(chance.uniform(2, 9)), chance.uniform(0, 2 * np.pi)
    eye = middle + 345.0 * np.array([np.sin(tilt) * np.cos(around), np.sin(tilt) * np.sin(around), np.cos(tilt)])
    paper = mi.ScalarTransform4f().translate(middle.tolist()).scale([METRIC.width / 2, METRIC.height / 2, 1.0])
    table = mi.ScalarTransform4f().translate((middle - [0, 0, 0.3]).tolist()).scale([900, 900, 1.0])
    place = middle[:2] + np.array([-8.0, 14.0])
    made = {
        "type": "scene",
        "integrator": {"type": "path", "max_depth": 3},
        "sensor": camera(eye, middle, series["seed"] * 100 + shot),
        "sky": {"type": "constant", "radiance": {"type": "rgb", "value": series["room"]}},
        "paper": {"type": "rectangle", "to_world": paper, "bsdf": {"type": "twosided", "bsdf": printed(folder)}},
        "table": {
            "type": "rectangle",
            "to_world": table,
            "bsdf": {"type": "diffuse", "reflectance": {"type": "rgb", "value": [0.2, 0.13, 0.08]}},
        },
        **tool(series, np.rot90(hills(*series["size"], series["depth"]), 0), place, 90.0 + 4.0, folder),
    }
    if shot:
        count = series["torches"]
        azimuth = 2 * np.pi * (shot - 1 + chance.uniform(-0.2, 0.2)) / count
        up = np.radians(chance.uniform(32, 48))
        far = chance.uniform(150, 200)
        at = np.array([*place, 0.0]) + far * np.array([np.cos(up) * np.cos(azimuth), np.cos(up) * np.sin(azimuth), np.sin(up)])
        made["torch"] = {"type": "point", "position": at.tolist(), "intensity": {"type": "rgb", "value": [9000.0, 8700.0, 8100.0]}}
    return photographed(rendered(made), series["seed"] + 31 * shot, *((99.7, 0.98) if shot else (97, 0.3)))


def camera(eye, middle, seed):
    """A phone's camera that looks down at a place."""
    return {
        "type": "perspective",
        "fov": 52.0,
        "fov_axis": "y",
        "to_world": mi.ScalarTransform4f().look_at(origin=eye.tolist(), target=middle.tolist(), up=[0, 1, 0]),
        "film": {"type": "hdrfilm", "width": WIDE, "height": HIGH, "rfilter": {"type": "gaussian"}},
        "sampler": {"type": "multijitter", "sample_count": SAMPLES, "seed": seed},
    }


def printed(folder):
    """The printed sheet's face."""
    return {
        "type": "diffuse",
        "reflectance": {"type": "bitmap", "filename": texture(METRIC, folder), "to_uv": mi.ScalarTransform4f().scale([1, -1, 1])},
    }


def rendered(made):
    """Light, linear."""
    return np.array(mi.render(mi.load_dict(made)))[..., :3]


def scan(name, turn, folder):
    """What a flatbed scanner makes of the tool under a white lid, the lamp at one side, turned by so many quarter turns and nearly so."""
    series, chance = SERIES[name], np.random.default_rng((SERIES[name]["seed"], turn))
    side, per_mm = 130.0, 300 / 25.4
    place = chance.uniform(-6, 6, 2)
    pixels = round(side * per_mm)
    view = mi.ScalarTransform4f().look_at(origin=[0, 0, 90], target=[0, 0, 0], up=[0, 1, 0]).scale([side / 2, side / 2, 1])
    made = {
        "type": "scene",
        "integrator": {"type": "path", "max_depth": 3},
        "sensor": {
            "type": "orthographic",
            "to_world": view,
            "film": {"type": "hdrfilm", "width": pixels, "height": pixels, "rfilter": {"type": "gaussian"}},
            "sampler": {"type": "multijitter", "sample_count": 8, "seed": turn},
        },
        "lamp": {"type": "directional", "direction": [0.0, 0.72, -0.69], "irradiance": {"type": "rgb", "value": 2.4}},
        "lid": {
            "type": "rectangle",
            "to_world": mi.ScalarTransform4f().translate([0, 0, -0.1]).scale([200, 200, 1]),
            "bsdf": {"type": "diffuse", "reflectance": {"type": "rgb", "value": [0.86, 0.86, 0.86]}},
        },
        **tool(series, hills(*series["size"], series["depth"]), place, 90.0 * turn + chance.uniform(-1.5, 1.5), folder),
    }
    light = rendered(made)
    light = light + np.random.default_rng(turn).normal(0, 0.004, light.shape)
    return (np.clip(light / 0.75, 0, 1) ** (1 / 2.2) * 255 + 0.5).astype(np.uint8)


def main(names):
    for name in names or SERIES:
        series = SERIES[name]
        with tempfile.TemporaryDirectory() as scratch:
            folder = Path(scratch)
            if series["torches"]:
                shots = [torch_photo(name, shot, folder) for shot in range(series["torches"] + 1)]
            else:
                shots = [scan(name, turn, folder) for turn in range(4)]
        for n, shot in enumerate(shots):
            cv2.imwrite(str(HERE / f"{name}-{n}.jpg"), shot[..., ::-1], [cv2.IMWRITE_JPEG_QUALITY, 90])
        heights = hills(*series["size"], series["depth"])
        cv2.imwrite(str(HERE / f"{name}.png"), np.round(heights / series["depth"] * 65535).astype(np.uint16))
        about = {"size": series["size"], "depth": series["depth"], "body": series["body"], "step": STEP}
        (HERE / f"{name}.json").write_text(json.dumps(about) + "\n")


if __name__ == "__main__":
    main(sys.argv[1:])
