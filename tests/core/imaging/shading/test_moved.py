"""A tool that was moved between two photos is named, whatever the light; drawn here, since its place is then known."""

import cv2
import numpy as np
import pytest

from lofty_press.core.imaging.photo import CELL, Tool
from lofty_press.core.imaging.shading.moved import aside
from lofty_press.core.imaging.shading.shots import Shot

HIGH, WIDE, CORNER = 1400, 1100, (20.0, 30.0)
RING = np.array([[45.0, 60.0], [105.0, 60.0], [105.0, 140.0], [45.0, 140.0]])


def picture(number, moved=(0.0, 0.0)):
    """The tool from above under a light that falls off from another side in each photo, its shadow on the far side; `moved` across and down. [mm]"""
    chance = np.random.default_rng(7)
    y, x = np.mgrid[0:HIGH, 0:WIDE] * CELL
    around = number * 2.1
    light = 0.75 + 0.2 * np.cos(around) * (x / 110 - 0.5) + 0.2 * np.sin(around) * (y / 140 - 0.5)
    face = np.full((HIGH, WIDE), 0.9)
    corners = ((RING + moved - CORNER) / CELL).astype(np.int32)
    shadow = corners - np.array([20 * np.cos(around), 20 * np.sin(around)]).astype(np.int32)
    cv2.fillPoly(face, [shadow], 0.45)
    pattern = cv2.GaussianBlur(chance.normal(0, 1, (HIGH, WIDE)), (0, 0), 12)
    shift = np.float32([[1, 0, moved[0] / CELL], [0, 1, moved[1] / CELL]])
    pattern = cv2.warpAffine(pattern, shift, (WIDE, HIGH))
    inside = cv2.fillPoly(np.zeros((HIGH, WIDE), np.uint8), [corners], 1) > 0
    face[inside] = 0.4 + 1.2 * np.abs(pattern[inside])
    noise = np.random.default_rng(number).normal(0, 3, (HIGH, WIDE))
    gray = np.clip(255 * light * face + noise, 0, 255).astype(np.uint8)
    return Shot(number, np.dstack([gray] * 3), None, np.zeros(0), np.zeros(0), np.zeros(0, bool))


TOOL = Tool(RING, (), ("plain folder",), cut_off=False)


def test_a_tool_that_stays_is_not_called_moved():
    assert aside([picture(n) for n in range(1, 7)], TOOL, CORNER) == {}


@pytest.mark.parametrize("by", [(3.0, 0.0), (-2.0, 4.0), (0.0, 8.0)])
def test_a_tool_that_was_moved_is_named_with_how_far(by):
    shots = [picture(n, by if n == 4 else (0.0, 0.0)) for n in range(1, 7)]
    found = aside(shots, TOOL, CORNER)
    assert list(found) == [4]
    assert found[4] == pytest.approx(np.hypot(*by), abs=0.5)
