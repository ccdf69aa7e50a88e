"""Twelve sheet stocks of the press room; strengths are ordinary magnitudes for their kind, from memory."""

from typing import Any

from lofty_press.core.materials.library import MaterialName
from lofty_press.core.stack.item import Item, Thickness
from lofty_press.core.stock.basis_weight import grammage
from lofty_press.core.stock.sheet import SheetStock


def sheet(name: str, mm: float, sd: float, *, gsm: float, along: float, across: float, material: MaterialName = "paper", source: Any = "typical", size: tuple[float, float] = (104.0, 146.0), note: str = "", **more: Any) -> Item:
    """A stock cut to the usual cover size; `size` is width across and length along the feed [mm]."""
    stock = SheetStock(grammage_gsm=round(gsm, 1), modulus_along_mpa=along, modulus_across_mpa=across, **more)
    return Item(kind="sheet", name=name, thickness=Thickness(mm=mm, sd_mm=sd, source=source), width_mm=size[0], length_mm=size[1], material=material, stock=stock, note=note)


STOCKS: dict[str, Item] = {
    "ridge-green": sheet("Ridge green card", 0.28, 0.01, gsm=grammage(80, "cover"), along=4500, across=2200, yield_strain=0.005, break_strain=0.035, face_colour="#6f9a80", core_colour="#f2efe6", source="gauge"),
    "summit-white": sheet("Summit white card", 0.38, 0.01, gsm=grammage(110, "cover"), along=4400, across=2200, yield_strain=0.005, break_strain=0.034, face_colour="#f4f1e8", source="gauge"),
    "ledger-index": sheet("Ledger index", 0.25, 0.02, gsm=grammage(110, "index"), along=5200, across=2600, yield_strain=0.005, break_strain=0.03, face_colour="#efe6c8"),
    "mail-envelope": sheet("Mail-car envelope", 0.11, 0.01, gsm=grammage(24, "bond"), along=5600, across=2800, yield_strain=0.005, break_strain=0.04, face_colour="#e8dcc2", size=(110, 146)),
    "carriage-kraft": sheet("Carriage kraft", 0.3, 0.02, gsm=225, along=5200, across=2400, yield_strain=0.006, break_strain=0.04, finish="kraft", face_colour="#b98f5f"),
    "lantern-vellum": sheet("Lantern vellum", 0.13, 0.01, gsm=112, along=6500, across=4000, yield_strain=0.005, break_strain=0.025, finish="vellum", shear_strength_mpa=55, face_colour="#dfe3df", mist=None),
    "meadow-watercolour": sheet("Meadow watercolour paper", 0.48, 0.03, gsm=300, along=3200, across=2200, yield_strain=0.006, break_strain=0.045, finish="watercolour", face_colour="#f6f2ea"),
    "signal-foil": sheet("Signal copper foil card", 0.31, 0.015, gsm=260, along=4600, across=2500, yield_strain=0.005, break_strain=0.022, coating="front", finish="foil", shows_scars=True, face_colour="#b9714a", core_colour="#f2efe6"),
    "lamp-mirror": sheet("Lamp-room mirror card", 0.3, 0.015, gsm=250, along=4400, across=2400, yield_strain=0.005, break_strain=0.02, coating="front", finish="mirror", shows_scars=True, face_colour="#b7bfc2"),
    "hoarfrost-glitter": sheet("Hoarfrost glitter card", 0.42, 0.04, gsm=300, along=3600, across=2000, yield_strain=0.005, break_strain=0.03, coating="front", finish="glitter", shear_strength_mpa=60, face_colour="#c9d3d8"),
    "pad-back": sheet("Pad-back chipboard", 0.75, 0.08, gsm=520, along=2600, across=1400, yield_strain=0.006, break_strain=0.025, finish="chipboard", face_colour="#a99b84", note="Thickness varies from pad to pad; measure each."),
    "roof-copper": sheet("Roof copper sheet", 0.1, 0.005, gsm=890, along=117_000, across=117_000, thickness_modulus_mpa=120_000, yield_strain=0.00035, break_strain=0.3, shear_strength_mpa=150, material="copper", finish="sheet metal", face_colour="#b5673f", mist=None, source="gauge", size=(90, 120)),
}
