"""Compiles what requests need, so that no request pays for it out of its budget: once on a new machine, from a cache afterwards."""

from fractions import Fraction
from typing import Literal

import numpy as np

from lofty_press.core.judging.assess import assess
from lofty_press.core.judging.dialin import believed_before, chances_of, respond
from lofty_press.core.mechanics.feed import look_at
from lofty_press.core.mechanics.forming import Forming, Grid, form, plate_section, roll, secant_and_tangent, spring_back
from lofty_press.core.mechanics.plates import Laid, Pattern, add_marks, no_wear
from lofty_press.core.sandwich.relief import heights_from_above, no_library
from lofty_press.core.sandwich.stack import Blade, EffectKind, Item, Layer, Press, Relief, Sandwich, Thickness, WantedEffect
from lofty_press.core.sandwich.stock import SheetStock
from lofty_press.core.working.plan import GRID, Job, Piece, Sheets, Size, Stock, cut_list


def warm_everything() -> None:
    """All of it: what every judgement needs first."""
    warm_judgement()
    warm_forming()
    warm_rest()
    warm_plan()


PRESSED = 0.25  # mm over the opening
COARSE = 8.0  # mm; cells of a nip that is only rolled to compile it
ANY_CARD = Stock("card", "Card", 0.3, 250, (Sheets("whole", Size(Fraction(210), Fraction(297)), None),))
CARD = SheetStock(grammage_gsm=250, modulus_along_mpa=5000, modulus_across_mpa=2500)
THINGS = {
    "bed": Item(kind="bed", name="Bed", thickness=Thickness(mm=10.5), material="hard plastic", width_mm=100, length_mm=120),
    "plate": Item(kind="hard plate", name="Plate", thickness=Thickness(mm=3.0), material="hard plastic", width_mm=90, length_mm=100),
    "card": Item(kind="sheet", name="Card", thickness=Thickness(mm=0.3), material="paper", stock=CARD, width_mm=60, length_mm=60),
    "die": Item(
        kind="thin die",
        name="Die",
        thickness=Thickness(mm=1.0),
        material="steel",
        blade=Blade(height_mm=0.6, length_mm=160),
        width_mm=60,
        length_mm=60,
    ),
    "mat": Item(kind="rubber mat", name="Mat", thickness=Thickness(mm=1.5), material="rubber", width_mm=80, length_mm=80),
    "folder": Item(
        kind="plain folder",
        name="Folder",
        thickness=Thickness(mm=2.5),
        material="folder plastic",
        relief=Relief(height_mm=0.6, span_mm=1.0),
        width_mm=70,
        length_mm=70,
    ),
}


def small_pile(effect: EffectKind, *keys: str) -> Sandwich:
    """A pile of some of the things, from below; a folder comes with both its halves around the card."""
    layers = []
    for number, key in enumerate(keys):
        half: Literal["raised", "sunk"] | None = None
        if key == "folder":
            half = "sunk" if "folder" in keys[:number] else "raised"
        layers.append(Layer(id=f"l{number}", item=key, half=half, role="sheet" if key == "card" else None))
    items = {key: THINGS[key] for key in keys}
    height = sum(THINGS[key].thickness.mm / (2 if key == "folder" else 1) for key in keys)
    press = Press(name="Press", opening=Thickness(mm=round(height - PRESSED, 3)))
    return Sandwich(name="Warm", press=press, effect=WantedEffect(kind=effect), items=items, layers=tuple(layers))


def warm_judgement() -> None:
    """What every judgement needs, of a cut, a line, a relief and an empty bench, how each lies, and how one rolls."""
    for pile in (
        small_pile("cut", "bed", "plate", "card", "die", "plate"),
        small_pile("line", "bed", "plate", "die", "card", "mat", "plate"),
        small_pile("emboss", "bed", "plate", "folder", "card", "folder", "plate"),
    ):
        assess(pile)
        look_at(pile, no_library)
    assess(small_pile("emboss", "bed"))
    roll(small_pile("cut", "bed", "plate", "card", "die", "plate"), no_library, spacing=COARSE)
    secant_and_tangent(0.2, 0.1, 0.1, 1e30)


def warm_forming() -> None:
    """What a pressed sheet needs."""
    cells = np.linspace(-3, 3, 64)
    flat = np.zeros((64, 64))
    section = plate_section(thickness=0.3, modulus_x=3000, modulus_y=2000, poisson=0.2, yield_strain=0.005, hardening=0.1)
    stiff = np.full(flat.shape, 100.0)
    hill = 0.2 * np.exp(-(cells[:, None] ** 2 + cells[None, :] ** 2))
    problem = Forming(spacing=0.4, section=section, cover=flat + 1, lower=hill, upper=flat, k_lower=stiff, k_upper=stiff, pressure=1.0)
    spring_back(Grid(problem), form(problem).state.deflection)


def warm_rest() -> None:
    """Wear of plates, solids seen from above, and what a pile teaches of a room."""
    add_marks(no_wear(THINGS["plate"]), Pattern(np.zeros((2, 2)), 1.0), [Laid(0.0, 0.0, 0.0, 0.01)])
    heights_from_above(np.array([[[0.0, 0.0, 0.0], [9.0, 0.0, 1.0], [0.0, 9.0, 0.5]], [[9.0, 9.0, 0.0], [9.0, 0.0, 1.0], [0.0, 9.0, 0.5]]]))
    pile = small_pile("emboss", "bed", "plate", "folder", "card", "folder", "plate")
    response = respond(pile, no_library)
    assert response is not None
    chances_of(response, believed_before([pile.press], pile.items.values()))


def warm_plan() -> None:
    """Cut lists, of few pieces and of many."""
    job = Job("Card", 2, (Piece("base", "Base", "base", size=Size(Fraction(100), Fraction(60)), stock="card"),), (ANY_CARD,))
    cut_list(job, grid=GRID["mm"])
