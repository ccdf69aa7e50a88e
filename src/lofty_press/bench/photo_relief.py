"""Reliefs by photograph: how near they are to what was rendered, what the pressed sheet makes of them, and how long reading takes."""

import resource
import time
from collections.abc import Callable
from dataclasses import replace
from functools import cache

import cv2
import numpy as np

from lofty_press.bench.figure import Figure
from lofty_press.bench.photographed import beside_truth, photos, true_heights
from lofty_press.core.imaging.photo import Pixels
from lofty_press.core.imaging.shading import shape_by_torch
from lofty_press.core.mechanics.forming import Figures, figures_of, press
from lofty_press.core.sandwich.relief import HeightMap
from lofty_press.core.sandwich.stack import FloatArray
from lofty_press.demo.sandwiches import build, folder, lay
from lofty_press.demo.shelf import TOOLS
from lofty_press.documents.photos.photo_series import decoded

MATTE, GLOSSY = ("relief-matte", "relief-sheet"), ("relief-plastic", "relief-metal", "scans-plastic")
WIDE, HIGH = 3024, 4032  # pixels of a phone's photo


def correlation(name: str) -> float:
    """Correlation of a photographed relief with the rendered one."""
    read, true, _ = beside_truth(name)
    return float(np.corrcoef(read, true)[0, 1])


def rms_share(name: str) -> float:
    """Root mean square of what it is off by, over its depth."""
    read, true, _ = beside_truth(name)
    return float(np.sqrt(np.mean((read - true) ** 2)) / true.max())


@cache
def pressed(which: str) -> Figures:
    """A card in a folder with the photographed, or the true, relief of glossy plastic."""
    _, about = true_heights("relief-plastic")
    read, _, true = beside_truth("relief-plastic")
    del read
    heights = true if which == "true" else shape_in_place()
    item = TOOLS["rail-lattice"]
    assert item.relief is not None
    length, width = (side * about["step"] for side in heights.shape)
    own = replace(
        item, length_mm=length, width_mm=width, relief=replace(item.relief, map="own", height_mm=about["depth"], hinge_margin_mm=0.0)
    )
    pile = build(
        "Own", "midway", "emboss", lay("bed"), lay("hard-a"), *folder("rail-lattice", lay("ridge-green", role="sheet")), lay("hard-b")
    )
    sandwich = replace(pile, items={**pile.items, "rail-lattice": own})
    relief = HeightMap(np.maximum(heights, 0.0).astype(np.float32), about["step"])
    return figures_of(press(sandwich, lambda _: relief))


def shape_in_place() -> FloatArray:
    """The photographed heights. [mm]"""
    from lofty_press.bench.photographed import shape

    _, about = true_heights("relief-plastic")
    return shape("relief-plastic", room=True).relief(about["depth"]).heights.astype(np.float64)


def kept_off() -> float:
    """By how much the share of the depth that is kept differs, photographed against true."""
    return abs((pressed("photographed").retained_share or 0.0) - (pressed("true").retained_share or 0.0))


def crack_factor() -> float:
    """By what factor the crack index differs."""
    one, other = pressed("photographed").crack.value, pressed("true").crack.value
    return max(one, other) / max(min(one, other), 1e-6)


def seconds() -> float:
    """Seven photos of twelve megapixels, from files to heights."""
    files = [as_phone_writes(photo) for photo in photos("relief-matte")]
    start = time.perf_counter()
    shape_by_torch(decoded(files), ruler_mm=100.0, thickness_mm=2.5)
    return time.perf_counter() - start


def as_phone_writes(photo: Pixels) -> bytes:
    """A photo as a file of twelve megapixels."""
    large = cv2.resize(photo, (WIDE, HIGH), interpolation=cv2.INTER_CUBIC)
    return bytes(cv2.imencode(".jpg", large, [cv2.IMWRITE_JPEG_QUALITY, 92])[1].tobytes())


def megabytes() -> float:
    """The most memory that this process had, all of it."""
    return resource.getrusage(resource.RUSAGE_SELF).ru_maxrss / 1024


FIGURES: dict[str, tuple[Callable[[], float], str, float | None, bool]] = {
    "photo_relief_s": (seconds, "s", 10.0, False),
    "photo_relief_memory_mb": (megabytes, "MB", 800.0, False),
    "photo_relief_correlation_matte": (lambda: min(map(correlation, MATTE)), "", 0.97, True),
    "photo_relief_correlation_glossy": (lambda: min(map(correlation, GLOSSY)), "", 0.95, True),
    "photo_relief_rms_share": (lambda: max(map(rms_share, (*MATTE, *GLOSSY))), "", 0.1, False),
    "photo_relief_kept_off": (kept_off, "", 0.06, False),
    "photo_relief_crack_factor": (crack_factor, "", 1.3, False),
}
"""Name, how it is measured, unit, limit, and whether that is the least."""


def measure(wanted: set[str]) -> list[Figure]:
    """The figures that are asked for, time and memory first."""
    return [Figure(name, how(), unit, limit, least) for name, (how, unit, limit, least) in FIGURES.items() if name in wanted]
