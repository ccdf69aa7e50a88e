"""The forming solver against handbook solutions, finite elements, a generic minimiser and a contact library."""

import numpy as np
import pytest
import tamaas
from scipy.optimize import minimize
from skfem import Basis, BilinearForm, ElementTriMorley, LinearForm, MeshTri, condense, solve
from skfem.helpers import dd, ddot, eye, trace
from tests.core.mechanics.forming.forming_cases import hills, isotropic, mesh, problem

from lofty_press.core.mechanics.forming.nested import form
from lofty_press.core.mechanics.forming.newton import Grid, first_guess, padded

NOTHING = {"pressure": 0.0, "held": True}


def bending(section):
    return section.reference


def test_a_line_load_on_an_endless_strip():
    """M. Hetenyi, Beams on Elastic Foundation, 1946: w = (q b / 2 k) exp(-b x)(cos b x + sin b x), b^4 = k / 4 D."""
    section, k, q, h = isotropic(0.3), 4.0, 2.0, 0.1
    x, _ = mesh(128, h)
    line = np.where(np.abs(x) < h, q / (2 * h), 0.0)
    rest = 50.0  # presses the sheet down all over, so that the one-sided foundation holds on everywhere
    zero = np.zeros(x.shape)
    forming = problem(zero, spacing=h, section=section, k_lower=np.full(x.shape, k), k_upper=zero, load=-line - rest, **NOTHING)
    u = form(forming, tolerance=1e-4).state.deflection
    b = (k / (4 * bending(section))) ** 0.25
    away = [np.abs(x + image * 128 * h) for image in (-1, 0, 1)]  # the grid's edges mirror the line
    w = sum(q * b / (2 * k) * np.exp(-b * a) * (np.cos(b * a) + np.sin(b * a)) for a in away)
    assert -(u + rest / k)[:, 64] == pytest.approx(w[:, 64], abs=0.01 * w.max())


def test_a_simply_supported_square_under_uniform_load():
    """Timoshenko and Woinowsky-Krieger, Theory of Plates and Shells: 0.00406 q a^4 / D for nu = 0.3.

    Squares loaded up and down in turn bend as simply supported ones: both deflection and moment vanish on the lines between.
    """
    section, cells, h = isotropic(0.5), 128, 0.25
    x, y = mesh(cells, h)
    a, q = cells * h, 1e-4
    zero = np.zeros(x.shape)
    forming = problem(zero, spacing=h, section=section, k_lower=zero + 1e-9, k_upper=zero, load=q * np.sign(x) * np.sign(y), **NOTHING)
    u = form(forming, tolerance=1e-4).state.deflection
    at_middle_of_square = abs(u[0, 0] - u[0, -1]) / 2  # the grid's corners are the middles of four squares
    assert at_middle_of_square == pytest.approx(0.00406 * q * a**4 / bending(section), rel=0.01)


@pytest.mark.parametrize("cells", [64, 128])
def test_a_clamped_square_under_uniform_load(cells):
    """The same book: 0.00126 q a^4 / D. Held cells keep both place and slope from half a cell behind the first of them: a grows by 2 h."""
    section, h = isotropic(0.5), 32.0 / cells
    x, y = mesh(cells, h)
    a, q = 16.0, 1e-3
    inside = (np.abs(x) < a / 2) & (np.abs(y) < a / 2)
    clamp = np.where(inside, 0.0, 1e6)
    zero = np.zeros(x.shape)
    forming = problem(zero, spacing=h, section=section, k_lower=clamp, k_upper=clamp, load=np.where(inside, q, 0.0), **NOTHING)
    u = form(forming, tolerance=1e-4).state.deflection
    assert u.max() == pytest.approx(0.00126 * q * (a + 2 * h) ** 4 / bending(section), rel=0.01)


def test_a_patch_on_a_foundation_against_finite_elements():
    """scikit-fem, Morley elements: a clamped square plate on an elastic foundation, loaded on a patch off the middle."""
    section, k, side, q = isotropic(0.3), 0.8, 12.8, 0.5
    d, nu = bending(section), 0.3
    cells, h = 128, side * 1.25 / 128
    x, y = mesh(cells, h)
    inside = (np.abs(x) < side / 2) & (np.abs(y) < side / 2)
    patch = (x > 0) & (x < 2) & (y > -1) & (y < 2)
    clamp = np.where(inside, 0.0, 1e6)
    rest = 0.1  # keeps the one-sided foundation in touch everywhere
    zero = np.zeros(x.shape)
    forming = problem(
        zero,
        spacing=h,
        section=section,
        k_lower=clamp + np.where(inside, k, 0),
        k_upper=clamp,
        load=-(q * patch + rest * inside),
        **NOTHING,
    )
    ours = form(forming, tolerance=1e-4).state.deflection

    plate = MeshTri.init_symmetric().refined(5).translated((-0.5, -0.5)).scaled(side + 2 * h)  # see the clamped square
    basis = Basis(plate, ElementTriMorley())

    @BilinearForm
    def stiffness(u, v, _):
        moment = d * ((1 - nu) * dd(u) + nu * eye(trace(dd(u)), 2))
        return ddot(moment, dd(v)) + k * u * v

    @LinearForm
    def load(v, w):
        return (rest + q * ((w.x[0] > 0) & (w.x[0] < 2) & (w.x[1] > -1) & (w.x[1] < 2))) * v

    solution = solve(*condense(stiffness.assemble(basis), load.assemble(basis), D=basis.get_dofs().all()))
    index = np.array([[72, 67], [56, 64], [88, 72], [64, 40]]).T
    expected = basis.probes((index - (cells - 1) / 2) * h) @ solution
    assert -ours[index[0], index[1]] == pytest.approx(expected, rel=0.01, abs=0.003 * expected.max())


def test_a_generic_minimiser_finds_the_same_shape():
    """scipy's L-BFGS-B on the same elastic-plastic energy with contact and stretching, at a size that it can manage."""
    forming = problem(hills(32, 0.4), spacing=0.4)
    ours = form(forming, tolerance=1e-4).state
    grid, out, start = Grid(forming), padded(np.zeros(forming.shape)), first_guess(forming)

    def energy(x):
        value, slope, _ = grid.evaluate(padded(x[:-1].reshape(forming.shape)), float(x[-1]), out)
        return value, np.append(out[1:-1, 1:-1].ravel(), slope)

    options = {"maxiter": 20_000, "maxfun": 40_000, "maxcor": 30, "ftol": 1e-13, "gtol": 1e-5}
    theirs = minimize(energy, np.append(start.deflection.ravel(), start.offset), jac=True, method="L-BFGS-B", options=options)
    assert energy(np.append(ours.deflection.ravel(), ours.offset))[0] <= theirs.fun + 1e-6 * abs(theirs.fun)
    assert ours.deflection == pytest.approx(theirs.x[:-1].reshape(forming.shape), abs=2e-3)


def test_full_contact_with_a_wave_against_a_contact_library():
    """tamaas, elastic half-space pressed fully onto a wave: pressure amplitude E* q h / 2. A sheet under a mat answers a single wave
    with D q^4 + k in place of E* q / 2; with equal stiffness both must carry the same pressure."""
    cells, h, height, mean = 64, 0.2, 0.02, 3.0
    size = cells * h
    wave = 2 * np.pi / size
    section, k = isotropic(0.3), 4.0
    x, _ = mesh(cells, h)
    lower = height * np.cos(wave * x)
    forming = problem(lower, section=section, k_lower=np.full(x.shape, 3e4), k_upper=np.full(x.shape, k), pressure=mean)
    u = form(forming, tolerance=1e-4).state.deflection
    ours = (forming.k_lower * np.maximum(forming.lower - u, 0))[:, 0]

    model = tamaas.ModelFactory.createModel(tamaas.model_type.basic_2d, [size, size], [cells, cells])
    model.E, model.nu = 2 * (bending(section) * wave**4 + k) / wave, 0.0
    solver = tamaas.PolonskyKeerRey(model, lower, 1e-12, tamaas.PolonskyKeerRey.pressure, tamaas.PolonskyKeerRey.pressure)
    solver.solve(mean)
    theirs = np.asarray(model.traction)[:, 0]
    assert np.ptp(theirs) > 0.1
    assert ours - mean == pytest.approx(theirs - mean, abs=0.02 * np.ptp(theirs))
