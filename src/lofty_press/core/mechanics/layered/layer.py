"""One elastic layer of a bonded pile, and its stiffness against a wave along it."""

import math
from collections.abc import Sequence
from dataclasses import dataclass

import numba
import numpy as np

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.basics.words import number, say, size, thickness
from lofty_press.core.sandwich.stack import FloatArray

MOST_LAYERS = 60
MOST_POISSON = 0.49999  # over this the wave's stiffness is all bulk modulus, and double precision runs out

compiled = numba.njit(cache=True, error_model="numpy")


@dataclass(frozen=True, slots=True)
class Layer:
    """A plane, isotropic, linear-elastic layer: `thickness` [mm], Young's `modulus` [MPa], `poisson` ratio [1]."""

    name: str
    thickness: float
    modulus: float
    poisson: float

    @property
    def half_space(self) -> float:
        """Inward displacement times wavenumber per pressure of a half-space of this material, 2 (1 - nu^2) / E. [1/MPa]"""
        return 2.0 * (1.0 - self.poisson**2) / self.modulus


def check_layers(layers: Sequence[Layer], sheet: int) -> None:
    """Raise `InvalidInput`, which names the layer, if the pile cannot be computed."""
    if not 1 <= len(layers) <= MOST_LAYERS:
        raise InvalidInput("layers_bottom_up", len(layers), say("must be 1 to {most} layers", most=MOST_LAYERS))
    if not 0 <= sheet < len(layers):
        raise InvalidInput("sheet_index", sheet, say("must be 0 to {last}", last=len(layers) - 1))
    for n, layer in enumerate(layers):
        where = f"layers_bottom_up.{n}"
        if not (math.isfinite(layer.thickness) and 1e-3 <= layer.thickness <= 200.0):
            raise InvalidInput(
                f"{where}.thickness_mm", layer.thickness, say("must be {least} to {most}", least=thickness(0.001, 3), most=size(200.0))
            )
        if not (math.isfinite(layer.modulus) and 1e-3 <= layer.modulus <= 1e6):
            raise InvalidInput(f"{where}.modulus_mpa", layer.modulus, say("must be 0.001 to 1 000 000 MPa"))
        if not (math.isfinite(layer.poisson) and 0.0 <= layer.poisson <= MOST_POISSON):
            raise InvalidInput(
                f"{where}.poisson",
                layer.poisson,
                say("must be 0 to {most}; rubber is about 0.4997", most=number(MOST_POISSON)),
            )


def packed(layers: Sequence[Layer]) -> FloatArray:
    """Thickness, modulus, Poisson's ratio of every layer, (n, 3) [mm, MPa, 1], as the kernels take them."""
    return np.array([(layer.thickness, layer.modulus, layer.poisson) for layer in layers], dtype=np.float64).reshape(-1, 3)


@compiled
def wave_stiffness(k: float, thickness: float, modulus: float, poisson: float) -> tuple[float, float, float, float, float, float]:
    """Stiffness of a layer against displacements that vary as cos and sin of k x along it, in plane strain.

    Parameters
    ----------
    k : float
        Wavenumber, > 0. [1/mm]
    thickness, modulus, poisson : float
        [mm, MPa, 1]

    Returns
    -------
    tuple of six floats
        s_ww, s_wu, s_uu, a_ww, a_wu, a_uu: tractions (normal, along) at the upper face per displacement (normal, along) of it, half of them,
        where both faces move apart alike (s) and where they move together (a). [MPa/mm]

    Notes
    -----
    With x = k h / 2, t = tanh x, q = x / cosh^2 x and m = 2 (1 - nu), G k over (3 - 4 nu) t - q times

        [ m, q - (1 - 2 nu) t; ., m t^2 ]

    for faces that move apart, and over (3 - 4 nu) t + q times [ m t^2, -q - (1 - 2 nu) t; ., m ] for faces that move together. Hyperbolic
    functions are divided by cosh^2, so that nothing overflows; t - q is taken from its series where x is small, which keeps nearly
    incompressible layers exact.

    References
    ----------
    E. Kausel and J. M. Roesset, "Stiffness matrices for layered soils", Bull. Seismological Soc. America 71, 1981 (its static limit); derived
    anew here from the Papkovich-Neuber potentials.
    """
    x = 0.5 * k * thickness
    t = math.tanh(x)
    sech2 = 1.0 - t * t if x < 1.0 else 1.0 / math.cosh(min(x, 300.0)) ** 2
    q = x * sech2
    y2 = 4.0 * x * x
    if x < 0.3:
        apart = 0.5 * sech2 * (2.0 * x * y2 / 6.0) * (1.0 + y2 / 20.0 * (1.0 + y2 / 42.0 * (1.0 + y2 / 72.0 * (1.0 + y2 / 110.0))))
    else:
        apart = t - q
    shear = modulus / (2.0 * (1.0 + poisson)) * k
    m = 2.0 * (1.0 - poisson)
    r = 1.0 - 2.0 * poisson
    s = shear / (2.0 * r * t + apart)
    a = shear / ((3.0 - 4.0 * poisson) * t + q)
    return s * m, s * (q - r * t), s * m * t * t, a * m * t * t, -a * (q + r * t), a * m
