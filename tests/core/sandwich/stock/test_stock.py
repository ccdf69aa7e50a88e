"""Sheets: sizes and weights by their published definitions, bending against textbook mechanics, moisture by what paper does."""

import math

import numpy as np
import pytest
from scipy.integrate import quad
from scipy.optimize import brentq

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.sandwich.stock import (
    bending_energy,
    caliper,
    creep_gain,
    grammage,
    plate_section,
    secant_and_tangent,
    sheet_format,
    working_sheet,
)
from lofty_press.core.sandwich.stock.basis_weight import basis_weight
from lofty_press.demo.stocks import STOCKS

ISO = {
    "A0": (841, 1189),
    "A2": (420, 594),
    "A3": (297, 420),
    "A4": (210, 297),
    "A5": (148, 210),
    "A6": (105, 148),
    "A7": (74, 105),
    "B5": (176, 250),
}
"""ISO 216:2007, table 1; from memory."""
ENVELOPES = {"C5": (162, 229), "C6": (114, 162), "DL": (110, 220)}
"""ISO 269; from memory."""


class TestSizes:
    @pytest.mark.parametrize("name", ISO)
    def test_of_the_standard(self, name):
        assert sheet_format(name) == ISO[name]

    @pytest.mark.parametrize("name", ENVELOPES)
    def test_envelopes_hold_their_sheet(self, name):
        assert sheet_format(name) == ENVELOPES[name]
        if name.startswith("C"):  # a C envelope takes the A sheet of its number
            assert all(large > small for large, small in zip(sheet_format(name), sheet_format(f"A{name[1:]}"), strict=True))

    def test_halving_a_sheet_gives_the_next(self):
        for number in range(10):
            larger, smaller = sheet_format(f"A{number}"), sheet_format(f"A{number + 1}")
            assert smaller == (larger[1] // 2, larger[0])

    def test_american_sizes_are_in_inches(self):
        assert sheet_format("letter") == pytest.approx((8.5 * 25.4, 11 * 25.4))
        assert sheet_format("A2 card") == pytest.approx((4.25 * 25.4, 5.5 * 25.4))  # a quarter of a letter sheet

    @pytest.mark.parametrize("name", ["A11", "C9", "", "A", "letters", "A-1"])
    def test_what_is_none_is_refused(self, name):
        with pytest.raises(InvalidInput, match="format"):
            sheet_format(name)


class TestWeights:
    @pytest.mark.parametrize(
        ("pounds", "grade", "grams"),
        [
            (80, "cover", 216),
            (100, "cover", 270),
            (110, "cover", 298),
            (110, "index", 199),
            (67, "bristol", 147),
            (20, "bond", 75),
            (100, "text", 148),
        ],
    )
    def test_of_the_paper_trades_tables(self, pounds, grade, grams):
        """Equivalent weights as merchants print them; values from memory, to one gram."""
        assert grammage(pounds, grade) == pytest.approx(grams, abs=1.0)
        assert basis_weight(grammage(pounds, grade), grade) == pytest.approx(pounds)

    def test_a_ream_of_bond_weighs_what_it_says(self):
        """By definition: 500 sheets of 17 by 22 inches."""
        area = 17 * 22 * 0.0254**2
        assert 500 * area * grammage(20, "bond") / 1000 == pytest.approx(20 * 0.45359237)

    def test_copy_paper_is_a_tenth_of_a_millimetre(self):
        assert caliper(80, 1.3) == pytest.approx(0.10, abs=0.01)

    @pytest.mark.parametrize(("pounds", "grade"), [(0, "cover"), (-5, "cover"), (float("nan"), "text"), (80, "velvet")])
    def test_nonsense_is_refused(self, pounds, grade):
        with pytest.raises(InvalidInput):
            grammage(pounds, grade)


class TestBending:
    YIELDS, HARDENING, SATURATES = 0.02, 0.1, 0.08

    def moment(self, curvature):
        return curvature * secant_and_tangent(curvature, self.YIELDS, self.HARDENING, self.SATURATES)[0]

    @pytest.mark.parametrize("curvature", [0.005, 0.02, 0.03, 0.08, 0.2, 1.0])
    def test_the_moment_is_that_of_the_stress_through_the_thickness(self, curvature):
        """Integral of stress times distance over a section of half height 1, of the law that hardens between its two strains."""

        def stress(strain):
            first = min(strain, self.YIELDS)
            later = min(strain, self.SATURATES)
            return (1 - self.HARDENING) * first + self.HARDENING * later

        whole, _ = quad(
            lambda z: 3 * z * stress(curvature * z), 0, 1, points=[min(self.YIELDS / curvature, 1), min(self.SATURATES / curvature, 1)]
        )
        assert self.moment(curvature) == pytest.approx(whole, rel=1e-6)

    @pytest.mark.parametrize("curvature", [0.01, 0.03, 0.1, 0.5])
    def test_the_tangent_is_the_slope_of_the_moment_and_the_moment_that_of_the_energy(self, curvature):
        h = 1e-6
        slope = (self.moment(curvature + h) - self.moment(curvature - h)) / (2 * h)
        assert secant_and_tangent(curvature, self.YIELDS, self.HARDENING, self.SATURATES)[1] == pytest.approx(slope, rel=1e-4)
        energies = [bending_energy(curvature + d, self.YIELDS, self.HARDENING, self.SATURATES) for d in (h, -h)]
        assert self.moment(curvature) == pytest.approx((energies[0] - energies[1]) / (2 * h), rel=1e-4)

    def test_ideally_plastic_it_bears_half_as_much_again_as_at_yield(self):
        """The shape factor of a rectangle is 1.5: any strength of materials textbook."""
        assert 100.0 * secant_and_tangent(100.0, self.YIELDS, 0.0, self.YIELDS)[0] == pytest.approx(1.5 * self.YIELDS, rel=1e-6)

    def test_stiffness_of_a_plate(self):
        """D = E t^3 / 12 (1 - nu^2), and D66 = G t^3 / 12 of what is alike in all directions: Timoshenko."""
        sheet = plate_section(thickness=0.3, modulus_x=4000, modulus_y=4000, poisson=0.3, yield_strain=0.006, hardening=0.1, saturates=3)
        assert sheet.along == sheet.across == pytest.approx(4000 * 0.3**3 / (12 * (1 - 0.3**2)))
        assert sheet.coupling == pytest.approx(0.3 * sheet.along)
        assert sheet.twist == pytest.approx(4000 / (2 * 1.3) * 0.3**3 / 12)

    def test_a_stretch_that_is_let_go_keeps_all_but_its_elastic_part(self):
        sheet = plate_section(thickness=0.3, modulus_x=4000, modulus_y=4000, poisson=0.2, yield_strain=0.006, hardening=0.0, saturates=3)
        strain = np.array([-0.01, 0.003, 0.006, 0.02])
        assert sheet.lasting(strain) == pytest.approx([0.0, 0.0, 0.0, 0.014])

    @pytest.mark.parametrize(("thickness", "modulus"), [(0.0, 4000.0), (0.3, 0.0), (-1.0, 4000.0)])
    def test_no_sheet_is_refused(self, thickness, modulus):
        with pytest.raises(InvalidInput):
            plate_section(
                thickness=thickness, modulus_x=modulus, modulus_y=4000, poisson=0.2, yield_strain=0.006, hardening=0.1, saturates=3
            )


class TestMoisture:
    STOCK = STOCKS["ridge-green"].stock

    def test_a_mist_fades(self):
        ages = [working_sheet(self.STOCK, age).dampness for age in (0.0, 30.0, 120.0, 600.0)]
        assert ages[0] == 1.0
        assert ages == sorted(ages, reverse=True)
        assert working_sheet(self.STOCK, None).dampness == 0.0

    def test_it_is_gone_by_two_thirds_after_the_time_that_it_fades_in(self):
        assert working_sheet(self.STOCK, self.STOCK.mist.fades_s).dampness == pytest.approx(1 / math.e)

    def test_damp_paper_yields_sooner_and_breaks_later(self):
        """Common practice, no published source for this stock: misting lets a relief be pressed that dry card cracks on."""
        dry, damp = working_sheet(self.STOCK, None), working_sheet(self.STOCK, 0.0)
        assert damp.modulus < dry.modulus
        assert damp.yield_stress < dry.yield_stress
        assert damp.break_along > dry.break_along

    def test_along_the_grain_it_bears_less_stretch(self):
        """Machine-made paper breaks at a smaller strain along its grain than across: any handbook of paper physics."""
        dry = working_sheet(self.STOCK, None)
        assert dry.break_along < dry.break_across
        ratio = dry.break_across / dry.break_along
        assert ratio == pytest.approx(self.STOCK.breaks_apart)

    def test_shares_of_both_directions_add_up(self):
        dry = working_sheet(self.STOCK, None)
        everywhere, none, all_of_it = np.array([0.01]), np.array([0.0]), np.array([0.01])
        assert dry.share_of_break(everywhere, none)[0] == pytest.approx(0.01 / dry.break_across)
        assert dry.share_of_break(everywhere, all_of_it)[0] == pytest.approx(0.01 / dry.break_along)

    def test_each_doubling_of_the_passes_adds_alike(self):
        gains = [creep_gain(n) for n in (1, 2, 4, 8)]
        assert np.diff(gains) == pytest.approx([0.15] * 3)
        assert creep_gain(0) == 1.0

    def test_what_takes_no_water_stays_as_it_is(self):
        metal = next(item.stock for item in STOCKS.values() if item.stock.mist is None)
        assert working_sheet(metal, 0.0) == working_sheet(metal, None)


def test_the_trade_weight_of_a_thickness_can_be_found_back():
    """Calipers of uncoated cover as merchants print them: 80 lb is some 0.27 to 0.33 mm; values from memory."""
    pounds = brentq(lambda lb: caliper(grammage(lb, "cover"), 1.35) - 0.30, 20, 200)
    assert 70 <= pounds <= 95
