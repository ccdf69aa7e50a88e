"""What stays when the rollers have passed: the sheet springs back by the elastic part of its bending, as far as its shape lets it."""

import math
from dataclasses import dataclass

import numpy as np
from scipy.ndimage import gaussian_filter, maximum_filter, minimum_filter

from lofty_press.core.mechanics.forming import plate
from lofty_press.core.mechanics.forming.newton import Grid
from lofty_press.core.sandwich.stack import FloatArray

FLAT_OVER = 10.0  # mm; waves much longer than 2 pi times this are held by hand and table: a curl of the whole panel is not modelled
FEATURE = 3.0  # mm; relief within about this distance stiffens a spot
RESISTED = 3.0 / 8.0  # mean over all directions of the squared normal curvature of a ridge, over its curvature squared
TOLERANCE = 1e-3
WINDOW = 5.0  # mm; depth is read against what lies within half of this


@dataclass(frozen=True)
class SpringBack:
    """Displacement by which the sheet springs back (nx, ny) [mm], and the steps of the solve."""

    displacement: FloatArray
    steps: int


def stiffening(deflection: FloatArray, *, thickness: float, spacing: float) -> FloatArray:
    """How many times stiffer than the flat sheet the formed sheet resists bending. [1]

    Notes
    -----
    To bend a corrugated sheet of height variance a^2 its crests must stretch: per direction D + E t a^2 where the corrugation resists,
    and over all directions of isotropic relief 3/8 of that: 1 + 12 (3/8) a^2 / t^2 in shares of D. A straight ridge, which opens along
    its own direction, is taken as stiffer than it is.

    References
    ----------
    Shallow shell equations (Marguerre) for a slowly varying displacement over fine relief; stated, not derived, in docs/model.md, section 6.4.
    """
    mean = gaussian_filter(deflection, FEATURE / spacing, mode="nearest", truncate=3.0)
    variance = gaussian_filter((deflection - mean) ** 2, FEATURE / spacing, mode="nearest", truncate=3.0)
    return np.asarray(1.0 + 12.0 * RESISTED * variance / thickness**2)


def spring_back(grid: Grid, deflection: FloatArray) -> SpringBack:
    """Displacement by which a formed sheet springs back, to be taken off its deflection.

    Parameters
    ----------
    grid : Grid
        The formed problem; its working memory is used.
    deflection : ndarray, shape (nx, ny)
        The sheet under pressure. [mm]

    Returns
    -------
    SpringBack

    Notes
    -----
    Unloading is elastic, from what the stress has relaxed to. With the moments M under pressure, the displacement v that frees them is the solution of L' D s L v = L' M with
    L the second differences and s the stiffening by shape: the free sheet with its plastic curvature as eigencurvature.
    """
    forming, section, h = grid.forming, grid.forming.section, grid.forming.spacing
    u = np.pad(deflection, 1, mode="edge")
    plate.moments(u, grid.whole, h, grid.bending, grid.moments)
    drive = np.zeros_like(u)
    drive[1:-1, 1:-1] = unbalanced(grid, h)
    ratio = stiffening(deflection, thickness=section.thickness, spacing=h)
    tangent = grid.tangent
    tangent.secants[1:-1, 1:-1] = ratio
    tangent.smooth[1:-1, 1:-1] = section.reference * ratio
    for field in (tangent.gx, tangent.gy, tangent.gxy, tangent.pressing, grid.pull):
        field[...] = 0.0
    tangent.active[...] = section.reference / FLAT_OVER**4
    grid.multigrid.take_coefficients(tangent.smooth, grid.pull, tangent.active)
    _, steps = grid.newton_step(-drive, 0.0, TOLERANCE, 0.0)
    return SpringBack((1.0 - section.relaxed) * grid.step[1:-1, 1:-1].astype(np.float64) * forming.cover, steps)


def unbalanced(grid: Grid, spacing: float) -> FloatArray:
    """The pressure that the moments would need to stay: L' M. [MPa]"""
    grid.mirror_moments()
    mx, my, mxy = (field.astype(np.float64) for field in grid.moments)
    inner = slice(1, -1)
    bend = mx[2:, inner] - 2 * mx[inner, inner] + mx[:-2, inner] + my[inner, 2:] - 2 * my[inner, inner] + my[inner, :-2]
    twist = 0.25 * (mxy[2:, 2:] - mxy[2:, :-2] - mxy[:-2, 2:] + mxy[:-2, :-2])
    return np.asarray((bend + twist) / spacing**2)


def curl_of(displacement: FloatArray, spacing: float) -> FloatArray:
    """The part of a springing back that moves whole neighbourhoods: the sheet curls, and its relief stands as high as before. [mm]"""
    return np.asarray(gaussian_filter(displacement, WINDOW / spacing, mode="nearest", truncate=3.0))


def local_range(field: FloatArray, spacing: float) -> FloatArray:
    """Highest less lowest within a window around each cell. [mm]"""
    size = max(round(WINDOW / spacing), 3)
    return np.asarray(maximum_filter(field, size) - minimum_filter(field, size))


def surface_curvature(u: FloatArray, spacing: float) -> FloatArray:
    """Largest curvature by amount, positive where the upper face is hollow. [1/mm]"""
    w = np.pad(u, 1, mode="edge")
    xx = (w[2:, 1:-1] - 2 * u + w[:-2, 1:-1]) / spacing**2
    yy = (w[1:-1, 2:] - 2 * u + w[1:-1, :-2]) / spacing**2
    xy = (w[2:, 2:] - w[2:, :-2] - w[:-2, 2:] + w[:-2, :-2]) / (4 * spacing**2)
    middle, radius = (xx + yy) / 2, np.hypot((xx - yy) / 2, xy)
    return np.asarray(np.where(middle >= 0, middle + radius, middle - radius))


def strain_of(grid: Grid, deflection: FloatArray) -> FloatArray:
    """In-plane stretch under pressure in all directions together, evened out over the draw-in length. [1]"""
    plate.slope_energy(np.pad(deflection, 1, mode="edge"), grid.forming.spacing, grid.tension)
    return evened_out(grid)


def strain_along(grid: Grid, deflection: FloatArray, degrees: float) -> FloatArray:
    """The part of `strain_of` in one direction, told by its angle to the grid's first axis. [1]"""
    turn = math.radians(degrees)
    u = np.pad(deflection, 1, mode="edge")
    plate.slope_energy_along(u, grid.forming.spacing, math.cos(turn), math.sin(turn), grid.tension)
    return evened_out(grid)


def evened_out(grid: Grid) -> FloatArray:
    """The stretch that stands in the grid's memory, evened out."""
    plate.running_mean(grid.tension, grid.reach, grid.scratch, grid.strain)
    return np.asarray(grid.strain[1:-1, 1:-1].astype(np.float64)) * grid.forming.cover
