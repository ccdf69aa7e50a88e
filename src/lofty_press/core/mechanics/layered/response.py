"""What a bonded pile does under waves of pressure: compliance of its two faces, and how much of the pressure arrives at the sheet."""

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from lofty_press.core.mechanics.layered.layer import Layer, check_layers, compiled, packed, wave_stiffness
from lofty_press.core.sandwich.stack import FloatArray


@dataclass(frozen=True)
class Response:
    """Answer of a pile to pressure that varies as cos(k x); every array has one value for each wavenumber `k` (n,). [1/mm]

    `top` and `bottom` are the inward displacement of a face per pressure on it, `across` that of one face per pressure on the other [mm/MPa];
    `from_top` and `from_bottom` the compressive stress in the middle of the sheet per pressure on either face [1]; `jump` the stress there per
    opening of the pile in the middle of the sheet, where its halves part without sliding [MPa/mm].
    """

    k: FloatArray
    top: FloatArray
    bottom: FloatArray
    across: FloatArray
    from_top: FloatArray
    from_bottom: FloatArray
    jump: FloatArray

    @property
    def closing(self) -> FloatArray:
        """Closing per pressure that acts on both faces alike, C = S_tt + S_bb + 2 S_tb. [mm/MPa]"""
        return self.top + self.bottom + 2.0 * self.across

    @property
    def transfer(self) -> FloatArray:
        """Share of such a pressure that arrives at the sheet. [1]"""
        return self.from_top + self.from_bottom


def respond(layers: Sequence[Layer], sheet: int, k: FloatArray) -> Response:
    """Response of a pile in plane strain, its layers bonded to one another and its faces free of shear.

    Parameters
    ----------
    layers : sequence of Layer
        From the bottom up.
    sheet : int
        Index of the sheet.
    k : ndarray, shape (n,)
        Wavenumbers, > 0. [1/mm]

    Raises
    ------
    InvalidInput
        Naming the layer that cannot be computed.

    Notes
    -----
    Stiffness of each layer from `wave_stiffness`, condensed layer by layer from both faces to the middle of the sheet. Relative error about
    1e-16 / (k H)^4 with H the thickness of the pile, since a wave that is long against the pile only bends it.

    Examples
    --------
    >>> block = [Layer("block", 50.0, 2000.0, 0.3)]
    >>> found = respond(block, 0, np.array([2.0]))
    >>> bool(np.isclose(found.top[0] * 2.0, block[0].half_space))
    True
    """
    check_layers(layers, sheet)
    return Response(k, *faces_and_sheet(packed(layers), sheet, np.require(k, np.float64, ["C"])))


@compiled
def faces_and_sheet(
    layers: np.ndarray, sheet: int, k: np.ndarray
) -> tuple[np.ndarray, np.ndarray, np.ndarray, np.ndarray, np.ndarray, np.ndarray]:
    """The six functions of `Response` for packed layers (n, 3)."""
    count = layers.shape[0]
    top, bottom, across = np.empty(k.size), np.empty(k.size), np.empty(k.size)
    from_top, from_bottom, jump = np.empty(k.size), np.empty(k.size), np.empty(k.size)
    half = 0.5 * layers[sheet, 0]
    for n in range(k.size):
        below, above = (0.0, 0.0, 0.0, 1.0, 0.0, 0.0, 1.0, 0.0), (0.0, 0.0, 0.0, 1.0, 0.0, 0.0, 1.0, 0.0)
        for j in range(sheet):
            below = add_layer(below, k[n], layers[j, 0], layers[j, 1], layers[j, 2])
        below = add_layer(below, k[n], half, layers[sheet, 1], layers[sheet, 2])
        for j in range(count - 1, sheet, -1):
            above = add_layer(above, k[n], layers[j, 0], layers[j, 1], layers[j, 2])
        above = add_layer(above, k[n], half, layers[sheet, 1], layers[sheet, 2])
        ww, wu, uu, load_w, load_u, own, by_w, by_u = below
        ww2, wu2, uu2, load_w2, load_u2, own2, by_w2, by_u2 = above
        # what lies above is seen upside down: its normal direction is turned round
        z_ww, z_wu, z_uu = ww + ww2, wu - wu2, uu + uu2
        determinant = z_ww * z_uu - z_wu * z_wu
        w_b, u_b = (z_uu * load_w - z_wu * load_u) / determinant, (z_ww * load_u - z_wu * load_w) / determinant
        w_t, u_t = (-z_uu * load_w2 - z_wu * load_u2) / determinant, (z_ww * load_u2 + z_wu * load_w2) / determinant
        bottom[n] = own + by_w * w_b + by_u * u_b
        top[n] = own2 - by_w2 * w_t + by_u2 * u_t
        across[n] = by_w * w_t + by_u * u_t
        from_bottom[n] = load_w - ww * w_b - wu * u_b
        from_top[n] = -ww * w_t - wu * u_t
        # the upper half moved away by one: what the lower one then is pulled with, K_b (K_b + K_t)^-1 K_t
        w_j, u_j = (z_uu * ww2 + z_wu * wu2) / determinant, -(z_ww * wu2 + z_wu * ww2) / determinant
        jump[n] = ww * w_j + wu * u_j
    return top, bottom, across, from_top, from_bottom, jump


@compiled
def add_layer(
    part: tuple[float, float, float, float, float, float, float, float], k: float, thickness: float, modulus: float, poisson: float
) -> tuple[float, float, float, float, float, float, float, float]:
    """A stack seen from its inner face, with one more layer on that face.

    A stack is: its stiffness there (ww, wu, uu); the force that a unit of pressure on its outer face brings there (w, u); the outer face's
    displacement under that pressure while the inner face is held, and per displacement of the inner face (w, u).
    """
    ww, wu, uu, load_w, load_u, own, by_w, by_u = part
    s_ww, s_wu, s_uu, a_ww, a_wu, a_uu = wave_stiffness(k, thickness, modulus, poisson)
    e_ww, e_wu, e_uu = ww + s_ww + a_ww, wu - s_wu - a_wu, uu + s_uu + a_uu  # inner face and the layer's outer one together
    determinant = e_ww * e_uu - e_wu * e_wu
    i_ww, i_wu, i_uu = e_uu / determinant, -e_wu / determinant, e_ww / determinant
    c_ww, c_wu, c_uw, c_uu = a_ww - s_ww, s_wu - a_wu, a_wu - s_wu, s_uu - a_uu  # force on the inner face per displacement of the outer
    w, u = i_ww * load_w + i_wu * load_u, i_wu * load_w + i_uu * load_u
    own += by_w * w + by_u * u
    # outer face per displacement of the new inner one: - E^-1 C^T
    m_ww, m_wu = -(i_ww * c_ww + i_wu * c_wu), -(i_ww * c_uw + i_wu * c_uu)
    m_uw, m_uu = -(i_wu * c_ww + i_uu * c_wu), -(i_wu * c_uw + i_uu * c_uu)
    by_w, by_u = by_w * m_ww + by_u * m_uw, by_w * m_wu + by_u * m_uu
    ww = s_ww + a_ww + c_ww * m_ww + c_wu * m_uw
    wu = s_wu + a_wu + c_ww * m_wu + c_wu * m_uu
    uu = s_uu + a_uu + c_uw * m_wu + c_uu * m_uu
    return ww, wu, uu, -(c_ww * w + c_wu * u), -(c_uw * w + c_uu * u), own, by_w, by_u
