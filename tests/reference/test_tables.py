"""Paper sizes, basis weights, units and rubber against published tables and other libraries."""

from fractions import Fraction

import pint
import pytest
from hypothesis import given
from hypothesis import strategies as st

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.basics.units import inch_fraction, inch_to_mm, mm_to_inch
from lofty_press.core.sandwich.materials.library import MATERIALS
from lofty_press.core.sandwich.materials.rubber import confined_modulus, modulus_from_shore_a
from lofty_press.core.sandwich.stock.basis_weight import basis_weight, caliper, grammage
from lofty_press.core.sandwich.stock.paper_sizes import sheet_format

UNITS = pint.UnitRegistry()

# United States paper trade, conversion tables of basis weight; values from memory, rounded to whole g/m2 as they are printed
BASIS_WEIGHTS = [
    ("cover", 65, 176),
    ("cover", 80, 216),
    ("cover", 100, 270),
    ("cover", 110, 298),
    ("index", 90, 163),
    ("index", 110, 199),
    ("index", 140, 253),
    ("bristol", 67, 147),
    ("text", 70, 104),
    ("text", 80, 118),
    ("text", 100, 148),
    ("bond", 20, 75),
    ("bond", 24, 90),
    ("bond", 32, 120),
]

# ISO 216:2007 and ISO 269:1985; values from memory
SIZES = {
    "A0": (841, 1189),
    "A4": (210, 297),
    "A5": (148, 210),
    "A6": (105, 148),
    "A7": (74, 105),
    "B4": (250, 353),
    "B5": (176, 250),
    "B6": (125, 176),
    "C5": (162, 229),
    "C6": (114, 162),
    "DL": (110, 220),
}


@pytest.mark.parametrize(("grade", "pounds", "expected"), BASIS_WEIGHTS)
def test_basis_weights_agree_with_the_trades_table(grade, pounds, expected):
    assert grammage(pounds, grade) == pytest.approx(expected, abs=0.9)
    assert basis_weight(grammage(pounds, grade), grade) == pytest.approx(pounds)


@pytest.mark.parametrize("grade", ["cover", "index", "text", "bond", "bristol"])
def test_a_ream_weighed_by_an_independent_unit_library(grade):
    from lofty_press.core.sandwich.stock.basis_weight import BASIC_SIZE

    width, height = BASIC_SIZE[grade]
    density = 80 * UNITS.pound / (500 * width * UNITS.inch * height * UNITS.inch)
    assert grammage(80, grade) == pytest.approx(density.to("g/m^2").magnitude, rel=1e-9)


@pytest.mark.parametrize("name", SIZES)
def test_sheet_formats_agree_with_the_standards(name):
    assert sheet_format(name) == SIZES[name]


def test_the_usual_card_sizes_in_inches():
    """Common practice, no published source: card front 4 1/4 x 5 1/2, from half a letter sheet."""
    width, height = sheet_format("A2 card")
    assert (inch_fraction(width), inch_fraction(height)) == (Fraction(17, 4), Fraction(11, 2))
    assert sheet_format("letter")[1] / 2 == pytest.approx(height)


@given(st.floats(-2000, 2000))
def test_inches_agree_with_an_independent_unit_library(mm):
    assert mm_to_inch(mm) == pytest.approx((mm * UNITS.mm).to("inch").magnitude, rel=1e-12, abs=1e-12)


@given(st.integers(-5000, 5000), st.sampled_from([1, 2, 4, 8, 16, 32, 64]))
def test_fractions_of_an_inch_survive_millimetres_exactly(top, bottom):
    assert inch_fraction(inch_to_mm(Fraction(top, bottom))) == Fraction(top, bottom)


# A. N. Gent, 1958: Young's modulus against Shore A, in MPa; values of the curve from memory
@pytest.mark.parametrize(("shore", "modulus"), [(40, 1.7), (50, 2.5), (60, 3.6), (70, 5.5), (80, 9.4)])
def test_shore_hardness_gives_gents_modulus(shore, modulus):
    assert modulus_from_shore_a(shore) == pytest.approx(modulus, rel=0.04)


def test_a_strip_of_rubber_stiffens_with_the_square_of_its_shape_factor():
    """Gent and Lindley, 1959, from memory: a long bonded strip of width w and thickness t has S = w / 2t; without friction it is in plane strain."""
    assert confined_modulus(3.0, 20.0 / (2 * 5.0)) == pytest.approx(20.0)
    assert confined_modulus(3.0, 0.0) == pytest.approx(3.0 / (1 - 0.5**2))


@pytest.mark.parametrize("name", [n for n, m in MATERIALS.items() if m.family == "rigid"])
def test_confined_modulus_is_that_of_uniaxial_strain(name):
    """Hooke's law in three dimensions with no sideways strain, solved as a linear system."""
    import numpy as np

    material = MATERIALS[name]
    nu, young = material.poisson, material.modulus
    flexibility = (np.eye(3) * (1 + nu) - nu * np.ones((3, 3))) / young
    stress = np.linalg.solve(flexibility, [1.0, 0.0, 0.0])
    assert material.confined(young) == pytest.approx(stress[0])


@pytest.mark.parametrize(
    ("call", "field"),
    [
        (lambda: grammage(0, "cover"), "pounds"),
        (lambda: grammage(80, "velvet"), "grade"),
        (lambda: caliper(200, -1), "bulk"),
        (lambda: sheet_format("A11"), "format"),
        (lambda: modulus_from_shore_a(95), "shore_a"),
        (lambda: inch_fraction(float("nan")), "length"),
    ],
)
def test_nonsense_is_refused_by_name(call, field):
    with pytest.raises(InvalidInput) as caught:
        call()
    assert caught.value.field == field
