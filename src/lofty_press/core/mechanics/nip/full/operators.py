"""What pile, rollers and press do on the grid: waves of the plane, the rollers' line, and the ways in which the press gives."""

from dataclasses import dataclass
from functools import cached_property
from typing import NamedTuple

import numpy as np
from numpy.typing import NDArray
from scipy import fft

from lofty_press.core.mechanics.layered import HALF, LOAD, NODES, compliant, faces_and_sheet, hertzian, packed
from lofty_press.core.mechanics.nip.full.layout import Layout
from lofty_press.core.mechanics.nip.press_ways import ways_of
from lofty_press.core.mechanics.nip.strip import bite_limit
from lofty_press.core.sandwich.stack import FloatArray, Press

ComplexArray = NDArray[np.complex128]

FARTHEST = 1.5  # of what the rollers draw in, as far as the rollers' law is asked for
LONGEST = 0.02  # 1/mm; longer waves only bend the halves
WAVES = 240  # at which the layered pile is computed; between them the logarithm goes straight
ROLLER_WAVES = 1500
SHORTEST_AT_ROLLERS = 400.0  # 1/mm
LEAST_LEFT = 0.1  # of the rollers' local compliance that short waves along them leave: the line is as wide as a cell there


@dataclass(frozen=True, eq=False)
class Operators:
    """Waves of the plane are (along, across / 2 + 1).

    `stiffness` is the pressure at the interface per opening of it [MPa/mm]; `from_line` that per load of a line under the rollers in the middle of
    the window [1/mm], and `to_line` the other way round, what an opening adds to the closing there. `loads` (NODES,) over the root of the closing
    in steps of `step` are the shut pile's [N/mm]. `yielding` (across, across) is by how much a load at one place of the rollers opens another one, of
    press and of the pile beside that [mm per N/mm]; `softer` (across / 2 + 1,) the pile's part of it per wave along the rollers.
    """

    stiffness: FloatArray
    from_line: ComplexArray
    to_line: ComplexArray
    transfer: FloatArray
    loads: FloatArray
    step: float
    yielding: FloatArray
    softer: FloatArray
    spacing: float
    shape: tuple[int, int]

    @cached_property
    def usual(self) -> float:
        """The halves' stiffness at a usual wave. [MPa/mm]"""
        return float(np.median(self.stiffness))

    @cached_property
    def single(self) -> "Single":
        """What of them steps are computed with."""
        return Single(
            stiffness=self.stiffness.astype(np.float32),
            from_line=self.from_line.astype(np.complex64),
            to_line=self.to_line.astype(np.complex64),
            transfer=self.transfer.astype(np.float32),
        )


class Single(NamedTuple):
    """Operators in single precision."""

    stiffness: NDArray[np.float32]
    from_line: NDArray[np.complex64]
    to_line: NDArray[np.complex64]
    transfer: NDArray[np.float32]


def operators_of(layout: Layout, press: Press) -> Operators:
    """Make them for one sandwich.

    Raises
    ------
    InvalidInput
        If the layers cannot be computed as a pile.

    Notes
    -----
    Pressure on isotropic layers makes waves whose answer depends on |k| alone, so that the plane-strain functions serve in the plane. Under the
    rollers a line load q(y) closes a uniform pile by f(q), its plane-strain law; uneven loads differ from that by D(ky) - D(0) with

        D(ky) = (1 / pi) integral of C(sqrt(kx^2 + ky^2)) s(kx a) dkx

    where s is the transform of a Hertzian pressure of a usual half width a. It hardly depends on a: waves along the rollers are long against it.
    """
    pile, h = layout.pile, layout.spacing
    nx, ny = layout.along, layout.y.size
    kx, ky = 2 * np.pi * fft.fftfreq(nx, h), 2 * np.pi * fft.rfftfreq(ny, h)
    k = np.hypot(kx[:, None], ky)
    known = np.geomspace(LONGEST, 1.1 * k.max(), WAVES)
    layers = packed(pile.layers)
    *_, from_top, from_bottom, jump = faces_and_sheet(layers, pile.sheet, known)
    place = np.log(np.maximum(k, LONGEST))
    stiffness = np.exp(np.interp(place, np.log(known), np.log(np.maximum(jump, 1e-12)))) * np.minimum(k / LONGEST, 1.0) ** 4
    transfer = np.where(k < LONGEST, 1.0, np.interp(place, np.log(known), from_top + from_bottom))
    most = FARTHEST * bite_limit(press.roller_radius_mm, press.friction)
    rigid = compliant(pile.layers, pile.sheet, press.roller_radius_mm, most).rigid
    half_width = float(rigid.values[NODES // 2, HALF])
    softer = along_the_rollers(layers, pile.sheet, ky, half_width)
    transfer = transfer * hertzian(kx * half_width)[:, None]
    steepest = float(np.max(np.diff(rigid.values[:, LOAD]) / np.diff(rigid.closing)))
    softer = np.maximum(softer, -(1.0 - LEAST_LEFT) / steepest)
    ways = ways_of(press, layout.y)
    local = fft.irfft(softer[:, None] * fft.rfft(np.eye(ny), axis=0), n=ny, axis=0)
    middle = np.exp(-1j * kx * (nx // 2) * h)[:, None]
    return Operators(
        stiffness=stiffness,
        from_line=np.ascontiguousarray(transfer * middle / h),
        to_line=np.ascontiguousarray(transfer * np.conj(middle) / nx),
        transfer=transfer,
        loads=np.ascontiguousarray(rigid.values[:, LOAD]),
        step=rigid.step,
        yielding=local + (ways.shapes.T / ways.stiffness) @ ways.shapes * h,
        softer=softer,
        spacing=h,
        shape=(nx, ny),
    )


def along_the_rollers(layers: FloatArray, sheet: int, ky: FloatArray, half_width: float) -> FloatArray:
    """By how much softer than an even load a wave along the rollers is, D(ky) - D(0). [mm per N/mm]"""
    kx = np.geomspace(1e-3, SHORTEST_AT_ROLLERS, ROLLER_WAVES)
    known = np.geomspace(LONGEST, 1.1 * np.hypot(kx[-1], ky[-1]), 2 * WAVES)
    top, bottom, across, *_ = faces_and_sheet(layers, sheet, known)
    logs = np.log(np.maximum(top + bottom + 2.0 * across, 1e-15))
    closing = np.exp(np.interp(np.log(np.maximum(np.hypot(kx, ky[:, None]), LONGEST)), np.log(known), logs))
    found = np.trapezoid(closing * hertzian(kx * half_width), kx, axis=1) / np.pi
    return np.asarray(found - found[0])
