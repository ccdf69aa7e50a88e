"""Reliefs of the one-sided plates and the motif."""

import math

import numpy as np
import shapely

from lofty_press.core.sandwich.relief import HeightMap, plateau_map
from lofty_press.core.sandwich.stack import FloatArray
from lofty_press.demo.reliefs.letters import write
from lofty_press.demo.reliefs.pen import Points, box, page, ridge

ROWS = (
    ("ALDER", "6.05", "8.20", "11.40", "3.15"),
    ("LARCH HALT", "6.14", "8.29", "11.49", "3.24"),
    ("MIDWAY", "6.22", "8.37", "11.57", "3.32"),
    ("RIDGE TOP", "6.31", "8.46", "12.06", "3.41"),
)


def timetable() -> HeightMap:
    """The summer timetable in type, as it reads from its face; it prints mirrored unless the sheet is laid for it."""
    p = page(140, 100)
    big = [*write("ALDER RIDGE", right=0, down=-55, size=9, spread=1.1)]
    small: list[Points] = [
        *write("FUNICULAR", right=0, down=-43, size=6, spread=2.4),
        *write("UP TRAINS DAILY", right=0, down=-30, size=4.4, spread=1.2),
    ]
    for n, (name, *times) in enumerate(ROWS):
        down = -13 + 14 * n
        small += write(name, right=-26, down=down, size=4.0, aspect=0.5)
        for k, time in enumerate(times):
            small += write(time, right=-2 + 14.0 * k, down=down, size=4.0, aspect=0.46)
    small += write("CARS WAIT FOR CONNECTING BOATS", right=0, down=52, size=3.4)
    rules: list[Points] = [((-44.0, d), (44.0, d)) for d in (-22.0, -6.0, 8.0, 22.0, 40.0)]

    def face(runs: list[Points], half: float) -> FloatArray:
        return np.asarray(np.clip((half + 0.25 - p.from_line(*runs)) / 0.25, 0.0, 1.0) * 0.8)

    heights = np.maximum(face(big, 0.75), face(small, 0.4))
    heights = np.maximum(heights, face(rules, 0.2))
    heights = np.maximum(heights, np.maximum(face([box(0, 0, 94, 134)], 0.6), face([box(0, 0, 90, 130)], 0.2)))
    mirrored = heights[:, ::-1]
    return p.map(mirrored)


def wicker_seat() -> HeightMap:
    """The weave of the carriage seats."""
    p = page(150, 112)
    pitch = 4.4
    column, row = np.floor(p.right / pitch), np.floor(p.down / pitch)
    a, b = p.right - (column + 0.5) * pitch, p.down - (row + 0.5) * pitch
    across = (column + row) % 2 == 0
    strand = np.where(
        across,
        ridge(np.abs(b), 2.2, 1.0) * (0.7 + 0.3 * np.cos(np.pi * a / pitch)),
        ridge(np.abs(a), 2.2, 1.0) * (0.7 + 0.3 * np.cos(np.pi * b / pitch)),
    )
    return p.map(0.22 * strand)


def monogram_shape() -> shapely.Polygon:
    """A and R in a wreath, as it is cut from card, (right, down) [mm]."""
    ring = shapely.Point(0, 0).buffer(22.6).difference(shapely.Point(0, 0).buffer(18.6))
    leaves = []
    for k in range(28):
        t = 2 * math.pi * k / 28
        tip = shapely.Point(20.6 * math.cos(t), 20.6 * math.sin(t))
        leaf = shapely.affinity.rotate(shapely.affinity.scale(shapely.Point(0, 0).buffer(1.0), 1.5, 0.62), math.degrees(t) + 52)
        leaves.append(shapely.affinity.translate(leaf, tip.x, tip.y))
    wreath = ring.difference(shapely.union_all(leaves))
    strokes = [*write("A", right=-6.2, down=0, size=18, aspect=0.62), *write("R", right=7.4, down=0, size=18, aspect=0.5)]
    letters = shapely.union_all([shapely.LineString(s).buffer(1.4) for s in strokes])
    ties = shapely.union_all([shapely.LineString([(s * 11, 9), (s * 17, 10.5)]).buffer(1.1) for s in (-1, 1)])
    return shapely.union_all([wreath, letters, ties])


def monogram() -> HeightMap:
    """The monogram as a motif of card."""
    turned = shapely.transform(monogram_shape(), lambda points: points[:, ::-1])
    return plateau_map(turned, length=46, width=46, height=0.25, shoulder=0.1)
