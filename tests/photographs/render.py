"""Renders the photographs that the tests read, with a physically based ray tracer (mitsuba): nothing of the product draws them but the printed sheet.

Run `python tests/photographs/render.py [NAME...]` where mitsuba, pypdfium2, trimesh and opencv are installed; what comes out is kept in this folder beside its truth.
"""

import json
import sys
import tempfile
from pathlib import Path

import cv2
import mitsuba as mi
import numpy as np
import pypdfium2
import trimesh
from shapely import affinity
from shapely.geometry import Point, Polygon, box

from lofty_press.core.imaging.photo import LETTER, METRIC
from lofty_press.documents.printed.target_pdf import target_pdf

mi.set_variant("scalar_rgb")
HERE = Path(__file__).parent
WIDE, HIGH = 1512, 2016
SAMPLES = 24
METAL = {"type": "roughconductor", "material": "Al", "alpha": 0.35, "specular_reflectance": {"type": "rgb", "value": [0.55, 0.55, 0.56]}}


def plastic(red, green, blue):
    return {"type": "roughplastic", "alpha": 0.15, "diffuse_reflectance": {"type": "rgb", "value": [red, green, blue]}}


def band(shape, width):
    """The band of a thin die round a shape. [mm]"""
    return shape.buffer(width / 2).difference(shape.buffer(-width / 2))


def tag(wide, high, cut):
    return Polygon([(cut, 0), (wide - cut, 0), (wide, cut), (wide, high), (0, high), (0, cut)])


def arch(wide, high):
    return box(0, wide / 2, wide, high).union(Point(wide / 2, wide / 2).buffer(wide / 2, 64))


def put(shape, x, y, turn=0.0):
    """A shape with the middle of its bounding box at a place of the sheet. [mm, degrees]"""
    turned = affinity.rotate(shape, turn, origin=(0, 0))
    left, top, right, bottom = turned.bounds
    return affinity.translate(turned, x - (left + right) / 2, y - (top + bottom) / 2)


def dies():
    """Twelve thin dies."""
    shapes = [
        (Point(0, 0).buffer(17, 96), 50, 50, 0),
        (Point(0, 0).buffer(12, 96), 94, 46, 0),
        (tag(26, 44, 7), 124, 56, 12),
        (box(0, 0, 30, 40), 165, 55, -8),
        (arch(30, 44), 48, 104, 5),
        (Point(0, 0).buffer(9, 96), 86, 92, 0),
        (box(0, 0, 46, 16), 108, 130, 20),
        (tag(20, 34, 5), 154, 112, 90),
        (Polygon([(0, 0), (30, 0), (15, 26)]), 50, 165, 0),
        (affinity.scale(Point(0, 0).buffer(1, 96), 24, 13), 100, 166, -15),
        (arch(24, 34), 150, 165, 0),
        (box(0, 0, 90, 12), 96, 212, 0),
    ]
    return [(put(band(shape, 2.4), x, y, turn), 1.0, METAL, "thin die") for shape, x, y, turn in shapes]


def stencils():
    """A stencil with openings, a plate, and a motif."""
    sheet = box(0, 0, 92, 128)
    holes = [Point(20 + 26 * i, 22 + 28 * j).buffer(6 + 2 * ((i + j) % 3), 64) for i in range(3) for j in range(4)]
    for hole in holes:
        sheet = sheet.difference(hole)
    return [
        (put(sheet, 78, 100, 3), 0.4, plastic(0.12, 0.3, 0.5), "pressure mask"),
        (put(box(0, 0, 95, 50), 85, 205, -2), 3.0, plastic(0.35, 0.12, 0.1), "hard plate"),
        (put(Point(0, 0).buffer(16, 96).union(box(-4, 0, 4, 30)), 155, 80, 0), 0.3, plastic(0.15, 0.35, 0.2), "motif"),
    ]


def colored():
    """Folders and plates of colored plastic, a thick one and a strip."""
    return [
        (put(box(0, 0, 64, 100), 64, 82, 4), 2.6, plastic(0.5, 0.28, 0.4), "plain folder"),
        (put(box(0, 0, 56, 95), 144, 84, -6), 4.9, plastic(0.62, 0.55, 0.2), "deep folder"),
        (put(box(0, 0, 130, 24), 100, 165, 3), 1.4, plastic(0.2, 0.45, 0.42), "strip die"),
        (put(Point(0, 0).buffer(22, 96).difference(Point(0, 0).buffer(12, 96)), 60, 215, 0), 2.0, plastic(0.1, 0.1, 0.12), "rubber mat"),
        (put(box(0, 0, 56, 36), 140, 215, 12), 3.2, plastic(0.5, 0.5, 0.52), "hard plate"),
    ]


def clear():
    """A clear plate, a milky one, and a die."""
    glass = {"type": "dielectric", "int_ior": 1.49}
    return [
        (put(box(0, 0, 74, 60), 74, 84, 5), 3.0, glass, "hard plate"),
        (put(box(0, 0, 56, 70), 148, 92, -4), 3.0, plastic(0.78, 0.8, 0.8), "soft plate"),
        (put(band(arch(30, 44), 2.4), 70, 180, 0), 1.0, METAL, "thin die"),
    ]


def clutter():
    """What lies on the table round the sheet: a cup, a ruler, a book, scraps; beyond the sheet's edge."""
    return [
        (put(Point(0, 0).buffer(38, 64), -48, 60, 0), 60.0, plastic(0.6, 0.15, 0.1)),
        (put(box(0, 0, 24, 200), -26, 210, 8), 3.0, plastic(0.85, 0.75, 0.3)),
        (put(box(0, 0, 120, 160), 290, 80, -12), 24.0, plastic(0.1, 0.2, 0.45)),
        (put(box(0, 0, 60, 40), 255, 240, 30), 0.4, plastic(0.85, 0.85, 0.82)),
        (put(Polygon([(0, 0), (70, 12), (30, 50)]), 110, 330, 0), 0.4, plastic(0.8, 0.5, 0.6)),
    ]


SCENES = {
    "colored-clutter": (
        METRIC,
        colored,
        {"tilt": 9.0, "around": 60.0, "height": 360.0, "sky": 0.55, "lamp": 5.0, "seed": 4, "clutter": True},
    ),
    "clear": (METRIC, clear, {"tilt": 6.0, "around": 250.0, "height": 345.0, "sky": 0.6, "lamp": 3.0, "seed": 5, "depth": 12}),
    "dies-letter": (LETTER, dies, {"tilt": 14.0, "around": 320.0, "height": 380.0, "sky": 0.7, "lamp": 2.0, "seed": 6, "clutter": True}),
    "dies-above": (METRIC, dies, {"tilt": 4.0, "around": 30.0, "height": 345.0, "sky": 0.75, "lamp": 0.0, "seed": 1}),
    "dies-aslant": (LETTER, dies, {"tilt": 24.0, "around": 200.0, "height": 350.0, "sky": 0.45, "lamp": 6.0, "seed": 2}),
    "stencils": (METRIC, stencils, {"tilt": 12.0, "around": 110.0, "height": 345.0, "sky": 0.6, "lamp": 4.0, "seed": 3}),
}


def texture(target, folder):
    page = pypdfium2.PdfDocument(target_pdf(target, "mm"))[0]
    path = folder / "sheet.png"
    page.render(scale=10).to_pil().convert("RGB").save(path)
    return str(path)


def mesh(shape, thickness, path):
    """A solid over the sheet; y runs up in the scene and down on the sheet."""
    solid = trimesh.creation.extrude_polygon(affinity.scale(shape, 1, -1, origin=(0, 0)), thickness)
    solid.export(path)
    return str(path)


def ring_of(ring):
    """A ring with no more points than its shape needs. [mm]"""
    return np.round(Polygon(ring).simplify(0.003).exterior.coords, 3).tolist()


def scene(name, folder):
    target, things, light = SCENES[name]
    tilt, around = np.radians(light["tilt"]), np.radians(light["around"])
    middle = np.array([target.width / 2, -target.height / 2, 0.0])
    aside = np.array([np.sin(tilt) * np.cos(around), np.sin(tilt) * np.sin(around), np.cos(tilt)])
    eye = middle + light["height"] * aside
    up = [0, 1, 0]
    paper = mi.ScalarTransform4f().translate([float(middle[0]), float(middle[1]), 0.0]).scale([target.width / 2, target.height / 2, 1.0])
    table = mi.ScalarTransform4f().translate([float(middle[0]), float(middle[1]), -0.3]).scale([900, 900, 1.0])
    made = {
        "type": "scene",
        "integrator": {"type": "path", "max_depth": light.get("depth", 4)},
        "sensor": {
            "type": "perspective",
            "fov": 52.0,
            "fov_axis": "y",
            "to_world": mi.ScalarTransform4f().look_at(origin=eye.tolist(), target=middle.tolist(), up=up),
            "film": {"type": "hdrfilm", "width": WIDE, "height": HIGH, "rfilter": {"type": "gaussian"}},
            "sampler": {"type": "multijitter", "sample_count": SAMPLES, "seed": light["seed"]},
        },
        "sky": {"type": "constant", "radiance": {"type": "rgb", "value": light["sky"]}},
        "paper": {
            "type": "rectangle",
            "to_world": paper,
            "bsdf": {
                "type": "twosided",
                "bsdf": {
                    "type": "diffuse",
                    "reflectance": {
                        "type": "bitmap",
                        "filename": texture(target, folder),
                        "raw": False,
                        "to_uv": mi.ScalarTransform4f().scale([1, -1, 1]),
                    },
                },
            },
        },
        "table": {
            "type": "rectangle",
            "to_world": table,
            "bsdf": {
                "type": "diffuse",
                "reflectance": {
                    "type": "checkerboard",
                    "color0": {"type": "rgb", "value": [0.18, 0.11, 0.07]},
                    "color1": {"type": "rgb", "value": [0.24, 0.15, 0.1]},
                    "to_uv": mi.ScalarTransform4f().scale([30, 30, 1]),
                },
            },
        },
    }
    if light["lamp"]:
        place = (middle + np.array([-350.0, 200.0, 420.0])).tolist()
        made["lamp"] = {
            "type": "rectangle",
            "to_world": mi.ScalarTransform4f().look_at(origin=place, target=middle.tolist(), up=[0, 0, 1]).scale([90, 90, 1]),
            "emitter": {"type": "area", "radiance": {"type": "rgb", "value": [light["lamp"], 0.95 * light["lamp"], 0.85 * light["lamp"]]}},
        }
    if light.get("clutter"):
        for n, (shape, thickness, finish) in enumerate(clutter()):
            path = mesh(shape, thickness, folder / f"clutter{n}.ply")
            made[f"clutter{n}"] = {"type": "ply", "filename": path, "face_normals": True, "bsdf": {"type": "twosided", "bsdf": finish}}
    truth = []
    for n, (shape, thickness, finish, kind) in enumerate(things()):
        made[f"tool{n}"] = {
            "type": "ply",
            "filename": mesh(shape, thickness, folder / f"{n}.ply"),
            "face_normals": True,
            "bsdf": finish if finish["type"] == "dielectric" else {"type": "twosided", "bsdf": finish},
        }
        truth.append({"kind": kind, "outline": ring_of(shape.exterior), "windows": [ring_of(ring) for ring in shape.interiors]})
    return made, truth


def photographed(linear, seed, brightest=97, least=0.82):
    """What a phone makes of it: barrel distortion, noise of the sensor, a tone curve, eight bits; exposed so that its `brightest` hundredth is as light as `least`."""
    high, wide = linear.shape[:2]
    focal = 0.5 * high / np.tan(np.radians(26.0))
    matrix = np.array([[focal, 0, (wide - 1) / 2], [0, focal, (high - 1) / 2], [0, 0, 1]])
    x, y = np.meshgrid(np.arange(wide, dtype=np.float64), np.arange(high, dtype=np.float64))
    bent = np.stack([x.ravel(), y.ravel()], axis=1)[:, None, :]
    straight = cv2.undistortPoints(bent, matrix, np.array([0.06, -0.05, 0.0, 0.0]), P=matrix).reshape(high, wide, 2).astype(np.float32)
    seen = cv2.remap(linear.astype(np.float32), straight[..., 0], straight[..., 1], cv2.INTER_CUBIC)
    seen = seen / np.percentile(seen, brightest) * least
    chance = np.random.default_rng(seed)
    seen = seen + chance.normal(0, 1, seen.shape) * np.sqrt(2e-5 + 2e-4 * np.maximum(seen, 0))
    toned = np.clip(seen, 0, 1) ** (1 / 2.2)
    toned = toned + 0.06 * np.sin(2 * np.pi * toned) * -1  # a little contrast, as cameras add
    return (np.clip(toned, 0, 1) * 255 + 0.5).astype(np.uint8)


def main(names):
    for name in names or SCENES:
        with tempfile.TemporaryDirectory() as scratch:
            made, truth = scene(name, Path(scratch))
            linear = np.array(mi.render(mi.load_dict(made)))[..., :3]
        photo = photographed(linear, SCENES[name][2]["seed"])
        cv2.imwrite(str(HERE / f"{name}.jpg"), photo[..., ::-1], [cv2.IMWRITE_JPEG_QUALITY, 88])
        (HERE / f"{name}.json").write_text(json.dumps({"paper": SCENES[name][0].paper, "tools": truth}) + "\n")


if __name__ == "__main__":
    main(sys.argv[1:])
