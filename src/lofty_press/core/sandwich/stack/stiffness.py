"""How stiff a thing is through its thickness: what is written of it, turned into Young's modulus here and nowhere else."""

from dataclasses import replace

from lofty_press.core.sandwich.materials import MATERIALS, Confined, Young, modulus_from_shore_a
from lofty_press.core.sandwich.stack.item import Item


def young_of(item: Item) -> Young:
    """Young's modulus through the thickness: as measured, by its hardness, of its stock, or of its material."""
    material = MATERIALS[item.material]
    if item.modulus_mpa is not None:
        return Young(item.modulus_mpa) if material.spreads else material.young(Confined(item.modulus_mpa))
    if item.shore_a is not None:
        return modulus_from_shore_a(item.shore_a)
    return material.modulus if item.stock is None else Young(item.stock.thickness_modulus_mpa)


def confined_of(item: Item) -> Confined:
    """Modulus through the thickness of a wide piece, which cannot spread sideways."""
    return MATERIALS[item.material].confined(young_of(item))


def stiffer(item: Item, factor: float) -> Item:
    """A thing whose stiffness through the thickness is another by a factor, written as it would be measured."""
    measured = young_of(item) if MATERIALS[item.material].spreads else confined_of(item)
    return replace(item, modulus_mpa=measured * factor)
