"""What the press room shows of every effect: the sandwiches whose pressed sheets are the pictures to choose by."""

from dataclasses import replace
from functools import cache
from typing import Literal

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.judging.assess import assess
from lofty_press.core.mechanics.forming import Window, roll
from lofty_press.core.sandwich.stack import Put, Sandwich, apply_edits
from lofty_press.core.working.recipes import Wish, search
from lofty_press.demo.presses import PRESSES
from lofty_press.demo.reliefs.library import demo_relief
from lofty_press.demo.sandwiches import SHELF
from lofty_press.demo.shelf import INKS
from lofty_press.documents.pictures.effect_picture import Example, Touch

Shown = tuple[str, str | None, tuple[float, float], str | None, Touch]
"""Stock, tool, middle of the picture on the bed [mm], ink, what is done afterwards."""

PAINT = "#1f6f63"
SHIM, MOST_SHIMS = "mail-envelope", 5
ALL = 0.98  # of the work
PASSES = {"cut-thin": 2, "fold-and-tuck": 2, "cut-two-layers": 2, "cut-board": 6, "cut-metal": 6}
"""As often as people turn what is to be cut through everywhere."""
STIFF = ("cut-two-layers", "cut-board")
"""What takes the press room's strongest press."""
WIDE, HIGH = 56.0, 42.0  # mm of sheet in a picture, across and along the feed
SHOWN: dict[str, Shown] = {
    "plain-relief": ("ridge-green", "rail-lattice", (10, 8), None, "none"),
    "deep-relief": ("ridge-green", "cable-sheave", (5, 0), None, "none"),
    "relief-and-cut": ("carriage-kraft", "ticket-window", (30, 14), None, "none"),
    "two-way-relief": ("summit-white", "alpine-flora", (4, 4), None, "none"),
    "masked-relief": ("ridge-green", "rail-lattice", (34, 18), None, "none"),
    "window-relief": ("summit-white", "rail-lattice", (44, 10), None, "none"),
    "inked-relief": ("summit-white", "rail-lattice", (10, 8), "fir", "none"),
    "cut-thin": ("summit-white", "station-arch", (-24, 0), None, "none"),
    "perforate": ("carriage-kraft", "perforator", (0, 0), None, "none"),
    "cut-nested": ("ridge-green", "porthole-large", (-20, 0), None, "none"),
    "cut-steel-rule": ("ridge-sheet", "crest-block", (0, 0), None, "none"),
    "cut-strip": ("ridge-strip", "route-strip", (-60, 0), None, "none"),
    "stencil": ("packing-film", "station-arch", (-24, 0), None, "none"),
    "die-line": ("ridge-green", "station-arch", (-24, 0), None, "none"),
    "rim-in-die": ("summit-white", "label-large", (-34, 0), None, "none"),
    "inked-die-powder": ("summit-white", "station-arch", (-24, 0), "gold-base", "furrow"),
    "metal-relief": ("roof-copper", "station-arch", (-24, 0), None, "none"),
    "motif-card": ("summit-white", "monogram", (0, 0), None, "none"),
    "envelope-flap": ("mail-envelope", "monogram", (0, 0), None, "none"),
    "texture": ("ridge-green", "wicker", (0, 0), None, "none"),
    "letterpress": ("meadow-watercolour", "timetable", (-30, 0), "soot", "none"),
    "paint-along": ("meadow-watercolour", "station-arch", (-24, 0), None, "wash"),
    "colour-the-ridges": ("summit-white", "rail-lattice", (10, 8), None, "ridges"),
    "sand-back": ("ridge-green", "ridge-line", (5, 0), None, "core"),
    "wax-over-relief": ("carriage-kraft", "rail-lattice", (10, 8), None, "ridges"),
    "puffed-line": ("ridge-green", "station-arch", (-24, 0), None, "puffed"),
    "inked-relief-and-cut": ("summit-white", "ticket-window", (30, 14), "fir", "none"),
    "word-in-shadow": ("summit-white", "porthole-large", (-20, 0), None, "none"),
    "cut-metal": ("roof-copper", "label-small", (-24, 0), None, "none"),
    "cut-board": ("pad-back", "label-large", (-34, 0), None, "none"),
    "cut-two-layers": ("carriage-kraft", "label-large", (-34, 0), None, "none"),
    "relief-in-leather": ("saddle-hide", "rail-lattice", (10, 8), None, "none"),
    "relief-in-foam": ("sculpting-foam", "rail-lattice", (10, 8), None, "none"),
    "fold-and-tuck": ("carriage-kraft", "arch-tracery", (-10, 0), None, "none"),
}


def shimmed(sandwich: Sandwich) -> Sandwich:
    """The same with as many shims on top as make the whole work right, computed in full; as it was if none do."""
    for count in range(MOST_SHIMS + 1):
        shim = Put(item=SHELF[SHIM], at=len(sandwich.layers), role="shim", count=max(count, 1))
        tried = apply_edits(sandwich, [shim] if count else [])
        verdict = assess(tried, demo_relief, exact=roll(tried, demo_relief).settled()).verdict
        if verdict is not None and verdict.zone == "right" and verdict.shares.right > ALL:
            return tried
    return sandwich


@cache
def example_of(key: str) -> Example | None:
    """What shows an effect; None for an effect that the press room cannot show."""
    if key not in SHOWN:
        return None
    stock, tool, (x, y), ink, touch = SHOWN[key]
    front: Literal["raised", "sunk", "either"] = "raised" if key in ("motif-card", "die-line", "metal-relief") else "either"
    front = "sunk" if key == "puffed-line" else front
    wish = Wish(effect=key, stock=stock, tool=tool, front=front, ink=INKS[ink] if ink else None)
    presses = ("summit",) if key in STIFF else ("midway", "summit")
    for press in (PRESSES[name] for name in presses):
        try:
            found = search(wish, SHELF, press, demo_relief).found
        except InvalidInput:
            return None
        if found:
            window: Window = (x - HIGH / 2, x + HIGH / 2, y - WIDE / 2, y + WIDE / 2)
            sandwich = replace(
                found[0].sandwich,
                passes=max(found[0].sandwich.passes, PASSES.get(key, 1)),
            )
            return Example(sandwich, window, touch, colour=INKS[ink].colour if ink else PAINT)
    return None
