"""Air and paper: against steam tables, the standard atmosphere, and what moisture papers have by trade."""

import pytest

from lofty_press.core.basics.air import LEAST, MOST, STANDARD, Air, saturation


@pytest.mark.parametrize(("celsius", "hectopascal"), [(0.0, 6.11), (10.0, 12.28), (20.0, 23.39), (25.0, 31.70), (30.0, 42.47)])
def test_saturated_vapour_is_that_of_the_steam_tables(celsius, hectopascal):
    """Steam tables (saturated water); values from memory."""
    assert saturation(celsius) == pytest.approx(hectopascal, rel=0.006)


@pytest.mark.parametrize(("humidity", "low", "high"), [(0.2, 0.03, 0.05), (0.5, 0.055, 0.08), (0.8, 0.09, 0.13)])
def test_paper_holds_the_water_that_it_is_known_to_hold(humidity, low, high):
    """Printing papers hold 6 to 8 % at 50 % relative humidity (common practice, no published source), 3 to 5 % in a heated room in winter."""
    assert low < Air(23.0, humidity).moisture < high


def test_standard_air_is_the_measure_and_drier_or_warmer_air_dries_faster():
    """ISO 187: 23 degrees C and 50 %."""
    assert STANDARD.drying == pytest.approx(1.0)
    assert Air(23.0, 0.3).drying < 1.0 < Air(23.0, 0.7).drying
    assert Air(30.0, 0.5).drying < 1.0 < Air(15.0, 0.5).drying
    assert Air(23.0, 0.75).drying == pytest.approx(2.0)


@pytest.mark.parametrize("air", [Air(-20.0, 1.0), Air(60.0, 0.0), Air(20.0, 1.0), Air(20.0, 0.0)])
def test_no_air_takes_for_ever_or_no_time(air):
    assert LEAST <= air.drying <= MOST
    assert 0.0 <= air.moisture < 0.3
