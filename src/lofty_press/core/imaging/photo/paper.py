"""Pixel values of a photo at places of the printed sheet, and where that sheet is bare."""

from dataclasses import dataclass

import cv2
import numpy as np
from numpy.typing import NDArray

from lofty_press.core.imaging.photo.camera import Camera
from lofty_press.core.imaging.photo.flat import Pixels
from lofty_press.core.imaging.photo.target import EDGE, MARKER, STRIP, Target
from lofty_press.core.sandwich.stack import FloatArray

STEP = 4.0  # mm between places of bare paper
NEAR, LOOKS = 0.9, 6  # mm to either side, and places in a row there: more even out the noise of the camera
KEEP_OFF = 2.5  # mm from what is printed


WHOLE = 65_535  # what stands for 1
CLIPPED = 250  # of 255, from which a pixel may hold any light


@dataclass(frozen=True)
class Values:
    """Pixel values of a photo, (height, width, 3) in parts of `WHOLE`, evened out over a cell, and the camera that saw it."""

    pixels: NDArray[np.uint16]
    camera: Camera

    @classmethod
    def of(cls, photo: Pixels, camera: Camera, cell: float) -> "Values":
        """Those of a photo (height, width, 3), evened out over cells of some size [mm]."""
        even = cv2.GaussianBlur(photo.astype(np.uint16) * 257, (0, 0), max(0.4 * cell * camera.focal / max(camera.place[2], 1.0), 0.3))
        even[brightest(photo) >= CLIPPED] = WHOLE
        return cls(np.asarray(even, dtype=np.uint16), camera)

    def at(self, points: FloatArray, above: float = 0.0) -> FloatArray:
        """Values at points (n, 2) of the sheet [mm] or of a plane so far above it [mm], (n, 3), 1 where they are clipped or outside. [0 to 1]"""
        places = self.camera.seen(points, above).astype(np.float32)
        side = 8192  # places a row: what the sampler takes at once is limited
        padded = np.concatenate([places, np.full((-len(places) % side, 2), -9, dtype=np.float32)]).reshape(-1, side, 2)
        found = cv2.remap(
            self.pixels, padded[..., 0], padded[..., 1], cv2.INTER_LINEAR, borderMode=cv2.BORDER_CONSTANT, borderValue=(WHOLE,) * 3
        )
        return np.asarray(found.reshape(-1, 3)[: len(places)] / WHOLE)

    def over(self, points: FloatArray) -> FloatArray:
        """Values (n,) round points (n, 2) of the sheet, evened out over a square of twice `NEAR`, and over the colors. [0 to 1]"""
        x, y = np.meshgrid(np.linspace(-NEAR, NEAR, LOOKS), np.linspace(-NEAR, NEAR, LOOKS))
        near = np.column_stack([x.ravel(), y.ravel()])
        found = self.at((points[:, None, :] + near).reshape(-1, 2)).reshape(len(points), len(near), 3)
        return np.where(found.max(axis=(1, 2)) < CLIPPED / 255.0, found.mean(axis=(1, 2)), 1.0)


def brightest(photo: Pixels) -> Pixels:
    """The largest of the three values of every pixel."""
    blue, green, red = cv2.split(photo)
    return np.asarray(cv2.max(cv2.max(blue, green), red), dtype=np.uint8)


def bare_paper(target: Target) -> FloatArray:
    """Places (n, 2) of a target where nothing is printed, inside its frame and between its markers. [mm]"""
    x, y = np.meshgrid(np.arange(EDGE / 2, target.width - EDGE / 2, STEP), np.arange(EDGE / 2, target.height - EDGE / 2, STEP))
    points = np.column_stack([x.ravel(), y.ravel()])
    bare = np.ones(len(points), dtype=bool)
    for left, top in target.markers.values():
        middle = np.array([left, top]) + MARKER / 2
        bare &= np.abs(points - middle).max(axis=1) > MARKER / 2 + KEEP_OFF
    left, top, right, bottom = target.window
    words = (points[:, 1] > top - 6.0) & (points[:, 1] < top + 1.0) & (points[:, 0] > left - KEEP_OFF) & (points[:, 0] < right)
    strip = (points[:, 1] > bottom) & (points[:, 1] < bottom + STRIP + KEEP_OFF)
    return np.asarray(points[bare & ~words & ~strip])
