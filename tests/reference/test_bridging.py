"""A sheet between blade, body and mat against the beam equation solved numerically, a closed form and limit analysis."""

import math

import numpy as np
import pytest
from scipy.integrate import solve_bvp

from lofty_press.core.mechanics.effects.bridging import Strip, bridge

CARD = Strip(
    bending=8.0, yields=math.inf, hardening=0.0, saturates=math.inf, foundation=4.0, body=2e4, height=0.5, score=100.0, entry=1e-3
)  # no blade enters it


def test_before_the_body_touches_the_blade_bears_what_a_beam_on_springs_does():
    """M. Hetenyi, Beams on Elastic Foundation, 1946: w0 = q b / 2k, b = (k / 4D)^(1/4)."""
    b = (CARD.foundation / (4.0 * CARD.bending)) ** 0.25
    found = bridge(CARD)
    sinking = slice(1, found.touches + 1)
    assert found.load[sinking] == pytest.approx(2.0 * CARD.foundation * found.sunk[sinking] / b, rel=5e-3)
    assert found.beside[sinking] == pytest.approx(found.load[sinking], rel=5e-3)  # what the blade bears, the mat does
    assert not found.away[sinking].any()


def bends(moment, strip):
    """Curvature under a moment: linear hardening is an ideally plastic section, M = D y (3/2 - (y / k)^2 / 2) past its yield, beside an elastic one."""
    curved = np.geomspace(1e-6, 1e3, 4000)
    core = np.minimum(strip.yields / curved, 1.0)
    ideal = np.where(core < 1.0, strip.yields * (1.5 - 0.5 * core**2), curved) if strip.yields < math.inf else curved
    bears = strip.bending * ((1.0 - strip.hardening) * ideal + strip.hardening * curved)
    return np.sign(moment) * np.interp(abs(moment), np.append(0.0, bears), np.append(0.0, curved))


def by_the_beam_equation(strip, pressure, guess):
    """Load on a blade with the body on the sheet: half of the piece that is off the body, whose length is found with it."""
    k = strip.foundation

    def slopes(_, y, p):
        w, turn, moment, shear = y
        return p[0] * np.stack([turn, bends(moment, strip), shear, -(pressure + k * w)])

    def ends(blade, away, p):
        return np.array([blade[0] - strip.height, blade[1], away[0], away[1], away[2]])

    x = np.linspace(0, 1, 200)
    first = np.stack([strip.height * (1 - x) ** 2 * (1 + 2 * x), -6 * strip.height * x * (1 - x) / guess, 0 * x, 0 * x])
    first[2] = -6 * strip.height * (1 - 2 * x) / guess**2 * min(strip.bending, 0.4 * strip.bending)
    solved = solve_bvp(slopes, ends, x, first, p=[guess], tol=1e-6, max_nodes=50_000)
    assert solved.success, solved.message
    return 2.0 * abs(solved.y[3, 0])


@pytest.mark.parametrize("strip", [CARD, CARD._replace(yields=0.08, hardening=0.1)], ids=["elastic", "yields"])
@pytest.mark.parametrize("pressure", [0.5, 2.0, 6.0])
def test_once_it_lies_on_the_sheet_the_blade_bears_what_the_beam_equation_says(strip, pressure):
    found = bridge(strip)
    away = found.away[found.touches + 1 :]
    load = np.interp(pressure, away, found.load[found.touches + 1 :])
    guess = (24.0 * strip.bending * strip.height / pressure) ** 0.25 * (1.0 if strip.yields == math.inf else 0.7)
    assert load == pytest.approx(by_the_beam_equation(strip, pressure, guess), rel=0.03)


def test_an_elastic_strip_under_much_pressure_bears_as_one_that_lifts_off_a_table():
    """A strip clamped at height h over a flat it rests on, under even pressure: h = p L^4 / 72 D, load 4/3 p L; from the beam equation by hand."""
    found = bridge(CARD)
    pressure = found.away[-1]
    length = (72.0 * CARD.bending * CARD.height / pressure) ** 0.25
    assert found.load[-1] == pytest.approx(4.0 / 3.0 * pressure * length, rel=0.05)


def test_a_sheet_that_only_folds_bears_on_the_blade_what_limit_analysis_says():
    """A fold under the blade and one of the other sense beside it, no shear there: 2 M = p l^2 / 2, load 2 p l = 4 (M p)^(1/2)."""
    strip = CARD._replace(bending=80.0, yields=8e-3, saturates=8e-3)
    found = bridge(strip)
    folds = 1.5 * strip.bending * strip.yields
    late = found.away > 4.0 * strip.foundation * strip.height
    assert found.load[late] == pytest.approx(4.0 * np.sqrt(folds * found.away[late]), rel=0.1)


def test_what_presses_from_below_is_what_presses_from_above():
    """Balance: the mat's push over all of the strip is the body's and the blade's."""
    found = bridge(CARD._replace(yields=0.04, hardening=0.2, score=6.0, entry=0.05))
    assert np.all(np.diff(found.load) >= 0)
    assert np.all(np.diff(found.pressure(0.1)) >= 0)
    entered = CARD.height - found.sunk[found.touches :]
    cut = entered > 1e-3
    assert cut.any()
    assert found.load[found.touches :][cut] == pytest.approx(6.0 + entered[cut] / 0.05, abs=0.02)
