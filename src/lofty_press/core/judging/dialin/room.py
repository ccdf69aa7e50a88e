"""What nobody knows of a press room, and how unsure it is before anything was seen there."""

import math
from collections.abc import Iterable
from dataclasses import replace

from lofty_press.core.judging.dialin.belief import Belief, Weights, independent
from lofty_press.core.judging.dialin.cracking import CRACK
from lofty_press.core.judging.dialin.elsewhere import elsewhere
from lofty_press.core.judging.verdict import FRAME_GAUGED, FRAME_GUESSED
from lofty_press.core.sandwich.stack import Item, Press, Sandwich

TOGETHER = 0.6  # of the variance of a typical thickness, shared by things of one kind: they were mostly bought together
GRIP = 0.1  # of the logarithm: a factor of 1.1
SOFT = {"rubber": 0.8, "silicone": 0.8, "foam": 0.8}  # of a mat's stiffness: a hardness that nobody printed on it
NEED = 0.35  # of a stock's strength against pressing
KNOWN = 0.15  # of the strength of a stock that somebody put a gauge to: it is described and not guessed

# all from common practice, no published source


def believed_before(presses: Iterable[Press], items: Iterable[Item]) -> Belief:
    """The belief about a room whose presses and things carry their shelf's keys; those without are left out."""
    sds: dict[str, float] = {}
    for press in presses:
        if press.shelf_id is not None:
            sds |= {
                opening_of(press): press.opening.sd_mm,
                frame_of(press): FRAME_GAUGED if press.opening.source == "gauge" else FRAME_GUESSED,
                grip_of(press): GRIP,
            }
    for item in items:
        if item.shelf_id is None:
            continue
        own, shared = spreads(item)
        sds[thickness_of(item)] = own
        if shared:
            sds[bought_with(item)] = max(shared, sds.get(bought_with(item), 0.0))
        if item.material in SOFT:
            sds[softness_of(item)] = SOFT[item.material]
        if item.stock is not None:
            sds[need_of(item)] = KNOWN if item.thickness.source == "gauge" else NEED
            sds[cracking_of(item)] = CRACK
    return independent(sds)


def keyed(sandwich: Sandwich) -> Sandwich:
    """A sandwich whose press and things all carry keys: where they stand on no shelf, their own in the sandwich."""
    items = {key: item if item.shelf_id is not None else replace(item, shelf_id=key) for key, item in sandwich.items.items()}
    press = sandwich.press if sandwich.press.shelf_id is not None else replace(sandwich.press, shelf_id="press")
    return replace(sandwich, press=press, items=items)


def spreads(item: Item) -> tuple[float, float]:
    """Standard deviation of a thing's own thickness, and of what it shares with its kind. [mm]"""
    if item.thickness.source == "gauge" or item.stock is not None:
        return item.thickness.sd_mm, 0.0
    return item.thickness.sd_mm * math.sqrt(1.0 - TOGETHER), item.thickness.sd_mm * math.sqrt(TOGETHER)


def opening_of(press: Press) -> str:
    return f"opening:{press.shelf_id}"


def frame_of(press: Press) -> str:
    return f"frame:{press.shelf_id}"


def grip_of(press: Press) -> str:
    return f"grip:{press.shelf_id}"


def thickness_of(item: Item) -> str:
    return f"thing:{item.shelf_id}"


def bought_with(item: Item) -> str:
    return f"kind:{item.kind}{elsewhere(item.shelf_id)}"


def size_of(item: Item) -> Weights:
    """What a gauge reads of a thing: its own thickness, and what it shares with its kind."""
    return {thickness_of(item): 1.0, **({bought_with(item): 1.0} if spreads(item)[1] else {})}


def softness_of(item: Item) -> str:
    return f"soft:{item.material}{elsewhere(item.shelf_id)}"


def cracking_of(item: Item) -> str:
    return f"crack:{item.shelf_id}"


def need_of(item: Item) -> str:
    return f"need:{item.shelf_id}"
