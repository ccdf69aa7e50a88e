"""A photo seen from straight above, in true size, with the paper's own light taken out."""

from dataclasses import dataclass

import cv2
import numpy as np
from numpy.typing import NDArray

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.basics.words import say
from lofty_press.core.imaging.photo.camera import Camera
from lofty_press.core.imaging.photo.markers import GAMMA
from lofty_press.core.imaging.photo.target import Target
from lofty_press.core.sandwich.stack import FloatArray

Pixels = NDArray[np.uint8]
CELL = 0.1  # mm, of a flattened photo
COARSE = 32  # cells between the places whose way into the photo is worked out; between them it is straight within a hundredth of a pixel
LEAST_WHITE = 60  # places of bare paper that say how the light falls off
DARK, BURNT = 50, 0.3  # gray of the paper below which a photo is too dark; share of it that may be burnt out


@dataclass(frozen=True)
class Flat:
    """The window of a target from above: colors (ny, nx, 3) as in the photo, and `share` (ny, nx, 3) of the light that the paper throws back there, 1 for paper.

    Rows run down and columns right from `left`, `top` in steps of `cell`. [mm]
    """

    colors: Pixels
    share: FloatArray
    left: float
    top: float
    cell: float


@dataclass(frozen=True)
class Sheet:
    """A printed sheet that a photo shows, the camera that saw it, and its printed size over the size meant [1]."""

    target: Target
    camera: Camera
    scale: float

    @property
    def window(self) -> tuple[float, float, float, float]:
        """Left, top, right and bottom of where tools are laid, as printed. [mm]"""
        left, top, right, bottom = (self.scale * side for side in self.target.window)
        return left, top, right, bottom


def from_above(photo: Pixels, sheet: Sheet) -> Pixels:
    """Colors (ny, nx, 3) of a sheet's window in true size, in cells of `CELL`.

    Parameters
    ----------
    photo : ndarray, shape (height, width, 3)
        Blue, green, red. [0 to 255]
    sheet : Sheet
    """
    left, top, right, bottom = sheet.window
    nx, ny = int((right - left) / CELL), int((bottom - top) / CELL)
    kx, ky = nx // COARSE + 2, ny // COARSE + 2
    x, y = np.meshgrid(left + (np.arange(kx) * COARSE + 0.5) * CELL, top + (np.arange(ky) * COARSE + 0.5) * CELL)
    at = sheet.camera.seen(np.column_stack([x.ravel(), y.ravel()])).reshape(ky, kx, 2).astype(np.float32)
    across, down = np.meshgrid(np.arange(nx, dtype=np.float32) / COARSE, np.arange(ny, dtype=np.float32) / COARSE)
    mapped = [cv2.remap(at[..., k].copy(), across, down, cv2.INTER_LINEAR) for k in (0, 1)]
    return np.asarray(cv2.remap(photo, mapped[0], mapped[1], cv2.INTER_LINEAR, borderMode=cv2.BORDER_REPLICATE), dtype=np.uint8)


def flattened(colors: Pixels, sheet: Sheet) -> Flat:
    """A window from above with the paper's own light taken out.

    Raises
    ------
    InvalidInput
        If it is too dark or burnt out.
    """
    left, top, _, _ = sheet.window
    return Flat(colors, share_of_paper(colors), left, top, CELL)


def share_of_paper(colors: Pixels) -> FloatArray:
    """Light of each place over that of bare paper there.

    Notes
    -----
    Lamps fall off smoothly: the paper's light is a quadric in the place, fitted to the brighter places and then to those near the fit. Where a thing covers
    nearly all of the window, its own light would be taken for the paper's; the refusal for that comes from what is found.
    """
    small = cv2.resize(colors, None, fx=1 / 16, fy=1 / 16, interpolation=cv2.INTER_AREA).astype(np.float64)
    linear = (small / 255.0) ** GAMMA
    ny, nx = linear.shape[:2]
    y, x = np.meshgrid(np.linspace(-1, 1, ny), np.linspace(-1, 1, nx), indexing="ij")
    terms = np.stack([np.ones_like(x), x, y, x * x, x * y, y * y], axis=-1).reshape(-1, 6)
    level = linear.mean(axis=2).ravel()
    white = level >= np.percentile(level, 70)
    if np.median(small.reshape(-1, 3)[white]) < DARK:
        raise InvalidInput("photo", "dark", say("is too dark to read; take it by a window or under a lamp"))
    if np.mean(small.reshape(-1, 3)[white].max(axis=1) >= 254.5) > 1.0 - BURNT:
        raise InvalidInput("photo", "burnt out", say("is burnt out: white parts have no detail; make it darker or turn the flash off"))
    for _ in range(8):
        fit = terms @ np.linalg.lstsq(terms[white], level[white], rcond=None)[0]
        near = (level > 0.93 * fit) & (level < 1.1 * fit)
        white = near if near.sum() >= LEAST_WHITE else white
    weights = np.linalg.lstsq(terms[white], linear.reshape(-1, 3)[white], rcond=None)[0]
    paper = (terms @ weights).reshape(ny, nx, 3)
    paper = cv2.resize(np.maximum(paper, 1e-3).astype(np.float32), colors.shape[1::-1], interpolation=cv2.INTER_CUBIC)
    light = (np.arange(256, dtype=np.float32) / 255.0) ** np.float32(GAMMA)
    return np.asarray(light[colors] / np.maximum(paper, 1e-3), dtype=np.float32)
