"""Reliefs of the embossing folders."""

import math

import numpy as np
import shapely
from scipy.ndimage import distance_transform_edt, gaussian_filter

from lofty_press.core.sandwich.relief import HeightMap
from lofty_press.core.sandwich.stack import FloatArray
from lofty_press.demo.reliefs.letters import write
from lofty_press.demo.reliefs.pen import Page, Points, as_lines, box, circle, page, plateau, ridge, rope


def clear_of_hinge(p: Page, margin: float) -> np.ndarray:
    """1 over the pattern, falling to 0 towards the hinge and the open edges."""
    top = p.down + p.length / 2 - margin
    sides = np.minimum(p.width / 2 - np.abs(p.right), p.length / 2 - p.down) - 2.0
    return np.clip(np.minimum(top, sides) / 2.0, 0.0, 1.0)


def rail_lattice() -> HeightMap:
    """Crossing rails that pass over and under one another, with a stud on every crossing."""
    p = page(155, 112)
    pitch, half = 17.0, 2.5
    u, v = (p.right + p.down) / math.sqrt(2), (p.right - p.down) / math.sqrt(2)
    cu, cv = np.round(u / pitch), np.round(v / pitch)
    du, dv = u - cu * pitch, v - cv * pitch
    over = np.where((cu + cv) % 2 == 0, 1.0, -1.0)
    near = ridge(np.hypot(du, dv), 7.0, 1.0)

    def rail(d: FloatArray, lift: FloatArray) -> FloatArray:
        return np.asarray(ridge(np.abs(np.abs(d) - 1.9), half, 0.36) * (1.0 - 0.45 * near * lift))

    first, second = rail(du, -over), rail(dv, over)
    heights = np.maximum(first, second)
    stud = ridge(np.hypot(du, dv), 2.3, 0.45)
    fu, fv = u - (np.floor(u / pitch) + 0.5) * pitch, v - (np.floor(v / pitch) + 0.5) * pitch
    flower = ridge(np.hypot(fu, fv), 1.9, 0.3)
    for k in range(6):
        a = math.pi / 3 * k
        flower = np.maximum(flower, ridge(np.hypot(fu - 3.1 * math.cos(a), (fv - 3.1 * math.sin(a))), 1.9, 0.34))
    heights = np.maximum(np.maximum(heights, stud), flower)
    return p.map(np.minimum(heights, 0.45) * clear_of_hinge(p, 9))


def skyline(seed: int, level: float, rough: float) -> list[tuple[float, float]]:
    """A ridge of mountains from the left edge to the right, by halving and shifting."""
    rng = np.random.default_rng(seed)
    heights = np.array([0.0, rng.normal(0, rough), 0.0])
    spread = rough
    for _ in range(6):
        spread *= 0.52
        between = 0.5 * (heights[1:] + heights[:-1]) + rng.normal(0, spread, heights.size - 1)
        heights = np.insert(heights, np.arange(1, heights.size), between)
    rights = np.linspace(-70, 70, heights.size)
    return [(float(r), float(level - h)) for r, h in zip(rights, heights, strict=True)]


def mountain(seed: int, level: float, rough: float) -> shapely.Polygon:
    """The body below a skyline."""
    return shapely.Polygon([*skyline(seed, level, rough), (70, 120), (-70, 120)])


def fir(right: float, down: float, size: float) -> shapely.Polygon:
    """A fir tree standing on a place."""
    points: list[tuple[float, float]] = [(0, -1.0)]
    for k in range(1, 5):
        points += [(0.09 + 0.07 * k, -1.0 + 0.2 * k), (0.05 + 0.035 * k, -1.0 + 0.19 * k)]
    points += [(0.05, -0.2), (0.05, 0.0)]
    mirrored = [(-a, b) for a, b in reversed(points)]
    return shapely.Polygon([(right + a * size, down + b * size) for a, b in [*points, *mirrored]]).buffer(0)


def cable_sheave() -> HeightMap:
    """The haulage sheave of the upper station with its ropes over the ridge."""
    p = page(160, 118)
    cx, cy, r = 0.0, -17.0, 37.0
    away = np.hypot(p.right - cx, p.down - cy)
    angle = np.arctan2(p.down - cy, p.right - cx)
    rim = np.maximum(ridge(np.abs(away - r), 5.2, 1.0), ridge(np.abs(away - r + 0.0), 1.6, 1.1))
    groove = ridge(np.abs(away - r), 1.3, 0.32)
    heights = np.maximum(rim - groove, ridge(np.abs(away - r + 8.0), 2.8, 0.62))
    studs = ridge(np.hypot((angle * 12 / math.pi - np.round(angle * 12 / math.pi)) * math.pi / 12 * (r - 8), away - r + 8), 1.7, 0.86)
    heights = np.maximum(heights, studs)
    spokes: list[Points] = []
    for k in range(8):
        a = math.pi / 4 * k + math.pi / 8
        spokes.append([(cx + 9 * math.cos(a), cy + 9 * math.sin(a)), (cx + (r - 8) * math.cos(a), cy + (r - 8) * math.sin(a))])
    bar = p.from_line(*spokes)
    width = 2.3 + 1.6 * np.clip(1 - away / r, 0, 1)
    heights = np.maximum(heights, 0.8 * np.cos(0.5 * np.pi * np.clip(bar / width, 0, 1)) ** 2)
    heights = np.maximum(heights, ridge(np.maximum(away - 6.0, 0.0), 3.6, 1.0))
    heights = np.maximum(heights - ridge(np.abs(away - 4.4), 1.2, 0.4), ridge(away, 3.0, 1.1))
    for side in (-1, 1):
        line = p.from_line([(cx + side * r, cy), (cx + side * r, 70)])
        below = p.down > cy
        heights = np.maximum(heights, rope(p, line, p.down, 2.1, 0.85) * below)
    for seed, level, rough, top in ((5, 42, 9.0, 0.42), (11, 53, 8.0, 0.62), (23, 64, 6.0, 0.8)):
        depth = p.inside(mountain(seed, level, rough))
        heights = np.where(depth > 0, np.maximum(plateau(depth, 2.4, top), np.where(depth > 2.4, 0.0, heights * 0.5)), heights)
        heights = np.where(depth > 6.0, plateau(depth, 2.4, top) - ridge(np.abs(depth - 7.5), 1.2, 0.12), heights)
    for k, (right, size) in enumerate(((-46, 15), (-37, 11), (40, 13), (48, 17), (31, 9), (-28, 8))):
        heights = np.maximum(heights, plateau(p.inside(fir(right, 66 + 3 * (k % 3), size)), 1.9, 1.0))
    frame = p.from_line(box(0, 4.5, 108, 139, clipped=4))
    outside = np.maximum(np.abs(p.right) - 54, np.abs(p.down - 4.5) - 69.5) > 0
    heights = np.where(outside, 0.0, heights)
    heights = np.maximum(heights, ridge(frame, 3.4, 0.9))
    return p.map(gaussian_filter(np.clip(0.9 * heights, 0.0, 1.0), 3.8) * clear_of_hinge(p, 10))


def ridge_line() -> HeightMap:
    """Five ranges behind one another in steps, a sun with rays, and the car on its incline."""
    p = page(160, 118)
    heights = p.blank()
    sun = (20.0, -34.0)
    away = np.hypot(p.right - sun[0], p.down - sun[1])
    heights = np.maximum(heights, plateau(np.maximum(13.0 - away, 0.0), 2.2, 0.55))
    rays: list[Points] = []
    for k in range(24):
        a, far = math.pi / 12 * k, 23.0 if k % 2 else 29.0
        rays.append([(sun[0] + reach * math.cos(a), sun[1] + reach * math.sin(a)) for reach in (17.5, far)])
    heights = np.maximum(heights, ridge(p.from_line(*rays), 1.7, 0.32))
    layers = ((3, -14, 15.0, 0.28), (8, 4, 12.0, 0.54), (14, 22, 10.0, 0.8), (21, 40, 8.0, 1.05), (34, 57, 6.0, 1.3))
    for seed, level, rough, top in layers:
        depth = p.inside(mountain(seed, level, rough))
        step = plateau(depth, 2.6, 1.0)
        heights = np.where(depth > 0, heights * (1 - step) + np.maximum(top, heights * (1 - step)) * step, heights)
        heights = np.where(depth > 2.6, top, heights)
        heights += np.where(depth > 0, ridge(np.abs(depth - 4.4), 1.1, 0.1), 0.0)
    track: Points = [(-58, 52), (58, -8)]
    band = p.from_line(track)
    heights = np.where(band < 4.6, np.minimum(heights, 0.75) + 0.0, heights)
    slope = math.atan2(-60, 116)
    along = (p.right + 58) * math.cos(slope) + (p.down - 52) * math.sin(slope)
    across = -(p.right + 58) * math.sin(slope) + (p.down - 52) * math.cos(slope)
    sleepers = ridge(np.abs((along / 4.6 - np.round(along / 4.6)) * 4.6), 1.1, 0.22) * (np.abs(across) < 3.6)
    rails = np.maximum(ridge(np.abs(across - 2.2), 1.0, 0.42), ridge(np.abs(across + 2.2), 1.0, 0.42))
    heights = np.where(band < 4.6, heights + np.maximum(sleepers, rails), heights)
    car = shapely.Polygon([(-9, -2.6), (8, -2.6), (11, -12.5), (-6, -12.5)])
    local_r, local_d = along - 66.0, across
    body = shapely.affinity.translate(car, 0, 0)
    shapely.prepare(body)
    mask = shapely.contains_xy(body, local_r, local_d)
    depth = distance_transform_edt(mask, sampling=0.2)
    heights = np.maximum(heights, plateau(depth, 1.5, 1.3))
    for k in range(3):
        window = (np.abs(local_r - (-4.2 + 5.1 * k) + 0.28 * (local_d + 9.4)) < 1.7) & (np.abs(local_d + 9.2) < 1.9)
        heights = np.where(window, 0.85, heights)
    for right, down, size in ((-47, 76, 22), (-36, 76, 15), (45, 76, 19), (35, 76, 13), (52, 76, 13), (-54, 76, 14)):
        heights = np.maximum(heights, plateau(p.inside(fir(right, down, size)), 2.2, 1.25))
    outside = np.maximum(np.abs(p.right) - 54, np.abs(p.down - 4.5) - 69.5) > 0
    heights = np.where(outside, 0.0, heights)
    frame = p.from_line(box(0, 4.5, 108, 139))
    heights = np.maximum(heights, ridge(frame, 3.0, 0.7))
    return p.map(gaussian_filter(np.clip(0.75 * heights, 0.0, 1.0), 5.0) * clear_of_hinge(p, 10))


def ticket_window() -> HeightMap:
    """A ticket with a cut window, a border of beads and a rose of rays."""
    p = page(155, 112)
    lines = as_lines(box(0, 12, 56, 76, clipped=8), *[circle(s * 40, d, 4.5) for s in (-1, 1) for d in (-52, 66)])
    outer, inner = p.from_line(box(0, 6, 100, 134, clipped=10)), p.from_line(box(0, 12, 70, 90, clipped=12))
    heights = np.maximum(ridge(outer, 1.9, 0.4), ridge(inner, 1.9, 0.4))
    bead_r, bead_d = p.right - np.round(p.right / 6) * 6, p.down - 6 - np.round((p.down - 6) / 6) * 6
    band = (np.maximum(np.abs(p.right) - 43, np.abs(p.down - 6) - 60) > -2.0) & (
        np.maximum(np.abs(p.right) - 43, np.abs(p.down - 6) - 60) < 2.0
    )
    heights = np.maximum(heights, ridge(np.hypot(bead_r, bead_d), 2.0, 0.34) * band)
    heights = np.maximum(heights, ridge(p.from_line(*write("ADMIT ONE", right=0, down=-46, size=8, spread=1.2)), 1.1, 0.38))
    return p.map(np.clip(heights, 0, 0.4) * clear_of_hinge(p, 9), lines)


def alpine_flora() -> HeightMap:
    """Sprays of star flowers and leaves, set by the golden angle."""
    p = page(155, 112)
    heights = p.blank()
    rng = np.random.default_rng(7)
    spots: list[tuple[float, float, float]] = []
    while len(spots) < 30:
        right, down, size = rng.uniform(-50, 50), rng.uniform(-62, 72), rng.uniform(7.0, 11.5)
        if all(math.hypot(right - a, down - b) > 0.92 * (size + s) for a, b, s in spots):
            spots.append((right, down, size))
    for right, down, size in spots:
        dr, dd = p.right - right, p.down - down
        near = np.hypot(dr, dd) < 1.2 * size
        away, angle = np.hypot(dr, dd)[near], np.arctan2(dd, dr)[near]
        turn = rng.uniform(0, 2 * math.pi)
        petal = np.abs(((angle - turn) / (2 * math.pi / 7) + 0.5) % 1.0 - 0.5) * 2 * math.pi / 7
        reach = np.clip(away / size, 0, 1)
        width = 0.36 * np.sin(np.pi * np.clip(reach, 0, 1) ** 0.8) + 1e-6
        value = 0.5 * np.cos(0.5 * np.pi * np.clip(petal * reach / width, 0, 1)) ** 2
        value -= ridge(petal * away, 0.7, 0.12) * (reach > 0.35)
        value = np.maximum(value, ridge(away, 0.26 * size, 0.6))
        heights[near] = np.maximum(heights[near], value)
    return p.map(gaussian_filter(np.clip(heights, 0, 0.6), 2.0) * clear_of_hinge(p, 8))


def name_board() -> HeightMap:
    """The station's name between two rules."""
    p = page(150, 76)
    heights = p.blank()
    runs = [
        *write("ALDER RIDGE", right=0, down=-25, size=7.6, aspect=0.5),
        *write("UPPER STATION", right=0, down=-12, size=5.4, aspect=0.52),
    ]
    heights = np.maximum(heights, ridge(p.from_line(*runs), 1.25, 0.4))
    for down in (-36, -2):
        heights = np.maximum(heights, ridge(p.from_line([(-31, down), (31, down)]), 1.5, 0.4))
    tree = p.inside(shapely.union_all([fir(r, 62, s) for r, s in ((-18, 30), (0, 46), (17, 34), (-27, 18), (27, 20))]))
    heights = np.maximum(heights, plateau(tree, 1.6, 0.4))
    heights = np.maximum(heights, ridge(p.from_line(box(0, 4, 70, 136, clipped=5)), 1.6, 0.4))
    return p.map(gaussian_filter(heights, 1.0) * clear_of_hinge(p, 8))
