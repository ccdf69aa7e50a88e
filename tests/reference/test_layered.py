"""The layered nip against codes that share nothing with it."""

import json
from pathlib import Path

import numpy as np
import pytest
import skfem
from skfem.helpers import ddot, eye, sym_grad, trace

from lofty_press.core.mechanics.layered.layer import Layer
from lofty_press.core.mechanics.layered.line_contact import line_table

PILES = json.loads((Path(__file__).parent / "layered_piles.json").read_text())["piles"]
"""Loads and pressures in random piles, computed apart from this program by another Fourier model with cells of 0.02 to 0.03 mm that agrees
with plane-strain finite elements to 1 % (3 % with rubber at the roller)."""


def layers_of(pile):
    return [Layer(row["name"], row["thickness_mm"], row["modulus_mpa"], row["poisson"]) for row in pile["layers_bottom_up"]]


@pytest.mark.parametrize("number", range(len(PILES)), ids=[f"{n} {pile['kind']}" for n, pile in enumerate(PILES)])
def test_piles_solved_elsewhere(number):
    """Load and sheet pressure within 3 %, where rubber lies against a roller 5 %; half widths within 0.05 mm or 5 %; band within 5 %."""
    pile = PILES[number]
    bound = 0.05 if pile["kind"] == "rubber at the roller" else 0.03
    table = line_table(layers_of(pile), pile["sheet_index"], pile["roller_radius_mm"], pile["nips"][-1]["closing_mm"])
    for nip in pile["nips"]:
        found = table.at(nip["closing_mm"])
        assert found.load == pytest.approx(nip["line_load_n_per_mm"], rel=bound)
        assert found.sheet_peak == pytest.approx(nip["sheet_peak_mpa"], rel=bound)
        assert found.half_width == pytest.approx(nip["half_width_mm"], rel=0.05, abs=0.05)
        assert found.sheet_fwhm == pytest.approx(nip["sheet_fwhm_mm"], rel=0.05)
        assert found.roller_peak == pytest.approx(nip["roller_peak_mpa"], rel=0.05)


BED, PLATE, CARD = Layer("bed", 9.0, 2600.0, 0.37), Layer("plate", 3.0, 2300.0, 0.37), Layer("card", 0.3, 60.0, 0.05)
HALF, RUBBER = Layer("folder half", 1.3, 1400.0, 0.40), Layer("rubber", 2.0, 3.0, 0.499)
ELEMENTS = {
    "plain folder": ([BED, PLATE, HALF, CARD, HALF, PLATE], 3),
    "deep folder alone": ([BED, HALF, HALF, CARD, HALF, HALF, Layer("deep plate", 4.2, 2500.0, 0.37)], 3),
    "mat under a plate": ([BED, PLATE, CARD, RUBBER, PLATE], 2),
    "steel die": ([BED, PLATE, CARD, Layer("die", 1.0, 200_000.0, 0.30), PLATE], 2),
    "card shim against the roller": ([BED, PLATE, HALF, CARD, HALF, PLATE, Layer("shim", 0.25, 60.0, 0.05)], 3),
    "mat against the roller": ([BED, PLATE, CARD, PLATE, RUBBER], 2),
}


@pytest.mark.parametrize("name", ELEMENTS)
def test_finite_elements_under_the_same_pressure_follow_the_rollers(name):
    """scikit-fem, plane strain, biquadratic elements: under the pressures that were found, both faces must have the rollers' shape, must be
    as far closer as the rollers are, and the sheet must bear what was said."""
    layers, sheet = ELEMENTS[name]
    radius = 16.0
    table = line_table(layers, sheet, radius, 0.25)
    row = len(table.rows) - 2
    closing, load, peak, fwhm, above, below = table.rows[row, :6]
    mesh, owner = graded_mesh(layers, min(above, below))
    x, up, down, pressed = solve(mesh, owner, layers, sheet, lambda s: table.under_rollers(row, s))
    for gap, half in ((up, above), (down, below)):  # each roller is a parabola, and the pile as a whole is free to rise
        places = np.array([0.0, 0.5, 0.9]) * half
        follows = np.interp(places, x, gap) + places**2 / (2 * radius)
        assert follows == pytest.approx(follows[0], abs=0.01 * closing)
    assert up[0] + down[0] == pytest.approx(closing, rel=0.015)
    assert np.interp(0.0, *pressed) == pytest.approx(peak, rel=0.02)
    assert np.interp(fwhm / 2, *pressed) == pytest.approx(peak / 2, rel=0.04)
    assert 2 * np.trapezoid(pressed[1], pressed[0]) == pytest.approx(load, rel=0.02)


def graded(first, growth, length, most):
    """Places from 0 to a length, finest at 0."""
    steps = [first]
    while sum(steps) < length:
        steps.append(min(steps[-1] * growth, most))
    places = np.concatenate([[0.0], np.cumsum(steps)])
    return places * length / places[-1]


def graded_mesh(layers, narrow):
    """Half of the pile, and the layer of each element."""
    z, owner = [0.0], []
    for n, layer in enumerate(layers):
        if n in (0, len(layers) - 1):
            own = graded(narrow / 6, 1.25, layer.thickness, 0.5)
            own = own if n == 0 else layer.thickness - own[::-1]
        else:
            own = np.linspace(0.0, layer.thickness, 2 * max(1, round(layer.thickness / 0.9)) if layer.thickness > 0.4 else 2)
        owner += [n] * (own.size - 1)
        z += list(z[-1] + own[1:])
    mesh = skfem.MeshQuad.init_tensor(graded(narrow / 8, 1.1, 70.0, 2.0), np.array(z))
    height = mesh.p[1][mesh.t].mean(axis=0)
    return mesh, np.array(owner)[np.searchsorted(z, height) - 1]


def solve(mesh, owner, layers, sheet, pressures):
    """Inward displacement of both faces over x, and the compressive stress in the middle of the sheet over its x."""
    element = skfem.ElementVector(skfem.ElementQuad2())
    basis = skfem.Basis(mesh, element, intorder=4)
    modulus, poisson = (np.array([getattr(layer, name) for layer in layers])[owner] for name in ("modulus", "poisson"))
    mu = modulus / (2 * (1 + poisson))
    lame = modulus * poisson / ((1 + poisson) * (1 - 2 * poisson))

    def stress(strain, where):
        return 2 * mu[where][:, None] * strain + lame[where][:, None] * eye(trace(strain), 2)

    @skfem.BilinearForm
    def stiffness(u, v, w):
        return ddot(stress(sym_grad(u), slice(None)), sym_grad(v))

    matrix, load = stiffness.assemble(basis), basis.zeros()
    top = mesh.p[1].max()
    for height, sign, which in ((top, -1.0, 0), (0.0, 1.0, 1)):
        face = skfem.FacetBasis(mesh, element, facets=mesh.facets_satisfying(lambda p, h=height: np.abs(p[1] - h) < 1e-9), intorder=8)
        load += skfem.LinearForm(lambda v, w, s=sign, n=which: s * pressures(w.x[0])[n] * v[1]).assemble(face)
    held = basis.get_dofs(lambda p: p[0] < 1e-9).all("u^1")
    far = np.argmin(np.hypot(mesh.p[0] - mesh.p[0].max(), mesh.p[1] - 0.5 * top))
    solution = skfem.solve(*skfem.condense(matrix, load, D=np.append(held, basis.nodal_dofs[1, far])))
    x, up, down = face_displacements(mesh, basis, solution, top)
    chosen = np.flatnonzero(owner == sheet)
    inside = skfem.Basis(mesh, element, elements=chosen, intorder=5)
    found = -stress(sym_grad(inside.interpolate(solution)), chosen)[1, 1]
    places = np.asarray(inside.global_coordinates())
    heights = mesh.p[1][mesh.t[:, chosen]]
    middle = np.abs(places[1] - 0.5 * (heights.min() + heights.max())) < 1e-9
    order = np.argsort(places[0][middle])
    return x, up, down, (places[0][middle][order], found[middle][order])


def face_displacements(mesh, basis, solution, top):
    """Inward displacements of both faces at the corners of the mesh."""
    upper, lower = np.flatnonzero(np.abs(mesh.p[1] - top) < 1e-9), np.flatnonzero(np.abs(mesh.p[1]) < 1e-9)
    upper, lower = upper[np.argsort(mesh.p[0, upper])], lower[np.argsort(mesh.p[0, lower])]
    return mesh.p[0, upper], -solution[basis.nodal_dofs[1, upper]], solution[basis.nodal_dofs[1, lower]]
