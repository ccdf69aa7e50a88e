"""What layers are made of."""

from lofty_press.core.materials.library import MATERIALS, Material, MaterialName
from lofty_press.core.materials.rubber import confined_modulus, modulus_from_shore_a

__all__ = [
    "MATERIALS",
    "Material",
    "MaterialName",
    "confined_modulus",
    "modulus_from_shore_a",
]
