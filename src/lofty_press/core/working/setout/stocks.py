"""A stock by what stands on its pack: weight and grade, or what it is called."""

import re
from dataclasses import dataclass, replace
from typing import Any, cast

from lofty_press.core.basics.trade import COPY_PAPER
from lofty_press.core.basics.words import Message, say
from lofty_press.core.sandwich.stack import Item, Thickness
from lofty_press.core.sandwich.stock import Grade, SheetStock, caliper, grammage
from lofty_press.core.working.setout.kind_words import says_nothing
from lofty_press.core.working.setout.things import PAPERS, Named

POUNDS = re.compile(r"(\d{1,3}(?:[.,]\d)?)\s*(?:#|lbs?\.?|pounds?)(?![a-z])", re.IGNORECASE)
CLASS = re.compile(r"\b(cover|bristol|index|text|bond|watercolo(?:u)?r|cold press|hot press)\b", re.IGNORECASE)
GRAMS = re.compile(r"(\d{2,4})\s*(?:gsm|g/m2|g/m²|g/sm|g)(?!\w)", re.IGNORECASE)
BARE = re.compile(r"(?<![\w.,])(\d{2,3})(?![\w.,])")
LIGHTEST, HEAVIEST = 20.0, 2000.0  # g/m2
CARDS = ("cardstock", "card stock", "card", "card base", "cardbase", "cover stock")
LIGHTEST_CARD = 36.0  # lb; under which a paper with pounds is bond or text
WEIGHS_FROM = 50  # a number beside a card without a unit is its weight from here on
CARD_FROM = 150.0  # g/m2
SIZE = (104.0, 146.0)  # mm
ROUGHLY = 0.07  # of a caliper that comes from weight and bulk
# bulk of papers of a sort [cm3/g]; ordinary magnitudes, from memory
BULK: dict[str, float] = {"cover": 1.3, "bristol": 1.25, "index": 1.2, "text": 1.3, "bond": 1.3, "watercolour": 1.65}
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
    "vellum": Called(112, 0.10, 0.01, {"finish": "vellum", "modulus_along_mpa": 5500, "modulus_across_mpa": 3000, "break_strain": 0.025}),
    "kraft": Called(300, 0.40, 0.02, {"finish": "kraft", "modulus_along_mpa": 5500, "modulus_across_mpa": 2600, "break_strain": 0.04}),
    "watercolour": Called(300, 0.50, 0.03, {"finish": "watercolour", "modulus_along_mpa": 3200, "modulus_across_mpa": 2400, "break_strain": 0.045}),
    "watercolor": Called(300, 0.50, 0.03, {"finish": "watercolour", "modulus_along_mpa": 3200, "modulus_across_mpa": 2400, "break_strain": 0.045}),
    "chipboard": Called(500, 0.75, 0.06, {"finish": "chipboard", "modulus_along_mpa": 2500, "modulus_across_mpa": 1400, "break_strain": 0.03}),
    "(?:grey|gray|mat|mount) ?board": Called(900, 1.40, 0.15, {"finish": "chipboard", "modulus_along_mpa": 2500, "modulus_across_mpa": 1400, "break_strain": 0.03}),
    "photo paper": Called(230, 0.24, 0.02, {"finish": "glossy", "coating": "front", "modulus_along_mpa": 4500, "modulus_across_mpa": 2400}),
    "tracing paper": Called(90, 0.08, 0.01, {"finish": "vellum", "modulus_along_mpa": 5500, "modulus_across_mpa": 3000, "break_strain": 0.025}),
    "printer paper": Called(80, COPY_PAPER.value, COPY_PAPER.sd, {"modulus_along_mpa": 5000, "modulus_across_mpa": 2500}),
    "envelope": Called(90, 0.11, 0.01, {"modulus_along_mpa": 5000, "modulus_across_mpa": 2500}),
    "copy paper": Called(80, COPY_PAPER.value, COPY_PAPER.sd, {"modulus_along_mpa": 5000, "modulus_across_mpa": 2500}),
    "mirror card": Called(270, 0.33, 0.02, {"finish": "mirror", "modulus_along_mpa": 4500, "modulus_across_mpa": 2400, "coating": "front", "shows_scars": True, "mist": None}),
    "acetate": Called(180, 0.13, 0.01, {"finish": "film", "modulus_along_mpa": 3500, "modulus_across_mpa": 3500, "break_strain": 0.4, "mist": None}),
    "copper": Called(
        890, 0.10, 0.005,
        {"finish": "sheet metal", "modulus_along_mpa": 110_000, "modulus_across_mpa": 110_000, "yield_strain": 0.0008, "break_strain": 0.3, "hardening": 0.01, "saturation_strain": 0.2,
         "shear_strength_mpa": 160, "thickness_modulus_mpa": 100_000, "mist": None},
        "copper",
    ),
}  # fmt: skip


@dataclass(frozen=True)
class Paper:
    """A sheet that words call, with what was taken for granted; or what else the words may mean, `asked`, or why they say too little."""

    item: Item | None = None
    note: Message | None = None
    asked: tuple[str, ...] = ()
    problem: Message | None = None


def stock_called(words: str, named: Named | None, thick: float | None = None, count: int | None = None) -> Paper | None:
    """The sheet that some words call, whose noun is `named`, of a thickness if one is said [mm], and with a number before it; None if they call none."""
    plain = words.lower()
    weighed = POUNDS.search(plain) or GRAMS.search(plain)
    if named is not None and named.name not in PAPERS and not (named.name == "sheet" and weighed):
        return None
    if (found := POUNDS.search(plain)) is not None:
        return of_pounds(found[1], CLASS.search(plain), named, words)
    if (found := GRAMS.search(plain)) is not None:
        gsm = float(found[1])
        item = of_weight(gsm, "cover" if gsm >= CARD_FROM else "text", words)
        return Paper(item) if item is not None else Paper(problem=say("isn't a weight paper comes in; from 20 to 2000 g/m2"))
    if named is None:
        return None
    if (called := named_stock(named)) is not None:
        return Paper(sheet(titled(words), called.mm, called.sd, stock_of(called, plain), called.material))
    unknown = [word for word in (*named.before, *named.after) if not says_nothing(word)]
    bare = BARE.search(plain)
    number = int(bare[1]) if bare is not None else 0 if count is None or plain.startswith("sheet") else count
    if number >= WEIGHS_FROM:
        return Paper(asked=(f"{number} lb cover", f"{number} gsm"))
    if thick is not None and named.name != "paper":
        return Paper(of_weight(1000.0 * thick / BULK["cover"], "cover", words), say("Weight worked out from its thickness."))
    if named.name == "paper":
        return Paper(problem=say("is a paper without a weight; say 120 gsm, 80 lb cover, copy paper …"))
    if named.name not in CARDS or (named.name == "card" and unknown):
        return Paper(asked=("cardstock",))
    return Paper(of_weight(grammage(80.0, "cover"), "cover", words), say("No weight given: 80 lb cover assumed."))


def of_pounds(pounds: str, grade: re.Match[str] | None, named: Named | None, words: str) -> Paper:
    """A paper by its pounds, whose class has to be known: of a paper without one it is asked, of a card it is cover."""
    weight = float(pounds.replace(",", "."))
    if grade is None and named is not None and named.name == "paper":
        light = weight <= LIGHTEST_CARD
        return Paper(asked=(f"{pounds} lb bond", f"{pounds} lb text") if light else (f"{pounds} lb text", f"{pounds} lb cover"))
    of: Grade = "cover"
    if grade is not None:
        of = "watercolour" if grade[1].startswith(("water", "cold", "hot")) else cast(Grade, grade[1])
    item = of_weight(grammage(weight, of), of, words)
    if item is None:
        return Paper(problem=say("isn't a weight paper comes in; from 20 to 2000 g/m2"))
    return Paper(item, None if grade else say("{pounds} lb read as cover weight.", pounds=pounds))


def named_stock(named: Named) -> Called | None:
    """What a paper is by its name, or by the word before it."""
    phrase = " ".join((*named.before, named.name))
    return next((called for name, called in NAMED.items() if re.search(rf"\b{name}\b", phrase)), None)


def of_weight(gsm: float, grade: Grade, words: str) -> Item | None:
    """A paper by its grammage, of the look that its words tell."""
    if not LIGHTEST <= gsm <= HEAVIEST:
        return None
    mm = caliper(gsm, BULK[grade])
    by_name = next(
        (called for name, called in NAMED.items() if called.material == "paper" and re.search(rf"\b{name}\b", words.lower())), None
    )
    own = replace(CARD if by_name is None else stock_of(by_name, words.lower()), grammage_gsm=round(gsm, 1))
    return sheet(titled(words), round(mm, 3), round(ROUGHLY * mm, 3), looking(own, words.lower()), "paper")


def stock_of(called: Called, plain: str) -> SheetStock:
    """The stock of a name, of the look that its words tell."""
    return looking(replace(CARD, grammage_gsm=called.gsm, **called.own), plain)


def looking(stock: SheetStock, plain: str) -> SheetStock:
    """A stock with its finish, coating and core as the words beside it tell."""
    for look, own in LOOKS.items():
        if stock.finish == "plain" and re.search(look, plain):
            return replace(stock, **own)
    return stock


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


LOOKS: dict[str, dict[str, Any]] = {
    r"\bwhite[- ]core\b": {"core_colour": "#ffffff"},
    r"\bmirror\b": {"finish": "mirror", "coating": "front", "shows_scars": True, "mist": None},
    r"\bfoil\b": {"finish": "foil", "coating": "front", "shows_scars": True, "mist": None},
    r"\bglitter\b": {"finish": "glitter", "coating": "front", "mist": None},
    r"\bpearl\w*|\bmetallic\b|\bshimmer\w*": {"finish": "metallic", "coating": "front"},
    r"\bgloss\w*|\bshiny\b|\bphoto paper\b": {"finish": "glossy", "coating": "front"},
}
"""What words of a look say of a stock; common practice, no published source."""


def titled(words: str) -> str:
    """The words as a name."""
    text = " ".join(words.split())[:100]
    return text[:1].upper() + text[1:]
