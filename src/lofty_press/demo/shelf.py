"""Plates, mats, tools and inks of the press room."""

import math
from typing import Any

from lofty_press.core.materials.library import MaterialName
from lofty_press.core.stack.item import Blade, Ink, Item, ItemKind, Relief, Thickness


def thing(
    kind: ItemKind,
    name: str,
    mm: float,
    sd: float,
    width: float,
    length: float,
    material: MaterialName,
    *,
    gauge: bool = False,
    **more: Any,
) -> Item:
    """One item; sizes are across and along the feed [mm]."""
    thickness = Thickness(mm=mm, sd_mm=sd, source="gauge" if gauge else "typical")
    return Item(kind=kind, name=name, thickness=thickness, width_mm=width, length_mm=length, material=material, **more)


def rectangle(width: float, length: float) -> tuple[tuple[float, float], ...]:
    """Outline of a rectangle around the middle, along and across the feed [mm]."""
    x, y = length / 2, width / 2
    return ((-x, -y), (x, -y), (x, y), (-x, y))


def arch(width: float, length: float) -> tuple[tuple[float, float], ...]:
    """Outline of a round arch standing on its base, along and across the feed [mm]."""
    radius = width / 2
    spring = length / 2 - radius
    crown = [(spring + radius * math.sin(a), radius * math.cos(a)) for a in (math.pi * k / 24 for k in range(25))]
    return ((-length / 2, radius), *((round(x, 3), round(y, 3)) for x, y in crown), (-length / 2, -radius))


def ring(radius: float, corners: int = 40) -> tuple[tuple[float, float], ...]:
    """Outline of a circle [mm]."""
    return tuple(
        (round(radius * math.cos(2 * math.pi * k / corners), 3), round(radius * math.sin(2 * math.pi * k / corners), 3))
        for k in range(corners)
    )


PLATES: dict[str, Item] = {
    "bed": thing("bed", "Midway bed", 9.0, 0.02, 152, 330, "hard plastic", gauge=True),
    "pocket-bed": thing("bed", "Foothill bed", 9.0, 0.06, 76, 200, "hard plastic"),
    "wide-bed": thing("bed", "Summit bed", 9.0, 0.05, 216, 420, "hard plastic"),
    "platform": thing("platform", "Long-die platform", 12.0, 0.1, 76, 310, "hard plastic"),
    "spacer": thing("spacer", "Thin spacer", 1.9, 0.03, 150, 225, "hard plastic", gauge=True),
    "hard-a": thing("hard plate", "Hard plate, east", 3.0, 0.02, 150, 225, "hard plastic", gauge=True),
    "hard-b": thing("hard plate", "Hard plate, west", 3.0, 0.06, 150, 225, "hard plastic", scarred="one face"),
    "hard-bowed": thing(
        "hard plate",
        "Old hard plate",
        2.9,
        0.08,
        150,
        225,
        "hard plastic",
        scarred="both faces",
        bow_mm=1.2,
        note="Always loaded in the middle.",
    ),
    "pocket-hard": thing("hard plate", "Pocket hard plate", 3.0, 0.06, 75, 150, "hard plastic"),
    "wide-hard": thing("hard plate", "Wide hard plate", 3.0, 0.06, 214, 330, "hard plastic"),
    "soft": thing("soft plate", "Soft plate", 3.0, 0.06, 150, 225, "soft plastic"),
    "deep": thing("deep plate", "Deep plate", 4.1, 0.02, 150, 225, "hard plastic", gauge=True),
    "mask": thing(
        "pressure mask",
        "Window mask",
        3.1,
        0.05,
        118,
        158,
        "soft plastic",
        windows=(rectangle(52, 74),),
        note="Presses all round, not in the window.",
    ),
    "frame": thing(
        "frame",
        "Pad-back frame",
        1.45,
        0.06,
        112,
        152,
        "paper",
        windows=(rectangle(64, 92),),
        modulus_mpa=180,
        note="Two glued layers of pad backing; one of a pair cut with one die.",
    ),
}

MATS: dict[str, Item] = {
    "rubber": thing("rubber mat", "Firm rubber mat", 2.2, 0.04, 150, 200, "rubber", gauge=True, shore_a=60),
    "rubber-thick": thing("rubber mat", "Thick rubber mat", 3.0, 0.12, 150, 200, "rubber", shore_a=55),
    "rubber-thin": thing("rubber mat", "Thin rubber mat", 1.0, 0.08, 150, 200, "rubber", shore_a=65),
    "silicone": thing("silicone sheet", "Silicone sheet", 1.4, 0.1, 150, 200, "silicone", shore_a=30),
    "foam": thing("foam sheet", "Craft foam", 2.0, 0.2, 150, 200, "foam"),
}

FOLDER: MaterialName = "folder plastic"

TOOLS: dict[str, Item] = {
    "rail-lattice": thing(
        "plain folder",
        "Rail-lattice folder",
        2.6,
        0.06,
        112,
        155,
        FOLDER,
        relief=Relief(height_mm=0.45, span_mm=2.2, raised_share=0.35, hinge_margin_mm=9),
    ),
    "cable-sheave": thing(
        "deep folder",
        "Cable-sheave folder",
        4.9,
        0.08,
        118,
        160,
        FOLDER,
        relief=Relief(height_mm=1.1, span_mm=4.5, raised_share=0.4, hinge_margin_mm=10),
    ),
    "ridge-line": thing(
        "layered folder",
        "Ridge-line folder",
        4.8,
        0.1,
        118,
        160,
        FOLDER,
        relief=Relief(height_mm=1.3, span_mm=5.5, raised_share=0.5, hinge_margin_mm=10),
    ),
    "ticket-window": thing(
        "cutting folder",
        "Ticket-window folder",
        2.7,
        0.08,
        112,
        155,
        FOLDER,
        relief=Relief(height_mm=0.4, span_mm=2.2, raised_share=0.3, hinge_margin_mm=9),
        blade=Blade(height_mm=0.5, length_mm=300),
    ),
    "alpine-flora": thing(
        "two-way folder",
        "Alpine-flora folder",
        3.3,
        0.08,
        112,
        155,
        FOLDER,
        relief=Relief(height_mm=0.6, span_mm=2.8, raised_share=0.4, hinge_margin_mm=8),
    ),
    "name-board": thing(
        "plain folder",
        "Name-board folder",
        2.5,
        0.08,
        76,
        150,
        FOLDER,
        relief=Relief(height_mm=0.4, span_mm=2.1, raised_share=0.25, hinge_margin_mm=8, words_read="raised"),
    ),
    "timetable": thing(
        "letterpress plate",
        "Timetable plate",
        3.1,
        0.05,
        100,
        140,
        "photopolymer",
        relief=Relief(height_mm=0.8, span_mm=0.6, raised_share=0.12, words_read="sunk"),
    ),
    "wicker": thing(
        "texture plate",
        "Wicker-seat texture plate",
        1.9,
        0.06,
        112,
        150,
        "hard plastic",
        relief=Relief(height_mm=0.25, span_mm=1.6, raised_share=0.5),
    ),
    "monogram": thing(
        "motif",
        "Monogram motif",
        0.25,
        0.02,
        46,
        46,
        "paper",
        outline=ring(23),
        relief=Relief(height_mm=0.25, span_mm=3.0, raised_share=0.9),
    ),
    "station-arch": thing(
        "thin die", "Station-arch die", 0.95, 0.02, 84, 110, "steel", outline=arch(84, 110), blade=Blade(height_mm=0.5, length_mm=780)
    ),
    "arch-tracery": thing(
        "thin die",
        "Arch tracery die",
        0.95,
        0.03,
        80,
        104,
        "steel",
        outline=arch(80, 104),
        blade=Blade(height_mm=0.5, length_mm=2300),
        note="Intricate: glazing bars and a clock.",
    ),
    "label-large": thing("thin die", "Luggage label, large", 0.95, 0.03, 58, 104, "steel", blade=Blade(height_mm=0.5, length_mm=330)),
    "label-small": thing("thin die", "Luggage label, small", 0.95, 0.03, 46, 90, "steel", blade=Blade(height_mm=0.5, length_mm=270)),
    "perforator": thing("thin die", "Ticket perforator", 0.95, 0.03, 8, 100, "steel", blade=Blade(height_mm=0.5, length_mm=60)),
    "bench-seat": thing("thin die", "Square carriage die", 0.95, 0.03, 98, 98, "steel", blade=Blade(height_mm=0.5, length_mm=900)),
    "route-strip": thing("strip die", "Route-map strip die", 1.3, 0.05, 60, 300, "steel", blade=Blade(height_mm=0.7, length_mm=900)),
    "crest-block": thing(
        "steel-rule die", "Crest block", 15.0, 0.15, 110, 120, "foam", modulus_mpa=400, blade=Blade(height_mm=2.0, length_mm=700)
    ),
}

INKS: dict[str, Ink] = {
    "soot": Ink(name="Soot pigment ink", type="pigment", open_s=900, colour="#2b2b2e"),
    "fir": Ink(name="Fir slow craft ink", type="slow craft", open_s=1200, colour="#1f6f4f"),
    "ticket-red": Ink(name="Ticket red dye ink", type="dye", open_s=20, colour="#a8322a"),
    "gold-base": Ink(name="Clear base for powder", type="powder base", open_s=600, colour="#c9a34a"),
}
