"""Piles that people know to work, built from what was just named: a die, a plain folder, a deep one."""

from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass
from itertools import combinations

from lofty_press.core.basics.words import Message, say
from lofty_press.core.judging.verdict import Zone
from lofty_press.core.sandwich.stack import MATS, PLATES, TOOLS, EffectKind, Item, ItemKind, Press, Put, Sandwich, WantedEffect, apply_edits

WORKS: dict[str, frozenset[Zone]] = {
    "works": frozenset({"right"}),
    "a little tight": frozenset({"right", "hard"}),
    "faint": frozenset({"faint", "slack"}),
    "does not go through": frozenset({"refuses"}),
}
"""What somebody says of a pile, and which zones fit that."""

USUAL_GSM = 216.0  # g/m2; the card that most people have

SHEET = "sheet"
GROUND = frozenset((*PLATES, *MATS)) - {"bed"}
"""What a tool is pressed between. A spacer or a plate under it that is too small leaves a part of it unpressed."""


@dataclass(frozen=True)
class Plan:
    """A usual pile from the bottom up by kinds; the sheet lies in the folder or on the die before it."""

    key: str
    title: Message
    effect: EffectKind
    kinds: tuple[ItemKind, ...]


PLANS = (
    Plan("cut", say("A thin die that cuts card"), "cut", ("bed", "spacer", "hard plate", "thin die", "sheet", "hard plate")),
    Plan("plain", say("A plain folder"), "emboss", ("bed", "hard plate", "plain folder", "sheet", "hard plate")),
    Plan("deep", say("A deep folder"), "emboss", ("bed", "deep folder", "sheet", "deep plate")),
    Plan(
        "cutting", say("A folder that embosses and cuts"), "cut and emboss", ("bed", "hard plate", "cutting folder", "sheet", "hard plate")
    ),
    Plan("texture", say("A texture plate"), "texture", ("bed", "hard plate", "texture plate", "sheet", "silicone sheet", "hard plate")),
)


@dataclass(frozen=True)
class UsualPile:
    """A pile that somebody may know, with what it is called."""

    key: str
    title: Message
    sandwich: Sandwich


def usual_piles(press: Press, items: Iterable[Item]) -> tuple[UsualPile, ...]:
    """The usual piles that can be built of some things on a press, each thing lying in a pile once, and the tool whole on what it is pressed between."""
    owned: dict[ItemKind, list[Item]] = {}
    for item in items:
        owned.setdefault(item.kind, []).append(item)
    owned.get("sheet", []).sort(key=lambda item: abs((item.stock.grammage_gsm if item.stock else 0.0) - USUAL_GSM))
    found = []
    for plan in PLANS:
        parts = matching(plan.kinds, owned)
        if parts is not None:
            found.append(UsualPile(plan.key, plan.title, built(plan, press, parts)))
    return tuple(found)


def matching(kinds: Sequence[ItemKind], owned: Mapping[ItemKind, Sequence[Item]]) -> list[Item] | None:
    """A thing of each kind: the first tool for which there are plates and mats as large as it is, else the first of everything."""
    for tool in (item for kind in kinds if kind in TOOLS for item in owned.get(kind, ())):
        large = {kind: [item for item in things if kind not in GROUND or covers(item, tool)] for kind, things in owned.items()}
        parts = chosen(kinds, {**large, tool.kind: [tool]})
        if parts is not None:
            return parts
    return chosen(kinds, owned)


def covers(item: Item, tool: Item) -> bool:
    """True for a thing on whose middle a tool lies whole."""
    return item.width_mm >= tool.width_mm and item.length_mm >= tool.length_mm


def chosen(kinds: Sequence[ItemKind], owned: Mapping[ItemKind, Sequence[Item]]) -> list[Item] | None:
    """A thing of each kind, none twice; None if one is missing."""
    used: dict[ItemKind, int] = {}
    parts = []
    for kind in kinds:
        n = used.get(kind, 0)
        if n >= len(owned.get(kind, [])):
            return None
        parts.append(owned[kind][n])
        used[kind] = n + 1
    return parts


def built(plan: Plan, press: Press, parts: Sequence[Item]) -> Sandwich:
    """The sandwich of some parts."""
    bare = Sandwich(name=str(plan.title), press=press, effect=WantedEffect(kind=plan.effect), items={}, layers=())
    for item in parts:
        at = len(bare.layers)
        if item.kind == SHEET:
            inside = bare.layers and bare.layers[-1].half is not None
            bare = apply_edits(bare, [Put(item=item, at=at - 1 if inside else at, role="sheet")])
        else:
            bare = apply_edits(bare, [Put(item=item, at=at)])
    return bare


FEELER: tuple[ItemKind, ...] = ("spacer", "hard plate", "hard plate", "deep plate", "soft plate")
LEAST_GAP = 0.6  # mm that paper is to fill, so that it does on a press that is a little tighter too
MOST_GAP = 5.0  # mm; more than fifty sheets nobody counts


def feeler_pile(press: Press, items: Iterable[Item]) -> Sandwich | None:
    """A bed with the plates that leave least room for paper; None where nothing comes near enough."""
    owned: dict[ItemKind, list[Item]] = {}
    for item in items:
        owned.setdefault(item.kind, []).append(item)
    best: tuple[float, list[Item]] | None = None
    for count in range(1, len(FEELER) + 1):
        for kinds in combinations(FEELER, count):
            parts = chosen(("bed", *kinds), owned)
            gap = press.opening.mm - sum(part.thickness.mm for part in parts) if parts else 0.0
            if parts and LEAST_GAP <= gap <= MOST_GAP and (best is None or gap < best[0]):
                best = gap, parts
    if best is None:
        return None
    bare = Sandwich(name=str(say("Plates and paper")), press=press, effect=WantedEffect(kind="emboss"), items={}, layers=())
    for part in best[1]:
        bare = apply_edits(bare, [Put(item=part, at=len(bare.layers))])
    return bare
