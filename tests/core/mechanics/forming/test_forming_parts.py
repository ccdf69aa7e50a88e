"""The parts of the forming solver, each against something simpler."""

from dataclasses import replace

import numpy as np
import pytest
import shapely
from scipy.ndimage import uniform_filter
from tests.core.builders import build, folder, lay, sheet_row
from tests.core.mechanics.forming.forming_cases import hills, isotropic, mesh, problem

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.mechanics.forming import plate
from lofty_press.core.mechanics.forming.buckle import buckling_strain, enclosed, inscribed
from lofty_press.core.mechanics.forming.loads import draw_in_length, load_sandwich
from lofty_press.core.mechanics.forming.multigrid import Multigrid, blank, prolong_add, restrict, single
from lofty_press.core.mechanics.forming.newton import Grid, first_guess, padded
from lofty_press.core.mechanics.forming.panel import MOST_CELLS, panel_over, pressure_over
from lofty_press.core.mechanics.forming.problem import mean_of_four, twice_as_fine
from lofty_press.core.mechanics.forming.release import stiffening
from lofty_press.core.mechanics.forming.surfaces import rolled_over, rolled_under
from lofty_press.core.sandwich.outline.blade_runs import STEP, walk
from lofty_press.core.sandwich.relief.height_map import HeightMap
from lofty_press.core.sandwich.relief.raster import blade_map, distance_to_lines, grid_over, plateau_map
from lofty_press.core.sandwich.relief.solid import heights_from_above
from lofty_press.core.sandwich.stack.view import StackView
from lofty_press.core.sandwich.stock.moisture import working_sheet
from lofty_press.core.sandwich.stock.section import plate_section
from lofty_press.demo.reliefs.library import DRAWN, demo_relief
from lofty_press.demo.shelf import TOOLS
from lofty_press.demo.stocks import STOCKS


@pytest.fixture
def prepared():
    """A multigrid over jumping coefficients, as contact and yield make them."""
    rng = np.random.default_rng(3)
    shape = (64, 96)
    stiffness = single(np.where(rng.random(shape) > 0.7, 0.8, 6.0))
    foundation = single(np.where(rng.random(shape) > 0.5, 300.0, 0.01))
    grids = Multigrid(shape, 0.2)
    grids.take_coefficients(stiffness, single(np.full(shape, 0.4)), foundation)
    return grids


def inner(a, b):
    return float(np.vdot(a[1:-1, 1:-1].astype(float), b[1:-1, 1:-1].astype(float)))


def test_the_cycle_is_symmetric_and_positive(prepared):
    """What conjugate gradients ask of a preconditioner: <f, B g> = <B f, g> and <f, B f> > 0."""
    rng = np.random.default_rng(4)
    f, g = (single(rng.standard_normal((64, 96))) for _ in range(2))
    bf, bg = prepared.cycle(f).copy(), prepared.cycle(g).copy()
    assert inner(f, bg) == pytest.approx(inner(bf, g), rel=1e-3)
    assert inner(f, bf) > 0


def test_the_cycle_is_linear(prepared):
    rng = np.random.default_rng(5)
    f, g = (single(rng.standard_normal((64, 96))) for _ in range(2))
    separate = prepared.cycle(f).copy() * 2 + prepared.cycle(g).copy()
    assert prepared.cycle(f * 2 + g)[1:-1, 1:-1] == pytest.approx(separate[1:-1, 1:-1], abs=1e-4 * float(np.abs(separate).max()))


def test_interpolation_and_restriction_are_transposes():
    rng = np.random.default_rng(6)
    coarse, fine = single(rng.standard_normal((16, 24))), single(rng.standard_normal((32, 48)))
    plate.mirror(coarse, 1.0)
    up, down = blank((32, 48)), blank((16, 24))
    prolong_add(coarse, up, np.zeros((18, 50), dtype=np.float32))
    restrict(fine, down, np.zeros((18, 50), dtype=np.float32))
    assert inner(up, fine) == pytest.approx(4 * inner(coarse, down), rel=1e-4)


def test_interpolation_keeps_a_parabola_away_from_the_edges():
    x, y = mesh(16, 0.4)
    fx, fy = mesh(32, 0.2)
    fine = twice_as_fine(x**2 - 0.5 * x * y + y)
    assert fine[4:-4, 4:-4] == pytest.approx((fx**2 - 0.5 * fx * fy + fy)[4:-4, 4:-4], abs=0.011)
    assert mean_of_four(fine)[3:-3, 3:-3] == pytest.approx((x**2 - 0.5 * x * y + y)[3:-3, 3:-3], abs=0.011)


@pytest.mark.parametrize("reach", [0, 1, 4])
def test_the_running_mean_is_that_of_a_reference_library(reach):
    """scipy's uniform_filter with nothing beyond the grid."""
    field = np.random.default_rng(7).random((40, 50)).astype(np.float32)
    a, scratch, out = single(field), blank((40, 50)), blank((40, 50))
    plate.running_mean(a, reach, scratch, out)
    expected = uniform_filter(field.astype(float), 2 * reach + 1, mode="constant")
    assert out[1:-1, 1:-1] == pytest.approx(expected, abs=1e-5)


def test_the_second_derivative_is_the_change_of_the_gradient():
    """Stretching left out, whose second derivative the solver takes in part only."""
    forming = problem(hills(32), section=isotropic(yield_strain=0.005))
    grid = Grid(forming)
    rng = np.random.default_rng(8)
    u, offset = padded(forming.lower + 0.01 * rng.standard_normal(forming.shape)), first_guess(forming).offset
    before, after = np.zeros_like(u), np.zeros_like(u)
    grid.evaluate(u, offset, before)
    grid.linearise(u, offset)
    change = 1e-6 * rng.standard_normal(forming.shape)
    v, product = single(change * 1e6), blank(forming.shape)
    grid.product(v, 0.0, product)
    grid.evaluate(u + padded(change), offset, after)
    difference = (after - before)[1:-1, 1:-1] * 1e6
    assert np.linalg.norm(product[1:-1, 1:-1] - difference) < 0.02 * np.linalg.norm(difference)


def test_a_bending_wave_costs_what_the_plate_equation_says():
    """Energy of w cos(q x) is D q^4 w^2 / 4 per area; second differences see q as 2 sin(q h / 2) / h."""
    section, cells, h = isotropic(0.3), 64, 0.2
    x, _ = mesh(cells, h)
    wave = 2 * np.pi * 3 / (cells * h)
    u = padded(0.01 * np.cos(wave * (x - x[0, 0] + h / 2)))
    grid = Grid(
        problem(np.zeros((cells, cells)), section=section, k_lower=np.zeros((cells, cells)), k_upper=np.zeros((cells, cells)), pressure=0)
    )
    energy, _, _ = grid.evaluate(u, 0.0, np.zeros_like(u))
    seen = 2 * np.sin(wave * h / 2) / h
    assert energy / cells**2 == pytest.approx(section.reference * seen**4 * 0.01**2 / 4, rel=0.01)


def test_a_ball_rolls_over_a_step_and_a_slope():
    """Beside a step the ball's own circle shows; over a slope its touch lies r (sqrt(1 + s^2) - 1) higher."""
    h, r = 0.05, 0.5
    x, _ = mesh(64, h)
    step = np.where(x > 0, 1.0, 0.0)
    rolled = rolled_over(step, r, h)
    assert rolled[x > 0] == pytest.approx(1.0)
    beside = int(np.argmin(np.abs(x[:, 0] + 0.3)))
    assert rolled[beside, 32] == pytest.approx(1.0 + np.sqrt(r**2 - 0.325**2) - r, abs=0.03)
    slope = 0.6 * x
    assert rolled_over(slope, r, h)[20:44, 20:44] == pytest.approx((slope + r * (np.sqrt(1.36) - 1))[20:44, 20:44], abs=0.01)
    assert rolled_under(-slope, r, h) == pytest.approx(-rolled_over(slope, r, h))
    assert rolled_over(step, 0.01, h) is step


def test_draw_in_follows_friction_and_the_flank_within_bounds():
    stress = working_sheet(STOCKS["ridge-green"].stock, None).yield_stress
    free = draw_in_length(stress, 0.28, 5.0, 0.0)
    assert free == pytest.approx(stress * 0.28 / (2 * 0.3 * 5.0))
    assert draw_in_length(stress, 0.28, 5.0, 2.0) == pytest.approx(free + 2.0)
    assert draw_in_length(stress, 0.28, 1e9, 0.0) == 0.6
    assert draw_in_length(stress, 0.28, 0.0, 0.0) == 6.0


def test_shape_stiffens_and_a_flat_sheet_is_as_stiff_as_it_is():
    x, _ = mesh(128, 0.2)
    assert stiffening(np.zeros((64, 64)), thickness=0.3, spacing=0.2) == pytest.approx(1.0)
    waves = 0.3 * np.cos(2 * np.pi * x / 3.2)
    middle = stiffening(waves, thickness=0.3, spacing=0.2)[40:-40, 40:-40]
    assert middle.mean() == pytest.approx(1 + 12 * 0.375 * (0.3**2 / 2) / 0.3**2, rel=0.03)


def test_only_bare_parts_that_are_held_all_round_can_buckle():
    sheet = np.zeros((60, 60), dtype=bool)
    sheet[4:-4, 4:-4] = True
    bare = np.zeros_like(sheet)
    bare[20:32, 20:32] = True
    bare[4:10, 20:32] = True
    held = enclosed(bare, sheet)
    assert held[25, 25]
    assert not held[6, 25]
    assert inscribed(held, 0.5)[25, 25] == pytest.approx(3.0, abs=2.0)


def test_a_clamped_square_buckles_at_its_stress():
    """Timoshenko and Gere, Theory of Elastic Stability: stress 5.3 pi^2 E t^2 / 12 (1 - nu^2) w^2 on all sides; the 5.3 from memory."""
    sheet = plate_section(thickness=0.3, modulus_x=4000.0, modulus_y=4000.0, poisson=0.2, yield_strain=0.006, hardening=0.1, saturates=3.0)
    strain = float(buckling_strain(sheet, np.array(20.0)))
    stress = 4000.0 / (1 - 0.2) * strain
    assert stress == pytest.approx(5.3 * np.pi**2 * 4000.0 * 0.3**2 / (12 * (1 - 0.2**2) * 20.0**2))


def test_a_blade_is_walked_in_half_millimetres():
    square = np.array([[0.0, 0.0], [10.0, 0.0], [10.0, 10.0], [0.0, 10.0], [0.0, 0.0]])
    places = walk([square])
    assert len(places) * STEP == pytest.approx(40.0)
    assert np.hypot(*np.diff(places, axis=0).T).max() <= STEP + 1e-9


def test_the_panel_covers_the_sheet_and_stays_within_its_cells():
    small = StackView(build("T", "midway", "emboss", lay("bed"), sheet_row("roof-copper"))).sheet
    panel = panel_over(small)
    assert panel.spacing == 0.2
    assert panel.cover.sum() * 0.2**2 == pytest.approx(90 * 120, rel=0.01)
    assert all(n % 32 == 0 for n in panel.shape)
    large = StackView(build("T", "summit", "emboss", lay("wide-bed"), sheet_row("summit-white"))).sheet
    giant = replace(large, item=replace(large.item, width_mm=900, length_mm=1300))
    assert panel_over(giant).cover.size < 1.2 * MOST_CELLS


def test_a_turned_sheet_keeps_its_area():
    turned = StackView(build("T", "midway", "emboss", lay("bed"), sheet_row("roof-copper", rotation_deg=30))).sheet
    panel = panel_over(turned)
    assert panel.cover.sum() * panel.spacing**2 == pytest.approx(90 * 120, rel=0.01)


def test_the_nips_pressure_keeps_its_force_on_the_panel():
    loaded = load_sandwich(
        build("T", "midway", "emboss", lay("bed"), lay("hard-a"), *folder("rail-lattice", sheet_row()), lay("hard-b")), demo_relief
    )
    inside = loaded.panel.cover > 0.5
    nip = loaded.nip
    assert loaded.pressure[inside].mean() == pytest.approx(nip.pressure[nip.pressure > 0].mean(), rel=0.1)
    assert not pressure_over(loaded.panel, nip)[~inside].any() or loaded.pressure[~inside].max() == 0


def test_a_sandwich_with_nothing_facing_the_sheet_stays_flat():
    loaded = load_sandwich(
        build("T", "midway", "emboss", lay("bed"), lay("hard-a"), sheet_row(), lay("hard-b"), lay("hard-bowed")), demo_relief
    )
    assert loaded.forming is None


def test_distance_to_lines_is_that_of_a_geometry_library():
    """shapely's distance from points to lines."""
    x, y = grid_over(20, 16, 0.2)
    line = np.array([[-6.0, -5.0], [3.0, 4.0], [7.0, -2.0]])
    found = distance_to_lines((line,), x, y)
    geometry = shapely.LineString(line)
    i, j = np.random.default_rng(9).integers(0, [x.size, y.size], (50, 2)).T
    exact = [geometry.distance(shapely.Point(x[a], y[b])) for a, b in zip(i, j, strict=True)]
    assert found[i, j] == pytest.approx(exact, abs=0.08)
    assert np.isinf(distance_to_lines((), x, y)).all()


def test_a_blade_stands_at_its_height_and_falls_off_by_its_flank():
    relief = blade_map((np.array([[-5.0, 0.0], [5.0, 0.0]]),), length=14, width=6, height=0.5)
    assert relief.heights.max() == pytest.approx(0.5, abs=0.08)
    assert relief.sample(np.array([0.0]), np.array([0.3]))[0] == pytest.approx(0.2, abs=0.08)
    assert relief.sample(np.array([0.0]), np.array([2.0]))[0] == 0.0
    assert relief.sample(np.array([99.0]), np.array([0.0]))[0] == 0.0


def test_a_plateau_has_its_area_and_shoulder():
    relief = plateau_map(shapely.box(-4, -3, 4, 3), length=10, width=8, height=0.4, shoulder=1.0)
    assert relief.raised_share == pytest.approx(7 * 5 / 80, rel=0.1)
    assert relief.finest_span == pytest.approx(1.0, rel=0.3)


def test_a_pyramid_seen_from_above_has_the_height_of_a_pyramid():
    tip, base = [0, 0, 3.0], [[-5, -5, 0], [5, -5, 0], [5, 5, 0], [-5, 5, 0]]
    triangles = np.array([[base[k], base[(k + 1) % 4], tip] for k in range(4)], dtype=float)
    relief, share = heights_from_above(triangles)
    x, y = np.meshgrid(*(np.linspace(-4, 4, 9),) * 2, indexing="ij")
    expected = 3 * (1 - np.maximum(np.abs(x), np.abs(y)) / 5)
    assert relief.sample(x, y) == pytest.approx(expected - expected.min() + relief.sample(x, y).min(), abs=0.12)
    assert share > 0.99


@pytest.mark.parametrize(
    ("heights", "spacing", "field"),
    [
        (np.zeros((1, 5)), 0.2, "heights"),
        (np.full((5, 5), np.nan), 0.2, "heights"),
        (np.full((5, 5), -1.0), 0.2, "heights"),
        (np.full((5, 5), 99.0), 0.2, "heights"),
        (np.zeros((5, 5)), 9.0, "spacing"),
        (np.zeros((2100, 2000)), 0.2, "heights"),
    ],
)
def test_heights_that_no_tool_has_are_refused(heights, spacing, field):
    with pytest.raises(InvalidInput) as refused:
        HeightMap(heights.astype(np.float32), spacing)
    assert refused.value.field == field


@pytest.mark.parametrize("key", DRAWN)
def test_every_relief_of_the_press_room_fits_its_tool(key):
    relief = demo_relief(key)
    owner = next(item for item in TOOLS.values() if key in ((item.relief and item.relief.map), (item.blade and item.blade.map)))
    assert relief.size == pytest.approx((owner.length_mm, owner.width_mm), abs=0.25)
    if owner.blade is not None and owner.blade.map == key:
        assert relief.blade_length == pytest.approx(owner.blade.length_mm, rel=0.01)
        assert relief.heights.max() == pytest.approx(owner.blade.height_mm, abs=0.07)
    else:
        assert relief.heights.max() == pytest.approx(owner.relief.height_mm, rel=0.2)
        along = grid_over(*relief.size, relief.spacing)[0]
        assert not relief.heights[along < -owner.length_mm / 2 + owner.relief.hinge_margin_mm - 0.2].any()


def test_a_section_needs_thickness_and_modulus():
    for wrong in ({"thickness": 0.0}, {"modulus_x": -1.0}):
        with pytest.raises(InvalidInput):
            plate_section(
                **{
                    "thickness": 0.3,
                    "modulus_x": 3000.0,
                    "modulus_y": 2000.0,
                    "poisson": 0.2,
                    "yield_strain": 0.01,
                    "hardening": 0.1,
                    **wrong,
                }
            )
