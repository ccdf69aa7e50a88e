"""Changes that people ask about, to be seen beside a sandwich as it is: dry or misted, one pass or three, one motif layer or two, blade up or down."""

from collections.abc import Iterator
from dataclasses import dataclass

from lofty_press.core.basics.words import Message, say
from lofty_press.core.sandwich.stack import MATS, Edit, Move, Placed, Sandwich, Set, SetPasses, StackView, TurnOver

MISTED = 15.0  # s between a mist and the rollers
FEW, MANY = 1, 3  # passes


@dataclass(frozen=True)
class Variant:
    """A change by its key and its name, what the sandwich is called as it is and once changed, and the edits that change it."""

    key: str
    name: Message
    here: Message
    there: Message
    edits: tuple[Edit, ...]


def variants_of(sandwich: Sandwich) -> tuple[Variant, ...]:
    """The variants that make sense for a sandwich."""
    view = StackView(sandwich)
    return tuple(variant for find in (by_mist, by_passes, by_motif, by_blade) for variant in find(view))


def by_mist(view: StackView) -> Iterator[Variant]:
    sheet = view.sheet
    if sheet is None or sheet.item.stock is None or sheet.item.stock.mist is None:
        return
    dry, misted = say("dry"), say("misted")
    if sheet.layer.mist_age_s is None:
        yield Variant("mist", misted, dry, misted, (Set(layer=sheet.id, mist_age_s=MISTED),))
    else:
        yield Variant("mist", dry, misted, dry, (Set(layer=sheet.id, dry=True),))


def by_passes(view: StackView) -> Iterator[Variant]:
    now = view.sandwich.passes
    then = FEW if now > FEW else MANY
    yield Variant("passes", passes(then), passes(now), passes(then), (SetPasses(passes=then),))


def by_motif(view: StackView) -> Iterator[Variant]:
    motif = next((each for each in view.layers if each.item.kind == "motif"), None)
    if motif is not None:
        now = motif.layer.count
        then = 2 if now == 1 else 1
        yield Variant("motif", motif_layers(then), motif_layers(now), motif_layers(then), (Set(layer=motif.id, count=then),))


def by_blade(view: StackView) -> Iterator[Variant]:
    """The part of the pile between die and mat upside down, the sheet keeping its face."""
    die = next((n for n, each in enumerate(view.layers) if each.item.blade and not each.layer.half), None)
    mat = next((n for n, each in enumerate(view.layers) if each.item.kind in MATS), None)
    if die is None or mat is None:
        return
    low = min(die, mat)
    part = view.layers[low : max(die, mat) + 1]
    if any(each.layer.half for each in part):
        return
    up, down = say("blade up"), say("blade down")
    here, there = (down, up) if view.layers[die].layer.turned else (up, down)
    yield Variant("blade", there, here, there, (*turned(part), *reversed_from(part, low)))


def turned(part: tuple[Placed, ...]) -> Iterator[Edit]:
    return (TurnOver(layer=each.id) for each in part if each.item.blade)


def reversed_from(part: tuple[Placed, ...], low: int) -> Iterator[Edit]:
    """Moves that bring neighbouring layers into the opposite order, the lowest of them at `low`."""
    return (Move(layer=each.id, to=low + n) for n, each in enumerate(reversed(part)))


def passes(count: int) -> Message:
    return say("one pass") if count == 1 else say("three passes") if count == MANY else say("{n} passes", n=count)


def motif_layers(count: int) -> Message:
    return say("one motif layer") if count == 1 else say("{n} motif layers", n=count)
