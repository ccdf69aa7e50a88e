"""Sandwiches of the press room, several of them wrong in a way that teaches something."""

from typing import Any

from lofty_press.core.sandwich.stack import EffectKind, Item, Layer, Sandwich, WantedEffect
from lofty_press.demo.presses import PRESSES
from lofty_press.demo.shelf import INKS, MATS, PLATES, TOOLS
from lofty_press.demo.stocks import STOCKS

SHELF: dict[str, Item] = {**PLATES, **MATS, **TOOLS, **STOCKS}
Row = tuple[str, dict[str, Any]]


def lay(key: str, **more: Any) -> Row:
    """A layer by the key of its item."""
    return key, more


def build(name: str, press: str, effect: EffectKind, *rows: Row, front: Any = "either", passes: int = 1, note: str = "") -> Sandwich:
    """A sandwich from the bottom up."""
    layers = tuple(Layer(id=f"l{n}", item=key, **more) for n, (key, more) in enumerate(rows, start=1))
    items = {layer.item: SHELF[layer.item] for layer in layers}
    return Sandwich(
        name=name, note=note, press=PRESSES[press], effect=WantedEffect(kind=effect, front=front), items=items, layers=layers, passes=passes
    )


def folder(key: str, *inside: Row, ink: str | None = None) -> tuple[Row, ...]:
    """A folder lying raised half down, with what it holds; `ink` goes on the upper half."""
    top = lay(key, half="sunk", ink=INKS[ink]) if ink else lay(key, half="sunk")
    return (lay(key, half="raised"), *inside, top)


SANDWICHES: dict[str, Sandwich] = {
    "programme-cover": build(
        "Sheave programme cover",
        "midway",
        "emboss",
        lay("bed"),
        *folder("cable-sheave", lay("ridge-green", role="sheet", x_mm=5, mist_age_s=20)),
        lay("deep"),
        front="raised",
        passes=3,
        note="The centenary programme: the haulage sheave on green.",
    ),
    "two-plates": build(
        "Sheave on two plates",
        "midway",
        "emboss",
        lay("bed"),
        lay("hard-a"),
        *folder("cable-sheave", lay("ridge-green", role="sheet", x_mm=5, mist_age_s=20)),
        lay("hard-b"),
        front="raised",
        passes=3,
        note="How nearly everybody starts. It jams.",
    ),
    "ticket-sleeve": build(
        "Lattice ticket sleeve",
        "midway",
        "emboss",
        lay("bed"),
        lay("hard-a"),
        *folder("rail-lattice", lay("ridge-green", role="sheet", x_mm=5)),
        lay("hard-b"),
        front="raised",
    ),
    "sleeve-in-the-hinge": build(
        "Sleeve pushed into the hinge",
        "midway",
        "emboss",
        lay("bed"),
        lay("hard-a"),
        *folder("rail-lattice", lay("signal-foil", role="sheet", x_mm=-3, mist_age_s=10, mist_face="front"), ink="ticket-red"),
        lay("hard-b"),
        front="raised",
    ),
    "arch-cut": build(
        "Station arch, cut",
        "midway",
        "cut",
        lay("bed"),
        lay("spacer"),
        lay("hard-a"),
        lay("station-arch"),
        lay("ridge-green", role="sheet"),
        lay("hard-b"),
    ),
    "tracery-cut": build(
        "Arch tracery, cut",
        "midway",
        "cut",
        lay("bed"),
        lay("spacer"),
        lay("hard-a"),
        lay("arch-tracery"),
        lay("carriage-kraft", role="sheet"),
        lay("hard-b"),
    ),
    "arch-line": build(
        "Station arch as a pressed line",
        "midway",
        "line",
        lay("bed"),
        lay("hard-a"),
        lay("station-arch"),
        lay("ridge-green", role="sheet"),
        lay("rubber-supple"),
        lay("hard-b"),
    ),
    "silicone-lesson": build(
        "Line with silicone, hard plate above",
        "midway",
        "line",
        lay("bed"),
        lay("hard-a"),
        lay("station-arch"),
        lay("ridge-green", role="sheet"),
        lay("silicone"),
        lay("hard-b"),
    ),
    "envelope-device": build(
        "Envelope flap device",
        "midway",
        "motif",
        lay("bed"),
        lay("spacer"),
        lay("soft"),
        lay("monogram"),
        lay("mail-envelope", role="sheet"),
        lay("rubber-thick"),
        lay("pad-back", role="shim", count=2),
    ),
    "envelope-too-high": build(
        "Envelope, three motif layers",
        "midway",
        "motif",
        lay("bed"),
        lay("spacer"),
        lay("soft"),
        lay("monogram", count=3),
        lay("mail-envelope", role="sheet"),
        lay("rubber-thick"),
        lay("pad-back", role="shim"),
    ),
    "timetable-print": build(
        "Timetable, inked",
        "midway",
        "letterpress",
        lay("bed"),
        lay("spacer"),
        lay("timetable", ink=INKS["soot"]),
        lay("meadow-watercolour", role="sheet", turned=True),
        lay("hard-a"),
        lay("ledger-index", role="shim"),
    ),
    "masked-label": build(
        "Lattice with a window",
        "midway",
        "emboss",
        lay("bed"),
        lay("hard-a"),
        *folder("rail-lattice", lay("ridge-green", role="sheet", x_mm=5)),
        lay("mask"),
        front="raised",
    ),
    "copper-plaque": build(
        "Copper plaque",
        "midway",
        "metal",
        lay("bed"),
        lay("spacer"),
        lay("rubber"),
        lay("gloss-backing", role="backing"),
        lay("roof-copper", role="sheet"),
        lay("station-arch"),
        lay("silicone"),
        lay("soft"),
        passes=6,
    ),
    "labels-overlapping": build(
        "Two labels at once",
        "midway",
        "cut",
        lay("bed"),
        lay("spacer"),
        lay("hard-a"),
        lay("label-large"),
        lay("label-small", x_mm=12),
        lay("carriage-kraft", role="sheet"),
        lay("hard-b"),
    ),
}
