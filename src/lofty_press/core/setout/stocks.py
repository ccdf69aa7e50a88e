"""A stock by what stands on its pack: weight and grade, or what it is called."""

import re
from dataclasses import dataclass, replace
from typing import Any

from lofty_press.core.stack import Item, Thickness
from lofty_press.core.stock import Grade, SheetStock, caliper, grammage
from lofty_press.core.trade import COPY_PAPER
from lofty_press.core.words import Message, say

POUNDS = re.compile(r"(\d{1,3}(?:[.,]\d)?)\s*(?:#|lbs?\.?|pounds?)(?![a-z])\s*(cover|bristol|index|text|bond)?", re.IGNORECASE)
GRAMS = re.compile(r"(\d{2,4})\s*(?:gsm|g/m2|g/m²|g)\b", re.IGNORECASE)
HEAVIEST = 2000.0  # g/m2
CARDSTOCK = re.compile(r"\bcard\s?stock\b|\bcard ?bases?\b|\bcards?$")
CARD_FROM = 150.0  # g/m2
SIZE = (104.0, 146.0)  # mm
ROUGHLY = 0.07  # of a caliper that comes from weight and bulk
# bulk of papers of a sort [cm3/g]; ordinary magnitudes, from memory
BULK: dict[str, float] = {"cover": 1.3, "bristol": 1.25, "index": 1.2, "text": 1.3, "bond": 1.3}
CARD = SheetStock(grammage_gsm=216, modulus_along_mpa=4500, modulus_across_mpa=2200, yield_strain=0.005, break_strain=0.034)


@dataclass(frozen=True)
class Called:
    """A stock by its name: grammage [g/m2], thickness with its standard deviation [mm], and what of its strength is its own; ordinary magnitudes, from
    memory."""

    gsm: float
    mm: float
    sd: float
    own: dict[str, Any]
    material: str = "paper"


NAMED: dict[str, Called] = {
    "vellum": Called(112, 0.10, 0.01, {"modulus_along_mpa": 5500, "modulus_across_mpa": 3000, "break_strain": 0.025}),
    "kraft": Called(300, 0.40, 0.02, {"modulus_along_mpa": 5500, "modulus_across_mpa": 2600, "break_strain": 0.04}),
    "watercolour": Called(300, 0.50, 0.03, {"modulus_along_mpa": 3200, "modulus_across_mpa": 2400, "break_strain": 0.045}),
    "watercolor": Called(300, 0.50, 0.03, {"modulus_along_mpa": 3200, "modulus_across_mpa": 2400, "break_strain": 0.045}),
    "chipboard": Called(500, 0.75, 0.06, {"modulus_along_mpa": 2500, "modulus_across_mpa": 1400, "break_strain": 0.03}),
    "envelope": Called(90, 0.11, 0.01, {"modulus_along_mpa": 5000, "modulus_across_mpa": 2500}),
    "copy paper": Called(80, COPY_PAPER.value, COPY_PAPER.sd, {"modulus_along_mpa": 5000, "modulus_across_mpa": 2500}),
    "mirror card": Called(270, 0.33, 0.02, {"modulus_along_mpa": 4500, "modulus_across_mpa": 2400, "coating": "front", "shows_scars": True, "mist": None}),
    "acetate": Called(180, 0.13, 0.01, {"modulus_along_mpa": 3500, "modulus_across_mpa": 3500, "break_strain": 0.4, "mist": None}),
    "copper": Called(
        890, 0.10, 0.005,
        {"modulus_along_mpa": 110_000, "modulus_across_mpa": 110_000, "yield_strain": 0.0008, "break_strain": 0.3, "hardening": 0.01, "saturation_strain": 0.2,
         "shear_strength_mpa": 160, "thickness_modulus_mpa": 100_000, "mist": None},
        "copper",
    ),
}  # fmt: skip


def stock_called(words: str) -> tuple[Item | None, Message | None]:
    """The sheet that some words call, and what was taken for granted; None if they call none."""
    plain = words.lower()
    if (found := POUNDS.search(plain)) is not None:
        grade: Any = found[2] or "cover"
        item = of_weight(grammage(float(found[1].replace(",", ".")), grade), grade, words)
        return item, None if found[2] else say("{pounds} lb taken as cover weight.", pounds=found[1])
    item = stock_named(plain, words)
    if item is None and CARDSTOCK.search(plain):
        return of_weight(grammage(80.0, "cover"), "cover", words), say("Weight not given: 80 lb cover taken.")
    return item, None


def stock_named(plain: str, words: str) -> Item | None:
    """The sheet that words call by its weight in grams or by its name."""
    if (found := GRAMS.search(plain)) is not None:
        gsm = float(found[1])
        return of_weight(gsm, "cover" if gsm >= CARD_FROM else "text", words)
    for name, called in NAMED.items():
        if name in plain:
            stock = replace(CARD, grammage_gsm=called.gsm, **called.own)
            return sheet(titled(words), called.mm, called.sd, stock, called.material)
    return None


def of_weight(gsm: float, grade: Grade, words: str) -> Item | None:
    """A paper by its grammage."""
    if not 20.0 <= gsm <= HEAVIEST:
        return None
    mm = caliper(gsm, BULK[grade])
    return sheet(titled(words), round(mm, 3), round(ROUGHLY * mm, 3), replace(CARD, grammage_gsm=round(gsm, 1)), "paper")


def sheet(name: str, mm: float, sd: float, stock: SheetStock, material: Any) -> Item:
    """A sheet cut to the size of a card."""
    return Item(
        kind="sheet",
        name=name,
        thickness=Thickness(mm=mm, sd_mm=sd),
        width_mm=SIZE[0],
        length_mm=SIZE[1],
        material=material,
        stock=stock,
    )


def titled(words: str) -> str:
    """The words as a name."""
    text = " ".join(words.split())[:100]
    return text[:1].upper() + text[1:]
