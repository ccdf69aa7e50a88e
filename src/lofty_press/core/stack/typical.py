"""Things as they typically are, for when a fix needs one and the shelf has none: generic sizes, honest uncertainties."""

from collections.abc import Callable, Sequence

from lofty_press.core.materials.library import MaterialName
from lofty_press.core.stack.item import Item, ItemKind, Thickness
from lofty_press.core.stock.sheet import SheetStock

Supply = Callable[[ItemKind], Sequence[Item]]
"""Lists the things of a kind on the shelf."""

# kind: thickness, its standard deviation [mm], material; common practice, no published source
TYPICAL: dict[ItemKind, tuple[float, float, MaterialName]] = {
    "bed": (9.0, 0.1, "hard plastic"),
    "spacer": (1.9, 0.1, "hard plastic"),
    "hard plate": (3.0, 0.08, "hard plastic"),
    "soft plate": (3.0, 0.1, "soft plastic"),
    "deep plate": (4.1, 0.1, "hard plastic"),
    "rubber mat": (2.2, 0.15, "rubber"),
    "silicone sheet": (1.4, 0.15, "silicone"),
    "foam sheet": (2.0, 0.25, "foam"),
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
    thickness, spread, material = TYPICAL[kind]
    return Item(
        kind=kind,
        name=f"Typical {kind}",
        thickness=Thickness(mm=thickness, sd_mm=spread),
        material=material,
        width_mm=width,
        length_mm=length,
    )
