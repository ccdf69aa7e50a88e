"""Plates, mats, tools and inks of the press room."""

import math
from typing import Any

from lofty_press.core.sandwich.materials import MaterialName
from lofty_press.core.sandwich.stack import Blade, Ink, Item, ItemKind, Relief, Thickness


def thing(
    kind: ItemKind,
    name: str,
    *,
    mm: float,
    sd: float,
    size: tuple[float, float],
    material: MaterialName,
    gauge: bool = False,
    **more: Any,
) -> Item:
    """One item; its thickness, and its size across and along the feed [mm]."""
    width, length = size
    thickness = Thickness(mm=mm, sd_mm=sd, source="gauge" if gauge else "typical")
    return Item(kind=kind, name=name, thickness=thickness, width_mm=width, length_mm=length, material=material, **more)


def rectangle(width: float, length: float) -> tuple[tuple[float, float], ...]:
    """Outline of a rectangle around the middle, along and across the feed [mm]."""
    x, y = length / 2, width / 2
    return ((-x, -y), (x, -y), (x, y), (-x, y))


def arch(width: float, length: float) -> tuple[tuple[float, float], ...]:
    """Outline of a round arch standing on its base, along and across the feed, the crown first into the press [mm]."""
    radius = width / 2
    spring = radius - length / 2
    crown = [(spring - radius * math.sin(a), radius * math.cos(a)) for a in (math.pi * k / 24 for k in range(25))]
    return ((length / 2, radius), *((round(x, 3), round(y, 3)) for x, y in crown), (length / 2, -radius))


def ring(radius: float, corners: int = 40) -> tuple[tuple[float, float], ...]:
    """Outline of a circle [mm]."""
    return tuple(
        (round(radius * math.cos(2 * math.pi * k / corners), 3), round(radius * math.sin(2 * math.pi * k / corners), 3))
        for k in range(corners)
    )


PLATES: dict[str, Item] = {
    "bed": thing("bed", "Midway bed", mm=9.0, sd=0.02, size=(152, 330), material="hard plastic", gauge=True),
    "pocket-bed": thing("bed", "Foothill bed", mm=9.0, sd=0.06, size=(76, 200), material="hard plastic"),
    "wide-bed": thing("bed", "Summit bed", mm=9.0, sd=0.05, size=(216, 420), material="hard plastic"),
    "platform": thing("platform", "Long-die platform", mm=13.4, sd=0.1, size=(76, 310), material="hard plastic"),
    "spacer": thing("spacer", "Thin spacer", mm=1.8, sd=0.03, size=(150, 225), material="hard plastic", gauge=True),
    "hard-a": thing("hard plate", "Hard plate, east", mm=3.2, sd=0.02, size=(150, 225), material="hard plastic", gauge=True),
    "hard-b": thing("hard plate", "Hard plate, west", mm=3.2, sd=0.06, size=(150, 225), material="hard plastic", scarred="one face"),
    "hard-bowed": thing(
        "hard plate",
        "Old hard plate",
        mm=3.1,
        sd=0.08,
        size=(150, 225),
        material="hard plastic",
        scarred="both faces",
        bow_mm=1.2,
        note="Always loaded in the middle.",
    ),
    "pocket-hard": thing("hard plate", "Pocket hard plate", mm=3.2, sd=0.06, size=(76, 160), material="hard plastic"),
    "pocket-hard-b": thing(
        "hard plate", "Pocket hard plate, scarred", mm=3.2, sd=0.06, size=(76, 160), material="hard plastic", scarred="one face"
    ),
    "pocket-spacer": thing("spacer", "Pocket spacer", mm=1.8, sd=0.05, size=(76, 160), material="hard plastic"),
    "pocket-soft": thing("soft plate", "Pocket soft plate", mm=3.0, sd=0.08, size=(76, 160), material="soft plastic"),
    "pocket-deep": thing("deep plate", "Pocket deep plate", mm=3.6, sd=0.05, size=(76, 160), material="hard plastic"),
    "long-hard": thing("hard plate", "Long-die plate", mm=3.2, sd=0.08, size=(76, 310), material="hard plastic"),
    "wide-hard": thing("hard plate", "Wide hard plate", mm=3.2, sd=0.06, size=(214, 330), material="hard plastic"),
    "soft": thing("soft plate", "Soft plate", mm=3.0, sd=0.06, size=(150, 225), material="soft plastic"),
    "deep": thing("deep plate", "Deep plate", mm=3.85, sd=0.02, size=(150, 225), material="hard plastic", gauge=True),
    "mask": thing(
        "pressure mask",
        "Window mask",
        mm=3.1,
        sd=0.05,
        size=(118, 158),
        material="soft plastic",
        windows=(rectangle(52, 74),),
        note="Presses all round, not in the window.",
    ),
    "frame": thing(
        "frame",
        "Pad-back frame",
        mm=1.45,
        sd=0.06,
        size=(112, 152),
        material="paper",
        windows=(rectangle(64, 92),),
        modulus_mpa=180,
        note="Two glued layers of pad backing; one of a pair cut with one die.",
    ),
}

MATS: dict[str, Item] = {
    "rubber": thing("rubber mat", "Firm rubber mat", mm=2.0, sd=0.04, size=(150, 200), material="rubber", gauge=True, shore_a=60),
    "rubber-supple": thing("rubber mat", "Supple rubber mat", mm=1.4, sd=0.04, size=(150, 200), material="rubber", gauge=True, shore_a=40),
    "rubber-thick": thing("rubber mat", "Thick rubber mat", mm=3.0, sd=0.12, size=(150, 200), material="rubber", shore_a=55),
    "silicone": thing("silicone sheet", "Silicone sheet", mm=1.4, sd=0.1, size=(150, 200), material="silicone", shore_a=30),
    "pocket-rubber": thing("rubber mat", "Pocket rubber mat", mm=2.0, sd=0.08, size=(76, 155), material="rubber", shore_a=60),
    "pocket-silicone": thing("silicone sheet", "Pocket silicone", mm=1.4, sd=0.1, size=(76, 155), material="silicone", shore_a=30),
    "foam": thing("foam sheet", "Craft foam", mm=2.0, sd=0.2, size=(150, 200), material="foam"),
}

FOLDER: MaterialName = "folder plastic"

TOOLS: dict[str, Item] = {
    "rail-lattice": thing(
        "plain folder",
        "Rail-lattice folder",
        mm=2.67,
        sd=0.06,
        size=(112, 155),
        material=FOLDER,
        relief=Relief(height_mm=0.45, span_mm=2.2, raised_share=0.35, hinge_margin_mm=9, map="alder-rail-lattice"),
    ),
    "cable-sheave": thing(
        "deep folder",
        "Cable-sheave folder",
        mm=4.9,
        sd=0.08,
        size=(118, 160),
        material=FOLDER,
        relief=Relief(height_mm=1.1, span_mm=4.5, raised_share=0.4, hinge_margin_mm=10, map="alder-cable-sheave"),
    ),
    "ridge-line": thing(
        "layered folder",
        "Ridge-line folder",
        mm=4.8,
        sd=0.1,
        size=(118, 160),
        material=FOLDER,
        relief=Relief(height_mm=1.0, span_mm=5.5, raised_share=0.5, hinge_margin_mm=10, map="alder-ridge-line"),
    ),
    "ticket-window": thing(
        "cutting folder",
        "Ticket-window folder",
        mm=2.7,
        sd=0.08,
        size=(112, 155),
        material=FOLDER,
        relief=Relief(height_mm=0.4, span_mm=2.2, raised_share=0.3, hinge_margin_mm=9, map="alder-ticket-window"),
        blade=Blade(height_mm=0.5, length_mm=358, map="alder-ticket-window-blade"),
    ),
    "tunnel-mouth": thing(
        "cutting folder",
        "Tunnel-mouth folder",
        mm=5.0,
        sd=0.08,
        size=(118, 160),
        material=FOLDER,
        relief=Relief(height_mm=0.9, span_mm=4.2, raised_share=0.4, hinge_margin_mm=10),
        blade=Blade(height_mm=0.5, length_mm=280),
        note="Its die is loose and sits in ridges.",
    ),
    "whistle-post": thing(
        "deep folder",
        "Whistle-post folder",
        mm=4.9,
        sd=0.08,
        size=(76, 150),
        material=FOLDER,
        relief=Relief(height_mm=0.9, span_mm=4.4, raised_share=0.35, hinge_margin_mm=9),
    ),
    "alpine-flora": thing(
        "two-way folder",
        "Alpine-flora folder",
        mm=3.3,
        sd=0.08,
        size=(112, 155),
        material=FOLDER,
        relief=Relief(height_mm=0.6, span_mm=2.8, raised_share=0.4, hinge_margin_mm=8, map="alder-alpine-flora"),
    ),
    "name-board": thing(
        "plain folder",
        "Name-board folder",
        mm=2.5,
        sd=0.08,
        size=(76, 150),
        material=FOLDER,
        relief=Relief(height_mm=0.4, span_mm=2.1, raised_share=0.25, hinge_margin_mm=8, words_read="raised", map="alder-name-board"),
    ),
    "timetable": thing(
        "letterpress plate",
        "Timetable plate",
        mm=3.2,
        sd=0.05,
        size=(100, 140),
        material="photopolymer",
        relief=Relief(height_mm=0.8, span_mm=0.6, raised_share=0.12, words_read="sunk", map="alder-timetable"),
    ),
    "wicker": thing(
        "texture plate",
        "Wicker-seat texture plate",
        mm=1.9,
        sd=0.06,
        size=(112, 150),
        material="hard plastic",
        relief=Relief(height_mm=0.22, span_mm=2.2, raised_share=0.5, map="alder-wicker-seat"),
    ),
    "monogram": thing(
        "motif",
        "Monogram motif",
        mm=0.25,
        sd=0.02,
        size=(46, 46),
        material="paper",
        outline=ring(23),
        relief=Relief(height_mm=0.25, span_mm=3.0, raised_share=0.9, map="alder-monogram"),
    ),
    "station-arch": thing(
        "thin die",
        "Station-arch die",
        mm=1.4,
        sd=0.02,
        size=(84, 110),
        material="steel",
        outline=arch(84, 110),
        blade=Blade(height_mm=0.5, length_mm=986, map="alder-station-arch"),
    ),
    "arch-tracery": thing(
        "thin die",
        "Arch tracery die",
        mm=1.15,
        sd=0.03,
        size=(80, 104),
        material="steel",
        outline=arch(80, 104),
        blade=Blade(height_mm=0.5, length_mm=2120, map="alder-arch-tracery"),
        note="Intricate: glazing bars and a clock.",
    ),
    "label-large": thing(
        "thin die",
        "Luggage label, large",
        mm=1.05,
        sd=0.03,
        size=(58, 104),
        material="steel",
        blade=Blade(height_mm=0.5, length_mm=331, map="alder-label-large"),
    ),
    "label-small": thing(
        "thin die",
        "Luggage label, small",
        mm=1.0,
        sd=0.03,
        size=(46, 90),
        material="steel",
        blade=Blade(height_mm=0.5, length_mm=273, map="alder-label-small"),
    ),
    **{
        f"porthole-{name}": thing(
            "thin die",
            f"Porthole, {name}",
            mm=0.75,
            sd=0.03,
            size=(2 * (radius + 3), 2 * (radius + 3)),
            material="steel",
            outline=ring(radius + 3),
            windows=(ring(radius - 3),),
            blade=Blade(height_mm=0.5, length_mm=round(2 * math.pi * radius)),
            note="One of a nested set; every other size goes together.",
        )
        for name, radius in (("large", 34.0), ("middle", 29.0), ("small", 24.0))
    },
    "perforator": thing(
        "thin die",
        "Ticket perforator",
        mm=0.72,
        sd=0.03,
        size=(8, 100),
        material="steel",
        blade=Blade(height_mm=0.5, length_mm=58, map="alder-perforator", teeth="perforating"),
    ),
    "bench-seat": thing(
        "thin die",
        "Square carriage die",
        mm=1.05,
        sd=0.03,
        size=(98, 98),
        material="steel",
        blade=Blade(height_mm=0.5, length_mm=1020, map="alder-square-carriage"),
    ),
    "route-strip": thing(
        "strip die",
        "Route-map strip die",
        mm=1.4,
        sd=0.05,
        size=(60, 300),
        material="steel",
        blade=Blade(height_mm=0.7, length_mm=815, map="alder-route-strip"),
    ),
    "crest-block": thing(
        "steel-rule die",
        "Crest block",
        mm=15.0,
        sd=0.15,
        size=(110, 120),
        material="foam",
        modulus_mpa=400,
        blade=Blade(height_mm=2.0, length_mm=637, map="alder-crest-block"),
    ),
}

INKS: dict[str, Ink] = {
    "soot": Ink(name="Soot pigment ink", type="pigment", open_s=900, colour="#2b2b2e"),
    "fir": Ink(name="Fir slow craft ink", type="slow craft", open_s=1200, colour="#1f6f4f"),
    "ticket-red": Ink(name="Ticket red dye ink", type="dye", open_s=20, colour="#a8322a"),
    "gold-base": Ink(name="Clear base for powder", type="powder base", open_s=600, colour="#c9a34a"),
}
