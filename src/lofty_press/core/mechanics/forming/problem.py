"""What is to be formed: a sheet between two surfaces, on a grid."""

from dataclasses import dataclass, replace

import numpy as np

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.basics.words import say
from lofty_press.core.mechanics.forming.multigrid import prolong_add
from lofty_press.core.sandwich.stack import FloatArray
from lofty_press.core.sandwich.stock import Section


@dataclass(frozen=True)
class Forming:
    """A sheet's mid-surface between a lower and an upper surface, both one-sided elastic foundations.

    Parameters
    ----------
    spacing : float
        Cell size, the same along both axes. [mm]
    section : Section
        How the sheet bends and stretches.
    cover : ndarray, shape (nx, ny)
        1 where the sheet lies, 0 beyond its edge. [1]
    lower, upper : ndarray, shape (nx, ny)
        Where the mid-surface meets each surface, up positive; the upper one moves as a whole. [mm]
    k_lower, k_upper : ndarray, shape (nx, ny)
        Stiffness of each foundation, >= 0. [N/mm3]
    pressure : float
        Mean pressure over the whole grid that the upper surface must press with. [MPa]
    load : ndarray, shape (nx, ny), or None
        Pressure upwards on the sheet besides the two surfaces. [MPa]
    draw_in : float
        Length over which stretch evens out within the sheet. [mm]
    held : bool
        True if the upper surface stays where it is (offset 0) in place of pressing with a force.
    """

    spacing: float
    section: Section
    cover: FloatArray
    lower: FloatArray
    upper: FloatArray
    k_lower: FloatArray
    k_upper: FloatArray
    pressure: float
    load: FloatArray | None = None
    draw_in: float = 1.0
    held: bool = False

    def __post_init__(self) -> None:
        for name in ("cover", "lower", "upper", "k_lower", "k_upper"):
            field = getattr(self, name)
            if field.shape != self.cover.shape or field.ndim != 2:
                raise InvalidInput(name, field.shape, say("all fields must share one two-dimensional shape"))
            if not np.isfinite(field).all():
                raise InvalidInput(name, "NaN", say("must be finite everywhere"))
        if min(self.cover.shape) < 8:
            raise InvalidInput("cover", self.cover.shape, say("needs at least 8 cells each way"))
        if not self.spacing > 0 or not self.pressure >= 0:
            raise InvalidInput("pressure", self.pressure, say("spacing must be over 0 and pressure not below"))

    @property
    def shape(self) -> tuple[int, int]:
        nx, ny = self.cover.shape
        return nx, ny

    def coarser(self) -> "Forming":
        """The same problem on cells twice as large."""
        return replace(
            self,
            spacing=2 * self.spacing,
            cover=mean_of_four(self.cover),
            lower=mean_of_four(self.lower),
            upper=mean_of_four(self.upper),
            k_lower=mean_of_four(self.k_lower),
            k_upper=mean_of_four(self.k_upper),
            load=None if self.load is None else mean_of_four(self.load),
        )

    @property
    def can_coarsen(self) -> bool:
        return self.shape[0] % 2 == 0 and self.shape[1] % 2 == 0 and min(self.shape) >= 64


def mean_of_four(a: FloatArray) -> FloatArray:
    """Mean over blocks of 2 x 2 cells."""
    return np.asarray(0.25 * (a[0::2, 0::2] + a[1::2, 0::2] + a[0::2, 1::2] + a[1::2, 1::2]))


def twice_as_fine(a: FloatArray) -> FloatArray:
    """A field carried to cells half as large, by quadratic interpolation along each axis."""
    coarse = np.pad(a, 1, mode="edge")
    fine = np.zeros((2 * a.shape[0] + 2, 2 * a.shape[1] + 2))
    prolong_add(coarse, fine, np.zeros((coarse.shape[0], fine.shape[1])))
    return fine[1:-1, 1:-1]
