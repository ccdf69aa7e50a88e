"""Through-thickness behaviour of what layers are made of.

Values are ordinary handbook magnitudes from memory, good to about a fifth for plastics and a third for rubber and
foam; an item can override its modulus with a measured one.
"""

import math
from dataclasses import dataclass
from typing import Literal, NewType

from lofty_press.core.basics.trade import PAPER_MODULUS, RUBBER_POISSON

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


Young = NewType("Young", float)
"""Stress over strain of what is free to spread sideways. [MPa]"""
Confined = NewType("Confined", float)
"""Stress over strain of a wide plate, which cannot spread sideways. [MPa]"""


@dataclass(frozen=True, slots=True)
class Material:
    """Elastic constants and hardness of a material.

    `modulus` E, `poisson` [1], `hardness` indentation hardness [MPa], `collapse` share of the thickness that a foam gives up before it is
    solid [1], `loss` share of the elastic energy that a cycle turns into heat [1], `yields` stress at which it begins to flow and stays marked [MPa];
    endless for what is made to give and comes back.
    """

    family: Family
    modulus: Young
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

    @property
    def spreads(self) -> bool:
        """True for what is measured free to spread, as a mat by its hardness; anything else is measured as a wide plate between two others."""
        return self.family in ("elastomer", "foam")

    def confined(self, young: Young) -> Confined:
        """What a wide plate shows that cannot spread sideways: E (1 - nu) / ((1 + nu)(1 - 2 nu))."""
        return Confined(young * self._gain)

    def young(self, confined: Confined) -> Young:
        """Young's modulus of what shows a modulus as a wide plate that cannot spread sideways."""
        return Young(confined / self._gain)

    @property
    def _gain(self) -> float:
        nu = self.poisson
        return (1 - nu) / ((1 + nu) * (1 - 2 * nu))


MATERIALS: dict[MaterialName, Material] = {
    "hard plastic": Material("rigid", Young(2300.0), 0.37, 130.0, 0.05, 62.0),
    "soft plastic": Material("rigid", Young(250.0), 0.42, 25.0, 0.15),
    "folder plastic": Material("rigid", Young(1400.0), 0.40, 80.0, 0.08, 33.0),
    "steel": Material("rigid", Young(200_000.0), 0.30, 1500.0, 0.005, 300.0),
    "aluminium": Material("rigid", Young(70_000.0), 0.33, 600.0, 0.01, 140.0),
    "copper": Material("rigid", Young(117_000.0), 0.34, 500.0, 0.01, 70.0),
    "rubber": Material("elastomer", Young(3.6), RUBBER_POISSON.value, 3.0, 0.25),
    "silicone": Material("elastomer", Young(1.7), RUBBER_POISSON.value, 1.5, 0.15),
    "foam": Material("foam", Young(0.8), 0.10, 0.3, 0.5, collapse=0.7),
    "paper": Material("paper", Young(PAPER_MODULUS.value), 0.05, 20.0, 0.4),
    "wood": Material("rigid", Young(600.0), 0.10, 20.0, 0.2, 20.0),
    "photopolymer": Material("rigid", Young(900.0), 0.40, 40.0, 0.15, 20.0),
}
