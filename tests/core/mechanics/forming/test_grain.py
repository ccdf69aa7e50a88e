"""Strength with and across the grain: what is stretched in which direction, and how much of what it bears that is."""

import math
from dataclasses import replace

import numpy as np
import pytest
from scipy.ndimage import uniform_filter
from tests.core.mechanics.forming.forming_cases import hills, mesh, problem

from lofty_press.core.mechanics.forming.formation import TEAR_OVER, Formation
from lofty_press.core.mechanics.forming.grain import GRAINS, TOP_SHARE, WEAKER
from lofty_press.core.mechanics.forming.newton import Grid
from lofty_press.core.mechanics.forming.release import strain_along, strain_of
from lofty_press.core.sandwich.stock.moisture import working_sheet
from lofty_press.core.sandwich.stock.sheet import SheetStock
from lofty_press.demo.stocks import STOCKS

CARD = SheetStock(grammage_gsm=216, modulus_along_mpa=4400, modulus_across_mpa=2200)


def test_typical_card_breaks_where_the_handbooks_have_it():
    """Card of twice the stiffness along its grain: 2.2 % along, 5 % across; ordinary values, from memory."""
    dry = working_sheet(CARD, None)
    assert (dry.break_along, dry.break_across) == pytest.approx((0.022, 0.05), rel=0.01)
    measured = working_sheet(replace(CARD, break_ratio=1.5), None)
    assert measured.break_across / measured.break_along == pytest.approx(1.5)
    assert measured.break_across * measured.break_along == pytest.approx(CARD.break_strain**2)


def test_what_is_alike_both_ways_breaks_alike():
    foil = working_sheet(replace(CARD, modulus_across_mpa=CARD.modulus_along_mpa), 0.0)
    assert foil.break_along == foil.break_across


def test_stretch_and_strength_make_a_tensile_index_of_ordinary_card():
    """Stress at break over density, 40 to 60 N m/g as the mean of both directions; ordinary values, from memory."""
    density = CARD.grammage_gsm / 0.28 / 1000.0  # g/cm3
    stress = CARD.modulus * (CARD.yield_strain + CARD.hardening * (CARD.break_strain - CARD.yield_strain))
    assert 40 < stress / density < 60


def test_annealed_copper_breaks_near_220_mpa():
    """Common practice, value from memory."""
    copper = STOCKS["roof-copper"].stock
    borne = copper.modulus * (
        (1 - copper.hardening) * copper.yield_strain + copper.hardening * min(copper.break_strain, copper.saturation_strain)
    )
    assert borne == pytest.approx(220, rel=0.02)


@pytest.mark.parametrize("degrees", [0.0, 30.0, 45.0, 110.0])
def test_a_wave_stretches_along_its_own_way_only(degrees):
    """u = a sin(k s) along a direction s: half of its squared slope lies along s, nothing across it, half at 45 degrees."""
    x, y = mesh(64, 0.1)
    turn = math.radians(degrees)
    wave = 0.2 * np.sin(x * math.cos(turn) + y * math.sin(turn))
    grid = Grid(problem(wave, spacing=0.1, draw_in=0.1))
    inner = slice(4, -4)
    total = strain_of(grid, wave)[inner, inner]
    for away, share in ((0.0, 1.0), (90.0, 0.0), (45.0, 0.5), (-45.0, 0.5)):
        assert strain_along(grid, wave, degrees + away)[inner, inner] == pytest.approx(share * total, abs=0.02 * total.max())


def test_two_ways_square_to_one_another_are_all_of_the_stretch():
    u = hills(64)
    grid = Grid(problem(u, draw_in=1.0))
    for degrees in (0.0, 20.0, 77.0):
        both = strain_along(grid, u, degrees) + strain_along(grid, u, degrees + 90.0)
        assert both == pytest.approx(strain_of(grid, u), abs=1e-7)


def table_of(u):
    """A table with one pressure only, its figures read off a deflection as the solver's are."""
    grid = Grid(problem(u, draw_in=1.0))
    strain = strain_of(grid, u)
    weighted = [strain + WEAKER * strain_along(grid, u, grain) for grain in GRAINS]
    size = round(TEAR_OVER / 0.2)
    flat = np.zeros(2)

    def worst(field):
        return np.full(2, np.percentile(field, TOP_SHARE))

    return grid, Formation(
        pressure=np.array([1.0, 2.0]),
        gap=flat,
        first=0.0,
        kept=flat,
        strain=worst(strain),
        wide=worst(uniform_filter(strain, size)),
        front=flat,
        back=flat,
        along=np.stack([worst(field) for field in weighted]),
        wide_along=np.stack([worst(uniform_filter(field, size)) for field in weighted]),
    )


@pytest.mark.parametrize("ratio", [1.0, 1.5, 2.3, 3.5, 0.5])
def test_what_is_read_between_tabled_grains_is_what_the_field_says(ratio):
    """Any strength, any turn: within 12 % of the field weighted directly."""
    u = hills(64, height=0.5)
    state = working_sheet(replace(CARD, break_ratio=ratio), None)
    grid, formed = table_of(u)
    for grain in np.arange(-180.0, 360.0, 22.5):
        field = state.share_of_break(strain_of(grid, u), strain_along(grid, u, grain))
        crack, tear = formed.share_of_break(1.5, state, grain)
        assert crack == pytest.approx(np.percentile(field, TOP_SHARE), rel=0.12)
        assert tear == pytest.approx(np.percentile(uniform_filter(field, round(TEAR_OVER / 0.2)), TOP_SHARE), rel=0.12)


def test_turning_the_card_by_a_quarter_changes_what_cracks_and_by_half_nothing():
    """Closed form over one straight wave: the index of a card with its grain along the wave is that across it times their strengths' ratio."""
    x, _ = mesh(64, 0.2)
    state = working_sheet(CARD, None)
    _, formed = table_of(0.3 * np.sin(x))
    along, half, quarter = (formed.share_of_break(1.0, state, grain)[0] for grain in (0.0, 180.0, 90.0))
    assert along == half
    assert along / quarter == pytest.approx(CARD.breaks_apart, rel=0.01)
