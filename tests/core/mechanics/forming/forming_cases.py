"""Small forming problems for tests."""

from typing import Any

import numpy as np

from lofty_press.core.mechanics.forming.problem import Forming
from lofty_press.core.sandwich.stock.section import Section, plate_section


def isotropic(thickness: float = 0.3, modulus: float = 3000.0, **more: Any) -> Section:
    """Section of a sheet that is the same in all directions; stretching left out unless asked for."""
    membrane = more.pop("membrane", False)
    kinds = {"poisson": 0.3, "yield_strain": float("inf"), "hardening": 0.1, **more}
    found = plate_section(thickness=thickness, modulus_x=modulus, modulus_y=modulus, **kinds)
    return found if membrane else without_stretching(found)


def without_stretching(section: Section) -> Section:
    return Section(**{**{name: getattr(section, name) for name in section.__dataclass_fields__}, "membrane": 0.0})


def mesh(cells: int, spacing: float) -> tuple[np.ndarray, np.ndarray]:
    """Coordinates of cell centres around the middle of a square grid. [mm]"""
    place = (np.arange(cells) - (cells - 1) / 2) * spacing
    x, y = np.meshgrid(place, place, indexing="ij")
    return x, y


def problem(lower: np.ndarray, *, spacing: float = 0.2, section: Section | None = None, **more: Any) -> Forming:
    """A sheet over a surface, by default under a firm mat at 4 MPa."""
    fields = {"k_lower": np.full(lower.shape, 300.0), "k_upper": np.full(lower.shape, 4.0), "upper": np.zeros(lower.shape)}
    given = {name: more.pop(name, value) for name, value in fields.items()}
    return Forming(
        spacing=spacing,
        section=section or plate_section(thickness=0.28, modulus_x=4500, modulus_y=2200, poisson=0.2, yield_strain=0.005, hardening=0.1),
        cover=more.pop("cover", np.ones(lower.shape)),
        lower=lower,
        pressure=more.pop("pressure", 4.0),
        **given,
        **more,
    )


def hills(cells: int = 64, spacing: float = 0.2, height: float = 0.4) -> np.ndarray:
    """Three round hills of different widths, in no symmetrical place. [mm]"""
    x, y = mesh(cells, spacing)
    size = cells * spacing
    spots = ((-0.2, 0.1, 0.1), (0.18, 0.22, 0.07), (0.1, -0.25, 0.13))
    return sum(height * np.exp(-((x / size - a) ** 2 + (y / size - b) ** 2) / w**2) for a, b, w in spots)
