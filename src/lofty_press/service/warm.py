"""Compiles what the first requests need, so that nobody waits for it: once on a new machine, from a cache afterwards."""

import numpy as np

from lofty_press.core.assess import assess
from lofty_press.core.forming.nested import form
from lofty_press.core.forming.newton import Grid
from lofty_press.core.forming.problem import Forming
from lofty_press.core.forming.release import spring_back
from lofty_press.core.forming.section import plate_section, secant_and_tangent
from lofty_press.core.stack.item import Item, Thickness
from lofty_press.core.stack.press import Press
from lofty_press.core.stack.sandwich import Layer, Sandwich, WantedEffect


def warm_judgement() -> None:
    """What every judgement needs: before the application answers its first request."""
    bed = Item(kind="bed", name="Bed", thickness=Thickness(mm=9.0), width_mm=100, length_mm=100, material="hard plastic")
    press = Press(name="Press", opening=Thickness(mm=8.9))
    assess(Sandwich(name="Warm", press=press, effect=WantedEffect(kind="emboss"), items={"bed": bed}, layers=(Layer(id="l1", item="bed"),)))
    secant_and_tangent(0.2, 0.1, 0.1)


def warm_forming() -> None:
    """What a pressed sheet needs: while nobody has asked for one yet."""
    cells = np.linspace(-3, 3, 64)
    flat = np.zeros((64, 64))
    section = plate_section(thickness=0.3, modulus_x=3000, modulus_y=2000, poisson=0.2, yield_strain=0.005, hardening=0.1)
    stiff = np.full(flat.shape, 100.0)
    hill = 0.2 * np.exp(-(cells[:, None] ** 2 + cells[None, :] ** 2))
    problem = Forming(spacing=0.4, section=section, cover=flat + 1, lower=hill, upper=flat, k_lower=stiff, k_upper=stiff, pressure=1.0)
    spring_back(Grid(problem), form(problem).state.deflection)
