"""Where the blades of the dies run."""

import math

import numpy as np

from lofty_press.core.sandwich.relief import HeightMap, blade_map
from lofty_press.demo.reliefs.pen import Points, as_lines, box, circle


def arch(right: float, foot: float, width: float, spring: float) -> list[tuple[float, float]]:
    """A round arch standing on its foot."""
    r = width / 2
    crown = circle(right, spring, r, start=180, stop=360, corners=60)
    return [(right - r, foot), *crown, (right + r, foot), (right - r, foot)]


def die(length: float, width: float, *runs: Points, height: float = 0.5) -> HeightMap:
    return blade_map(as_lines(*runs), length=length, width=width, height=height)


def station_arch() -> HeightMap:
    """The arch of the upper station: fanlight, clock, doors and two lanterns."""
    runs: list[Points] = [arch(0, 53, 80, -13), circle(0, -13, 7.5), arch(-17, 46, 20, 16), arch(17, 46, 20, 16)]
    for k in range(6):
        a, b = math.radians(182 + 30 * k), math.radians(206 + 30 * k)
        inner = [(15 * math.cos(t), -13 + 15 * math.sin(t)) for t in np.linspace(a, b, 8)]
        outer = [(31 * math.cos(t), -13 + 31 * math.sin(t)) for t in np.linspace(b, a, 14)]
        runs.append([*inner, *outer, inner[0]])
    for side in (-1, 1):
        runs.append(box(side * 33, 14, 6, 14, clipped=2))
    return die(110, 84, *runs)


def arch_tracery() -> HeightMap:
    """Glazing bars: rings of panes around the clock, and a row of lancets below."""
    runs: list[Points] = [arch(0, 50, 76, -14), circle(0, -14, 6.0)]
    for inner_r, outer_r, count in ((8.5, 15.5, 8), (17.5, 25.0, 12), (27.0, 34.5, 18)):
        step = 180 / count
        for k in range(count):
            a, b = math.radians(180 + step * k + 1.2), math.radians(180 + step * (k + 1) - 1.2)
            inner = [(inner_r * math.cos(t), -14 + inner_r * math.sin(t)) for t in np.linspace(a, b, 6)]
            outer = [(outer_r * math.cos(t), -14 + outer_r * math.sin(t)) for t in np.linspace(b, a, 8)]
            runs.append([*inner, *outer, inner[0]])
    for k in range(7):
        right = -30 + 10 * k
        runs.append(arch(right, 12, 7.5, -2))
        for down in (21, 33):
            runs.append(box(right, down, 7.5, 9.5, clipped=1.5))
        runs.append(circle(right, 43.5, 2.6, corners=24))
    return die(104, 80, *runs)


def label(width: float, length: float) -> HeightMap:
    """A luggage label with clipped shoulders, an eyelet and a stitched line of small slots."""
    w, h = width / 2 - 2, length / 2 - 2
    outline: Points = [(-w, h), (-w, -h + 14), (-w + 14, -h), (w - 14, -h), (w, -h + 14), (w, h), (-w, h)]
    runs: list[Points] = [outline, circle(0, -h + 9, 3.0, corners=30)]
    runs += [[(right, h - 7), (right + 3, h - 7)] for right in np.arange(-w + 6, w - 8, 6.0)]
    return die(length, width, *runs)


def perforator() -> HeightMap:
    """A row of teeth."""
    return die(100, 8, *[[(0.0, float(d)), (0.0, float(d) + 1.5)] for d in np.arange(-48, 48, 2.5)])


def square_carriage() -> HeightMap:
    """A carriage seen from its side, in a square cover."""
    runs: list[Points] = [box(0, 0, 94, 94), box(0, -4, 78, 34, clipped=5)]
    runs += [box(-28 + 14 * k, -9, 9.5, 13, clipped=2) for k in range(5)]
    runs += [circle(s * 24, 24, 8.0, corners=48) for s in (-1, 1)] + [circle(s * 24, 24, 2.5, corners=24) for s in (-1, 1)]
    runs += [[(-46, -34 + 4 * k), (-40 + 86 * (k % 2), -34 + 4 * k)] for k in range(2)]
    return die(98, 98, *runs)


def route_strip() -> HeightMap:
    """The line from the valley to the summit: a strip with a stop every so often."""
    wave = [(14 * math.sin(d / 36), float(d)) for d in np.arange(-144, 145, 3)]
    left, right = [(r - 5, d) for r, d in wave], [(r + 5, d) for r, d in reversed(wave)]
    runs: list[Points] = [[*left, *right, left[0]]]
    runs += [circle(14 * math.sin(d / 36), d, 2.4, corners=24) for d in range(-132, 140, 22)]
    return die(300, 60, *runs, height=0.7)


def crest_block() -> HeightMap:
    """A shield with a sheave and crossed ropes."""
    shield: Points = [(-44, -46), (44, -46), (44, 4), (34, 30), (0, 50), (-34, 30), (-44, 4), (-44, -46)]
    ring = [circle(0, -8, r) for r in (26.0, 19.0, 5.0)]
    return die(120, 110, shield, *ring, height=2.0)


def ticket_window_blade() -> HeightMap:
    """The window of the cutting folder."""
    runs = [box(0, 12, 56, 76, clipped=8), *[circle(s * 40, d, 4.5, corners=40) for s in (-1, 1) for d in (-52, 66)]]
    return die(155, 112, *runs)
