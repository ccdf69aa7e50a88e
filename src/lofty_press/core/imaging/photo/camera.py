"""The camera that took a photo, found from the printed sheet in it."""

import math
from dataclasses import dataclass

import cv2
import numpy as np
from scipy.optimize import least_squares

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.basics.words import say, size
from lofty_press.core.imaging.photo.target import Target
from lofty_press.core.sandwich.stack import FloatArray

LEAST = 8  # markers
USUAL_LENS, LENS_SPREAD = (
    0.8,
    0.4,
)  # focal length over the longer side of the picture, and the spread of its logarithm: phones and small cameras
FLAT_WITHIN = 0.35  # mm that markers may be off in the middle of the mass; a bent sheet or a screen shows more
SOFT = 0.6  # pixel; what a corner is off by counts less beyond that


@dataclass(frozen=True)
class Camera:
    """A pinhole with radial distortion over a printed sheet.

    `focal` [pixel], `middle` of the picture [pixel], `radial` coefficients of r^2 and r^4 [1], `turn` a rotation vector and `shift` that take the sheet
    into the camera [rad, mm]; `off_by` how far markers are from where it sees them, as root mean square on the sheet [mm].
    """

    focal: float
    middle: tuple[float, float]
    radial: tuple[float, float]
    turn: FloatArray
    shift: FloatArray
    off_by: float

    @property
    def place(self) -> FloatArray:
        """Where the camera is: right, down and above the sheet, (3,). [mm]"""
        rotation, _ = cv2.Rodrigues(self.turn)
        x, y, z = -rotation.T @ self.shift
        return np.array([x, y, -z])

    def seen(self, points: FloatArray, above: float = 0.0) -> FloatArray:
        """Where points (n, 2) of the sheet [mm], or of a plane so far above it [mm], are in the photo, (n, 2). [pixel]"""
        solid = np.column_stack([points, np.full(len(points), -above)]).astype(np.float64)
        matrix = np.array([[self.focal, 0, self.middle[0]], [0, self.focal, self.middle[1]], [0, 0, 1]], dtype=np.float64)
        flat, _ = cv2.projectPoints(solid, self.turn, self.shift, matrix, np.array([*self.radial, 0.0, 0.0]))
        return np.asarray(flat.reshape(-1, 2))


def camera_of(target: Target, markers: dict[int, FloatArray], shape: tuple[int, int], *, scale: float = 1.0) -> Camera:
    """Find the camera of a photo.

    Parameters
    ----------
    target : Target
    markers : dict of int to ndarray (4, 2)
        Corners of the markers seen. [pixel]
    shape : tuple of int
        Height and width of the photo. [pixel]
    scale : float
        Printed size over the size meant. [1]

    Raises
    ------
    InvalidInput
        If too few markers are seen or they do not lie in one plane.

    Notes
    -----
    Least squares over seven places of camera and lens and two of distortion, each corner weighed down beyond `SOFT`. A photo from straight above says little of
    the focal length, so that it is held near what phones have.

    References
    ----------
    Brown, "Close-range camera calibration", Photogrammetric Engineering 37, 1971 (radial terms).
    """
    if len(markers) < LEAST:
        raise InvalidInput(
            "photo",
            f"{len(markers)} markers",
            say("shows only {count} of the sheet's markers; show the whole printed sheet, flat and in focus", count=len(markers)),
        )
    paper = scale * np.concatenate([target.corners(n) for n in markers])
    pixels = np.concatenate(list(markers.values()))
    high, wide = shape
    longer, middle = float(max(shape)), ((wide - 1) / 2, (high - 1) / 2)
    begin = start(paper, pixels, longer * USUAL_LENS, middle)

    def misfit(values: FloatArray) -> FloatArray:
        camera = made(values, longer, middle, 0.0)
        off = (camera.seen(paper) - pixels).ravel() / SOFT
        return np.append(off, [values[0] / LENS_SPREAD, values[1] / 0.3, values[2] / 0.3])

    found = least_squares(misfit, begin, loss="soft_l1", x_scale=np.array([0.1, 0.1, 0.1, 0.1, 0.1, 0.1, 10, 10, 10]))
    camera = made(found.x, longer, middle, 0.0)
    per_pixel = camera.place[2] / camera.focal
    off = np.hypot(*(camera.seen(paper) - pixels).T) * per_pixel
    off_by = float(np.sqrt(np.mean(np.sort(off)[: max(int(0.9 * off.size), 1)] ** 2)))
    if off_by > FLAT_WITHIN:
        raise InvalidInput(
            "photo",
            f"{off_by:.1f} mm",
            say("shows a sheet that isn't flat: its markers are off by {off_by}; tape it down at its corners", off_by=size(off_by)),
        )
    return made(found.x, longer, middle, off_by)


def start(paper: FloatArray, pixels: FloatArray, focal: float, middle: tuple[float, float]) -> FloatArray:
    """Where the search begins: the pose under a usual lens."""
    matrix = np.array([[focal, 0, middle[0]], [0, focal, middle[1]], [0, 0, 1]], dtype=np.float64)
    solid = np.column_stack([paper, np.zeros(len(paper))])
    done, turn, shift = cv2.solvePnP(solid, pixels, matrix, None, flags=cv2.SOLVEPNP_IPPE)
    if not done or not np.isfinite(shift).all():
        raise InvalidInput("photo", "no pose", say("shows markers that fit no flat sheet; take it again from farther above"))
    return np.concatenate([[0.0, 0.0, 0.0], turn.ravel(), shift.ravel()])


def made(values: FloatArray, longer: float, middle: tuple[float, float], off_by: float) -> Camera:
    """The camera of a point of the search."""
    return Camera(longer * USUAL_LENS * math.exp(values[0]), middle, (float(values[1]), float(values[2])), values[3:6], values[6:9], off_by)
