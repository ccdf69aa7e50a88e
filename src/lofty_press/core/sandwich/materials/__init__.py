"""What layers are made of."""

from lofty_press.core.sandwich.materials.library import MATERIALS, Confined, Material, MaterialName, Young
from lofty_press.core.sandwich.materials.rubber import confined_modulus, modulus_from_shore_a

__all__ = [
    "MATERIALS",
    "Confined",
    "Material",
    "MaterialName",
    "Young",
    "confined_modulus",
    "modulus_from_shore_a",
]
