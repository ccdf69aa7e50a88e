"""The interface of the full nip against a contact library that shares nothing with it."""

import numpy as np
import pytest
import tamaas
from scipy import fft

from lofty_press.core.mechanics.layered.compliant import SHUT
from lofty_press.core.mechanics.nip.full.kernel import Ground, LawTable
from lofty_press.core.mechanics.nip.full.operators import Operators
from lofty_press.core.mechanics.nip.full.position import Solver, untouched
from lofty_press.core.mechanics.nip.full.window import Window

CELLS, H, MODULUS = 64, 1.0, 10.0


def rough():
    """A rough surface of ten waves, alike when turned by half a turn; its rim lies low, where nothing may touch. [mm]"""
    chance = np.random.default_rng(3)
    places = np.arange(CELLS) - CELLS // 2
    x, y = np.meshgrid(places, places, indexing="ij")
    heights = sum(
        chance.normal(0.0, 0.05) * np.cos(2 * np.pi * (chance.integers(1, 7) * x + chance.integers(-6, 7) * y) / CELLS) for _ in range(10)
    )
    heights[0], heights[:, 0] = -5.0, -5.0
    return np.asarray(heights)


def flat(x, y):
    """A ball on a plane, low at the rim. [mm]"""
    return -(x**2 + y**2) / 120.0


@pytest.mark.parametrize("surface", ["rough", "ball"])
def test_pressure_of_a_pressed_surface(surface):
    """tamaas 2.9, periodic elastic half-space, Polonsky and Keer: pressures within 3 % of the highest and 5 % of the contact's area.

    Between two halves of Young's modulus E the opening answers with E k / (4 (1 - nu^2)), a half-space of E* with E* k / 2. The rollers are
    made to press evenly over the whole window.
    """
    places = (np.arange(CELLS) - CELLS // 2) * H
    heights = rough() if surface == "rough" else flat(*np.meshgrid(places, places, indexing="ij"))
    k = np.hypot(2 * np.pi * fft.fftfreq(CELLS, H)[:, None], 2 * np.pi * fft.rfftfreq(CELLS, H))
    evenly = np.zeros(k.shape, dtype=np.complex128)
    evenly[0, 0] = 1.0
    steps = np.arange(97)
    operators = Operators(
        stiffness=0.5 * MODULUS * k,
        from_line=evenly / H,
        to_line=evenly / CELLS,
        transfer=evenly.real,
        loads=(steps * 0.01) ** 2 * 400.0,
        step=0.01,
        yielding=np.zeros((CELLS, CELLS)),
        softer=np.zeros(CELLS // 2 + 1),
        spacing=H,
        shape=(CELLS, CELLS),
    )
    window = Window(
        ground=Ground(places, places, heights, np.zeros(heights.shape, dtype=np.intp), np.ones(heights.shape)),
        laws=LawTable(np.zeros((1, 1)), np.zeros((1, 1)), np.ones(1, dtype=np.intp), SHUT),
        offered=np.full(CELLS, 0.05 if surface == "rough" else 0.3),
        bladed=False,
    )
    _, found = Solver(operators, window).solve(untouched(window))
    assert found.converged

    model = tamaas.ModelFactory.createModel(tamaas.model_type.basic_2d, [CELLS * H, CELLS * H], [CELLS, CELLS])
    model.E, model.nu = MODULUS, 0.0
    tamaas.PolonskyKeerRey(model, heights, 1e-10, tamaas.PolonskyKeerRey.pressure, tamaas.PolonskyKeerRey.pressure).solve(
        found.carried / (CELLS * H) ** 2
    )
    theirs = np.asarray(model.traction)
    assert found.pressure == pytest.approx(theirs, abs=0.03 * theirs.max())
    assert (found.pressure > 0).sum() == pytest.approx((theirs > 0).sum(), rel=0.05)
