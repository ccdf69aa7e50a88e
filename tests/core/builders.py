"""Small sandwiches for tests; everything comes from the demo shelf unless a test says otherwise."""

from dataclasses import replace
from typing import Any

from lofty_press.core.judging.assess import Assessment, assess
from lofty_press.core.sandwich.stack.apply import apply_edits
from lofty_press.core.sandwich.stack.effect import EffectKind
from lofty_press.core.sandwich.stack.item import Item, Thickness
from lofty_press.core.sandwich.stack.sandwich import Sandwich
from lofty_press.core.sandwich.stack.supply import resolved
from lofty_press.demo.reliefs.library import demo_relief
from lofty_press.demo.sandwiches import SHELF, Row, build, folder, lay

__all__ = ["build", "codes", "cut", "edited", "finding", "flat_pile", "folder", "judged", "lay", "sheet_row", "with_item", "zone"]


def judged(effect: EffectKind, *rows: Row, press: str = "midway", **more: Any) -> Assessment:
    """Assessment of a pile on a press of the demo world."""
    return assess(build("Test", press, effect, *rows, **more), demo_relief)


def sheet_row(stock: str = "ridge-green", **more: Any) -> Row:
    """The worked sheet, lying clear of the hinge margin."""
    return lay(stock, role="sheet", **{"x_mm": 5, **more})


def cut(die: str = "label-large", stock: str = "ridge-green", **place: Any) -> Sandwich:
    """A die between two hard plates, blade up; the sheet lies as the die does."""
    rows = (lay("bed"), lay("spacer"), lay("hard-a"), lay(die, **place), lay(stock, role="sheet", **place), lay("hard-b"))
    return build("Cut", "midway", "cut", *rows)


def codes(assessment: Assessment, *severities: str) -> set[str]:
    """Codes of the findings, of some severities or of all."""
    return {f.code for f in assessment.findings if not severities or f.severity in severities}


def finding(assessment: Assessment, code: str) -> Any:
    """The one finding with a code."""
    (found,) = [f for f in assessment.findings if f.code == code]
    return found


def edited(sandwich: Sandwich, edits: Any, *shelf: Item) -> Sandwich:
    """A sandwich after edits; what they wish for comes from a shelf of these things."""
    return apply_edits(sandwich, resolved(sandwich, edits, lambda kind: [item for item in shelf if item.kind == kind]))


def zone(assessment: Assessment) -> str:
    """The verdict's zone; a test that asks for it expects a verdict."""
    assert assessment.verdict is not None
    return assessment.verdict.zone


def with_item(sandwich: Sandwich, key: str, **changes: Any) -> Sandwich:
    """The sandwich with one item changed."""
    return replace(sandwich, items={**sandwich.items, key: replace(sandwich.items[key], **changes)})


def flat_pile(thickness: float, *, width: float = 100.0, y: float = 0.0, opening: float = 17.7, name: str = "hard-a") -> Sandwich:
    """One plate on the bed, `thickness` [mm] over both together, `width` [mm] across."""
    plain = build("Flat", "midway", "emboss", lay("bed"), lay(name, y_mm=y))
    plate: Item = replace(SHELF[name], thickness=Thickness(mm=thickness - 9.0, sd_mm=0.01), width_mm=width)
    pressed = replace(plain, items={**plain.items, name: plate})
    return replace(pressed, press=replace(pressed.press, opening=Thickness(mm=opening, sd_mm=0.01)))
