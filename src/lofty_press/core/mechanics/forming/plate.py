"""Compiled passes over the grid: curvature, moments, contact, stretch. Arrays carry a ring of one ghost cell.

Ghost cells mirror the cell beside them, so that the second difference is a symmetric matrix; the twisting moment is mirrored with
its sign turned, which makes its pass the exact transpose of the twist's.
"""

import math
from typing import NamedTuple

import numba
import numpy as np

from lofty_press.core.sandwich.stock import bending_energy, secant_and_tangent

compiled = numba.njit(cache=True, fastmath=True, error_model="numpy", nogil=True)


class Bending(NamedTuple):
    """A plate's stiffnesses along, across, of both together and of twist, the one that equivalent curvature refers to [N mm], curvature at yield
    [1/mm], hardening [1], and curvature from which it hardens no more [1/mm]."""

    d11: float
    d22: float
    d12: float
    d66: float
    reference: float
    yields: float
    hardening: float
    saturates: float


class Stretching(NamedTuple):
    """A sheet's stiffness against being stretched [N/mm], strain at yield, hardening, and strain from which it hardens no more [1]."""

    membrane: float
    yields: float
    hardening: float
    saturates: float


class Moments(NamedTuple):
    """Bending moments along and across, and the twisting one [N]."""

    x: np.ndarray
    y: np.ndarray
    xy: np.ndarray


class Faces(NamedTuple):
    """What the sheet lies between: surfaces [mm], their stiffness [MPa/mm], a load [MPa], and the foundation that holds what touches nothing
    [MPa/mm]."""

    lower: np.ndarray
    upper: np.ndarray
    k_lower: np.ndarray
    k_upper: np.ndarray
    load: np.ndarray
    ground: float


class Tangent(NamedTuple):
    """The energy's second derivative: `secants` of the plate and what yield takes off along `gx`, `gy`, `gxy`; `smooth` for the preconditioner;
    foundations `active` in contact, and `pressing` of them."""

    secants: np.ndarray
    gx: np.ndarray
    gy: np.ndarray
    gxy: np.ndarray
    smooth: np.ndarray
    active: np.ndarray
    pressing: np.ndarray


@compiled
def mirror(a: np.ndarray, sign: float) -> None:
    """Fill the ghost ring from the cells beside it, times `sign`."""
    nx, ny = a.shape[0] - 2, a.shape[1] - 2
    for i in range(1, nx + 1):
        a[i, 0] = sign * a[i, 1]
        a[i, ny + 1] = sign * a[i, ny]
    for j in range(ny + 2):
        a[0, j] = sign * a[1, j]
        a[nx + 1, j] = sign * a[nx, j]


@compiled
def moments(u: np.ndarray, cover: np.ndarray, spacing: float, bending: Bending, out: Moments) -> float:
    """Bending moments of the deflection `u` into `out`; returns the bending energy per cell area.

    `cover` scales the stiffness of each cell. The equivalent curvature q is that of the elastic energy: reference q^2 = k D k.
    """
    d11, d22, d12, d66, reference, yields, hardening, saturates = bending
    mx, my, mxy = out
    nx, ny = u.shape[0] - 2, u.shape[1] - 2
    ih2 = 1.0 / (spacing * spacing)
    energy = 0.0
    for i in range(1, nx + 1):
        for j in range(1, ny + 1):
            kxx = (u[i + 1, j] - 2.0 * u[i, j] + u[i - 1, j]) * ih2
            kyy = (u[i, j + 1] - 2.0 * u[i, j] + u[i, j - 1]) * ih2
            kxy = (u[i + 1, j + 1] - u[i + 1, j - 1] - u[i - 1, j + 1] + u[i - 1, j - 1]) * (0.25 * ih2)
            ax = d11 * kxx + d12 * kyy
            ay = d12 * kxx + d22 * kyy
            axy = 4.0 * d66 * kxy
            q = math.sqrt((ax * kxx + ay * kyy + axy * kxy) / reference)
            secant, _ = secant_and_tangent(q, yields, hardening, saturates)
            c = cover[i, j]
            energy += c * reference * bending_energy(q, yields, hardening, saturates)
            mx[i, j] = c * secant * ax
            my[i, j] = c * secant * ay
            mxy[i, j] = c * secant * axy
    return energy


@compiled
def balance(
    u: np.ndarray, offset: float, faces: Faces, tension: np.ndarray, spacing: float, bent: Moments, out: np.ndarray
) -> tuple[float, float, float]:
    """Gradient of the energy over the deflection into `out` [MPa].

    Returns energy of the foundations and loads per cell area, the pressing force per cell area, and the norm of the pressing.
    """
    lower, upper, k_lower, k_upper, load, ground = faces
    mx, my, mxy = bent
    nx, ny = u.shape[0] - 2, u.shape[1] - 2
    ih2 = 1.0 / (spacing * spacing)
    energy = force = square = 0.0
    for i in range(1, nx + 1):
        for j in range(1, ny + 1):
            v = u[i, j]
            bend = (
                mx[i + 1, j]
                - 2.0 * mx[i, j]
                + mx[i - 1, j]
                + my[i, j + 1]
                - 2.0 * my[i, j]
                + my[i, j - 1]
                + 0.25 * (mxy[i + 1, j + 1] - mxy[i + 1, j - 1] - mxy[i - 1, j + 1] + mxy[i - 1, j - 1])
            ) * ih2
            t = tension[i, j]
            pull = 0.5 * (
                (t + tension[i + 1, j]) * (v - u[i + 1, j])
                + (t + tension[i - 1, j]) * (v - u[i - 1, j])
                + (t + tension[i, j + 1]) * (v - u[i, j + 1])
                + (t + tension[i, j - 1]) * (v - u[i, j - 1])
            )
            below = max(lower[i, j] - v, 0.0)
            above = max(v - upper[i, j] - offset, 0.0)
            pressed = k_upper[i, j] * above
            away = v - lower[i, j]
            energy += 0.5 * (pressed * above + k_lower[i, j] * below * below + ground * away * away) - load[i, j] * v
            force += pressed
            square += pressed * pressed + load[i, j] * load[i, j]
            out[i, j] = bend + pull * ih2 + pressed - k_lower[i, j] * below + ground * away - load[i, j]
    return energy, force, square


@compiled
def slope_energy(u: np.ndarray, spacing: float, out: np.ndarray) -> None:
    """Half of the squared slope in each cell, from its four faces [1]."""
    nx, ny = u.shape[0] - 2, u.shape[1] - 2
    scale = 0.25 / (spacing * spacing)
    for i in range(1, nx + 1):
        for j in range(1, ny + 1):
            v = u[i, j]
            out[i, j] = scale * ((u[i + 1, j] - v) ** 2 + (u[i - 1, j] - v) ** 2 + (u[i, j + 1] - v) ** 2 + (u[i, j - 1] - v) ** 2)


@compiled
def slope_energy_along(u: np.ndarray, spacing: float, c: float, s: float, out: np.ndarray) -> None:
    """Half of the squared slope in one direction of the plane, of cosine `c` and sine `s`, in each cell [1].

    The slopes' product is that of central differences; the squares are those of `slope_energy`, so that two directions square to one
    another sum to it.
    """
    nx, ny = u.shape[0] - 2, u.shape[1] - 2
    scale = 0.25 / (spacing * spacing)
    for i in range(1, nx + 1):
        for j in range(1, ny + 1):
            v = u[i, j]
            xx = (u[i + 1, j] - v) ** 2 + (u[i - 1, j] - v) ** 2
            yy = (u[i, j + 1] - v) ** 2 + (u[i, j - 1] - v) ** 2
            xy = 0.5 * (u[i + 1, j] - u[i - 1, j]) * (u[i, j + 1] - u[i, j - 1])
            out[i, j] = scale * (c * c * xx + s * s * yy + 2.0 * c * s * xy)


@compiled
def add_to(target: np.ndarray, addend: np.ndarray, factor: float) -> None:
    """target += factor addend, along one row."""
    c = np.float32(factor)
    for j in range(target.size):
        target[j] += c * addend[j]


@compiled
def running_mean(a: np.ndarray, reach: int, scratch: np.ndarray, out: np.ndarray) -> None:
    """Mean over a square of 2 `reach` + 1 cells, nothing lying beyond the grid: a symmetric matrix."""
    nx, ny = a.shape[0] - 2, a.shape[1] - 2
    scale = 1.0 / (2 * reach + 1) ** 2
    for i in range(1, nx + 1):
        row, source = scratch[i], a[i]
        row[:] = source
        for d in range(1, min(reach, ny - 1) + 1):
            add_to(row[1 : ny + 1 - d], source[1 + d : ny + 1], 1.0)
            add_to(row[1 + d : ny + 1], source[1 : ny + 1 - d], 1.0)
    total = np.zeros(ny + 2, dtype=a.dtype)
    for i in range(1, min(reach, nx) + 1):
        add_to(total, scratch[i], 1.0)
    for i in range(1, nx + 1):
        if i + reach <= nx:
            add_to(total, scratch[i + reach], 1.0)
        out[i, :] = 0.0
        add_to(out[i, 1 : ny + 1], total[1 : ny + 1], scale)
        if i - reach >= 1:
            add_to(total, scratch[i - reach], -1.0)


@compiled
def advance(step: np.ndarray, direction: np.ndarray, rest: np.ndarray, product: np.ndarray, length: float) -> float:
    """One stride of the conjugate gradients; returns the square of what is left."""
    nx, ny = step.shape[0] - 2, step.shape[1] - 2
    a = np.float32(length)
    square = 0.0
    for i in range(1, nx + 1):
        row = np.float32(0.0)
        for j in range(1, ny + 1):
            step[i, j] += a * direction[i, j]
            r = rest[i, j] - a * product[i, j]
            rest[i, j] = r
            row += r * r
        square += float(row)
    return square


@compiled
def turn(direction: np.ndarray, newer: np.ndarray, keep: float) -> None:
    """The next direction: the new one plus a share of the old."""
    nx, ny = direction.shape[0] - 2, direction.shape[1] - 2
    b = np.float32(keep)
    for i in range(1, nx + 1):
        for j in range(1, ny + 1):
            direction[i, j] = newer[i, j] + b * direction[i, j]


@compiled
def inner_product(a: np.ndarray, b: np.ndarray) -> float:
    """Sum of products over the grid without its ghosts."""
    nx, ny = a.shape[0] - 2, a.shape[1] - 2
    total = 0.0
    for i in range(1, nx + 1):
        row = np.float32(0.0)
        for j in range(1, ny + 1):
            row += a[i, j] * b[i, j]
        total += float(row)
    return total


@compiled
def stretch(strain: np.ndarray, cover: np.ndarray, stretching: Stretching, out: np.ndarray) -> float:
    """Tension at each mean strain into `out` [N/mm]; returns the stretching energy per cell area."""
    membrane, yields, hardening, saturates = stretching
    nx, ny = strain.shape[0] - 2, strain.shape[1] - 2
    energy = 0.0
    for i in range(1, nx + 1):
        for j in range(1, ny + 1):
            e = max(strain[i, j], 0.0)
            c = cover[i, j] * membrane
            first, later = min(e, yields), min(e, saturates)
            out[i, j] = c * ((1.0 - hardening) * first + hardening * later)
            energy += c * ((1.0 - hardening) * first * (e - 0.5 * first) + hardening * later * (e - 0.5 * later))
    return energy


@compiled
def linearise(u: np.ndarray, offset: float, cover: np.ndarray, faces: Faces, spacing: float, bending: Bending, out: Tangent) -> float:
    """Second derivative of the energy at `u` into `out`; returns the sum of what presses."""
    lower, upper, k_lower, k_upper, _, ground = faces
    d11, d22, d12, d66, reference, yields, hardening, saturates = bending
    secants, gx, gy, gxy, smooth, active, pressing = out
    nx, ny = u.shape[0] - 2, u.shape[1] - 2
    ih2 = 1.0 / (spacing * spacing)
    total = 0.0
    for i in range(1, nx + 1):
        for j in range(1, ny + 1):
            kxx = (u[i + 1, j] - 2.0 * u[i, j] + u[i - 1, j]) * ih2
            kyy = (u[i, j + 1] - 2.0 * u[i, j] + u[i, j - 1]) * ih2
            kxy = (u[i + 1, j + 1] - u[i + 1, j - 1] - u[i - 1, j + 1] + u[i - 1, j - 1]) * (0.25 * ih2)
            ax = d11 * kxx + d12 * kyy
            ay = d12 * kxx + d22 * kyy
            axy = 4.0 * d66 * kxy
            q2 = (ax * kxx + ay * kyy + axy * kxy) / reference
            secant, tangent = secant_and_tangent(math.sqrt(q2), yields, hardening, saturates)
            c = cover[i, j]
            scale = math.sqrt(c * (secant - tangent) / (q2 * reference)) if secant > tangent else 0.0
            secants[i, j] = c * secant
            gx[i, j] = scale * ax
            gy[i, j] = scale * ay
            gxy[i, j] = scale * axy
            smooth[i, j] = c * reference * 0.5 * (secant + tangent)
            k = ground
            if lower[i, j] >= u[i, j]:
                k += k_lower[i, j]
            pressed = 0.0
            if u[i, j] >= upper[i, j] + offset:
                pressed = k_upper[i, j]
            pressing[i, j] = pressed
            active[i, j] = k + pressed
            total += pressed
    return total


@compiled
def tangent_moments(v: np.ndarray, spacing: float, bending: Bending, tangent: Tangent, plastic: bool, out: Moments) -> None:
    """Change of the moments for a small change `v` of the deflection."""
    d11, d22, d12, d66, _, _, _, _ = bending
    secants, gx, gy, gxy, _, _, _ = tangent
    mx, my, mxy = out
    nx, ny = v.shape[0] - 2, v.shape[1] - 2
    ih2 = np.float32(1.0 / (spacing * spacing))
    c11, c22, c12, c66 = np.float32(d11), np.float32(d22), np.float32(d12), np.float32(4.0 * d66)
    two, quarter = np.float32(2.0), np.float32(0.25)
    for i in range(1, nx + 1):
        if plastic:
            for j in range(1, ny + 1):
                kxx = (v[i + 1, j] - two * v[i, j] + v[i - 1, j]) * ih2
                kyy = (v[i, j + 1] - two * v[i, j] + v[i, j - 1]) * ih2
                kxy = (v[i + 1, j + 1] - v[i + 1, j - 1] - v[i - 1, j + 1] + v[i - 1, j - 1]) * (quarter * ih2)
                along = gx[i, j] * kxx + gy[i, j] * kyy + gxy[i, j] * kxy
                s = secants[i, j]
                mx[i, j] = s * (c11 * kxx + c12 * kyy) - along * gx[i, j]
                my[i, j] = s * (c12 * kxx + c22 * kyy) - along * gy[i, j]
                mxy[i, j] = s * c66 * kxy - along * gxy[i, j]
        else:
            for j in range(1, ny + 1):
                kxx = (v[i + 1, j] - two * v[i, j] + v[i - 1, j]) * ih2
                kyy = (v[i, j + 1] - two * v[i, j] + v[i, j - 1]) * ih2
                kxy = (v[i + 1, j + 1] - v[i + 1, j - 1] - v[i - 1, j + 1] + v[i - 1, j - 1]) * (quarter * ih2)
                s = secants[i, j]
                mx[i, j] = s * (c11 * kxx + c12 * kyy)
                my[i, j] = s * (c12 * kxx + c22 * kyy)
                mxy[i, j] = s * c66 * kxy


@compiled
def tangent_balance(
    v: np.ndarray, shift: float, tangent: Tangent, tension: np.ndarray, spacing: float, bent: Moments, out: np.ndarray
) -> tuple[float, float]:
    """Second derivative times (`v`, `shift`) into `out`; returns its product with `v`, and the sum of pressing times v."""
    _, _, _, _, _, active, pressing = tangent
    mx, my, mxy = bent
    nx, ny = v.shape[0] - 2, v.shape[1] - 2
    ih2 = np.float32(1.0 / (spacing * spacing))
    two, quarter, half = np.float32(2.0), np.float32(0.25), np.float32(0.5)
    shift32 = np.float32(shift)
    product = pressed = 0.0
    for i in range(1, nx + 1):
        row_product = row_pressed = np.float32(0.0)
        for j in range(1, ny + 1):
            w = v[i, j]
            bend = (
                mx[i + 1, j]
                - two * mx[i, j]
                + mx[i - 1, j]
                + my[i, j + 1]
                - two * my[i, j]
                + my[i, j - 1]
                + quarter * (mxy[i + 1, j + 1] - mxy[i + 1, j - 1] - mxy[i - 1, j + 1] + mxy[i - 1, j - 1])
            )
            t = tension[i, j]
            pull = half * (
                (t + tension[i + 1, j]) * (w - v[i + 1, j])
                + (t + tension[i - 1, j]) * (w - v[i - 1, j])
                + (t + tension[i, j + 1]) * (w - v[i, j + 1])
                + (t + tension[i, j - 1]) * (w - v[i, j - 1])
            )
            answer = (bend + pull) * ih2 + active[i, j] * w - pressing[i, j] * shift32
            out[i, j] = answer
            row_product += answer * w
            row_pressed += pressing[i, j] * w
        product += float(row_product)
        pressed += float(row_pressed)
    return product, pressed
