"""Cautions; they add to the makers' instructions and local rules and do not replace them."""

from collections.abc import Iterable

from lofty_press.core.basics.words import say
from lofty_press.core.judging.findings.finding import Evidence, Finding
from lofty_press.core.sandwich.stack import DIES


def fingers(e: Evidence) -> Iterable[Finding]:
    """Always."""
    if e.view.layers:
        how = (
            say("Unplug a motor press before you reach in.")
            if e.view.press.drive.kind == "motor"
            else say("If the handle stops, back out and take a layer out. Never force it.")
        )
        yield Finding(
            "fingers-clear",
            "care",
            say("Keep fingers clear of rollers and bed."),
            say("{how} The maker's instructions come first.", how=how),
        )


def sharp_edges(e: Evidence) -> Iterable[Finding]:
    """Blades."""
    blade = next((p for p in e.view.layers if p.item.blade is not None), None)
    if blade is not None:
        yield Finding(
            "sharp-edges",
            "care",
            say("{blade} is sharp.", blade=blade.name),
            say("Hold it by its back; keep blades and small cut pieces from children."),
            blade.id,
        )


def hold_until_set(e: Evidence) -> Iterable[Finding]:
    """Leather and foam keep only the shape that they dry or cool in: what is promised rests on that."""
    sheet = e.view.sheet
    sets = sheet.item.stock.sets if sheet is not None and sheet.item.stock is not None else None
    if sheet is None or sets is None or e.forming is None or e.forming.retained_share is None:
        return
    what = say("Leave it under a weight until it's dry.") if sets.by == "drying" else say("Leave it under a weight until it's cool.")
    yield Finding(
        "hold-until-set",
        "care",
        what,
        say("Opened sooner, much of the pattern springs back."),
        sheet.id,
    )


def metal_edges(e: Evidence) -> Iterable[Finding]:
    """Cut metal."""
    sheet = e.view.sheet
    if sheet is not None and sheet.item.stock is not None and sheet.item.stock.finish == "sheet metal":
        yield Finding(
            "metal-edges",
            "care",
            say("Cut metal has sharp edges: wear gloves."),
            say("Back it with glossy paper, gloss to the metal, and look after each pass."),
            sheet.id,
        )


def ink_and_powder(e: Evidence) -> Iterable[Finding]:
    """Washing off, heat, dust."""
    inked = next((p for p in e.view.layers if p.layer.ink is not None), None)
    if inked is None:
        return
    if inked.kind in DIES:
        yield Finding(
            "heat-and-powder",
            "care",
            say("Heat tool: heat-proof mat, no flammables, fresh air."),
            say("Preheat the tool and keep it moving. Don't breathe the powder."),
            inked.id,
        )
    else:
        yield Finding(
            "wash-ink-off",
            "care",
            say("Wash tool and hands when done."),
            say("Dried ink fills fine lines and prints in the next sheet."),
            inked.id,
        )


def wet_work(e: Evidence) -> Iterable[Finding]:
    """Mist in the air and on the floor."""
    sheet = e.view.sheet
    if sheet is not None and sheet.layer.mist_age_s is not None:
        yield Finding(
            "mind-the-mist",
            "care",
            say("Mist away from the press; don't breathe it."),
            say("A wet floor is slippery; a wet plate slides."),
            sheet.id,
        )


RULES = (fingers, sharp_edges, metal_edges, hold_until_set, ink_and_powder, wet_work)
