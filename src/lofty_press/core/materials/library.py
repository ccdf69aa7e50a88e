"""Through-thickness behaviour of what layers are made of.

Values are ordinary handbook magnitudes from memory, good to about a fifth for plastics and a third for rubber and
foam; an item can override its modulus with a measured one.
"""

import math
from dataclasses import dataclass
from typing import Literal

from lofty_press.core.trade import PAPER_MODULUS, RUBBER_POISSON

MaterialName = Literal[
    "hard plastic",
    "soft plastic",
    "folder plastic",
    "steel",
    "aluminium",
    "copper",
    "rubber",
    "silicone",
    "foam",
    "paper",
    "wood",
    "photopolymer",
]
Family = Literal["rigid", "elastomer", "foam", "paper"]


@dataclass(frozen=True, slots=True)
class Material:
    """Elastic constants and hardness of a material.

    `modulus` E [MPa], `poisson` [1], `hardness` indentation hardness [MPa], `collapse` share of the thickness that a foam gives up before it is
    solid [1], `loss` share of the elastic energy that a cycle turns into heat [1], `yields` stress at which it begins to flow and stays marked [MPa];
    endless for what is made to give and comes back.
    """

    family: Family
    modulus: float
    poisson: float
    hardness: float
    loss: float
    yields: float = math.inf
    collapse: float = 0.0

    @property
    def bears_under_roller(self) -> float:
        """Peak pressure of a line contact that rolls over it again and again, up to which it settles after the first passes and is elastic from then
        on: 4 k with k the yield stress in shear (Johnson, Contact Mechanics, 1985, section 9.1: shakedown in free rolling, by Melan's theorem; from
        memory). Beyond it every pass leaves a little more. [MPa]"""
        return 4.0 * self.yields / math.sqrt(3.0)

    def confined(self, modulus: float) -> float:
        """Modulus of a wide plate that cannot spread sideways [MPa]: E (1 - nu) / ((1 + nu)(1 - 2 nu))."""
        nu = self.poisson
        return modulus * (1 - nu) / ((1 + nu) * (1 - 2 * nu))


MATERIALS: dict[MaterialName, Material] = {
    "hard plastic": Material("rigid", 2300.0, 0.37, 130.0, 0.05, 62.0),
    "soft plastic": Material("rigid", 250.0, 0.42, 25.0, 0.15),
    "folder plastic": Material("rigid", 1400.0, 0.40, 80.0, 0.08, 33.0),
    "steel": Material("rigid", 200_000.0, 0.30, 1500.0, 0.005, 300.0),
    "aluminium": Material("rigid", 70_000.0, 0.33, 600.0, 0.01, 140.0),
    "copper": Material("rigid", 117_000.0, 0.34, 500.0, 0.01, 70.0),
    "rubber": Material("elastomer", 3.6, RUBBER_POISSON.value, 3.0, 0.25),
    "silicone": Material("elastomer", 1.7, RUBBER_POISSON.value, 1.5, 0.15),
    "foam": Material("foam", 0.8, 0.10, 0.3, 0.5, collapse=0.7),
    "paper": Material("paper", PAPER_MODULUS.value, 0.05, 20.0, 0.4),
    "wood": Material("rigid", 600.0, 0.10, 20.0, 0.2, 20.0),
    "photopolymer": Material("rigid", 900.0, 0.40, 40.0, 0.15, 20.0),
}
