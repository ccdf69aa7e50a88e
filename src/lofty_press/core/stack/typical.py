"""Things as they typically are: generic sizes, honest uncertainties. For a fix that needs one where the shelf has none, and for a new thing."""

from dataclasses import dataclass

from lofty_press.core.materials import MaterialName
from lofty_press.core.stack.item import TOOLS, Blade, Ink, Item, ItemKind, Relief, Thickness
from lofty_press.core.stack.press import Press
from lofty_press.core.stock import SheetStock
from lofty_press.core.trade import COPY_PAPER

CARD, SMALL, STRIP = (112.0, 155.0), (60.0, 60.0), (60.0, 300.0)  # mm: width and length of what is made for a card, for a tag, for a border


@dataclass(frozen=True)
class Typical:
    """Thickness of a kind with its standard deviation [mm], what it is made of, width and length [mm], relief and blade; common practice, no
    published source. `window` is the part of it that a window takes [1]."""

    mm: float
    sd: float
    material: MaterialName
    size: tuple[float, float] = CARD
    relief: Relief | None = None
    blade: Blade | None = None
    window: float = 0.0


def folder(mm: float, sd: float, height: float, span: float, margin: float, blade: Blade | None = None) -> Typical:
    """A hinged folder: thickness closed and empty, its spread, height and finest width of its relief, blank strip at the hinge. [mm]"""
    relief = Relief(height_mm=height, span_mm=span, hinge_margin_mm=margin)
    return Typical(mm, sd, "folder plastic", relief=relief, blade=blade)


TYPICAL: dict[ItemKind, Typical] = {
    "bed": Typical(9.0, 0.1, "hard plastic", (150.0, 240.0)),
    "platform": Typical(12.0, 0.15, "hard plastic", (150.0, 330.0)),
    "spacer": Typical(1.8, 0.1, "hard plastic"),
    "hard plate": Typical(3.2, 0.08, "hard plastic"),
    "soft plate": Typical(3.0, 0.1, "soft plastic"),
    "deep plate": Typical(3.85, 0.1, "hard plastic"),
    "pressure mask": Typical(3.0, 0.1, "soft plastic", window=0.6),
    "frame": Typical(1.45, 0.1, "paper", window=0.6),
    "rubber mat": Typical(2.2, 0.15, "rubber"),
    "silicone sheet": Typical(1.4, 0.15, "silicone"),
    "foam sheet": Typical(2.0, 0.25, "foam"),
    "plain folder": folder(2.6, 0.1, 0.45, 2.2, 9.0),
    "deep folder": folder(4.9, 0.15, 1.1, 4.5, 10.0),
    "layered folder": folder(4.6, 0.15, 1.2, 5.0, 10.0),
    "two-way folder": folder(2.8, 0.1, 0.5, 2.4, 9.0),
    "cutting folder": folder(2.7, 0.1, 0.4, 2.2, 9.0, Blade(height_mm=0.5, length_mm=300.0)),
    "texture plate": Typical(1.9, 0.1, "hard plastic", relief=Relief(height_mm=0.25, span_mm=1.6, raised_share=0.5)),
    "letterpress plate": Typical(3.1, 0.1, "photopolymer", relief=Relief(height_mm=0.8, span_mm=0.6, raised_share=0.12)),
    "motif": Typical(0.25, 0.02, "paper", SMALL, relief=Relief(height_mm=0.25, span_mm=3.0, raised_share=0.9)),
    "thin die": Typical(0.95, 0.05, "steel", SMALL, blade=Blade(height_mm=0.5, length_mm=500.0)),
    "strip die": Typical(0.95, 0.05, "steel", STRIP, blade=Blade(height_mm=0.5, length_mm=900.0)),
    "steel-rule die": Typical(16.0, 0.2, "wood", blade=Blade(height_mm=2.0, length_mm=400.0)),
    "sheet": Typical(0.28, 0.014, "paper"),
}

PLAIN_PAPER = SheetStock(grammage_gsm=80, modulus_along_mpa=5000, modulus_across_mpa=2500, yield_strain=0.006)
CARD_STOCK = SheetStock(grammage_gsm=216, modulus_along_mpa=4500, modulus_across_mpa=2200)
SHIM = Thickness(mm=COPY_PAPER.value, sd_mm=COPY_PAPER.sd)


def typical_item(kind: ItemKind, *, width: float, length: float) -> Item | None:
    """A typical item of a kind in the given size [mm], or None for kinds that nobody can stand in for: tools, and what has a window."""
    if kind in TOOLS or TYPICAL[kind].window:
        return None
    if kind == "sheet":
        return Item(kind="sheet", name="Plain paper", thickness=SHIM, material="paper", stock=PLAIN_PAPER, width_mm=width, length_mm=length)
    return typical_thing(kind, width=width, length=length)


def typical_thing(kind: ItemKind, *, width: float | None = None, length: float | None = None) -> Item:
    """A thing of any kind as it usually is, in its usual size or the given one [mm]; something to correct."""
    known = TYPICAL[kind]
    wide, long = width or known.size[0], length or known.size[1]
    x, y = known.window * long / 2, known.window * wide / 2
    return Item(
        kind=kind,
        name=f"Typical {kind}",
        thickness=Thickness(mm=known.mm, sd_mm=known.sd),
        width_mm=wide,
        length_mm=long,
        material=known.material,
        windows=(((-x, -y), (x, -y), (x, y), (-x, y)),) if known.window else (),
        relief=known.relief,
        blade=known.blade,
        stock=CARD_STOCK if kind == "sheet" else None,
    )


def typical_press() -> Press:
    """A press for cards as they commonly are, until piles that work tell more."""
    return Press(name="New press", opening=Thickness(mm=17.7, sd_mm=0.15))


def typical_ink() -> Ink:
    """An ink that stays open long enough."""
    return Ink(name="New ink", type="pigment")
