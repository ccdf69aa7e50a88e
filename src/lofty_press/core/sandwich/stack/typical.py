"""Things as they typically are: generic sizes, honest uncertainties. For a fix that needs one where the shelf has none, and for a new thing."""

from lofty_press.core.basics.trade import COPY_PAPER
from lofty_press.core.sandwich.stack.item import Blade, Ink, Item, Relief, Thickness
from lofty_press.core.sandwich.stack.kinds import KIND_TRAITS, TOOLS, ItemKind, KindTraits
from lofty_press.core.sandwich.stack.press import Press
from lofty_press.core.sandwich.stock import SheetStock

PLAIN_PAPER = SheetStock(grammage_gsm=80, modulus_along_mpa=5000, modulus_across_mpa=2500, yield_strain=0.006)
CARD_STOCK = SheetStock(grammage_gsm=216, modulus_along_mpa=4500, modulus_across_mpa=2200)
DEPTHS_DIFFER = 0.25  # of its height, by which the reliefs of a kind differ; common practice, no published source
SHIM = Thickness(mm=COPY_PAPER.value, sd_mm=COPY_PAPER.sd)


def typical_item(kind: ItemKind, *, width: float, length: float) -> Item | None:
    """A typical item of a kind in the given size [mm], or None for kinds that nobody can stand in for: tools, and what has a window."""
    if kind in TOOLS or KIND_TRAITS[kind].window:
        return None
    if kind == "sheet":
        return Item(kind="sheet", name="Plain paper", thickness=SHIM, material="paper", stock=PLAIN_PAPER, width_mm=width, length_mm=length)
    return typical_thing(kind, width=width, length=length)


def typical_thing(kind: ItemKind, *, width: float | None = None, length: float | None = None) -> Item:
    """A thing of any kind as it usually is, in its usual size or the given one [mm]; something to correct."""
    known = KIND_TRAITS[kind]
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
        relief=relief_of(known),
        blade=None if known.blade is None else Blade(height_mm=known.blade[0], length_mm=known.blade[1]),
        stock=CARD_STOCK if kind == "sheet" else None,
    )


def relief_of(known: KindTraits) -> Relief | None:
    """The relief that a kind usually has."""
    if known.relief is None:
        return None
    height, span, raised, margin = known.relief
    return Relief(height_mm=height, sd_mm=round(DEPTHS_DIFFER * height, 3), span_mm=span, raised_share=raised, hinge_margin_mm=margin)


def typical_press() -> Press:
    """A press for cards as they commonly are, until piles that work tell more."""
    return Press(name="New press", opening=Thickness(mm=17.7, sd_mm=0.15))


def typical_ink() -> Ink:
    """An ink that stays open long enough."""
    return Ink(name="New ink", type="pigment")
