"""The computed front that a photo is laid over: straight, the right way round, and back on the bed; held against the function it is drawn from."""

import math

import numpy as np
import pytest

from lofty_press.core.imaging.sightread import CELL
from lofty_press.documents.kept.impression_record import PanelDocument
from lofty_press.documents.kept.packed import pack
from lofty_press.documents.photos.sheet_photo import predicted_front

SIZE, MIDDLE, STEP = (90.0, 60.0), (12.0, -7.0), 0.5
CELLS, FIRST = (260, 240), (-55.0, -65.0)


def bump(along, across):
    """A relief without any symmetry. [mm]"""
    return 0.4 * np.exp(-((along - 20) ** 2 + (across - 9) ** 2) / 60) + 0.2 * np.exp(-((along + 25) ** 2) / 40)


def computed(turned, front):
    """A sheet as the computation keeps it, turned on the bed. [degrees]"""
    x, y = (FIRST[k] + STEP * np.arange(CELLS[k]) for k in (0, 1))
    dx, dy = np.meshgrid(x - MIDDLE[0], y - MIDDLE[1], indexing="ij")
    cos, sin = math.cos(math.radians(turned)), math.sin(math.radians(turned))
    along, across = cos * dx + sin * dy, cos * dy - sin * dx
    inside = (np.abs(along) <= SIZE[0] / 2) & (np.abs(across) <= SIZE[1] / 2)
    panel = PanelDocument(
        cells=CELLS, spacing_mm=STEP, first_mm=FIRST, thickness_mm=0.3, front=front, colour="#fff", core_colour=None, finish="plain", ink_colour=None
    )  # fmt: skip
    face = np.where(inside, bump(along, across), 0.0)
    return panel, pack(face), pack(np.where(inside, 1.0, -1.0))


@pytest.mark.parametrize("front", ["upper", "lower"])
@pytest.mark.parametrize("turned", [0.0, 3.0, -12.0, 30.0])
def test_a_sheet_is_laid_straight_however_it_lay(turned, front):
    found = predicted_front(*computed(turned, front))
    assert found.size == pytest.approx(SIZE, abs=2 * STEP)
    assert found.middle == pytest.approx(MIDDLE, abs=STEP)
    assert math.degrees(found.turned) == pytest.approx(turned, abs=0.5)
    nx, ny = found.heights.shape
    along, across = np.meshgrid((np.arange(nx) - (nx - 1) / 2) * CELL, (np.arange(ny) - (ny - 1) / 2) * CELL, indexing="ij")
    seen = bump(along, across) if front == "upper" else -bump(along, -across)  # from below left and right are exchanged, and hollow is high
    inner = (slice(10, -10), slice(10, -10))
    assert np.abs(found.heights - seen)[inner].max() < 0.03


@pytest.mark.parametrize("front", ["upper", "lower"])
def test_what_is_seen_is_found_again_on_the_bed(front):
    found = predicted_front(*computed(20.0, front))
    top = np.unravel_index(np.abs(found.heights).argmax(), found.heights.shape)
    place = (np.array(top) - (np.array(found.heights.shape) - 1) / 2) * CELL
    turn = math.radians(20.0)
    true = (
        MIDDLE[0] + 20 * math.cos(turn) - 9 * math.sin(turn),
        MIDDLE[1] + 20 * math.sin(turn) + 9 * math.cos(turn),
    )
    np.testing.assert_allclose(found.on_bed(place), true, atol=1.0)
