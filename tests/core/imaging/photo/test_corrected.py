"""Tools of a photo as somebody corrects them, held against the central projection of a box and against shapely."""

import numpy as np
import pytest
from shapely import LinearRing, LineString, Polygon

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.imaging.photo import Tool, as_thick_as, blade_along
from lofty_press.core.imaging.photo.tools import lowered

CAMERA = np.array([100.0, 130.0, 420.0])


def box(left, top, right, bottom):
    return np.array([[left, top], [right, top], [right, bottom], [left, bottom]], dtype=float)


def seen(ring, above):
    """Where the upper edges of something of a thickness show on the sheet: along the line from the camera (central projection)."""
    foot = CAMERA[:2]
    return foot + (ring - foot) * CAMERA[2] / (CAMERA[2] - above)


def test_an_outline_follows_the_thickness_that_is_typed():
    """A plate of 4 mm whose every wall faces away from the camera's foot is seen larger than it is; whatever it was first taken for, its true size comes out."""
    true = box(60, 80, 150, 190)  # the foot is inside: all four walls face away from it
    for taken in (0.0, 0.95, 2.6):
        first = lowered(seen(true, 4.0), CAMERA, taken)
        tool = as_thick_as(Tool(first, (), (), cut_off=False), CAMERA, taken, 4.0)
        assert np.allclose(tool.outline, true, atol=1e-9)


def test_a_blade_runs_along_the_middle_of_its_band_or_along_its_edge():
    outer, inner = box(20, 20, 80, 100), box(26, 26, 74, 94)
    tool = Tool(outer, (inner,), (), cut_off=False)
    (middle,) = blade_along(tool, "middle")
    (edge,) = blade_along(tool, "edge")
    between = LinearRing(box(23, 23, 77, 97))
    assert LineString(middle).hausdorff_distance(between) < 1.5  # its corners are round
    assert np.median([between.distance(LineString([p, p + 1e-6])) for p in middle]) < 0.15  # the grid it is found on has 0.1 mm
    assert LineString(edge).length == pytest.approx(LinearRing(outer).length)


@pytest.mark.parametrize(
    ("outline", "windows"),
    [
        (np.array([[0, 0], [50, 50], [50, 0], [0, 50]], dtype=float), ()),  # crosses itself
        (box(0, 0, 1, 1), ()),  # nothing
        (box(0, 0, 50, 50), (box(40, 40, 60, 60),)),  # an opening that sticks out
        (box(0, 0, 900, 50), ()),  # larger than any sheet
    ],
)
def test_what_is_no_outline_is_refused(outline, windows):
    assert Polygon(outline).is_valid or not windows
    with pytest.raises(InvalidInput) as error:
        as_thick_as(Tool(outline, windows, (), cut_off=False), CAMERA, 1.0, 1.0)
    assert error.value.field == "outline"
