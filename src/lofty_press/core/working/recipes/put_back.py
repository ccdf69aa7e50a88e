"""How deep a tool is by a sheet that was pressed in it: what the sheet lost is put back."""

import math
from dataclasses import dataclass, replace

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.basics.words import say
from lofty_press.core.sandwich.relief import Library, no_library
from lofty_press.core.sandwich.stack import Item, ItemKind, Press
from lofty_press.core.working.recipes.catalogue import EFFECTS
from lofty_press.core.working.recipes.effect import Effect
from lofty_press.core.working.recipes.search import search
from lofty_press.core.working.recipes.wish import Shelf, Wish

ROUNDS = 2  # how much a sheet keeps depends little on how deep its tool is
LEAST, MOST = 0.05, 4.0  # mm, that a relief is taken to be
USUALLY_KEPT = 0.8  # share of the depth, where the search begins
PRESSED = "pressed-in"  # the tool's key in the search
KEPT_OFF = 0.1  # share of the depth that the computed one may be off, by sheets computed with stretching in their plane


@dataclass(frozen=True)
class ToolDepth:
    """A tool's depth and its standard deviation [mm], and the share of it that a sheet pressed in it keeps [1]."""

    depth: float
    spread: float
    kept: float


def depth_of_tool(
    tool: Item, stock: str, sheet: tuple[float, float], shelf: Shelf, press: Press, library: Library = no_library
) -> ToolDepth:
    """Find a tool's depth from a sheet's.

    Parameters
    ----------
    tool : Item
        Whatever its relief's height is.
    stock : str
        What was pressed in it, by its key on the shelf.
    sheet : tuple of float
        The sheet's depth and its standard deviation. [mm]
    shelf : mapping of str to Item
    press : Press
    library : callable
        Finds the relief maps of tools.

    Raises
    ------
    InvalidInput
        If the tool has no relief, or nothing on the shelf makes a pile that presses it.

    Notes
    -----
    The pile is the best one that the search finds, since who pressed it is taken to have pressed it right.
    """
    if tool.relief is None:
        raise InvalidInput("tool", tool.kind, say("has no relief"))
    keys = [
        effect.key
        for effect in EFFECTS.values()
        if effect.kind == "emboss" and (effect.bare or not effect.inks) and not effect.finishes and tool.kind in tools_of(effect)
    ]
    depth, kept = sheet[0] / USUALLY_KEPT, math.nan
    for _ in range(ROUNDS):
        guess = replace(tool, relief=replace(tool.relief, height_mm=min(max(depth, LEAST), MOST)))
        pressed = (kept_in(key, guess, stock, shelf, press, library) for key in keys)
        kept = next((share for share in pressed if share is not None), math.nan)
        if not kept > 0:
            raise InvalidInput(
                "stock",
                stock,
                say("isn't pressed right in this tool by any pile from your shelf. We can't say what it lost, so measure the tool itself"),
            )
        depth = sheet[0] / kept
    return ToolDepth(depth, depth * math.hypot(sheet[1] / sheet[0], KEPT_OFF / kept), kept)


def tools_of(effect: Effect) -> set[ItemKind]:
    """Kinds of tool that give an effect."""
    return {kind for way in effect.ways for slot in way.slots if slot.is_tool for kind in slot.kinds}


def kept_in(effect: str, tool: Item, stock: str, shelf: Shelf, press: Press, library: Library) -> float | None:
    """Share of a tool's depth that a sheet keeps in the best pile; None where no pile works."""
    result = search(Wish(effect=effect, stock=stock, tool=PRESSED), {**shelf, PRESSED: tool}, press, library)
    forming = result.found[0].assessment.forming if result.found else None
    return None if forming is None else forming.retained_share
