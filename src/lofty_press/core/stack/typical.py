"""Things as they typically are, for when a fix needs one and the shelf has none: generic sizes, honest uncertainties."""

from dataclasses import dataclass

from lofty_press.core.materials import MaterialName
from lofty_press.core.stack.item import Item, ItemKind, Thickness
from lofty_press.core.stock import SheetStock


@dataclass(frozen=True)
class Typical:
    """Thickness of a kind with its standard deviation [mm], and what it is made of; common practice, no published source."""

    mm: float
    sd: float
    material: MaterialName


TYPICAL: dict[ItemKind, Typical] = {
    "bed": Typical(mm=9.0, sd=0.1, material="hard plastic"),
    "spacer": Typical(mm=1.8, sd=0.1, material="hard plastic"),
    "hard plate": Typical(mm=3.2, sd=0.08, material="hard plastic"),
    "soft plate": Typical(mm=3.0, sd=0.1, material="soft plastic"),
    "deep plate": Typical(mm=3.85, sd=0.1, material="hard plastic"),
    "rubber mat": Typical(mm=2.2, sd=0.15, material="rubber"),
    "silicone sheet": Typical(mm=1.4, sd=0.15, material="silicone"),
    "foam sheet": Typical(mm=2.0, sd=0.25, material="foam"),
}


def typical_item(kind: ItemKind, *, width: float, length: float) -> Item | None:
    """A typical item of a kind in the given size [mm], or None for kinds that have no typical form, such as tools."""
    if kind == "sheet":
        paper = SheetStock(grammage_gsm=80, modulus_along_mpa=5000, modulus_across_mpa=2500, yield_strain=0.006)
        return Item(
            kind="sheet",
            name="Plain paper",
            thickness=Thickness(mm=0.1, sd_mm=0.01),
            material="paper",
            stock=paper,
            width_mm=width,
            length_mm=length,
        )
    if kind not in TYPICAL:
        return None
    known = TYPICAL[kind]
    return Item(
        kind=kind,
        name=f"Typical {kind}",
        thickness=Thickness(mm=known.mm, sd_mm=known.sd),
        material=known.material,
        width_mm=width,
        length_mm=length,
    )
