"""Things that may be two: shapes from shapely, as tools lie on the sheet."""

import numpy as np
import pytest
from shapely import affinity
from shapely.geometry import LineString, Point, box

from lofty_press.core.imaging.photo import Tool
from lofty_press.core.imaging.photo.tools import may_be_two


def tool(shape):
    return Tool(
        np.array(shape.exterior.coords)[:-1], tuple(np.array(ring.coords)[:-1] for ring in shape.interiors), ("thin die",), cut_off=False
    )


def ring(x, y, radius):
    return Point(x, y).buffer(radius + 1.2, 64).difference(Point(x, y).buffer(radius - 1.2, 64))


ONE = {
    "die": ring(0, 0, 20),
    "plate": box(0, 0, 90, 60),
    "arch": box(0, 15, 30, 44).union(Point(15, 15).buffer(15)),
    "frame with a bar": box(0, 0, 50, 50).difference(box(3, 3, 47, 23)).difference(box(3, 27, 47, 47)),
    "tag with a hole": box(0, 0, 60, 30).difference(Point(6, 15).buffer(3)),
    "strip": box(0, 0, 120, 14),
}
TWO = {
    "dies that cross": ring(0, 0, 20).union(ring(22, 0, 20)),
    "plates that touch at a corner": box(0, 0, 60, 40).union(affinity.translate(box(0, 0, 50, 40), 57, 36)),
    "plates over one another, askew": box(0, 0, 60, 40).union(LineString([(60, 20), (75, 20)]).buffer(2)).union(box(74, 0, 130, 40)),
}


@pytest.mark.parametrize("name", ONE)
def test_one_thing_is_one(name):
    assert not may_be_two(tool(ONE[name]))


@pytest.mark.parametrize("name", TWO)
def test_two_that_touch_are_named(name):
    assert may_be_two(tool(TWO[name]))
