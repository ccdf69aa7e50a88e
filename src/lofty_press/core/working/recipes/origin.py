"""Which recipe a sandwich is made by: the one it names, or else the one whose places its layers fit."""

from lofty_press.core.sandwich.stack import Placed, Sandwich, StackView
from lofty_press.core.working.recipes.catalogue import EFFECTS
from lofty_press.core.working.recipes.effect import Effect, Slot, Way


def origin_of(sandwich: Sandwich) -> tuple[Effect, Way] | None:
    """Effect and way of a sandwich; None if it is like none of them."""
    named = (sandwich.recipe or "").partition("/")
    effect = EFFECTS.get(named[0])
    if effect is not None and effect.kind == sandwich.effect.kind:
        way = next((w for w in effect.ways if w.key == named[2]), None)
        if way is not None:
            return effect, way
    view = StackView(sandwich)
    if view.tool is None or view.sheet is None:
        return None
    fitting = [
        (likeness(view, way), -n, effect, way)
        for n, effect in enumerate(EFFECTS.values())
        if effect.kind == sandwich.effect.kind
        for way in effect.ways
        if any(slot.is_tool and takes(slot, view.tool) for slot in way.slots)
    ]
    best = max(fitting, key=lambda f: f[:2], default=None)
    return (best[2], best[3]) if best else None


def takes(slot: Slot, placed: Placed) -> bool:
    """True if a layer could lie in a slot."""
    blade = placed.item.blade
    return (
        placed.kind in slot.kinds
        and slot.thicker_mm <= placed.item.thickness.mm < slot.thinner_mm
        and (slot.teeth is None or blade is None or blade.teeth == slot.teeth)
        and (placed.kind != "sheet" or (slot.role == "sheet") == placed.is_sheet)
        and (not slot.finishes or (placed.item.stock is not None and placed.item.stock.finish in slot.finishes))
    )


def likeness(view: StackView, way: Way) -> float:
    """How well layers fit a way's places in order: matched ones, less what is left over on either side."""
    matched, at = 0, 0
    inked = any(p.layer.ink for p in view.layers)
    for placed in view.layers:
        place = next((n for n in range(at, len(way.slots)) if takes(way.slots[n], placed)), None)
        if place is not None:
            matched, at = matched + 1, place + 1
    needed = sum(slot.least > 0 for slot in way.slots)
    wants_ink = any(slot.inked for slot in way.slots)
    sides = [slot.turned for slot in way.slots if slot.is_tool and slot.half is None]
    flipped = bool(sides and view.tool and view.tool.layer.turned != sides[0])
    unlike = 0.3 * (view.sandwich.passes not in way.passes) + 0.6 * (wants_ink and not inked) + flipped
    return 2.0 * matched - len(view.layers) - needed - unlike
