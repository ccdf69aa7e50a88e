"""What layers are made of, against the theory of elasticity and handbook magnitudes."""

import math

import pytest

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.sandwich.materials import MATERIALS, confined_modulus, modulus_from_shore_a

HANDBOOK = {
    "steel": (190_000, 215_000),
    "aluminium": (68_000, 73_000),
    "copper": (110_000, 130_000),
    "hard plastic": (2_000, 3_300),
    "folder plastic": (1_000, 2_000),
    "silicone": (0.5, 5.0),
    "rubber": (1.0, 10.0),
}
"""Young's moduli [MPa] as materials tables have them; values from memory."""


@pytest.mark.parametrize("name", HANDBOOK)
def test_moduli_are_those_of_the_tables(name):
    low, high = HANDBOOK[name]
    assert low <= MATERIALS[name].modulus <= high


@pytest.mark.parametrize("name", MATERIALS)
def test_a_confined_layer_is_stiffer_by_bulk_and_shear(name):
    """The P-wave modulus is K + 4 G / 3, with K = E / 3 (1 - 2 nu) and G = E / 2 (1 + nu): any text on elasticity."""
    material = MATERIALS[name]
    bulk, shear = material.modulus / (3 * (1 - 2 * material.poisson)), material.modulus / (2 * (1 + material.poisson))
    assert material.confined(material.modulus) == pytest.approx(bulk + 4 * shear / 3)
    assert material.young(material.confined(material.modulus)) == pytest.approx(material.modulus)


@pytest.mark.parametrize("name", MATERIALS)
def test_constants_are_possible(name):
    material = MATERIALS[name]
    assert 0 <= material.poisson < 0.5
    assert 0 <= material.loss < 1
    assert material.hardness > 0
    assert (material.collapse > 0) == (material.family == "foam")


def test_metals_are_dented_at_about_three_times_their_yield():
    """Tabor: hardness is some three times the yield stress of what does not harden much; annealed copper hardens and lies above."""
    for name in ("aluminium", "steel"):
        assert 2.5 <= MATERIALS[name].hardness / MATERIALS[name].yields <= 5.5


def test_under_a_roller_it_settles_up_to_four_times_its_shear_yield():
    """Johnson, Contact Mechanics, 1985: first yield at p0 = 1.79 k in shear by Tresca or von Mises, shakedown up to 4 k; from memory."""
    steel = MATERIALS["steel"]
    k = steel.yields / math.sqrt(3)
    assert steel.bears_under_roller / k == pytest.approx(4.0)
    assert MATERIALS["rubber"].bears_under_roller == math.inf


class TestRubber:
    @pytest.mark.parametrize(("shore", "modulus"), [(40, 1.7), (50, 2.5), (60, 3.6), (70, 5.5)])
    def test_hardness_gives_the_modulus_of_the_tables(self, shore, modulus):
        """Gent, 1958, as rubber handbooks tabulate it; values from memory, to a tenth."""
        assert modulus_from_shore_a(shore) == pytest.approx(modulus, rel=0.1)

    def test_a_harder_rubber_is_stiffer(self):
        moduli = [modulus_from_shore_a(shore) for shore in range(20, 91)]
        assert moduli == sorted(moduli)

    @pytest.mark.parametrize("shore", [0, 19.9, 90.1, float("nan")])
    def test_what_the_relation_is_not_trusted_for_is_refused(self, shore):
        with pytest.raises(InvalidInput, match="shore_a"):
            modulus_from_shore_a(shore)

    def test_a_tall_strip_shows_plane_strain_and_a_flat_one_much_more(self):
        """Without confinement a long strip of what keeps its volume shows E / (1 - nu^2) = 4 E / 3; Gent and Lindley add S^2."""
        assert confined_modulus(3.0, 0.0) == pytest.approx(3.0 / (1 - 0.5**2))
        assert confined_modulus(3.0, 5.0) / confined_modulus(3.0, 0.0) == pytest.approx(26.0)
